/** What is drawn of a ring agrees with what is said to touch. */
import fc from 'fast-check'

import type { Approach } from 'core'
import { contactOf } from 'core'

import { engagingAfter, slipAt } from './engaging.ts'
import { GEAR_AT, HUB, SLEEVE_HALF, TIP, WAY, placedRing } from './placedRing.ts'

const RING: Approach = { part: 0, hasRing: true, gapMm: 1, travelMm: 8, depthMm: 4 }

const anyApproach = fc.record({
  part: fc.double({ min: 0, max: 1, noNaN: true }),
  hasRing: fc.constant(true),
  gapMm: fc.double({ min: 0, max: 1.6, noNaN: true }),
  travelMm: fc.double({ min: 6, max: 12, noNaN: true }),
  depthMm: fc.constant(4),
})

test('the sleeve stays on its hub all the way, and its tip is where the part of the way has it', () => {
  fc.assert(
    fc.property(anyApproach, (approach) => {
      const contact = contactOf(approach)
      const { tip } = placedRing(approach, contact)
      // Never less than half of the hub is in it.
      expect(tip - 2 * SLEEVE_HALF).toBeLessThanOrEqual(HUB.at)
      if (contact !== 'blocking' && contact !== 'grinding')
        expect(tip).toBeCloseTo(TIP + approach.part * WAY, 6)
    }),
  )
})

test('a gap is drawn to the scale of the way, and a sleeve that waits has not passed the ring', () => {
  fc.assert(
    fc.property(anyApproach, (approach) => {
      const contact = contactOf(approach)
      const { tip, ring } = placedRing(approach, contact)
      const gap = contact === 'free' ? GEAR_AT - ring.face - 2 : GEAR_AT - ring.face
      expect(gap / WAY).toBeCloseTo(approach.gapMm / approach.travelMm, 6)
      if (contact === 'blocking') expect(tip).toBeLessThan(ring.face)
      if (contact === 'grinding') expect(tip).toBeCloseTo(GEAR_AT, 6)
    }),
  )
})

test('played, a ring takes the whole difference away before its sleeve is through', () => {
  let now = { part: 0, slip: 1, turned: 0 }
  const seen: string[] = []
  for (let at = 0; at < 600 && now.part < 1; at++) {
    now = engagingAfter(now, RING, 0.016)
    const contact = contactOf({ ...RING, part: now.part })
    if (seen.at(-1) !== contact) seen.push(contact)
    if (contact === 'entering' || contact === 'in') expect(now.slip).toBe(0)
  }
  expect(seen).toEqual(['free', 'braking', 'blocking', 'entering', 'in'])
})

test('a ring that is left out takes nothing away, and the teeth grind', () => {
  const without = { ...RING, isRingOut: true }
  let now = { part: 0, slip: 1, turned: 0 }
  const seen = new Set<string>()
  for (let at = 0; at < 600 && now.part < 1; at++) {
    now = engagingAfter(now, without, 0.016)
    const contact = contactOf({ ...without, part: now.part })
    seen.add(contact)
    if (contact === 'grinding') expect(now.slip).toBe(1)
  }
  expect([...seen]).toEqual(['free', 'unbraked', 'grinding', 'in'])
  expect(slipAt({ ...without, part: 0.8 })).toBe(1)
  expect(slipAt({ ...RING, part: 0.8 })).toBe(0)
})
