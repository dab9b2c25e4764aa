/** What the address of a page of Shift says. */
import { buildPattern, directionAhead, prepareSolver, rational } from 'core'

import { boxOf, fourSpeed } from '../../../core/testing/boxes.ts'

import { figureWithin, rollingSpeed } from './shiftInput.ts'

test('a figure is taken within its limits, and the usual one for anything else', () => {
  const of = (text: string | null) => figureWithin(text, 7, [0, 10])
  expect([of('3.5'), of('0'), of('10')]).toEqual([3.5, 0, 10])
  for (const text of [null, '', ' ', 'x', '-1', '10.1', 'Infinity', 'NaN']) expect(of(text)).toBe(7)
})

test('the output rolls as it turns ahead, as a share of the input', () => {
  const ahead = prepareSolver(boxOf(fourSpeed('sliding-idler')))
  expect(directionAhead(ahead)).toBe(1)
  expect(rollingSpeed(ahead, 300, 3_000).equals(rational(1, 10))).toBe(true)
  expect(rollingSpeed(ahead, 0.5, 1_000).equals(rational(1, 2_000))).toBe(true)
  // Two shafts, one pair of gears: the output turns against the input in every gear but reverse.
  const two = buildPattern('longitudinal-transaxle', 'two', {})
  const turned = {
    ...two,
    gears: two.gears.map((gear, at) => ({ ...gear, toothCount: 20 + at })),
    outputs: ['output'],
  }
  const against = prepareSolver(boxOf(turned))
  expect(directionAhead(against)).toBe(-1)
  expect(rollingSpeed(against, 300, 3_000).equals(rational(-1, 10))).toBe(true)
})
