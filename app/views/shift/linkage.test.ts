/** Rods, forks and sleeves: one travel, on boxes of every kind. */
import fc from 'fast-check'

import type { BoxDraft, CouplerPlaces } from 'core'
import {
  buildPattern,
  checkBox,
  divideDrum,
  fullPlaces,
  drumWays,
  gearChange,
  layOutSection,
  PATTERN_IDS,
  prepareSolver,
  rodsOf,
} from 'core'

import { scaleOf } from '~/views/section/scale.ts'

import {
  drumY,
  NOTCH,
  ballRise,
  fingerAt,
  forksOf,
  grooveLines,
  lanesOf,
  linkageHeight,
  placeDraggedTo,
  rodPlaces,
  rodShift,
  rodY,
  slotsOfLever,
  standingAt,
  starDrawing,
} from './linkage.ts'
import { PARTS_OF_A_STEP, courseOf, momentOf, nearestMoment } from './moment.ts'
import { inRows } from './rodsView.ts'

function counted(draft: BoxDraft): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: 18 + ((at * 5) % 23) })),
  }
}

const BOXES = PATTERN_IDS.map((id) => {
  const draft = counted(buildPattern(id, id, {}))
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error(`${id} hangs together`)
  const section = layOutSection(draft)
  const rods = inRows(rodsOf(draft))
  const drum = draft.drums?.[0]
  return {
    draft,
    rods,
    section,
    scale: scaleOf(section),
    solver: prepareSolver(checked.box),
    movers: { rods: drum ? [] : rods, drums: drum ? [drum] : [] },
  }
})

/** Where a line goes through a height. */
function xAt(path: string, y: number): number {
  const points = path
    .slice(1)
    .split('L')
    .map((point) => point.split(' ').map(Number))
  for (const [at, [x = 0, height = 0]] of points.entries()) {
    const [beforeX = 0, before = 0] = points[at - 1] ?? []
    if (at > 0 && before <= y && y <= height)
      return beforeX + ((y - before) / (height - before || 1)) * (x - beforeX)
  }
  return NaN
}

/** A change of some box, and a moment of it. */
const anyMoment = fc
  .record({
    which: fc.integer({ min: 0, max: BOXES.length - 1 }),
    from: fc.nat(99),
    to: fc.nat(99),
    at: fc.double({ min: 0, max: 1, noNaN: true }),
  })
  .map(({ which, from, to, at }) => {
    const box = BOXES[which]
    if (!box) throw new Error('a box')
    const { positions } = box.draft
    const [one, other] = [from, to].map((each) => positions[each % positions.length])
    if (!one || !other) throw new Error('two positions')
    const course = courseOf(box.draft, gearChange(box.solver, one, other, 'clutch'))
    const moment = momentOf(course, at * course.change.steps.length * PARTS_OF_A_STEP)
    return { box, course, moment, standing: { ...box, ...standingAt(box.draft, moment) } }
  })

test('fork, rod and what they move stand equally far from their middle, at every moment of every change', () => {
  fc.assert(
    fc.property(anyMoment, ({ box, standing }) => {
      for (const fork of forksOf(box.movers, standing)) {
        const { over, shift, x } = fork
        const stationMm =
          over.kind === 'sleeve' ? fork.coupler.stationMm : over.drawn.gear.stationMm
        expect(x - shift).toBeCloseTo(box.scale.x(stationMm), 6)
        const { rod } = fork
        const moves = rod && new Set(rod.places.flatMap(({ couplers }) => Object.keys(couplers)))
        if (rod && moves?.size === 1) expect(rodShift(rod, standing)).toBeCloseTo(shift, 6)
      }
    }),
  )
})

test('a fork that swings goes against its rod, by the quotient of its arms', () => {
  const arm = fc.integer({ min: 10, max: 90 })
  fc.assert(
    fc.property(anyMoment, arm, arm, ({ box, moment }, rodArmMm, padArmMm) => {
      const couplers = box.draft.couplers.map((coupler) => ({
        ...coupler,
        swings: { rodArmMm, padArmMm },
      }))
      const draft = { ...box.draft, couplers }
      const section = layOutSection(draft)
      const standing = { section, scale: scaleOf(section), ...standingAt(draft, moment) }
      for (const { rod, shift } of forksOf(box.movers, standing)) {
        if (!rod || new Set(rod.places.flatMap((place) => Object.keys(place.couplers))).size > 1)
          continue
        expect(rodShift(rod, standing) * padArmMm).toBeCloseTo(-shift * rodArmMm, 4)
      }
    }),
  )
})

test('a rod in another shares its lane, and the picture needs less room', () => {
  const box = BOXES.find(({ draft }) => draft.name === 'three-shaft')
  const [outer, inner, ...rest] = box?.rods ?? []
  if (!outer || !inner) throw new Error('two rods')
  const nested = [outer, { ...inner, inside: outer.id }, ...rest]
  expect(lanesOf(nested).get(inner.id)).toBe(lanesOf(nested).get(outer.id))
  const [apart, together] = [[outer, inner, ...rest], nested].map((rods) =>
    linkageHeight({ rods, drums: [] }),
  )
  expect(together).toBeLessThan(apart ?? 0)
})

test('a lever at an end of its gate is where its rod is, and in neutral no rod of it is away', () => {
  fc.assert(
    fc.property(anyMoment, ({ box, moment, standing }) => {
      for (const [lever, way] of moment.levers) {
        const slots = slotsOfLever(box.rods, lever)
        const finger = fingerAt({ rods: box.rods }, slots, way, (rod) => rodShift(rod, standing))
        const isNeutral = way.from.end === null && way.to.end === null
        if (!finger || box.movers.drums.length > 0) continue
        if (isNeutral) expect(finger.shift).toBe(0)
        else
          expect(
            box.rods.some(
              (rod, lane) =>
                Math.abs(rodY(lane) - finger.y) < 1e-9 &&
                Math.abs(rodShift(rod, standing) - finger.shift) < 1e-9,
            ),
          ).toBe(true)
      }
    }),
  )
})

test('a change ends with every rod in a notch, and begins so', () => {
  for (const { draft, solver, rods, section, scale } of BOXES)
    for (const to of draft.positions.slice(0, 8)) {
      const [from = to] = draft.positions
      const course = courseOf(draft, gearChange(solver, from, to, 'clutch'))
      for (const at of [0, course.change.steps.length * PARTS_OF_A_STEP]) {
        const standing = { section, scale, ...standingAt(draft, momentOf(course, at)) }
        for (const rod of rods)
          expect(ballRise(rodPlaces(rod, standing), rodShift(rod, standing))).toBeCloseTo(0, 9)
      }
    }
})

test('a ball lies on the rod between two notches, and in each of them', () => {
  expect(ballRise([20, -20], 0)).toBe(0)
  expect(ballRise([20, -20], -20)).toBe(0)
  expect(ballRise([20, -20], 10)).toBe(NOTCH.deep)
  expect(ballRise([20, -20], NOTCH.half / 2)).toBe(NOTCH.deep / 2)
})

test('a rod that is dragged goes to the nearest of its places, or to its middle', () => {
  const [box] = BOXES
  const rod = box?.rods.find(({ places }) => places.length === 2)
  if (!box || !rod) throw new Error('a rod of two places')
  const [one = 0, other = 0] = rodPlaces(rod, box)
  expect(placeDraggedTo(rod, one * 0.8, box)).toBe(rod.places[0])
  expect(placeDraggedTo(rod, other * 3, box)).toBe(rod.places[1])
  expect(placeDraggedTo(rod, one * 0.2, box)).toBeNull()
})

test('what is dragged is followed to the nearest moment of the change', () => {
  const [box] = BOXES
  const [first, second] = box?.draft.positions ?? []
  if (!box || !first || !second) throw new Error('two positions')
  const course = courseOf(box.draft, gearChange(box.solver, first, second, 'clutch'))
  const wanted = course.change.steps.length * PARTS_OF_A_STEP
  expect(nearestMoment(course, 0, ({ done }) => Math.abs(done - course.change.steps.length))).toBe(
    wanted,
  )
  expect(nearestMoment(course, 30, () => 1)).toBe(30)
})

describe('a drum', () => {
  const bike = BOXES.find(({ movers }) => movers.drums.length > 0)
  const drum = bike?.movers.drums[0]
  if (!bike || !drum) throw new Error('a box with a drum')

  test('has every groove under the pin of its fork, at every angle', () => {
    for (let angle = 0; angle < 360; angle += 7.5) {
      const standing = {
        ...bike,
        places: new Map(),
        onTheWay: drumWays(bike.draft.couplers, drum, angle),
      }
      const lines = new Map(
        grooveLines(drum, angle, drumY(0), standing).map(({ coupler, path }) => [coupler, path]),
      )
      for (const { coupler, x } of forksOf(bike.movers, standing))
        expect(Math.abs(xAt(lines.get(coupler.id) ?? '', drumY(0)) - x)).toBeLessThan(0.6)
    }
  })

  test('has its roller lower at each stop than on both sides of it', () => {
    const depth = (angle: number): number => {
      const { x, y } = starDrawing(drum, angle).roller
      return Math.hypot(x, y)
    }
    for (const { angleDeg } of drum.stops)
      for (const off of [-5, 5])
        expect(depth(angleDeg + off)).toBeGreaterThan(depth(angleDeg) + 0.1)
  })
})

test('with a groove on a drum of its own no two gears are in at once, at any moment of a change', () => {
  const bike = BOXES.find(({ movers }) => movers.drums.length > 0)
  const [drum] = bike?.movers.drums ?? []
  if (!bike || !drum) throw new Error('a bike')
  const draft = {
    ...bike.draft,
    drums: divideDrum(bike.draft, drum, drum.tracks[0]?.coupler ?? ''),
  }
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('it hangs together')
  const solver = prepareSolver(checked.box)
  const away = (places: CouplerPlaces): number =>
    draft.couplers.filter(({ id, positions }) =>
      positions.some((place) => place.id === places[id] && place.engages.length > 0),
    ).length
  const listed = draft.positions.filter(({ isHidden }) => isHidden !== true)
  for (const from of listed)
    for (const to of listed) {
      const course = courseOf(draft, gearChange(solver, from, to, 'clutch'))
      const last = course.change.steps.length * PARTS_OF_A_STEP
      for (let at = 0; at <= last; at++) {
        const { places } = momentOf(course, at)
        expect([from.label, to.label, at, away(places) <= 1]).toEqual([
          from.label,
          to.label,
          at,
          true,
        ])
      }
      expect(momentOf(course, last).places).toEqual(fullPlaces(draft.couplers, to.couplers))
    }
})
