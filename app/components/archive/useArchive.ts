/** The steps of the archive page: taking out, sending, looking through, reading in. */
import { useCallback, useEffect, useRef, useState } from 'react'
import { v7 as uuidv7 } from 'uuid'

import type { ArchiveSummary } from '~/files/archiveTask.ts'

import { beginWork, cancelWork, followTask, sendArchive } from '~/client/archiveClient.ts'

export type Work = 'out' | 'preview' | 'read'

export type Step =
  | { readonly kind: 'idle' }
  | { readonly kind: 'sending'; readonly name: string; readonly share: number }
  | {
      readonly kind: 'working'
      readonly work: Work
      readonly task: string
      readonly done: number
      readonly total: number
    }
  | { readonly kind: 'taken-out' }
  | {
      readonly kind: 'asked'
      readonly name: string
      readonly upload: string
      readonly summary: ArchiveSummary
    }
  | { readonly kind: 'read'; readonly summary: ArchiveSummary }
  | {
      readonly kind: 'refused'
      readonly work: Work
      readonly problems: readonly string[]
    }

interface ArchiveSteps {
  readonly step: Step
  readonly takeOut: () => void
  readonly lookThrough: (file: File) => void
  readonly readIn: (upload: string) => void
  readonly cancel: () => void
}

const FAILED =
  'It broke off before it was done, and nothing was changed. Try again; if it happens again, the server’s log says why.'

type Tell = (step: Step) => void

/** Follows work to its end; undefined where it failed, which is told. */
async function follow(task: string, work: Work, tell: Tell, signal: AbortSignal) {
  tell({ kind: 'working', work, task, done: 0, total: 0 })
  const ended = await followTask(
    task,
    (told) => {
      if (told.state === 'running') tell({ kind: 'working', work, task, ...told })
    },
    signal,
  )
  if (ended.state === 'done') return ended
  tell({ kind: 'refused', work, problems: [FAILED] })
  return undefined
}

/** Looks through what was sent, or reads it in. */
async function workOn(
  { upload, name }: { readonly upload: string; readonly name: string },
  kind: 'preview' | 'read',
  tell: Tell,
  signal: AbortSignal,
): Promise<void> {
  const begun = await beginWork(upload, kind)
  if (!begun.ok) {
    tell({ kind: 'refused', work: kind, problems: [begun.sentence] })
    return
  }
  const ended = await follow(begun.id, kind, tell, signal)
  if (!ended?.outcome) return
  if (!ended.outcome.ok) tell({ kind: 'refused', work: kind, problems: ended.outcome.problems })
  else {
    const { summary } = ended.outcome
    tell(kind === 'read' ? { kind: 'read', summary } : { kind: 'asked', name, upload, summary })
  }
}

async function takeOut(task: string, tell: Tell, signal: AbortSignal): Promise<void> {
  window.location.assign(`/archive.zip?task=${task}`)
  tell({ kind: 'working', work: 'out', task, done: 0, total: 0 })
  // The work is known to the server as soon as the request has arrived.
  await new Promise((resolve) => setTimeout(resolve, 1_000))
  const ended = await follow(task, 'out', tell, signal)
  if (ended?.outcome?.ok === false)
    tell({ kind: 'refused', work: 'out', problems: ended.outcome.problems })
  else if (ended) tell({ kind: 'taken-out' })
}

async function lookThrough(file: File, tell: Tell, signal: AbortSignal): Promise<void> {
  const { name } = file
  tell({ kind: 'sending', name, share: 0 })
  const sent = await sendArchive(file, (share) => {
    tell({ kind: 'sending', name, share })
  })
  if (sent.ok) await workOn({ upload: sent.id, name }, 'preview', tell, signal)
  else tell({ kind: 'refused', work: 'preview', problems: [sent.sentence] })
}

export function useArchive(): ArchiveSteps {
  const [step, setStep] = useState<Step>({ kind: 'idle' })
  const leaving = useRef(new AbortController())
  useEffect(() => {
    const controller = new AbortController()
    leaving.current = controller
    return () => {
      controller.abort()
    }
  }, [])
  return {
    step,
    takeOut: useCallback(() => void takeOut(uuidv7(), setStep, leaving.current.signal), []),
    lookThrough: useCallback(
      (file: File) => void lookThrough(file, setStep, leaving.current.signal),
      [],
    ),
    readIn: useCallback(
      (upload: string) =>
        void workOn({ upload, name: '' }, 'read', setStep, leaving.current.signal),
      [],
    ),
    cancel: useCallback(() => {
      if (step.kind === 'working') cancelWork(step.task)
      setStep({ kind: 'idle' })
    }, [step]),
  }
}
