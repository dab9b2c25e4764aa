import { draftOf, gear, shaft } from '../testing/boxes.ts'
import { median, sumsBetweenAxes } from './toothSums.ts'
import type { Gear, Link } from './types.ts'

const mesh = (a: string, b: string, kind: 'external-mesh' | 'internal-mesh' = 'external-mesh') =>
  ({ id: `${a}-${b}`, kind, a, b }) satisfies Link

/** Two shafts with pairs between them: 20 on 40, 25 on 35, 30 on 31. */
function twoShafts(more: Partial<Gear> = {}, links: readonly Link[] = []) {
  return draftOf({
    axes: [{ id: 'upper' }, { id: 'lower' }],
    members: [shaft('upper'), shaft('lower')],
    gears: [
      gear('a', 'upper', 20),
      gear('b', 'upper', 25),
      gear('c', 'upper', 30, more),
      gear('A', 'lower', 40),
      gear('B', 'lower', 35),
      gear('C', 'lower', 31),
    ],
    links: [mesh('a', 'A'), mesh('B', 'b'), mesh('c', 'C'), ...links],
  })
}

test('pairs between the same two axes stand together, whichever gear is named first', () => {
  const [group = [], ...others] = sumsBetweenAxes(twoShafts())
  expect(others).toEqual([])
  expect(group.map(({ a, b, at, sum }) => [a, b, at, sum])).toEqual([
    ['a', 'A', 0, 60],
    ['B', 'b', 1, 60],
    ['c', 'C', 2, 61],
  ])
})

test('teeth of another module or helix have a sum of their own', () => {
  for (const other of [{ moduleMm: 3 }, { helixAngleDeg: 25 }])
    expect(sumsBetweenAxes(twoShafts(other)).map((group) => group.map(({ sum }) => sum))).toEqual([
      [60, 60],
      [61],
    ])
})

test('what is not counted, leads nowhere or meshes from within is left out', () => {
  expect(sumsBetweenAxes(twoShafts({ toothCount: null }, [mesh('a', 'gone')]))[0]).toHaveLength(2)
  const within = draftOf({
    members: [shaft('upper'), shaft('lower')],
    gears: [gear('sun', 'upper', 20), gear('ring', 'lower', 60)],
    links: [mesh('sun', 'ring', 'internal-mesh')],
  })
  expect(sumsBetweenAxes(within)).toEqual([])
})

test('the middle of several values, the upper one of an even number of them', () => {
  expect(median([61, 60, 70])).toBe(61)
  expect(median([4, 1, 3, 2])).toBe(3)
  expect(median([])).toBeUndefined()
})
