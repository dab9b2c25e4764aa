/**
 * The units in which people read their tools, by exact factors (NIST SP 811). Inside,
 * lengths are in mm, angles in degrees, torques in N·m, distances run in km and shares in percent.
 */

import type { Rational } from './rational.ts'
import { ONE, rational } from './rational.ts'

/** One inch in millimetres, exactly. */
export const MM_PER_INCH = 25.4
/** One pound-force foot in newton-metres, exactly. */
export const NM_PER_LBFT = 1.3558179483314004
/** 0.45359237 kg × 9.80665 m/s² × 0.3048 m. */
const NM_PER_LBFT_EXACTLY = rational(45_359_237n * 980_665n * 3_048n, 10n ** 17n)
/** One mile in kilometres, exactly. */
export const KM_PER_MILE = 1.609344

const QUANTITIES = ['length', 'angle', 'torque', 'distance', 'share'] as const
/** What a unit measures. */
export type Quantity = (typeof QUANTITIES)[number]

/** The units in which readings are entered. */
export const READING_UNITS = [
  'mm',
  'um',
  'in',
  'thou',
  'deg',
  'Nm',
  'lbft',
  'lbin',
  'km',
  'mi',
  'percent',
] as const
/** See `READING_UNITS`. */
export type ReadingUnit = (typeof READING_UNITS)[number]

/** What a unit measures, and one of it in the unit used inside, exactly. */
export const UNIT_FACTORS: Readonly<
  Record<ReadingUnit, { readonly quantity: Quantity; readonly factor: Rational }>
> = {
  mm: { quantity: 'length', factor: ONE },
  um: { quantity: 'length', factor: rational(1, 1000) },
  in: { quantity: 'length', factor: rational(254, 10) },
  thou: { quantity: 'length', factor: rational(254, 10_000) },
  deg: { quantity: 'angle', factor: ONE },
  Nm: { quantity: 'torque', factor: ONE },
  lbft: { quantity: 'torque', factor: NM_PER_LBFT_EXACTLY },
  lbin: { quantity: 'torque', factor: NM_PER_LBFT_EXACTLY.div(rational(12)) },
  km: { quantity: 'distance', factor: ONE },
  mi: { quantity: 'distance', factor: rational(1_609_344, 1_000_000) },
  percent: { quantity: 'share', factor: ONE },
}

/** The units of one quantity, in the order in which they are offered. */
export function unitsOf(quantity: Quantity): readonly ReadingUnit[] {
  return READING_UNITS.filter((unit) => UNIT_FACTORS[unit].quantity === quantity)
}

/** A figure of a unit in mm, degrees, N·m or km, exactly: 31 thou are 3937/5000 mm. */
export function exactFromUnit(value: Rational, unit: ReadingUnit): Rational {
  return value.mul(UNIT_FACTORS[unit].factor)
}

/** The same in floats. `fromUnit(31, 'thou')` is 0.7874 (mm). */
export function fromUnit(value: number, unit: ReadingUnit): number {
  return value * UNIT_FACTORS[unit].factor.toNumber()
}

/** A figure in mm, degrees, N·m or km in another unit of its quantity. */
export function toUnit(value: number, unit: ReadingUnit): number {
  return value / UNIT_FACTORS[unit].factor.toNumber()
}
