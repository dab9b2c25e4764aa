/** What was entered, as it was entered, and the exact figures that follow from it. */
import type { Rational } from '../number/rational.ts'
import type { Span } from '../number/reading.ts'
import { parseReading, parseSpan } from '../number/reading.ts'
import type { ReadingUnit } from '../number/units.ts'
import { exactFromUnit } from '../number/units.ts'

import type { Bounds, ExactBounds } from './measurement.ts'

/** A figure as it was read: the text and its unit. */
export interface Entered {
  readonly text: string
  readonly unit: ReadingUnit
}

/** Where a limit came from, the strongest first. */
export const LIMIT_SOURCES = ['maker', 'shop', 'thumb'] as const
/** See `LIMIT_SOURCES`. */
export type LimitSource = (typeof LIMIT_SOURCES)[number]

/** A limit as it was entered, in the unit it was entered in. */
export interface EnteredLimit {
  readonly source: LimitSource
  readonly least?: string | undefined
  readonly most?: string | undefined
  readonly unit: ReadingUnit
}

/** A figure as entered, in the unit used inside; undefined where the text is none. */
export function exactFigureOf(text: string, unit: ReadingUnit): Rational | undefined {
  const reading = parseReading(text)
  return reading.ok ? exactFromUnit(reading.value, unit) : undefined
}

/** The same as a float. */
export function figureOf(text: string, unit: ReadingUnit): number | undefined {
  return exactFigureOf(text, unit)?.toNumber()
}

/** A reading as entered, one figure or from one to another, in the unit used inside. */
export function spanOf(text: string, unit: ReadingUnit): Span | undefined {
  const reading = parseSpan(text)
  return reading.ok
    ? { low: exactFromUnit(reading.span.low, unit), high: exactFromUnit(reading.span.high, unit) }
    : undefined
}

/** A limit as exact bounds, in the unit used inside; null of none. */
export function exactBoundsOf(limit: EnteredLimit | null): ExactBounds | null {
  if (!limit) return null
  const { least, most, unit } = limit
  return {
    ...(least !== undefined && { least: exactFigureOf(least, unit) }),
    ...(most !== undefined && { most: exactFigureOf(most, unit) }),
  }
}

/** The same as floats. */
export function boundsOf(limit: EnteredLimit | null): Bounds | null {
  const bounds = exactBoundsOf(limit)
  return (
    bounds && {
      ...(bounds.least && { least: bounds.least.toNumber() }),
      ...(bounds.most && { most: bounds.most.toNumber() }),
    }
  )
}
