/** Rings and inertia against formulas worked by hand (textbooks of vehicle transmissions, from memory). */
import fc from 'fast-check'

import { indexBox } from '../box/box.ts'
import type { RingFigures } from '../box/types.ts'
import { rational } from '../number/rational.ts'
import { boxOf, draftOf, fourSpeed, gear, shaft } from '../testing/boxes.ts'
import { prepareSolver } from '../train/analysis.ts'
import { gearChange } from './change.ts'
import { discInertiaKgM2, inertiaOf, reducedInertia } from './inertia.ts'
import { USUAL_CAR } from '../drive/car.ts'
import { ringWork, withUsualFigures } from './ring.ts'

const FIGURES: RingFigures = {
  meanDiameterMm: 60,
  halfAngleDeg: 30,
  friction: 0.1,
  leverForceN: 50,
  leverRatio: 10,
}

function work(figures: RingFigures, task = { slipRadPerS: 100, inertiaKgM2: 0.01, dragNm: 0 }) {
  const result = ringWork(figures, task)
  if (!result.ok) throw new Error(result.missing.join())
  return result.work
}

test('the torque of a cone, the time it takes, the slip and the heat, by hand', () => {
  // 0.1 × 500 N × 0.030 m / sin 30° = 3 N·m; 0.01 × 100 / 3 s; 100 × 0.03 m/s; ½ × 0.01 × 100² J.
  const found = work({ ...FIGURES, coneWidthMm: 10 })
  expect(found.sleeveForceN).toBe(500)
  expect(found.coneTorqueNm).toBeCloseTo(3, 12)
  expect(found.timeS).toBeCloseTo(1 / 3, 12)
  expect(found.slipMPerS).toBeCloseTo(3, 12)
  expect(found.heatJ).toBeCloseTo(50, 10)
  // π × 6 cm × 1 cm of face.
  expect(found.heatJPerCm2).toBeCloseTo(50 / (Math.PI * 6), 10)
})

test('two cones have twice the torque and need half the time; drag takes from it', () => {
  const two = work({ ...FIGURES, coneCount: 2 })
  expect(two.coneTorqueNm).toBeCloseTo(6, 12)
  expect(two.timeS).toBeCloseTo(1 / 6, 12)
  const dragged = work(FIGURES, { slipRadPerS: 100, inertiaKgM2: 0.01, dragNm: 1 })
  expect(dragged.timeS).toBeCloseTo(0.5, 12)
  // 3 N·m over 50 rad on average a second, for half a second.
  expect(dragged.heatJ).toBeCloseTo(75, 10)
  expect(work(FIGURES, { slipRadPerS: 100, inertiaKgM2: 0.01, dragNm: 3.1 }).timeS).toBeNull()
})

test('pointed teeth wait as long as the cone has the greater torque', () => {
  // Half of 120° is 60°: (½ − 0.1 × 0.866) / (0.866 + 0.1 × ½) = 0.4513; 500 × 0.035 × 0.4513 N·m.
  const found = work({ ...FIGURES, sleeveDiameterMm: 70, tipAngleDeg: 120 })
  expect(found.openingTorqueNm).toBeCloseTo(7.898, 3)
  expect(found.isBlocking).toBe(false)
  // A cone of 7° has 12.3 N·m.
  const steep = work({ ...FIGURES, halfAngleDeg: 7, sleeveDiameterMm: 70, tipAngleDeg: 120 })
  expect(steep.coneTorqueNm).toBeCloseTo(12.308, 3)
  expect(steep.isBlocking).toBe(true)
  expect(work(FIGURES).isBlocking).toBeNull()
})

test('what is missing is named', () => {
  expect(ringWork({ halfAngleDeg: 7 }, { slipRadPerS: 1, inertiaKgM2: 1, dragNm: 0 })).toEqual({
    ok: false,
    missing: ['meanDiameterMm', 'leverForceN', 'leverRatio'],
  })
})

// 120 N × 12 × 0.1 × 0.035 m / sin 6.5° = 44.5 N·m.
test('usual figures stand in the place of those that are missing, and come to what a drive takes', () => {
  const { figures, taken } = withUsualFigures({ halfAngleDeg: 7 })
  expect(figures.halfAngleDeg).toBe(7)
  expect(taken).toEqual(['meanDiameterMm', 'leverForceN', 'leverRatio'])
  const usual = work(withUsualFigures({}).figures).coneTorqueNm
  expect(usual).toBeCloseTo(44.5, 1)
  expect(Math.abs(usual - USUAL_CAR.ringNm)).toBeLessThan(1)
})

test('the heat is the energy that goes, and what the drag puts in meanwhile', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 500, noNaN: true }),
      fc.double({ min: 0.0001, max: 0.1, noNaN: true }),
      fc.double({ min: -5, max: 2.9, noNaN: true }),
      (slipRadPerS, inertiaKgM2, dragNm) => {
        const { heatJ, timeS } = work(FIGURES, { slipRadPerS, inertiaKgM2, dragNm })
        if (heatJ === null || timeS === null) throw new Error('it can')
        const energy = (inertiaKgM2 * slipRadPerS ** 2) / 2
        expect(heatJ).toBeCloseTo(energy + (dragNm * slipRadPerS * timeS) / 2, 6)
      },
    ),
  )
})

test('a disc of steel, by hand', () => {
  // 100 mm across and 20 mm wide: 1.2331 kg, ½ × 1.2331 × 0.05² kg·m².
  expect(discInertiaKgM2(20, 50)).toBeCloseTo(0.0015413, 6)
  expect(discInertiaKgM2(20, 50, 50)).toBe(0)
})

test('a body is what was measured, or its shaft and gears; what is not known is named', () => {
  const sized = { moduleMm: 2, faceWidthMm: 20 }
  const draft = draftOf({
    axes: [{ id: 'line' }],
    members: [{ ...shaft('a', 'line'), steps: [{ fromMm: 0, toMm: 100, diameterMm: 20 }] }],
    gears: [
      gear('big', 'a', 50, sized),
      gear('bare', 'a', 20),
      gear('loose', 'a', 30, { ...sized, mount: 'free' }),
    ],
    input: 'a',
    outputs: [],
  })
  const index = indexBox(draft)
  const found = inertiaOf(index, 'a')
  expect(found.kgM2).toBeCloseTo(discInertiaKgM2(20, 50, 8) + discInertiaKgM2(100, 10), 12)
  expect(found.missing.map(({ id }) => id)).toEqual(['bare'])
  const measured = indexBox({
    ...draft,
    members: [{ ...shaft('a', 'line'), inertiaKgM2: 0.004 }],
  })
  expect(inertiaOf(measured, 'a')).toEqual({ kgM2: 0.004, missing: [] })
})

test('what hangs on the engine is reduced by the squares of its exact speeds', () => {
  const draft = fourSpeed('sliding-idler')
  const measured = {
    ...draft,
    members: draft.members.map((member) => ({ ...member, inertiaKgM2: 0.001 })),
    gears: draft.gears.map((each) => ({ ...each, inertiaKgM2: 0.0001 })),
  }
  const box = boxOf(measured)
  const [second, third] = ['2', '3'].map((label) =>
    measured.positions.find((position) => position.label === label),
  )
  if (!second || !third) throw new Error('second and third')
  const [match] = gearChange(prepareSolver(box), second, third, 'clutch').matches
  if (!match) throw new Error('a match')
  // For one turn of the gear of third the input makes 2, the countershaft 1; first turns −½, second −5/7
  // of the countershaft, and third with itself.
  expect(match.brought.get('input')?.equals(rational(2))).toBe(true)
  expect(match.brought.get('counter')?.abs().equals(rational(1))).toBe(true)
  const { kgM2 } = reducedInertia(box, match.brought)
  expect(kgM2).toBeCloseTo(0.001 * (4 + 1) + 0.0001 * (1 / 4 + 25 / 49 + 1), 12)
})
