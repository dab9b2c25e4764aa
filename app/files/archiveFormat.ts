/**
 * Everything in the database as one ZIP archive. Version 2:
 *
 *   udrix-archive.json        heading: format, version, when it was made, how much there is
 *   shop.json                 the shelf and the rules of the shop
 *   boxes/ID.json             each box as a box file
 *   records/ID.json           what is known of it besides
 *   history/ID.ndjson         its edits, one a line
 *   jobs/ID.json              each job, with the list of its photographs
 *   entries/ID.ndjson         the log of that job, one entry a line
 *   photographs/ID.jpg        each photograph, as .jpg, .png or .webp
 *   checksums.sha256          of all the others, as `sha256sum` writes them
 *
 * Version 1 had boxes and records only, with the history inside the record.
 */
import { z } from 'zod'

import { draftSchema } from './boxFile.ts'
import { keptOriginSchema } from './editOrigin.ts'
import { entryBodySchema } from './jobEntry.ts'
import { PHOTO_TYPES } from './photo.ts'

export const FORMAT = 'udrix-archive'
export const VERSION = 2
export const HEADING = 'udrix-archive.json'
export const SHOP = 'shop.json'
export const CHECKSUMS = 'checksums.sha256'

/** What a file that is read whole may come to. */
export const LARGEST_FILE_BYTES = 32_000_000
/** A record of version 1 has the whole history in it. */
export const LARGEST_RECORD_1_BYTES = 200_000_000
/** A line of a history holds a box as it was. */
export const LONGEST_LINE_CHARACTERS = 4_000_000

const moment = z.iso.datetime()
/** As many as the database counts. */
const revisionNumber = z.int32().min(1)

/** How much of each there is in an archive. */
const countsSchema = z.object({
  boxes: z.int().min(0),
  revisions: z.int().min(0),
  jobs: z.int().min(0),
  entries: z.int().min(0),
  photographs: z.int().min(0),
})
export type Counts = z.infer<typeof countsSchema>

export const headingSchema = z.object({
  format: z.literal(FORMAT),
  version: z.number(),
  counts: countsSchema.optional(),
})

export const shopSchema = z.array(
  z.strictObject({ name: z.string().min(1).max(60), document: z.unknown() }),
)

export const revisionSchema = z.strictObject({
  revision: revisionNumber,
  edit: z.looseObject({ kind: z.string() }),
  isApplied: z.boolean(),
  origin: keptOriginSchema,
  documentBefore: draftSchema,
  at: moment,
})
export type ArchivedRevision = z.infer<typeof revisionSchema>

const recordFields = {
  isDemo: z.boolean(),
  revision: revisionNumber,
  cautionsReadAt: moment.nullable(),
  createdAt: moment,
  updatedAt: moment,
  deletedAt: moment.nullable(),
}
export const recordSchema = z.strictObject(recordFields)
export type ArchivedRecord = z.infer<typeof recordSchema>
/** As version 1 had it. */
export const record1Schema = z.strictObject({ ...recordFields, history: z.array(revisionSchema) })

const photographSchema = z.strictObject({
  id: z.uuid(),
  contentType: z.enum([...PHOTO_TYPES.values()]),
  width: z.int().min(1).max(100_000),
  height: z.int().min(1).max(100_000),
  isWithdrawn: z.boolean(),
})
export type ArchivedPhotograph = z.infer<typeof photographSchema>

export const jobSchema = z.strictObject({
  boxId: z.uuid(),
  number: z.int().min(1).max(1_000_000),
  openedAt: moment,
  photographs: z.array(photographSchema).max(100_000),
})
export type ArchivedJob = z.infer<typeof jobSchema>

export const archivedEntrySchema = z.strictObject({
  id: z.uuid(),
  at: moment,
  deviceAt: moment.nullable(),
  receivedAt: moment,
  by: z.string().max(4),
  body: entryBodySchema,
})
export type ArchivedEntry = z.infer<typeof archivedEntrySchema>

const EXTENSIONS: ReadonlyMap<string, string> = new Map([
  ['image/jpeg', 'jpg'],
  ['image/png', 'png'],
  ['image/webp', 'webp'],
])

/** Where a photograph stands in an archive. */
export function photographName({
  id,
  contentType,
}: {
  readonly id: string
  readonly contentType: string
}): string {
  return `photographs/${id}.${EXTENSIONS.get(contentType) ?? 'bin'}`
}

const ID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}'
const KNOWN = new RegExp(
  `^(?:udrix-archive\\.json|shop\\.json|checksums\\.sha256|(?:boxes|records|jobs)/${ID}\\.json|(?:history|entries)/${ID}\\.ndjson|photographs/${ID}\\.(?:jpg|png|webp)|[a-z]+/)$`,
)

/** Whether Udrix writes files of that name into archives. */
export function isKnownName(name: string): boolean {
  return KNOWN.test(name)
}

/** The id in the name of a file in a folder of the archive; undefined for other files. */
export function idIn(folder: string, name: string): string | undefined {
  return new RegExp(`^${folder}/(${ID})\\.`).exec(name)?.[1]
}
