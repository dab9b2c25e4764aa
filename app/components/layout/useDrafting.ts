import { useCallback } from 'react'

import type { BoxDraft, PartRef } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { useAddress } from '~/components/useAddress.ts'

import { formatPartRef, parsePartRef } from '~/views/layout/partRef.ts'

export interface Drafting {
  readonly draft: BoxDraft
  readonly selected: PartRef | undefined
  readonly select: (part: PartRef | undefined) => void
  /** Keeps whatever the draft became. */
  readonly become: (next: BoxDraft) => void
  /** Keeps the draft and selects what was added to it. */
  readonly add: (added: { readonly draft: BoxDraft; readonly added: PartRef } | undefined) => void
}

/** The box as a drawing that can be changed, with the part that is selected in it. */
export function useDrafting(): Drafting {
  const { draft } = useOpenBox()
  const [search, change] = useAddress('layout')
  const select = useCallback(
    (part: PartRef | undefined) => {
      change({ part: part ? formatPartRef(part) : '' }, 'after-paint')
    },
    [change],
  )
  const become = useBecome()
  return {
    draft,
    selected: parsePartRef(draft, search.part),
    select,
    become,
    add: (added) => {
      if (!added) return
      become(added.draft)
      select(added.added)
    },
  }
}
