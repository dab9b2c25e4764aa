/**
 * Everything in the database as one ZIP archive, version 1:
 *
 *   udrix-archive.json    heading: format, version, when it was made, how many boxes
 *   boxes/ID.json         each box as a box file
 *   records/ID.json       what is known of it besides, and its history
 *
 * Reading one back is all or nothing. A box whose id is not here comes in whole, with
 * its history; one that is here as it is in the archive is left; one that is here but
 * differs comes in beside it under another id and name, so nothing is written over.
 */
import { inArray } from 'drizzle-orm'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { v7 as uuidv7 } from 'uuid'
import { z } from 'zod'

import type { BoxDraft } from 'core'

import { LARGEST_BOX_FILE_BYTES, draftSchema, formatBoxFile, parseBoxFile } from '../boxFile.ts'
import { db, transact } from './db/client.ts'
import { draftOfDocument } from './db/documents.ts'
import { boxRevisions } from './db/tables/boxRevisions.ts'
import { boxes } from './db/tables/boxes.ts'

export const LARGEST_ARCHIVE_BYTES = 64_000_000
/** What the files in an archive may come to when they are unpacked. */
const LARGEST_UNPACKED_BYTES = 1_000_000_000
const LARGEST_RECORD_BYTES = 200_000_000
const FORMAT = 'udrix-archive'
const VERSION = 1
const HEADING = 'udrix-archive.json'
/** Rows read from and put into the database at once. */
const BATCH = 200
const MOST_PROBLEMS = 20

const headingSchema = z.object({ format: z.literal(FORMAT), version: z.number() })

const recordSchema = z.strictObject({
  isDemo: z.boolean(),
  revision: z.int().min(1),
  cautionsReadAt: z.iso.datetime().nullable(),
  createdAt: z.iso.datetime(),
  updatedAt: z.iso.datetime(),
  deletedAt: z.iso.datetime().nullable(),
  history: z.array(
    z.strictObject({
      revision: z.int().min(1),
      edit: z.looseObject({ kind: z.string() }),
      isApplied: z.boolean(),
      documentBefore: draftSchema,
      at: z.iso.datetime(),
    }),
  ),
})
type ArchiveRecord = z.infer<typeof recordSchema>

interface ArchivedBox {
  readonly id: string
  readonly draft: BoxDraft
  readonly record: ArchiveRecord
}

/** The archive as bytes. */
export async function makeArchive(now: Date): Promise<Uint8Array> {
  const files: Record<string, Uint8Array> = {}
  const rows = await db.select().from(boxes).orderBy(boxes.id)
  for (let from = 0; from < rows.length; from += BATCH) {
    const batch = rows.slice(from, from + BATCH)
    const history = await db
      .select()
      .from(boxRevisions)
      .where(
        inArray(
          boxRevisions.boxId,
          batch.map(({ id }) => id),
        ),
      )
      .orderBy(boxRevisions.id)
    for (const { id, name: _name, document, ...rest } of batch) {
      files[`boxes/${id}.json`] = strToU8(formatBoxFile(draftOfDocument(id, document)))
      const record = {
        ...rest,
        history: history
          .filter(({ boxId }) => boxId === id)
          .map(({ id: _id, boxId: _boxId, ...revision }) => revision),
      }
      files[`records/${id}.json`] = strToU8(JSON.stringify(record))
    }
  }
  const heading = { format: FORMAT, version: VERSION, madeAt: now, boxes: rows.length }
  return zipSync({ [HEADING]: strToU8(JSON.stringify(heading, null, 2)), ...files })
}

export interface ArchiveSummary {
  /** Names of boxes that are not here yet, that are here as they are, and that differ. */
  readonly fresh: readonly string[]
  readonly same: readonly string[]
  readonly differing: readonly string[]
}

export type ArchiveOutcome =
  | { readonly ok: true; readonly summary: ArchiveSummary }
  | { readonly ok: false; readonly problems: readonly string[] }

type Opened =
  | { readonly ok: true; readonly boxes: readonly ArchivedBox[] }
  | { readonly ok: false; readonly problems: readonly string[] }

const UUID_FILE = /^boxes\/([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})\.json$/

function refuse(...problems: readonly string[]): { ok: false; problems: readonly string[] } {
  return { ok: false, problems }
}

/** Unpacks and checks an archive without touching the database. */
function openArchive(bytes: Uint8Array): Opened {
  let unpackedBytes = 0
  let files: Record<string, Uint8Array>
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        unpackedBytes += originalSize
        const most = name.startsWith('records/') ? LARGEST_RECORD_BYTES : LARGEST_BOX_FILE_BYTES
        if (originalSize > most || unpackedBytes > LARGEST_UNPACKED_BYTES)
          throw new RangeError(`${name} is larger than anything that Udrix writes.`)
        return true
      },
    })
  } catch (error) {
    return refuse(
      error instanceof RangeError
        ? error.message
        : 'This file is not a ZIP archive, or it is damaged. Choose a file that Udrix exported.',
    )
  }
  const heading = headingSchema.safeParse(parseJson(files[HEADING]))
  if (!heading.success)
    return refuse(`There is no ${HEADING} in this archive, so Udrix did not write it.`)
  if (heading.data.version !== VERSION)
    return refuse(
      `This archive has version ${heading.data.version}; this Udrix reads version ${VERSION}. Open it with a newer Udrix.`,
    )
  const problems: string[] = []
  const opened: ArchivedBox[] = []
  for (const [name, content] of Object.entries(files)) {
    const id = UUID_FILE.exec(name)?.[1]
    if (id === undefined) {
      const isKnown = name === HEADING || name.startsWith('records/') || name.endsWith('/')
      if (!isKnown) problems.push(`Udrix does not know the file ${name} in an archive.`)
      continue
    }
    // A box in the middle of being drawn may not hang together yet, and is kept all the same.
    const box = parseBoxFile(strFromU8(content))
    const record = recordSchema.safeParse(parseJson(files[`records/${id}.json`]))
    if (!box.ok)
      for (const { path, message } of box.issues)
        problems.push(`${name}: ${[path.join(' › '), message].filter(Boolean).join(': ')}`)
    else if (!record.success)
      problems.push(
        `records/${id}.json: ${record.error.issues[0]?.path.join(' › ') ?? ''} ${record.error.issues[0]?.message ?? 'missing'}`,
      )
    else opened.push({ id, draft: box.draft, record: record.data })
  }
  if (problems.length > 0) return refuse(...problems.slice(0, MOST_PROBLEMS))
  return { ok: true, boxes: opened }
}

function parseJson(content: Uint8Array | undefined): unknown {
  if (!content) return undefined
  try {
    return JSON.parse(strFromU8(content))
  } catch {
    return undefined
  }
}

/** Documents here of boxes that the archive has too, by id. */
async function documentsHere(ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const here = new Map<string, string>()
  for (let from = 0; from < ids.length; from += BATCH) {
    const rows = await db
      .select({ id: boxes.id, document: boxes.document })
      .from(boxes)
      .where(inArray(boxes.id, ids.slice(from, from + BATCH)))
    for (const { id, document } of rows) here.set(id, formatBoxFile(draftOfDocument(id, document)))
  }
  return here
}

function summarise(
  opened: readonly ArchivedBox[],
  here: ReadonlyMap<string, string>,
): ArchiveSummary {
  const named = (isIn: (box: ArchivedBox) => boolean): readonly string[] =>
    opened.filter(isIn).map(({ draft }) => draft.name)
  return {
    fresh: named(({ id }) => !here.has(id)),
    same: named(({ id, draft }) => here.get(id) === formatBoxFile(draft)),
    differing: named(({ id, draft }) => here.has(id) && here.get(id) !== formatBoxFile(draft)),
  }
}

/** What reading the archive in would do. */
export async function previewArchive(bytes: Uint8Array): Promise<ArchiveOutcome> {
  const opened = openArchive(bytes)
  if (!opened.ok) return opened
  const here = await documentsHere(opened.boxes.map(({ id }) => id))
  return { ok: true, summary: summarise(opened.boxes, here) }
}

/** Reads the archive in, all of it or nothing. */
export async function readArchive(bytes: Uint8Array): Promise<ArchiveOutcome> {
  const opened = openArchive(bytes)
  if (!opened.ok) return opened
  const here = await documentsHere(opened.boxes.map(({ id }) => id))
  const summary = summarise(opened.boxes, here)
  const incoming = opened.boxes
    .filter(({ id, draft }) => here.get(id) !== formatBoxFile(draft))
    .map((box) => {
      if (!here.has(box.id)) return box
      const name = `${box.draft.name} (from archive)`.slice(0, 120)
      return { ...box, id: uuidv7(), draft: { ...box.draft, name } }
    })
  await transact(async (tx) => {
    for (let from = 0; from < incoming.length; from += BATCH) {
      const batch = incoming.slice(from, from + BATCH)
      await tx.insert(boxes).values(
        batch.map(({ id, draft, record }) => ({
          id,
          name: draft.name,
          document: draft,
          isDemo: record.isDemo,
          revision: record.revision,
          cautionsReadAt: dateOf(record.cautionsReadAt),
          createdAt: new Date(record.createdAt),
          updatedAt: new Date(record.updatedAt),
          deletedAt: dateOf(record.deletedAt),
        })),
      )
      const history = batch.flatMap(({ id, record }) =>
        record.history.map(({ at, ...revision }) => ({ ...revision, boxId: id, at: new Date(at) })),
      )
      for (let first = 0; first < history.length; first += BATCH)
        await tx.insert(boxRevisions).values(history.slice(first, first + BATCH))
    }
  })
  return { ok: true, summary }
}

function dateOf(text: string | null): Date | null {
  return text === null ? null : new Date(text)
}
