/** What was done to a box, and what it was before. */
import { and, desc, eq, lt } from 'drizzle-orm'

import type { BoxDraft, Edit } from 'core'

import { db } from './db/client.ts'
import type { EditOrigin } from '../files/editOrigin.ts'

import { draftOfDocument, originOfColumn } from './db/documents.ts'
import { boxRevisions } from './db/tables/boxRevisions.ts'
import { editSchema } from './edits.ts'

export interface Revision {
  readonly id: number
  readonly at: Date
  /** Null where this Udrix no longer knows such an edit. */
  readonly edit: Edit | null
  /** False where somebody was faster, so that the edit was only written down. */
  readonly isApplied: boolean
  readonly origin: EditOrigin
}

/** Revisions told at once. */
export const HISTORY_PAGE_SIZE = 50

/** The edits of a box, latest first, before the one named; one more than a page says that there are older ones. */
export async function listRevisions(
  boxId: string,
  before: number | null,
): Promise<readonly Revision[]> {
  const rows = await db
    .select({
      id: boxRevisions.id,
      at: boxRevisions.at,
      edit: boxRevisions.edit,
      isApplied: boxRevisions.isApplied,
      origin: boxRevisions.origin,
    })
    .from(boxRevisions)
    .where(
      and(eq(boxRevisions.boxId, boxId), before === null ? undefined : lt(boxRevisions.id, before)),
    )
    .orderBy(desc(boxRevisions.id))
    .limit(HISTORY_PAGE_SIZE + 1)
  return rows.map(({ edit, origin, ...rest }) => {
    const parsed = editSchema.safeParse(edit)
    return {
      ...rest,
      edit: parsed.success ? parsed.data : null,
      origin: originOfColumn(boxId, origin),
    }
  })
}

/** The box as it was before one of its revisions, or null when there is no such revision. */
export async function draftBefore(
  boxId: string,
  revisionId: number,
): Promise<{ readonly at: Date; readonly draft: BoxDraft } | null> {
  const [row] = await db
    .select({ at: boxRevisions.at, document: boxRevisions.documentBefore })
    .from(boxRevisions)
    .where(and(eq(boxRevisions.boxId, boxId), eq(boxRevisions.id, revisionId)))
  return row ? { at: row.at, draft: draftOfDocument(boxId, row.document) } : null
}
