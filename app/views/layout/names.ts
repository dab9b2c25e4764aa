/** Names as people type them for parts of a box. */
import { tooLongWords } from '~/words/lengths.ts'

type ParsedText =
  | { readonly ok: true; readonly text: string | undefined }
  | { readonly ok: false; readonly sentence: string }

/** A text without spaces around it; none where nothing is typed. One that is too long is refused. */
export function parseText(text: string, longest: number): ParsedText {
  const trimmed = text.trim()
  const sentence = tooLongWords(trimmed, longest)
  if (sentence !== null) return { ok: false, sentence }
  return { ok: true, text: trimmed === '' ? undefined : trimmed }
}
