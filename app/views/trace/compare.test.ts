import { indexBox, withToothCounts } from 'core'

import { fourSpeed } from '../../../core/testing/boxes.ts'
import { analyseDraft } from '~/views/box/analysis.ts'
import { DEFAULT_SETTINGS } from '~/settings.ts'
import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import {
  compareCounts,
  comparePositions,
  compareRatiosOf,
  compareRows,
  formatCounts,
  parseCounts,
} from './compare.ts'
import { readTraceInput } from './traceInput.ts'

const draft = fourSpeed('constant-mesh')
const naming = { box: indexBox(draft), words: PLAIN_WORDS }
const input = readTraceInput({}, DEFAULT_SETTINGS)
const at = (label: string) => {
  const found = analyseDraft(draft).positions.find(({ position }) => position.label === label)
  if (!found) throw new Error(`no position ${label}`)
  return found
}
const plain = (text: string): string => text.replaceAll('\u00a0', ' ')

test('1st beside direct: ratio, torque and speed differ, the sense does not', () => {
  const rows = compareRows(comparePositions(naming, at('1'), at('4')), input)
  const row = (name: string) => rows.find((each) => each.name === name)
  // 40/20 × 40/20 by hand.
  expect(row('Ratio')?.values.map(plain)).toEqual(['4.000 : 1', '1 : 1'])
  expect(row('Torque out')?.values.map(plain)).toEqual(['400 N·m', '100 N·m'])
  expect(row('Speed out')?.values.map(plain)).toEqual(['250 rev/min', '1000 rev/min'])
  expect(row('Ratio')?.differs).toBe(true)
  expect(row('Output turns')?.differs).toBe(false)
  expect(row('Path')?.values[0]).toBe(
    'head gear 20 on head gear 40 → 1st gear 20 on 1st gear 40 → 1–2 sleeve',
  )
})

test('a position beside itself differs nowhere', () => {
  const rows = compareRows(comparePositions(naming, at('2'), at('2')), input)
  expect(rows.length).toBeGreaterThan(10)
  expect(rows.filter(({ differs }) => differs)).toEqual([])
})

test('another count changes what hangs on it: 50 on 20 in 1st is 5 : 1 (by hand), the box stays as it is', () => {
  const sides = compareCounts(naming, PLAIN_WORDS, at('1'), new Map([['main-1', 50]]))
  if (!sides) throw new Error('the box does not hang together')
  const rows = compareRows(sides, input)
  expect(rows.find(({ name }) => name === 'Ratio')?.values.map(plain)).toEqual([
    '4.000 : 1',
    '5.000 : 1',
  ])
  expect(rows.find(({ name }) => name === 'Countershaft')?.differs).toBe(false)
  expect(draft.gears.find(({ id }) => id === 'main-1')?.toothCount).toBe(40)
  expect(
    compareRatiosOf(sides)
      .filter(({ differs }) => differs)
      .map(({ name }) => name),
  ).toEqual(['Position 1'])
})

test('counts in the address: what is no gear or no count is passed over', () => {
  const counts = parseCounts(draft, 'main-1:50,gone:20,main-2:3,main-3:x,,main-3:31')
  expect([...counts]).toEqual([
    ['main-1', 50],
    ['main-3', 31],
  ])
  expect(parseCounts(draft, formatCounts(counts))).toEqual(counts)
  expect(withToothCounts(draft, counts).gears.find(({ id }) => id === 'main-3')?.toothCount).toBe(
    31,
  )
})
