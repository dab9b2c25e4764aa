/** How many characters what people write may have, and what is said of more. */

/** A note, or why a job is closed with something left out. */
export const LONGEST_TEXT = 2_000

/** What stands on one line: a caption, a tool, a reason, what is ordered. */
export const LONGEST_LINE = 200

/** Names of trays are short: they are written on them. */
export const LONGEST_TRAY = 20

/** Why a text is not kept, or null where it is not too long. Spaces around it are not kept. */
export function tooLongWords(text: string, longest: number): string | null {
  const { length } = text.trim()
  return length > longest
    ? `This has ${length} characters; ${longest} are kept at most. Shorten it.`
    : null
}
