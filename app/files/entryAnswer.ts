import type { Entry } from 'core'

/** What the server says to an entry. */
export type EntryAnswer =
  /** As it was kept: its time is the server's, and its limit the one that applies. */
  | { readonly kind: 'kept'; readonly entry: Entry }
  | { readonly kind: 'refused'; readonly sentence: string }
  | { readonly kind: 'not-yet' }

export const ENTRY_ANSWER_KINDS: readonly EntryAnswer['kind'][] = ['kept', 'refused', 'not-yet']
