/** The interlock: facts of the bench, and enumeration of every state by pushing parts along. */
import fc from 'fast-check'

import { withSelectors } from '../box/selectors/propose.ts'
import type { InterlockPart } from '../box/types.ts'
import { boxOf, fourSpeed } from '../testing/boxes.ts'
import { analyse, prepareSolver } from '../train/analysis.ts'
import { isLocked } from '../train/lock.ts'
import { areHeldApart, placesWith, proveInterlock } from './interlock.ts'

const four = withSelectors(fourSpeed('constant-mesh'), 'lever')
const solver = prepareSolver(boxOf(four))

test('with every ball and pin in no two rods leave the middle; without any one of them a box can lock (common practice)', () => {
  const { open, without } = proveInterlock(solver)
  expect(open).toEqual([])
  expect(without.length).toBeGreaterThan(1)
  for (const { opened } of without) {
    expect(opened.some(({ isLocked: locks }) => locks)).toBe(true)
    for (const { isLocked: locks, cause } of opened) expect(cause !== undefined).toBe(locks)
  }
})

test('without any part, what can be in together and locks is what enumeration finds', () => {
  const bare = prepareSolver(boxOf({ ...four, interlockParts: [] }))
  const { open } = proveInterlock(bare)
  const rods = four.selectors ?? []
  // Every state of all rods, by counting through it.
  const states = rods.reduce<readonly (readonly (readonly [string, string])[])[]>(
    (before, rod) =>
      before.flatMap((state) => [
        state,
        ...rod.places.map((place) => [...state, [rod.id, place.id] as const]),
      ]),
    [[]],
  )
  const locking = states.filter((state) => {
    const moved = state.map(([id, at]) => {
      const selector = rods.find((rod) => rod.id === id)
      const place = selector?.places.find((each) => each.id === at)
      if (!selector || !place) throw new Error('no such place')
      return { selector, place }
    })
    const places = placesWith(four, moved)
    return places !== undefined && isLocked(analyse(bare, places))
  })
  const locked = open.filter((set) => set.isLocked)
  // A state locks exactly where it holds a set that was named.
  for (const state of states) {
    const isNamed = locked.some(({ moved }) =>
      moved.every(({ selector, place }) =>
        state.some(([id, at]) => id === selector.id && at === place.id),
      ),
    )
    expect(isNamed).toBe(locking.includes(state))
  }
})

/**
 * Rods in a row with slots for balls between them and pins in them. A rod off its middle has a
 * plain side, so that a ball beside it lies wholly in the neighbour's notch; a rod whose notch a
 * ball fills on one side, and which has a pin, fills the ball on the other side of it.
 */
function canMove(
  count: number,
  balls: ReadonlySet<number>,
  pins: ReadonlySet<number>,
  one: number,
  other: number,
): boolean {
  const [low, high] = one < other ? [one, other] : [other, one]
  let isPushed = true
  for (let rod = low; rod < high && isPushed; rod++) {
    isPushed = balls.has(rod) && (rod === low || pins.has(rod))
  }
  return !(isPushed && high < count)
}

test('two rods of a row keep one another in the middle as a push along the row says', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 5 }).chain((count) =>
        fc.record({
          count: fc.constant(count),
          balls: fc.uniqueArray(fc.integer({ min: 0, max: count - 2 })),
          pins: fc.uniqueArray(fc.integer({ min: 0, max: count - 1 })),
        }),
      ),
      ({ count, balls, pins }) => {
        const parts: readonly InterlockPart[] = [
          ...balls.map((at) => ({
            id: `ball-${at}`,
            kind: 'ball' as const,
            selectors: [`${at}`, `${at + 1}`],
          })),
          ...pins.map((at) => ({ id: `pin-${at}`, kind: 'pin' as const, selectors: [`${at}`] })),
        ]
        for (let one = 0; one < count; one++)
          for (let other = 0; other < count; other++)
            if (one !== other)
              expect(areHeldApart(parts, `${one}`, `${other}`)).toBe(
                !canMove(count, new Set(balls), new Set(pins), one, other),
              )
      },
    ),
  )
})

test('a plate keeps all that it serves apart', () => {
  const plate: InterlockPart = { id: 'plate', kind: 'plate', selectors: ['a', 'b', 'c'] }
  expect(areHeldApart([plate], 'a', 'c')).toBe(true)
  expect(areHeldApart([plate], 'a', 'd')).toBe(false)
})
