/** Every figure that is shown passes through here. */
import type { Rational } from 'core'
import { formatFraction, rational } from 'core'

/** Between a number and its unit, so that they are never parted. */
const NBSP = '\u00a0'
const MINUS = '\u2212'

export const TORQUE_UNITS = ['Nm', 'lbft'] as const
export type TorqueUnit = (typeof TORQUE_UNITS)[number]

/** One pound-force foot in newton-metres, exactly (NIST SP 811). */
export const NM_PER_LBFT = 1.3558179483314004

export const TORQUE_UNIT_NAMES: Readonly<Record<TorqueUnit, string>> = {
  Nm: `N·m`,
  lbft: `lb·ft`,
}

/** A number with a fixed count of decimals and a true minus sign. */
export function formatNumber(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals)
  return value < 0 && Number(text) !== 0 ? `${MINUS}${text}` : text
}

const RATIO_DECIMALS = 3
const HUNDRED = rational(100)

/** "3.990 : 1"; exactly 1 is "1 : 1". The sign is left to words. */
export function formatRatio(ratio: Rational): string {
  return `${formatRatioFigure(ratio)}${NBSP}:${NBSP}1`
}

/** "3.990" without the " : 1". */
export function formatRatioFigure(ratio: Rational): string {
  const size = ratio.abs()
  return size.isOne() ? '1' : size.toFixed(RATIO_DECIMALS)
}

/** Turns out for one turn in: "0.251". */
export function formatInverse(ratio: Rational): string {
  return formatRatioFigure(ratio.inverse())
}

/** "407/102", without its sign. */
export function formatExact(ratio: Rational): string {
  return formatFraction(ratio.abs()).replace('/', `${NBSP}/${NBSP}`)
}

/** A change as "+67.8 %". */
export function formatPercent(share: Rational): string {
  const text = share.mul(HUNDRED).toFixed(1)
  return `${text.startsWith('-') ? MINUS : '+'}${text.replace('-', '')}${NBSP}%`
}

/** A torque in the chosen unit: "228 N·m". */
export function formatTorque(torqueNm: number, unit: TorqueUnit): string {
  const value = unit === 'Nm' ? torqueNm : torqueNm / NM_PER_LBFT
  return `${formatNumber(value, Math.abs(value) < 10 ? 1 : 0)}${NBSP}${TORQUE_UNIT_NAMES[unit]}`
}

export function formatSpeed(speedRpm: number): string {
  return `${formatNumber(speedRpm, 0)}${NBSP}rev/min`
}

export const LENGTH_UNITS = ['mm', 'in'] as const
export type LengthUnit = (typeof LENGTH_UNITS)[number]

/** One inch in millimetres, exactly (NIST SP 811). */
export const MM_PER_INCH = 25.4

/** A length in the chosen unit: "71.25 mm", "2.805 in". */
export function formatLength(lengthMm: number, unit: LengthUnit): string {
  return unit === 'mm'
    ? `${formatNumber(lengthMm, 2)}${NBSP}mm`
    : `${formatNumber(lengthMm / MM_PER_INCH, 3)}${NBSP}in`
}

const WHEN = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' })

/** "25 Nov 2026, 14:05", by the clock of whoever shows it. */
export function formatWhen(at: Date): string {
  return WHEN.format(new Date(at))
}

export function formatTeeth(toothCount: number): string {
  return `${toothCount}${NBSP}teeth`
}
