/** Writes an archive as a stream, one row after another. */
import { createHash } from 'node:crypto'
import { PassThrough, Readable, Transform } from 'node:stream'
import type { Writable } from 'node:stream'
import { finished, pipeline } from 'node:stream/promises'

import { asc, eq, gt } from 'drizzle-orm'
import { ZipFile } from 'yazl'

import { formatBoxFile } from '../../files/boxFile.ts'
import type { Queries } from '../db/client.ts'
import { transact } from '../db/client.ts'
import { draftOfDocument } from '../db/documents.ts'
import { boxRevisions } from '../db/tables/boxRevisions.ts'
import { boxes } from '../db/tables/boxes.ts'
import { jobEntries } from '../db/tables/jobEntries.ts'
import { jobPhotos } from '../db/tables/jobPhotos.ts'
import { jobs } from '../db/tables/jobs.ts'
import { shop } from '../db/tables/shop.ts'
import type {
  ArchivedJob,
  ArchivedPhotograph,
  ArchivedRecord,
  Counts,
} from '../../files/archiveFormat.ts'
import {
  CHECKSUMS,
  FORMAT,
  HEADING,
  SHOP,
  VERSION,
  fileName,
  isOptional,
  linesOf,
  photographName,
} from '../../files/archiveFormat.ts'
import type { Progress } from './progress.ts'
import { BATCH, ROWS } from './rows.ts'

/** Gives a stream to the ZIP file, whose list of entries would keep it until the end. */
function givenOnce(stream: Readable): (take: (error: null, stream: Readable) => void) => void {
  const streams = [stream]
  return (take) => {
    for (const given of streams.splice(0)) take(null, given)
  }
}

/** A ZIP file that is written one file after the other, with the checksum of each. */
class Archive {
  readonly #zip = new ZipFile()
  readonly #checksums: string[] = []
  /** The file that is being taken now; it breaks off when nobody reads the archive. */
  #taken: PassThrough | undefined
  readonly written: Promise<void>

  constructor(output: Writable) {
    this.written = pipeline(this.#zip.outputStream, output)
    this.written.catch((error: unknown) => {
      this.#taken?.destroy(error instanceof Error ? error : new Error(String(error)))
    })
  }

  /** Adds a file and waits until its content has been taken. */
  async add(name: string, content: Readable, compress = true): Promise<void> {
    const hash = createHash('sha256')
    const through = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        hash.update(chunk)
        done(null, chunk)
      },
    })
    const taken = new PassThrough()
    this.#taken = taken
    this.#zip.addReadStreamLazy(name, { compress }, givenOnce(taken))
    await Promise.all([finished(taken), pipeline(content, through, taken)])
    this.#checksums.push(`${hash.digest('hex')}  ${name}\n`)
  }

  addText(name: string, text: string): Promise<void> {
    return this.add(name, Readable.from([Buffer.from(text)]))
  }

  addJson(name: string, content: unknown): Promise<void> {
    return this.addText(name, `${JSON.stringify(content, null, 2)}\n`)
  }

  async end(): Promise<void> {
    const list = Readable.from([Buffer.from(this.#checksums.join(''))])
    this.#zip.addReadStream(list, CHECKSUMS)
    this.#zip.end()
    await this.written
  }
}

async function countAll(tx: Queries): Promise<Counts> {
  return {
    boxes: await tx.$count(boxes),
    revisions: await tx.$count(boxRevisions),
    jobs: await tx.$count(jobs),
    entries: await tx.$count(jobEntries),
    photographs: await tx.$count(jobPhotos),
  }
}

/** Writes what an owner has of each kind that is one record a line. */
async function addLines(
  tx: Queries,
  archive: Archive,
  owner: 'box' | 'job',
  id: string,
): Promise<void> {
  for (const kind of linesOf(owner)) {
    const first = await ROWS[kind].after(tx, id, 0)
    if (first.length === 0 && isOptional(kind)) continue
    const pages = async function* (): AsyncGenerator<Buffer> {
      for (let rows = first, last = rows.at(-1); last; last = rows.at(-1)) {
        yield Buffer.from(rows.map(({ line }) => `${JSON.stringify(line)}\n`).join(''))
        rows = await ROWS[kind].after(tx, id, last.place)
      }
    }
    await archive.add(fileName(kind, id), Readable.from(pages()))
  }
}

async function addBoxes(tx: Queries, archive: Archive, onBox: () => void): Promise<void> {
  for (let after: string | undefined; ;) {
    const rows = await tx
      .select()
      .from(boxes)
      .where(after === undefined ? undefined : gt(boxes.id, after))
      .orderBy(asc(boxes.id))
      .limit(BATCH)
    for (const { id, document, isDemo, revision, ...row } of rows) {
      const record: ArchivedRecord = {
        isDemo,
        revision,
        cautionsReadAt: row.cautionsReadAt?.toISOString() ?? null,
        createdAt: row.createdAt.toISOString(),
        updatedAt: row.updatedAt.toISOString(),
        deletedAt: row.deletedAt?.toISOString() ?? null,
      }
      await archive.addText(fileName('boxes', id), formatBoxFile(draftOfDocument(id, document)))
      await archive.addJson(fileName('records', id), record)
      await addLines(tx, archive, 'box', id)
      onBox()
    }
    after = rows.at(-1)?.id
    if (after === undefined) return
  }
}

async function addJobs(
  tx: Queries,
  archive: Archive,
  onDone: (what: 'job' | 'photograph') => void,
): Promise<void> {
  for (let after: string | undefined; ;) {
    const rows = await tx
      .select()
      .from(jobs)
      .where(after === undefined ? undefined : gt(jobs.id, after))
      .orderBy(asc(jobs.id))
      .limit(BATCH)
    for (const { id, boxId, number, openedAt } of rows) {
      const { bytes: _bytes, jobId: _jobId, ...columns } = photoColumns
      const photographs: ArchivedPhotograph[] = await tx
        .select(columns)
        .from(jobPhotos)
        .where(eq(jobPhotos.jobId, id))
        .orderBy(asc(jobPhotos.id))
      const job: ArchivedJob = { boxId, number, openedAt: openedAt.toISOString(), photographs }
      await archive.addJson(fileName('jobs', id), job)
      await addLines(tx, archive, 'job', id)
      for (const photograph of photographs) {
        const [row] = await tx
          .select({ bytes: jobPhotos.bytes })
          .from(jobPhotos)
          .where(eq(jobPhotos.id, photograph.id))
        // Pictures are packed already.
        await archive.add(photographName(photograph), Readable.from([row?.bytes]), false)
        onDone('photograph')
      }
      onDone('job')
    }
    after = rows.at(-1)?.id
    if (after === undefined) return
  }
}

const photoColumns = {
  id: jobPhotos.id,
  jobId: jobPhotos.jobId,
  contentType: jobPhotos.contentType,
  width: jobPhotos.width,
  height: jobPhotos.height,
  bytes: jobPhotos.bytes,
  isWithdrawn: jobPhotos.isWithdrawn,
}

/**
 * Writes everything as it is at one moment. `onProgress` hears first how much there is,
 * before anything is written.
 */
export async function writeArchive(
  output: Writable,
  now: Date,
  onProgress: (progress: Progress) => void = () => undefined,
): Promise<void> {
  await transact(
    async (tx) => {
      const counts = await countAll(tx)
      const total = counts.boxes + counts.jobs + counts.photographs
      let done = 0
      onProgress({ done, total })
      const step = () => {
        done += 1
        onProgress({ done, total })
      }
      const archive = new Archive(output)
      await archive.addJson(HEADING, { format: FORMAT, version: VERSION, madeAt: now, counts })
      await archive.addJson(SHOP, await tx.select().from(shop).orderBy(asc(shop.name)))
      await addBoxes(tx, archive, step)
      await addJobs(tx, archive, step)
      await archive.end()
    },
    { isSnapshot: true, isLong: true },
  )
}
