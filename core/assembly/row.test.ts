/**
 * Rings on shafts against a simulation of its own that knows diameters, shoulders and ends: a
 * ring is pushed along a quarter of a millimetre at a time until something stops it or it is
 * off. Written without any look at the ways that are tested.
 */
import fc from 'fast-check'

import { stuckParts } from './removal.ts'
import { assemblyOnShaft, emptied, pushedOff } from '../testing/rings.ts'
import { waysOffRow } from './row.ts'

test('every ring comes off just where it can be pushed off, whatever else is off', () => {
  fc.assert(
    fc.property(assemblyOnShaft, fc.infiniteStream(fc.boolean()), ({ shaft, rings }, isThere) => {
      const ways = waysOffRow(shaft, rings)
      const left = rings.filter(() => isThere.next().value === true)
      rings.forEach((ring, at) => {
        const others = left.filter((each) => each !== ring)
        const isOpen = (ways[at] ?? []).some(({ blockedBy }) =>
          others.every(({ id }) => !blockedBy.includes(id)),
        )
        expect(isOpen).toBe(pushedOff(shaft, others, ring))
      })
    }),
    { numRuns: 1_000 },
  )
})

test('an order exists just where the simulation empties the shaft', () => {
  fc.assert(
    fc.property(assemblyOnShaft, ({ shaft, rings }) => {
      const ways = waysOffRow(shaft, rings)
      const parts = rings.map(({ id }, at) => ({ id, ways: ways[at] ?? [] }))
      const { left } = emptied({ shaft, rings })
      expect([...stuckParts(parts)].sort()).toEqual(left.map(({ id }) => id).sort())
    }),
    { numRuns: 500 },
  )
})

test('what is opened needs room on one side, and nothing round it', () => {
  const ring = { id: 'snap', fromMm: 40, toMm: 42, boreMm: 20, outsideMm: 26, roomMm: 4 }
  const gear = { id: 'gear', fromMm: 20, toMm: 39, boreMm: 20, outsideMm: Infinity }
  const hub = { id: 'hub', fromMm: 42.5, toMm: 60, boreMm: 20, outsideMm: 36 }
  const round = { id: 'round', fromMm: 35, toMm: 50, boreMm: 40, outsideMm: 60 }
  const shaft = [{ fromMm: 0, toMm: 100, diameterMm: 20 }]
  const [ways] = waysOffRow(shaft, [ring, gear, hub, round])
  expect(ways).toEqual([
    { over: 'sideways', blockedBy: ['round', 'gear'] },
    { over: 'sideways', blockedBy: ['round', 'hub'] },
  ])
})
