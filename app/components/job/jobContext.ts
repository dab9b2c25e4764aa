/** The job that is open on this page, and what this page has added to it. */
import equal from 'fast-deep-equal'
import { createContext, useCallback, useContext, useMemo, useState } from 'react'
import { v7 as uuidv7 } from 'uuid'

import type { Box, Entry, EntryBody, Job, ShopRule, LimitsBeside } from 'core'
import { readJob } from 'core'

import { serverNow } from '~/client/changes.ts'
import { removePhoto } from '~/client/outbox/photoStore.ts'
import type { Outbox } from '~/client/outbox/useOutbox.ts'
import { useOutbox } from '~/client/outbox/useOutbox.ts'
import type { EntryKept } from '~/files/sentAnswer.ts'
import type { Shelf } from '~/files/shelf.ts'

import type { SentEntry } from '~/client/sendEntry.ts'
import { ENTRY_VERSION } from '~/files/versions.ts'
import { sendEntry } from '~/client/sendEntry.ts'

/** A job as the server hands it to its pages. */
export interface LoadedJob {
  readonly id: string
  readonly number: number
  readonly isClosed: boolean
  readonly openedAt: string
  readonly entries: readonly Entry[]
}

interface OpenJob {
  /** All jobs of the unit, the oldest first. */
  readonly jobs: readonly LoadedJob[]
  /** The one that entries go to; undefined before the first is opened. */
  readonly current: LoadedJob | undefined
  readonly job: Job
  /** The box where it hangs together; jobs are judged by nothing else. */
  readonly box: Box | undefined
  /** Whether the jobs could not be had, so that there may be some. */
  readonly isAway: boolean
  /** Another job of the unit that is open while this page shows an older one. */
  readonly newer: LoadedJob | undefined
  /** What the shop has, and the limits that it goes by. */
  readonly shelf: Shelf
  readonly rules: readonly ShopRule[]
  /** What judges readings besides the log of their job. */
  readonly beside: LimitsBeside
  /** Adds an entry to the current job and returns its id. */
  readonly record: (body: EntryBody) => string
}

/** What of the job the server has not confirmed; it changes at every entry and every answer. */
export type JobOutbox = Omit<Outbox<SentEntry>, 'put'>

const Context = createContext<OpenJob | undefined>(undefined)

/** The id of the list of the shop's people, which the bar of the job holds for fields of all its pages. */
export const PEOPLE_LIST = 'people'

export const OpenJobProvider = Context.Provider

export function useOpenJob(): OpenJob {
  const job = useContext(Context)
  if (!job) throw new Error('no job is open here')
  return job
}

const OutboxContext = createContext<JobOutbox | undefined>(undefined)

export const JobOutboxProvider = OutboxContext.Provider

export function useJobOutbox(): JobOutbox {
  const outbox = useContext(OutboxContext)
  if (!outbox) throw new Error('no job is open here')
  return outbox
}

const NO_ENTRIES: readonly Entry[] = []

/**
 * The job that a page is about: the one that its address names, else the one that was the
 * latest when it was opened. It stays so when somebody opens another, since what is being
 * entered belongs to the job that the person has before them.
 */
function usePinnedJob(jobs: readonly LoadedJob[], chosen: string | null): LoadedJob | undefined {
  const wanted = jobs.find(({ id }) => id === chosen)?.id
  const [pinned, setPinned] = useState(wanted ?? jobs.at(-1)?.id)
  if (wanted !== undefined && wanted !== pinned) setPinned(wanted)
  if (pinned === undefined && jobs.length > 0) setPinned(jobs.at(-1)?.id)
  return jobs.find(({ id }) => id === (wanted ?? pinned)) ?? jobs.at(-1)
}

/** Takes an entry back that is not kept yet, with its photograph. */
function useTakeBack({ aside, takeBack }: JobOutbox): JobOutbox['takeBack'] {
  return useCallback(
    (key) => {
      const body = aside.find((letter) => letter.key === key)?.item.entry.body
      if (body?.kind === 'photo') void removePhoto(body.photo)
      takeBack(key)
    },
    [aside, takeBack],
  )
}

/** The jobs of a box with what was entered here on top, kept now or as soon as the server can. */
export function useKeptJob(
  boxId: string,
  jobs: readonly LoadedJob[],
  chosen: string | null,
  by: string,
  beside: LimitsBeside,
): {
  readonly opened: Omit<OpenJob, 'box' | 'isAway' | 'shelf' | 'rules' | 'beside'>
  readonly outbox: JobOutbox
} {
  const current = usePinnedJob(jobs, chosen)
  const [kept, setKept] = useState<readonly SentEntry[]>([])
  const { put, ...outbox } = useOutbox<SentEntry, EntryKept>(`udrix-entries:${boxId}`, {
    send: useCallback((sent: SentEntry) => sendEntry(boxId, sent), [boxId]),
    onKept: useCallback(({ entry }: EntryKept, { jobId }: SentEntry) => {
      setKept((before) => [...before, { jobId, entry }])
    }, []),
  })
  const { pending } = outbox
  const found = useMemo(() => {
    // What the server says of an entry is its last word.
    const entries = new Map((current?.entries ?? NO_ENTRIES).map((entry) => [entry.id, entry]))
    // An entry keeps its place from being sent to being kept.
    for (const { jobId, entry } of [...kept, ...pending])
      if (jobId === current?.id && !entries.has(entry.id)) entries.set(entry.id, entry)
    return [...entries.values()]
  }, [current, kept, pending])
  // An entry that the server has kept as it was sent is no news.
  const [entries, setEntries] = useState(found)
  if (entries !== found && !equal(entries, found)) setEntries(found)
  const job = useMemo(() => readJob(entries, beside), [entries, beside])
  const jobId = current?.id
  const record = useCallback(
    (body: EntryBody) => {
      const id = uuidv7()
      if (jobId !== undefined)
        put([
          {
            jobId,
            version: ENTRY_VERSION,
            entry: { id, at: serverNow().toISOString(), by, body },
          },
        ])
      return id
    },
    [jobId, put, by],
  )
  const newer = jobs.find(
    ({ id, isClosed, number }) => id !== jobId && !isClosed && number > (current?.number ?? 0),
  )
  return {
    opened: useMemo(
      () => ({ jobs, current, newer, job, record }),
      [jobs, current, newer, job, record],
    ),
    outbox: { ...outbox, takeBack: useTakeBack(outbox) },
  }
}
