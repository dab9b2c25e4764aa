import { layOutSection } from 'core'
import { draftOf, gear, shaft } from '../../../core/testing/boxes.ts'

import { blockPath, gearOutline, memberOutline } from './outlines.ts'
import type { Scale } from './scale.ts'

/** Twice as long and thrice as high as the box, from its corner. */
const SCALE: Scale = {
  perMmX: 2,
  perMmY: 3,
  x: (mm) => 2 * mm,
  y: (mm) => 3 * mm,
  width: 200,
  height: 300,
  share: 1,
}

test('a block goes round its four corners, by tenths', () => {
  expect(blockPath(1, 10.04, 5, 7.26)).toBe('M1.0 5.0h10.0V7.3h-10.0Z')
})

const section = layOutSection(
  draftOf({
    axes: [{ id: 'one' }],
    members: [shaft('one'), { ...shaft('tube', 'one'), isHollow: true }],
    gears: [
      gear('fixed', 'one', 20),
      gear('free', 'one', 20, { mount: 'free', stationMm: 20 }),
      gear('uncounted', 'one', null, { stationMm: 80 }),
    ],
  }),
)

/** The heights of the corners of each block in a path. */
function heights(d: string): number[][] {
  return d
    .split('Z')
    .filter(Boolean)
    .map((block) => [...block.matchAll(/(?:M\S+ |V)(-?[\d.]+)/g)].map(([, y]) => Number(y)))
}

function gearNamed(id: string) {
  const drawn = section.gears.find((each) => each.gear.id === id)
  if (!drawn) throw new Error('not drawn')
  return { drawn, ...gearOutline(drawn, 7, false, SCALE) }
}

test('a gear that is fast on its shaft is one block, as high as it is', () => {
  const { drawn, className, d } = gearNamed('fixed')
  const [above, below] = [drawn.yMm - drawn.radiusMm, drawn.yMm + drawn.radiusMm]
  expect(className).toBe('solid')
  const [[from = NaN, to = NaN] = [], ...more] = heights(d)
  expect(more).toEqual([])
  expect(from).toBeCloseTo(3 * above, 1)
  expect(to).toBeCloseTo(3 * below, 1)
})

test('a gear that turns on its shaft is cut by its bore, which is wider than the shaft', () => {
  const { drawn, className, d } = gearNamed('free')
  expect(className).toBe('open')
  const [over = [], under = [], ...more] = heights(d)
  expect(more).toEqual([])
  const axis = 3 * drawn.yMm
  expect(axis - Math.max(...over)).toBeGreaterThan(3 * 7)
  expect(Math.min(...under) - axis).toBeCloseTo(axis - Math.max(...over), 0)
})

test('a gear that nobody has counted is drawn as a guess', () => {
  expect(gearNamed('uncounted').className).toBe('guessed')
})

test('a shaft is as long as it is, and a tube round it has two walls', () => {
  const [bar, tube] = section.members.map((drawn) => memberOutline(drawn, SCALE))
  expect(bar?.d).toMatch(/^M0\.0 \S+h200\.0V/)
  expect(heights(bar?.d ?? '')).toHaveLength(1)
  expect(heights(tube?.d ?? '')).toHaveLength(2)
})
