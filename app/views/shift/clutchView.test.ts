/** Plates of a clutch as they are drawn: within their room, and closed where nothing is between them. */
import fc from 'fast-check'

import type { Clutch } from 'core'
import { CLUTCH_KINDS, clutchWork, fullClutch } from 'core'

import { CELL, goneOf, platesOf } from './clutchView.ts'

const anyClutch: fc.Arbitrary<Clutch> = fc.record({
  id: fc.constant('any'),
  kind: fc.constantFrom(...CLUTCH_KINDS),
  stages: fc.constant([{ id: 'fork', kind: 'lever' as const, inMm: 100, outMm: 40 }]),
  frictionPlateCount: fc.integer({ min: 1, max: 40 }),
  steelPlateCount: fc.integer({ min: 1, max: 40 }),
})

test('plates lie beside one another in their cell, one end to the other, however many', () => {
  fc.assert(
    fc.property(anyClutch, fc.double({ min: 0, max: 1, noNaN: true }), (clutch, share) => {
      const work = clutchWork(clutch, share * fullClutch(clutch).inputTravelMm)
      const plates = platesOf(clutch, work)
      expect([plates[0]?.kind, plates.at(-1)?.kind]).toEqual(['end', 'end'])
      plates.forEach(({ x, width }, at) => {
        const next = plates[at + 1]
        expect(width).toBeGreaterThan(0)
        expect((next ? next.x : CELL.width) - x - width).toBeGreaterThan(-1e-9)
      })
      if (work.gapMm === 0)
        expect((plates[1]?.x ?? 0) - (plates[0]?.x ?? 0)).toBeCloseTo(plates[0]?.width ?? 0)
    }),
  )
})

test('a pack has as many linings and steels as it is said to', () => {
  const pack: Clutch = {
    id: 'pack',
    kind: 'wet-pack',
    stages: [],
    frictionPlateCount: 4,
    steelPlateCount: 5,
  }
  const kinds = platesOf(pack, clutchWork(pack, 0)).map(({ kind }) => kind)
  expect(kinds.filter((kind) => kind === 'friction')).toHaveLength(4)
  expect(kinds.filter((kind) => kind === 'steel')).toHaveLength(5)
  // By turns.
  kinds.slice(1, -1).forEach((kind, at, all) => {
    expect(kind).not.toBe(all[at + 1])
  })
})

test('a stage has gone nowhere at rest, and its longer side is drawn to the end at the end', () => {
  const clutch: Clutch = {
    id: 'any',
    kind: 'single-dry',
    stages: [{ id: 'fork', kind: 'lever', inMm: 100, outMm: 40 }],
  }
  expect(goneOf(clutch, clutchWork(clutch, 0))).toEqual([[0, 0]])
  const [gone] = goneOf(clutch, clutchWork(clutch, fullClutch(clutch).inputTravelMm))
  expect((gone?.[1] ?? NaN) / (gone?.[0] ?? NaN)).toBeCloseTo(0.4)
})
