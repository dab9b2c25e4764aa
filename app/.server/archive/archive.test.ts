import { createHash } from 'node:crypto'
import fs from 'node:fs'
import os from 'node:os'
import path from 'node:path'

import { eq, getTableName, sql } from 'drizzle-orm'
import fc from 'fast-check'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import sharp from 'sharp'
import { v7 as uuidv7 } from 'uuid'

import type { Entry, EntryBody } from 'core'
import { diffDrafts, movePart, threeShaftBox } from 'core'

import { couplersOn, tangle } from '../../../core/testing/arbitraries.ts'
import type { ArchiveSummary } from '../../files/archiveTask.ts'
import { formatBoxFile } from '../../files/boxFile.ts'
import { usualShelf } from '../../files/shelf.ts'
import { listBoxes } from '../bench.ts'
import { createBox, deleteBox, editBox, findBox } from '../boxes.ts'
import { db, migrateDatabase, pool } from '../db/client.ts'
import { Unreadable } from '../db/documents.ts'
import { boxRevisions } from '../db/tables/boxRevisions.ts'
import { boxes } from '../db/tables/boxes.ts'
import { jobEntries } from '../db/tables/jobEntries.ts'
import { jobPhotos } from '../db/tables/jobPhotos.ts'
import { jobs } from '../db/tables/jobs.ts'
import { shop } from '../db/tables/shop.ts'
import { addEntries, jobsOfBox, openJob } from '../jobs.ts'
import { keepPhoto } from '../photos.ts'
import { keepRule, keepShelf } from '../shelf.ts'
import { emptyTables } from '../testing/emptyBench.ts'
import { previewArchive, readArchive } from './read.ts'
import { writeArchive } from './write.ts'

const NOW = new Date('2026-11-25T10:00:00Z')
const draft = threeShaftBox({
  name: 'archived',
  forwardCount: 4,
  directAt: 4,
  reverse: 'constant-mesh',
})
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'udrix-archive-'))
const FILE = path.join(folder, 'archive.zip')

beforeAll(() => migrateDatabase(path.resolve('app/.server/db/migrations')))
beforeEach(emptyTables)
afterAll(async () => {
  fs.rmSync(folder, { recursive: true })
  await pool.end()
})

type Files = Record<string, Uint8Array>

async function takeOut(): Promise<void> {
  await writeArchive(fs.createWriteStream(FILE), NOW)
}

/** The archive unpacked by another program, changed, and packed again. */
function repack(change: (files: Files) => void): void {
  const files = unzipSync(fs.readFileSync(FILE))
  change(files)
  fs.writeFileSync(FILE, zipSync(files))
}

/** Changes a file and states the checksum that it then has, as a careful forger would. */
function forge(files: Files, name: string, content: string): void {
  const before = createHash('sha256')
    .update(files[name] ?? '')
    .digest('hex')
  files[name] = strToU8(content)
  const after = createHash('sha256').update(content).digest('hex')
  const list = strFromU8(files['checksums.sha256'] ?? new Uint8Array())
  files['checksums.sha256'] = strToU8(list.replace(before, after))
}

async function read(): Promise<ArchiveSummary> {
  const outcome = await readArchive(FILE)
  if (!outcome.ok) throw new Error(outcome.problems.join(' '))
  return outcome.summary
}

function entry(body: EntryBody): Entry {
  return { id: uuidv7(), at: '2026-01-05T08:00:00.000Z', by: 'AB', body }
}

function picture(format: 'png' | 'jpeg'): Promise<Buffer> {
  return sharp({ create: { width: 40, height: 20, channels: 3, background: '#c84' } })
    .toFormat(format)
    .toBuffer()
}

/** A box with history, two jobs and photographs, a deleted one, and what the shop has. */
async function fillShop(): Promise<{ readonly boxId: string; readonly jobId: string }> {
  const boxId = await createBox(draft, { isDemo: true, areCautionsRead: true })
  const count = { kind: 'count', gear: 'main-1', reading: 'first', base: null } as const
  await editBox(boxId, { ...count, toothCount: 40 }, { id: uuidv7(), origin: { by: 'AB' } })
  const moved = movePart(draft, { list: 'gears', id: 'main-2' }, 3)
  await editBox(boxId, { kind: 'change', changes: diffDrafts(draft, moved) })
  // Meets the first count, and is written down without effect.
  await editBox(boxId, { ...count, toothCount: 41, reading: 'second', base: 39 })
  await editBox(boxId, { ...count, toothCount: 42, reading: 'second', base: 39 })
  await deleteBox(await createBox({ ...draft, name: 'deleted one' }))
  const first = await openJob(boxId)
  await addEntries(boxId, first?.id ?? '', [
    entry({ kind: 'note', text: 'brass in the oil' }),
    entry({ kind: 'close', leftOut: '' }),
  ])
  const second = await openJob(boxId)
  const jobId = second?.id ?? ''
  const photos = [uuidv7(), uuidv7()]
  await keepPhoto(boxId, jobId, photos[0] ?? '', await picture('png'))
  await keepPhoto(boxId, jobId, photos[1] ?? '', await picture('jpeg'))
  const shown = photos.map((photo) => entry({ kind: 'photo', photo, caption: 'ring' }))
  await addEntries(boxId, jobId, [...shown, entry({ kind: 'withdraw', entry: shown[1]?.id ?? '' })])
  await keepShelf({ ...usualShelf('in'), initials: ['AB'], currency: 'EUR' }, 'mm')
  await keepRule('ring-gap', { source: 'shop', least: '0.8', unit: 'mm' })
  return { boxId, jobId }
}

/** Everything that the database holds, but for running numbers and what is worked out anew. */
async function everything(): Promise<unknown> {
  const all = {
    boxes: await db.select().from(boxes).orderBy(boxes.id),
    revisions: await db.select().from(boxRevisions).orderBy(boxRevisions.id),
    jobs: await db.select().from(jobs).orderBy(jobs.id),
    entries: await db.select().from(jobEntries).orderBy(jobEntries.seq),
    photos: await db.select().from(jobPhotos).orderBy(jobPhotos.id),
    shop: await db.select().from(shop).orderBy(shop.name),
  }
  return {
    ...all,
    boxes: all.boxes.map(({ jobsRevision: _jobsRevision, ...rest }) => rest),
    revisions: all.revisions.map(({ id: _id, ...rest }) => rest),
    jobs: all.jobs.map(({ closedAt, ...rest }) => ({ ...rest, isClosed: closedAt !== null })),
    entries: all.entries.map(({ seq: _seq, ...rest }) => rest),
  }
}

test('another Udrix reads everything back whole', async () => {
  await fillShop()
  const before = await everything()
  await takeOut()
  await emptyTables()
  expect(await previewArchive(FILE)).toEqual({
    ok: true,
    summary: {
      fresh: { count: 2, names: ['archived', 'deleted one'] },
      same: { count: 0, names: [] },
      differing: { count: 0, names: [] },
      freshJobs: 2,
      grownJobs: 0,
      gained: [
        { count: 5, what: 'entries' },
        { count: 2, what: 'photographs' },
      ],
      freshShop: 2,
      keptShop: 0,
    },
  })
  expect(await listBoxes()).toMatchObject({ total: 0 })
  await read()
  expect(await everything()).toEqual(before)
})

test('an archive that would lack a box, or an earlier state of one, is not written', async () => {
  const { boxId } = await fillShop()
  const newer = sql`'{"overdrives": []}'::jsonb`
  await db.update(boxRevisions).set({ documentBefore: newer }).where(eq(boxRevisions.boxId, boxId))
  await expect(takeOut()).rejects.toThrow(Unreadable)
  await db.delete(boxRevisions)
  await takeOut()
  await db.update(boxes).set({ document: newer }).where(eq(boxes.id, boxId))
  await expect(takeOut()).rejects.toThrow(Unreadable)
})

test('a job in which nothing was entered has its file, and a box without edits none', async () => {
  const boxId = await createBox(draft)
  const job = await openJob(boxId)
  await takeOut()
  const names = Object.keys(unzipSync(fs.readFileSync(FILE)))
  expect(names).toContain(`entries/${job?.id ?? ''}.ndjson`)
  expect(names).not.toContain(`history/${boxId}.ndjson`)
  await emptyTables()
  expect(await read()).toMatchObject({ freshJobs: 1 })
})

test('any other program can unpack it and make sure of it', async () => {
  const { boxId } = await fillShop()
  await takeOut()
  const files = unzipSync(fs.readFileSync(FILE))
  const list = strFromU8(files['checksums.sha256'] ?? new Uint8Array())
  const stated = list
    .trimEnd()
    .split('\n')
    .map((line) => line.split('  '))
  expect(new Set(stated.map(([, name]) => name))).toEqual(
    new Set(Object.keys(files).filter((name) => name !== 'checksums.sha256')),
  )
  for (const [digest, name = ''] of stated)
    expect(
      createHash('sha256')
        .update(files[name] ?? '')
        .digest('hex'),
    ).toBe(digest)
  const box = await findBox(boxId)
  expect(strFromU8(files[`boxes/${boxId}.json`] ?? new Uint8Array())).toBe(
    box && formatBoxFile(box.draft),
  )
})

test('random boxes come back as they were', async () => {
  const drafts = fc.sample(couplersOn(tangle), 30)
  const ids = await Promise.all(drafts.map((each) => createBox(each)))
  await takeOut()
  await emptyTables()
  await read()
  for (const [at, id] of ids.entries()) expect((await findBox(id))?.draft).toEqual(drafts[at])
})

describe('what is here already', () => {
  test('stays, and what differs comes in beside it, once however often it is read', async () => {
    const same = await createBox(draft)
    const id = await createBox({ ...draft, name: 'worked on' })
    await takeOut()
    await editBox(id, { kind: 'rename', name: 'worked on further', base: 'worked on' })
    const named = (...names: string[]) => ({ count: names.length, names })
    expect(await read()).toMatchObject({
      fresh: named(),
      same: named('archived'),
      differing: named('worked on'),
    })
    expect(await read()).toMatchObject({ fresh: named(), differing: named() })
    const names = (await listBoxes()).boxes.map((box) => box.draft.name).sort()
    expect(names).toEqual(['archived', 'worked on (from archive)', 'worked on further'])
    expect((await findBox(same))?.draft).toEqual(draft)
  })

  test('a job gains what its log lacks, and loses nothing', async () => {
    const { boxId, jobId } = await fillShop()
    await takeOut()
    const later = entry({ kind: 'note', text: 'later' })
    await addEntries(boxId, jobId, [later])
    await db.execute(sql`delete from job_entries where body->>'caption' = 'ring'`)
    await db.execute(sql`delete from job_photos where content_type = 'image/png'`)
    expect(await read()).toMatchObject({
      freshJobs: 0,
      grownJobs: 1,
      gained: [
        { count: 2, what: 'entries' },
        { count: 1, what: 'photograph' },
      ],
    })
    const job = (await jobsOfBox(boxId)).find(({ id }) => id === jobId)
    expect(job?.entries.map(({ body }) => body.kind).sort()).toEqual([
      'note',
      'photo',
      'photo',
      'withdraw',
    ])
  })

  test('a second open job comes in closed, under a number of its own', async () => {
    const { boxId, jobId } = await fillShop()
    await takeOut()
    await db.execute(sql`delete from jobs where id = ${jobId}::uuid`)
    const other = await openJob(boxId)
    await read()
    const all = await jobsOfBox(boxId)
    expect(all.map(({ number }) => number)).toEqual([1, 2, 3])
    expect(all.filter(({ isClosed }) => !isClosed).map(({ id }) => id)).toEqual([other?.id])
    expect(all.at(-1)?.entries.at(-1)?.body).toMatchObject({ kind: 'close' })
  })

  test('what has the id of something else here is told, and not left out', async () => {
    const { boxId, jobId } = await fillShop()
    await takeOut()
    await db.execute(
      sql`update job_photos set bytes = 'other'::bytea where job_id = ${jobId}::uuid`,
    )
    const photo = await readArchive(FILE)
    expect(photo.ok ? '' : photo.problems.join(' ')).toContain('another photograph is kept here')
    await takeOut()
    const other = await createBox(draft)
    const elsewhere = await openJob(other)
    await db.execute(
      sql`update job_entries set job_id = ${elsewhere?.id ?? ''}::uuid where job_id = ${jobId}::uuid`,
    )
    expect(await findBox(boxId)).not.toBeNull()
    const entries = await readArchive(FILE)
    expect(entries.ok ? '' : entries.problems.join(' ')).toContain('another job has an entry here')
  })

  test('of the shop stays, and is told of where it differs', async () => {
    await fillShop()
    await takeOut()
    await keepShelf({ ...usualShelf('mm'), initials: ['CD'] }, 'mm')
    expect(await read()).toMatchObject({ freshShop: 0, keptShop: 1 })
  })
})

test('the archive keeps every table but those of what was answered and of the demo', async () => {
  const { rows } = await db.execute<{ name: string }>(
    sql`select tablename as name from pg_tables where schemaname = 'public'`,
  )
  const kept = [boxes, boxRevisions, jobs, jobEntries, jobPhotos, shop].map(getTableName)
  expect(rows.map(({ name }) => name).sort()).toEqual([...kept, 'edit_receipts', 'seeds'].sort())
})

test('an archive that an earlier Udrix wrote is read, and written again to the last byte', async () => {
  fs.copyFileSync(path.join(import.meta.dirname, 'kept/version-2.zip'), FILE)
  const before = unzipSync(fs.readFileSync(FILE))
  expect(await read()).toMatchObject({ fresh: { count: 2 }, freshJobs: 2 })
  await takeOut()
  const after = unzipSync(fs.readFileSync(FILE))
  // When it was made and how much there is stand in the heading.
  for (const name of ['udrix-archive.json', 'checksums.sha256']) {
    Reflect.deleteProperty(before, name)
    Reflect.deleteProperty(after, name)
  }
  const texts = (files: Files) =>
    Object.fromEntries(Object.entries(files).map(([name, bytes]) => [name, strFromU8(bytes)]))
  expect(texts(after)).toEqual(texts(before))
})

test('an archive of version 1 is read back', async () => {
  const id = uuidv7()
  const at = '2026-01-05T08:00:00.000Z'
  const history = [
    {
      revision: 1,
      edit: { kind: 'rename', name: 'archived', base: 'older' },
      isApplied: true,
      documentBefore: { ...draft, name: 'older' },
      at,
    },
  ]
  const record = {
    isDemo: false,
    revision: 2,
    cautionsReadAt: null,
    createdAt: at,
    updatedAt: at,
    deletedAt: null,
    history,
  }
  // As docs/format.md described version 1.
  const files = {
    'udrix-archive.json': strToU8('{"format": "udrix-archive", "version": 1, "boxes": 1}'),
    [`boxes/${id}.json`]: strToU8(formatBoxFile(draft)),
    [`records/${id}.json`]: strToU8(JSON.stringify(record)),
  }
  fs.writeFileSync(FILE, zipSync(files))
  expect(await read()).toMatchObject({ fresh: { count: 1 } })
  expect((await findBox(id))?.draft).toEqual(draft)
  expect(await db.select({ at: boxRevisions.at }).from(boxRevisions)).toEqual([
    { at: new Date(at) },
  ])
  // One byte of the count of a gear, with the length as it was: the ZIP's own checksum tells.
  const bytes = Buffer.from(zipSync(files, { level: 0 }))
  const place = bytes.indexOf('"stationMm"') + '"stationMm": '.length
  bytes.write('9', place)
  fs.writeFileSync(FILE, bytes)
  await emptyTables()
  const outcome = await readArchive(FILE)
  expect(outcome.ok ? '' : outcome.problems.join(' ')).toContain('was changed or damaged')
})

describe('all or nothing', () => {
  test.each<readonly [string, (files: Files, box: string, job: string) => void, string]>([
    [
      'a count that was changed',
      (files, box) => {
        const text = strFromU8(files[box] ?? new Uint8Array())
        files[box] = strToU8(text.replace('"toothCount": 40', '"toothCount": 41'))
      },
      'its checksum is another',
    ],
    [
      'a box file with an unknown field',
      (files, box) => {
        const text = strFromU8(files[box] ?? new Uint8Array())
        forge(files, box, text.replace('{', '{"odd": 1,'))
      },
      'Udrix does not know "odd" here',
    ],
    [
      'a log with an entry of no known kind',
      (files, _box, job) => {
        const name = job.replace('jobs', 'entries').replace('json', 'ndjson')
        const text = strFromU8(files[name] ?? new Uint8Array())
        forge(files, name, text.replace('"kind":"note"', '"kind":"nothing"'))
      },
      'entries/',
    ],
    [
      'a job of a box that is nowhere',
      (files, _box, job) => {
        const text = strFromU8(files[job] ?? new Uint8Array())
        forge(files, job, text.replace(/"boxId": "[^"]+"/, `"boxId": "${uuidv7()}"`))
      },
      'of a box that is neither here nor in the archive',
    ],
    [
      'a photograph that is none',
      (files) => {
        const name = Object.keys(files).find((each) => each.endsWith('.png')) ?? ''
        forge(files, name, 'not a picture')
      },
      'is not the picture that its name says',
    ],
    [
      'a record that is gone',
      (files, box) => {
        Reflect.deleteProperty(files, box.replace('boxes', 'records'))
      },
      'is missing in this archive',
    ],
    [
      'a heading from a newer version',
      (files) => {
        files['udrix-archive.json'] = strToU8('{"format": "udrix-archive", "version": 7}')
      },
      'This archive has version 7',
    ],
    [
      'a record whose revision no database counts',
      (files, box) => {
        const name = box.replace('boxes', 'records')
        const text = strFromU8(files[name] ?? new Uint8Array())
        forge(files, name, text.replace(/"revision": \d+/, '"revision": 3000000000'))
      },
      'records/',
    ],
    [
      'a history of which no database takes the dates',
      (files, box) => {
        const name = box.replace('boxes', 'history').replace('json', 'ndjson')
        const text = strFromU8(files[name] ?? new Uint8Array())
        expect(text).toContain('"at":"')
        forge(files, name, text.replace(/"at":"\d{4}/, '"at":"99999'))
      },
      'history/',
    ],
    [
      'a log with an entry that stands twice',
      (files, _box, job) => {
        const name = job.replace('jobs', 'entries').replace('json', 'ndjson')
        const text = strFromU8(files[name] ?? new Uint8Array())
        forge(files, name, `${text}${text}`)
      },
      'stands twice',
    ],
    [
      'a file that was put in',
      (files) => {
        files[`boxes/${uuidv7()}.json`] = strToU8('{}')
      },
      'was not in this archive when Udrix wrote it',
    ],
    [
      'a name that leads elsewhere',
      (files) => {
        files['boxes/../../elsewhere.json'] = strToU8('{}')
      },
      'not a ZIP archive, or it is damaged',
    ],
  ])('%s: nothing is read in', async (_name, change, sentence) => {
    await fillShop()
    await takeOut()
    await emptyTables()
    repack((files) => {
      const named = (start: string) =>
        Object.keys(files).find(
          (name) =>
            name.startsWith(start) &&
            !strFromU8(files[name] ?? new Uint8Array()).includes('deleted one'),
        ) ?? ''
      change(files, named('boxes/'), named('jobs/'))
    })
    const outcome = await readArchive(FILE)
    expect(outcome.ok ? '' : outcome.problems.join(' ')).toContain(sentence)
    expect(await everything()).toEqual({
      boxes: [],
      revisions: [],
      jobs: [],
      entries: [],
      photos: [],
      shop: [],
    })
  })

  test('what only the database does not take: the file is named, and nothing is read in', async () => {
    const { boxId } = await fillShop()
    await takeOut()
    await emptyTables()
    await db.execute(sql`alter table boxes add constraint odd check (name <> 'archived')`)
    try {
      const outcome = await readArchive(FILE)
      const problems = outcome.ok ? '' : outcome.problems.join(' ')
      expect(problems).toContain(`boxes/${boxId}.json cannot be read in: `)
      expect(problems).toContain('violates check constraint "odd"')
    } finally {
      await db.execute(sql`alter table boxes drop constraint odd`)
    }
    expect(await listBoxes()).toMatchObject({ total: 0 })
  })

  test('bytes that are no archive, or any one byte changed', async () => {
    await createBox(draft)
    await takeOut()
    const archive = fs.readFileSync(FILE)
    const whole = (await listBoxes()).boxes.map((box) => box.draft)
    await emptyTables()
    await fc.assert(
      fc.asyncProperty(
        fc.oneof(
          fc.uint8Array({ maxLength: 400 }),
          fc.nat(archive.length).map((length) => archive.subarray(0, length)),
          fc.tuple(fc.nat(archive.length - 1), fc.integer({ min: 1, max: 255 })).map(([at, by]) => {
            const damaged = Buffer.from(archive)
            damaged[at] = ((damaged[at] ?? 0) + by) % 256
            return damaged
          }),
        ),
        async (bytes) => {
          fs.writeFileSync(FILE, bytes)
          const outcome = await readArchive(FILE)
          // A byte that says nothing, such as a time in the directory, may differ.
          const expected = outcome.ok ? whole : []
          expect((await listBoxes()).boxes.map((box) => box.draft)).toEqual(expected)
          if (!outcome.ok) expect(outcome.problems[0]).toBeTruthy()
          await emptyTables()
        },
      ),
      { numRuns: 60 },
    )
  })
})
