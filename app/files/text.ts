/**
 * Text and JSON as everything that keeps them can hold them. PostgreSQL takes no NUL, and
 * neither it nor a file in UTF-8 takes half of a surrogate pair; both come in with what is
 * pasted. They show nothing, so they are taken out rather than refused.
 */
import { z } from 'zod'

import { LARGEST } from 'core'

/** JSON that is nested deeper than this comes from no page of ours. */
const DEEPEST = 40

/** The text without NULs, and with whole characters only. */
export function storable(text: string): string {
  return text.toWellFormed().replaceAll('\0', '')
}

/** A schema for text that somebody wrote. */
export function writtenText(error?: string) {
  return z.string(error).overwrite(storable)
}

/** A schema for the initials of a person. */
export function initialsText() {
  return writtenText().trim().max(4, 'Initials have four letters at most.')
}

type ParsedJson =
  | { readonly ok: true; readonly content: unknown }
  | { readonly ok: false; readonly code: 'not-json' | 'too-deep' }

class TooDeep extends Error {}

function cleaned(value: unknown, depth: number): unknown {
  if (typeof value === 'string') return storable(value)
  if (typeof value !== 'object' || value === null) return value
  if (depth >= DEEPEST) throw new TooDeep()
  return Array.isArray(value)
    ? value.map((each: unknown) => cleaned(each, depth + 1))
    : Object.fromEntries(
        Object.entries(value).map(([key, each]) => [storable(key), cleaned(each, depth + 1)]),
      )
}

/** Reads JSON, with every text in it made storable. */
export function parseJson(text: string): ParsedJson {
  try {
    return { ok: true, content: cleaned(JSON.parse(text), 0) }
  } catch (error) {
    return { ok: false, code: error instanceof TooDeep ? 'too-deep' : 'not-json' }
  }
}

/** A name with something after it, which is what stays whole where there is no room for both. */
export function nameWith(name: string, after: string): string {
  // What is cut must not leave half of a surrogate pair.
  const cut = name.slice(0, LARGEST.nameLength - after.length).replace(/[\uD800-\uDBFF]$/, '')
  return cut.trimEnd() + after
}
