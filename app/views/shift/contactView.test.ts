import {
  engageables,
  PATTERNS,
  buildPattern,
  couplersWithRings,
  proposePieces,
  readJob,
  unitParts,
} from 'core'
import type { Entry } from 'core'

import { depthOf, measuredGapMm, spentRings, travelOf, wearLeftMm } from './contactView.ts'

const draft = buildPattern('three-shaft', 'box', { reverse: 'sliding-idler' })

test('every place that locks something can be looked at, clutches and meshes cannot', () => {
  const keys = engageables(draft).map(({ key }) => key)
  expect(keys).toContain('coupler-1-2/1')
  expect(keys.some((key) => key.includes('reverse'))).toBe(false)
  const twin = engageables(buildPattern('dual-clutch', 'box', {}))
  expect(twin.every(({ coupler }) => coupler.kind !== 'friction-clutch')).toBe(true)
})

test.each(PATTERNS.map(({ id }) => [id] as const))(
  'of a %s, what has rings to measure has rings to list, and rings that brake',
  (id) => {
    const box = buildPattern(id, 'box', id === 'heavy' ? { speeds: '18' } : {})
    const sorted = (ids: Iterable<string>): readonly string[] => [...new Set(ids)].sort()
    const measured = sorted(
      unitParts(box).flatMap(({ kind, id: coupler }) => (kind === 'ring' ? [coupler] : [])),
    )
    const listed = sorted(
      [...(box.pieces ?? []), ...proposePieces(box)].flatMap(({ kind, coupler }) =>
        kind === 'ring' ? (coupler ?? []) : [],
      ),
    )
    const braking = sorted(
      engageables(box).flatMap(({ coupler, hasRing }) => (hasRing ? [coupler.id] : [])),
    )
    const said = sorted(couplersWithRings(box))
    expect([measured, listed, braking]).toEqual([said, said, said])
  },
)

test('the way is what the rod says, without a sign; dogs are no deeper than it is long', () => {
  const [first] = engageables(draft)
  if (!first) throw new Error('no place')
  const said = (travelMm?: number) =>
    travelOf(
      {
        ...draft,
        selectors: [
          {
            id: 'rod',
            places: [{ id: 'a', couplers: { [first.coupler.id]: first.place.id }, travelMm }],
          },
        ],
      },
      first,
    )
  expect([said(-7.5), said(11), said()]).toEqual([7.5, 11, 8])
  const deep = { ...first, place: { ...first.place, dogs: { depthMm: 12 } } }
  expect([depthOf(deep, 8), depthOf(first, 8)]).toEqual([8, 4])
})

test('the gap is the least that was read last in the job', () => {
  const [first] = engageables(draft)
  if (!first) throw new Error('no place')
  const entry = (id: string, readings: readonly string[]): Entry => ({
    id,
    at: `2026-03-0${id}T08:00:00.000Z`,
    by: 'ab',
    body: {
      kind: 'measurement',
      part: `ring:${first.key}`,
      measure: 'ring-gap',
      readings,
      unit: 'mm',
      tool: '',
      limit: null,
      phase: 'found',
    },
  })
  expect(measuredGapMm(readJob([]), first)).toBeNull()
  const job = readJob([entry('1', ['0.9', '0.8', '0.95']), entry('2', ['0.71', '0.66', '0.7'])])
  expect(measuredGapMm(job, first)).toBeCloseTo(0.66, 9)
  expect(spentRings(job, draft)).toEqual(new Set())
  const worn = readJob([entry('1', ['0.9', '0.8', '0.95']), entry('2', ['0.1', '0', '0.2'])])
  expect(spentRings(worn, draft)).toEqual(new Set([first.key]))
})

test('a gap is a wear in radius by the angle of the cone (geometry of a cone)', () => {
  // A cone of half angle α that wears by x in radius lets its ring on by x / tan α.
  expect(wearLeftMm({ halfAngleDeg: 45 }, 0.5)).toBeCloseTo(0.5, 9)
  expect(wearLeftMm({ halfAngleDeg: 7, coneCount: 2 }, 1)).toBeCloseTo(
    Math.tan(0.1221730476) / 2,
    9,
  )
  expect(wearLeftMm({}, 1)).toBeNull()
})
