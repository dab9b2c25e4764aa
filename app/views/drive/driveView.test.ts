import { USUAL_CAR, USUAL_RULES, USUAL_TIMES, buildPattern, checkBox, prepareSolver } from 'core'
import type { BoxDraft, DriveResult, DriveSample } from 'core'

import { dualClutch } from '../../../core/testing/boxes.ts'

import { besideOf, formatBeside, usualUnit } from './besideUnits.ts'
import { runDrive } from './driveJob.ts'
import { readAddress } from '../addresses.ts'
import {
  carOf,
  flowAt,
  mostInputNm,
  placesOf,
  rulesOf,
  sampleAt,
  timesOf,
  topRatioOf,
  unknownAsks,
  usualCar,
} from './driveView.ts'

/** Tooth counts that mesh somehow: 20 and up on what drives, more on what is driven. */
function counted(id: 'dual-clutch' | 'three-shaft' | 'motorcycle'): BoxDraft {
  const draft = buildPattern(id, 'box', {})
  return { ...draft, gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: 20 + at })) }
}

function solverOf(draft: BoxDraft) {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('not sound')
  return prepareSolver(checked.box)
}

test('an address changes single figures, in what they are shown in; the rest is as usual', () => {
  const search = readAddress('drive', '?mass=900&rolling=2&torque=90&kick=50&thand=0.4')
  expect(carOf(search, USUAL_CAR)).toEqual({
    ...USUAL_CAR,
    massKg: 900,
    rolling: 0.02,
    engine: { ...USUAL_CAR.engine, peakNm: 90 },
  })
  expect(rulesOf(search, USUAL_CAR)).toEqual({ ...USUAL_RULES, lowerFromPedal: 0.5 })
  expect(timesOf(search)).toEqual({ ...USUAL_TIMES, handOverS: 0.4 })
})

test('what an address says beyond its limits, or not in figures, is as usual', () => {
  const search = readAddress('drive', '?mass=-5&wheel=abc&up=1e9&idle=')
  expect(carOf(search, USUAL_CAR)).toEqual(USUAL_CAR)
  expect(rulesOf(search, USUAL_CAR)).toEqual(USUAL_RULES)
})

test('an engine that bears half as much is changed at half the speed, one that bears more as usual', () => {
  const draft = counted('three-shaft')
  const half = USUAL_CAR.engine.mostRpm / 2
  const car = usualCar({ ...draft, mostInputRpm: half }, 3)
  expect(car.engine).toMatchObject({ mostRpm: half, peakRpm: half })
  expect(rulesOf(readAddress('drive', ''), car)).toEqual({
    ...USUAL_RULES,
    upLightRpm: 1_000,
    upFullRpm: 2_750,
    downLightRpm: 575,
    downFullRpm: 1_300,
  })
  expect(rulesOf(readAddress('drive', ''), usualCar({ ...draft, mostInputRpm: 9_000 }, 3))).toEqual(
    USUAL_RULES,
  )
})

test('the box’s own axle and wheels go before what is usual', () => {
  const draft = counted('three-shaft')
  expect(usualCar(draft, 1).finalRatio).toBe(USUAL_CAR.finalRatio)
  // A top gear of 3 turns for one has its axle inside.
  expect(usualCar(draft, 3).finalRatio).toBe(1)
  const finalDrive = { drivingToothCount: 10, drivenToothCount: 45 }
  expect(usualCar({ ...draft, finalDrive, rollingRadiusMm: 280 }, 3)).toMatchObject({
    finalRatio: 4.5,
    rollingRadiusMm: 280,
  })
})

test('the top ratio is the least of all that drive', () => {
  expect(topRatioOf(solverOf(counted('three-shaft')))).toBeLessThanOrEqual(1)
  const none = { ...counted('three-shaft'), positions: [] }
  expect(topRatioOf(solverOf(none))).toBeUndefined()
})

const sample = (timeS: number, selected: number, ready: number): DriveSample => ({
  timeS,
  mPerS: 0,
  engineRpm: 0,
  clutchNm: [0, 0],
  wheelNm: 0,
  selected,
  ready,
})

test('the drawing has the gear that carries with what waits, and neutral between gears', () => {
  const solver = solverOf(counted('dual-clutch'))
  const [first, second] = solver.box.draft.positions
  const labels = [first?.label ?? '', second?.label ?? '']
  const waiting = placesOf(solver, labels, sample(0, 0, 1))
  const away = (places: Readonly<Record<string, string>>) =>
    Object.values(places).filter(
      (place) => place !== 'centre' && place !== 'open' && place !== 'neutral',
    ).length
  expect(away(waiting)).toBeGreaterThan(away(placesOf(solver, labels, sample(0, 0, -1))))
  expect(placesOf(solver, labels, sample(0, -1, -1))).not.toEqual(first?.couplers)
})

test('what a course asks for and the box has not is named once', () => {
  const draft = counted('three-shaft')
  const row = (ask: string) => ({ timeS: 0, pedal: 0, brake: 0, grade: 0, ask })
  expect(unknownAsks([row('2'), row('9'), row(''), row('9')], draft.positions)).toEqual(['9'])
})

const course = [0, 6].map((timeS) => ({ timeS, pedal: 0.5, brake: 0, grade: 0, ask: '' }))
const job = {
  car: USUAL_CAR,
  course,
  way: 'clutch',
  others: ['double-declutch'],
  beside: [],
  rules: USUAL_RULES,
  times: USUAL_TIMES,
} as const

test('a job drives its way and, for their figures, the others', () => {
  const results: DriveResult[] = []
  const answer = runDrive({ draft: counted('three-shaft'), ...job }, (_done, part) => {
    if (part?.ok) results.push(part.result)
  })
  const [result, second] = results
  if (!answer.ok || !result) throw new Error('It does not drive.')
  // It is sent once.
  expect(second).toBeUndefined()
  expect(answer.figures.map(([way]) => way)).toEqual(['clutch', 'double-declutch'])
  expect(answer.figures[0]?.[1].distanceM).toBe(result.distanceM)
  expect(sampleAt(result, 3)?.timeS).toBeCloseTo(3, 9)
  expect(sampleAt(result, 99)).toBe(result.samples.at(-1))
})

test('a job tells how far it is, and what came of the box itself before all else', () => {
  const told: (readonly [number, boolean])[] = []
  const answer = runDrive({ draft: counted('three-shaft'), ...job }, (done, part) => {
    told.push([done, part?.ok === true])
    if (part?.ok) expect(part.figures.map(([way]) => way)).toEqual(['clutch'])
  })
  expect(answer.ok).toBe(true)
  const shares = told.map(([done]) => done)
  expect(shares).toEqual(shares.toSorted((one, other) => one - other))
  // Six seconds are told of every 2.5 s of the drive, then each of the two ways.
  expect(told.slice(-2)).toEqual([
    [0.5, true],
    [1, false],
  ])
  expect(told.length).toBe(5)
})

test('other units are driven over the same course, each as is usual for it and in its own car', () => {
  const unit = (id: string, draft: BoxDraft) => usualUnit({ id, name: id, draft })
  const twin = unit('twin', dualClutch())
  const drum = unit('drum', { ...counted('motorcycle'), rollingRadiusMm: 305 })
  const blank = unit('blank', buildPattern('three-shaft', 'box', {}))
  expect([twin.way, drum.way, blank.way]).toEqual(['ready', 'without-clutch', 'clutch'])
  expect(drum.car.rollingRadiusMm).toBe(305)
  const answer = runDrive({ draft: counted('three-shaft'), ...job, beside: [twin, drum, blank] })
  if (!answer.ok) throw new Error(answer.kind)
  const alone = runDrive({ draft: dualClutch(), ...job, car: twin.car, way: 'ready', others: [] })
  if (!alone.ok) throw new Error(alone.kind)
  const [first, , last] = answer.beside
  expect(first?.answer).toEqual({ ok: true, figures: alone.figures[0]?.[1] })
  expect(last?.answer).toMatchObject({ ok: false, kind: 'uncounted' })
})

test('the units of an address are named once each', () => {
  expect(besideOf('a.b.a..')).toEqual(['a', 'b'])
  expect(besideOf(null)).toEqual([])
  expect(besideOf(formatBeside(['a', 'b']))).toEqual(['a', 'b'])
})

test('a job of a box that is not counted says so', () => {
  expect(runDrive({ draft: buildPattern('three-shaft', 'box', {}), ...job })).toMatchObject({
    ok: false,
    kind: 'uncounted',
  })
})

const sampleOf = (...clutchNm: readonly number[]): DriveSample => ({
  timeS: 0,
  mPerS: 0,
  engineRpm: 900,
  clutchNm,
  wheelNm: 0,
  selected: 0,
  ready: -1,
})

test('the ribbon of a drive is a part of the most that goes through all clutches; none while nothing does', () => {
  const samples = [sampleOf(0, 0), sampleOf(40, 60), sampleOf(-25, 0)]
  const mostNm = mostInputNm({ samples })
  expect(mostNm).toBe(100)
  expect(samples.map((sample) => flowAt(sample, mostNm))).toEqual([
    null,
    { isOverrun: false, part: 1 },
    { isOverrun: true, part: 0.25 },
  ])
})
