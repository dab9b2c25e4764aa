import type { Entry, EntryBody } from './job.ts'
import { LOOKS, readJob } from './job.ts'
import { MEASURES } from '../measure/measurement.ts'
import { ORDER_RULES, needsOf, orderKey } from './orders.ts'
import { neededParts } from './stages.ts'
import { boxOf, fourSpeed } from '../testing/boxes.ts'
import { unitParts } from './unitParts.ts'

const draft = fourSpeed('sliding-idler')
let count = 0
const entry = (body: EntryBody): Entry => ({
  id: `${count}`.padStart(4, '0'),
  at: `2026-01-05T08:${`${Math.floor(count / 60)}`.padStart(2, '0')}:${`${count++ % 60}`.padStart(2, '0')}.000Z`,
  by: '',
  body,
})

const ring = unitParts(draft).find(({ kind }) => kind === 'ring')?.ref ?? ''
const gap = (thou: number, phase: 'found' | 'after'): Entry =>
  entry({
    kind: 'measurement',
    part: ring,
    measure: 'ring-gap',
    readings: [thou, thou, thou].map(String),
    unit: 'thou',
    tool: '',
    limit: { source: 'maker', least: '30', unit: 'thou' },
    phase,
  })
const line = (key: string, state: 'ordered' | 'arrived'): Entry =>
  entry({ kind: 'line', line: { key, what: key, quantity: 1, price: null, state } })
const needed = (...log: readonly Entry[]): readonly string[] =>
  needsOf(readJob(log)).map(({ key }) => key)

test('whatever can be found on a part has one line in the table', () => {
  for (const { kind, measures, looks } of unitParts(draft))
    for (const found of [...measures, ...looks])
      expect(ORDER_RULES.filter((rule) => rule.found === found && rule.on === kind)).toHaveLength(1)
  // And no line speaks of what nobody can find.
  const known = new Set<string>([...MEASURES, ...LOOKS])
  for (const { found } of ORDER_RULES) expect(known.has(found)).toBe(true)
})

test.each([
  // Common practice of the bench.
  { part: 'shaft:counter', what: 'bearing-feel', key: 'bearings:counter' },
  { part: 'shaft:main', what: 'end-play', key: 'shims:main' },
  { part: 'gear:main-2', what: 'end-play', key: 'thrust-washer:main-2' },
  { part: 'sleeve:3-4', what: 'fork-clearance', key: 'fork:3-4' },
  { part: 'sleeve:3-4', what: 'dog-corners', key: 'sleeve:3-4' },
  { part: 'shaft:main', what: 'run-out', key: 'shaft:main' },
] as const)('$what of $part orders $key', ({ part, what, key }) => {
  expect(orderKey({ part, what })).toBe(key)
})

test('a rough bearing orders bearings, and no shaft, gear or ring (common practice)', () => {
  const rough = entry({
    kind: 'look',
    part: 'shaft:counter',
    look: 'bearing-feel',
    grade: 'replace',
  })
  const parts = neededParts(boxOf(draft), readJob([rough]))
  expect(parts).toEqual(['bearings:counter', 'seals', 'snap-rings', 'pilot-bearing'])
})

test('a ring that measures good after the work stays on the list that it was ordered by', () => {
  expect(needed(gap(20, 'found'))).toEqual([ring])
  expect(needed(gap(20, 'found'), line(ring, 'arrived'), gap(42, 'after'))).toEqual([ring])
  expect(needed(gap(20, 'found'), gap(42, 'after'))).toEqual([ring])
})

test('a ring measured again as found takes its verdict with it, unless it was ordered', () => {
  expect(needed(gap(20, 'found'), gap(42, 'found'))).toEqual([])
  expect(needed(gap(20, 'found'), line(ring, 'ordered'), gap(42, 'found'))).toEqual([ring])
})
