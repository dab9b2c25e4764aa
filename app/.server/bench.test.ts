/** @jest-environment node */
import { eq, sql } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'

import type { BoxDraft, Entry, EntryBody } from 'core'
import { threeShaftBox } from 'core'

import type { BenchView } from '../views/bench/benchView.ts'
import { BENCH_SORTS } from '../views/bench/benchChoices.ts'
import { WHOLE_BENCH } from '../views/bench/benchView.ts'

import { BENCH_PAGE_SIZE, lastEditsOf, listBoxes } from './bench.ts'
import { withDatabase } from './answers.ts'
import { createBox, editBox, findBox } from './boxes.ts'
import { db } from './db/client.ts'
import { boxes } from './db/tables/boxes.ts'
import { onEmptyBench } from './testing/emptyBench.ts'
import { seedDemo } from './demo/index.ts'
import { addEntries, openJob } from './jobs.ts'
import { unitWithJob } from './testing/units.ts'

const draft: BoxDraft = threeShaftBox({
  name: 'bench box',
  forwardCount: 4,
  directAt: 4,
  reverse: 'sliding-idler',
})

onEmptyBench()

describe('the bench page by page', () => {
  const names = async (search: string, after: string | null = null) => {
    const page = await listBoxes({ ...WHOLE_BENCH, search }, after)
    return { ...page, names: page.boxes.map(({ draft: { name } }) => name) }
  }

  test('every box is on one page and no more, also those touched at one moment', async () => {
    const many = Array.from({ length: 2 * BENCH_PAGE_SIZE + 3 }, (_, at) => `box ${at}`)
    for (const name of many) await createBox({ ...draft, name })
    await db.execute(sql`update boxes set updated_at = '2026-11-25T10:00:00.123456Z'`)
    const seen: string[] = []
    let after: string | null = null
    let pages = 0
    do {
      const page = await names('', after)
      seen.push(...page.names)
      after = page.next
      pages++
    } while (after !== null)
    expect(pages).toBe(3)
    expect([...seen].sort()).toEqual([...many].sort())
  })

  test('one that this version cannot read is told by its name, and takes no other down', async () => {
    await createBox(draft)
    const id = await createBox({ ...draft, name: 'from the year after' })
    await db
      .update(boxes)
      .set({ document: sql`${boxes.document} || '{"overdrives": []}'` })
      .where(eq(boxes.id, id))
    expect(await names('')).toMatchObject({
      names: ['bench box'],
      unreadable: ['from the year after'],
      total: 2,
    })
    expect(await listBoxes({ ...WHOLE_BENCH, stage: 'intake' })).toMatchObject({ boxes: [] })
    await expect(withDatabase(() => findBox(id))).rejects.toMatchObject({
      data: expect.stringContaining('a newer version of Udrix') as string,
      init: { status: 422 },
    })
    await expect(withDatabase(() => listBoxes())).resolves.toBeDefined()
  })

  test('words are found in any order and place, and signs stand for themselves', async () => {
    for (const name of ['Ostrel five-speed', 'Quillmoor 100 %', 'five Ostrel'])
      await createBox({ ...draft, name })
    expect((await names('ostrel FIVE')).names).toEqual(['five Ostrel', 'Ostrel five-speed'])
    expect((await names('%')).names).toEqual(['Quillmoor 100 %'])
    expect((await names('_')).names).toEqual([])
    expect(await names('nothing')).toMatchObject({ names: [], total: 0, next: null })
  })

  test('a unit is found by its owner’s reference, its serial, its complaint and a part ordered for it', async () => {
    const { boxId, jobId } = await unitWithJob()
    await createBox({ ...draft, name: 'another' })
    const entry = (body: EntryBody): Entry => ({
      id: uuidv7(),
      at: '2026-11-26T10:00:00Z',
      by: '',
      body,
    })
    const intake = {
      reference: 'Van 12',
      serial: 'QX-4711',
      complaint: 'jumps out of second',
      distance: null,
      oil: '',
      cameWith: '',
    }
    const line = {
      key: 'own:1',
      what: 'Pilot bearing',
      quantity: 1,
      price: null,
      state: 'needed',
    } as const
    await addEntries(
      boxId,
      jobId,
      [entry({ kind: 'intake', intake }), entry({ kind: 'line', line })],
      '2026-11-26T10:00:00Z',
    )
    for (const search of ['van 12', 'qx-4711', 'SECOND', 'pilot', 'unit jumps'])
      expect((await names(search)).names).toEqual(['unit'])
    expect((await names('unit another')).names).toEqual([])
  })

  test('a unit is found by the days that it was here, and by whose job it is', async () => {
    const then = await unitWithJob()
    await createBox({ ...draft, name: 'of today' })
    const intake = { reference: '', complaint: '', distance: null, oil: '', cameWith: '' }
    const body = { kind: 'intake', intake: { ...intake, assignee: 'MK' } } as const
    const at = '2026-09-02T10:00:00Z'
    await addEntries(then.boxId, then.jobId, [{ id: uuidv7(), at, by: 'AB', body }], at)
    await db.execute(sql`update jobs set opened_at = '2026-09-02T08:00Z', closed_at = '2026-09-09'`)
    await db
      .update(boxes)
      .set({ createdAt: new Date('2026-09-01T12:00Z'), updatedAt: new Date('2026-09-09T12:00Z') })
      .where(eq(boxes.id, then.boxId))
    const found = async (view: Partial<BenchView>) =>
      (await listBoxes({ ...WHOLE_BENCH, ...view })).boxes.map(({ draft: { name } }) => name)
    expect(await found({ since: '2026-09-05', until: '2026-09-06' })).toEqual(['unit'])
    expect(await found({ until: '2026-09-30' })).toEqual(['unit'])
    expect(await found({ since: '2026-09-10', until: '2026-09-30' })).toEqual([])
    expect(await found({ since: '2026-09-11' })).toEqual(['of today'])
    expect(await found({ who: 'MK' })).toEqual(['unit'])
    expect(await found({ who: 'AB' })).toEqual([])
  })

  test('a box is told with who changed it last', async () => {
    const id = await createBox(draft)
    expect(await lastEditsOf([id])).toEqual(new Map())
    for (const by of ['AB', 'MK'])
      await editBox(id, { kind: 'rename', name: `of ${by}`, base: draft.name }, { origin: { by } })
    expect((await lastEditsOf([id])).get(id)?.by).toBe('MK')
  })

  test('a unit is found by the numbers on its data sheet and of its parts', async () => {
    await createBox({
      ...draft,
      name: 'stamped',
      sheet: [
        { id: 'line-1', kind: 'serial', text: 'KV 77 310' },
        { id: 'line-2', kind: 'oil-quantity', text: '2.4 l' },
      ],
      pieces: [{ id: 'seal-1', kind: 'seal', partNumber: 'S-90/12' }],
    })
    for (const search of ['kv 77 310', '310', 's-90'])
      expect((await names(search)).names).toEqual(['stamped'])
    expect((await names('2.4')).names).toEqual([])
  })

  test('a place that names nothing is the beginning', async () => {
    await createBox(draft)
    expect((await names('', "' or true --")).names).toEqual(['bench box'])
  })
})

describe('the bench by stage, by what waits and in several orders', () => {
  const names = async (view: Partial<BenchView>) =>
    (await listBoxes({ ...WHOLE_BENCH, ...view })).boxes.map((box) => box.draft.name)
  const enter = async (unit: { boxId: string; jobId: string }, ...bodies: EntryBody[]) =>
    addEntries(
      unit.boxId,
      unit.jobId,
      bodies.map((body): Entry => ({ id: uuidv7(), at: '2026-11-26T10:00:00Z', by: '', body })),
      '2026-11-26T10:00:00Z',
    )

  test('a box is found at the stage of its open job, and one without a job as such', async () => {
    const unit = await unitWithJob()
    await createBox({ ...draft, name: 'without a job' })
    expect(await names({ stage: 'none' })).toEqual(['without a job'])
    expect(await names({ stage: 'intake' })).toEqual(['unit'])
    expect(await names({ stage: 'rings' })).toEqual([])
    // What changes is told of at once, although nobody looked at the box meanwhile.
    await enter(unit, { kind: 'stage', stage: 'intake', isDone: true })
    expect(await names({ stage: 'intake' })).toEqual([])
    expect(await names({ stage: 'closed' })).toEqual([])
    await enter(unit, { kind: 'close', leftOut: 'all of it' })
    expect(await names({ stage: 'closed' })).toEqual(['unit'])
  })

  test('a box is found by what waits: counts also without a job, the rest while the job is open', async () => {
    const unit = await unitWithJob()
    const id = await createBox({ ...draft, name: 'to count' })
    const gears = draft.gears.map((gear) => ({ ...gear, toothCount: 30 }))
    await createBox({ ...draft, name: 'counted', gears })
    const disputed = gears.map((gear, at) => (at === 0 ? { ...gear, recount: 31 } : gear))
    await createBox({ ...draft, name: 'disputed', gears: disputed })
    expect(await names({ waits: 'to-count', search: 'count' })).toEqual(['to count'])
    expect(await names({ waits: 'counts-disagree' })).toEqual(['disputed'])
    expect(await names({ waits: 'to-order' })).toEqual([])
    const line = { key: 'own:1', what: 'Pilot bearing', quantity: 1, price: null } as const
    await enter(unit, { kind: 'line', line: { ...line, state: 'ordered' } })
    expect(await names({ waits: 'on-order' })).toEqual(['unit'])
    await openJob(id)
    expect(await names({ waits: 'on-order' })).toEqual(['unit'])
  })

  test('in the order of names, of the last touch either way, and of the stages', async () => {
    const unit = await unitWithJob()
    const first = await createBox({ ...draft, name: 'Zwolle' })
    await createBox({ ...draft, name: 'aster' })
    await editBox(first, { kind: 'rename', name: 'Zephyr', base: 'Zwolle' })
    await enter(unit, { kind: 'stage', stage: 'intake', isDone: true })
    expect(await names({ sort: 'name' })).toEqual(['aster', 'unit', 'Zephyr'])
    expect(await names({ sort: 'touched' })).toEqual(['unit', 'Zephyr', 'aster'])
    expect(await names({ sort: 'untouched' })).toEqual(['aster', 'Zephyr', 'unit'])
    expect(await names({ sort: 'stage' })).toEqual(['unit', 'Zephyr', 'aster'])
  })

  test('every box is on one page and no more in every order', async () => {
    await seedDemo()
    for (let at = 0; at < BENCH_PAGE_SIZE; at++) await createBox({ ...draft, name: `box ${at}` })
    for (const sort of BENCH_SORTS) {
      const seen: string[] = []
      let after: string | null = null
      do {
        const page = await listBoxes({ ...WHOLE_BENCH, sort }, after)
        seen.push(...page.boxes.map(({ id }) => id))
        after = page.next
        expect(page.isWhole).toBe(true)
      } while (after !== null)
      const { total } = await listBoxes()
      expect([sort, new Set(seen).size, seen.length]).toEqual([sort, total, total])
    }
  })
})
