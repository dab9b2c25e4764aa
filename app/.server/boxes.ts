/** The boxes on the bench. */
import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'

import type { BoxDraft, Edit, EditConflict, EditRefusal } from 'core'
import { applyEdit } from 'core'

import { db } from './db/client.ts'
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

/** Boxes shown at once; the bench says when there are more. */
export const BENCH_PAGE_SIZE = 50

/** The boxes on the bench, the last touched first. */
export async function listBoxes(): Promise<{ boxes: readonly BoxRecord[]; total: number }> {
  const [rows, [count]] = await Promise.all([
    db
      .select(columns)
      .from(boxes)
      .where(onBench)
      .orderBy(desc(boxes.updatedAt), boxes.id)
      .limit(BENCH_PAGE_SIZE),
    db
      .select({ total: sql<number>`count(*)::int` })
      .from(boxes)
      .where(onBench),
  ])
  return { boxes: rows.map(recordOf), total: count?.total ?? 0 }
}

/** One box, or null when there is none by that id. */
export async function findBox(id: string): Promise<BoxRecord | null> {
  if (!UUID.test(id)) return null
  const [row] = await db.select(columns).from(boxes).where(isBox(id))
  return row ? recordOf(row) : null
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
  return db.transaction(async (tx): Promise<EditOutcome> => {
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
