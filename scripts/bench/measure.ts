/** Medians and percentiles; single times on a shared machine mean nothing. */

/** One frame of a screen that shows sixty a second. */
export const FRAME_MS = 1_000 / 60

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

/** Turns that a pair takes, and calls of the reference in each. */
const TURNS = 5
const REFERENCE_CALLS = 4

export interface Pair {
  readonly oursMs: number
  readonly referenceMs: number
  /** The reference's time over ours, the median of turns: what slows a machine down slows both. */
  readonly times: number
}

/** Two ways to one answer, by turns, each for about as long. */
export function pairOf(ours: () => void, reference: () => void): Pair {
  const calls = Math.ceil((REFERENCE_CALLS * medianMs(1, reference)) / medianMs(100, ours))
  const turns = Array.from({ length: TURNS }, () => {
    const [oursMs, referenceMs] = [medianMs(calls, ours), medianMs(REFERENCE_CALLS, reference)]
    return { oursMs, referenceMs, times: referenceMs / oursMs }
  })
  const median = (of: keyof Pair): number =>
    percentile(
      turns.map((turn) => turn[of]),
      0.5,
    )
  return { oursMs: median('oursMs'), referenceMs: median('referenceMs'), times: median('times') }
}

export function ms(value: number): string {
  return `${value.toFixed(value < 10 ? 3 : 1)} ms`
}

/** The aim of being under so many milliseconds, and whether a time is. */
export function under(mostMs: number, timeMs: number): Readonly<Record<string, boolean>> {
  return { [`under ${mostMs} ms`]: timeMs < mostMs }
}

/** How many times as long one takes as another. */
export function times(one: number, other: number): string {
  return `${(one / other).toFixed(1)} times`
}

/**
 * One entry of the report: whether it is met, what, how much (a ratio first, where there is one),
 * the reference of the same run, and what is aimed at, each aim with whether it is met.
 */
export function report(
  what: string,
  value: string,
  reference: string,
  aims: Readonly<Record<string, boolean>>,
): void {
  const missed = Object.entries(aims).flatMap(([aim, isMet]) => (isMet ? [] : [aim]))
  const verdict = missed.length === 0 ? 'met    ' : 'NOT MET'
  const aim = Object.keys(aims).join(', and ') || 'none is set'
  const which =
    missed.length > 0 && Object.keys(aims).length > 1 ? ` (not: ${missed.join(', ')})` : ''
  console.log(
    `${verdict} ${what}\n        ${value}   reference: ${reference}   aim: ${aim}${which}`,
  )
}
