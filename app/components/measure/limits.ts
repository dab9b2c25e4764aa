/** Which limit a measurement is judged by: the maker's figure for the unit before any rule. */
import type { EnteredLimit, Job, Measure, ReadingUnit } from 'core'
import { MEASURE_RULES, toUnit } from 'core'

/** Enough digits for a limit in any unit. */
const LIMIT_DECIMALS = 4

/** A figure in the unit used inside as somebody would write it in `unit`. */
function written(value: number | undefined, unit: ReadingUnit): string | undefined {
  return value === undefined ? undefined : `${Number(toUnit(value, unit).toFixed(LIMIT_DECIMALS))}`
}

/** The maker's figure for this part, or for all parts of the unit; then the rule of thumb; or none. */
export function limitFor(
  job: Job,
  part: string,
  measure: Measure,
  unit: ReadingUnit,
): EnteredLimit | null {
  const entered =
    job.limits.find((each) => each.measure === measure && each.part === part) ??
    job.limits.find((each) => each.measure === measure && each.part === null)
  if (entered) return entered.limit
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
