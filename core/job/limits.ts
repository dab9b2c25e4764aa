/**
 * Which limit a measurement is judged by. There may be several: the maker's figure for the
 * unit, a rule of the shop, a rule of thumb of the trade. The strongest source counts,
 * whatever was entered last; within one source, the limit of the very part counts before
 * that of all like it (common practice: the maker's figure rules where there is one).
 */
import type { EnteredLimit, Job } from './job.ts'
import { LIMIT_SOURCES } from './job.ts'
import type { Measure } from '../measure/measurement.ts'
import { MEASURE_RULES } from '../measure/measurement.ts'
import type { ReadingUnit } from '../number/units.ts'
import { toUnit } from '../number/units.ts'

/** A rule that the shop keeps for every unit. */
export interface ShopRule {
  readonly measure: Measure
  readonly limit: EnteredLimit
}

/** Enough digits for a limit in any unit. */
const LIMIT_DECIMALS = 4

/** A figure in the unit used inside as somebody would write it in `unit`. */
function written(value: number | undefined, unit: ReadingUnit): string | undefined {
  return value === undefined ? undefined : `${Number(toUnit(value, unit).toFixed(LIMIT_DECIMALS))}`
}

function ruleOfThumb(measure: Measure, unit: ReadingUnit): EnteredLimit | null {
  const { thumb } = MEASURE_RULES[measure]
  if (!thumb) return null
  const [least, most] = [written(thumb.least, unit), written(thumb.most, unit)]
  return {
    source: 'thumb',
    unit,
    ...(least !== undefined && { least }),
    ...(most !== undefined && { most }),
  }
}

/**
 * The limit for a part, as it was entered; the rule of thumb in `unit`; null where there is
 * none. `rules` are the shop's.
 */
export function limitFor(
  { limits }: Pick<Job, 'limits'>,
  rules: readonly ShopRule[],
  part: string,
  measure: Measure,
  unit: ReadingUnit,
): EnteredLimit | null {
  const ofMeasure = limits.filter((each) => each.measure === measure)
  for (const source of LIMIT_SOURCES) {
    const ofSource = ofMeasure.filter(({ limit }) => limit.source === source)
    const entered =
      ofSource.find((each) => each.part === part) ?? ofSource.find((each) => each.part === null)
    if (entered) return entered.limit
    const rule = source === 'shop' && rules.find((each) => each.measure === measure)
    if (rule) return rule.limit
  }
  return ruleOfThumb(measure, unit)
}
