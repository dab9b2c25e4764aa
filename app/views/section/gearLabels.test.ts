import { PATTERNS, buildPattern, couplerShift, layOutSection } from 'core'
import { fourSpeed, planetaryDraft } from '../../../core/testing/boxes.ts'

import type { GearName } from './gearLabels.ts'
import { placeGearFigures, placeGearNames } from './gearLabels.ts'
import type { Layout } from './layout.ts'
import { coveredByParts } from './obstacles.ts'
import type { Rectangle } from './rectangles.ts'
import { scaleOf } from './scale.ts'
import { gearSeats } from './toothMarks.ts'

function layoutOf(draft: Parameters<typeof layOutSection>[0], shifts = new Map<string, number>()) {
  const section = layOutSection(draft)
  return { section, scale: scaleOf(section), seats: gearSeats(section), shifts }
}

const namesOf = (layout: Layout, ...taken: readonly Rectangle[]) =>
  placeGearNames(layout, [...coveredByParts(layout), ...taken])

function placesOf(layout: Layout, gear: string) {
  const drawn = layout.section.gears.find((each) => each.gear.id === gear)
  if (!drawn) throw new Error('not drawn')
  return { drawn, ...placeGearFigures(drawn, layout), name: namesOf(layout).get(gear) }
}

const FOUR = layoutOf(fourSpeed('sliding-idler'))

test('the frame of a gear goes round its block', () => {
  const { drawn, frame } = placesOf(FOUR, 'main-1')
  const { scale } = FOUR
  expect(frame.width).toBeCloseTo(drawn.widthMm * scale.perMmX, 9)
  expect(frame.y).toBeCloseTo(scale.y(drawn.yMm - drawn.radiusMm), 9)
  expect(frame.y + frame.height).toBeCloseTo(scale.y(drawn.yMm + drawn.radiusMm), 9)
})

test('names stand outside the pairs: above the upper gear, below the lower one', () => {
  const [upper, lower] = [placesOf(FOUR, 'main-1'), placesOf(FOUR, 'counter-1')]
  expect(upper.name?.y).toBeLessThan(upper.frame.y)
  expect(lower.name?.y).toBeGreaterThan(lower.frame.y + lower.frame.height)
  expect(upper.name?.x).toBeCloseTo(upper.frame.x + upper.frame.width / 2, 9)
})

test.each(['main-1', 'counter-1', 'main-3'])(
  'the count of %s stands on it, off the shaft',
  (id) => {
    const { drawn, frame, countY } = placesOf(FOUR, id)
    const shaft = FOUR.seats.radiusMm(drawn.gear.member) * FOUR.scale.perMmY
    expect(Math.abs(countY - FOUR.scale.y(drawn.yMm))).toBeGreaterThan(shaft)
    expect(countY).toBeGreaterThan(frame.y)
    expect(countY).toBeLessThan(frame.y + frame.height)
  },
)

test('count and speed of a gear stand on either side of its shaft', () => {
  const { drawn, countY, speedY } = placesOf(FOUR, 'counter-1')
  const axis = FOUR.scale.y(drawn.yMm)
  expect(Math.sign(countY - axis)).toBe(-Math.sign(speedY - axis))
})

test('what is written on a gear slides with it', () => {
  const slid = layoutOf(fourSpeed('sliding-idler'), new Map([['main-1', 10]]))
  const [before, after] = [placesOf(FOUR, 'main-1'), placesOf(slid, 'main-1')]
  expect(after.x - before.x).toBeCloseTo(10 * FOUR.scale.perMmX, 9)
  expect(after.countY).toBe(before.countY)
})

test('a ring has its name beside its rim, which is too thin for it, or beyond it', () => {
  const set = planetaryDraft({ sun: 30, ring: 60 }, 'sun', 'ring', 'carrier')
  const beyond = placesOf(layoutOf(set), 'ring-gear')
  // The ring is cut into a drum that goes on beside it.
  expect(beyond.name?.textAnchor).toBe('middle')
  expect(beyond.name?.y).toBeGreaterThan(beyond.frame.y + beyond.frame.height)
  const members = set.members.map((each) =>
    each.id === 'ring' ? { ...each, fromMm: 45, toMm: 55 } : each,
  )
  const { frame, name } = placesOf(layoutOf({ ...set, members }), 'ring-gear')
  expect(name?.textAnchor).toBe('start')
  expect(name?.x).toBeGreaterThan(frame.x + frame.width)
})

test('a name is left out where another gear stands', () => {
  const draft = fourSpeed('sliding-idler')
  const above = placesOf(FOUR, 'main-1')
  // A larger gear on the same shaft, so near that it covers the place of the name.
  const gears = draft.gears.map((each) =>
    each.id === 'main-2' ? { ...each, stationMm: above.drawn.gear.stationMm + 4 } : each,
  )
  expect(above.name).toBeDefined()
  expect(placesOf(layoutOf({ ...draft, gears }), 'main-2').name).toBeUndefined()
})

/** A letter is drawn about 8 units wide, a line of type 17 high: 13 over its base line. */
function isApart(one: GearName, other: GearName): boolean {
  const [[left, right], [from, to]] = [one, other].map(({ text, x, textAnchor }) => {
    const start = textAnchor === 'middle' ? x - text.length * 4 : x
    return [start, start + text.length * 8] as const
  }) as [readonly [number, number], readonly [number, number]]
  return right <= from || to <= left || Math.abs(one.y - other.y) >= 17
}

test.each(PATTERNS.map(({ id }) => id))('no name of a gear of %s runs into another', (id) => {
  const names = [...namesOf(layoutOf(buildPattern(id, 'box', {}))).values()]
  expect(names.length).toBeGreaterThan(0)
  for (const [at, one] of names.entries())
    for (const other of names.slice(at + 1))
      expect([one.text, other.text, isApart(one, other)]).toEqual([one.text, other.text, true])
})

test('names that are longer than their gears are apart stand on lines of their own', () => {
  const draft = fourSpeed('sliding-idler')
  const gears = draft.gears.map((each) =>
    each.member === 'main' ? { ...each, label: each.label.replace('gear', 'on main') } : each,
  )
  const named = namesOf(layoutOf({ ...draft, gears }))
  const [second, third] = ['main-2', 'main-3'].map((id) => named.get(id))
  if (!second || !third) throw new Error('a gear has no name')
  expect(Math.abs(second.x - third.x)).toBeLessThan((second.text.length + third.text.length) * 4)
  expect(isApart(second, third)).toBe(true)
})

test('a name stands on the other side where a chain or a sleeve is in the way', () => {
  // The front sprocket is on the output shaft, its chain below it.
  const sprocket = placesOf(layoutOf(buildPattern('motorcycle', 'box', {})), 'output-chain')
  expect(sprocket.name?.y).toBeLessThan(sprocket.frame.y)
  const { frame, name } = placesOf(FOUR, 'counter-1')
  const there = { left: 0, right: 1000, top: frame.y + frame.height, bottom: 640 }
  expect(name?.y).toBeGreaterThan(frame.y + frame.height)
  expect(namesOf(FOUR, there).get('counter-1')).toBeUndefined()
})

test('what has slid into mesh says which way, and what only rode along does not', () => {
  const draft = buildPattern('sliding-gear', 'box', {})
  const section = layOutSection(draft)
  const slid = draft.couplers.flatMap((coupler) =>
    coupler.positions.flatMap((place) => {
      const { gears, shiftMm } = couplerShift(section, coupler, place)
      return place.engages.some(({ kind }) => kind === 'mesh') && shiftMm !== 0
        ? gears.map((gear) => ({ gear, shiftMm }))
        : []
    }),
  )
  expect(slid.length).toBeGreaterThan(0)
  for (const { gear, shiftMm } of slid) {
    const text = (mm: number) =>
      placesOf(layoutOf(draft, new Map([[gear, mm]])), gear).name?.text ?? ''
    expect(text(shiftMm)).toMatch(shiftMm > 0 ? / ▶$/ : /^◀ /)
    expect(text(shiftMm / 3)).not.toMatch(/[◀▶]/)
    expect(text(0)).not.toMatch(/[◀▶]/)
  }
})
