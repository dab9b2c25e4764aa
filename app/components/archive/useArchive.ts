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

  /** Follows work to its end; undefined where it failed, which is told. */
  const follow = useCallback(async (task: string, work: Work) => {
    setStep({ kind: 'working', work, task, done: 0, total: 0 })
    const ended = await followTask(
      task,
      (told) => {
        if (told.state === 'running') setStep({ kind: 'working', work, task, ...told })
      },
      leaving.current.signal,
    )
    if (ended.state === 'done') return ended
    setStep({ kind: 'refused', work, problems: [FAILED] })
    return undefined
  }, [])

  const takeOut = useCallback(() => {
    const task = uuidv7()
    window.location.assign(`/archive.zip?task=${task}`)
    setStep({ kind: 'working', work: 'out', task, done: 0, total: 0 })
    // The work is known to the server as soon as the request has arrived.
    setTimeout(() => {
      void follow(task, 'out').then((ended) => {
        if (ended?.outcome?.ok === false)
          setStep({ kind: 'refused', work: 'out', problems: ended.outcome.problems })
        else if (ended) setStep({ kind: 'taken-out' })
      })
    }, 1_000)
  }, [follow])

  const work = useCallback(
    async (upload: string, kind: 'preview' | 'read', name: string) => {
      const begun = await beginWork(upload, kind)
      if (!begun.ok) {
        setStep({ kind: 'refused', work: kind, problems: [begun.sentence] })
        return
      }
      const ended = await follow(begun.id, kind)
      if (!ended?.outcome) return
      if (!ended.outcome.ok)
        setStep({ kind: 'refused', work: kind, problems: ended.outcome.problems })
      else {
        const { summary } = ended.outcome
        setStep(
          kind === 'read' ? { kind: 'read', summary } : { kind: 'asked', name, upload, summary },
        )
      }
    },
    [follow],
  )

  const lookThrough = useCallback(
    (file: File) => {
      const { name } = file
      setStep({ kind: 'sending', name, share: 0 })
      void sendArchive(file, (share) => {
        setStep({ kind: 'sending', name, share })
      }).then((sent) => {
        if (sent.ok) void work(sent.id, 'preview', name)
        else setStep({ kind: 'refused', work: 'preview', problems: [sent.sentence] })
      })
    },
    [work],
  )
  return {
    step,
    takeOut,
    lookThrough,
    readIn: useCallback((upload: string) => void work(upload, 'read', ''), [work]),
    cancel: useCallback(() => {
      if (step.kind === 'working') cancelWork(step.task)
      setStep({ kind: 'idle' })
    }, [step]),
  }
}
