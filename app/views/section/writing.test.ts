/** What is written on a drawing, against where its parts are drawn. */
import { PATTERNS, buildPattern, indexBox, layOutSection, withBuild } from 'core'

import { couplerLabel } from '~/words/names.ts'
import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { placeGearFigures } from './gearLabels.ts'
import { scaleOf } from './scale.ts'
import { couplerNameY } from './sleeves.ts'
import { gearSeats } from './toothMarks.ts'
import { placeNames } from './writing.ts'

type PatternId = (typeof PATTERNS)[number]['id']

/** A pattern with all of its bearings, washers and rings, and its names. */
function drawing(id: PatternId) {
  const draft = withBuild(buildPattern(id, 'box', {}))
  const naming = { box: indexBox(draft), words: PLAIN_WORDS }
  const section = layOutSection(draft)
  const scale = scaleOf(section)
  const layout = { section, scale, seats: gearSeats(section), shifts: new Map<string, number>() }
  return { naming, layout, section, scale, ...placeNames(layout, naming) }
}

/** A letter is drawn about 8 units wide, and 12 over its base line. */
function cornersOf(text: string, x: number, y: number, textAnchor: 'start' | 'middle') {
  const left = textAnchor === 'middle' ? x - text.length * 4 : x
  return { left, right: left + text.length * 8, top: y - 12, bottom: y }
}

test.each(PATTERNS.map(({ id }) => id))(
  'no name of a gear of %s is written over a sleeve’s name, a bearing or a chain',
  (id) => {
    const { gearNames, naming, section, scale } = drawing(id)
    const sleeves = section.couplers.map((drawn) => ({
      what: drawn.coupler.id,
      ...cornersOf(
        couplerLabel(naming, drawn.coupler),
        scale.x(drawn.coupler.stationMm),
        couplerNameY(drawn, section, scale),
        'middle',
      ),
    }))
    const pieces = section.pieces.map(({ piece, yMm, fromMm, toMm, outerMm }) => ({
      what: piece.id,
      left: scale.x(fromMm),
      right: scale.x(toMm),
      top: scale.y(yMm - outerMm),
      bottom: scale.y(yMm + outerMm),
    }))
    const chains = section.meshes
      .filter(({ touch }) => touch === 'sprockets')
      .map(({ link, a, b, stationMm }) => ({
        what: link.id,
        left: scale.x(stationMm - 0.3 * a.widthMm),
        right: scale.x(stationMm + 0.3 * a.widthMm),
        top: scale.y(Math.min(a.yMm, b.yMm)),
        bottom: scale.y(Math.max(a.yMm, b.yMm)),
      }))
    const moving = new Set(
      naming.box.draft.couplers
        .filter(({ kind }) => kind === 'sliding-gear' || kind === 'sliding-idler')
        .map((coupler) => coupler.id),
    )
    for (const { text, x, y, textAnchor } of gearNames.values()) {
      const name = cornersOf(text, x, y, textAnchor)
      for (const other of [...sleeves, ...pieces, ...chains]) {
        // Sliding gears have no sleeve that a name would be written over.
        if (moving.has(other.what)) continue
        const isApart =
          name.right <= other.left ||
          other.right <= name.left ||
          name.bottom <= other.top ||
          other.bottom <= name.top
        expect([text, other.what, isApart]).toEqual([text, other.what, true])
      }
    }
  },
)

test('a ring that is called as the gear cut into it has the name once', () => {
  const { gearNames, memberNames, section } = drawing('transfer-case')
  const ring = section.gears.find(({ isInternal }) => isInternal)?.gear
  if (!ring) throw new Error('no ring')
  expect(gearNames.get(ring.id)?.text).toBe('low ring')
  expect(memberNames.map(({ member }) => member)).not.toContain(ring.member)
})

test('a sleeve that carries teeth has its name on one side of its axis, and their count on the other', () => {
  const { layout, section, scale } = drawing('sleeve-teeth-reverse')
  const toothed = section.couplers.filter(({ coupler }) => coupler.gears !== undefined)
  expect(toothed.length).toBeGreaterThan(0)
  for (const drawn of toothed) {
    const gear = section.gears.find((each) => drawn.coupler.gears?.includes(each.gear.id))
    if (!gear) throw new Error('no teeth')
    const axis = scale.y(drawn.yMm)
    const { countY } = placeGearFigures(gear, layout)
    expect(Math.sign(couplerNameY(drawn, section, scale) - axis)).toBe(-Math.sign(countY - axis))
  }
})
