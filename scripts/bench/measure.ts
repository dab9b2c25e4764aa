/** Medians and percentiles; single times on a shared machine mean nothing. */

/** The value below which `share` of the values lie; NaN of none. */
export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((one, other) => one - other)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN
}

/** Median time of one call in milliseconds, over `rounds` calls after a warm-up of as many. */
export function medianMs(rounds: number, work: () => void): number {
  for (let round = 0; round < rounds; round++) work()
  const times: number[] = []
  for (let round = 0; round < rounds; round++) {
    const start = performance.now()
    work()
    times.push(performance.now() - start)
  }
  return percentile(times, 0.5)
}

export function ms(value: number): string {
  return `${value.toFixed(value < 10 ? 3 : 1)} ms`
}

/** One line of the report: what, how much, the reference of the same run, and what is aimed at. */
export function report(what: string, value: string, reference: string, aim: string): void {
  console.log(`${what}\n    ${value}   reference: ${reference}   aim: ${aim}`)
}
