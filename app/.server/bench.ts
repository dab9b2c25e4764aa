/** The bench: which boxes it shows, page by page. */
import type { SQL } from 'drizzle-orm'
import { and, asc, desc, eq, exists, gte, ilike, inArray, lt, not, or, sql } from 'drizzle-orm'
import type { PgColumn } from 'drizzle-orm/pg-core'

import { STAGES } from 'core'

import type { BenchSort, BenchStage, BenchWait } from '../views/bench/benchChoices.ts'
import type { BenchView } from '../views/bench/benchView.ts'
import { WHOLE_BENCH } from '../views/bench/benchView.ts'

import { keptOriginSchema } from '../files/editOrigin.ts'

import type { BoxRecord } from './boxes.ts'
import { columns, onBench, readableOf } from './boxes.ts'
import { db } from './db/client.ts'
import { boxes } from './db/tables/boxes.ts'
import { boxRevisions } from './db/tables/boxRevisions.ts'
import { jobEntries } from './db/tables/jobEntries.ts'
import { jobs } from './db/tables/jobs.ts'
import { isId } from './ids.ts'
import { renewSummaries } from './jobSummaries.ts'

/** Boxes shown at once. */
export const BENCH_PAGE_SIZE = 20

/** Counting goes no further than this: nobody needs to know how far beyond it is. */
const MOST_COUNTED = 1_000

interface BenchPage {
  readonly boxes: readonly BoxRecord[]
  /** Names of boxes that would stand on this page, and that this version cannot read. */
  readonly unreadable: readonly string[]
  /** How many there are, up to `MOST_COUNTED`. */
  readonly total: number
  readonly isTotalCut: boolean
  /** Names the page after this one; null on the last. */
  readonly next: string | null
  /** False where jobs that were asked about have not all been looked at yet. */
  readonly isWhole: boolean
}

/** The last box of a page, after which the next one begins. */
const CURSOR = /^(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{6}Z)_([0-9a-f-]{36})$/

/**
 * Whether what came in with a unit, or a part ordered for it, was written down so: the owner's
 * reference, its serial, the complaint, the oil, what it came with; the words of a part.
 */
function isWrittenInJobs(like: string) {
  const written = ['reference', 'serial', 'complaint', 'oil', 'cameWith'].map(
    (field) => sql`${jobEntries.body} -> 'intake' ->> ${field} ilike ${like}`,
  )
  return exists(
    db
      .select({ one: sql`1` })
      .from(jobEntries)
      .innerJoin(jobs, eq(jobs.id, jobEntries.jobId))
      .where(
        and(
          eq(jobs.boxId, boxes.id),
          or(...written, sql`${jobEntries.body} -> 'line' ->> 'what' ilike ${like}`),
        ),
      ),
  )
}

/** Whether a number that was read off the unit, or of a part in it, is written in its box so. */
function isStampedOn(like: string) {
  return sql`exists (
    select 1 from jsonb_array_elements(coalesce(${boxes.document} -> 'sheet', '[]'::jsonb)) line
    where line ->> 'kind' in ('serial', 'casting-number', 'part-number') and line ->> 'text' ilike ${like}
    union all
    select 1 from jsonb_array_elements(coalesce(${boxes.document} -> 'pieces', '[]'::jsonb)) piece
    where piece ->> 'partNumber' ilike ${like}
  )`
}

/** The summary of the latest job of a box; null where it has none. */
const latestSummary = sql`(select ${jobs.summary} from ${jobs} where ${jobs.boxId} = ${boxes.id} order by ${jobs.number} desc limit 1)`

const hasJob = exists(
  db
    .select({ one: sql`1` })
    .from(jobs)
    .where(eq(jobs.boxId, boxes.id)),
)

function isAtStage(stage: BenchStage) {
  if (stage === 'none') return not(hasJob)
  const isClosed = sql`(${latestSummary} ->> 'isClosed')::boolean`
  return stage === 'closed'
    ? isClosed
    : sql`not ${isClosed} and ${latestSummary} ->> 'stage' = ${stage}`
}

/** What waits in the box itself, also without a job: where a gear is found so. */
const BOX_WAITS: Readonly<Partial<Record<BenchWait, string>>> = {
  'to-count': '$.gears[*] ? (@.toothCount == null)',
  'counts-disagree': '$.gears[*] ? (@.recount != null && @.recount != @.toothCount)',
}

function doesWait(wait: BenchWait) {
  const path = BOX_WAITS[wait]
  return path === undefined
    ? sql`not (${latestSummary} ->> 'isClosed')::boolean and ${latestSummary} -> 'waiting' @> ${JSON.stringify([{ code: wait }])}::jsonb`
    : sql`jsonb_path_exists(${boxes.document}, ${path}::jsonpath)`
}

/** The beginning of a day where the shop is, and of the one after it. */
function startOf(day: string, daysAfter = 0): Date {
  const start = new Date(`${day}T00:00`)
  start.setDate(start.getDate() + daysAfter)
  return start
}

/** Whether a unit was put on the bench, touched last, or had a job within these days. */
function wasHere(since: string | null, until: string | null) {
  const [from, to] = [since && startOf(since), until && startOf(until, 1)]
  const within = (at: PgColumn) =>
    and(from ? gte(at, from) : undefined, to ? lt(at, to) : undefined)
  const hadJob = exists(
    db
      .select({ one: sql`1` })
      .from(jobs)
      .where(
        and(
          eq(jobs.boxId, boxes.id),
          to ? lt(jobs.openedAt, to) : undefined,
          from ? sql`coalesce(${jobs.closedAt}, ${boxes.updatedAt}) >= ${from}` : undefined,
        ),
      ),
  )
  return or(within(boxes.createdAt), within(boxes.updatedAt), hadJob)
}

/** Open jobs by their stage, then boxes without a job, then closed ones. */
const stageOrder = sql`case when ${latestSummary} is null then ${STAGES.length} when (${latestSummary} ->> 'isClosed')::boolean then ${STAGES.length + 1} else array_position(${sql.raw(`array[${STAGES.map((stage) => `'${stage}'`).join(', ')}]`)}, ${latestSummary} ->> 'stage') - 1 end`

const ORDERS: Readonly<Record<BenchSort, readonly SQL[]>> = {
  touched: [desc(boxes.updatedAt), desc(boxes.id)],
  untouched: [asc(boxes.updatedAt), asc(boxes.id)],
  name: [sql`lower(${boxes.name})`, asc(boxes.id)],
  stage: [stageOrder, desc(boxes.updatedAt), desc(boxes.id)],
}

/** The place of a page in an order that no box keeps a place in: how many come before it. */
const OFFSET = /^from(\d{1,6})$/

/** A condition a word: in the name of a box, in its jobs, or stamped on one of its parts. */
function wordsOf(search: string): readonly (SQL | undefined)[] {
  // Whole boxes are read for it, so only where a number may be meant.
  const mayBeNumber = /\d/.test(search)
  const words = search.split(/\s+/).filter(Boolean).slice(0, 8)
  return words.map((word) => {
    const like = `%${word.replace(/[\\%_]/g, '\\$&')}%`
    return or(
      ilike(boxes.name, like),
      isWrittenInJobs(like),
      mayBeNumber ? isStampedOn(like) : undefined,
    )
  })
}

/** Who changed each of these boxes last, and when, as far as it was said. */
export async function lastEditsOf(
  boxIds: readonly string[],
): Promise<ReadonlyMap<string, { readonly at: Date; readonly by: string }>> {
  if (boxIds.length === 0) return new Map()
  const latest = db
    .select({ at: boxRevisions.at, origin: boxRevisions.origin })
    .from(boxRevisions)
    .where(eq(boxRevisions.boxId, boxes.id))
    .orderBy(desc(boxRevisions.id))
    .limit(1)
    .as('latest')
  // One line of each box is looked at, however many it has.
  const rows = await db
    .select({ boxId: boxes.id, at: latest.at, origin: latest.origin })
    .from(boxes)
    .crossJoinLateral(latest)
    .where(inArray(boxes.id, [...boxIds]))
  return new Map(
    rows.map(({ boxId, at, origin }) => [boxId, { at, by: keptOriginSchema.parse(origin).by }]),
  )
}

/** Whether a view hangs on what is kept of jobs in a line. */
function asksJobs({ stage, waits, who, sort }: BenchView): boolean {
  const asksWaiting = waits !== null && !(waits in BOX_WAITS)
  return stage !== null || who !== null || asksWaiting || sort === 'stage'
}

/** The boxes that a view shows. */
function matchingOf({ search, stage, waits, who, since, until }: BenchView) {
  return and(
    onBench,
    stage === null ? undefined : isAtStage(stage),
    waits === null ? undefined : doesWait(waits),
    who === null ? undefined : sql`${latestSummary} ->> 'assignee' = ${who}`,
    since === null && until === null ? undefined : wasHere(since, until),
    ...wordsOf(search),
  )
}

/**
 * A page of the boxes on the bench that a view asks for, after the place that `after` names.
 * A place that names nothing is the beginning.
 */
export async function listBoxes(
  view: BenchView = WHOLE_BENCH,
  after: string | null = null,
): Promise<BenchPage> {
  const { sort } = view
  const isWhole = asksJobs(view) ? await renewSummaries() : true
  const matching = matchingOf(view)
  const [, at, id] = CURSOR.exec(after ?? '') ?? []
  const hasCursor = sort === 'touched'
  const beyond =
    hasCursor && at !== undefined && id !== undefined && isId(id) && !Number.isNaN(Date.parse(at))
      ? sql`(${boxes.updatedAt}, ${boxes.id}) < (${at}::timestamptz, ${id}::uuid)`
      : undefined
  const offset = hasCursor ? 0 : Number(OFFSET.exec(after ?? '')?.[1] ?? 0)
  const counted = db
    .select({ one: sql`1` })
    .from(boxes)
    .where(matching)
    .limit(MOST_COUNTED + 1)
    .as('counted')
  const [rows, [count]] = await Promise.all([
    db
      .select({
        ...columns,
        name: boxes.name,
        place: sql<string>`to_char(${boxes.updatedAt} at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`,
      })
      .from(boxes)
      .where(and(matching, beyond))
      .orderBy(...ORDERS[sort])
      .offset(offset)
      .limit(BENCH_PAGE_SIZE + 1),
    db.select({ total: sql<number>`count(*)::int` }).from(counted),
  ])
  const shown = rows.slice(0, BENCH_PAGE_SIZE)
  const records = readableOf(shown.map(({ place: _place, name: _name, ...row }) => row))
  const read = new Set(records.map((record) => record.id))
  const last = shown.at(-1)
  const total = count?.total ?? 0
  return {
    boxes: records,
    unreadable: shown.filter((row) => !read.has(row.id)).map(({ name }) => name),
    total: Math.min(total, MOST_COUNTED),
    isTotalCut: total > MOST_COUNTED,
    next:
      rows.length > shown.length && last
        ? hasCursor
          ? `${last.place}_${last.id}`
          : `from${offset + shown.length}`
        : null,
    isWhole,
  }
}
