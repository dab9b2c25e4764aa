/** What is covered, asked of points whose part is known. */
import { buildPattern, layOutSection, withBuild } from 'core'

import { fourSpeed } from '../../../core/testing/boxes.ts'

import type { Layout } from './layout.ts'
import { coveredByParts } from './obstacles.ts'
import { scaleOf } from './scale.ts'
import { gearSeats } from './toothMarks.ts'

function layoutOf(draft: Parameters<typeof layOutSection>[0], shifts = new Map<string, number>()) {
  const section = layOutSection(draft)
  return { section, scale: scaleOf(section), seats: gearSeats(section), shifts }
}

function isCovered(layout: Layout, xMm: number, yMm: number): boolean {
  const [x, y] = [layout.scale.x(xMm), layout.scale.y(yMm)]
  return coveredByParts(layout).some(
    ({ left, right, top, bottom }) => left < x && x < right && top < y && y < bottom,
  )
}

function gearOf({ section }: Layout, id: string) {
  const drawn = section.gears.find(({ gear }) => gear.id === id)
  if (!drawn) throw new Error(`${id} is not drawn`)
  return drawn
}

test('a gear covers up to its teeth, and moves with what it has slid', () => {
  const still = layoutOf(fourSpeed('sliding-idler'))
  const { gear, yMm, radiusMm, widthMm } = gearOf(still, 'main-1')
  const nearTeeth = yMm - 0.98 * radiusMm
  expect(isCovered(still, gear.stationMm, nearTeeth)).toBe(true)
  expect(isCovered(still, gear.stationMm, yMm - 1.02 * radiusMm)).toBe(false)
  const away = new Map([['main-1', 200]])
  const slid = layoutOf(fourSpeed('sliding-idler'), away)
  expect(isCovered(slid, gear.stationMm - widthMm / 4, nearTeeth)).toBe(false)
  expect(isCovered(slid, gear.stationMm + 200, nearTeeth)).toBe(true)
})

test('a ring covers its rim and not what is inside; planets and the arm of their carrier do', () => {
  const layout = layoutOf(buildPattern('transfer-case', 'box', {}))
  const [set] = layout.section.planetaries
  if (!set) throw new Error('no set')
  const { yMm, stationMm, sunRadiusMm, ringRadiusMm, carrierAtMm } = set
  const pinMm = (sunRadiusMm + ringRadiusMm) / 2
  // Between planet and arm, within the ring and clear of both.
  const between = (stationMm + 6 + carrierAtMm - 2) / 2
  expect(isCovered(layout, stationMm, yMm - pinMm)).toBe(true)
  expect(isCovered(layout, carrierAtMm, yMm + 0.9 * pinMm)).toBe(true)
  expect(isCovered(layout, stationMm, yMm - ringRadiusMm - 1)).toBe(true)
  expect(isCovered(layout, between, yMm - ringRadiusMm + 2)).toBe(false)
})

test('a chain covers what lies between its sprockets, a pair in mesh nothing beside its gears', () => {
  const layout = layoutOf(buildPattern('motorcycle', 'box', {}))
  const chain = layout.section.meshes.find(
    ({ touch, isTouching }) => touch === 'sprockets' && !isTouching,
  )
  if (!chain) throw new Error('no chain')
  const [upper, lower] = [chain.a, chain.b].sort((one, other) => one.yMm - other.yMm)
  if (!upper || !lower) throw new Error('no sprockets')
  const between = (upper.yMm + upper.radiusMm + lower.yMm - lower.radiusMm) / 2
  expect(isCovered(layout, chain.stationMm, between)).toBe(true)
  expect(isCovered(layout, chain.stationMm + 2 * upper.widthMm, between)).toBe(false)
})

test('bearings cover something where they are drawn, and only there', () => {
  const layout = layoutOf(withBuild(fourSpeed('sliding-idler')))
  const bare = { ...layout, section: { ...layout.section, pieces: [] } }
  const beyond = layout.section.pieces.filter(({ yMm, fromMm, toMm, outerMm }) => {
    const at = [(fromMm + toMm) / 2, yMm - 0.97 * outerMm] as const
    expect(isCovered(layout, ...at)).toBe(true)
    return !isCovered(bare, ...at)
  })
  expect(beyond.length).toBeGreaterThan(0)
})
