/**
 * Everything in the database as one ZIP archive, version 2 (older ones: `app/.server/archive/older.ts`):
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
/** A line of a history holds a box as it was. */
export const LONGEST_LINE_CHARACTERS = 4_000_000

const moment = z.iso.datetime()
/** As many as the database counts. */
const revisionNumber = z.int32().min(1)

export const headingSchema = z.object({ format: z.literal(FORMAT), version: z.number() })

const shopSchema = z.array(
  z.strictObject({ name: z.string().min(1).max(60), document: z.unknown() }),
)

const revisionSchema = z.strictObject({
  revision: revisionNumber,
  edit: z.looseObject({ kind: z.string() }),
  isApplied: z.boolean(),
  origin: keptOriginSchema,
  documentBefore: draftSchema,
  at: moment,
})
export type ArchivedRevision = z.infer<typeof revisionSchema>

const recordSchema = z.strictObject({
  isDemo: z.boolean(),
  revision: revisionNumber,
  cautionsReadAt: moment.nullable(),
  createdAt: moment,
  updatedAt: moment,
  deletedAt: moment.nullable(),
})
export type ArchivedRecord = z.infer<typeof recordSchema>

const photographSchema = z.strictObject({
  id: z.uuid(),
  contentType: z.enum([...PHOTO_TYPES.values()]),
  width: z.int().min(1).max(100_000),
  height: z.int().min(1).max(100_000),
  isWithdrawn: z.boolean(),
})
export type ArchivedPhotograph = z.infer<typeof photographSchema>

const jobSchema = z.strictObject({
  boxId: z.uuid(),
  number: z.int().min(1).max(1_000_000),
  openedAt: moment,
  photographs: z.array(photographSchema).max(100_000),
})
export type ArchivedJob = z.infer<typeof jobSchema>

const archivedEntrySchema = z.strictObject({
  id: z.uuid(),
  at: moment,
  deviceAt: moment.nullable(),
  receivedAt: moment,
  by: z.string().max(4),
  body: entryBodySchema,
})
export type ArchivedEntry = z.infer<typeof archivedEntrySchema>

const ENDINGS: ReadonlyMap<string, string> = new Map([
  ['image/jpeg', 'jpg'],
  ['image/png', 'png'],
  ['image/webp', 'webp'],
])

interface ArchivedFile {
  /** Whose it is: one file of the shop, or one for each box or job. */
  readonly of: 'shop' | 'box' | 'job'
  readonly endings: readonly string[]
  /** Whether there is no file where it would be empty. */
  readonly isOptional?: true
  /** What the file holds or, of lines, each of them. */
  readonly schema?: z.ZodType
  /** What the heading counts of it. */
  readonly counted?: string
  /** What one and several are called to whoever reads an archive in. */
  readonly words?: readonly [one: string, several: string]
}

const JSON_FILE = ['json'] as const
/** One record a line. */
const LINES = ['ndjson'] as const

/**
 * Every kind of file in an archive besides its heading and its checksums, in the order in which
 * they are written: what a file is of comes before it. A kind of `LINES` is written and read as
 * `app/.server/archive/rows.ts` says of it.
 */
export const FILES = {
  shop: { of: 'shop', endings: JSON_FILE, schema: shopSchema },
  boxes: { of: 'box', endings: JSON_FILE, counted: 'boxes' },
  records: { of: 'box', endings: JSON_FILE, schema: recordSchema },
  history: {
    of: 'box',
    endings: LINES,
    isOptional: true,
    schema: revisionSchema,
    counted: 'revisions',
  },
  jobs: { of: 'job', endings: JSON_FILE, schema: jobSchema, counted: 'jobs' },
  entries: {
    of: 'job',
    endings: LINES,
    schema: archivedEntrySchema,
    counted: 'entries',
    words: ['entry', 'entries'],
  },
  photographs: {
    of: 'job',
    endings: [...ENDINGS.values()],
    counted: 'photographs',
    words: ['photograph', 'photographs'],
  },
} as const satisfies Readonly<Record<string, ArchivedFile>>
type FileKind = keyof typeof FILES

/** Kinds that are one record a line. */
export type LinesKind = {
  [K in FileKind]: (typeof FILES)[K]['endings'] extends typeof LINES ? K : never
}[FileKind]

/** A line of such a file. */
export type Line<K extends LinesKind> = z.infer<(typeof FILES)[K]['schema']>

const kinds: readonly (readonly [FileKind, ArchivedFile])[] = Object.entries(FILES) as readonly [
  FileKind,
  ArchivedFile,
][]

/** Kinds that are one record a line, of a box or of a job, in the order of their files. */
export function linesOf(owner: 'box' | 'job'): readonly LinesKind[] {
  return kinds
    .filter(([, { of, endings }]) => of === owner && endings === LINES)
    .map(([kind]) => kind as LinesKind)
}

/** Whether an archive has no file of a kind where that would be empty. */
export function isOptional(kind: LinesKind): boolean {
  const file: ArchivedFile = FILES[kind]
  return file.isOptional === true
}

/** What jobs here can gain by an archive, and what that is called. */
export const GAINED = kinds.flatMap(([kind, { words }]) => (words ? [{ kind, words }] : []))

/** How much there is of what the heading counts. */
export type Counts = Readonly<
  Record<Extract<(typeof FILES)[FileKind], { counted: string }>['counted'], number>
>

/** Where what is of a box or a job stands in an archive. */
export function fileName(kind: Exclude<FileKind, 'shop' | 'photographs'>, id: string): string {
  return `${kind}/${id}.${FILES[kind].endings[0]}`
}

/** Where a photograph stands in an archive. */
export function photographName({
  id,
  contentType,
}: {
  readonly id: string
  readonly contentType: string
}): string {
  return `photographs/${id}.${ENDINGS.get(contentType) ?? 'bin'}`
}

const ID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}'
const KNOWN = new RegExp(
  `^(?:${[
    ...[HEADING, SHOP, CHECKSUMS].map((name) => name.replaceAll('.', '\\.')),
    ...kinds
      .filter(([, { of }]) => of !== 'shop')
      .map(([kind, { endings }]) => `${kind}/${ID}\\.(?:${endings.join('|')})`),
    '[a-z]+/',
  ].join('|')})$`,
)

/** Whether Udrix writes files of that name into archives. */
export function isKnownName(name: string): boolean {
  return KNOWN.test(name)
}

/** The id in the name of a file of a kind; undefined for other files. */
export function idIn(kind: FileKind, name: string): string | undefined {
  return new RegExp(`^${kind}/(${ID})\\.`).exec(name)?.[1]
}
