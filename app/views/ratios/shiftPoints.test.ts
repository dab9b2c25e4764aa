import { compareRatios, rational } from 'core'

import { analyseDraft } from '~/views/box/analysis.ts'

import { fourSpeed } from '../../../core/testing/boxes.ts'
import { forwardPositions, shiftsUp, travelOf } from './shiftPoints.ts'

const positions = [
  { label: '1', ratio: rational(4) },
  { label: '2', ratio: rational(2) },
  { label: '3', ratio: rational(1) },
]

const FOUR = fourSpeed('constant-mesh')

test('the road speed stays over a shift, so the engine falls by the step of the ratios (common practice)', () => {
  expect(shiftsUp(positions, travelOf(null, undefined), 3000)).toEqual([
    { from: '1', to: '2', at: 750, toRpm: 1500 },
    { from: '2', to: '3', at: 1500, toRpm: 1500 },
  ])
})

test('with wheels and final drive it is told where on the road (0.377·r·n, Bosch Automotive Handbook, from memory)', () => {
  const travel = travelOf({ drivingToothCount: 10, drivenToothCount: 40 }, 300)
  // 3000/2 of the output, a quarter of it at the wheels: 375 rev/min on 0.3 m.
  const [, second] = shiftsUp(positions, travel, 3000)
  expect(travel.kind).toBe('road')
  expect(second?.at).toBeCloseTo(0.377 * 0.3 * 375, 1)
})

test('reverse and neutral are nothing to shift up to, and the lowest gear comes first', () => {
  const rows = compareRatios(analyseDraft(FOUR).positions, FOUR)
  expect(forwardPositions(rows).map(({ label }) => label)).toEqual(['1', '2', '3', '4'])
  expect(forwardPositions([...rows].reverse()).map(({ label }) => label)).toEqual([
    '1',
    '2',
    '3',
    '4',
  ])
})

test('of two positions with one ratio one is shifted to', () => {
  const [row] = compareRatios(analyseDraft(FOUR).positions, FOUR)
  expect(forwardPositions(row ? [row, row] : [])).toHaveLength(1)
})

test('where there is one position there is no shift', () => {
  expect(shiftsUp(positions.slice(0, 1), travelOf(null, undefined), 3000)).toEqual([])
})
