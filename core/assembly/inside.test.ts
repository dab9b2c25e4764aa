/** What is inside of a clutch, a drum and a differential comes apart as it does at the bench (common practice). */
import { withBuild } from '../box/pieces/index.ts'
import type { PatternId } from '../box/patterns/index.ts'
import { PATTERNS, buildPattern } from '../box/patterns/index.ts'
import type { BoxDraft, Piece, PieceKind } from '../box/types.ts'
import { assemblyOf } from './assembly.ts'
import { orderOf } from './order.ts'

/** What comes off before what, of the same clutch, drum or differential. */
const RULES: readonly (readonly [PieceKind, PieceKind])[] = [
  ['pack-ring', 'friction-plate'],
  ['pack-ring', 'steel-plate'],
  ['friction-plate', 'apply-plate'],
  ['steel-plate', 'apply-plate'],
  ['apply-plate', 'spring'],
  ['spring', 'piston'],
  ['piston', 'piston-seal'],
  ['shift-shaft', 'ratchet'],
  ['ratchet', 'star-wheel'],
  ['detent-arm', 'star-wheel'],
  ['star-wheel', 'shift-drum'],
  ['rod', 'fork'],
  ['fork', 'shift-drum'],
  ['pinion-pin', 'pinion-gear'],
  ['pinion-pin', 'pinion-washer'],
  ['pinion-gear', 'side-gear'],
  ['side-gear', 'side-washer'],
  ['side-gear', 'slip-plate'],
]

function stepOf(draft: BoxDraft): ReadonlyMap<string, number> {
  return new Map(orderOf(assemblyOf(draft)).down.map(({ part }, at) => [part.id, at]))
}

function piecesOf(draft: BoxDraft, kind: PieceKind): readonly Piece[] {
  return (draft.pieces ?? []).filter((piece) => piece.kind === kind)
}

test.each(PATTERNS.map(({ id }) => id))('%s', (id) => {
  const draft = withBuild(buildPattern(id, 'box', {}))
  const steps = stepOf(draft)
  for (const [first, then] of RULES)
    for (const one of piecesOf(draft, first))
      for (const other of piecesOf(draft, then)) {
        const isOfOne =
          one.on === other.on && (one.coupler === other.coupler || other.kind === 'shift-drum')
        if (!isOfOne) continue
        const [before = NaN, after = NaN] = [one, other].map((each) =>
          steps.get(`piece:${each.id}`),
        )
        expect([one.id, other.id, before < after]).toEqual([one.id, other.id, true])
      }
})

/** Which patterns have what: a rule that met no parts would say nothing. */
test.each<readonly [PatternId, readonly (readonly [PieceKind, number])[]]>([
  [
    'dual-clutch',
    [
      ['pack-ring', 2],
      ['apply-plate', 2],
      ['piston-seal', 2],
      ['pinion-pin', 1],
    ],
  ],
  [
    'transverse-transaxle',
    [
      ['side-gear', 1],
      ['pinion-gear', 1],
      ['clutch-cover', 1],
    ],
  ],
  [
    'longitudinal-transaxle',
    [
      ['side-washer', 1],
      ['pinion-washer', 1],
    ],
  ],
  [
    'motorcycle',
    [
      ['shift-drum', 1],
      ['star-wheel', 1],
      ['ratchet', 1],
      ['neutral-switch', 1],
      ['pinion-pin', 0],
    ],
  ],
  [
    'three-shaft',
    [
      ['shift-drum', 0],
      ['pinion-pin', 0],
      ['middle-plate', 0],
    ],
  ],
  [
    'heavy',
    [
      ['middle-plate', 1],
      ['shaft-brake', 1],
    ],
  ],
])('%s has them', (id, counts) => {
  const draft = buildPattern(id, 'box', {})
  expect(counts.map(([kind]) => [kind, piecesOf(draft, kind).length])).toEqual(counts)
})

test('a differential is taken apart once its case is out, and its gears are two of each', () => {
  const draft = buildPattern('transverse-transaxle', 'box', {})
  const steps = stepOf(draft)
  const [pin] = piecesOf(draft, 'pinion-pin')
  expect(steps.get('shaft:case')).toBeLessThan(steps.get(`piece:${pin?.id ?? ''}`) ?? -1)
  for (const kind of ['pinion-gear', 'side-gear'] as const)
    expect(piecesOf(draft, kind)[0]?.quantity).toBe(2)
})

test('limited-slip plates lie behind the side gears', () => {
  const draft = buildPattern('transverse-transaxle', 'box', {})
  const plate: Piece = { id: 'slip', kind: 'slip-plate', on: 'case', quantity: 8 }
  const steps = stepOf({ ...draft, pieces: [...(draft.pieces ?? []), plate] })
  const [side] = piecesOf(draft, 'side-gear')
  expect(steps.get(`piece:${side?.id ?? ''}`)).toBeLessThan(steps.get('piece:slip') ?? -1)
})

test('a drum that a motor turns has no ratchet', () => {
  const draft = buildPattern('motorcycle', 'box', {})
  const { pieces: _none, ...bare } = draft
  const driven = withBuild({
    ...bare,
    drums: draft.drums?.map((drum) => ({ ...drum, actuator: 'motor' as const })),
  })
  expect(piecesOf(driven, 'ratchet')).toEqual([])
  expect(piecesOf(driven, 'shift-motor')).toHaveLength(1)
})

test('what presses on the plates of a dry clutch stays with the engine', () => {
  const steps = stepOf(buildPattern('heavy', 'box', {}))
  const kinds = ['clutch-cover', 'clutch-disc', 'middle-plate']
  expect([...steps.keys()].filter((ref) => kinds.some((kind) => ref.includes(kind)))).toEqual([])
})

describe('rods and forks that lie in one another (common practice)', () => {
  const draft = buildPattern('three-shaft', 'box', {})
  const [outer, inner] = draft.selectors ?? []
  if (!outer || !inner) throw new Error('two rods')
  const rodOf = ({ places }: typeof outer): string => {
    const couplers = places.flatMap((place) => Object.keys(place.couplers))
    const found = piecesOf(draft, 'rod').find(({ coupler }) => couplers.includes(coupler ?? ''))
    return `piece:${found?.id ?? ''}`
  }

  test('the inner rod comes out before the outer', () => {
    for (const [out, within] of [
      [outer, inner],
      [inner, outer],
    ] as const) {
      const selectors = draft.selectors?.map((rod) =>
        rod === within ? { ...rod, inside: out.id } : rod,
      )
      const steps = stepOf({ ...draft, selectors })
      expect(steps.get(rodOf(within))).toBeLessThan(steps.get(rodOf(out)) ?? -1)
    }
  })

  test('two that are said to lie in one another hold nobody', () => {
    const selectors = draft.selectors?.map((rod) =>
      rod === inner
        ? { ...rod, inside: outer.id }
        : rod === outer
          ? { ...rod, inside: inner.id }
          : rod,
    )
    expect(orderOf(assemblyOf({ ...draft, selectors })).circle).toEqual([])
  })

  test('a fork waits for a rod that passes through it', () => {
    const [coupler = ''] = outer.places.flatMap((place) => Object.keys(place.couplers))
    const selectors = draft.selectors?.map((rod) =>
      rod === inner ? { ...rod, passes: [coupler] } : rod,
    )
    const steps = stepOf({ ...draft, selectors })
    const fork = piecesOf(draft, 'fork').find((piece) => piece.coupler === coupler)
    expect(steps.get(rodOf(inner))).toBeLessThan(steps.get(`piece:${fork?.id ?? ''}`) ?? -1)
  })
})
