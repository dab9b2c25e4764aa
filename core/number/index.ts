/** Exact numbers, readings and units. */
export type { Rational } from './rational.ts'
export { ONE, ZERO, formatFraction, parseFraction, rational, toNumber } from './rational.ts'
export type { ReadingProblem } from './reading.ts'
export { parseReading, parseSpan } from './reading.ts'
export type { Quantity, ReadingUnit } from './units.ts'
export {
  KM_PER_MILE,
  MM_PER_INCH,
  NM_PER_LBFT,
  READING_UNITS,
  UNIT_FACTORS,
  fromUnit,
  toUnit,
  unitsOf,
} from './units.ts'
