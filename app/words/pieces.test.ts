import { buildPattern, indexBox, wayOff } from 'core'

import { issueWords } from './issues.ts'
import { changesWords } from './changes.ts'
import { pieceName, wayOffWords } from './pieces.ts'
import { PLAIN_WORDS, vocabularyOf } from './vocabulary.ts'

const draft = buildPattern('three-shaft', 'box', {})
const naming = { box: indexBox(draft), words: PLAIN_WORDS }
const LAYSHAFT = vocabularyOf({
  vocabulary: 'layshaft',
  ends: 'front-rear',
  lengthUnit: 'mm',
})

function find(kind: string, rest: Readonly<Record<string, unknown>> = {}) {
  const found = draft.pieces?.find(
    (piece) =>
      piece.kind === kind &&
      Object.entries(rest).every(([key, value]) => piece[key as keyof typeof piece] === value),
  )
  if (!found) throw new Error(`no ${kind}`)
  return found
}

test('a piece is called by its kind and by what tells it from the others', () => {
  const needles = draft.pieces?.find(({ carries }) => carries?.includes('main-3'))
  expect(needles && pieceName(naming, needles)).toBe('needle bearing under 3rd gear, main shaft')
  expect(pieceName(naming, find('ring', { place: '1' }))).toBe('blocker ring for 1')
  expect(pieceName(naming, find('fork', { coupler: 'coupler-1-2' }))).toBe('fork of 1–2')
  expect(pieceName(naming, find('pilot-bearing'))).toBe('pilot bearing of the input shaft')
  expect(pieceName(naming, { ...find('case'), name: 'bell housing' })).toBe('bell housing')
})

test('pieces that are alike are counted from the input end', () => {
  const bearings = (draft.pieces ?? [])
    .filter(({ kind, on }) => kind === 'roller-bearing' && on === 'counter')
    .sort((one, other) => (one.stationMm ?? 0) - (other.stationMm ?? 0))
  expect(bearings.map((piece) => pieceName(naming, piece))).toEqual([
    'roller bearing 1 of the countershaft',
    'roller bearing 2 of the countershaft',
  ])
})

test('the same in another vocabulary', () => {
  expect(pieceName({ ...naming, words: LAYSHAFT }, find('ring', { place: '1' }))).toBe(
    'baulk ring for 1',
  )
})

test('over which end a piece comes off, in the names of the ends', () => {
  const way = wayOff(naming.box, find('ball-bearing', { on: 'main' }))
  expect(way && wayOffWords(LAYSHAFT, way)).toBe('comes off over the rear')
})

test('a bore that is too small is told with both figures', () => {
  expect(
    issueWords(draft, {
      code: 'bore-under-shaft',
      path: ['pieces', 0],
      piece: 'fork-1',
      boreMm: 24,
      shaftMm: 25,
    }),
  ).toBe(
    'The fork of 3–4 has a bore of 24.00\u00a0mm, but its shaft is 25.00\u00a0mm thick there. Measure both again.',
  )
})

test('the history names the piece, also one that is gone', () => {
  const part = { ...find('fork', { coupler: 'coupler-1-2' }) }
  expect(
    changesWords(draft, PLAIN_WORDS, [
      {
        kind: 'part',
        list: 'pieces',
        id: part.id,
        before: part,
        after: { ...part, partNumber: '7-331' },
        at: 0,
      },
    ]),
  ).toEqual(['Fork of 1–2: part number none → 7-331'])
  expect(
    changesWords({ ...draft, pieces: [] }, PLAIN_WORDS, [
      {
        kind: 'part',
        list: 'pieces',
        id: part.id,
        before: part,
        after: null,
        at: 0,
      },
    ]),
  ).toEqual(['Taken out: fork of 1–2'])
})
