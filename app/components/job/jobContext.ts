/** The job that is open on this page, and what this page has added to it. */
import { createContext, useCallback, useContext, useMemo, useState } from 'react'
import { v7 as uuidv7 } from 'uuid'

import type { Box, Entry, EntryBody, Job } from 'core'
import { readJob } from 'core'

import { postJson, useOutbox } from '~/components/box/useOutbox.ts'
import type { EntryAnswer } from '~/jobEntry.ts'
import type { Shelf } from '~/shelf.ts'

/** A job as the server hands it to its pages. */
export interface LoadedJob {
  readonly id: string
  readonly number: number
  readonly openedAt: string
  readonly entries: readonly Entry[]
}

export interface OpenJob {
  /** All jobs of the unit, the oldest first. */
  readonly jobs: readonly LoadedJob[]
  /** The one that entries go to; undefined before the first is opened. */
  readonly current: LoadedJob | undefined
  readonly job: Job
  /** The box where it hangs together; jobs are judged by nothing else. */
  readonly box: Box | undefined
  /** What the shop has. */
  readonly shelf: Shelf
  /** Adds an entry to the current job and returns its id. */
  readonly record: (body: EntryBody) => string
  readonly pendingCount: number
  readonly isWaiting: boolean
  readonly refusals: readonly string[]
  readonly dismissRefusals: () => void
}

const Context = createContext<OpenJob | undefined>(undefined)

export const OpenJobProvider = Context.Provider

export function useOpenJob(): OpenJob {
  const job = useContext(Context)
  if (!job) throw new Error('no job is open here')
  return job
}

interface Sent {
  readonly jobId: string
  readonly entry: Entry
}

const NO_ENTRIES: readonly Entry[] = []

/** The jobs of a box with what was entered here on top, kept now or as soon as the server can. */
export function useKeptJob(
  boxId: string,
  jobs: readonly LoadedJob[],
  chosen: string | null,
  by: string,
): Omit<OpenJob, 'box' | 'shelf'> {
  const current = jobs.find(({ id }) => id === chosen) ?? jobs.at(-1)
  const [kept, setKept] = useState<readonly Sent[]>([])
  const [refusals, setRefusals] = useState<readonly string[]>([])
  const { pending, isWaiting, put } = useOutbox<Sent, EntryAnswer>(
    `udrix-job:${boxId}`,
    useCallback((sent) => postJson<EntryAnswer>(`/boxes/${boxId}/entries`, sent), [boxId]),
    useCallback((answer, sent) => {
      if (answer.kind === 'refused') setRefusals((before) => [...before, answer.sentence])
      else setKept((before) => [...before, sent])
    }, []),
  )
  const job = useMemo(() => {
    const entries = new Map<string, Entry>()
    for (const entry of current?.entries ?? NO_ENTRIES) entries.set(entry.id, entry)
    for (const { jobId, entry } of [...kept, ...pending])
      if (jobId === current?.id) entries.set(entry.id, entry)
    return readJob([...entries.values()])
  }, [current, kept, pending])
  const jobId = current?.id
  const record = useCallback(
    (body: EntryBody) => {
      const id = uuidv7()
      if (jobId !== undefined)
        put([{ jobId, entry: { id, at: new Date().toISOString(), by, body } }])
      return id
    },
    [jobId, put, by],
  )
  return {
    jobs,
    current,
    job,
    record,
    pendingCount: pending.length,
    isWaiting,
    refusals,
    dismissRefusals: useCallback(() => {
      setRefusals([])
    }, []),
  }
}
