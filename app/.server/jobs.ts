/** Jobs of the units on the bench, each an ever-growing log of entries. */
import { and, asc, eq, inArray, isNull, ne, sql } from 'drizzle-orm'
import equal from 'fast-deep-equal'
import { v7 as uuidv7 } from 'uuid'

import type { Entry, EntryBody, LimitsBeside, SheetLine, ShopRule } from 'core'
import { limitFor, limitsToKeep, readJob } from 'core'

import { partSchemas } from '../files/boxFile.ts'
import type { Queries } from './db/client.ts'
import { db, transact } from './db/client.ts'
import { bodyOfSomeKind, unlessUnreadable } from './db/documents.ts'
import { boxes } from './db/tables/boxes.ts'
import { jobEntries } from './db/tables/jobEntries.ts'
import { jobPhotos } from './db/tables/jobPhotos.ts'
import { jobs } from './db/tables/jobs.ts'
import { announce } from './events.ts'
import { isId } from './ids.ts'
import { readRules } from './shelf.ts'

export interface JobRecord {
  readonly id: string
  readonly number: number
  readonly isClosed: boolean
  readonly openedAt: string
  /** Null while it is open. */
  readonly closedAt: string | null
  readonly entries: readonly Entry[]
}

/** Entries that a job takes; a shop fills a few hundred. */
export const MOST_ENTRIES = 20_000
/** What ends a job or takes something back is taken beyond that, up to this many. */
const MOST_ENTRIES_AT_ALL = 40_000
const ENDING: readonly EntryBody['kind'][] = ['close', 'reopen', 'withdraw']

/** A stored entry as the core takes it. */
function entryOf(row: { id: string; at: Date; by: string; body: unknown }): Entry {
  const { id, at, by } = row
  return { id, at: at.toISOString(), by, body: bodyOfSomeKind(id, row.body) }
}

const entryColumns = {
  id: jobEntries.id,
  jobId: jobEntries.jobId,
  at: jobEntries.at,
  by: jobEntries.by,
  body: jobEntries.body,
}

type JobRow = typeof jobs.$inferSelect
type EntryRow = Parameters<typeof entryOf>[0]

/** The jobs of these units, the oldest first, and their logs by job. */
async function rowsOf(boxIds: readonly string[]) {
  const byBox = new Map<string, JobRow[]>()
  const logs = new Map<string, EntryRow[]>()
  if (boxIds.length === 0) return { byBox, logs }
  const found = await db
    .select()
    .from(jobs)
    .where(inArray(jobs.boxId, [...boxIds]))
    .orderBy(asc(jobs.number))
  for (const row of found) {
    logs.set(row.id, [])
    byBox.set(row.boxId, [...(byBox.get(row.boxId) ?? []), row])
  }
  if (found.length === 0) return { byBox, logs }
  const rows = await db
    .select(entryColumns)
    .from(jobEntries)
    .where(inArray(jobEntries.jobId, [...logs.keys()]))
    .orderBy(asc(jobEntries.seq))
  for (const { jobId, ...row } of rows) logs.get(jobId)?.push(row)
  return { byBox, logs }
}

function recordsOf(
  rows: readonly JobRow[],
  logs: ReadonlyMap<string, readonly EntryRow[]>,
): readonly JobRecord[] {
  return rows.map(({ id, number, openedAt, closedAt }) => ({
    id,
    number,
    isClosed: closedAt !== null,
    openedAt: openedAt.toISOString(),
    closedAt: closedAt?.toISOString() ?? null,
    entries: (logs.get(id) ?? []).map(entryOf),
  }))
}

/**
 * All jobs of each of these units with their logs, the oldest first; none of a unit that had
 * no job. A unit with a job that this version cannot read is left out, so that it takes no
 * list down.
 */
export async function jobsOfBoxes(
  boxIds: readonly string[],
): Promise<ReadonlyMap<string, readonly JobRecord[]>> {
  const { byBox, logs } = await rowsOf(boxIds)
  return new Map(
    boxIds.flatMap((boxId) => {
      const records = unlessUnreadable(() => recordsOf(byBox.get(boxId) ?? [], logs))
      return records ? [[boxId, records]] : []
    }),
  )
}

/** All jobs of a unit, the oldest first. Throws `Unreadable` where this version cannot read one. */
export async function jobsOfBox(boxId: string): Promise<readonly JobRecord[]> {
  if (!isId(boxId)) return []
  const { byBox, logs } = await rowsOf([boxId])
  return recordsOf(byBox.get(boxId) ?? [], logs)
}

/** Marks a box as touched by its jobs, and tells whoever has it open. */
async function touch(tx: Queries, boxId: string): Promise<void> {
  await tx
    .update(boxes)
    .set({ updatedAt: new Date(), jobsRevision: sql`${boxes.jobsRevision} + 1` })
    .where(eq(boxes.id, boxId))
  await announce(tx, boxId)
}

interface OpenedJob {
  readonly id: string
  /** False where a job was open already, which is then the one that comes back. */
  readonly isNew: boolean
}

/**
 * Opens the next job of a unit; the one that is open where there is one, since a unit has
 * one open job at a time. Null when there is no such unit on the bench.
 */
export async function openJob(boxId: string, openedAt = new Date()): Promise<OpenedJob | null> {
  if (!isId(boxId)) return null
  return transact(async (tx) => {
    const [box] = await tx
      .select({ id: boxes.id })
      .from(boxes)
      .where(and(eq(boxes.id, boxId), isNull(boxes.deletedAt)))
      .for('update')
    if (!box) return null
    const [open] = await tx
      .select({ id: jobs.id })
      .from(jobs)
      .where(and(eq(jobs.boxId, boxId), isNull(jobs.closedAt)))
    if (open) return { id: open.id, isNew: false }
    const [last] = await tx
      .select({ number: sql<number>`coalesce(max(${jobs.number}), 0)::int` })
      .from(jobs)
      .where(eq(jobs.boxId, boxId))
    const id = uuidv7()
    await tx.insert(jobs).values({ id, boxId, number: (last?.number ?? 0) + 1, openedAt })
    await touch(tx, boxId)
    return { id, isNew: true }
  })
}

const sheetSchema = partSchemas.sheet.array()

/** A job as what is entered in it has to find it. */
export interface LockedJob {
  readonly number: number
  readonly isClosed: boolean
  readonly isBoxDeleted: boolean
  /** The data sheet of the unit. */
  readonly sheet: readonly SheetLine[]
}

/** A job of that box, which nobody else changes until the transaction ends; null where there is none. */
export async function lockJob(
  tx: Queries,
  boxId: string,
  jobId: string,
): Promise<LockedJob | null> {
  if (!isId(boxId) || !isId(jobId)) return null
  // The box first, as everywhere, so that nobody waits in a circle.
  const [box] = await tx
    .select({ deletedAt: boxes.deletedAt, sheet: sql<unknown>`${boxes.document} -> 'sheet'` })
    .from(boxes)
    .where(eq(boxes.id, boxId))
    .for('update')
  const [job] = await tx
    .select({ number: jobs.number, closedAt: jobs.closedAt })
    .from(jobs)
    .where(and(eq(jobs.id, jobId), eq(jobs.boxId, boxId)))
    .for('update')
  if (!box || !job) return null
  return {
    number: job.number,
    isClosed: job.closedAt !== null,
    isBoxDeleted: box.deletedAt !== null,
    sheet: sheetSchema.parse(box.sheet ?? []),
  }
}

export type EntryOutcome =
  /** As it was kept, which may differ from what was sent: its time and its limit. */
  | { readonly kind: 'kept'; readonly entries: readonly Entry[] }
  /** Taken: under its id something else is kept. */
  | { readonly kind: 'absent' | 'deleted' | 'full' | 'taken' }
  | { readonly kind: 'closed' | 'other-open'; readonly number: number }

/**
 * How wrong a clock has to be before it is corrected, and by which steps. What an entry took
 * on its way is within it: it says nothing of the clock, and differs from entry to entry.
 */
const CLOCK_STEP_MS = 30_000

/** When something was entered, by the server's clock. */
function enteredAt(at: string, sentAt: string | undefined, now: number): Date {
  const late = sentAt === undefined ? 0 : now - Date.parse(sentAt)
  const wrong = Math.round(late / CLOCK_STEP_MS) * CLOCK_STEP_MS
  return new Date(Math.min(now, Date.parse(at) + wrong))
}

/** The entries of some kinds in a job, as far as they have been entered. */
async function entriesOfKind(
  tx: Queries,
  jobId: string,
  kinds: readonly EntryBody['kind'][],
): Promise<readonly Entry[]> {
  const rows = await tx
    .select(entryColumns)
    .from(jobEntries)
    .where(and(eq(jobEntries.jobId, jobId), inArray(sql`${jobEntries.body}->>'kind'`, [...kinds])))
    .orderBy(asc(jobEntries.seq))
  return rows.map(entryOf)
}

/**
 * The entry by which a part is off or in already, in that tray, as somebody at another page
 * said first; undefined where the step is new.
 */
async function sameStep(tx: Queries, jobId: string, body: EntryBody): Promise<Entry | undefined> {
  if (body.kind !== 'step') return undefined
  const { taken, trays } = readJob(await entriesOfKind(tx, jobId, ['step', 'tray', 'withdraw']))
  const { part, is, tray } = body
  const isSo =
    part === null
      ? taken.moved.size === 0 && taken.isApart === (is === 'off')
      : taken.moved.get(part) === is && (tray === undefined || tray === (trays.get(part) ?? ''))
  return isSo
    ? taken.steps.findLast((entry) => entry.body.kind === 'step' && entry.body.part === part)
    : undefined
}

/**
 * The limit that a measurement is judged by is decided here, from what has been entered
 * before it, whatever the page knew.
 */
async function withLimit(
  tx: Queries,
  jobId: string,
  known: LimitsBeside,
  body: EntryBody,
): Promise<EntryBody> {
  if (body.kind !== 'measurement') return body
  const { limits } = readJob(await entriesOfKind(tx, jobId, ['limit', 'withdraw']))
  const limit = limitFor({ ...known, limits }, body.part, body.measure, body.unit)
  return { ...body, limit }
}

/** Enters the limits that judge a job now and are not in its log, so that it stays as it is closed. */
async function keepLimits(
  tx: Queries,
  jobId: string,
  beside: LimitsBeside,
  at: Date,
): Promise<void> {
  const log = await entriesOfKind(tx, jobId, [
    'measurement',
    'limit',
    'withdraw',
    'close',
    'reopen',
  ])
  const bodies = limitsToKeep(log, beside)
  if (bodies.length > 0)
    await tx
      .insert(jobEntries)
      .values(bodies.map((body) => ({ id: uuidv7(), jobId, at, deviceAt: null, by: '', body })))
}

/** What an entry means for the rows beside the log. */
async function follow(tx: Queries, jobId: string, { body }: Entry): Promise<void> {
  switch (body.kind) {
    case 'close':
      await tx.update(jobs).set({ closedAt: new Date() }).where(eq(jobs.id, jobId))
      break
    case 'reopen':
      await tx.update(jobs).set({ closedAt: null }).where(eq(jobs.id, jobId))
      break
    case 'withdraw':
      await tx
        .update(jobPhotos)
        .set({ isWithdrawn: true })
        .where(
          and(
            eq(jobPhotos.jobId, jobId),
            eq(
              sql`${jobPhotos.id}::text`,
              sql`(select ${jobEntries.body}->>'photo' from ${jobEntries} where ${jobEntries.id} = ${body.entry}::uuid)`,
            ),
          ),
        )
      break
    default:
      break
  }
}

/** Why an entry cannot be added; undefined where it can. */
async function refusalOf(
  tx: Queries,
  boxId: string,
  jobId: string,
  job: LockedJob,
  { body }: Entry,
): Promise<Exclude<EntryOutcome, { kind: 'kept' }> | undefined> {
  if (job.isBoxDeleted) return { kind: 'deleted' }
  if (job.isClosed && body.kind !== 'reopen') return { kind: 'closed', number: job.number }
  if (body.kind === 'reopen') {
    const [other] = await tx
      .select({ number: jobs.number })
      .from(jobs)
      .where(and(eq(jobs.boxId, boxId), isNull(jobs.closedAt), ne(jobs.id, jobId)))
    if (other) return { kind: 'other-open', number: other.number }
  }
  const total = await tx.$count(jobEntries, eq(jobEntries.jobId, jobId))
  const most = ENDING.includes(body.kind) ? MOST_ENTRIES_AT_ALL : MOST_ENTRIES
  return total >= most ? { kind: 'full' } : undefined
}

/** Whether an entry is the one that was kept, whose time and limit were decided here. */
function isSameEntry(kept: Entry, sent: Entry): boolean {
  const bare = ({ by, body }: Entry) => ({
    by,
    body: body.kind === 'measurement' ? { ...body, limit: null } : body,
  })
  // What was kept has been JSON in between, which leaves out what is undefined.
  return equal(bare(kept), JSON.parse(JSON.stringify(bare(sent))))
}

/** Adds one entry to a job that is locked; the one that says the same where it is there already. */
async function addEntry(
  tx: Queries,
  boxId: string,
  jobId: string,
  job: LockedJob,
  rules: readonly ShopRule[],
  entry: Entry,
  sentAt: string | undefined,
): Promise<Entry | Exclude<EntryOutcome, { kind: 'kept' }>> {
  const [earlier] = await tx
    .select(entryColumns)
    .from(jobEntries)
    .where(eq(jobEntries.id, entry.id))
  if (earlier) {
    const kept = entryOf(earlier)
    return earlier.jobId === jobId && isSameEntry(kept, entry) ? kept : { kind: 'taken' }
  }
  const refusal = await refusalOf(tx, boxId, jobId, job, entry)
  if (refusal) return refusal
  const same = await sameStep(tx, jobId, entry.body)
  if (same) return same
  const at = enteredAt(entry.at, sentAt, Date.now())
  const deviceAt = new Date(entry.at)
  if (entry.body.kind === 'close') await keepLimits(tx, jobId, { rules, sheet: job.sheet }, at)
  const body = await withLimit(tx, jobId, { rules, sheet: job.sheet }, entry.body)
  const kept: Entry = { ...entry, at: at.toISOString(), body }
  await tx.insert(jobEntries).values({
    id: entry.id,
    jobId,
    at,
    deviceAt: at.getTime() === deviceAt.getTime() ? null : deviceAt,
    by: entry.by,
    body,
  })
  await follow(tx, jobId, kept)
  return kept
}

/** Takes back what was added before an entry that is refused. */
class Refused extends Error {
  constructor(readonly outcome: Exclude<EntryOutcome, { kind: 'kept' }>) {
    super(outcome.kind)
  }
}

/**
 * Adds entries to the log of a job, all or none; an entry that is there already is left as it is.
 * Whoever takes them in from outside has looked at them with `sentEntrySchema`. `sentAt` is what
 * the sender's clock says now, and corrects what it said before.
 */
export async function addEntries(
  boxId: string,
  jobId: string,
  entries: readonly Entry[],
  sentAt?: string,
): Promise<EntryOutcome> {
  if (!isId(boxId) || !isId(jobId)) return { kind: 'absent' }
  const rules = await readRules()
  try {
    return await transact(async (tx): Promise<EntryOutcome> => {
      const locked = await lockJob(tx, boxId, jobId)
      if (!locked) return { kind: 'absent' }
      const kept: Entry[] = []
      let { isClosed } = locked
      for (const entry of entries) {
        const job = { ...locked, isClosed }
        const added = await addEntry(tx, boxId, jobId, job, rules, entry, sentAt)
        if ('kind' in added) throw new Refused(added)
        kept.push(added)
        const { kind } = added.body
        if (kind === 'close' || kind === 'reopen') isClosed = kind === 'close'
      }
      await touch(tx, boxId)
      return { kind: 'kept', entries: kept }
    })
  } catch (error) {
    if (error instanceof Refused) return error.outcome
    throw error
  }
}
