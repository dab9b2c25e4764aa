import fc from 'fast-check'

import { withBuild } from '../box/pieces/index.ts'
import { fourSpeed } from '../testing/boxes.ts'
import type { Taken } from '../job/job.ts'
import { assemblyOf } from './assembly.ts'
import { orderOf } from './order.ts'
import { partsOff, progressOf } from './progress.ts'
import { openWay } from './removal.ts'

const assembly = assemblyOf(withBuild(fourSpeed('sliding-idler')))
const order = orderOf(assembly)
const ids = order.down.map(({ part }) => part.id)

function taken(off: readonly string[], isApart = false): Taken {
  return {
    isApart,
    moved: new Map(
      isApart
        ? ids.filter((id) => !off.includes(id)).map((id) => [id, 'in'])
        : off.map((id) => [id, 'off']),
    ),
    steps: [],
  }
}

test('down takes one part after another, and up the same turned round', () => {
  const down: string[] = []
  for (;;) {
    const { next } = progressOf(assembly, order, taken(down), 'down')
    if (!next) break
    down.push(next.part.id)
  }
  expect(down).toEqual(ids)
  const up: string[] = []
  for (;;) {
    const off = ids.filter((id) => !up.includes(id))
    const { next, forgotten } = progressOf(assembly, order, taken(off, true), 'up')
    expect(forgotten).toEqual([])
    if (!next) break
    up.push(next.part.id)
  }
  expect(up).toEqual([...ids].reverse())
})

test('a part left on the bench is told with the least to take off again, and then goes in', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: ids.length - 1 }), fc.nat(), (at, later) => {
      // Put together up to a step, with one part of what is in left out.
      const inOrder = [...ids].reverse().slice(0, at + 1)
      const left = inOrder[later % inOrder.length] ?? ''
      const off = ids.filter((id) => !inOrder.includes(id) || id === left)
      const { forgotten } = progressOf(assembly, order, taken(off), 'up')
      const part = assembly.byRef.get(left)
      const isThere = (id: string): boolean => !off.includes(id)
      if (part && openWay(part, isThere)) {
        expect(forgotten.map((each) => each.part.id)).not.toContain(left)
        return
      }
      const found = forgotten.find((each) => each.part.id === left)
      expect(found?.undo.length).toBeGreaterThan(0)
      // With these off it goes in; with any of them still there it does not.
      const undone = new Set([...off, ...(found?.undo ?? [])])
      expect(part && openWay(part, (id) => !undone.has(id))).toBeDefined()
    }),
    { numRuns: 60 },
  )
})

test('what a unit that came in pieces has on, and what is told of and gone', () => {
  expect(partsOff(assembly, { isApart: true, moved: new Map(), steps: [] }).size).toBe(ids.length)
  const one = { isApart: true, moved: new Map([['shaft:main', 'in' as const]]), steps: [] }
  expect(partsOff(assembly, one).has('shaft:main')).toBe(false)
  const gone = { isApart: false, moved: new Map([['piece:gone', 'off' as const]]), steps: [] }
  expect(progressOf(assembly, order, gone, 'down').lost).toEqual(['piece:gone'])
})
