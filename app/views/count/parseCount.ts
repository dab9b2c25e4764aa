import { LEAST_TOOTH_COUNT, MOST_TOOTH_COUNT, isToothCount } from 'core'

type ParsedCount =
  | { readonly ok: true; readonly toothCount: number | null }
  | { readonly ok: false; readonly sentence: string }

/** Reads a typed count; nothing typed takes the count back. */
export function parseCount(text: string): ParsedCount {
  const trimmed = text.trim()
  if (trimmed === '') return { ok: true, toothCount: null }
  const value = Number(trimmed.replace(',', '.'))
  if (Number.isNaN(value))
    return { ok: false, sentence: `“${trimmed}” is not a number. Enter the teeth in digits.` }
  if (!Number.isInteger(value))
    return {
      ok: false,
      sentence: `${trimmed} is not a whole number, and teeth are counted whole. Count again.`,
    }
  if (!isToothCount(value))
    return {
      ok: false,
      sentence: `${value} teeth: a gear has ${LEAST_TOOTH_COUNT} to ${MOST_TOOTH_COUNT}. Count again.`,
    }
  return { ok: true, toothCount: value }
}
