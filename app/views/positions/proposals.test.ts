import type { BoxDraft } from 'core'
import { buildPattern, checkBox, removePart } from 'core'

import { fourSpeed, withCounts } from '../../../core/testing/boxes.ts'
import type { FoundAll } from './findAll.ts'
import { findAllAtOnce } from './findAll.ts'
import { barWords, forbidRow, listAll, listRow, proposeRows } from './proposals.ts'

const draft = fourSpeed('constant-mesh')

function all(of: BoxDraft): Extract<FoundAll, { kind: 'found' }> {
  const found = findAllAtOnce(of)
  if (found.kind !== 'found') throw new Error(found.kind)
  return found
}

const rowsOf = (of: BoxDraft, nearPercent = 1) => proposeRows(of, all(of).rows, nearPercent)
const without = (...ids: readonly string[]): BoxDraft =>
  ids.reduce<BoxDraft>((next, id) => removePart(next, { list: 'positions', id }), draft)

test('what is listed keeps its name, and the order is by ratio', () => {
  const rows = rowsOf(draft).filter(({ barredBy }) => barredBy === null)
  expect(rows.map(({ label }) => label)).toEqual(['1', '2', '3', '4', 'R'])
  expect(rows.every(({ listed }) => listed !== undefined)).toBe(true)
})

test('what is not listed is named by its place in the order', () => {
  const rows = rowsOf(without('2', 'R')).filter(({ listed }) => !listed)
  expect(rows.filter(({ barredBy }) => !barredBy).map(({ label }) => label)).toEqual(['2', 'R'])
})

test('a name that is taken is not given twice', () => {
  const renamed: BoxDraft = {
    ...without('2'),
    positions: without('2').positions.map((position) =>
      position.id === '1' ? { ...position, label: '2' } : position,
    ),
  }
  const labels = rowsOf(renamed)
    .filter(({ barredBy }) => barredBy === null)
    .map(({ label }) => label)
  expect(labels).toEqual(['2', '2 (2)', '3', '4', 'R'])
})

test('listing all puts the found ones in ratio order, and neutral after them', () => {
  const mixed: BoxDraft = { ...without('2'), positions: [...without('2').positions].reverse() }
  const next = listAll(mixed, rowsOf(mixed))
  expect(next.positions.map(({ label }) => label)).toEqual(['1', '2', '3', '4', 'R', 'N'])
  expect(checkBox(next)).toMatchObject({ ok: true, warnings: [] })
  const [first] = rowsOf(next)
  expect(first && listRow(next, first)).toBe(next)
})

test('a forbidden one is off the list and barred, with the reason', () => {
  const reverse = rowsOf(draft).find(({ label }) => label === 'R')
  if (!reverse) throw new Error('reverse was not found')
  const next = forbidRow(draft, reverse)
  expect(next.positions.some(({ label }) => label === 'R')).toBe(false)
  expect(barWords(next, reverse.places)).toBe('R is not to be used.')
  const barred = rowsOf(next).filter(({ barredBy }) => barredBy !== null)
  expect(barred.map(({ places }) => places)).toContainEqual(reverse.places)
})

test('two sleeves at once are barred by the interlock', () => {
  expect(barWords(draft, { 'coupler-1-2': '1', 'coupler-3-4': '3' })).toBe(
    'The interlock lets only one of its couplers move.',
  )
  expect(barWords(draft, { 'coupler-1-2': '1' })).toBe('')
})

test('repeats and near repeats name the one before them', () => {
  // 1st 40/20 × 40/20 = 4; with 2nd counted alike it repeats, with 41/20 it is 4.1: 2.5 % off.
  const counted = (main: number): BoxDraft => ({
    ...draft,
    gears: draft.gears.map((gear) =>
      gear.id === 'main-2'
        ? { ...gear, toothCount: main }
        : gear.id === 'counter-2'
          ? { ...gear, toothCount: 20 }
          : gear,
    ),
  })
  const near = (of: BoxDraft, percent: number) =>
    rowsOf(of, percent).flatMap((row) => (row.near ? [row.near.isSame] : []))
  expect(near(counted(40), 0)).toEqual([true])
  expect(near(counted(41), 1)).toEqual([])
  expect(near(counted(41), 3)).toEqual([false])
})

test('two gears in on two clutches are counted apart from what is engaged to no effect', () => {
  const pattern = buildPattern('dual-clutch', 'box', {})
  const counts = Object.fromEntries(
    pattern.gears.map(({ id }, at) => [id, id.includes('ring') ? 90 : 17 + at]),
  )
  const found = all(withCounts(pattern, counts))
  // By hand: odd clutch closed with 1, 3 or 5 while 2 or 4 and/or 6 wait on the other: the
  // interlocks allow one fork a shaft, so 3 × 3 + R × 3 = 12 for the odd, and 3 × 4 = 12 for the even.
  expect(found.readyCount).toBe(24)
})

test('a box that does not hang together, or is not counted, says so', () => {
  expect(findAllAtOnce({ ...draft, input: 'gone' })).toEqual({ kind: 'faulty' })
  expect(findAllAtOnce(withCounts(draft, {}))).toMatchObject({ kind: 'uncounted' })
})
