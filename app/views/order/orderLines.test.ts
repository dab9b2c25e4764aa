import type { Entry, EntryBody } from 'core'
import { indexBox, readJob, threeShaftBox } from 'core'

import { formatOrderCsv } from '~/files/orderCsv.ts'
import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { orderLines, totalsOf } from './orderLines.ts'

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
  expect(totals.cost).toBe(24)
  expect(totals.withoutPrice).toBe(4)
  expect(totals.byState).toEqual({ needed: 4, ordered: 1, arrived: 1, 'left-out': 1 })
})

test('the list goes to a spreadsheet, and nothing in it is taken for a formula', () => {
  const job = readJob(
    log({
      kind: 'line',
      line: { key: 'own:x', what: '=1+1', quantity: 1, price: '2.50', state: 'ordered' },
    }),
  )
  expect(formatOrderCsv(orderLines(naming, job))).toBe(
    'part,why,quantity,price each,state\r\n"\'=1+1",added by hand,1,2.5,ordered\r\n',
  )
})
