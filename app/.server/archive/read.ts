/**
 * Reads an archive in, all of it or nothing. Nothing that is here is written over: a box
 * that is not here comes in whole; one that is here as it is in the archive stays; one that
 * differs comes in beside it, under an id that follows from its content, so that the same
 * archive read again finds it there. The log of a job only ever grows, so what a job here
 * lacks is added to it.
 */
import { createHash } from 'node:crypto'

import { eq, inArray, isNull, and, ne, sql } from 'drizzle-orm'
import { v5 as uuidv5 } from 'uuid'
import type { z } from 'zod'

import type { BoxDraft, Entry } from 'core'
import { readJob } from 'core'

import type { ArchiveOutcome, ArchiveSummary, Named } from '../../files/archiveTask.ts'
import { LARGEST_BOX_FILE_BYTES, formatBoxFile, parseBoxFile } from '../../files/boxFile.ts'
import { LARGEST_PHOTO_BYTES } from '../../files/photo.ts'
import { nameWith, parseJson } from '../../files/text.ts'
import type { Queries } from '../db/client.ts'
import { isDatabaseOutage, transact } from '../db/client.ts'
import { draftOfDocument, bodyOfColumn } from '../db/documents.ts'
import { boxes } from '../db/tables/boxes.ts'
import { jobEntries } from '../db/tables/jobEntries.ts'
import { jobPhotos } from '../db/tables/jobPhotos.ts'
import { jobs } from '../db/tables/jobs.ts'
import { shop } from '../db/tables/shop.ts'
import { EVERYTHING, announce } from '../events.ts'
import { log } from '../log.ts'
import { pictureType } from '../pictures/look.ts'
import type {
  ArchivedJob,
  ArchivedPhotograph,
  ArchivedRecord,
  Line,
  LinesKind,
} from '../../files/archiveFormat.ts'
import {
  CHECKSUMS,
  FILES,
  GAINED,
  HEADING,
  LARGEST_FILE_BYTES,
  LONGEST_LINE_CHARACTERS,
  SHOP,
  VERSION,
  fileName,
  headingSchema,
  idIn,
  isKnownName,
  isOptional,
  linesOf,
  photographName,
} from '../../files/archiveFormat.ts'
import { filesOf } from './older.ts'
import type { Progress } from './progress.ts'
import type { Rows } from './rows.ts'
import { BATCH, ROWS } from './rows.ts'
import type { ArchiveFiles } from './zip.ts'
import { ArchiveProblem, ZipReader } from './zip.ts'

/** Problems told before the rest is not looked for any more. */
const MOST_PROBLEMS = 20
const LONGEST_REASON = 200
/** Names told of each kind. */
const MOST_NAMES = 30
/** Any fixed one: ids of boxes that come in beside another follow from it. */
const BESIDE = '6f1d5f0e-6f3c-4b56-9d0f-6d3b1f1a4700'

/** Ends the reading once enough is known to be wrong. */
class Enough extends Error {}

/** Rolls back what a reading with problems has done so far. */
class NotIn extends Error {}

type Kind = 'fresh' | 'same' | 'differing'

/** One reading of one archive; with `isWriting` false it only looks. */
class Reading {
  readonly problems: string[] = []
  readonly #files: ArchiveFiles
  readonly #tx: Queries
  readonly #isWriting: boolean
  readonly #step: () => void
  readonly #names: Record<Kind, string[]> = { fresh: [], same: [], differing: [] }
  readonly #counts: Record<Kind, number> = { fresh: 0, same: 0, differing: 0 }
  readonly #jobs = { fresh: 0, grown: 0 }
  readonly #gained = new Map<string, number>()
  readonly #shop = { fresh: 0, kept: 0 }

  constructor(files: ArchiveFiles, tx: Queries, isWriting: boolean, step: () => void) {
    this.#files = files
    this.#tx = tx
    this.#isWriting = isWriting
    this.#step = step
  }

  get summary(): ArchiveSummary {
    const named = (kind: Kind): Named => ({
      count: this.#counts[kind],
      names: this.#names[kind],
    })
    return {
      fresh: named('fresh'),
      same: named('same'),
      differing: named('differing'),
      freshJobs: this.#jobs.fresh,
      grownJobs: this.#jobs.grown,
      gained: GAINED.map(({ kind, words: [one, several] }) => {
        const count = this.#gained.get(kind) ?? 0
        return { count, what: count === 1 ? one : several }
      }),
      freshShop: this.#shop.fresh,
      keptShop: this.#shop.kept,
    }
  }

  #problem(sentence: string): void {
    this.problems.push(sentence)
    if (this.problems.length >= MOST_PROBLEMS) throw new Enough()
  }

  /** Content of a shape, or undefined once the problem with it is told. */
  #parsed<Schema extends z.ZodType>(
    name: string,
    text: string,
    schema: Schema,
  ): z.infer<Schema> | undefined {
    const json = parseJson(text)
    if (!json.ok) {
      this.#problem(`${name} is not JSON.`)
      return undefined
    }
    const parsed = schema.safeParse(json.content)
    if (parsed.success) return parsed.data
    const [issue] = parsed.error.issues
    this.#problem(
      `${name}: ${[issue?.path.join(' › '), issue?.message].filter(Boolean).join(': ')}`,
    )
    return undefined
  }

  /**
   * Runs a step on a file; what is wrong with the archive there is told, and the reading goes on.
   * After anything else, such as what the database does not take, no more can be read.
   */
  async attempt(name: string, work: () => Promise<void>): Promise<void> {
    try {
      await work()
    } catch (error) {
      if (error instanceof Enough || isDatabaseOutage(error)) throw error
      if (!(error instanceof ArchiveProblem)) {
        log.error({ err: error, file: name }, 'a file of an archive cannot be read in')
        this.problems.push(
          `${name} cannot be read in: ${reasonOf(error)}. The server’s log says more.`,
        )
        throw new Enough()
      }
      this.#problem(error.message)
    }
    this.#step()
  }

  async box(id: string): Promise<void> {
    const name = fileName('boxes', id)
    const box = parseBoxFile(await this.#files.text(name, LARGEST_BOX_FILE_BYTES))
    if (!box.ok) {
      for (const { path, message } of box.issues)
        this.#problem(`${name}: ${[path.join(' › '), message].filter(Boolean).join(': ')}`)
      return
    }
    const recordName = fileName('records', id)
    const text = await this.#files.text(recordName, LARGEST_FILE_BYTES)
    const record = this.#parsed(recordName, text, FILES.records.schema)
    if (record) await this.#takeBox(id, box.draft, record)
  }

  /** What a box is to those that are here, and under which id and name it would come in. */
  async #place(
    id: string,
    draft: BoxDraft,
  ): Promise<{ readonly kind: Kind; readonly id: string; readonly draft: BoxDraft }> {
    const text = formatBoxFile(draft)
    const digest = createHash('sha256').update(text).digest('hex')
    const besideId = uuidv5(`${id} ${digest}`, BESIDE)
    const rows = await this.#tx
      .select({ id: boxes.id, document: boxes.document })
      .from(boxes)
      .where(inArray(boxes.id, [id, besideId]))
    const here = rows.find((row) => row.id === id)
    if (!here) return { kind: 'fresh', id, draft }
    const isSame =
      formatBoxFile(draftOfDocument(id, here.document)) === text ||
      rows.some((row) => row.id === besideId)
    if (isSame) return { kind: 'same', id, draft }
    const name = nameWith(draft.name, ' (from archive)')
    return { kind: 'differing', id: besideId, draft: { ...draft, name } }
  }

  async #takeBox(archivedId: string, archived: BoxDraft, record: ArchivedRecord): Promise<void> {
    const { kind, id, draft } = await this.#place(archivedId, archived)
    this.#counts[kind] += 1
    if (this.#names[kind].length < MOST_NAMES) this.#names[kind].push(archived.name)
    const isTaken = this.#isWriting && kind !== 'same'
    if (isTaken)
      await this.#tx.insert(boxes).values({
        id,
        name: draft.name,
        document: draft,
        isDemo: record.isDemo,
        revision: record.revision,
        cautionsReadAt: dateOf(record.cautionsReadAt),
        createdAt: new Date(record.createdAt),
        updatedAt: new Date(record.updatedAt),
        deletedAt: dateOf(record.deletedAt),
      })
    for (const kind of linesOf('box')) await this.#takeLines(kind, archivedId, id, isTaken)
  }

  /**
   * The records of a kind that their owner lacks, put in where `isTaken`; how many there are.
   * Their file is the one of `archivedId`.
   */
  async #takeLines(
    kind: LinesKind,
    archivedId: string,
    owner: string,
    isTaken: boolean,
  ): Promise<number> {
    const name = fileName(kind, archivedId)
    if (isOptional(kind) && !this.#files.has(name)) return 0
    // Of one kind, whichever it is.
    const { missing, put } = ROWS[kind] as Rows<Line<LinesKind>>
    const seen = new Set<string>()
    let fresh = 0
    await inBatches(this.#lines(kind, name), async (batch) => {
      for (const line of batch) {
        if (!('id' in line)) continue
        if (seen.has(line.id)) throw new ArchiveProblem(`${name}: ${line.id} stands twice.`)
        seen.add(line.id)
      }
      const lacking = await missing(this.#tx, owner, batch)
      fresh += lacking.length
      if (isTaken && lacking.length > 0) await put(this.#tx, owner, lacking)
    })
    return fresh
  }

  async *#lines(kind: LinesKind, name: string): AsyncGenerator<Line<LinesKind>> {
    for await (const text of this.#files.lines(name, LONGEST_LINE_CHARACTERS)) {
      const line = this.#parsed(name, text, FILES[kind].schema)
      if (line) yield line
    }
  }

  async job(id: string): Promise<void> {
    const name = fileName('jobs', id)
    const text = await this.#files.text(name, LARGEST_FILE_BYTES)
    const job = this.#parsed(name, text, FILES.jobs.schema)
    if (!job) return
    const [here] = await this.#tx.select({ boxId: jobs.boxId }).from(jobs).where(eq(jobs.id, id))
    if (here && here.boxId !== job.boxId)
      throw new ArchiveProblem(`${name} is of another box than the job of that id here.`)
    if (!here && !(await this.#hasBox(job.boxId)))
      throw new ArchiveProblem(`${name} is of a box that is neither here nor in the archive.`)
    // A box that could not be read has no place for its jobs either.
    if (this.#isWriting && this.problems.length > 0) return
    if (this.#isWriting && !here) await this.#openJob(id, job)
    let gained = 0
    const gain = (kind: string, count: number): void => {
      gained += count
      this.#gained.set(kind, (this.#gained.get(kind) ?? 0) + count)
    }
    for (const kind of linesOf('job'))
      gain(kind, await this.#takeLines(kind, id, id, this.#isWriting))
    gain('photographs', await this.#takePhotographs(id, job.photographs))
    if (this.#isWriting && (!here || gained > 0)) await this.#settleJob(id, job.boxId)
    if (!here) this.#jobs.fresh += 1
    else if (gained > 0) this.#jobs.grown += 1
  }

  async #hasBox(id: string): Promise<boolean> {
    return (
      this.#files.has(fileName('boxes', id)) || (await this.#tx.$count(boxes, eq(boxes.id, id))) > 0
    )
  }

  /** Put in as closed; what its log says of that follows once it is in. */
  async #openJob(id: string, { boxId, number, openedAt }: ArchivedJob): Promise<void> {
    const [taken] = await this.#tx
      .select({
        isTaken: sql<boolean>`coalesce(bool_or(${jobs.number} = ${number}), false)`,
        last: sql<number>`coalesce(max(${jobs.number}), 0)::int`,
      })
      .from(jobs)
      .where(eq(jobs.boxId, boxId))
    await this.#tx.insert(jobs).values({
      id,
      boxId,
      number: taken?.isTaken ? taken.last + 1 : number,
      openedAt: new Date(openedAt),
      closedAt: new Date(),
    })
  }

  async #takePhotographs(
    jobId: string,
    photographs: readonly ArchivedPhotograph[],
  ): Promise<number> {
    const seen = new Set<string>()
    let fresh = 0
    for (const photograph of photographs) {
      const name = photographName(photograph)
      const bytes = await this.#files.bytes(name, LARGEST_PHOTO_BYTES)
      if ((await pictureType(bytes)) !== photograph.contentType)
        throw new ArchiveProblem(`${name} is not the picture that its name says.`)
      this.#step()
      const [here] = await this.#tx
        .select({ jobId: jobPhotos.jobId, isSame: sql<boolean>`${jobPhotos.bytes} = ${bytes}` })
        .from(jobPhotos)
        .where(eq(jobPhotos.id, photograph.id))
      if (here && !(here.jobId === jobId && here.isSame))
        throw new ArchiveProblem(`${name}: under its id another photograph is kept here.`)
      if (here || seen.has(photograph.id)) continue
      seen.add(photograph.id)
      fresh += 1
      if (this.#isWriting) await this.#tx.insert(jobPhotos).values({ ...photograph, jobId, bytes })
    }
    return fresh
  }

  /** Makes the row of a job say what its log says; a second open job of a box is closed. */
  async #settleJob(id: string, boxId: string): Promise<void> {
    const rows = await this.#tx.select().from(jobEntries).where(eq(jobEntries.jobId, id))
    const log = rows.map(({ at, by, body, ...row }): Entry => ({
      id: row.id,
      at: at.toISOString(),
      by,
      body: bodyOfColumn(row.id, body),
    }))
    const isOpen = !readJob(log).isClosed
    const isOtherOpen =
      (await this.#tx.$count(
        jobs,
        and(eq(jobs.boxId, boxId), isNull(jobs.closedAt), ne(jobs.id, id)),
      )) > 0
    if (isOpen && isOtherOpen)
      await this.#tx
        .insert(jobEntries)
        .values({
          id: uuidv5(`close ${rows.length}`, id),
          jobId: id,
          at: new Date(),
          by: '',
          body: {
            kind: 'close',
            leftOut: 'It came in from an archive while another job was open.',
          },
        })
        .onConflictDoNothing({ target: jobEntries.id })
    await this.#tx
      .update(jobs)
      .set({ closedAt: isOpen && !isOtherOpen ? null : new Date() })
      .where(eq(jobs.id, id))
    await this.#tx
      .update(boxes)
      .set({ jobsRevision: sql`${boxes.jobsRevision} + 1` })
      .where(eq(boxes.id, boxId))
  }

  async shop(): Promise<void> {
    const text = await this.#files.text(SHOP, LARGEST_FILE_BYTES)
    const seen = new Set<string>()
    for (const { name, document } of this.#parsed(SHOP, text, FILES.shop.schema) ?? []) {
      if (seen.has(name)) throw new ArchiveProblem(`${SHOP}: ${name} stands twice.`)
      seen.add(name)
      const [here] = await this.#tx
        .select({ isSame: sql<boolean>`${shop.document} = ${JSON.stringify(document)}::jsonb` })
        .from(shop)
        .where(eq(shop.name, name))
      if (here) this.#shop.kept += here.isSame ? 0 : 1
      else {
        this.#shop.fresh += 1
        if (this.#isWriting) await this.#tx.insert(shop).values({ name, document })
      }
    }
  }
}

/** What an error says, the innermost first: the database says it of its own, inside the query's. */
function reasonOf(error: unknown): string {
  const inner = error instanceof Error && error.cause instanceof Error ? error.cause : error
  return inner instanceof Error ? inner.message.slice(0, LONGEST_REASON) : 'it is not known why'
}

function dateOf(text: string | null): Date | null {
  return text === null ? null : new Date(text)
}

async function inBatches<Row>(
  rows: Iterable<Row> | AsyncIterable<Row>,
  take: (batch: readonly Row[]) => Promise<void>,
): Promise<void> {
  let batch: Row[] = []
  for await (const row of rows) {
    batch.push(row)
    if (batch.length < BATCH) continue
    await take(batch)
    batch = []
  }
  if (batch.length > 0) await take(batch)
}

/** The files of an archive, as this version writes them, with their checksums made sure of. */
async function openArchive(zip: ZipReader): Promise<ArchiveFiles> {
  if (!zip.has(HEADING))
    throw new ArchiveProblem(`There is no ${HEADING} in this archive, so Udrix did not write it.`)
  const json = parseJson(await zip.text(HEADING, LARGEST_FILE_BYTES))
  const heading = headingSchema.safeParse(json.ok ? json.content : undefined)
  if (!heading.success)
    throw new ArchiveProblem(`There is no ${HEADING} in this archive, so Udrix did not write it.`)
  const { version } = heading.data
  const files = filesOf(zip, version)
  if (version === VERSION) await expectChecksums(zip)
  return files
}

/** From here on a changed byte is noticed, and so is a file that was added or taken out. */
async function expectChecksums(zip: ZipReader): Promise<void> {
  if (!zip.has(CHECKSUMS))
    throw new ArchiveProblem(`${CHECKSUMS} is missing: the archive was broken off or changed.`)
  const stated = new Map<string, string>()
  for await (const line of zip.lines(CHECKSUMS, LONGEST_LINE_CHARACTERS)) {
    const [, digest, name] = /^([0-9a-f]{64}) {2}(.+)$/.exec(line) ?? []
    if (digest !== undefined && name !== undefined) stated.set(name, digest)
  }
  for (const name of stated.keys())
    if (!zip.has(name)) throw new ArchiveProblem(`${name} is missing in this archive.`)
  for (const name of zip.names)
    if (name !== CHECKSUMS && !name.endsWith('/') && !stated.has(name))
      throw new ArchiveProblem(
        `${name} was not in this archive when Udrix wrote it. Take out an archive anew.`,
      )
  zip.expect(stated)
}

async function readAll(files: ArchiveFiles, reading: Reading): Promise<void> {
  for (const name of files.names)
    if (!isKnownName(name))
      await reading.attempt(name, () =>
        Promise.reject(new ArchiveProblem(`Udrix does not know the file ${name} in an archive.`)),
      )
  const ids = (kind: 'boxes' | 'jobs'): readonly string[] =>
    files.names.flatMap((name) => idIn(kind, name) ?? []).sort()
  for (const id of ids('boxes')) await reading.attempt(fileName('boxes', id), () => reading.box(id))
  for (const id of ids('jobs')) await reading.attempt(fileName('jobs', id), () => reading.job(id))
  if (files.has(SHOP)) await reading.attempt(SHOP, () => reading.shop())
}

async function processArchive(
  path: string,
  isWriting: boolean,
  onProgress: (progress: Progress) => void,
): Promise<ArchiveOutcome> {
  let zip: ZipReader | undefined
  try {
    zip = await ZipReader.open(path)
    const files = await openArchive(zip)
    const total = files.names.filter((name) => /^(boxes|jobs|photographs)\//.test(name)).length
    let done = 0
    return await transact(
      async (tx): Promise<ArchiveOutcome> => {
        const reading = new Reading(files, tx, isWriting, () => {
          done += 1
          onProgress({ done: Math.min(done, total), total })
        })
        try {
          await readAll(files, reading)
        } catch (error) {
          if (!(error instanceof Enough)) throw error
        }
        if (reading.problems.length > 0) throw new NotIn(JSON.stringify(reading.problems))
        if (isWriting) await announce(tx, EVERYTHING)
        return { ok: true, summary: reading.summary }
      },
      { isSnapshot: !isWriting, isLong: true },
    )
  } catch (error) {
    if (error instanceof ArchiveProblem) return { ok: false, problems: [error.message] }
    // Thrown above with nothing else in it.
    if (error instanceof NotIn)
      return { ok: false, problems: JSON.parse(error.message) as readonly string[] }
    throw error
  } finally {
    zip?.close()
  }
}

/** Checks a whole archive and tells what reading it in would do. */
export function previewArchive(
  path: string,
  onProgress: (progress: Progress) => void = () => undefined,
): Promise<ArchiveOutcome> {
  return processArchive(path, false, onProgress)
}

/** Reads the archive in, all of it or nothing. */
export function readArchive(
  path: string,
  onProgress: (progress: Progress) => void = () => undefined,
): Promise<ArchiveOutcome> {
  return processArchive(path, true, onProgress)
}
