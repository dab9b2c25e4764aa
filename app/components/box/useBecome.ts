import { useCallback } from 'react'

import type { BoxDraft } from 'core'
import { diffDrafts } from 'core'

import { useOpenBox } from './boxContext.ts'

/** Makes the open box another: what differs is one edit, and where nothing does there is none. */
export function useBecome(): (next: BoxDraft) => void {
  const { draft, edit } = useOpenBox()
  return useCallback(
    (next: BoxDraft) => {
      const changes = diffDrafts(draft, next)
      if (changes.length > 0) edit({ kind: 'change', changes })
    },
    [draft, edit],
  )
}
