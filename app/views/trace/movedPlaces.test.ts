import { buildPattern } from 'core'

import { fourSpeed } from '../../../core/testing/boxes.ts'
import { formatPlaces, moveCoupler, parsePlaces, positionAt, stepPlace } from './movedPlaces.ts'

const draft = fourSpeed('constant-mesh')
const atRest = parsePlaces(draft, 'none:at-all') ?? {}

test('places in the address are those that were moved, and centres for the rest', () => {
  const places = { ...atRest, 'coupler-1-2': '1' }
  expect(parsePlaces(draft, formatPlaces(draft, places))).toEqual(places)
  expect(parsePlaces(draft, 'coupler-1-2:9,coupler-3-4:3')).toEqual({
    ...atRest,
    'coupler-3-4': '3',
  })
  expect(parsePlaces(draft, null)).toBeNull()
  expect(parsePlaces(draft, '')).toBeNull()
})

test('a coupler without a centre stands at its first place', () => {
  const heavy = buildPattern('heavy', 'box', {})
  expect(parsePlaces(heavy, 'x:y')?.range).toBe('low')
})

test('a sleeve passes its centre, and stops at its ends', () => {
  const sleeve = draft.couplers.find(({ id }) => id === 'coupler-3-4')
  if (!sleeve) throw new Error('the pattern has no 3–4 sleeve')
  // 4th is direct, so it is on the side of the input end.
  expect(stepPlace(sleeve, 'centre', -1)).toBe('4')
  expect(stepPlace(sleeve, '4', -1)).toBe('4')
  expect(stepPlace(sleeve, '4', 1)).toBe('centre')
  expect(stepPlace(sleeve, 'centre', 1)).toBe('3')
})

const KEPT = { hasInterlock: true }

test('the interlock holds a second sleeve, and says which one holds it', () => {
  const first = moveCoupler(draft, atRest, 'coupler-1-2', '1', KEPT)
  if (first.kind !== 'moved') throw new Error('the first sleeve is held')
  expect(moveCoupler(draft, first.places, 'coupler-3-4', '3', KEPT)).toEqual({
    kind: 'held',
    coupler: 'coupler-3-4',
    by: 'coupler-1-2',
  })
  expect(moveCoupler(draft, first.places, 'coupler-1-2', '2', KEPT).kind).toBe('moved')
  expect(moveCoupler(draft, first.places, 'coupler-3-4', '3', { hasInterlock: false })).toEqual({
    kind: 'moved',
    places: { ...first.places, 'coupler-3-4': '3' },
  })
  // Without the ball between the two rods.
  const areFreed = (one: string, other: string): boolean =>
    [one, other].sort().join() === 'coupler-1-2,coupler-3-4'
  const freed = { hasInterlock: true, areFreed }
  expect(moveCoupler(draft, first.places, 'coupler-3-4', '3', freed).kind).toBe('moved')
})

test('places that a listed position has are that position', () => {
  expect(positionAt(draft, { 'coupler-1-2': '2' })).toBe('2')
  expect(positionAt(draft, {})).toBe('N')
  expect(positionAt(draft, { 'coupler-1-2': '2', 'coupler-3-4': '4' })).toBeUndefined()
})
