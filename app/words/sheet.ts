/** The data sheet of a unit in words. */
import type { SheetKind, SheetLine } from 'core'
import { MEASURES, READING_UNITS } from 'core'

import { unitPartName } from './jobs.ts'
import { MEASURE_NAMES, boundsText } from './measures.ts'
import type { Naming } from './names.ts'

export const SHEET_KIND_WORDS: Readonly<Record<SheetKind, string>> = {
  serial: 'serial number',
  'casting-number': 'casting number',
  'part-number': 'part number',
  'oil-kind': 'kind of oil',
  'oil-quantity': 'quantity of oil',
  fastener: 'torque',
  limit: 'limit',
  other: 'note',
}

/** What a line says: "1.9 l", "0.05 to 0.15 mm". */
export function sheetLineText({ kind, text, least, most, unit }: SheetLine): string {
  if (kind !== 'limit') return text ?? ''
  const of = READING_UNITS.find((each) => each === unit)
  if (least === undefined && most === undefined) return ''
  return boundsText({ source: 'maker', least, most, unit: of ?? 'mm' })
}

/** What a line is about: "torque of the bolt", "end play of the main shaft", "serial number". */
export function sheetLineName(
  naming: Naming,
  line: { readonly [K in keyof SheetLine]?: unknown },
): string {
  const { kind, of, what, measure } = line
  if (typeof what === 'string') return what
  const measured = MEASURES.find((each) => each === measure)
  const known = Object.entries(SHEET_KIND_WORDS).find(([each]) => each === kind)?.[1] ?? 'line'
  const name = measured === undefined ? known : MEASURE_NAMES[measured]
  return typeof of === 'string' ? `${name} of the ${unitPartName(naming, of)}` : name
}
