/** What JSON columns hold, taken for what it is only after a look at it. */
import { z } from 'zod'

import type { BoxDraft, EditConflict, EntryBody } from 'core'
import { ENTRY_KINDS } from 'core'

import type { ArchivedRevision } from '../../files/archiveFormat.ts'
import { FILES } from '../../files/archiveFormat.ts'
import { draftSchema } from '../../files/boxFile.ts'
import type { EditOrigin } from '../../files/editOrigin.ts'
import { editOriginSchema } from '../../files/editOrigin.ts'
import { entryBodySchema } from '../../files/jobEntry.ts'
import { log } from '../log.ts'

/** What this version cannot read: a newer one wrote it, or it was tampered with. */
export class Unreadable extends Error {
  constructor(where: string, problem: string) {
    super(`${where} holds something of another shape: ${problem}`)
    this.name = 'Unreadable'
  }
}

/** What is read, or null where this version cannot read it, which the log tells: for lists. */
export function unlessUnreadable<T>(read: () => T): T | null {
  try {
    return read()
  } catch (error) {
    if (!(error instanceof Unreadable)) throw error
    log.error({ err: error }, 'left out of a list')
    return null
  }
}

function readColumn<T>(schema: z.ZodType<T>, where: string, content: unknown): T {
  const parsed = schema.safeParse(content)
  if (!parsed.success) throw new Unreadable(where, parsed.error.message)
  return parsed.data
}

/** A stored document as a draft. Throws `Unreadable` when the database holds something else. */
export function draftOfDocument(boxId: string, document: unknown): BoxDraft {
  return readColumn(draftSchema, `box ${boxId}`, document)
}

/** A stored edit as archives have it: earlier versions kept edits of other shapes. */
export function editOfColumn(boxId: string, edit: unknown): ArchivedRevision['edit'] {
  return readColumn(FILES.history.schema.shape.edit, `the history of box ${boxId}`, edit)
}

/** Where a stored edit comes from. */
export function originOfColumn(boxId: string, origin: unknown): EditOrigin {
  return readColumn(editOriginSchema, `the history of box ${boxId}`, origin)
}

/** The body of a stored entry, looked at whole. */
export function bodyOfColumn(entryId: string, body: unknown): z.infer<typeof entryBodySchema> {
  return readColumn(entryBodySchema, `entry ${entryId}`, body)
}

const ofSomeKind = z.looseObject({ kind: z.enum(ENTRY_KINDS) })

/**
 * The body of a stored entry, for pages that read thousands: looking at each whole would
 * cost every page its time, so only what tells entries apart is looked at. Throws
 * `Unreadable` of a kind that this version does not know.
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
