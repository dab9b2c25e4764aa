import fc from 'fast-check'
import * as math from 'mathjs'

import { buildPattern } from '../box/patterns/index.ts'
import { withSelectors } from '../box/selectors/propose.ts'
import type { BoxDraft } from '../box/types.ts'
import { gearChange } from '../shift/change.ts'
import { boxOf, dualClutch, fourSpeed, withCounts } from '../testing/boxes.ts'
import { analyse, prepareSolver } from '../train/analysis.ts'
import type { Car } from './car.ts'
import { USUAL_CAR, engineTorqueNm, resistanceOf } from './car.ts'
import type { CourseRow } from './course.ts'
import type { DriveWay, Powertrain } from './powertrain.ts'
import { planChange, powertrainOf } from './powertrain.ts'
import { USUAL_RULES, USUAL_TIMES } from './rules.ts'
import type { DriveResult } from './result.ts'
import { driveCourse, stepsFor } from './simulate.ts'

function powertrain(draft: BoxDraft): Powertrain {
  const result = powertrainOf(prepareSolver(boxOf(draft)))
  if (!result.ok) throw new Error(result.kind)
  return result.powertrain
}

/** Of the reference library, which has no type for it. */
const solveODE = Reflect.get(math, 'solveODE') as (
  slope: (timeS: number, values: readonly number[]) => readonly number[],
  span: readonly [number, number],
  start: readonly number[],
  options: { readonly method: 'RK45'; readonly tol: number },
) => { readonly y: readonly (readonly number[])[] }

const four = powertrain(withSelectors(fourSpeed('constant-mesh'), 'lever'))
const twin = powertrain(dualClutch())

const row = (timeS: number, pedal: number, brake = 0, ask = '', grade = 0): CourseRow => ({
  timeS,
  pedal,
  brake,
  grade,
  ask,
})

/** Away from the lights, along a road, past somebody, and to a stop. */
const ROAD = [
  row(0, 0),
  row(1, 0.4),
  row(20, 0.4),
  row(21, 1),
  row(30, 1),
  row(31, 0, 0.3),
  row(55, 0, 0.3),
]

interface Other {
  readonly course?: readonly CourseRow[]
  readonly car?: Partial<Car>
  readonly stepsATick?: number
}

function drive(
  of: Powertrain,
  way: DriveWay,
  { course, car, stepsATick }: Other = {},
): DriveResult {
  return driveCourse({
    powertrain: of,
    car: { ...USUAL_CAR, ...car },
    course: course ?? ROAD,
    way,
    rules: USUAL_RULES,
    times: USUAL_TIMES,
    stepsATick: stepsATick ?? 2,
  })
}

const transaxle = { finalRatio: 1 }

test('ratios and ways of a box with one clutch before it, and of one with two inside (by hand)', () => {
  const told = ({ forward, backward }: Powertrain) =>
    [...forward, ...backward].map(({ position, path, ratio }) => [position.label, path, ratio])
  expect(told(four)).toEqual([
    ['1', 0, 4],
    ['2', 0, 2.8],
    ['3', 0, 2],
    ['4', 0, 1],
    ['R', 0, -4],
  ])
  expect(four.paths.map(({ clutch }) => clutch)).toEqual([null])
  expect(
    told(twin)
      .map(([label, path]) => `${label}${path}`)
      .join(' '),
  ).toBe('10 21 30 41 50 61 70 R0')
  expect(twin.forward.map(({ ratio }) => ratio)).toEqual([12, 8, 6, 4, 3.75, 3, 2.25])
})

test('a box that nobody has counted cannot be driven, and the gears to count are named', () => {
  const bare = powertrainOf(prepareSolver(boxOf(buildPattern('three-shaft', 'bare', {}))))
  expect(!bare.ok && bare.kind === 'uncounted' && bare.gears.length).toBeGreaterThan(5)
  const none = { ...fourSpeed('constant-mesh'), positions: [] }
  const empty = powertrainOf(prepareSolver(boxOf(none)))
  expect(empty).toEqual({ ok: false, kind: 'none-drives' })
})

test.each([
  [0, 1],
  [1, 2],
  [2, 3],
  [3, 1],
])('what the ring has to take away from %d to %d is what the change itself says', (from, to) => {
  const [one, other] = [four.forward[from], four.forward[to]]
  if (!one || !other) throw new Error('no such gears')
  const { entries } = planChange(four, one, other, 'clutch', 45)
  const [entry] = entries
  const match = gearChange(four.solver, one.position, other.position, 'clutch').matches[0]
  // For one turn of the input, the output makes 1/ratio.
  const slip = (entry?.ofShaft ?? 0) + (entry?.ofOutput ?? 0) / one.ratio
  expect(Math.abs(slip)).toBeCloseTo(Math.abs(match?.slip?.toNumber() ?? NaN), 12)
  expect(-(entry?.ofOutput ?? 0) / (entry?.ofShaft ?? 1)).toBeCloseTo(other.ratio, 12)
})

test('a range ring takes up what the shaft between the ends has: J·s²/2 of each of its parts', () => {
  const heavy = buildPattern('heavy', 'lorry', { speeds: '10', range: 'countershaft' })
  /** Made up, and alike on both countershafts. */
  const teeth = (id: string): number =>
    18 + (Buffer.from(id.replace('-b-', '-a-')).reduce((sum, each) => sum + each, 0) % 23)
  const withMain = (inertiaKgM2: number): Powertrain =>
    powertrain({
      ...heavy,
      gears: heavy.gears.map((gear) => ({ ...gear, toothCount: teeth(gear.id) })),
      members: heavy.members.map((member) =>
        member.kind === 'main-shaft' ? { ...member, inertiaKgM2 } : member,
      ),
    })
  const [light, dense] = [withMain(0.1), withMain(0.3)]
  const between = (box: Powertrain, labels = ['5', '6']): number => {
    const [from, to] = labels.map((label) =>
      box.forward.find(({ position }) => position.label === label),
    )
    if (!from || !to) throw new Error('no such positions')
    return planChange(box, from, to, 'clutch', 45).betweenKgM2
  }
  // By the law itself: main shaft and output are to turn as one, and did not before.
  const { box } = light.solver
  const before = box.draft.positions.find(({ label }) => label === '5')
  const found = analyse(light.solver, before?.couplers ?? {})
  const speedOf = (body: string): number => {
    const motion = found.motions.get(body)
    return motion?.kind === 'turns' ? motion.speed.toNumber() : NaN
  }
  const main = box.draft.members.find(({ kind }) => kind === 'main-shaft')?.id ?? ''
  const slip = speedOf(main) - speedOf(box.draft.outputs[0] ?? '')
  expect(Math.abs(slip)).toBeGreaterThan(0.1)
  const more = between(dense) - between(light)
  expect(more).toBeCloseTo(0.2 * slip ** 2, 12)
  // Where the range stands, rings join ends of the box alone.
  expect(between(light, ['1', '2'])).toBe(0)
})

/** Work of the engine that nothing accounts for, as a share of it. */
function unaccounted({ energy }: DriveResult): number {
  const { engineJ, clutchJ, airJ, rollingJ, gradeJ, brakeJ, ringJ, knockJ, kineticJ } = energy
  const told = [...clutchJ, airJ, rollingJ, gradeJ, brakeJ, ringJ, knockJ, kineticJ]
  return Math.abs(engineJ - told.reduce((sum, each) => sum + each, 0)) / engineJ
}

const ways = [
  ['four', 'clutch', four, {}],
  ['four', 'double-declutch', four, {}],
  ['four', 'without-clutch', four, {}],
  ['two clutches', 'ready', twin, transaxle],
  ['two clutches', 'clutch', twin, transaxle],
] as const

test.each(ways)(
  '%s, %s: what leaves the engine is in car, road, clutch and ring',
  (_, way, of, car) => {
    const result = drive(of, way, { car })
    expect(result.changes.length).toBeGreaterThan(3)
    expect(unaccounted(result)).toBeLessThan(1e-5)
  },
)

test.each(ways)(
  '%s, %s: halving the step changes no gear and no figure by 1 %%',
  (_, way, of, car) => {
    const [coarse, fine] = [2, 4].map((stepsATick) => drive(of, way, { car, stepsATick }))
    const told = (result?: DriveResult) => result?.changes.map(({ from, to }) => `${from}-${to}`)
    expect(told(coarse)).toEqual(told(fine))
    const near = (one: number, other: number, unit: number): void => {
      expect(Math.abs(one - other)).toBeLessThan(0.01 * Math.max(Math.abs(other), unit))
    }
    near(coarse?.distanceM ?? 0, fine?.distanceM ?? 1, 1)
    near(coarse?.energy.engineJ ?? 0, fine?.energy.engineJ ?? 1, 1)
    coarse?.changes.forEach((change, at) => {
      const same = fine?.changes[at]
      near(change.endS - change.startS, (same?.endS ?? 0) - (same?.startS ?? 0), 1)
      near(change.clutchJ, same?.clutchJ ?? 0, 100)
      near(change.ringJ, same?.ringJ ?? 0, 100)
    })
  },
)

test('the same drive is the same to the last digit', () => {
  expect(drive(twin, 'ready', { car: transaxle })).toEqual(drive(twin, 'ready', { car: transaxle }))
})

test('with the next gear ready the torque never stops; by hand it does (common practice)', () => {
  const { changes } = drive(twin, 'ready', { car: transaxle })
  for (const { gapS, waitedS, wasReady, startS, endS } of changes) {
    // Coming to a stop the clutch opens anyway.
    if (wasReady !== true || startS > 31) continue
    expect([gapS, waitedS]).toEqual([0, 0])
    // About a quarter of a second.
    expect(endS - startS).toBeGreaterThan(0.2)
    expect(endS - startS).toBeLessThan(0.5)
  }
  const byHand = drive(four, 'clutch').changes.filter(({ startS }) => startS < 30)
  for (const { gapS } of byHand) expect(gapS).toBeGreaterThan(0.3)
})

test('torque comes through one clutch or the other all along a hand-over', () => {
  const { changes, samples } = drive(twin, 'ready', { car: transaxle })
  const [first] = changes
  if (!first) throw new Error('no change')
  const during = samples.filter(({ timeS }) => timeS >= first.startS && timeS <= first.endS)
  expect(during.length).toBeGreaterThan(3)
  for (const { wheelNm } of during) expect(wheelNm).toBeGreaterThan(100)
})

test('asked for what is not ready, the change waits for the gear to move over, and no longer', () => {
  // Rolling along in third with fourth ready, somebody asks for second.
  const course = [
    row(0, 0.5, 0, '3'),
    row(20, 0.5, 0, '3'),
    row(20.1, 0.2, 0, '3'),
    row(22, 0.2, 0, '2'),
    row(26, 0.2, 0, '2'),
  ]
  const { changes } = drive(twin, 'ready', { car: transaxle, course })
  const last = changes.at(-1)
  expect([last?.from, last?.to, last?.wasReady]).toEqual(['3', '2', false])
  expect(last?.waitedS).toBeGreaterThan(USUAL_TIMES.sleeveS)
  expect(last?.waitedS).toBeLessThan(0.5)
  expect(last?.gapS).toBe(0)
})

test('two gears on one clutch are changed with a gap', () => {
  const course = [row(0, 0.5), row(8, 0.3, 0, '2'), row(14, 0.3, 0, '4'), row(20, 0.3, 0, '4')]
  const change = drive(twin, 'ready', { car: transaxle, course }).changes.find(
    ({ from, to }) => from === '2' && to === '4',
  )
  expect(change?.wasReady).toBeNull()
  expect(change?.gapS).toBeGreaterThan(0.1)
})

test('reverse is taken once the car stands, and left once nobody asks for it', () => {
  const course = [
    row(0, 0.4),
    row(4, 0, 0.5, 'R'),
    row(12, 0.3, 0, 'R'),
    row(18, 0, 0.5),
    row(26, 0, 0.5),
  ]
  const { changes, samples } = drive(four, 'clutch', { course })
  const into = changes.find(({ to }) => to === 'R')
  expect(
    Math.abs(samples.find(({ timeS }) => timeS >= (into?.startS ?? 0))?.mPerS ?? 9),
  ).toBeLessThan(0.5)
  expect(Math.min(...samples.map(({ mPerS }) => mPerS))).toBeLessThan(-1)
  expect(changes.at(-1)).toMatchObject({ from: 'R', to: '1' })
})

test('over a drum one goes stop by stop, whatever is asked for', () => {
  const counts = [
    ['crank-primary', 30],
    ['input-primary', 60],
    ['input-1', 14],
    ['output-1', 35],
    ['input-2', 18],
    ['output-2', 31],
    ['input-3', 21],
    ['output-3', 28],
    ['input-4', 23],
    ['output-4', 26],
    ['input-5', 25],
    ['output-5', 24],
    ['output-chain', 16],
    ['wheel-chain', 40],
  ] as const
  const draft = withCounts(
    buildPattern('motorcycle', 'm', { speeds: '5', primary: 'gear' }),
    Object.fromEntries(counts),
  )
  const course = [row(0, 0.6), row(4, 0.6, 0, '4'), row(12, 0.6, 0, '4')]
  const { changes } = drive(powertrain(draft), 'without-clutch', { course, car: { finalRatio: 1 } })
  expect(changes.map(({ from, to }) => `${from}${to}`).slice(-3)).toEqual(['12', '23', '34'])
})

test('a box with one gear, driven anyhow, goes as a general solver of differential equations has it', () => {
  const draft = fourSpeed('constant-mesh')
  fc.assert(
    fc.property(
      fc.constantFrom('1', '2', '3'),
      fc.double({ min: 0.25, max: 1, noNaN: true }),
      fc.double({ min: -0.05, max: 0.1, noNaN: true }),
      fc.double({ min: 500, max: 2_500, noNaN: true }),
      (label, pedal, grade, massKg) => {
        const of = powertrain({
          ...draft,
          positions: draft.positions.filter((each) => each.label === label),
        })
        const ratio = of.forward[0]?.ratio ?? 0
        const course = [row(0, pedal, 0, '', grade), row(4, pedal, 0, '', grade)]
        const car = { ...USUAL_CAR, massKg }
        const { samples } = drive(of, 'clutch', { course, car })
        const radiusM = car.rollingRadiusMm / 1_000 / car.finalRatio
        const { idleRpm, inertiaKgM2 } = car.engine
        const bound =
          massKg * radiusM ** 2 + of.outputKgM2 + ratio ** 2 * (of.paths[0]?.inertiaKgM2 ?? 0)
        // The clutch closes with the engine's speed; friction is made smooth, two radians a second wide.
        const reference = solveODE(
          (_, values) => {
            const [engine = 0, output = 0] = values
            const rpm = (engine * 60) / (2 * Math.PI)
            const capacity = 300 * Math.min(Math.max((rpm / idleRpm - 1.1) / 1.4, 0), 1)
            const carried = capacity * Math.tanh((engine - ratio * output) / 2)
            const { airN, rollingN, gradeN } = resistanceOf(car, output * radiusM, 0, grade)
            return [
              (engineTorqueNm(car.engine, engine, pedal) - carried) / inertiaKgM2,
              (ratio * carried - (airN + rollingN + gradeN) * radiusM) / bound,
            ]
          },
          [0, 3.98],
          [(idleRpm * 2 * Math.PI) / 60, 0],
          { method: 'RK45', tol: 1e-4 },
        )
        const [engine = 0, output = 0] = reference.y.at(-1) ?? []
        const last = samples.at(-1)
        expect(last?.timeS).toBeCloseTo(3.98, 9)
        expect(Math.abs((last?.mPerS ?? 0) - output * radiusM)).toBeLessThan(
          0.01 * Math.abs(output * radiusM) + 0.02,
        )
        expect(Math.abs((last?.engineRpm ?? 0) / ((engine * 60) / (2 * Math.PI)) - 1)).toBeLessThan(
          0.03,
        )
      },
    ),
    { numRuns: 6 },
  )
})

test('a light engine or a hard brake is followed in shorter steps', () => {
  expect(stepsFor(USUAL_CAR)).toBe(2)
  const light = { ...USUAL_CAR, engine: { ...USUAL_CAR.engine, inertiaKgM2: 0.01 } }
  // 180 N·m over 15.7 rad/s at 0.01 kg·m²: 1,146 a second; a tick of 10 ms in 23.
  expect(stepsFor(light)).toBe(23)
  expect(stepsFor({ ...USUAL_CAR, massKg: 50, brakeN: 500_000 })).toBe(100)
  const { samples, energy } = drive(four, 'clutch', { car: light, stepsATick: stepsFor(light) })
  for (const { engineRpm } of samples) expect(engineRpm).toBeLessThan(6_500)
  expect(Number.isFinite(energy.engineJ)).toBe(true)
})
