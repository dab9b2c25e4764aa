/** What readings come to while they are typed. */
import type { EnteredLimit, Judgement, Measure, ReadingIssue, ReadingUnit } from 'core'
import { MEASURE_RULES, checkReadings, exactBoundsOf, exactFigureOf, judge, spanOf } from 'core'

interface Typed {
  readonly measure: Measure
  readonly unit: ReadingUnit
  /** Readings that are not empty. */
  readonly written: readonly string[]
  /** A radius or a journal beside them. */
  readonly beside: string
  readonly limit: EnteredLimit | null
}

interface Judged {
  /** Undefined while there is nothing to judge. */
  readonly judgement: Judgement | undefined
  /** What cannot be is said while it is typed, and judged as nothing. */
  readonly impossible: readonly ReadingIssue[]
  readonly besideUnit: ReadingUnit
}

export function judged({ measure, unit, written, beside, limit }: Typed): Judged {
  const rule = MEASURE_RULES[measure]
  const values = written.map((text) => spanOf(text, unit))
  const known = values.filter((value) => value !== undefined)
  // A radius is set by a rule in mm; a journal is read with the same tool as its bore.
  const besideUnit = rule.beside === 'journal' ? unit : 'mm'
  const besideMm = exactFigureOf(beside, besideUnit) ?? null
  const impossible = checkReadings(measure, known, besideMm).filter(
    ({ code }) => code === 'implausible' || code === 'negative',
  )
  const isWhole =
    impossible.length === 0 &&
    known.length > 0 &&
    known.length === values.length &&
    (rule.beside === null || besideMm !== null)
  return {
    judgement: isWhole ? judge(measure, known, besideMm, exactBoundsOf(limit)) : undefined,
    impossible,
    besideUnit,
  }
}
