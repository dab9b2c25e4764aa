/** A bend by radius and track, and by the wheels (rolling without slip, common practice). */
import fc from 'fast-check'

import { toNumber } from 'core'

import { bendOfWheels, differenceOf, formatBend, parseBend } from './bend.ts'

test('wheels turn as their ways round the bend are long', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 2.5, max: 500, noNaN: true }),
      fc.double({ min: 0.5, max: 4, noNaN: true }),
      (radiusM, trackM) => {
        const part = toNumber(differenceOf({ kind: 'radius', radiusM, trackM, inner: 'right' }))
        const [outer, inner] = [radiusM + trackM / 2, radiusM - trackM / 2]
        expect((1 + part) / (1 - part)).toBeCloseTo(outer / inner, 3)
      },
    ),
  )
})

test('round its own inner wheel the outer turns twice the mean', () => {
  expect(
    toNumber(differenceOf({ kind: 'radius', radiusM: 0.75, trackM: 1.5, inner: 'left' })),
  ).toBe(-1)
})

test('two wheel speeds have their mean, and what one turns more', () => {
  const found = bendOfWheels(330, 270)
  expect(found?.mean).toBe(300)
  expect(found?.bend && toNumber(differenceOf(found.bend))).toBe(0.1)
  expect(bendOfWheels(300, 300)?.bend).toBeNull()
  expect(bendOfWheels(-1, 300)).toBeNull()
  expect(bendOfWheels(0, 0)).toBeNull()
})

test('an address keeps a bend, and one that cannot be is none', () => {
  for (const text of ['radius,6,1.5,left', 'difference,-0.25'])
    expect(formatBend(parseBend(text) ?? { kind: 'difference', part: 9 })).toBe(text)
  for (const text of [
    null,
    '',
    'radius,0.5,1.5,left',
    'radius,6,1.5,up',
    'radius,6,9,left',
    'radius,,1.5,left',
    'difference,1.5',
    'difference,',
    'difference,NaN',
    'difference,Infinity',
  ])
    expect(parseBend(text)).toBeNull()
})
