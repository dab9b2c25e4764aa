/** Every figure that is shown passes through here. */
import type { Rational } from 'core'
import { KM_PER_MILE, MM_PER_INCH, NM_PER_LBFT, formatFraction, rational } from 'core'

/** Between a number and its unit, so that they are never parted. */
/** A space at which no line ends, between a figure and its unit. */
export const NBSP = '\u00a0'
const MINUS = '\u2212'

export const TORQUE_UNITS = ['Nm', 'lbft'] as const
export type TorqueUnit = (typeof TORQUE_UNITS)[number]

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

/** One of the unit in newton-metres. */
export function torqueUnitNm(unit: TorqueUnit): number {
  return unit === 'Nm' ? 1 : NM_PER_LBFT
}

/** A torque in the chosen unit: "228 N·m". */
export function formatTorque(torqueNm: number, unit: TorqueUnit): string {
  const value = torqueNm / torqueUnitNm(unit)
  return `${formatNumber(value, Math.abs(value) < 10 ? 1 : 0)}${NBSP}${TORQUE_UNIT_NAMES[unit]}`
}

export function formatSpeed(speedRpm: number): string {
  return `${formatNumber(speedRpm, 0)}${NBSP}rev/min`
}

export const LENGTH_UNITS = ['mm', 'in'] as const
export type LengthUnit = (typeof LENGTH_UNITS)[number]

/** A length in the chosen unit: "71.25 mm", "2.805 in". */
export function formatLength(lengthMm: number, unit: LengthUnit): string {
  return unit === 'mm'
    ? `${formatNumber(lengthMm, 2)}${NBSP}mm`
    : `${formatNumber(lengthMm / MM_PER_INCH, 3)}${NBSP}in`
}

export const ROAD_SPEED_UNITS = ['kmh', 'mph'] as const
export type RoadSpeedUnit = (typeof ROAD_SPEED_UNITS)[number]

export const ROAD_SPEED_UNIT_NAMES: Readonly<Record<RoadSpeedUnit, string>> = {
  kmh: 'km/h',
  mph: 'mi/h',
}

/** A road speed as a figure in the chosen unit. */
export function roadSpeedIn(speedKmh: number, unit: RoadSpeedUnit): number {
  return unit === 'kmh' ? speedKmh : speedKmh / KM_PER_MILE
}

/** A road speed in the chosen unit: "83.2 km/h". */
export function formatRoadSpeed(speedKmh: number, unit: RoadSpeedUnit): string {
  return `${formatNumber(roadSpeedIn(speedKmh, unit), 1)}${NBSP}${ROAD_SPEED_UNIT_NAMES[unit]}`
}

const W_PER_RPM_NM = (2 * Math.PI) / 60

/** The power of a torque at a speed; never negative. */
export function kilowatts(torqueNm: number, speedRpm: number): number {
  return (Math.abs(torqueNm * speedRpm) * W_PER_RPM_NM) / 1000
}

/** The power of a torque at a speed: "10.5 kW". */
export function formatPower(torqueNm: number, speedRpm: number): string {
  const kw = kilowatts(torqueNm, speedRpm)
  return `${formatNumber(kw, kw < 10 ? 2 : 1)}${NBSP}kW`
}

/** A force without its sense: "1250 N", and from 10 kN on "12.5 kN". */
export function formatForce(forceN: number): string {
  const size = Math.abs(forceN)
  return size < 10_000
    ? `${formatNumber(size, 0)}${NBSP}N`
    : `${formatNumber(size / 1000, 1)}${NBSP}kN`
}

/** A part of a whole: "97.5 %". */
export function formatShare(share: number): string {
  return `${formatNumber(share * 100, 1)}${NBSP}%`
}

/** Made when first asked for: the two cost a page a tenth of its start, and few pages need them. */
let moments: Intl.DateTimeFormat | undefined
let grouped: Intl.NumberFormat | undefined

/** "25 Nov 2026, 14:05", by the clock of whoever shows it. */
export function formatWhen(at: Date): string {
  moments ??= new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
  return moments.format(at)
}

/** "48.50 EUR"; a shop that did not say its currency knows it. */
export function formatMoney(amount: number, currency: string): string {
  return `${formatNumber(amount, 2)}${currency === '' ? '' : `${NBSP}${currency}`}`
}

/** "Price each, EUR": what a column of amounts is called. */
export function moneyHeading(what: string, currency: string): string {
  return currency === '' ? what : `${what}, ${currency}`
}

let days: Intl.DateTimeFormat | undefined

/** "25 Nov 2026", by the clock of whoever shows it. */
export function formatDay(at: Date): string {
  days ??= new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' })
  return days.format(at)
}

/** A whole number in groups of three: "148,000". */
export function formatGrouped(value: number): string {
  grouped ??= new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 })
  return grouped.format(value)
}

export function formatTeeth(toothCount: number): string {
  return `${toothCount}${NBSP}teeth`
}
