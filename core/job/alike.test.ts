import { buildPattern } from '../box/patterns/index.ts'
import { withToothCounts } from '../box/counting.ts'
import type { BoxDraft } from '../box/types.ts'
import { alikeParts } from './alike.ts'

const COUNTS = new Map([
  ['input-head', 20],
  ['counter-head', 40],
  ['counter-3', 30],
  ['main-3', 30],
  ['counter-2', 25],
  ['main-2', 35],
  ['counter-1', 20],
  ['main-1', 40],
])
const counted = (changes: readonly (readonly [string, number])[] = []): BoxDraft =>
  withToothCounts(
    buildPattern('three-shaft', 'box', { speeds: '4' }),
    new Map([...COUNTS, ...changes]),
  )
const draft = counted()

test('a gear with the teeth of this one and of its mate may stand in for it', () => {
  expect(alikeParts(draft, 'gear:main-2', counted())).toEqual(['gear:main-2'])
})

test('a gear whose mate differs may not: a pair goes together (common practice)', () => {
  expect(alikeParts(draft, 'gear:main-2', counted([['counter-2', 26]]))).toEqual([])
})

test('a gear that nobody has counted is like no other', () => {
  expect(
    alikeParts(draft, 'gear:main-2', buildPattern('three-shaft', 'box', { speeds: '4' })),
  ).toEqual([])
})

test('a ring goes by the gear that it works on, a shaft by its gears', () => {
  expect(alikeParts(draft, 'ring:coupler-1-2/2', counted())).toEqual(['ring:coupler-1-2/2'])
  expect(alikeParts(draft, 'ring:coupler-1-2/2', counted([['main-2', 36]]))).toEqual([])
  expect(alikeParts(draft, 'shaft:input', counted())).toEqual(['shaft:input'])
  expect(alikeParts(draft, 'shaft:input', counted([['input-head', 21]]))).toEqual([])
})

test('a piece goes by its part number, or by all of its sizes', () => {
  const bearing = draft.pieces?.find(({ kind }) => kind === 'ball-bearing')
  if (!bearing) throw new Error('the pattern has one')
  const withPiece = (change: object): BoxDraft => ({
    ...draft,
    pieces: draft.pieces?.map((piece) =>
      piece.id === bearing.id ? { ...piece, ...change } : piece,
    ),
  })
  const ref = `piece:${bearing.id}`
  expect(alikeParts(draft, ref, draft)).toEqual([])
  const numbered = withPiece({ partNumber: 'B 1' })
  expect(alikeParts(numbered, ref, numbered)).toEqual([ref])
  expect(alikeParts(numbered, ref, withPiece({ partNumber: 'B 2' }))).toEqual([])
  const sized = withPiece({ boreMm: 30, outsideMm: 62, lengthMm: 16 })
  expect(alikeParts(sized, ref, sized)).toEqual([ref])
  expect(alikeParts(sized, ref, withPiece({ boreMm: 30, outsideMm: 62, lengthMm: 17 }))).toEqual([])
})
