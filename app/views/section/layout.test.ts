import type { BodyMotion } from 'core'
import { layOutSection, rational } from 'core'
import { trainDraft } from '../../../core/testing/boxes.ts'

import { movingBlocks } from './layout.ts'
import { scaleOf } from './scale.ts'
import { gearSeats } from './toothMarks.ts'

const section = layOutSection(trainDraft([[20, 40]]))
const LAYOUT = {
  section,
  scale: scaleOf(section),
  seats: gearSeats(section),
  shifts: new Map([['driven-0', 5]]),
}
const turns = (over: number, under = 1): BodyMotion => ({
  kind: 'turns',
  speed: rational(over, under),
})

// An external pair of 20 and 40 teeth: the driven gear goes half as fast, the other way.
const MOTIONS = new Map([
  ['shaft-0', turns(1)],
  ['shaft-1', turns(-1, 2)],
])

test('teeth drift as their gears turn, the other way seen from the other end', () => {
  const drifts = (downwards: 1 | -1) =>
    movingBlocks(LAYOUT, MOTIONS, downwards).map((block) => [block.gear, block.downwards])
  expect(drifts(1)).toEqual([
    ['driving-0', 1],
    ['driven-0', -0.5],
  ])
  expect(drifts(-1)).toEqual([
    ['driving-0', -1],
    ['driven-0', 0.5],
  ])
})

test('what stands, coasts or is not known does not drift', () => {
  const motions = new Map<string, BodyMotion>([
    ['shaft-0', { kind: 'still' }],
    ['shaft-1', { kind: 'coasts' }],
  ])
  expect(movingBlocks(LAYOUT, motions, 1)).toEqual([])
  expect(movingBlocks(LAYOUT, undefined, 1)).toEqual([])
})

test('a gear that has slid drifts where it is', () => {
  const [, slid] = movingBlocks(LAYOUT, MOTIONS, 1)
  const [, still] = movingBlocks({ ...LAYOUT, shifts: new Map() }, MOTIONS, 1)
  expect((slid?.x ?? NaN) - (still?.x ?? NaN)).toBeCloseTo(5 * LAYOUT.scale.perMmX, 9)
})
