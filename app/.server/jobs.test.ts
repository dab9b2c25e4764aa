/** @jest-environment node */
import { sql } from 'drizzle-orm'
import { v7 as uuidv7 } from 'uuid'

import type { EnteredLimit, Entry, EntryBody } from 'core'
import { readJob } from 'core'

import { ruleBase, usualShelf } from '../files/shelf.ts'

import { createBox, deleteBox, findBox, restoreBox } from './boxes.ts'
import { withDatabase } from './answers.ts'
import { db } from './db/client.ts'
import { jobEntries } from './db/tables/jobEntries.ts'
import { MOST_ENTRIES, addEntries, jobsOfBox, jobsOfBoxes, openJob } from './jobs.ts'
import { summariesOf, summaryOf } from './jobSummaries.ts'
import { keepRule, keepShelf, readRules, readShelf, shelfBase } from './shelf.ts'
import { onEmptyBench } from './testing/emptyBench.ts'
import { UNIT, unitWithJob } from './testing/units.ts'

function entry(body: EntryBody, at = '2026-01-05T08:00:00.000Z'): Entry {
  return { id: uuidv7(), at, by: 'AB', body }
}

/** A gap of a ring that was measured, with the limit that came with it. */
const gap = (limit: EnteredLimit | null): EntryBody => ({
  kind: 'measurement',
  part: 'ring:coupler-1-2/2',
  measure: 'ring-gap',
  readings: ['0.9', '0.9', '0.9'],
  unit: 'mm',
  tool: '',
  limit,
  phase: 'found',
})

onEmptyBench()

/** Adds entries that must be taken, and returns them as they were kept. */
async function added(
  boxId: string,
  jobId: string,
  entries: readonly Entry[],
  sentAt?: string,
): Promise<readonly Entry[]> {
  const outcome = await addEntries(boxId, jobId, entries, sentAt)
  if (outcome.kind !== 'kept') throw new Error(outcome.kind)
  return outcome.entries
}

const CLOSE: EntryBody = { kind: 'close', leftOut: '' }

test('a job with an entry of a kind from a newer version is told, and takes no list down', async () => {
  const [newer, known] = [await unitWithJob(), await unitWithJob()]
  const idle = await createBox(UNIT)
  await db.insert(jobEntries).values({
    ...{ id: uuidv7(), jobId: newer.jobId, at: new Date(), by: 'AB' },
    body: { kind: 'x-ray', part: 'gear:main-1' },
  })
  await expect(withDatabase(() => jobsOfBox(newer.boxId))).rejects.toMatchObject({
    data: expect.stringContaining('its job, was kept by a newer version') as string,
    init: { status: 422 },
  })
  const ids = [newer.boxId, known.boxId, idle]
  const jobs = await jobsOfBoxes(ids)
  expect(jobs.has(newer.boxId)).toBe(false)
  expect(jobs.get(known.boxId)).toHaveLength(1)
  expect(jobs.get(idle)).toEqual([])
  const records = await Promise.all(ids.map(findBox))
  const summaries = await summariesOf(records.filter((record) => record !== null))
  expect(summaries.get(newer.boxId)).toEqual({
    ...{
      number: 1,
      isClosed: false,
      stage: null,
      waiting: [],
      missing: [],
      assignee: '',
      last: null,
    },
    ...{ openedAt: expect.any(String) as string, closedAt: null },
  })
  expect(summaries.get(known.boxId)).toMatchObject({ number: 1, isClosed: false })
})

test('a unit has several jobs over the years, numbered from one', async () => {
  const { boxId, jobId } = await unitWithJob()
  await added(boxId, jobId, [entry(CLOSE)])
  await openJob(boxId)
  expect((await jobsOfBox(boxId)).map(({ number }) => number)).toEqual([1, 2])
  expect(await openJob(uuidv7())).toBeNull()
  expect(await openJob('no id')).toBeNull()
})

test('a unit has one open job at a time, however often one is opened', async () => {
  const boxId = await createBox(UNIT)
  const opened = await Promise.all(Array.from({ length: 5 }, () => openJob(boxId)))
  expect(new Set(opened.map((job) => job?.id)).size).toBe(1)
  expect(opened.filter((job) => job?.isNew)).toHaveLength(1)
  expect((await jobsOfBox(boxId)).map(({ number }) => number)).toEqual([1])
})

test('no job is opened, and nothing entered, for a box that is off the bench', async () => {
  const { boxId, jobId } = await unitWithJob()
  const note = entry({ kind: 'note', text: 'too late' })
  await deleteBox(boxId)
  expect(await openJob(boxId)).toBeNull()
  expect(await addEntries(boxId, jobId, [note])).toEqual({ kind: 'deleted' })
  await restoreBox(boxId)
  expect(await added(boxId, jobId, [note])).toEqual([note])
})

test('of entries that come together, none is kept where one is refused', async () => {
  const { boxId, jobId } = await unitWithJob()
  const bodies: readonly EntryBody[] = [{ kind: 'note', text: 'before' }, CLOSE]
  const late = entry({ kind: 'note', text: 'after it was closed' })
  const outcome = await addEntries(boxId, jobId, [...bodies.map((body) => entry(body)), late])
  expect(outcome).toEqual({ kind: 'closed', number: 1 })
  expect((await jobsOfBox(boxId))[0]).toMatchObject({ isClosed: false, entries: [] })
})

test('a closed job takes nothing but its opening again, and that only while no other is open', async () => {
  const { boxId, jobId } = await unitWithJob()
  const before = entry({ kind: 'note', text: 'before' })
  await added(boxId, jobId, [before, entry(CLOSE)])
  const late = entry({ kind: 'note', text: 'late' })
  expect(await addEntries(boxId, jobId, [late])).toEqual({ kind: 'closed', number: 1 })
  // What had been kept is answered as kept, though the job is closed by now.
  expect(await added(boxId, jobId, [before])).toEqual([before])
  const next = await openJob(boxId)
  const reopen = entry({ kind: 'reopen' })
  expect(await addEntries(boxId, jobId, [reopen])).toEqual({ kind: 'other-open', number: 2 })
  await added(boxId, next?.id ?? '', [entry(CLOSE)])
  await added(boxId, jobId, [reopen, late])
  expect((await jobsOfBox(boxId))[0]).toMatchObject({ number: 1, isClosed: false })
})

describe('the time of an entry is the server’s', () => {
  test('a device whose clock is an hour slow, and one that is an hour fast', async () => {
    const { boxId, jobId } = await unitWithJob()
    const HOUR_MS = 3_600_000
    const device = (offsetMs: number) => new Date(Date.now() + offsetMs).toISOString()
    const fast = entry({ kind: 'waiting', for: 'fast' }, device(HOUR_MS))
    await added(boxId, jobId, [fast], device(HOUR_MS))
    const slow = entry({ kind: 'waiting', for: 'slow' }, device(-HOUR_MS))
    await added(boxId, jobId, [slow], device(-HOUR_MS))
    const [job] = await jobsOfBox(boxId)
    // Entered last, by the clock that everybody goes by.
    expect(readJob(job?.entries ?? []).waitingFor).toBe('slow')
  })

  test('what was long on its way stays before what was entered after it', async () => {
    const { boxId, jobId } = await unitWithJob()
    const ago = (ms: number) => new Date(Date.now() - ms).toISOString()
    await added(boxId, jobId, [entry({ kind: 'waiting', for: 'first' }, ago(5_100))], ago(5_000))
    await added(boxId, jobId, [entry({ kind: 'waiting', for: 'second' }, ago(4_000))], ago(10))
    const [job] = await jobsOfBox(boxId)
    expect(readJob(job?.entries ?? []).waitingFor).toBe('second')
  })

  test('what waited through an outage counts from when it was entered', async () => {
    const { boxId, jobId } = await unitWithJob()
    const ago = (ms: number) => new Date(Date.now() - ms).toISOString()
    const [first] = await added(boxId, jobId, [entry({ kind: 'note', text: 'now' }, ago(0))])
    const [second] = await added(
      boxId,
      jobId,
      [entry({ kind: 'note', text: 'ten minutes ago' }, ago(600_000))],
      ago(0),
    )
    const apart = Date.parse(first?.at ?? '') - Date.parse(second?.at ?? '')
    expect(Math.abs(apart - 600_000)).toBeLessThan(60_000)
  })

  test('nothing is entered in the future', async () => {
    const { boxId, jobId } = await unitWithJob()
    const [kept] = await added(boxId, jobId, [
      entry({ kind: 'note', text: 'tomorrow' }, '2199-01-01T00:00:00.000Z'),
    ])
    expect(Date.parse(kept?.at ?? '')).toBeLessThanOrEqual(Date.now())
  })
})

describe('the limit of a measurement is decided by the server', () => {
  const generous: EnteredLimit = { source: 'maker', least: '0.01', unit: 'mm' }
  const limitOf = (entries: readonly Entry[]) => {
    const [body] = entries.map((each) => each.body)
    return body?.kind === 'measurement' ? body.limit : undefined
  }

  test('whatever came with it, the rule of thumb, then the shop, then the maker', async () => {
    const { boxId, jobId } = await unitWithJob()
    // 0.030 in; common practice.
    expect(limitOf(await added(boxId, jobId, [entry(gap(generous))]))).toEqual({
      source: 'thumb',
      least: '0.762',
      unit: 'mm',
    })
    const shop: EnteredLimit = { source: 'shop', least: '0.85', unit: 'mm' }
    await keepRule('ring-gap', shop)
    expect(limitOf(await added(boxId, jobId, [entry(gap(null))]))).toEqual(shop)
    const maker: EnteredLimit = { source: 'maker', least: '0.95', unit: 'mm' }
    const figure = entry({ kind: 'limit', part: null, measure: 'ring-gap', limit: maker })
    await added(boxId, jobId, [figure])
    await keepRule('ring-gap', { ...shop, least: '0.5' })
    expect(limitOf(await added(boxId, jobId, [entry(gap(generous))]))).toEqual(maker)
    await added(boxId, jobId, [entry({ kind: 'withdraw', entry: figure.id })])
    await keepRule('ring-gap', undefined)
    expect(await readRules()).toEqual([])
    expect(limitOf(await added(boxId, jobId, [entry(gap(null))]))?.source).toBe('thumb')
  })
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
  expect(await added(boxId, jobId, entries)).toEqual(entries)
  expect((await jobsOfBox(boxId))[0]?.entries).toEqual(entries)
})

test('an entry that is sent twice is kept once', async () => {
  const { boxId, jobId } = await unitWithJob()
  const one = entry({ kind: 'note', text: 'once' })
  await addEntries(boxId, jobId, [one])
  expect(await added(boxId, jobId, [one])).toEqual([one])
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
  const other = await createBox(UNIT)
  const refused = { kind: 'absent' }
  expect(await addEntries(other, jobId, [entry({ kind: 'reopen' })])).toEqual(refused)
  expect(await addEntries('no id', jobId, [entry({ kind: 'reopen' })])).toEqual(refused)
})

test('a job is full some day, and says so', async () => {
  const { boxId, jobId } = await unitWithJob()
  await db.execute(sql`
    insert into job_entries (id, job_id, at, by, body)
    select gen_random_uuid(), ${jobId}::uuid, now(), '', '{"kind":"reopen"}'
    from generate_series(1, ${MOST_ENTRIES})`)
  const note = entry({ kind: 'note', text: 'one more' })
  expect(await addEntries(boxId, jobId, [note])).toEqual({ kind: 'full' })
  // It can be closed all the same.
  await added(boxId, jobId, [entry(CLOSE)])
})

test('the bench hears of the latest job of each unit in a line', async () => {
  const { boxId, jobId } = await unitWithJob()
  await addEntries(boxId, jobId, [entry({ kind: 'waiting', for: 'a bearing' })])
  const jobs = await jobsOfBoxes([boxId])
  const [job] = jobs.get(boxId) ?? []
  if (!job) throw new Error('no job')
  expect(readJob(job.entries).waitingFor).toBe('a bearing')
  expect(summaryOf(UNIT, job)).toEqual({
    number: 1,
    isClosed: false,
    stage: 'intake',
    waiting: [{ code: 'said', text: 'a bearing' }, { code: 'nothing-measured' }],
    missing: [],
    assignee: '',
    ...{ openedAt: job.openedAt, closedAt: null },
    last: { at: job.entries[0]?.at, by: job.entries[0]?.by },
  })
})

test('a job of a unit whose drawing does not hang together is told with its number', async () => {
  const { boxId } = await unitWithJob()
  const [job] = await jobsOfBox(boxId)
  if (!job) throw new Error('no job')
  expect(summaryOf({ ...UNIT, axes: [] }, job)).toMatchObject({
    ...{ number: 1, isClosed: false, stage: null, waiting: [] },
  })
})

test('a line on the bench is worked out once, and anew when box or job change', async () => {
  const { boxId, jobId } = await unitWithJob()
  const lineOf = async () => {
    const box = await findBox(boxId)
    return box && (await summariesOf([box])).get(boxId)
  }
  const first = await lineOf()
  expect(first?.waiting).toEqual([{ code: 'nothing-measured' }])
  // Kept: what stands in the row is what is shown, until something changes.
  await db.execute(sql`update jobs set summary = jsonb_set(summary, '{stage}', '"parts"')`)
  expect(await lineOf()).toEqual({ ...first, stage: 'parts' })
  await added(boxId, jobId, [entry({ kind: 'waiting', for: 'a bearing' })])
  expect(await lineOf()).toEqual({
    ...first,
    waiting: [{ code: 'said', text: 'a bearing' }, { code: 'nothing-measured' }],
    last: { at: expect.any(String) as string, by: 'AB' },
  })
})

test('lines of many units are kept at once, each with its own job, and then rest', async () => {
  const units = [await unitWithJob(), await unitWithJob(), await unitWithJob()] as const
  await added(units[1].boxId, units[1].jobId, [entry({ kind: 'waiting', for: 'a bearing' })])
  const found = await Promise.all(units.map(({ boxId }) => findBox(boxId)))
  const boxes = found.filter((box) => box !== null)
  const kept = async () => {
    const { rows } = await db.execute(sql`select box_id, summary, xmin::text as written from jobs`)
    return rows
  }
  const shown = await summariesOf(boxes)
  const rows = await kept()
  expect(new Map(rows.map(({ box_id, summary }) => [box_id, summary]))).toEqual(shown)
  expect(shown.get(units[1].boxId)?.waiting[0]).toEqual({ code: 'said', text: 'a bearing' })
  // One transaction wrote them all.
  expect(new Set(rows.map(({ written }) => written)).size).toBe(1)
  expect(await summariesOf(boxes)).toEqual(shown)
  expect(await kept()).toEqual(rows)
})

test('a line that somebody else is writing is shown and left to them', async () => {
  const { boxId } = await unitWithJob()
  const box = await findBox(boxId)
  if (!box) throw new Error('no box')
  await db.transaction(async (other) => {
    await other.execute(sql`select 1 from jobs for update`)
    expect((await summariesOf([box])).get(boxId)?.stage).toBe('intake')
  })
  const { rows } = await db.execute(sql`select summary from jobs`)
  expect(rows).toEqual([{ summary: null }])
})

test('the shelf is a usual set of leaves until the shop keeps its own', async () => {
  expect(await readShelf('mm')).toEqual(usualShelf('mm'))
  const leaves = [{ thickness: 500, quantity: 1 }]
  const own = { initials: ['AB'], leaves, shims: [], stock: [], currency: 'EUR' }
  await keepShelf(own, 'mm')
  await keepShelf({ ...own, initials: ['AB', 'CD'] }, 'mm')
  // Whatever whoever looks works in.
  expect(await readShelf('in')).toEqual({ ...own, initials: ['AB', 'CD'] })
})

describe('whoever comes second to what the shop has is told what stands', () => {
  test('of twelve who change the shelf at once from one base, one is kept', async () => {
    const base = shelfBase(await readShelf('mm'))
    const outcomes = await Promise.all(
      Array.from('ABCDEFGHIJKL', (letter) =>
        keepShelf({ ...usualShelf('mm'), initials: [letter] }, 'mm', base),
      ),
    )
    const standing = await readShelf('mm')
    expect(outcomes.filter(({ kind }) => kind === 'kept')).toHaveLength(1)
    for (const outcome of outcomes)
      if (outcome.kind === 'changed') expect(outcome.standing).toEqual(standing)
  })

  test('a rule that was changed meanwhile is neither replaced nor dropped', async () => {
    const [first, second]: EnteredLimit[] = ['0.8', '0.9'].map((least) => ({
      source: 'shop',
      least,
      unit: 'mm',
    }))
    const none = ruleBase(undefined)
    expect(await keepRule('ring-gap', first, none)).toEqual({ kind: 'kept' })
    const standing = { measure: 'ring-gap', limit: first }
    expect(await keepRule('ring-gap', second, none)).toEqual({ kind: 'changed', standing })
    expect(await keepRule('ring-gap', undefined, none)).toEqual({ kind: 'changed', standing })
    expect(await readRules()).toEqual([standing])
    expect(await keepRule('ring-gap', second, ruleBase(first))).toEqual({ kind: 'kept' })
  })
})

test('a job that is closed stays as it was judged by the shop, whatever the shop goes by later', async () => {
  const { boxId, jobId } = await unitWithJob()
  const figure = {
    ...gap(null),
    part: 'shaft:main',
    measure: 'end-play',
    readings: ['9'],
    unit: 'thou',
  }
  await added(boxId, jobId, [entry(figure as EntryBody)])
  const verdict = async () => {
    const [job] = await jobsOfBox(boxId)
    const { findings } = readJob(job?.entries ?? [], { sheet: [], rules: await readRules() })
    return findings[0]?.verdict
  }
  expect(await verdict()).toBeNull()
  await keepRule('end-play', { source: 'shop', most: '0.15', unit: 'mm' })
  expect(await verdict()).toBe('replace')
  await added(boxId, jobId, [entry({ kind: 'close', leftOut: '' }, '2026-01-05T09:00:00.000Z')])
  await keepRule('end-play', undefined)
  expect(await verdict()).toBe('replace')
})

describe('one id is one entry', () => {
  test('the same once more is what was kept, other content under it is told of', async () => {
    const { boxId, jobId } = await unitWithJob()
    const note = entry({ kind: 'note', text: 'first' })
    const outcome = await addEntries(boxId, jobId, [note])
    expect(await addEntries(boxId, jobId, [note])).toEqual(outcome)
    const other = { ...note, body: { kind: 'note', text: 'other' } } as const
    expect(await addEntries(boxId, jobId, [other])).toEqual({ kind: 'taken' })
    expect(await addEntries(boxId, jobId, [{ ...note, by: 'CD' }])).toEqual({ kind: 'taken' })
    const elsewhere = await unitWithJob()
    expect(await addEntries(elsewhere.boxId, elsewhere.jobId, [note])).toEqual({ kind: 'taken' })
  })

  test('one step of Build that two pages say at once is one entry', async () => {
    const { boxId, jobId } = await unitWithJob()
    const step = (is: 'off' | 'in', tray?: string) =>
      entry({ kind: 'step', part: 'gear:main-3', is, ...(tray !== undefined && { tray }) })
    const both = await Promise.all(
      [step('off', 'A'), step('off', 'A')].map((each) => addEntries(boxId, jobId, [each])),
    )
    expect(both[0]).toEqual(both[1])
    expect(both[0]?.kind).toBe('kept')
    // Into another tray, and in again, are steps of their own.
    await added(boxId, jobId, [step('off', 'B')])
    await added(boxId, jobId, [step('in')])
    await added(boxId, jobId, [step('in')])
    await added(boxId, jobId, [entry({ kind: 'step', part: null, is: 'off' })])
    await added(boxId, jobId, [entry({ kind: 'step', part: null, is: 'off' })])
    const [job] = await jobsOfBox(boxId)
    expect(job?.entries.map(({ body }) => body.kind === 'step' && [body.part, body.is])).toEqual([
      ['gear:main-3', 'off'],
      ['gear:main-3', 'off'],
      ['gear:main-3', 'in'],
      [null, 'off'],
    ])
  })

  test('a measurement whose limit was decided on the server is the same once more', async () => {
    const { boxId, jobId } = await unitWithJob()
    const measured = entry(gap(null))
    const outcome = await addEntries(boxId, jobId, [measured])
    expect(await addEntries(boxId, jobId, [measured])).toEqual(outcome)
  })
})
