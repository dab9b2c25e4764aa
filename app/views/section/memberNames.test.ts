import { PATTERNS, buildPattern, indexBox, layOutSection } from 'core'

import { bodyName } from '~/words/names.ts'
import { PLAIN_WORDS } from '~/words/vocabulary.ts'
import { findRoom } from './memberNames.ts'
import { scaleOf } from './scale.ts'
import { gearSeats } from './toothMarks.ts'
import { placeNames } from './writing.ts'

/** A line of type is drawn 17 units high; a name of n letters about 8 n wide. */
const LINE = 17
const CHARACTER = 8

/** Names of gears and members of a pattern, as they are drawn. */
function namesOf(id: (typeof PATTERNS)[number]['id']) {
  const draft = buildPattern(id, 'box', {})
  const naming = { box: indexBox(draft), words: PLAIN_WORDS }
  const section = layOutSection(draft)
  const scale = scaleOf(section)
  const layout = { section, scale, seats: gearSeats(section), shifts: new Map<string, number>() }
  const { gearNames, memberNames, covered } = placeNames(layout, naming)
  const name = (member: string): string => bodyName(naming, member)
  return { section, scale, name, covered, gears: [...gearNames.values()], members: memberNames }
}

test.each(PATTERNS.map(({ id }) => id))(
  'no name of %s covers another, a gear, or the edge of the drawing',
  (id) => {
    const { section, scale, name, gears, members } = namesOf(id)
    const boxes = members.map(({ member, x, y }) => ({
      member,
      left: x,
      right: x + name(member).length * CHARACTER,
      top: y - LINE + 5,
      bottom: y,
    }))
    for (const { text, x, y, textAnchor } of gears) {
      const left = textAnchor === 'middle' ? x - (text.length * CHARACTER) / 2 : x
      for (const one of boxes) {
        const isClear =
          one.right <= left ||
          one.left >= left + text.length * CHARACTER ||
          one.bottom <= y - LINE + 5 ||
          one.top >= y
        expect([one.member, text, isClear]).toEqual([one.member, text, true])
      }
    }
    expect(boxes.length).toBeGreaterThan(0)
    for (const [at, one] of boxes.entries()) {
      expect(one.left).toBeGreaterThanOrEqual(0)
      expect(one.right).toBeLessThanOrEqual(scale.width)
      expect(one.top).toBeGreaterThanOrEqual(0)
      expect(one.bottom).toBeLessThanOrEqual(scale.height)
      for (const other of boxes.slice(at + 1))
        expect(
          one.right <= other.left ||
            other.right <= one.left ||
            one.bottom <= other.top ||
            other.bottom <= one.top,
        ).toBe(true)
      for (const { gear, yMm, widthMm, radiusMm } of section.gears) {
        const isClear =
          one.right <= scale.x(gear.stationMm - widthMm / 2) ||
          one.left >= scale.x(gear.stationMm + widthMm / 2) ||
          one.bottom <= scale.y(yMm - radiusMm) ||
          one.top >= scale.y(yMm + radiusMm)
        expect([one.member, gear.id, isClear]).toEqual([one.member, gear.id, true])
      }
    }
  },
)

test.each(PATTERNS.map(({ id }) => id))('the drawing of %s fits into its frame', (id) => {
  const section = layOutSection(buildPattern(id, 'box', {}))
  const scale = scaleOf(section)
  // Floats: a thousandth of a unit is nothing that anybody sees.
  expect(scale.width).toBeLessThanOrEqual(1000.001)
  expect(scale.height).toBeLessThanOrEqual(640.001)
  // One of the two is used up, or the stretch along the shafts is at its limit.
  const isFull = scale.width > 999 || scale.height > 639
  expect(isFull).toBe(true)
  expect(scale.perMmX / scale.perMmY).toBeLessThanOrEqual(2)
  expect(scale.perMmX / scale.perMmY).toBeGreaterThanOrEqual(1)
})

test.each(PATTERNS.map(({ id }) => id))(
  'the scale of the ribbon in %s covers no part, if it finds room',
  (id) => {
    const { section, scale, covered } = namesOf(id)
    const size = { width: 196, height: 34 }
    const found = findRoom(scale, covered, size)
    if (!found) return
    const [left, right] = [found.x, found.x + size.width]
    const [top, bottom] = [found.y, found.y + size.height]
    expect(left).toBeGreaterThanOrEqual(0)
    expect(right).toBeLessThanOrEqual(scale.width)
    const parts = [
      ...section.gears.map(({ gear, yMm, widthMm, radiusMm }) => ({
        fromMm: gear.stationMm - widthMm / 2,
        toMm: gear.stationMm + widthMm / 2,
        yMm,
        radiusMm,
      })),
      ...section.members.map(({ member, yMm, radiusMm }) => ({
        fromMm: member.fromMm,
        toMm: member.toMm,
        yMm,
        radiusMm,
      })),
    ]
    for (const { fromMm, toMm, yMm, radiusMm } of parts)
      expect(
        right <= scale.x(fromMm) ||
          left >= scale.x(toMm) ||
          bottom <= scale.y(yMm - radiusMm) ||
          top >= scale.y(yMm + radiusMm),
      ).toBe(true)
  },
)

test('where there is no room the scale is left out', () => {
  const section = layOutSection(buildPattern('three-shaft', 'box', {}))
  const scale = scaleOf(section)
  expect(findRoom(scale, [], { width: 5000, height: 10 })).toBeNull()
  const { covered } = namesOf('three-shaft')
  const nearlyAll = { width: scale.width - 4, height: scale.height }
  expect(findRoom(scale, covered, nearlyAll)).toBeNull()
})
