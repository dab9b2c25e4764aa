/** Numbers as people type them into a drawing. */
import type { LengthUnit, TorqueUnit } from '~/words/format.ts'
import { TORQUE_UNIT_NAMES, torqueUnitNm } from '~/words/format.ts'
import { MM_PER_INCH } from 'core'

/** Larger than any module of ISO 54. */
export const LARGEST_MODULE_MM = 50

/** Longest length that a box file may state. */
const LONGEST_MM = 100_000

export type ParsedNumber =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly sentence: string }

function parseNumber(text: string): number {
  const tidy = text.trim().replace(',', '.')
  return tidy === '' ? NaN : Number(tidy)
}

/** A length in the chosen unit, in millimetres. */
export function parseLength(text: string, unit: LengthUnit, least = -LONGEST_MM): ParsedNumber {
  const value = parseNumber(text) * (unit === 'in' ? MM_PER_INCH : 1)
  if (!Number.isFinite(value)) return { ok: false, sentence: 'Type a length, such as 71.5.' }
  if (value < least || value > LONGEST_MM)
    return { ok: false, sentence: 'No gearbox has a length like that. Check the unit.' }
  return { ok: true, value: Math.round(value * 1_000) / 1_000 }
}

/** A length to type over, in the chosen unit, without trailing zeros. */
export function lengthText(lengthMm: number, unit: LengthUnit): string {
  return unit === 'in' ? `${Number((lengthMm / MM_PER_INCH).toFixed(4))}` : `${lengthMm}`
}

/** A number within limits. */
export function parseWithin(text: string, least: number, most: number, what: string): ParsedNumber {
  const value = parseNumber(text)
  return value >= least && value <= most
    ? { ok: true, value }
    : { ok: false, sentence: `${what} is ${least} to ${most}.` }
}

/** A whole number within limits; parts of one are refused, not rounded. */
export function parseWhole(text: string, least: number, most: number, what: string): ParsedNumber {
  const entry = parseWithin(text, least, most, what)
  return entry.ok && !Number.isInteger(entry.value)
    ? { ok: false, sentence: `${what} is a whole number from ${least} to ${most}.` }
    : entry
}

/** A torque to type over, in the chosen unit, without trailing zeros. */
export function torqueText(torqueNm: number, unit: TorqueUnit): string {
  return `${Number((torqueNm / torqueUnitNm(unit)).toFixed(3))}`
}

/** A torque in the chosen unit, in newton-metres; the limits are in those too. */
export function parseTorque(
  text: string,
  unit: TorqueUnit,
  [leastNm, mostNm]: readonly [number, number],
  what: string,
): ParsedNumber {
  const valueNm = parseNumber(text) * torqueUnitNm(unit)
  return valueNm >= leastNm && valueNm <= mostNm
    ? { ok: true, value: Number(valueNm.toFixed(6)) }
    : {
        ok: false,
        sentence: `${what} is ${torqueText(leastNm, unit)} to ${torqueText(mostNm, unit)} ${TORQUE_UNIT_NAMES[unit]}.`,
      }
}
