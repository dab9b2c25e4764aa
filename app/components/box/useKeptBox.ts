/**
 * A box as this page knows it: what the server last said, with the entries on top
 * that it has not confirmed yet. Entries are sent one after another; each stays in
 * the browser's store until the server has kept it, through reloads and outages.
 */
import { useCallback, useMemo, useState } from 'react'
import { v7 as uuidv7 } from 'uuid'

import type { BoxDraft, Edit, EditConflict } from 'core'
import { applyEdit, inverseOf } from 'core'

import type { EditOrigin } from '~/files/editOrigin.ts'
import type { EditKept } from '~/files/sentAnswer.ts'
import { postJson } from '~/client/outbox/answers.ts'
import type { Outbox } from '~/client/outbox/useOutbox.ts'
import { useOutbox } from '~/client/outbox/useOutbox.ts'

/** An edit under an id of its own, so that it is applied once, however often it is sent. */
interface SentEdit {
  readonly id: string
  readonly origin: EditOrigin
  readonly edit: Edit
}

export interface KeptBox {
  readonly draft: BoxDraft
  /** Keeps an edit, now or as soon as the server can. */
  readonly edit: (edit: Edit) => void
  readonly undo: (() => void) | undefined
  readonly redo: (() => void) | undefined
  /** Edits that the server has not confirmed. */
  readonly outbox: Omit<Outbox<SentEdit>, 'put'>
  /** What met somebody else's change. */
  readonly conflicts: readonly EditConflict[]
  readonly dismissConflicts: () => void
}

interface Known {
  readonly draft: BoxDraft
  readonly revision: number
}

/** Edits that are sent, and what takes back and does again those of this visit to the page. */
function useUndo(send: (edits: readonly Edit[]) => void): Pick<KeptBox, 'edit' | 'undo' | 'redo'> {
  const [done, setDone] = useState<readonly Edit[]>([])
  const [undone, setUndone] = useState<readonly Edit[]>([])
  const edit = useCallback(
    (next: Edit) => {
      send([next])
      setDone((before) => [...before, next])
      setUndone([])
    },
    [send],
  )
  const last = done[done.length - 1]
  const lastUndone = undone[undone.length - 1]
  return {
    edit,
    undo:
      last &&
      (() => {
        send(inverseOf(last))
        setDone(done.slice(0, -1))
        setUndone([...undone, last])
      }),
    redo:
      lastUndone &&
      (() => {
        send([lastUndone])
        setUndone(undone.slice(0, -1))
        setDone([...done, lastUndone])
      }),
  }
}

export function useKeptBox(boxId: string, loaded: Known, origin: EditOrigin): KeptBox {
  const [known, setKnown] = useState<Known>(loaded)
  const [conflicts, setConflicts] = useState<readonly EditConflict[]>([])

  if (loaded.revision > known.revision) setKnown(loaded)

  const { put, ...outbox } = useOutbox<SentEdit, EditKept>(`udrix-edits:${boxId}`, {
    send: useCallback(
      (sent: SentEdit) => postJson<EditKept>(`/boxes/${boxId}/edits`, sent),
      [boxId],
    ),
    onKept: useCallback(({ draft, revision, conflict }: EditKept) => {
      setKnown((before) => (revision >= before.revision ? { draft, revision } : before))
      if (conflict) setConflicts((before) => [...before, conflict])
    }, []),
  })
  const { pending } = outbox
  const send = useCallback(
    (edits: readonly Edit[]) => {
      put(edits.map((edit) => ({ id: uuidv7(), origin, edit })))
    },
    [put, origin],
  )

  const draft = useMemo(
    () =>
      pending.reduce((before, { edit }) => {
        const result = applyEdit(before, edit)
        return result.ok ? result.draft : before
      }, known.draft),
    [known, pending],
  )

  return {
    draft,
    ...useUndo(send),
    outbox,
    conflicts,
    dismissConflicts: useCallback(() => {
      setConflicts([])
    }, []),
  }
}
