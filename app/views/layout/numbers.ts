/** Numbers as people type them into a drawing. */
import type { LengthUnit, TorqueUnit } from '~/words/format.ts'
import { TORQUE_UNIT_NAMES, torqueUnitNm } from '~/words/format.ts'
import type { Field, NumberField } from 'core'
import { LARGEST, MM_PER_INCH } from 'core'

import { rangeWords } from '~/words/fields.ts'

type ParsedNumber =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly sentence: string }

function parseNumber(text: string): number {
  const tidy = text.trim().replace(',', '.')
  return tidy === '' ? NaN : Number(tidy)
}

/** A length in the chosen unit, in millimetres. */
export function parseLength(
  text: string,
  unit: LengthUnit,
  least = -LARGEST.lengthMm,
): ParsedNumber {
  const value = parseNumber(text) * (unit === 'in' ? MM_PER_INCH : 1)
  if (!Number.isFinite(value)) return { ok: false, sentence: 'Type a length, such as 71.5.' }
  if (value < least || value > LARGEST.lengthMm)
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

/** What was typed into a field for a figure; undefined where it was emptied and may be. */
export function parseFigure(
  field: Field & NumberField,
  text: string,
  unit: LengthUnit,
):
  | { readonly ok: true; readonly value: number | undefined }
  | Extract<ParsedNumber, { ok: false }> {
  const { least, most, isAbove, isBelow } = field
  if (text.trim() === '' && field.isOptional === true) return { ok: true, value: undefined }
  const isLong = field.unit === 'length' && most === LARGEST.lengthMm
  const entry: ParsedNumber =
    field.unit === 'length' ? parseLength(text, unit) : { ok: true, value: parseNumber(text) }
  if (!entry.ok) return entry
  const { value } = entry
  const isWithin =
    (isAbove === true ? value > least : value >= least) &&
    (isBelow === true ? value < most : value <= most) &&
    (field.type === 'number' || Number.isInteger(value))
  if (isWithin) return entry
  const sentence = isLong
    ? 'No gearbox has a length like that. Check the unit.'
    : rangeWords(field, unit)
  return { ok: false, sentence }
}

/** A figure of a field to type over, in the chosen unit of length; empty where it is not known. */
export function figureText(
  field: NumberField,
  value: number | null | undefined,
  unit: LengthUnit,
): string {
  if (value === null || value === undefined) return ''
  return field.unit === 'length' ? lengthText(value, unit) : `${value}`
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
