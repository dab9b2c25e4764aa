import type { Entry, EntryBody } from 'core'
import { buildPattern, indexBox, readJob, threeShaftBox } from 'core'

import { formatOrderCsv } from '~/files/orderCsv.ts'
import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { inspectionWords, orderLines, totalsOf, totalsWords } from './orderLines.ts'

const draft = threeShaftBox({
  name: 'unit',
  forwardCount: 4,
  directAt: 4,
  reverse: 'sliding-idler',
})
const naming = { box: indexBox(draft), words: PLAIN_WORDS }

const log = (...bodies: readonly EntryBody[]): readonly Entry[] =>
  bodies.map((body, at) => ({
    id: `${at}`,
    at: `2026-01-05T08:00:0${at}.000Z`,
    by: '',
    body,
  }))

const WORN: EntryBody = {
  kind: 'look',
  part: 'gear:main-3',
  look: 'tooth-tips',
  grade: 'replace',
}

test('a gear to replace brings its mate, the ring on its cone, seals, snap rings and pilot bearing', () => {
  const lines = orderLines(naming, readJob(log(WORN)))
  // Which parts go together; source: common practice.
  expect(lines.map(({ why }) => why)).toEqual([
    'judged to be replaced: tooth tips',
    'a gear is replaced with its mate',
    'a new cone gets a new ring',
    'goes with every rebuild',
    'goes with every rebuild',
    'goes with every rebuild',
  ])
  expect(lines[0]).toMatchObject({ key: 'gear:main-3', quantity: 1, price: null, state: 'needed' })
  expect(lines[1]?.key).toBe('gear:counter-3')
})

test('quantities, prices and states are kept, and added up', () => {
  const job = readJob(
    log(
      WORN,
      {
        kind: 'line',
        line: { key: 'gear:main-3', what: 'gear', quantity: 2, price: '10,50', state: 'ordered' },
      },
      {
        kind: 'line',
        line: { key: 'seals', what: 'seals', quantity: 1, price: '100', state: 'left-out' },
      },
      {
        kind: 'line',
        line: { key: 'own:x', what: 'a stud', quantity: 3, price: '1', state: 'arrived' },
      },
    ),
  )
  const totals = totalsOf(orderLines(naming, job))
  // 2 · 10.50 + 3 · 1, the seals left out; by hand.
  expect(totals.soFar).toBe(24)
  expect(totals.toCome).toBe(0)
  expect(totals.withoutPrice).toBe(4)
  expect(totals.byState).toEqual({ needed: 4, ordered: 1, arrived: 1, 'left-out': 1 })
})

test('what is to come, labour, cores that come back, and what is taken from a spare unit', () => {
  const own = { quantity: 1, price: null, state: 'needed' } as const
  const job = readJob(
    log(
      { kind: 'line', line: { ...own, key: 'own:a', what: 'cluster', price: '180', core: '40' } },
      {
        kind: 'line',
        line: {
          ...own,
          key: 'own:b',
          what: 'bench time',
          price: '95',
          state: 'arrived',
          isLabour: true,
        },
      },
      { kind: 'line', line: { ...own, key: 'own:c', what: 'fork', takenFrom: 'unit 3' } },
    ),
  )
  const totals = totalsOf(orderLines(naming, job))
  expect(totalsWords(totals, '')).toBe(
    'Cost so far 95.00, to come 180.00 in the shop’s money; 95.00 of it labour; 40.00 comes back for old parts.',
  )
  expect(totalsWords(totals, '£')).toMatch(
    /^Cost so far 95.00\s£, to come 180.00\s£; 95.00\s£ of it/,
  )
})

test('of a unit whose parts are listed, as many as it has and by their part number', () => {
  const whole = buildPattern('three-shaft', 'unit', {})
  const numbered = {
    ...whole,
    pieces: whole.pieces?.map((piece) =>
      piece.kind === 'snap-ring' ? { ...piece, partNumber: 'SR 22', quantity: 2 } : piece,
    ),
  }
  const lines = orderLines({ box: indexBox(numbered), words: PLAIN_WORDS }, readJob(log(WORN)))
  const rings = numbered.pieces?.filter(({ kind }) => kind === 'snap-ring') ?? []
  expect(lines.find(({ key }) => key === 'snap-rings')).toMatchObject({
    quantity: 2 * rings.length,
    partNumber: 'SR 22',
  })
  expect(lines.find(({ key }) => key === 'seals')?.partNumber).toBeUndefined()
})

test('a new ring asks for a look at its cone', () => {
  const job = readJob(
    log({ kind: 'look', part: 'ring:coupler-1-2/2', look: 'crack', grade: 'replace' }),
  )
  expect(inspectionWords(naming, job)).toEqual([
    '2nd gear, main shaft, because of the blocker ring for 2',
  ])
})

test('the list goes to a spreadsheet, and nothing in it is taken for a formula', () => {
  const job = readJob(
    log({
      kind: 'line',
      line: { key: 'own:x', what: '=1+1', quantity: 1, price: '2.50', state: 'ordered' },
    }),
  )
  expect(formatOrderCsv(orderLines(naming, job))).toBe(
    'part,why,part number,supplier,taken from,quantity,price each,core back,state,reason\r\n"\'=1+1",added by hand,,,,1,2.5,,ordered,\r\n',
  )
})
