/** From the knob to the sleeve: levers as in any textbook of statics, worked by hand. */
import fc from 'fast-check'

import { buildPattern } from '../box/patterns/index.ts'
import type { BoxDraft, Selector } from '../box/types.ts'
import { forkWay, padsPerRod, ringFigures } from './forkWay.ts'

const box = buildPattern('three-shaft', 'box', {})

function withLengths(
  lengths: Partial<Selector>,
  swings?: BoxDraft['couplers'][number]['swings'],
): BoxDraft {
  return {
    ...box,
    selectors: box.selectors?.map((rod) => ({ ...rod, ...lengths })),
    couplers: box.couplers.map((coupler) => ({ ...coupler, ...(swings && { swings }) })),
  }
}

function wayOf(draft: BoxDraft, knobN = 100) {
  const coupler = draft.couplers.find(({ id }) => id === 'coupler-1-2')
  const place = coupler?.positions.find(({ id }) => id === '1')
  if (!coupler || !place) throw new Error('first has its place')
  return { coupler, place, way: forkWay(draft, coupler, place, knobN) }
}

test('a lever of 280 mm on 40 mm: 100 N at the knob are 700 N at rod and sleeve, 8 mm there 56 mm here', () => {
  const { way } = wayOf(withLengths({ knobArmMm: 280, fingerArmMm: 40 }))
  expect(way?.rodN).toBeCloseTo(700, 9)
  expect(way?.sleeveN).toBeCloseTo(700, 9)
  expect(way?.rodMm).toBe(8)
  expect(way?.knobMm).toBeCloseTo(56, 9)
})

test('a fork that swings on arms of 30 and 60 mm halves the force, doubles the way and turns it round', () => {
  const draft = withLengths({ knobArmMm: 280, fingerArmMm: 40 }, { rodArmMm: 30, padArmMm: 60 })
  const { way, coupler } = wayOf(draft)
  expect(way?.sleeveN).toBeCloseTo(350, 9)
  expect(way?.sleeveMm).toBeCloseTo(16, 9)
  expect(padsPerRod(coupler)).toBe(-2)
})

test('nothing is told of a lever whose lengths are not known, nor of a rod that has a switch', () => {
  expect(wayOf(box).way).toBeNull()
  expect(wayOf(withLengths({ knobArmMm: 280 })).way).toBeNull()
  const switched = withLengths({ knobArmMm: 280, fingerArmMm: 40, switched: 'at-once' })
  expect(wayOf(switched).way).toBeNull()
})

test('the force on a ring is that of the lengths where these are known, else as it was entered', () => {
  const { coupler, place } = wayOf(box)
  const measured = { ...place, ring: { leverRatio: 12, friction: 0.09 } }
  expect(ringFigures(box, coupler, measured).leverRatio).toBe(12)
  const known = withLengths({ knobArmMm: 280, fingerArmMm: 40 })
  const figures = ringFigures(known, coupler, measured)
  expect(figures.leverRatio).toBeCloseTo(7, 9)
  expect(figures.friction).toBe(0.09)
})

test('no lever makes work: force × way is the same at knob, rod and pads', () => {
  const arm = fc.double({ min: 2, max: 500, noNaN: true })
  fc.assert(
    fc.property(arm, arm, arm, arm, (knobArmMm, fingerArmMm, rodArmMm, padArmMm) => {
      const { way } = wayOf(withLengths({ knobArmMm, fingerArmMm }, { rodArmMm, padArmMm }))
      if (!way) throw new Error('its lengths are known')
      const { knobN, rodN, sleeveN, knobMm, rodMm, sleeveMm } = way
      const work = knobN * (knobMm ?? NaN)
      expect((rodN * (rodMm ?? NaN)) / work).toBeCloseTo(1, 9)
      expect((sleeveN * (sleeveMm ?? NaN)) / work).toBeCloseTo(1, 9)
    }),
  )
})
