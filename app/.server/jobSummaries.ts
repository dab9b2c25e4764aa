/**
 * What the bench shows of the latest job of each box: worked out once for a state of box
 * and job, and kept beside the job until either changes.
 */
import { and, asc, desc, eq, gt, inArray, sql } from 'drizzle-orm'
import { z } from 'zod'

import type { BoxDraft, ShopRule, Waiting } from 'core'
import { STAGES, checkBox, missingRefs, readJob, stageAt, stagesOf, waitingOf } from 'core'

import type { JobSummary } from '../views/job/summary.ts'

import type { BoxRecord } from './boxes.ts'
import { columns, onBench, readableOf } from './boxes.ts'
import { db } from './db/client.ts'
import { boxes } from './db/tables/boxes.ts'
import { jobs } from './db/tables/jobs.ts'
import { shop } from './db/tables/shop.ts'
import { EVERYTHING, onChange } from './events.ts'
import type { JobRecord } from './jobs.ts'
import { jobsOfBoxes } from './jobs.ts'
import { log } from './log.ts'
import { readRules } from './shelf.ts'

/** Changes whenever what a summary says would be worked out in another way. */
const SUMMARY_VERSION = 7

const storedSummary = z.object({
  number: z.int(),
  isClosed: z.boolean(),
  stage: z.enum(STAGES).nullable(),
  // Written by `summaryOf` of this version alone.
  waiting: z.array(z.custom<Waiting>()),
  assignee: z.string(),
  missing: z.array(z.string()),
  openedAt: z.string(),
  closedAt: z.string().nullable(),
  last: z.object({ at: z.string(), by: z.string() }).nullable(),
})

/** Of parts that are missing, so many are told. */
const MOST_MISSING = 50

/** What is told of a job of which no more can be told. */
function barely({ number, isClosed, openedAt, closedAt }: Omit<JobRecord, 'id' | 'entries'>) {
  const untold = { stage: null, waiting: [], missing: [], assignee: '', last: null }
  return { number, isClosed, openedAt, closedAt, ...untold } satisfies JobSummary
}

export function summaryOf(
  draft: BoxDraft,
  record: JobRecord,
  rules: readonly ShopRule[] = [],
): JobSummary {
  const checked = checkBox(draft)
  const job = readJob(record.entries, { sheet: draft.sheet ?? [], rules })
  const { at, by } = record.entries.at(-1) ?? {}
  const told = {
    ...barely(record),
    assignee: job.intake.assignee ?? '',
    last: at === undefined || by === undefined ? null : { at, by },
  }
  if (!checked.ok) return told
  return {
    ...told,
    isClosed: job.isClosed,
    stage: stageAt(stagesOf(checked.box, job)),
    waiting: waitingOf(checked.box, job),
    missing: missingRefs(job).slice(0, MOST_MISSING),
  }
}

/** Changes with the limits that the shop goes by. */
const rulesVersion = sql<string>`coalesce((select md5(string_agg(${shop.name} || ${shop.document}::text, ' ' order by ${shop.name})) from ${shop} where ${shop.name} like 'rule:%'), '')`

/** The state of a box, its jobs and the shop's limits that a summary is of. */
function stateOf({ revision, jobsRevision, updatedAt }: BoxRecord, rules: string): string {
  return [SUMMARY_VERSION, revision, jobsRevision, updatedAt.getTime(), rules].join(' ')
}

/** Whether a job has no summary, or one of another state than that of its box; see `stateOf`. */
const isSummaryStale = sql`${jobs.summaryOf} is distinct from concat_ws(' ', ${SUMMARY_VERSION}::int, ${boxes.revision}, ${boxes.jobsRevision}, floor(extract(epoch from ${boxes.updatedAt}) * 1000)::bigint, ${rulesVersion}) and ${jobs.number} = (select max(number) from ${jobs} latest where latest.box_id = ${boxes.id})`

/** A summary as it is kept, under the names that the statement below reads. */
interface Fresh {
  readonly id: string
  readonly summary: JobSummary
  readonly state: string
}

/**
 * Keeps summaries at one go: what the bench shows has one new version then, and not one for
 * each. What somebody else is writing or has kept meanwhile is left to them.
 */
async function keep(fresh: readonly Fresh[]): Promise<void> {
  await db.execute(sql`
    with fresh as (
      select * from jsonb_to_recordset(${JSON.stringify(fresh)}::jsonb)
        as line (id uuid, summary jsonb, state text)
    ), free as (
      select ${jobs.id}, fresh.summary, fresh.state from ${jobs} join fresh using (id)
      where ${jobs.summaryOf} is distinct from fresh.state
      for update of ${jobs} skip locked
    )
    update ${jobs} set summary = free.summary, summary_of = free.state
    from free where ${jobs.id} = free.id`)
}

/** Works out the summaries of boxes whose kept ones are out of date, and keeps them. */
async function renew(
  boxes: readonly BoxRecord[],
  version: string,
): Promise<ReadonlyMap<string, JobSummary>> {
  const rules = await readRules()
  const renewed = new Map<string, JobSummary>()
  const fresh: Fresh[] = []
  // One after another: a job may have thousands of entries, and other requests have their turn between.
  for (const box of boxes) {
    const job = (await jobsOfBoxes([box.id])).get(box.id)?.at(-1)
    if (!job) continue
    const summary = summaryOf(box.draft, job, rules)
    renewed.set(box.id, summary)
    fresh.push({ id: job.id, summary, state: stateOf(box, version) })
  }
  await keep(fresh)
  return renewed
}

/** A line of the latest job of each of these boxes that has one. */
export async function summariesOf(
  boxes: readonly BoxRecord[],
): Promise<ReadonlyMap<string, JobSummary>> {
  if (boxes.length === 0) return new Map()
  const rows = await db
    .selectDistinctOn([jobs.boxId], {
      boxId: jobs.boxId,
      summary: jobs.summary,
      summaryOf: jobs.summaryOf,
      number: jobs.number,
      openedAt: jobs.openedAt,
      closedAt: jobs.closedAt,
      rules: rulesVersion,
    })
    .from(jobs)
    .where(
      inArray(
        jobs.boxId,
        boxes.map(({ id }) => id),
      ),
    )
    .orderBy(jobs.boxId, desc(jobs.number))
  const kept = new Map(rows.map((row) => [row.boxId, row]))
  const version = rows[0]?.rules ?? ''
  const stale = boxes.filter((box) => {
    const row = kept.get(box.id)
    return row && row.summaryOf !== stateOf(box, version)
  })
  const isStale = new Set(stale.map(({ id }) => id))
  const renewed = stale.length > 0 ? await renew(stale, version) : new Map<string, JobSummary>()
  return new Map(
    rows.map(({ boxId, summary, number, openedAt, closedAt }) => [
      boxId,
      isStale.has(boxId)
        ? (renewed.get(boxId) ??
          barely({
            number,
            isClosed: closedAt !== null,
            openedAt: openedAt.toISOString(),
            closedAt: closedAt?.toISOString() ?? null,
          }))
        : storedSummary.parse(summary),
    ]),
  )
}

/** Boxes on the bench, after one of them, whose summary is out of date; so many at most. */
async function staleBoxes(after: string | null, most: number) {
  return db
    .select(columns)
    .from(boxes)
    .innerJoin(jobs, eq(jobs.boxId, boxes.id))
    .where(and(onBench, isSummaryStale, after === null ? undefined : gt(boxes.id, after)))
    .orderBy(asc(boxes.id))
    .limit(most)
}

/** Summaries that somebody who asks about them waits for. */
const MOST_AWAITED = 20

/**
 * Works out what jobs say of themselves where that is out of date, since it is asked about.
 * False where more is out of date than one waits for; it is being worked out then.
 */
export async function renewSummaries(): Promise<boolean> {
  const stale = await staleBoxes(null, MOST_AWAITED + 1)
  await summariesOf(readableOf(stale.slice(0, MOST_AWAITED)))
  const isWhole = stale.length <= MOST_AWAITED
  if (!isWhole) renewAll()
  return isWhole
}

/** What is being done about summaries that nobody has asked for yet. */
const pass = { isRunning: false, isWantedAgain: false, isEnding: false }

async function renewOnce(): Promise<void> {
  let after: string | null = null
  while (!pass.isEnding) {
    const stale = await staleBoxes(after, MOST_AWAITED)
    const last = stale.at(-1)
    if (!last) return
    await summariesOf(readableOf(stale))
    after = last.id
  }
}

/** Works out all summaries that are out of date, in the background; another time where it is at it. */
function renewAll(): void {
  pass.isWantedAgain = true
  if (pass.isRunning) return
  pass.isRunning = true
  void (async () => {
    try {
      while (pass.isWantedAgain && !pass.isEnding) {
        pass.isWantedAgain = false
        await renewOnce()
      }
    } catch (error) {
      // Whoever asks for one works it out.
      log.warn({ err: error }, 'what jobs say of themselves was not worked out')
    } finally {
      pass.isRunning = false
    }
  })()
}

/**
 * Works out what jobs say of themselves at the start, and when all may have changed, such as
 * the shop's limits: nobody waits for it then. Ends with the function that comes back.
 */
export function keepSummariesFresh(): () => void {
  const stop = onChange((boxId) => {
    if (boxId === EVERYTHING) renewAll()
  })
  return () => {
    pass.isEnding = true
    stop()
  }
}
