/** Efficiencies as the address of a Trace page keeps them, in per cent. */
import type { Efficiencies, Rational } from 'core'
import { USUAL_EFFICIENCIES, rational, toNumber } from 'core'

export const EFFICIENCY_KEYS = ['mesh', 'bearings'] as const
export type EfficiencyKey = (typeof EFFICIENCY_KEYS)[number]

/** Lower ones do not occur in a gearbox that is worth turning. */
const LEAST_EFFICIENCY_PERCENT = 50
const STEPS_PER_PERCENT = 100

export interface LossInput {
  readonly efficiencies: Efficiencies
  /** The figures as typed. */
  readonly texts: Readonly<Record<EfficiencyKey, string>>
  readonly problems: Readonly<Record<EfficiencyKey, string | undefined>>
}

function read(text: string): Rational | undefined {
  const percent = Number(text.trim().replace(',', '.'))
  return text.trim() !== '' && percent >= LEAST_EFFICIENCY_PERCENT && percent <= 100
    ? rational(Math.round(percent * STEPS_PER_PERCENT), 100 * STEPS_PER_PERCENT)
    : undefined
}

/** What cannot be used leaves the usual efficiency in place, and is told. */
export function readLossInput(
  search: Readonly<Partial<Record<EfficiencyKey, string | null>>>,
): LossInput {
  const of = (key: EfficiencyKey) => {
    const usual = `${Number((toNumber(USUAL_EFFICIENCIES[key]) * 100).toFixed(2))}`
    const text = search[key] ?? usual
    const found = read(text)
    return {
      text,
      efficiency: found ?? USUAL_EFFICIENCIES[key],
      problem: found
        ? undefined
        : `Enter ${LEAST_EFFICIENCY_PERCENT} to 100 %. ${usual} % is taken until then.`,
    }
  }
  const [mesh, bearings] = [of('mesh'), of('bearings')]
  return {
    efficiencies: { mesh: mesh.efficiency, bearings: bearings.efficiency },
    texts: { mesh: mesh.text, bearings: bearings.text },
    problems: { mesh: mesh.problem, bearings: bearings.problem },
  }
}
