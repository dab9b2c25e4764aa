/**
 * The units in which people read their tools, by exact factors (NIST SP 811). Inside,
 * lengths are in mm, angles in degrees, torques in N·m and distances run in km.
 */

/** One inch in millimetres, exactly. */
export const MM_PER_INCH = 25.4
/** One pound-force foot in newton-metres, exactly. */
export const NM_PER_LBFT = 1.3558179483314004
/** One mile in kilometres, exactly. */
export const KM_PER_MILE = 1.609344

export const QUANTITIES = ['length', 'angle', 'torque', 'distance'] as const
export type Quantity = (typeof QUANTITIES)[number]

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
] as const
export type ReadingUnit = (typeof READING_UNITS)[number]

/** What a unit measures, and one of it in the unit used inside. */
export const UNIT_FACTORS: Readonly<
  Record<ReadingUnit, { readonly quantity: Quantity; readonly factor: number }>
> = {
  mm: { quantity: 'length', factor: 1 },
  um: { quantity: 'length', factor: 0.001 },
  in: { quantity: 'length', factor: MM_PER_INCH },
  thou: { quantity: 'length', factor: MM_PER_INCH / 1000 },
  deg: { quantity: 'angle', factor: 1 },
  Nm: { quantity: 'torque', factor: 1 },
  lbft: { quantity: 'torque', factor: NM_PER_LBFT },
  lbin: { quantity: 'torque', factor: NM_PER_LBFT / 12 },
  km: { quantity: 'distance', factor: 1 },
  mi: { quantity: 'distance', factor: KM_PER_MILE },
}

/** The units of one quantity, in the order in which they are offered. */
export function unitsOf(quantity: Quantity): readonly ReadingUnit[] {
  return READING_UNITS.filter((unit) => UNIT_FACTORS[unit].quantity === quantity)
}

/** A figure of a unit in mm, degrees, N·m or km. `fromUnit(31, 'thou')` is 0.7874 (mm). */
export function fromUnit(value: number, unit: ReadingUnit): number {
  return value * UNIT_FACTORS[unit].factor
}

/** A figure in mm, degrees, N·m or km in another unit of its quantity. */
export function toUnit(value: number, unit: ReadingUnit): number {
  return value / UNIT_FACTORS[unit].factor
}
