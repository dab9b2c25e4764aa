/**
 * A box as this page knows it: what the server last said, with the entries on top
 * that it has not confirmed yet. Entries are sent one after another; each stays in
 * the browser's store until the server has kept it, through reloads and outages.
 */
import { useCallback, useMemo, useState } from 'react'

import type { BoxDraft, Edit, EditConflict } from 'core'
import { applyEdit, inverseOf } from 'core'

import type { EditAnswer } from '~/editAnswer.ts'

import { postJson, useOutbox } from './useOutbox.ts'

/** Something that the person must hear about an entry. */
export type Notice =
  | { readonly kind: 'conflict'; readonly conflict: EditConflict }
  | { readonly kind: 'refused'; readonly sentence: string }

export interface KeptBox {
  readonly draft: BoxDraft
  /** Keeps an edit, now or as soon as the server can. */
  readonly edit: (edit: Edit) => void
  readonly undo: (() => void) | undefined
  readonly redo: (() => void) | undefined
  /** Entries that the server has not confirmed. */
  readonly pendingCount: number
  /** Whether the last attempt failed, so that entries wait on this page. */
  readonly isWaiting: boolean
  readonly notices: readonly Notice[]
  readonly dismissNotices: () => void
}

interface Known {
  readonly draft: BoxDraft
  readonly revision: number
}

export function useKeptBox(boxId: string, loaded: Known): KeptBox {
  const [known, setKnown] = useState<Known>(loaded)
  const [notices, setNotices] = useState<readonly Notice[]>([])
  const [done, setDone] = useState<readonly Edit[]>([])
  const [undone, setUndone] = useState<readonly Edit[]>([])

  if (loaded.revision > known.revision) setKnown(loaded)

  const { pending, isWaiting, put } = useOutbox<Edit, EditAnswer>(
    `udrix-entry:${boxId}`,
    useCallback((edit) => postJson<EditAnswer>(`/boxes/${boxId}/edits`, edit), [boxId]),
    useCallback((answer) => {
      if (answer.kind === 'refused')
        setNotices((before) => [...before, { kind: 'refused', sentence: answer.sentence }])
      else {
        const { draft, revision, conflict } = answer
        setKnown((before) => (revision >= before.revision ? { draft, revision } : before))
        if (conflict) setNotices((before) => [...before, { kind: 'conflict', conflict }])
      }
    }, []),
  )

  const draft = useMemo(
    () =>
      pending.reduce((before, edit) => {
        const result = applyEdit(before, edit)
        return result.ok ? result.draft : before
      }, known.draft),
    [known, pending],
  )

  const edit = useCallback(
    (next: Edit) => {
      put([next])
      setDone((before) => [...before, next])
      setUndone([])
    },
    [put],
  )
  const last = done[done.length - 1]
  const lastUndone = undone[undone.length - 1]
  return {
    draft,
    edit,
    undo:
      last &&
      (() => {
        put(inverseOf(last))
        setDone(done.slice(0, -1))
        setUndone([...undone, last])
      }),
    redo:
      lastUndone &&
      (() => {
        put([lastUndone])
        setUndone(undone.slice(0, -1))
        setDone([...done, lastUndone])
      }),
    pendingCount: pending.length,
    isWaiting,
    notices,
    dismissNotices: useCallback(() => {
      setNotices([])
    }, []),
  }
}
