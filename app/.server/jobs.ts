/** Jobs of the units on the bench, each an ever-growing log of entries. */
import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'

import type { BoxDraft, Entry, Stage, Waiting } from 'core'
import { checkBox, readJob, stageAt, stagesOf, waitingOf } from 'core'

import { entrySchema } from '../jobEntry.ts'
import { db, transact } from './db/client.ts'
import { boxes } from './db/tables/boxes.ts'
import { jobEntries } from './db/tables/jobEntries.ts'
import { jobs } from './db/tables/jobs.ts'

export interface JobRecord {
  readonly id: string
  readonly number: number
  readonly openedAt: string
  readonly entries: readonly Entry[]
}

/** Entries that a job takes; a shop fills a few hundred. */
export const MOST_ENTRIES = 20_000

/**
 * A stored entry as the core takes it. Rows were checked before they were stored; one of
 * another shape is our own bug. Checking thousands again would cost every page its time,
 * so only what tells entries apart is looked at.
 */
function entryOf(row: { id: string; at: Date; by: string; body: unknown }): Entry {
  if (typeof row.body !== 'object' || row.body === null || !('kind' in row.body))
    throw new Error(`entry ${row.id} holds no body`)
  // Only entrySchema lets anything into the column.
  return { id: row.id, at: row.at.toISOString(), by: row.by, body: row.body as Entry['body'] }
}

const entryColumns = {
  id: jobEntries.id,
  jobId: jobEntries.jobId,
  at: jobEntries.at,
  by: jobEntries.by,
  body: jobEntries.body,
}

/** All jobs of each of these units with their logs, the oldest first. */
export async function jobsOfBoxes(
  boxIds: readonly string[],
): Promise<ReadonlyMap<string, readonly JobRecord[]>> {
  if (boxIds.length === 0) return new Map()
  const found = await db
    .select()
    .from(jobs)
    .where(inArray(jobs.boxId, [...boxIds]))
    .orderBy(asc(jobs.number))
  if (found.length === 0) return new Map()
  const rows = await db
    .select(entryColumns)
    .from(jobEntries)
    .where(
      inArray(
        jobEntries.jobId,
        found.map(({ id }) => id),
      ),
    )
    .orderBy(asc(jobEntries.seq))
  const entries = new Map<string, Entry[]>(found.map(({ id }) => [id, []]))
  for (const row of rows) entries.get(row.jobId)?.push(entryOf(row))
  const byBox = new Map<string, JobRecord[]>()
  for (const { id, boxId, number, openedAt } of found) {
    const record = { id, number, openedAt: openedAt.toISOString(), entries: entries.get(id) ?? [] }
    byBox.set(boxId, [...(byBox.get(boxId) ?? []), record])
  }
  return byBox
}

/** A job in a line: how far it is and what waits for the person. */
export interface JobSummary {
  readonly number: number
  readonly isClosed: boolean
  readonly stage: Stage
  readonly waiting: readonly Waiting[]
}

/** Null where the box does not hang together. */
export function summaryOf(draft: BoxDraft, { number, entries }: JobRecord): JobSummary | null {
  const checked = checkBox(draft)
  if (!checked.ok) return null
  const job = readJob(entries)
  return {
    number,
    isClosed: job.isClosed,
    stage: stageAt(stagesOf(checked.box, job)),
    waiting: waitingOf(checked.box, job),
  }
}

export async function jobsOfBox(boxId: string): Promise<readonly JobRecord[]> {
  return (await jobsOfBoxes([boxId])).get(boxId) ?? []
}

/** Opens the next job of a unit and returns its id; null when there is no such unit. */
export async function openJob(boxId: string): Promise<string | null> {
  return transact(async (tx) => {
    const [box] = await tx
      .select({ id: boxes.id })
      .from(boxes)
      .where(eq(boxes.id, boxId))
      .for('update')
    if (!box) return null
    const [last] = await tx
      .select({ number: sql<number>`coalesce(max(${jobs.number}), 0)::int` })
      .from(jobs)
      .where(eq(jobs.boxId, boxId))
    const id = uuidv7()
    await tx.insert(jobs).values({ id, boxId, number: (last?.number ?? 0) + 1 })
    await tx.update(boxes).set({ updatedAt: new Date() }).where(eq(boxes.id, boxId))
    return id
  })
}

/** Whether there is such a job of that box. */
export async function isJobOf(
  tx: Pick<typeof db, 'select'>,
  boxId: string,
  jobId: string,
): Promise<boolean> {
  const found = await tx
    .select({ id: jobs.id })
    .from(jobs)
    .where(and(eq(jobs.id, jobId), eq(jobs.boxId, boxId)))
  return found.length > 0
}

export type EntryOutcome = 'kept' | 'absent' | 'full'

/** Adds entries to the log of a job; an entry that is there already is left as it is. */
export async function addEntries(
  boxId: string,
  jobId: string,
  entries: readonly Entry[],
): Promise<EntryOutcome> {
  const checked = entries.map((entry) => entrySchema.parse(entry))
  return transact(async (tx) => {
    if (!(await isJobOf(tx, boxId, jobId))) return 'absent'
    const [count] = await tx
      .select({ total: sql<number>`count(*)::int` })
      .from(jobEntries)
      .where(eq(jobEntries.jobId, jobId))
    if ((count?.total ?? 0) + checked.length > MOST_ENTRIES) return 'full'
    await tx
      .insert(jobEntries)
      .values(checked.map(({ id, at, by, body }) => ({ id, jobId, at: new Date(at), by, body })))
      .onConflictDoNothing({ target: jobEntries.id })
    await tx.update(boxes).set({ updatedAt: new Date() }).where(eq(boxes.id, boxId))
    return 'kept'
  })
}
