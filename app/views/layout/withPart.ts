import type { BoxDraft, PartList } from 'core'

/** A draft with one part of a list put in the place of the part with its id. */
export function withPart<L extends PartList>(
  draft: BoxDraft,
  list: L,
  part: NonNullable<BoxDraft[L]>[number],
): BoxDraft {
  return {
    ...draft,
    [list]: (draft[list] ?? []).map((other) => (other.id === part.id ? part : other)),
  }
}
