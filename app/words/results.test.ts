import { analyse, prepareSolver } from 'core'

import { boxOf, fourSpeed } from '../../core/testing/boxes.ts'
import { shortResult } from './results.ts'

const draft = fourSpeed('constant-mesh')

/** What the key of a position says, with plain spaces. */
function keyOf(label: string, of = draft): string {
  const position = of.positions.find((each) => each.label === label)
  const analysis = analyse(prepareSolver(boxOf(of)), position?.couplers ?? {})
  return shortResult(analysis).replaceAll(/\s/g, ' ')
}

test('a position that drives says its ratio', () => {
  // 40/20 · 35/25 = 2.8; reverse 40/20 · 25/20 · 40/25 = 4; three decimals, and none of direct.
  expect(keyOf('2')).toBe('2.800 : 1')
  expect(keyOf('R')).toBe('4.000 : 1')
  expect(keyOf('4')).toBe('1 : 1')
})

test('one that drives nothing says so', () => {
  expect(keyOf('N')).toBe('neutral')
})

test('one that waits for counts says for how many', () => {
  const gears = draft.gears.map((gear) =>
    gear.id.endsWith('-2') ? { ...gear, toothCount: null } : gear,
  )
  expect(keyOf('2', { ...draft, gears })).toBe('2 to count')
  expect(keyOf('3', { ...draft, gears })).toBe('2.000 : 1')
})

test('two gears in at once are locked', () => {
  const places = { 'coupler-1-2': '1', 'coupler-3-4': '3' }
  expect(shortResult(analyse(prepareSolver(boxOf(draft)), places))).toBe('locked')
})
