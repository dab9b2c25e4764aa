/** @jest-environment node */
import path from 'node:path'

import { sql } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'

import type { Entry, EntryBody } from 'core'
import { readJob, threeShaftBox } from 'core'

import { createBox } from './boxes.ts'
import { db, migrateDatabase, pool } from './db/client.ts'
import { MOST_ENTRIES, addEntries, jobsOfBox, jobsOfBoxes, openJob, summaryOf } from './jobs.ts'
import { keepShelf, readShelf } from './shelf.ts'
import { USUAL_SHELF } from '../shelf.ts'

const draft = threeShaftBox({
  name: 'unit',
  forwardCount: 4,
  directAt: 4,
  reverse: 'sliding-idler',
})

function entry(body: EntryBody, at = '2026-01-05T08:00:00.000Z'): Entry {
  return { id: uuidv7(), at, by: 'AB', body }
}

beforeAll(async () => {
  await migrateDatabase(path.resolve('app/.server/db/migrations'))
})
beforeEach(async () => {
  await db.execute(sql`truncate boxes, shop cascade`)
})
afterAll(async () => {
  await pool.end()
})

async function unitWithJob(): Promise<{ readonly boxId: string; readonly jobId: string }> {
  const boxId = await createBox(draft)
  const jobId = await openJob(boxId)
  if (jobId === null) throw new Error('no job was opened')
  return { boxId, jobId }
}

test('a unit has several jobs over the years, numbered from one', async () => {
  const { boxId } = await unitWithJob()
  await openJob(boxId)
  expect((await jobsOfBox(boxId)).map(({ number }) => number)).toEqual([1, 2])
  expect(await openJob(uuidv7())).toBeNull()
})

test('jobs that are opened at once get numbers of their own', async () => {
  const boxId = await createBox(draft)
  await Promise.all(Array.from({ length: 5 }, () => openJob(boxId)))
  expect((await jobsOfBox(boxId)).map(({ number }) => number)).toEqual([1, 2, 3, 4, 5])
})

test('entries come back as they were entered', async () => {
  const { boxId, jobId } = await unitWithJob()
  const entries = [
    entry({ kind: 'note', text: 'brass in the oil' }),
    entry({
      kind: 'turn-check',
      position: '1',
      inputTurns: '3 7/8',
      outputTurns: '1',
      errorTurns: '1/8',
    }),
  ]
  expect(await addEntries(boxId, jobId, entries)).toBe('kept')
  expect((await jobsOfBox(boxId))[0]?.entries).toEqual(entries)
})

test('an entry that is sent twice is kept once', async () => {
  const { boxId, jobId } = await unitWithJob()
  const one = entry({ kind: 'note', text: 'once' })
  await addEntries(boxId, jobId, [one])
  expect(await addEntries(boxId, jobId, [one])).toBe('kept')
  expect((await jobsOfBox(boxId))[0]?.entries).toEqual([one])
})

test('two people at one job take nothing from one another', async () => {
  const { boxId, jobId } = await unitWithJob()
  const notes = Array.from({ length: 20 }, (_, at) => entry({ kind: 'note', text: `note ${at}` }))
  await Promise.all(notes.map((each) => addEntries(boxId, jobId, [each])))
  const texts = (await jobsOfBox(boxId))[0]?.entries.map(({ body }) =>
    body.kind === 'note' ? body.text : '',
  )
  expect(texts?.sort()).toEqual(notes.map((_, at) => `note ${at}`).sort())
})

test('an entry for a job of another unit is refused', async () => {
  const { jobId } = await unitWithJob()
  const other = await createBox(draft)
  expect(await addEntries(other, jobId, [entry({ kind: 'reopen' })])).toBe('absent')
})

test('a job is full some day, and says so', async () => {
  const { boxId, jobId } = await unitWithJob()
  await db.execute(sql`
    insert into job_entries (id, job_id, at, by, body)
    select gen_random_uuid(), ${jobId}::uuid, now(), '', '{"kind":"reopen"}'
    from generate_series(1, ${MOST_ENTRIES})`)
  expect(await addEntries(boxId, jobId, [entry({ kind: 'reopen' })])).toBe('full')
})

test('the bench hears of the latest job of each unit in a line', async () => {
  const { boxId, jobId } = await unitWithJob()
  await addEntries(boxId, jobId, [entry({ kind: 'waiting', for: 'a bearing' })])
  const jobs = await jobsOfBoxes([boxId, await createBox(draft)])
  expect([...jobs.keys()]).toEqual([boxId])
  const [job] = jobs.get(boxId) ?? []
  if (!job) throw new Error('no job')
  expect(readJob(job.entries).waitingFor).toBe('a bearing')
  expect(summaryOf(draft, job)).toEqual({
    number: 1,
    isClosed: false,
    stage: 'intake',
    waiting: [{ code: 'said', text: 'a bearing' }, { code: 'nothing-measured' }],
  })
})

test('the shelf is a usual set of leaves until the shop keeps its own', async () => {
  expect(await readShelf()).toEqual(USUAL_SHELF)
  const own = { initials: ['AB'], leaves: [{ thickness: 500, quantity: 1 }], shims: [] }
  await keepShelf(own)
  await keepShelf({ ...own, initials: ['AB', 'CD'] })
  expect(await readShelf()).toEqual({ ...own, initials: ['AB', 'CD'] })
})
