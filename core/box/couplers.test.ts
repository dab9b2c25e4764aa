import { COUPLER_DEFINITIONS, couplersWithRings } from './couplers.ts'
import { buildPattern } from './patterns/index.ts'
import type { CouplerKind } from './types.ts'

/** What has cones, what has a hub, what is plates (common practice). */
test.each<readonly [CouplerKind, boolean, boolean, string]>([
  ['synchronizer', true, true, 'dogs'],
  ['dog-ring', false, true, 'dogs'],
  ['sliding-gear', false, false, 'mesh'],
  ['sliding-idler', false, false, 'mesh'],
  ['sliding-dog-gear', false, false, 'dogs'],
  ['range', true, true, 'dogs'],
  ['splitter', false, true, 'dogs'],
  ['friction-clutch', false, false, 'plates'],
])('a %s: rings %s, hub %s, holds by %s', (kind, hasRings, hasHub, holdsBy) => {
  expect(COUPLER_DEFINITIONS[kind]).toMatchObject({ hasRings, hasHub, holdsBy })
})

test('a splitter has rings once one of it is listed or described', () => {
  const draft = buildPattern('heavy', 'unit', { speeds: '18', range: 'countershaft' })
  const splitter = draft.couplers.find(({ kind }) => kind === 'splitter')
  const [place] = splitter?.positions ?? []
  if (!splitter || !place) throw new Error('the pattern has a splitter')
  expect(couplersWithRings(draft).has(splitter.id)).toBe(false)
  const listed = {
    ...draft,
    pieces: [{ id: 'ring-1', kind: 'ring', coupler: splitter.id, place: place.id }],
  } as const
  expect(couplersWithRings(listed).has(splitter.id)).toBe(true)
  const described = {
    ...draft,
    couplers: draft.couplers.map((coupler) =>
      coupler === splitter
        ? {
            ...coupler,
            positions: coupler.positions.map((each) =>
              each === place ? { ...each, ring: { coneCount: 1 } } : each,
            ),
          }
        : coupler,
    ),
  }
  expect(couplersWithRings(described).has(splitter.id)).toBe(true)
})
