/** Names as people type them for parts of a box. */
import { LONGEST_NAME } from 'core'

export type ParsedName =
  | { readonly ok: true; readonly name: string | undefined }
  | { readonly ok: false; readonly sentence: string }

/** A name without spaces around it; none where nothing is typed. One that is too long is refused. */
export function parseName(text: string): ParsedName {
  const name = text.trim()
  if (name.length > LONGEST_NAME)
    return {
      ok: false,
      sentence: `This has ${name.length} characters; ${LONGEST_NAME} are kept at most. Shorten it.`,
    }
  return { ok: true, name: name === '' ? undefined : name }
}
