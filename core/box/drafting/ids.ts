/** What all changes of a drawing are put together from. */
import type { PartList } from '../parts.ts'
import type { BoxDraft } from '../types.ts'

/** Length of a shaft, and room taken by a gear, where nothing says more. */
export const SHAFT_MM = 200

export const FACE_MM = 16

/** A part by its list and id. */
export interface PartRef {
  readonly list: PartList
  readonly id: string
}

/** A draft after an addition, and what was added. */
export interface Added {
  readonly draft: BoxDraft
  readonly added: PartRef
}

/** `stem` with the first number that makes it an id of its own in the whole draft. */
export function freshId(draft: BoxDraft, stem: string): string {
  const taken = new Set(
    [
      draft.axes,
      draft.members,
      draft.gears,
      draft.links,
      draft.couplers,
      draft.positions,
      draft.interlocks ?? [],
      draft.rules ?? [],
      draft.pieces ?? [],
      draft.sheet ?? [],
      draft.precedences ?? [],
      draft.selectors ?? [],
      draft.interlockParts ?? [],
      draft.drums ?? [],
      draft.clutches ?? [],
    ].flatMap((parts) => parts.map(({ id }) => id)),
  )
  for (let number = 1; ; number++) if (!taken.has(`${stem}-${number}`)) return `${stem}-${number}`
}
