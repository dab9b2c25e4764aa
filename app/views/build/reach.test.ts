import { assemblyOf, buildPattern, indexBox, orderOf, withBuild } from 'core'

import { openingOf, reachOf } from './reach.ts'

const draft = withBuild(buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' }))
const index = indexBox(draft)
const assembly = assemblyOf(draft)
const order = orderOf(assembly)

function reached(refs: readonly string[], off: readonly string[] = []) {
  const targets = refs.flatMap((ref) => assembly.byRef.get(ref) ?? [])
  return reachOf(index, assembly, order, targets, new Set(off))
}

test('to get the flange off its nut comes off, which goes in once', () => {
  const reach = reached(['piece:flange-1'])
  expect(reach?.steps.map(({ part }) => part.id)).toEqual(['piece:nut-1', 'piece:flange-1'])
  expect(reach?.once.map(({ id }) => id)).toEqual(['piece:nut-1'])
  expect(reach?.pressed).toEqual([])
})

test('to get at the second gear the main shaft comes out, and what is before it on the shaft', () => {
  const ids = reached(['gear:main-2'])?.steps.map(({ part }) => part.id) ?? []
  for (const ref of ['piece:cover-1', 'shaft:input', 'shaft:main', 'gear:main-3'])
    expect(ids.indexOf(ref)).toBeGreaterThanOrEqual(0)
  expect(ids.at(-1)).toBe('gear:main-2')
  // The other end of the shaft keeps what is on it.
  expect(ids).not.toContain('gear:main-1')
})

test('what is off already is not asked for again', () => {
  expect(reached(['piece:flange-1'], ['piece:nut-1'])?.steps).toHaveLength(1)
  expect(reached(['piece:flange-1'], ['piece:nut-1', 'piece:flange-1'])?.steps).toEqual([])
})

test('what never comes off is told as that', () => {
  const tight = {
    ...draft,
    pieces: draft.pieces?.map((piece) =>
      piece.id === 'ball-bearing-2' ? { ...piece, boreMm: 5 } : piece,
    ),
  }
  const held = assemblyOf(tight)
  const bearing = held.byRef.get('piece:ball-bearing-2')
  if (!bearing) throw new Error('no bearing')
  expect(reachOf(indexBox(tight), held, orderOf(held), [bearing], new Set())).toBeUndefined()
})

test('what opens the case is told apart from what stands on the shafts, where it is much', () => {
  const target = assembly.byRef.get('gear:main-2')
  const steps = reached(['gear:main-2'])?.steps ?? []
  const opening = openingOf(steps, target ? [target] : [])
  expect(opening.length).toBeGreaterThan(2)
  expect(opening.every(({ part }) => part.bench === null)).toBe(true)
  expect(steps[opening.length]?.part.bench).not.toBeNull()
  // The nut and its flange are read at a glance.
  expect(openingOf(reached(['piece:flange-1'])?.steps ?? [], [])).toEqual([])
})
