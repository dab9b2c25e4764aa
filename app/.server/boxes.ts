/** The boxes on the bench. */
import { and, desc, eq, ilike, isNotNull, isNull, sql } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'

import type { BoxDraft, Edit, EditConflict, EditRefusal } from 'core'
import { applyEdit } from 'core'

import { db, transact } from './db/client.ts'
import { draftOfDocument } from './db/documents.ts'
import { limitIssues } from '../boxFile.ts'
import { boxRevisions } from './db/tables/boxRevisions.ts'
import { boxes } from './db/tables/boxes.ts'

export interface BoxRecord {
  readonly id: string
  readonly isDemo: boolean
  readonly revision: number
  readonly areCautionsRead: boolean
  readonly updatedAt: Date
  readonly draft: BoxDraft
}

const columns = {
  id: boxes.id,
  isDemo: boxes.isDemo,
  revision: boxes.revision,
  cautionsReadAt: boxes.cautionsReadAt,
  updatedAt: boxes.updatedAt,
  document: boxes.document,
}

function recordOf(row: {
  id: string
  isDemo: boolean
  revision: number
  cautionsReadAt: Date | null
  updatedAt: Date
  document: unknown
}): BoxRecord {
  const { cautionsReadAt, document, ...rest } = row
  return {
    ...rest,
    areCautionsRead: cautionsReadAt !== null,
    draft: draftOfDocument(row.id, document),
  }
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i
const onBench = isNull(boxes.deletedAt)

function isBox(id: string) {
  return and(eq(boxes.id, id), onBench)
}

/** Boxes shown at once. */
export const BENCH_PAGE_SIZE = 20

/** Counting goes no further than this: nobody needs to know how far beyond it is. */
const MOST_COUNTED = 1_000

export interface BenchPage {
  readonly boxes: readonly BoxRecord[]
  /** How many there are, up to `MOST_COUNTED`. */
  readonly total: number
  readonly isTotalCut: boolean
  /** Names the page after this one; null on the last. */
  readonly next: string | null
}

/** The last box of a page, after which the next one begins. */
const CURSOR = /^(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{6}Z)_([0-9a-f-]{36})$/

/**
 * A page of the boxes on the bench, the last touched first: those whose name has the
 * words of `search` in it, after the place that `after` names. A place that names
 * nothing is the beginning.
 */
export async function listBoxes(search = '', after: string | null = null): Promise<BenchPage> {
  const words = search.split(/\s+/).filter(Boolean).slice(0, 8)
  const matching = and(
    onBench,
    ...words.map((word) => ilike(boxes.name, `%${word.replace(/[\\%_]/g, '\\$&')}%`)),
  )
  const [, at, id] = CURSOR.exec(after ?? '') ?? []
  const beyond =
    at !== undefined && id !== undefined && UUID.test(id)
      ? sql`(${boxes.updatedAt}, ${boxes.id}) < (${at}::timestamptz, ${id}::uuid)`
      : undefined
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
        place: sql<string>`to_char(${boxes.updatedAt} at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')`,
      })
      .from(boxes)
      .where(and(matching, beyond))
      .orderBy(desc(boxes.updatedAt), desc(boxes.id))
      .limit(BENCH_PAGE_SIZE + 1),
    db.select({ total: sql<number>`count(*)::int` }).from(counted),
  ])
  const shown = rows.slice(0, BENCH_PAGE_SIZE)
  const last = shown.at(-1)
  const total = count?.total ?? 0
  return {
    boxes: shown.map(({ place: _place, ...row }) => recordOf(row)),
    total: Math.min(total, MOST_COUNTED),
    isTotalCut: total > MOST_COUNTED,
    next: rows.length > shown.length && last ? `${last.place}_${last.id}` : null,
  }
}

/** One box, or null when there is none by that id. */
export async function findBox(id: string): Promise<BoxRecord | null> {
  if (!UUID.test(id)) return null
  const [row] = await db.select(columns).from(boxes).where(isBox(id))
  return row ? recordOf(row) : null
}

/**
 * What tells one state of a box from another, for whoever keeps what was made of it;
 * null when there is no such box.
 */
export async function findVersion(id: string): Promise<string | null> {
  if (!UUID.test(id)) return null
  const [row] = await db
    .select({ revision: boxes.revision, cautionsReadAt: boxes.cautionsReadAt })
    .from(boxes)
    .where(isBox(id))
  return row ? versionOf(id, row.revision, row.cautionsReadAt !== null) : null
}

/** The version of a box that has been loaded. */
export function versionOf(id: string, revision: number, areCautionsRead: boolean): string {
  return `${id} ${revision} ${areCautionsRead}`
}

/** Puts a new box on the bench and returns its id. */
export async function createBox(
  draft: BoxDraft,
  options: { readonly isDemo?: boolean; readonly areCautionsRead?: boolean } = {},
): Promise<string> {
  const id = uuidv7()
  await db.insert(boxes).values({
    id,
    name: draft.name,
    document: draft,
    isDemo: options.isDemo ?? false,
    cautionsReadAt: options.areCautionsRead ? new Date() : null,
  })
  return id
}

/** Puts a copy on the bench and returns its id, or null when there is no such box. */
export async function duplicateBox(id: string): Promise<string | null> {
  const box = await findBox(id)
  return box && createBox({ ...box.draft, name: `${box.draft.name} (copy)`.slice(0, 120) })
}

async function mark(
  id: string,
  deletedAt: Date | null,
): Promise<{ readonly id: string; readonly name: string } | null> {
  if (!UUID.test(id)) return null
  const [row] = await db
    .update(boxes)
    .set({ deletedAt })
    .where(and(eq(boxes.id, id), deletedAt ? onBench : isNotNull(boxes.deletedAt)))
    .returning({ id: boxes.id, name: boxes.name })
  return row ?? null
}

/** Takes a box off the bench; `restoreBox` brings it back as it was. */
export function deleteBox(id: string) {
  return mark(id, new Date())
}

export function restoreBox(id: string) {
  return mark(id, null)
}

/** Remembers that the cautions were read before the first count. */
export async function markCautionsRead(id: string): Promise<void> {
  if (UUID.test(id)) await db.update(boxes).set({ cautionsReadAt: new Date() }).where(isBox(id))
}

export type EditOutcome =
  | { readonly kind: 'kept'; readonly box: BoxRecord; readonly conflict: EditConflict | null }
  | { readonly kind: 'refused'; readonly refusal: EditRefusal }
  | { readonly kind: 'absent' }

/**
 * Applies an edit to the box as it is now, one edit at a time. What does not take
 * effect because somebody was faster is written down all the same.
 */
export async function editBox(id: string, edit: Edit): Promise<EditOutcome> {
  if (!UUID.test(id)) return { kind: 'absent' }
  return transact(async (tx): Promise<EditOutcome> => {
    const [row] = await tx.select(columns).from(boxes).where(isBox(id)).for('update')
    if (!row) return { kind: 'absent' }
    const before = recordOf(row)
    const result = applyEdit(before.draft, edit)
    if (!result.ok) return { kind: 'refused', refusal: result.refusal }
    const conflict = result.conflict ?? null
    const isApplied = result.draft !== before.draft
    const [beyond] = isApplied ? limitIssues(result.draft) : []
    if (beyond)
      return { kind: 'refused', refusal: { code: 'beyond-limits', message: beyond.message } }
    if (!isApplied && !conflict) return { kind: 'kept', box: before, conflict }
    await tx.insert(boxRevisions).values({
      boxId: id,
      revision: before.revision,
      edit,
      isApplied,
      documentBefore: before.draft,
    })
    if (!isApplied) return { kind: 'kept', box: before, conflict }
    const [after] = await tx
      .update(boxes)
      .set({
        document: result.draft,
        name: result.draft.name,
        revision: before.revision + 1,
        updatedAt: new Date(),
      })
      .where(eq(boxes.id, id))
      .returning(columns)
    if (!after) throw new Error(`box ${id} vanished while it was locked`)
    return { kind: 'kept', box: recordOf(after), conflict }
  })
}
