import { analyseBox } from './analysis.ts'
import type { Forces } from './forces.ts'
import { solveForces } from './forces.ts'
import { boxOf, draftOf, gear, shaft } from '../testing/boxes.ts'
import type { BoxDraft, Gear } from '../box/types.ts'

/** Newtons; the figures here are worked out with six places. */
const TOLERANCE_N = 1e-3

function forcesOf(draft: BoxDraft, torqueNm: number): Forces {
  const [only] = analyseBox(boxOf(draft))
  if (only?.analysis.state !== 'drive') throw new Error(`not driving: ${only?.analysis.state}`)
  return solveForces(boxOf(draft), only.analysis, torqueNm)
}

const TEETH = { moduleMm: 3, helixAngleDeg: 30, pressureAngleDeg: 20 } as const

/** A pinion of 17 on a shaft of its own drives a wheel of 51, each in the middle of its bearings. */
function pair(rest: Partial<Gear>, mateRest: Partial<Gear> = rest): BoxDraft {
  return draftOf({
    axes: [{ id: 'upper' }, { id: 'lower' }],
    members: [shaft('upper'), shaft('lower')],
    gears: [gear('pinion', 'upper', 17, rest), gear('wheel', 'lower', 51, mateRest)],
    links: [{ id: 'mesh', kind: 'external-mesh', a: 'pinion', b: 'wheel' }],
    input: 'upper',
    outputs: ['lower'],
  })
}

const deg = Math.PI / 180

describe('one helical pair (ISO 21771 notation; Shigley, gears, force analysis of helical gears)', () => {
  const { teeth, missing } = forcesOf(
    pair({ ...TEETH, hand: 'right' }, { ...TEETH, hand: 'left' }),
    60,
  )
  const [pinion, wheel] = teeth

  test('the forces are those of the formulas', () => {
    const diameterMm = (3 * 17) / Math.cos(30 * deg)
    const tangentialN = (2 * 60_000) / diameterMm
    expect(missing).toEqual([])
    expect(pinion?.tangentialN).toBeCloseTo(tangentialN, 6)
    expect(pinion?.radialN).toBeCloseTo((tangentialN * Math.tan(20 * deg)) / Math.cos(30 * deg), 6)
    expect(Math.abs(pinion?.axialN ?? 0)).toBeCloseTo(tangentialN * Math.tan(30 * deg), 6)
  })

  test('what the pinion does to the wheel the wheel does to the pinion (Newton’s third law)', () => {
    expect(wheel?.tangentialN).toBeCloseTo(pinion?.tangentialN ?? NaN, 6)
    expect(wheel?.radialN).toBeCloseTo(pinion?.radialN ?? NaN, 6)
    expect(wheel?.axialN).toBeCloseTo(-(pinion?.axialN ?? NaN), 6)
  })

  test('a right-hand driver that turns clockwise is pushed away from whoever looks (right-hand rule)', () => {
    expect(pinion?.axialN).toBeGreaterThan(0)
  })
})

test.each([
  ['right', 'clockwise', 1],
  ['left', 'clockwise', -1],
  ['right', 'counterclockwise', -1],
  ['left', 'counterclockwise', 1],
] as const)(
  'thrust on a %s-hand driver turning %s (thumb rule: the hand of the helix, fingers with the turning)',
  (hand, inputSense, sign) => {
    const { teeth } = forcesOf({ ...pair({ ...TEETH, hand }, {}), inputSense }, 60)
    expect(Math.sign(teeth[0]?.axialN ?? 0)).toBe(sign)
  },
)

test('straight teeth have no thrust, and need no hand', () => {
  const { teeth, missing, shafts } = forcesOf(pair({ ...TEETH, helixAngleDeg: 0 }), 60)
  expect(missing).toEqual([])
  expect(teeth.map(({ axialN }) => axialN)).toEqual([0, 0])
  expect(shafts.map(({ thrustN }) => thrustN)).toEqual([0, 0])
})

test('a spur gear in the middle loads both bearings with half of Ft / cos α (statics of a beam)', () => {
  const { shafts } = forcesOf(pair({ ...TEETH, helixAngleDeg: 0 }), 60)
  const normalN = 60_000 / ((3 * 17) / 2) / Math.cos(20 * deg)
  for (const { bearings, areBearingsAssumed } of shafts) {
    expect(areBearingsAssumed).toBe(true)
    for (const { radialN } of bearings) expect(radialN).toBeCloseTo(normalN / 2, 6)
  }
})

test('at a quarter of the way the nearer bearing takes three quarters (law of the lever)', () => {
  const draft = pair({ ...TEETH, helixAngleDeg: 0 })
  const [upper, lower] = draft.members
  if (!upper || !lower) throw new Error('the pair has two shafts')
  const { shafts } = forcesOf(
    { ...draft, members: [{ ...upper, bearingsMm: [30, 110] }, lower] },
    60,
  )
  const [near, far] = shafts[0]?.bearings ?? []
  expect(shafts[0]?.areBearingsAssumed).toBe(false)
  expect(near?.stationMm).toBe(30)
  expect((near?.radialN ?? 0) / (far?.radialN ?? 1)).toBeCloseTo(3, 9)
})

test('thrust at the pitch line tilts the shaft: Fa·r over the span, in the plane of the axes', () => {
  const { teeth, shafts } = forcesOf(pair({ ...TEETH, hand: 'right' }, {}), 60)
  const [pinion] = teeth
  if (!pinion) throw new Error('the pinion bears load')
  const radiusMm = (3 * 17) / Math.cos(30 * deg) / 2
  const tilt = (pinion.axialN * radiusMm) / 100
  // The wheel is below: the mesh presses the pinion up, and thrust away from the input end
  // at its lower side presses its far end down, which that bearing holds up against.
  const expected = [1, -1].map((way) =>
    Math.hypot(pinion.radialN / 2 + way * tilt, pinion.tangentialN / 2),
  )
  const found = shafts[0]?.bearings.map(({ radialN }) => radialN) ?? []
  expect(Math.abs((found[0] ?? 0) - (expected[1] ?? 0))).toBeLessThan(TOLERANCE_N)
  expect(Math.abs((found[1] ?? 0) - (expected[0] ?? 0))).toBeLessThan(TOLERANCE_N)
})

test('an idler between two mates takes no thrust, since both push it alike', () => {
  const data = { ...TEETH, hand: 'right' } as const
  const draft = draftOf({
    axes: [{ id: 'one' }, { id: 'between' }, { id: 'two' }],
    members: [shaft('one'), shaft('between'), shaft('two')],
    gears: [gear('a', 'one', 20, data), gear('i', 'between', 30), gear('b', 'two', 40, data)],
    links: [
      { id: 'in', kind: 'external-mesh', a: 'a', b: 'i' },
      { id: 'out', kind: 'external-mesh', a: 'i', b: 'b' },
    ],
    input: 'one',
    outputs: ['two'],
  })
  const { shafts, missing } = forcesOf(draft, 50)
  expect(missing).toEqual([])
  const thrusts = shafts.map(({ thrustN }) => thrustN)
  expect(thrusts[1]).toBeCloseTo(0, 9)
  expect(thrusts[0]).toBeCloseTo(-(thrusts[2] ?? NaN), 9)
})

test('a gear between two equal mates on opposite sides floats: no load on its bearings (common practice)', () => {
  const data = { ...TEETH, helixAngleDeg: 0 }
  const draft = draftOf({
    axes: [{ id: 'above' }, { id: 'main' }, { id: 'below' }],
    members: [shaft('above'), shaft('main'), shaft('below')],
    gears: [
      gear('head', 'main', 20, { ...data, stationMm: 20 }),
      gear('a-head', 'above', 40, { stationMm: 20 }),
      gear('b-head', 'below', 40, { stationMm: 20 }),
      gear('a-out', 'above', 20, { ...data, stationMm: 80 }),
      gear('b-out', 'below', 20, { ...data, stationMm: 80 }),
      gear('out', 'main', 40, { mount: 'free', stationMm: 80 }),
    ],
    links: [
      { id: 'm1', kind: 'external-mesh', a: 'head', b: 'a-head' },
      { id: 'm2', kind: 'external-mesh', a: 'head', b: 'b-head' },
      { id: 'm3', kind: 'external-mesh', a: 'a-out', b: 'out' },
      { id: 'm4', kind: 'external-mesh', a: 'b-out', b: 'out' },
      { id: 'flange', kind: 'joined', a: 'out', b: 'flange' },
    ],
    input: 'main',
    outputs: ['flange'],
  })
  const withFlange = {
    ...draft,
    members: [...draft.members, { ...shaft('flange', 'main'), fromMm: 90, toMm: 100 }],
  }
  const main = forcesOf(withFlange, 100).shafts.find(({ member }) => member === 'main')
  expect(main?.bearings.map(({ radialN }) => Math.round(radialN * 1e6))).toEqual([0, 0])
})

test('what is missing is named, gear by gear, and a mate’s data count for both', () => {
  const { missing, teeth, shafts } = forcesOf(pair({ moduleMm: 3, helixAngleDeg: 20 }, {}), 60)
  expect(missing.map(({ gear: { id }, data }) => [id, data])).toEqual([
    ['pinion', ['hand', 'pressure-angle']],
    ['wheel', ['hand', 'pressure-angle']],
  ])
  expect([teeth, shafts]).toEqual([[], []])
  expect(forcesOf(pair({}), 60).missing[0]?.data).toEqual([
    'module',
    'helix-angle',
    'pressure-angle',
  ])
  expect(forcesOf(pair({ ...TEETH, hand: 'left' }, {}), 60).missing).toEqual([])
})

test('the tight side of a chain pulls each sprocket towards the other, with T / r', () => {
  const draft = pair({ moduleMm: 3 })
  const chain: BoxDraft = {
    ...draft,
    links: [{ id: 'mesh', kind: 'chain', a: 'pinion', b: 'wheel' }],
  }
  const { shafts, teeth } = forcesOf(chain, 51)
  expect(teeth[0]).toMatchObject({ tangentialN: 2000, radialN: 0, axialN: 0 })
  expect(shafts[0]?.bearings.map(({ radialN }) => radialN)).toEqual([1000, 1000])
})

test('a planetary set pushes sun and ring apart along the axis, and no bearing sideways', () => {
  const data = { moduleMm: 2, helixAngleDeg: 15, pressureAngleDeg: 20 } as const
  const draft = draftOf({
    axes: [{ id: 'line' }],
    members: [shaft('sun', 'line'), shaft('ring', 'line'), shaft('carrier', 'line')],
    gears: [
      gear('sun-gear', 'sun', 20, { ...data, hand: 'right' }),
      gear('ring-gear', 'ring', 80, { ...data, hand: 'left' }),
    ],
    links: [
      { id: 'set', kind: 'planetary', sun: 'sun-gear', ring: 'ring-gear', carrier: 'carrier' },
      { id: 'brake', kind: 'held', body: 'ring' },
    ],
    input: 'sun',
    outputs: ['carrier'],
  })
  const { shafts } = forcesOf(draft, 40)
  const [sun, ring] = shafts
  // A planet floats, so what the sun pushes it one way the ring pushes it the other.
  expect(sun?.thrustN).not.toBe(0)
  expect(ring?.thrustN).toBeCloseTo(-(sun?.thrustN ?? NaN), 9)
  expect(sun?.bearings.map(({ radialN }) => radialN)).toEqual([0, 0])
})

describe('a worm and its wheel, midway between bearings (formulas above, with β of the wheel the lead angle)', () => {
  const wheel = gear('wheel', 'lower', 41, { moduleMm: 3, pressureAngleDeg: 20 })
  const draft = draftOf({
    axes: [{ id: 'upper' }, { id: 'lower' }],
    members: [
      { ...shaft('upper'), bearingsMm: [wheel.stationMm - 50, wheel.stationMm + 50] },
      { ...shaft('lower'), bearingsMm: [wheel.stationMm - 50, wheel.stationMm + 50] },
    ],
    gears: [wheel],
    links: [
      {
        id: 'w',
        kind: 'worm',
        worm: 'upper',
        wheel: 'wheel',
        starts: 2,
        hand: 'right',
        leadAngleDeg: 12,
      },
    ],
    input: 'upper',
    outputs: ['lower'],
  })
  const { shafts, teeth } = forcesOf(draft, 100)
  const [lambda, alpha] = [12 * deg, 20 * deg]
  const torqueNmm = (100_000 * 41) / 2
  const radiusMm = (3 * 41) / 2 / Math.cos(lambda)
  const across = torqueNmm / radiusMm
  const apart = (across * Math.tan(alpha)) / Math.cos(lambda)
  const along = across * Math.tan(lambda)

  test('the wheel’s bearings bear half of each force, and the thrust at its pitch line besides (by hand)', () => {
    const loads = shafts
      .find(({ member }) => member === 'lower')
      ?.bearings.map(({ radialN }) => radialN)
    const tilt = (along * radiusMm) / 100
    const expected = [apart / 2 + tilt, apart / 2 - tilt].map((y) => Math.hypot(across / 2, y))
    expect(loads?.toSorted((one, other) => other - one)).toEqual([
      expect.closeTo(expected[0] ?? 0, 3),
      expect.closeTo(expected[1] ?? 0, 3),
    ])
    // 19,350 and 16,392 N.
    expect(loads?.map((load) => Math.round(load)).toSorted()).toEqual([16_392, 19_350])
  })

  test('what drives the worm round pushes the wheel along, and the other way round', () => {
    expect(Math.abs(teeth[0]?.axialN ?? 0)).toBeCloseTo(along, 6)
    const worm = shafts.find(({ member }) => member === 'upper')
    expect(Math.abs(worm?.thrustN ?? 0)).toBeCloseTo(across, 6)
    expect(worm?.bearings.every(({ radialN }) => radialN > 0)).toBe(true)
  })
})
