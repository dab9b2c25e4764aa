import type { BoxDraft, EditConflict } from 'core'

/** What the server says to an edit. */
export type EditAnswer =
  | {
      readonly kind: 'kept'
      readonly draft: BoxDraft
      readonly revision: number
      readonly conflict: EditConflict | null
    }
  | { readonly kind: 'refused'; readonly sentence: string }
  /** The database does not answer: send the edit again later. */
  | { readonly kind: 'not-yet' }

export const EDIT_ANSWER_KINDS: readonly EditAnswer['kind'][] = ['kept', 'refused', 'not-yet']
