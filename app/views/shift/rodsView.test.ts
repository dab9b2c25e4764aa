/** Rods set by hand, of a box with three of them side by side. */
import type { InterlockPart, Selector } from 'core'
import { buildPattern, rodsOf, withSelectors } from 'core'

import { formatMoved, holderOf, inRows, parseMoved, possibleOf } from './rodsView.ts'

const draft = withSelectors(
  buildPattern('three-shaft', 'unit', { forward: '5', overdrives: 'none' }),
  'lever',
)
const rods = rodsOf(draft)

test('rods that were set come back from the address', () => {
  const moved = rods.flatMap((selector) => {
    const place = selector.places.find(({ couplers }) => Object.keys(couplers).length > 0)
    return place ? [{ selector, place }] : []
  })
  expect(moved.length).toBeGreaterThan(1)
  expect(parseMoved(draft, formatMoved(moved))).toEqual(moved)
  expect(parseMoved(draft, formatMoved([]))).toEqual([])
})

test('what the address says of no rod of the box, or of no place of it, is passed over', () => {
  for (const text of [null, '', 'gone~1', `${rods[0]?.id ?? ''}~gone`, '~', '|'])
    expect(parseMoved(draft, text)).toEqual([])
})

test('a rod is held by another that is away from its middle, never by itself', () => {
  const [one, two] = rods
  const [place] = one?.places ?? []
  if (!one || !two || !place) throw new Error('too few rods')
  const moved = [{ selector: one, place }]
  const ball: InterlockPart = { id: 'ball', kind: 'ball', selectors: [one.id, two.id] }
  expect(holderOf([ball], moved, two.id)).toEqual(moved[0])
  expect(holderOf([], moved, two.id)).toBeUndefined()
  expect(holderOf([ball], moved, one.id)).toBeUndefined()
  expect(holderOf([ball], [], two.id)).toBeUndefined()
})

test('a ball that is put back sends the second rod home, and one that is out keeps both', () => {
  const [one, two] = rods
  if (!one?.places[0] || !two?.places[0]) throw new Error('too few rods')
  const moved = [
    { selector: one, place: one.places[0] },
    { selector: two, place: two.places[0] },
  ]
  const ball: InterlockPart = { id: 'ball', kind: 'ball', selectors: [one.id, two.id] }
  expect(possibleOf([], moved)).toEqual(moved)
  expect(possibleOf([ball], moved)).toEqual([moved[0]])
})

test('rods lie lever by lever, row by row, and those without a row last', () => {
  const rod = (id: string, row: number | undefined, lever?: number): Selector =>
    ({
      id,
      ...(lever !== undefined && { lever }),
      places: [
        { id: 'p', couplers: {}, ...(row !== undefined && { gate: { row, end: 'front' } }) },
      ],
    }) as unknown as Selector
  const found = inRows([rod('loose', undefined), rod('b', 2), rod('second', 0, 2), rod('a', 1)])
  expect(found.map(({ id }) => id)).toEqual(['a', 'b', 'loose', 'second'])
})
