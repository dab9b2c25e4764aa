/**
 * Which limit a measurement is judged by. There may be several: the maker's figure for the
 * unit, a rule of the shop, a rule of thumb of the trade. The strongest source counts,
 * whatever was entered last; within one source, the limit of the very part counts before
 * that of all like it (common practice: the maker's figure rules where there is one).
 */
import { oncePer } from '../box/oncePer.ts'
import type { EnteredLimit } from '../measure/entered.ts'
import { LIMIT_SOURCES } from '../measure/entered.ts'
import type { Measure } from '../measure/measurement.ts'
import type { SheetLine } from '../box/types.ts'
import { MEASURES, MEASURE_RULES } from '../measure/measurement.ts'
import type { ReadingUnit } from '../number/units.ts'
import { READING_UNITS, UNIT_FACTORS, toUnit } from '../number/units.ts'

/** A limit that was entered for a part, or for all that are alike where `part` is null. */
interface PartLimit {
  readonly part: string | null
  readonly measure: Measure
  readonly limit: EnteredLimit
}

/** Where limits are looked up. */
export interface KnownLimits {
  /** Those that were entered in the job. */
  readonly limits: readonly PartLimit[]
  /** The data sheet of the unit, whose limits are its maker's. */
  readonly sheet: readonly SheetLine[]
  /** Those of the shop. */
  readonly rules: readonly ShopRule[]
}

/** The limits of a data sheet; a line in a unit that does not measure so bounds nothing. */
export function sheetLimits(sheet: readonly SheetLine[]): readonly PartLimit[] {
  return sheet.flatMap(({ kind, of, measure: name, least, most, unit: inUnit }): PartLimit[] => {
    const measure = MEASURES.find((each) => each === name)
    const unit = READING_UNITS.find((each) => each === inUnit)
    if (kind !== 'limit' || !measure || !unit || (least === undefined && most === undefined))
      return []
    if (UNIT_FACTORS[unit].quantity !== MEASURE_RULES[measure].judges) return []
    const limit: EnteredLimit = {
      source: 'maker',
      unit,
      ...(least !== undefined && { least }),
      ...(most !== undefined && { most }),
    }
    return [{ part: of ?? null, measure, limit }]
  })
}

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
 * none. What was entered in the job goes before the data sheet of the unit.
 */
export function limitFor(
  known: KnownLimits,
  part: string,
  measure: Measure,
  unit: ReadingUnit,
): EnteredLimit | null {
  return strongest(known, part, measure, null) ?? ruleOfThumb(measure, unit)
}

/**
 * The limit that a reading is judged by, which was kept with the one that held when it was made:
 * what has been entered since judges it too, unless it comes from a weaker source.
 */
export function judgingLimit(
  known: KnownLimits,
  part: string,
  measure: Measure,
  kept: EnteredLimit | null,
): EnteredLimit | null {
  return strongest(known, part, measure, kept)
}

/** What is known by measure: of a job hundreds of readings are judged by it. */
const byMeasure = oncePer(({ limits, sheet }: KnownLimits): ReadonlyMap<Measure, PartLimit[]> => {
  const found = new Map<Measure, PartLimit[]>()
  for (const each of [...limits, ...sheetLimits(sheet)])
    found.set(each.measure, [...(found.get(each.measure) ?? []), each])
  return found
})

function strongest(
  known: KnownLimits,
  part: string,
  measure: Measure,
  kept: EnteredLimit | null,
): EnteredLimit | null {
  const { rules } = known
  const ofMeasure = byMeasure(known).get(measure) ?? []
  for (const source of LIMIT_SOURCES) {
    const ofSource = ofMeasure.filter(({ limit }) => limit.source === source)
    const entered =
      ofSource.find((each) => each.part === part) ?? ofSource.find((each) => each.part === null)
    if (entered) return entered.limit
    const rule = source === 'shop' && rules.find((each) => each.measure === measure)
    if (rule) return rule.limit
    if (kept?.source === source) return kept
  }
  return null
}
