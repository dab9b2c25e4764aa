/**
 * A box as this page knows it: what the server last said, with the entries on top
 * that it has not confirmed yet. Entries are sent one after another; each stays in
 * the browser's store until the server has kept it, through reloads and outages.
 */
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'

import type { BoxDraft, Edit, EditConflict } from 'core'
import { applyEdit, inverseOf } from 'core'

import type { EditAnswer } from '~/editAnswer.ts'

const RETRY_MS = 2_000
const STORE_PREFIX = 'udrix-entry'

interface Pending {
  readonly key: string
  readonly edit: Edit
}

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

function storedPending(boxId: string): readonly Pending[] {
  const prefix = `${STORE_PREFIX}:${boxId}:`
  const found: Pending[] = []
  for (let at = 0; at < localStorage.length; at++) {
    const key = localStorage.key(at)
    const text = key?.startsWith(prefix) ? localStorage.getItem(key) : null
    // Written by `remember` below, and refused by the server if it is anything else.
    if (key && text) found.push({ key, edit: JSON.parse(text) as Edit })
  }
  return found.sort((one, other) => one.key.localeCompare(other.key))
}

function remember(boxId: string, edit: Edit, order: number): Pending {
  const key = `${STORE_PREFIX}:${boxId}:${Date.now().toString().padStart(15, '0')}-${order.toString().padStart(6, '0')}`
  localStorage.setItem(key, JSON.stringify(edit))
  return { key, edit }
}

async function send(boxId: string, edit: Edit): Promise<EditAnswer> {
  try {
    const response = await fetch(`/boxes/${boxId}/edits`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(edit),
    })
    // Our own route answers with nothing else; any other body fails to parse.
    return (await response.json()) as EditAnswer
  } catch {
    return { kind: 'not-yet' }
  }
}

interface Known {
  readonly draft: BoxDraft
  readonly revision: number
}

export function useKeptBox(boxId: string, loaded: Known): KeptBox {
  const [known, setKnown] = useState<Known>(loaded)
  const [pending, setPending] = useState<readonly Pending[]>([])
  const [isWaiting, setIsWaiting] = useState(false)
  const [notices, setNotices] = useState<readonly Notice[]>([])
  const [done, setDone] = useState<readonly Edit[]>([])
  const [undone, setUndone] = useState<readonly Edit[]>([])
  const queue = useRef<Pending[]>([])
  const isSending = useRef(false)
  const order = useRef(0)

  if (loaded.revision > known.revision) setKnown(loaded)

  const flush = useCallback(async () => {
    if (isSending.current) return
    isSending.current = true
    for (let next = queue.current[0]; next; next = queue.current[0]) {
      const answer = await send(boxId, next.edit)
      if (answer.kind === 'not-yet') {
        setIsWaiting(true)
        break
      }
      setIsWaiting(false)
      queue.current = queue.current.slice(1)
      localStorage.removeItem(next.key)
      setPending(queue.current)
      if (answer.kind === 'refused')
        setNotices((before) => [...before, { kind: 'refused', sentence: answer.sentence }])
      else {
        const { draft, revision, conflict } = answer
        setKnown((before) => (revision >= before.revision ? { draft, revision } : before))
        if (conflict) setNotices((before) => [...before, { kind: 'conflict', conflict }])
      }
    }
    isSending.current = false
  }, [boxId])

  useEffect(() => {
    const left = storedPending(boxId)
    if (left.length > 0) {
      queue.current = [...left]
      setPending(queue.current)
      void flush()
    }
  }, [boxId, flush])

  useEffect(() => {
    if (!isWaiting) return
    const retry = setInterval(() => void flush(), RETRY_MS)
    return () => {
      clearInterval(retry)
    }
  }, [isWaiting, flush])

  const enqueue = useCallback(
    (edits: readonly Edit[]) => {
      queue.current = [
        ...queue.current,
        ...edits.map((edit) => remember(boxId, edit, order.current++)),
      ]
      setPending(queue.current)
      void flush()
    },
    [boxId, flush],
  )

  const draft = useMemo(
    () =>
      pending.reduce((before, { edit }) => {
        const result = applyEdit(before, edit)
        return result.ok ? result.draft : before
      }, known.draft),
    [known, pending],
  )

  const edit = useCallback(
    (next: Edit) => {
      enqueue([next])
      setDone((before) => [...before, next])
      setUndone([])
    },
    [enqueue],
  )
  const last = done[done.length - 1]
  const lastUndone = undone[undone.length - 1]
  return {
    draft,
    edit,
    undo:
      last &&
      (() => {
        enqueue(inverseOf(last))
        setDone(done.slice(0, -1))
        setUndone([...undone, last])
      }),
    redo:
      lastUndone &&
      (() => {
        enqueue([lastUndone])
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
