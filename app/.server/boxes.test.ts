/** @jest-environment node */
import { v7 as uuidv7 } from 'uuid'
import path from 'node:path'
import { sql } from 'drizzle-orm'

import type { BoxDraft } from 'core'
import { checkBox, diffDrafts, movePart, removePart, threeShaftBox } from 'core'

import { formatBoxFile } from '../files/boxFile.ts'

import { listBoxes } from './bench.ts'
import {
  createBox,
  deleteBox,
  duplicateBox,
  editBox,
  findBox,
  findDemoBox,
  findVersion,
  markCautionsRead,
  restoreBox,
} from './boxes.ts'
import { db, isDatabaseAnswering, isDatabaseOutage, migrateDatabase, pool } from './db/client.ts'
import { boxRevisions } from './db/tables/boxRevisions.ts'
import { demoBoxes, seedDemo } from './demo/index.ts'
import { draftBefore, listRevisions } from './history.ts'
import { importBox } from './importBox.ts'
import { emptyTables } from './testing/emptyBench.ts'

const migrations = path.resolve('app/.server/db/migrations')
const draft: BoxDraft = threeShaftBox({
  name: 'bench box',
  forwardCount: 4,
  directAt: 4,
  reverse: 'sliding-idler',
})

function count(toothCount: number, base: number | null = null) {
  return { kind: 'count', gear: 'main-1', reading: 'first', toothCount, base } as const
}

beforeAll(async () => {
  await migrateDatabase(migrations)
})
beforeEach(async () => {
  await emptyTables()
})
afterAll(async () => {
  await pool.end()
})

test('several servers that start at once migrate one after another', async () => {
  await expect(
    Promise.all(Array.from({ length: 4 }, () => migrateDatabase(migrations))),
  ).resolves.toHaveLength(4)
})

test('a box is put on the bench and found as it was', async () => {
  const id = await createBox(draft)
  expect(await findBox(id)).toMatchObject({ id, draft, revision: 1, areCautionsRead: false })
})

test('an id that leads nowhere, or is no id, finds nothing', async () => {
  expect(await findBox('00000000-0000-7000-8000-000000000000')).toBeNull()
  expect(await findBox("' or true --")).toBeNull()
  expect(await duplicateBox('nonsense')).toBeNull()
})

test('the bench lists the box touched last first', async () => {
  const first = await createBox(draft)
  const second = await createBox({ ...draft, name: 'other' })
  await editBox(first, count(40))
  const { boxes, total } = await listBoxes()
  expect(boxes.map(({ id }) => id)).toEqual([first, second])
  expect(total).toBe(2)
})

test('an edit is kept and written down with the document before it', async () => {
  const id = await createBox(draft)
  const outcome = await editBox(id, count(40))
  expect(outcome).toMatchObject({ kind: 'kept', conflict: null, box: { revision: 2 } })
  const box = await findBox(id)
  expect(box?.draft.gears.find((gear) => gear.id === 'main-1')?.toothCount).toBe(40)
  expect(await db.select().from(boxRevisions)).toMatchObject([
    { boxId: id, revision: 1, isApplied: true, edit: count(40), documentBefore: draft },
  ])
})

test('the same edit sent twice is one revision', async () => {
  const id = await createBox(draft)
  await editBox(id, count(40))
  expect(await editBox(id, count(40))).toMatchObject({ kind: 'kept', box: { revision: 2 } })
  expect(await db.select().from(boxRevisions)).toHaveLength(1)
})

test('of ten people counting one gear at once nobody’s count is lost', async () => {
  const id = await createBox(draft)
  const outcomes = await Promise.all(
    Array.from({ length: 10 }, (_, at) => editBox(id, count(30 + at))),
  )
  const gear = (await findBox(id))?.draft.gears.find((each) => each.id === 'main-1')
  const written = await db.select().from(boxRevisions)
  // Two stand in the box; all ten stand in the history, with the eight that were not placed marked.
  expect(gear?.toothCount).not.toBe(gear?.recount)
  expect(written).toHaveLength(10)
  expect(written.filter(({ isApplied }) => isApplied)).toHaveLength(2)
  const conflicts = outcomes.map((outcome) => outcome.kind === 'kept' && outcome.conflict?.code)
  expect(conflicts.filter((code) => code === 'count-not-placed')).toHaveLength(8)
  expect(conflicts.filter((code) => code === 'kept-as-second-count')).toHaveLength(1)
})

test('the history says whose an edit is, placed or not; one told without a name is nobody’s', async () => {
  const id = await createBox(draft)
  await editBox(id, count(40), { origin: { by: 'AB' } })
  await editBox(id, { kind: 'rename', name: 'told by nobody', base: draft.name })
  await editBox(id, { kind: 'rename', name: 'too late', base: 'another' }, { origin: { by: 'CD' } })
  const revisions = await listRevisions(id, null)
  expect(revisions.map(({ origin }) => origin.by)).toEqual(['CD', '', 'AB'])
})

test('one id is one edit: other content, or another box, is told that it is taken', async () => {
  const [id, other] = [await createBox(draft), await createBox(draft)]
  const editId = uuidv7()
  expect(await editBox(id, count(40), { id: editId })).toMatchObject({ kind: 'kept' })
  expect(await editBox(id, count(40), { id: editId })).toMatchObject({ kind: 'kept' })
  expect(await editBox(id, count(41), { id: editId })).toEqual({ kind: 'taken' })
  expect(await editBox(other, count(40), { id: editId })).toEqual({ kind: 'taken' })
  const twice = await Promise.all(
    [id, other].map((box) =>
      editBox(box, count(42), { id: '01912345-0000-7000-8000-000000000002' }),
    ),
  )
  expect(twice.map(({ kind }) => kind).toSorted()).toEqual(['kept', 'taken'])
})

test('edits from before anybody asked are nobody’s', async () => {
  const id = await createBox(draft)
  await editBox(id, count(40))
  await db.update(boxRevisions).set({ origin: {} })
  expect(await listRevisions(id, null)).toMatchObject([{ origin: { by: '' } }])
})

test('a refused edit leaves the box alone', async () => {
  const id = await createBox(draft)
  expect(await editBox(id, count(3))).toEqual({
    kind: 'refused',
    refusal: { code: 'impossible-count', toothCount: 3 },
  })
  expect((await findBox(id))?.revision).toBe(1)
})

test('renaming renames what the bench lists', async () => {
  const id = await createBox(draft)
  await editBox(id, { kind: 'rename', name: 'new name', base: 'bench box' })
  expect((await listBoxes()).boxes[0]?.draft.name).toBe('new name')
})

test('a deleted box is gone and comes back whole', async () => {
  const id = await createBox(draft)
  expect(await deleteBox(id)).toEqual({ id, name: 'bench box' })
  expect(await findBox(id)).toBeNull()
  expect(await editBox(id, count(40))).toEqual({ kind: 'absent' })
  expect(await deleteBox(id)).toBeNull()
  expect(await restoreBox(id)).toEqual({ id, name: 'bench box' })
  expect((await findBox(id))?.draft).toEqual(draft)
})

test('a copy has a name of its own and the same parts', async () => {
  const copy = await duplicateBox(await createBox(draft))
  expect((await findBox(copy ?? ''))?.draft).toEqual({ ...draft, name: 'bench box (copy)' })
})

test('a box has another version after every change that its pages show', async () => {
  const id = await createBox(draft)
  const versions = [await findVersion(id)]
  await editBox(id, count(40))
  versions.push(await findVersion(id))
  await markCautionsRead(id)
  versions.push(await findVersion(id))
  await editBox(id, { kind: 'rename', name: 'new name', base: 'bench box' })
  versions.push(await findVersion(id))
  expect(new Set(versions).size).toBe(4)
  await deleteBox(id)
  expect(await findVersion(id)).toBeNull()
  expect(await findVersion('no id')).toBeNull()
})

test('that the cautions were read is remembered', async () => {
  const id = await createBox(draft)
  await markCautionsRead(id)
  expect((await findBox(id))?.areCautionsRead).toBe(true)
})

test('the demo is put in once, and stays deleted', async () => {
  await seedDemo()
  const { boxes } = await listBoxes()
  const shownId = await findDemoBox()
  expect(boxes).toHaveLength(demoBoxes().length)
  expect(boxes.every(({ isDemo }) => isDemo)).toBe(true)
  const shown = boxes.find(({ id }) => id === shownId)
  expect(shown?.jobsRevision).toBeGreaterThan(0)
  for (const { id } of boxes) await deleteBox(id)
  await seedDemo()
  expect((await listBoxes()).total).toBe(0)
  expect(await findDemoBox()).toBeNull()
})

test.each(demoBoxes().map((box) => [box.name, box] as const))(
  'of the demo, %s hangs together, and nothing of it is doubtful',
  (_, box) => {
    expect(checkBox(box)).toMatchObject({ ok: true, warnings: [] })
  },
)

describe('importing a box file', () => {
  const file = (text: string) => new File([text], 'box.json')

  test('a good file is put on the bench', async () => {
    const outcome = await importBox(file(formatBoxFile(draft)))
    expect(outcome.ok && (await findBox(outcome.id))?.draft).toEqual(draft)
  })

  test('a file that does not hang together is refused whole, with the place', async () => {
    const outcome = await importBox(file(formatBoxFile({ ...draft, input: 'gone' })))
    expect(outcome).toMatchObject({
      ok: false,
      fileName: 'box.json',
      issues: [{ path: ['input'], code: 'unknown-id' }],
    })
    expect((await listBoxes()).total).toBe(0)
  })

  test('no file, and an empty one', async () => {
    expect(await importBox(null)).toMatchObject({ ok: false })
    expect(await importBox(file(''))).toMatchObject({ ok: false })
  })
})

describe('outages', () => {
  test('a lost connection is told from a wrong query', async () => {
    expect(await isDatabaseAnswering()).toBe(true)
    const wrong: unknown = await db
      .execute(sql`select nothing_there`)
      .catch((error: unknown) => error)
    expect(isDatabaseOutage(wrong)).toBe(false)
    const refused = Object.assign(new Error('connect'), { code: 'ECONNREFUSED' })
    expect(isDatabaseOutage(new Error('query failed', { cause: refused }))).toBe(true)
    // SQLSTATE 57P01, admin_shutdown: PostgreSQL documentation, appendix A.
    expect(isDatabaseOutage(Object.assign(new Error('x'), { code: '57P01' }))).toBe(true)
    expect(isDatabaseOutage('text')).toBe(false)
  })
})

describe('history', () => {
  test('edits are told latest first, with the box before each', async () => {
    const id = await createBox(draft)
    await editBox(id, count(40))
    await editBox(id, { kind: 'rename', name: 'later', base: 'bench box' })
    const revisions = await listRevisions(id, null)
    expect(revisions.map(({ edit }) => edit?.kind)).toEqual(['rename', 'count'])
    const [, first] = revisions
    expect((await draftBefore(id, first?.id ?? 0))?.draft).toEqual(draft)
    expect(await draftBefore('00000000-0000-7000-8000-000000000000', first?.id ?? 0)).toBeNull()
    expect(await listRevisions(id, first?.id ?? 0)).toEqual([])
  })

  test('a box is made again what it was, and that is an edit like any other', async () => {
    const id = await createBox(draft)
    const without = removePart(draft, { list: 'gears', id: 'main-2' })
    await editBox(id, { kind: 'change', changes: diffDrafts(draft, without) })
    await editBox(id, { kind: 'change', changes: diffDrafts(without, draft) })
    expect((await findBox(id))?.draft).toEqual(draft)
    expect(await listRevisions(id, null)).toHaveLength(2)
  })

  test('a change that met somebody else’s is written down as not placed', async () => {
    const id = await createBox(draft)
    const at = (byMm: number) =>
      diffDrafts(draft, movePart(draft, { list: 'gears', id: 'main-2' }, byMm))
    await editBox(id, { kind: 'change', changes: at(3) })
    const outcome = await editBox(id, { kind: 'change', changes: at(5) })
    expect(outcome).toMatchObject({ kind: 'kept', conflict: { code: 'change-not-placed' } })
    expect((await listRevisions(id, null)).map(({ isApplied }) => isApplied)).toEqual([false, true])
  })

  test('a change beyond what a box file may hold is refused, and the box stays', async () => {
    const id = await createBox(draft)
    const [gear] = draft.gears
    if (!gear) throw new Error('the pattern has no gear')
    const gears = Array.from({ length: 200 }, (_, at) => ({ ...gear, id: `many-${at}` }))
    const changes = diffDrafts(draft, { ...draft, gears: [...draft.gears, ...gears] })
    const outcome = await editBox(id, { kind: 'change', changes })
    expect(outcome).toMatchObject({ kind: 'refused', refusal: { code: 'beyond-limits' } })
    expect((await findBox(id))?.draft).toEqual(draft)
  })
})
