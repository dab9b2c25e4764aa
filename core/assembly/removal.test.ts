/**
 * Orders, least sets and circles against enumeration of every subset, and against a general
 * graph package where parts have one way each.
 */
import { Graph, alg } from '@dagrejs/graphlib'
import fc from 'fast-check'

import { stepsOff } from '../testing/removals.ts'
import type { Removable } from './removal.ts'
import { leastToReach, smallestCircle, stuckParts } from './removal.ts'

const names = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'] as const

/** Up to eight parts with up to three ways each, of up to three others each. */
function anyParts(mostWays: number): fc.Arbitrary<readonly Removable[]> {
  return fc.integer({ min: 1, max: names.length }).chain((count) => {
    const ids = names.slice(0, count)
    return fc.tuple(
      ...ids.map((id) => {
        const others = ids.filter((each) => each !== id)
        const way = fc
          .subarray(others, { maxLength: Math.min(3, others.length) })
          .map((blockedBy) => ({ blockedBy }))
        return fc
          .array(way, { minLength: mostWays === 1 ? 1 : 0, maxLength: mostWays })
          .map((ways) => ({ id, ways }))
      }),
    )
  })
}

/** Every set of some ids, the smallest first. */
function subsetsOf(ids: readonly string[]): readonly (readonly string[])[] {
  return Array.from({ length: 2 ** ids.length }, (_, bits) =>
    ids.filter((_each, at) => (bits >> at) % 2 === 1),
  ).sort((one, other) => one.length - other.length)
}

/** Whether a set comes off by itself, tried by taking away one after another. */
function comesOff(parts: readonly Removable[], set: readonly string[]): boolean {
  const off = new Set<string>()
  for (const _round of set)
    for (const id of set) {
      const ways = parts.find((part) => part.id === id)?.ways ?? []
      if (ways.some(({ blockedBy }) => blockedBy.every((each) => off.has(each)))) off.add(id)
    }
  return off.size === set.length
}

test('the least that comes off to reach a part is the smallest of all sets that do', () => {
  fc.assert(
    fc.property(anyParts(3), (parts) => {
      const ids = parts.map(({ id }) => id)
      for (const target of ids) {
        const least = subsetsOf(ids).find((set) => set.includes(target) && comesOff(parts, set))
        const found = leastToReach(parts, [target])
        expect(found?.ids.length).toBe(least?.length)
        if (found) expect(stepsOff(parts, found.ids)).toBe(true)
      }
    }),
    { numRuns: 300 },
  )
})

test('what is off already is in nobody’s way', () => {
  fc.assert(
    fc.property(anyParts(3), fc.subarray([...names]), (parts, off) => {
      const ids = parts.map(({ id }) => id)
      const rest = parts
        .filter(({ id }) => !off.includes(id as (typeof names)[number]))
        .map(({ id, ways }) => ({
          id,
          ways: ways.map(({ blockedBy }) => ({
            blockedBy: blockedBy.filter((each) => !off.includes(each as (typeof names)[number])),
          })),
        }))
      for (const target of ids.filter((id) => rest.some((part) => part.id === id)))
        expect(leastToReach(parts, [target], new Set(off))?.ids.length).toBe(
          leastToReach(rest, [target])?.ids.length,
        )
    }),
    { numRuns: 200 },
  )
})

test('several at once share what they have in common', () => {
  const parts = [
    { id: 'cover', ways: [{ blockedBy: [] }] },
    { id: 'left', ways: [{ blockedBy: ['cover'] }] },
    { id: 'right', ways: [{ blockedBy: ['cover'] }] },
  ]
  expect(leastToReach(parts, ['left', 'right'])?.ids).toEqual(['cover', 'left', 'right'])
  expect(leastToReach(parts, ['left', 'right'], new Set(['cover', 'left']))?.ids).toEqual(['right'])
})

const holdsItself = (parts: readonly Removable[], set: readonly string[]): boolean =>
  set.length > 0 &&
  set.every((id) =>
    parts
      .find((part) => part.id === id)
      ?.ways.every(({ blockedBy }) => blockedBy.some((each) => set.includes(each))),
  )

/** Groups of four parts that may go either way, each waiting in both for one of the next group. */
function groups(count: number): readonly Removable[] {
  const name = (group: number, each: number): string => `${group % count}.${each}`
  return Array.from({ length: count * 4 }, (_, at) => {
    const [group, each] = [Math.floor(at / 4), at % 4]
    const all = [0, 1, 2, 3].map((other) => name(group + 1, other))
    return { id: name(group, each), ways: [{ blockedBy: all }, { blockedBy: [...all].reverse() }] }
  })
}

describe('a search that would take hours is broken off', () => {
  test.each([9, 10, 40])('%d groups of four that wait for one another in a ring', (count) => {
    const parts = groups(count)
    const from = process.cpuUsage()
    const { ids, isLeast } = smallestCircle(parts)
    expect(process.cpuUsage(from).user / 1000).toBeLessThan(1_000)
    expect(holdsItself(parts, ids)).toBe(true)
    expect(isLeast).toBe(false)
    // By its make the smallest has one of each group: another part of a group changes nothing.
    expect(ids).toHaveLength(count)
  })

  test('and the least to reach a part is a set out of which nothing can be left', () => {
    // Each of twenty needs either of two, every pair of which shares a third with the next.
    const parts: Removable[] = Array.from({ length: 24 }, (_, at) => [
      {
        id: `p${at}`,
        ways: [0, 1, 2].map((way) => ({
          blockedBy: at === 23 ? [] : [`p${at + 1}`, `x${at}.${way}`, `x${(at + way) % 24}.${way}`],
        })),
      },
      ...[0, 1, 2].map((way) => ({
        id: `x${at}.${way}`,
        ways: [{ blockedBy: [`y${(at * (way + 1)) % 7}`] }],
      })),
    ]).flat()
    parts.push(
      ...Array.from({ length: 7 }, (_, at) => ({ id: `y${at}`, ways: [{ blockedBy: [] }] })),
    )
    const from = process.cpuUsage()
    const found = leastToReach(parts, ['p0'])
    expect(process.cpuUsage(from).user / 1000).toBeLessThan(1_000)
    expect(found?.isLeast).toBe(false)
    const ids = found?.ids ?? []
    expect(stepsOff(parts, ids)).toBe(true)
    for (const left of ids)
      expect(
        left === 'p0' ||
          !comesOff(
            parts,
            ids.filter((id) => id !== left),
          ),
      ).toBe(true)
  })
})

test('the circle that is named is the smallest of all sets that hold one another', () => {
  fc.assert(
    fc.property(anyParts(2), (parts) => {
      const least = subsetsOf(parts.map(({ id }) => id)).find((set) => holdsItself(parts, set))
      const { ids: found } = smallestCircle(parts)
      expect(found.length).toBe(least?.length ?? 0)
      expect(found.length === 0 || holdsItself(parts, found)).toBe(true)
    }),
    { numRuns: 300 },
  )
})

test('of parts with one way each: an order exists where a graph package finds no cycle', () => {
  fc.assert(
    fc.property(anyParts(1), (parts) => {
      const graph = new Graph({ directed: true })
      for (const { id } of parts) graph.setNode(id)
      for (const { id, ways } of parts)
        for (const before of ways[0]?.blockedBy ?? []) graph.setEdge(before, id)
      const isAcyclic = alg.isAcyclic(graph)
      expect(stuckParts(parts).length === 0).toBe(isAcyclic)
      if (isAcyclic) expect(stepsOff(parts, alg.topsort(graph))).toBe(true)
      // The smallest cycle of the package's own: from a part back to itself by fewest edges.
      const shortest = Math.min(
        ...parts.flatMap(({ id }) =>
          (graph.successors(id) ?? []).map((next: string) => {
            const distance = alg.dijkstra(graph, next)[id]?.distance ?? Infinity
            return distance + 1
          }),
        ),
      )
      expect(smallestCircle(parts).ids.length).toBe(isAcyclic ? 0 : shortest)
    }),
    { numRuns: 300 },
  )
})
