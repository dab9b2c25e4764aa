/** Names as people type them for parts of a box. */
import { LONGEST_NAME } from 'core'

import { tooLongWords } from '~/words/lengths.ts'

export type ParsedName =
  | { readonly ok: true; readonly name: string | undefined }
  | { readonly ok: false; readonly sentence: string }

/** A name without spaces around it; none where nothing is typed. One that is too long is refused. */
export function parseName(text: string): ParsedName {
  const name = text.trim()
  const sentence = tooLongWords(name, LONGEST_NAME)
  if (sentence !== null) return { ok: false, sentence }
  return { ok: true, name: name === '' ? undefined : name }
}
