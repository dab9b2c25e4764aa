import path from 'node:path'

import { sql } from 'drizzle-orm'
import fc from 'fast-check'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'

import { movePart, diffDrafts, threeShaftBox } from 'core'

import { couplersOn, tangle } from '../../core/testing/arbitraries.ts'
import { makeArchive, previewArchive, readArchive } from './archive.ts'
import { createBox, deleteBox, editBox, findBox, listBoxes } from './boxes.ts'
import { db, migrateDatabase, pool } from './db/client.ts'
import { boxRevisions } from './db/tables/boxRevisions.ts'
import { boxes } from './db/tables/boxes.ts'

const NOW = new Date('2026-11-25T10:00:00Z')
const draft = threeShaftBox({
  name: 'archived',
  forwardCount: 4,
  directAt: 4,
  reverse: 'constant-mesh',
})

async function empty(): Promise<void> {
  await db.execute(sql`truncate boxes, box_revisions, seeds restart identity cascade`)
}

beforeAll(() => migrateDatabase(path.resolve('app/.server/db/migrations')))
beforeEach(empty)
afterAll(() => pool.end())

/** Everything that the database holds of boxes, but for the numbers of revisions. */
async function everything(): Promise<unknown> {
  const revisions = await db.select().from(boxRevisions).orderBy(boxRevisions.id)
  return {
    boxes: await db.select().from(boxes).orderBy(boxes.id),
    revisions: revisions.map(({ id: _id, ...rest }) => rest),
  }
}

async function changed(archive: Uint8Array, change: (files: Record<string, Uint8Array>) => void) {
  const files = unzipSync(archive)
  change(files)
  return readArchive(zipSync(files))
}

test('another Udrix reads everything back whole: boxes, history, and what was deleted', async () => {
  const id = await createBox(draft, { isDemo: true, areCautionsRead: true })
  await editBox(id, {
    kind: 'count',
    gear: 'main-1',
    reading: 'first',
    toothCount: 40,
    base: null,
  })
  await editBox(id, {
    kind: 'change',
    changes: diffDrafts(draft, movePart(draft, { list: 'gears', id: 'main-2' }, 3)),
  })
  await deleteBox(await createBox({ ...draft, name: 'deleted one' }))
  const before = await everything()
  const archive = await makeArchive(NOW)
  await empty()
  expect(await previewArchive(archive)).toEqual({
    ok: true,
    summary: { fresh: ['archived', 'deleted one'], same: [], differing: [] },
  })
  expect(await listBoxes()).toMatchObject({ total: 0 })
  expect((await readArchive(archive)).ok).toBe(true)
  expect(await everything()).toEqual(before)
  expect(unzipSync(await makeArchive(NOW))).toEqual(unzipSync(archive))
})

test('random boxes come back as they were', async () => {
  const drafts = fc.sample(couplersOn(tangle), 30)
  const ids = await Promise.all(drafts.map((each) => createBox(each)))
  const archive = await makeArchive(NOW)
  await empty()
  await readArchive(archive)
  for (const [at, id] of ids.entries()) expect((await findBox(id))?.draft).toEqual(drafts[at])
})

test('what is here already stays, and what differs comes in beside it', async () => {
  const same = await createBox(draft)
  const id = await createBox({ ...draft, name: 'worked on' })
  const archive = await makeArchive(NOW)
  await editBox(id, { kind: 'rename', name: 'worked on further', base: 'worked on' })
  const outcome = await readArchive(archive)
  expect(outcome).toEqual({
    ok: true,
    summary: { fresh: [], same: ['archived'], differing: ['worked on'] },
  })
  const names = (await listBoxes()).boxes.map(({ draft: { name } }) => name).sort()
  expect(names).toEqual(['archived', 'worked on (from archive)', 'worked on further'])
  expect((await findBox(same))?.draft).toEqual(draft)
})

describe('all or nothing', () => {
  test.each([
    [
      'a box file with an unknown field',
      (files: Record<string, Uint8Array>, box: string) => {
        files[box] = strToU8(strFromU8(files[box] ?? new Uint8Array()).replace('{', '{"odd": 1,'))
      },
      'Udrix does not know "odd" here',
    ],
    [
      'a record that is gone',
      (files: Record<string, Uint8Array>, box: string) => {
        Reflect.deleteProperty(files, box.replace('boxes', 'records'))
      },
      'records/',
    ],
    [
      'a heading from a newer version',
      (files: Record<string, Uint8Array>) => {
        files['udrix-archive.json'] = strToU8('{"format": "udrix-archive", "version": 7}')
      },
      'This archive has version 7',
    ],
    [
      'a file that Udrix does not write',
      (files: Record<string, Uint8Array>) => {
        files['boxes/../../elsewhere.json'] = strToU8('{}')
      },
      'Udrix does not know the file',
    ],
  ])('%s: nothing is read in', async (_name, change, sentence) => {
    await createBox(draft)
    await createBox({ ...draft, name: 'another' })
    const archive = await makeArchive(NOW)
    await empty()
    const outcome = await changed(archive, (files) => {
      const box = Object.keys(files).find((name) => name.startsWith('boxes/'))
      change(files, box ?? '')
    })
    expect(outcome.ok ? '' : outcome.problems.join(' ')).toContain(sentence)
    expect(await listBoxes()).toMatchObject({ total: 0 })
  })

  test('bytes that are no archive, or a damaged one', async () => {
    await createBox(draft)
    const archive = await makeArchive(NOW)
    await empty()
    await fc.assert(
      fc.asyncProperty(
        fc.oneof(
          fc.uint8Array({ maxLength: 400 }),
          fc.tuple(fc.nat(archive.length - 1), fc.nat(255)).map(([at, value]) => {
            const damaged = archive.slice()
            damaged[at] = value
            return damaged.slice(0, Math.max(at, archive.length - 50))
          }),
        ),
        async (bytes) => {
          const outcome = await readArchive(bytes)
          if (!outcome.ok) expect(outcome.problems[0]).toBeTruthy()
          expect((await listBoxes()).total).toBeLessThanOrEqual(1)
          await empty()
        },
      ),
      { numRuns: 60 },
    )
  })
})
