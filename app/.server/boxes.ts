/** The boxes on the bench. */
import { createHash } from 'node:crypto'

import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { v7 as uuidv7 } from 'uuid'

import type { BoxDraft, Edit, EditConflict, EditRefusal } from 'core'
import { applyEdit } from 'core'

import { limitIssues } from '../files/boxFile.ts'

import type { Queries } from './db/client.ts'
import { db, transact } from './db/client.ts'
import { draftOfDocument, conflictOfColumn, unlessUnreadable } from './db/documents.ts'
import { announce } from './events.ts'
import { isId } from './ids.ts'
import { boxRevisions } from './db/tables/boxRevisions.ts'
import { editReceipts } from './db/tables/editReceipts.ts'
import { shop } from './db/tables/shop.ts'
import { boxes } from './db/tables/boxes.ts'
import type { EditOrigin } from '../files/editOrigin.ts'
import { UNKNOWN_ORIGIN } from '../files/editOrigin.ts'
import { nameWith } from '../files/text.ts'

export interface BoxRecord {
  readonly id: string
  readonly isDemo: boolean
  readonly revision: number
  readonly jobsRevision: number
  readonly areCautionsRead: boolean
  readonly updatedAt: Date
  readonly draft: BoxDraft
}

export const columns = {
  id: boxes.id,
  isDemo: boxes.isDemo,
  revision: boxes.revision,
  jobsRevision: boxes.jobsRevision,
  cautionsReadAt: boxes.cautionsReadAt,
  updatedAt: boxes.updatedAt,
  document: boxes.document,
}

interface BoxRow {
  readonly id: string
  readonly isDemo: boolean
  readonly revision: number
  readonly jobsRevision: number
  readonly cautionsReadAt: Date | null
  readonly updatedAt: Date
  readonly document: unknown
}

/** One box of the database. Throws `Unreadable` where this version cannot read it. */
function recordOf(row: BoxRow): BoxRecord {
  const { cautionsReadAt, document, ...rest } = row
  return {
    ...rest,
    areCautionsRead: cautionsReadAt !== null,
    draft: keptDraft(row.id, document),
  }
}

/** The boxes that this version can read, for lists that one which it cannot must not take down. */
export function readableOf(rows: readonly BoxRow[]): readonly BoxRecord[] {
  return rows.flatMap((row) => unlessUnreadable(() => recordOf(row)) ?? [])
}

/**
 * Characters of the documents whose drafts are kept at hand. What is worked out for a draft is
 * kept with it and takes some forty times as much memory, so that this bounds the server's.
 */
const MOST_DRAFT_CHARACTERS = 2_500_000

/** Drafts of late, so that what was worked out for one is found again by the draft itself. */
const drafts = new LRUCache<string, { readonly text: string; readonly draft: BoxDraft }>({
  maxSize: MOST_DRAFT_CHARACTERS,
  sizeCalculation: ({ text }) => text.length,
})

/** The draft of a stored document: the same one as before while the document is the same. */
function keptDraft(id: string, document: unknown): BoxDraft {
  const text = JSON.stringify(document)
  const known = drafts.get(id)
  if (known?.text === text) return known.draft
  const draft = draftOfDocument(id, document)
  drafts.set(id, { text, draft })
  return draft
}

/** Not taken off the bench. */
export const onBench = isNull(boxes.deletedAt)

function isBox(id: string) {
  return and(eq(boxes.id, id), onBench)
}

/** One box, or null when there is none by that id. */
export async function findBox(id: string): Promise<BoxRecord | null> {
  if (!isId(id)) return null
  const [row] = await db.select(columns).from(boxes).where(isBox(id))
  return row ? recordOf(row) : null
}

/** A demo box that is on the bench, one with a job before others; null where there is none. */
export async function findDemoBox(): Promise<string | null> {
  const [row] = await db
    .select({ id: boxes.id })
    .from(boxes)
    .where(and(eq(boxes.isDemo, true), onBench))
    .orderBy(desc(boxes.jobsRevision), desc(boxes.id))
    .limit(1)
  return row?.id ?? null
}

/** Changes with whatever the shop has and goes by. */
const shopVersion = sql<string>`(select string_agg(${shop.name} || ${sql.raw('shop.xmin::text')}, ' ' order by ${shop.name}) from ${shop})`

/**
 * What tells one state of a box, its jobs and the shop from another, for whoever keeps what
 * was made of them; null when there is no such box.
 */
export async function findVersion(id: string): Promise<string | null> {
  if (!isId(id)) return null
  const [row] = await db
    .select({
      revision: boxes.revision,
      jobsRevision: boxes.jobsRevision,
      // Tells apart what has the same numbers after a restore.
      touched: sql<string>`${boxes.updatedAt}::text`,
      cautionsReadAt: boxes.cautionsReadAt,
      shop: shopVersion,
    })
    .from(boxes)
    .where(isBox(id))
  return row ? [id, ...Object.values(row)].join(' ') : null
}

/** Puts a new box on the bench and returns its id. */
export async function createBox(
  draft: BoxDraft,
  options: { readonly isDemo?: boolean; readonly areCautionsRead?: boolean } = {},
): Promise<string> {
  const id = uuidv7()
  return transact(async (tx) => {
    await tx.insert(boxes).values({
      id,
      name: draft.name,
      document: draft,
      isDemo: options.isDemo ?? false,
      cautionsReadAt: options.areCautionsRead ? new Date() : null,
    })
    await announce(tx, id)
    return id
  })
}

/** Puts a copy on the bench and returns its id, or null when there is no such box. */
export async function duplicateBox(id: string): Promise<string | null> {
  const box = await findBox(id)
  return box && createBox({ ...box.draft, name: nameWith(box.draft.name, ' (copy)') })
}

interface DeletedBox {
  readonly id: string
  readonly name: string
  readonly deletedAt: Date
}

/** Deleted boxes that are told of at once. */
const MOST_DELETED = 200

/** The boxes that were taken off the bench and can be brought back, the latest first. */
export async function listDeleted(): Promise<readonly DeletedBox[]> {
  const rows = await db
    .select({ id: boxes.id, name: boxes.name, deletedAt: boxes.deletedAt })
    .from(boxes)
    .where(isNotNull(boxes.deletedAt))
    .orderBy(desc(boxes.deletedAt))
    .limit(MOST_DELETED)
  return rows.flatMap(({ deletedAt, ...row }) => (deletedAt ? [{ ...row, deletedAt }] : []))
}

/** How many boxes are deleted. */
export async function countDeleted(): Promise<number> {
  return db.$count(boxes, isNotNull(boxes.deletedAt))
}

/** A deleted box by its id; null where it is on the bench, or never was. */
export async function findDeleted(id: string): Promise<DeletedBox | null> {
  if (!isId(id)) return null
  const [row] = await db
    .select({ id: boxes.id, name: boxes.name, deletedAt: boxes.deletedAt })
    .from(boxes)
    .where(and(eq(boxes.id, id), isNotNull(boxes.deletedAt)))
  return row?.deletedAt ? { ...row, deletedAt: row.deletedAt } : null
}

async function mark(
  id: string,
  deletedAt: Date | null,
): Promise<{ readonly id: string; readonly name: string } | null> {
  if (!isId(id)) return null
  return transact(async (tx) => {
    const [row] = await tx
      .update(boxes)
      .set({ deletedAt })
      .where(and(eq(boxes.id, id), deletedAt ? onBench : isNotNull(boxes.deletedAt)))
      .returning({ id: boxes.id, name: boxes.name })
    if (row) await announce(tx, id)
    return row ?? null
  })
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
  if (isId(id)) await db.update(boxes).set({ cautionsReadAt: new Date() }).where(isBox(id))
}

type EditOutcome =
  | { readonly kind: 'kept'; readonly box: BoxRecord; readonly conflict: EditConflict | null }
  | { readonly kind: 'refused'; readonly refusal: EditRefusal }
  /** Taken: under its id something else is kept. */
  | { readonly kind: 'absent' | 'taken' }

/** What came with an edit. */
interface Arrival {
  /** Given where it was made, so that it is applied once, however often it is sent. */
  readonly id?: string | undefined
  readonly origin?: EditOrigin
}

function digestOfEdit(edit: Edit): string {
  return createHash('sha256').update(JSON.stringify(edit)).digest('base64url')
}

/** What an edit that was sent before came to, or null when it was not. */
async function earlierOutcome(
  tx: Queries,
  editId: string,
  digest: string,
  box: BoxRecord,
): Promise<EditOutcome | null> {
  const [receipt] = await tx
    .select({
      boxId: editReceipts.boxId,
      digest: editReceipts.digest,
      conflict: editReceipts.conflict,
    })
    .from(editReceipts)
    .where(eq(editReceipts.id, editId))
  if (!receipt) return null
  const isSame = receipt.boxId === box.id && (receipt.digest ?? digest) === digest
  return isSame
    ? { kind: 'kept', box, conflict: conflictOfColumn(editId, receipt.conflict) }
    : { kind: 'taken' }
}

/**
 * Applies an edit to the box as it is now, one edit at a time; one that has an id is
 * applied once, however often it is sent. What does not take effect because somebody was
 * faster is written down all the same.
 */
export async function editBox(
  id: string,
  edit: Edit,
  { id: editId, origin = UNKNOWN_ORIGIN }: Arrival = {},
): Promise<EditOutcome> {
  if (!isId(id)) return { kind: 'absent' }
  return transact(async (tx): Promise<EditOutcome> => {
    const [row] = await tx.select(columns).from(boxes).where(isBox(id)).for('update')
    if (!row) return { kind: 'absent' }
    const before = recordOf(row)
    const digest = digestOfEdit(edit)
    const earlier = editId === undefined ? null : await earlierOutcome(tx, editId, digest, before)
    if (earlier) return earlier
    const result = applyEdit(before.draft, edit)
    if (!result.ok) return { kind: 'refused', refusal: result.refusal }
    const conflict = result.conflict ?? null
    const isApplied = result.draft !== before.draft
    const [beyond] = isApplied ? limitIssues(result.draft) : []
    if (beyond)
      return { kind: 'refused', refusal: { code: 'beyond-limits', message: beyond.message } }
    if (editId !== undefined) {
      const received = await tx
        .insert(editReceipts)
        .values({ id: editId, boxId: id, digest, conflict })
        .onConflictDoNothing({ target: editReceipts.id })
        .returning({ id: editReceipts.id })
      // The same id may have come to another box in this very moment.
      if (received.length === 0) return { kind: 'taken' }
    }
    if (isApplied || conflict)
      await tx.insert(boxRevisions).values({
        boxId: id,
        revision: before.revision,
        edit,
        isApplied,
        origin,
        documentBefore: before.draft,
      })
    if (!isApplied) {
      // Its history has grown, though the box is as it was.
      if (conflict) await tx.update(boxes).set({ updatedAt: new Date() }).where(eq(boxes.id, id))
      return { kind: 'kept', box: before, conflict }
    }
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
    await announce(tx, id)
    return { kind: 'kept', box: recordOf(after), conflict }
  })
}
