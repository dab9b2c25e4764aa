/** What JSON columns hold, taken for what it is only after a look at it. */
import { z } from 'zod'

import type { BoxDraft, EditConflict, EntryBody } from 'core'

import type { ArchivedRevision } from '../../files/archiveFormat.ts'
import { revisionSchema } from '../../files/archiveFormat.ts'
import { draftSchema } from '../../files/boxFile.ts'
import type { EditOrigin } from '../../files/editOrigin.ts'
import { editOriginSchema } from '../../files/editOrigin.ts'
import { entryBodySchema } from '../../files/jobEntry.ts'

function readColumn<T>(schema: z.ZodType<T>, where: string, content: unknown): T {
  const parsed = schema.safeParse(content)
  if (!parsed.success)
    throw new Error(`${where} holds something of another shape: ${parsed.error.message}`)
  return parsed.data
}

/** A box whose document this version cannot read: a newer one wrote it, or it was tampered with. */
export class UnreadableDocument extends Error {
  constructor(boxId: string, problem: string) {
    super(`box ${boxId} holds something of another shape: ${problem}`)
    this.name = 'UnreadableDocument'
  }
}

/** A stored document as a draft. Throws `UnreadableDocument` when the database holds something else. */
export function draftOfDocument(boxId: string, document: unknown): BoxDraft {
  const parsed = draftSchema.safeParse(document)
  if (!parsed.success) throw new UnreadableDocument(boxId, parsed.error.message)
  return parsed.data
}

/** A stored edit as archives have it: earlier versions kept edits of other shapes. */
export function editOfColumn(boxId: string, edit: unknown): ArchivedRevision['edit'] {
  return readColumn(revisionSchema.shape.edit, `the history of box ${boxId}`, edit)
}

/** Where a stored edit comes from. */
export function originOfColumn(boxId: string, origin: unknown): EditOrigin {
  return readColumn(editOriginSchema, `the history of box ${boxId}`, origin)
}

/** The body of a stored entry, looked at whole. */
export function bodyOfColumn(entryId: string, body: unknown): z.infer<typeof entryBodySchema> {
  return readColumn(entryBodySchema, `entry ${entryId}`, body)
}

const ofSomeKind = z.looseObject({ kind: z.string() })

/**
 * The body of a stored entry, for pages that read thousands: looking at each whole would
 * cost every page its time, so only what tells entries apart is looked at.
 */
export function bodyOfSomeKind(entryId: string, body: unknown): EntryBody {
  readColumn(ofSomeKind, `entry ${entryId}`, body)
  // Only entrySchema lets anything into the column.
  return body as EntryBody
}

const ofSomeCode = z.looseObject({ code: z.string() }).nullable()

/** What a stored edit ran into, or null. */
export function conflictOfColumn(editId: string, conflict: unknown): EditConflict | null {
  readColumn(ofSomeCode, `the receipt of edit ${editId}`, conflict)
  // Only the core's conflicts are put into the column.
  return conflict as EditConflict | null
}
