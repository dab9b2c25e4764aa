/** What the server says to the things that pages send as they are entered. */
import type { BoxDraft, EditConflict, Entry } from 'core'

/** Kept, refused with the reason, or, without a database, to be sent again later. */
export type SentAnswer<Kept extends { readonly kind: 'kept' }> =
  | Kept
  | { readonly kind: 'refused'; readonly sentence: string }
  | { readonly kind: 'not-yet' }

export const SENT_ANSWER_KINDS = ['kept', 'refused', 'not-yet'] as const

/** The box as it is with the edit. */
export interface EditKept {
  readonly kind: 'kept'
  readonly draft: BoxDraft
  readonly revision: number
  readonly conflict: EditConflict | null
}

/** The entry as it was kept: its time is the server's, and its limit the one that applies. */
export interface EntryKept {
  readonly kind: 'kept'
  readonly entry: Entry
}

export interface PhotoKept {
  readonly kind: 'kept'
}
