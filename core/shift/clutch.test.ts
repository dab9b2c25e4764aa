/** Clutches by hand: levers, oil, packs and torque (statics; uniform wear, handbooks, from memory). */
import fc from 'fast-check'

import { buildPattern } from '../box/patterns/index.ts'
import type { Clutch, ClutchStage } from '../box/types.ts'
import { CLUTCH_STAGE_KINDS } from '../box/types.ts'

import {
  clutchWork,
  clutchesOf,
  fullClutch,
  packClearanceMm,
  stageRatio,
  withListedPlates,
} from './clutch.ts'

const PACK: Clutch = {
  id: 'pack',
  kind: 'wet-pack',
  stages: [{ id: 'piston', kind: 'hydraulic', inMm: 25, outMm: 50 }],
  inputTravelMm: 8,
  inputForceN: 1_000,
  frictionPlateCount: 4,
  frictionPlateMm: 2.2,
  steelPlateCount: 4,
  steelPlateMm: 1.6,
  applyPlateMm: 4,
  roomMm: 20,
  springForceN: 500,
  meanDiameterMm: 120,
  friction: 0.1,
}

test('a lever of 300 to 60 mm hands on a fifth of the travel and five times the force', () => {
  const work = clutchWork(
    {
      id: 'dry',
      kind: 'single-dry',
      stages: [{ id: 'pedal', kind: 'lever', inMm: 300, outMm: 60 }],
      inputTravelMm: 100,
      inputForceN: 80,
    },
    100,
  )
  expect(work.stages[0]?.travelMm).toBeCloseTo(20, 12)
  expect(work.stages[0]?.forceN).toBeCloseTo(400, 12)
})

test('oil from a piston of 20 mm to one of 40 mm goes a quarter as far and pushes four times as hard', () => {
  expect(stageRatio({ id: 'oil', kind: 'hydraulic', inMm: 20, outMm: 40 })).toBeCloseTo(0.25, 12)
})

test('a spindle of 2 mm lead, turned at a wheel of 20 mm, goes 2 mm for 62.8 mm at its rim', () => {
  expect(stageRatio({ id: 'screw', kind: 'spindle', inMm: 20, outMm: 2 }) * 62.831853).toBeCloseTo(
    2,
    6,
  )
})

test('the clearance of a pack is its room without its plates: 20 − 4 × 2.2 − 4 × 1.6 − 4 = 0.8 mm', () => {
  expect(packClearanceMm(PACK)).toBeCloseTo(0.8, 12)
  expect(clutchWork(PACK, 0).gapPerFaceMm).toBeCloseTo(0.1, 12)
  // A piston of a quarter of the travel takes it up after 3.2 mm.
  expect(clutchWork(PACK, 0).bitesAtMm).toBeCloseTo(3.2, 12)
  expect(clutchWork(PACK, 3.1).isFree).toBe(true)
  expect(clutchWork(PACK, 3.3).isFree).toBe(false)
  expect(packClearanceMm({ ...PACK, wearMm: 0.4 })).toBeCloseTo(1.2, 12)
})

test('8 faces at 0.1, 60 mm and 4000 N less 500 N of springs carry 168 N·m', () => {
  const work = clutchWork(PACK, 8)
  expect(work.clampN).toBeCloseTo(3_500, 9)
  expect(work.torqueNm).toBeCloseTo(8 * 0.1 * 3_500 * 0.06, 9)
})

test('a dry plate carries by its spring until it is lifted: 2 × 0.3 × 4500 N × 95 mm is 256.5 N·m', () => {
  const [dry] = clutchesOf(buildPattern('three-shaft', 'car', {})).clutches
  if (!dry) throw new Error('a clutch')
  expect(clutchWork(dry, 0).torqueNm).toBeCloseTo(256.5, 9)
  expect(clutchWork(dry, 0).isFree).toBe(false)
  expect(clutchWork(dry, 140).isFree).toBe(true)
  expect(clutchWork(dry, 140).torqueNm).toBe(0)
  // Two plates have four faces, and need twice the lift.
  const twin = clutchWork({ ...dry, kind: 'twin-dry', springForceN: 4_500 }, 0)
  expect(twin.torqueNm).toBeCloseTo(2 * 256.5, 9)
  expect(twin.clearanceMm).toBeCloseTo(2 * clutchWork(dry, 0).clearanceMm, 12)
})

test('wear is taken up by oil, and moves the pedal of a cable (common practice)', () => {
  const worn = (stages: readonly ClutchStage[]): number =>
    clutchWork({ id: 'dry', kind: 'single-dry', stages, wearMm: 2 }, 0).takenUpMm
  const lever: ClutchStage = { id: 'fork', kind: 'lever', inMm: 100, outMm: 10 }
  expect(worn([{ id: 'cable', kind: 'cable' }, lever])).toBeCloseTo(20, 12)
  expect(worn([{ id: 'oil', kind: 'hydraulic' }, lever])).toBe(0)
})

test('a pack has the plates that its box lists, and its usual room is that of its plates', () => {
  const dual = buildPattern('dual-clutch', 'dual', {})
  const [clutch] = clutchesOf(dual).clutches
  if (!clutch) throw new Error('it has one')
  const listed = dual.pieces?.find(
    ({ kind, coupler }) => kind === 'friction-plate' && coupler === clutch.coupler,
  )?.quantity
  const plates = fullClutch(withListedPlates(dual, clutch)).frictionPlateCount
  expect(plates).toBe(listed)
  // 0.24 mm for each friction plate (common practice).
  for (const frictionPlateCount of [3, 4, 8])
    expect(packClearanceMm({ ...clutch, frictionPlateCount })).toBeCloseTo(
      0.24 * frictionPlateCount,
      9,
    )
})

test('the brake of a heavy box presses on beyond where its plates run free, within the travel (common practice)', () => {
  const [clutch] = clutchesOf(buildPattern('heavy', 'truck', {})).clutches
  if (!clutch) throw new Error('it has one')
  const { inputTravelMm } = fullClutch(clutch)
  const { bitesAtMm } = clutchWork(clutch, 0)
  expect(clutch.brakeFromMm).toBeGreaterThan(bitesAtMm)
  expect(clutch.brakeFromMm).toBeLessThan(inputTravelMm)
  expect(clutchWork(clutch, inputTravelMm).isBraking).toBe(true)
  expect(clutchWork(clutch, bitesAtMm).isBraking).toBe(false)
})

const anyStage: fc.Arbitrary<ClutchStage> = fc.record({
  id: fc.constant('stage'),
  kind: fc.constantFrom(...CLUTCH_STAGE_KINDS),
  inMm: fc.double({ min: 1, max: 300, noNaN: true }),
  outMm: fc.double({ min: 1, max: 300, noNaN: true }),
})

test('no stage makes work: travel × force is the same after each', () => {
  fc.assert(
    fc.property(
      fc.array(anyStage, { maxLength: 6 }),
      fc.double({ min: 1, max: 100, noNaN: true }),
      (stages, mm) => {
        const clutch: Clutch = {
          id: 'any',
          kind: 'single-dry',
          stages,
          inputTravelMm: 100,
          inputForceN: 100,
        }
        for (const { travelMm, forceN } of clutchWork(clutch, mm).stages)
          expect((travelMm * forceN) / (mm * mm)).toBeCloseTo(1, 9)
      },
    ),
  )
})

test('a box with clutches of its own has a pack for each, any other one dry plate before it', () => {
  const dual = buildPattern('dual-clutch', 'dual', {})
  expect(clutchesOf(dual).clutches.map(({ kind }) => kind)).toEqual(['wet-pack', 'wet-pack'])
  expect(clutchesOf(buildPattern('heavy', 'truck', {})).clutches).toHaveLength(1)
  expect(clutchesOf(buildPattern('heavy', 'truck', {})).clutches[0]?.kind).toBe('twin-dry')
  // Its parts tell it where nobody describes the clutch.
  const { clutches: _none, ...listed } = buildPattern('heavy', 'truck', {})
  expect(clutchesOf(listed).clutches.map(({ kind }) => kind)).toEqual(['twin-dry'])
  const said = clutchesOf({ ...dual, clutches: [PACK] })
  expect(said.areSaid).toBe(true)
  expect(said.clutches).toEqual([PACK])
})
