import type { BoxDraft } from '../box/index.ts'
import { buildPattern, checkBox, withSelectors } from '../box/index.ts'
import { prepareSolver } from '../train/index.ts'
import { fourSpeed } from '../testing/boxes.ts'

import type { ShownComplaint } from './complaints.ts'
import { complaintsOf } from './complaints.ts'

function complaints(draft: BoxDraft): ReadonlyMap<string, ShownComplaint> {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('not sound')
  return new Map(complaintsOf(prepareSolver(checked.box)).map((each) => [each.kind, each]))
}

/** 1st 4, 2nd 2.8, 3rd 2, 4th 1; reverse by a sliding idler. */
const four = withSelectors(fourSpeed('sliding-idler'), 'lever')

const ring = { meanDiameterMm: 60, halfAngleDeg: 7, leverForceN: 60, leverRatio: 7 }
const withRings: BoxDraft = {
  ...four,
  couplers: four.couplers.map((coupler) => ({
    ...coupler,
    positions: coupler.positions.map((place) =>
      coupler.kind === 'synchronizer' && place.engages.length > 0 ? { ...place, ring } : place,
    ),
  })),
  members: four.members.map((member) =>
    member.id === four.input ? { ...member, inertiaKgM2: 0.01 } : member,
  ),
}

test('the fast change is the one down with the most to take away, and is shown', () => {
  // By hand, at the ring: 4 to 3 the counter side from 1/2 to 1, third by 1/2·30/30: slip 1/2 of a turn;
  // 3 to 2: 1/2 · 25/35 = 5/14 beside 1/2: 1/7; 2 to 1: 1/4 beside 5/14: 3/28.
  const fast = complaints(withRings).get('fast')
  expect(fast).toMatchObject({ from: { label: '4' }, into: { label: '3' } })
  expect(fast?.scene).toMatchObject({ on: 'change', from: { label: '4' }, into: { label: '3' } })
})

test('cold oil makes the same change longer, or impossible', () => {
  const cold = complaints(withRings).get('cold')
  if (cold?.kind !== 'cold' || cold.warmS === null) throw new Error('no cold change')
  expect(cold.coldS ?? Infinity).toBeGreaterThan(cold.warmS)
  // A ring with next to no friction has less than the oil.
  const weak = { ...ring, friction: 0.01, leverForceN: 20 }
  const none = complaints({
    ...withRings,
    couplers: withRings.couplers.map((coupler) => ({
      ...coupler,
      positions: coupler.positions.map((place) => (place.ring ? { ...place, ring: weak } : place)),
    })),
  }).get('cold')
  expect(none).toMatchObject({ coldS: null })
})

test('without figures nothing is said of times', () => {
  expect(complaints(four).get('fast')).toMatchObject({ takesS: null })
  expect(complaints(four).get('cold')).toMatchObject({ warmS: null })
})

test('standing, reverse by a sliding idler is taken without a ring (common practice)', () => {
  expect(complaints(four).get('standing')).toMatchObject({ into: { label: 'R' }, hasRing: false })
})

test('a lost ball lets two gears in that lock, and is shown with it out', () => {
  const two = complaints(four).get('two-in')
  if (two?.kind !== 'two-in') throw new Error('nothing locks')
  expect(two.set.isLocked).toBe(true)
  expect(two.scene).toMatchObject({ on: 'interlock', moved: two.set.moved })
})

test('worn dogs are what is shown of those that jump out', () => {
  const racing = buildPattern('racing', 'box', {})
  const worn = {
    ...racing,
    couplers: racing.couplers.map((coupler, at) => ({
      ...coupler,
      positions: coupler.positions.map((place) =>
        at === 1 && place.engages.length > 0
          ? {
              ...place,
              dogs: {
                count: 5,
                freeAngleDeg: 30,
                depthMm: 4,
                meanDiameterMm: 60,
                backTaperDeg: -10,
              },
            }
          : place,
      ),
    })),
  }
  const out = complaints(worn).get('jumps-out')
  if (out?.kind !== 'jumps-out') throw new Error('nothing jumps out')
  // 60 N·m at 30 mm are 2,000 N; tan 10° less 0.1 of it.
  expect(out.drawsInN).toBeCloseTo(-2_000 * (Math.tan(Math.PI / 18) - 0.1), 6)
})
