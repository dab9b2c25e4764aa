import { buildPattern, indexBox, unitParts } from 'core'

import { PLAIN_WORDS } from '~/words/vocabulary.ts'
import { findParts, searchableParts } from './findParts.ts'

const draft = buildPattern('three-shaft', 'box', {})
const numbered = {
  ...draft,
  pieces: draft.pieces?.map((piece) =>
    piece.kind === 'pilot-bearing' ? { ...piece, partNumber: '7-3310 A' } : piece,
  ),
}
const parts = unitParts(numbered)
const searchable = searchableParts(
  { box: indexBox(numbered), words: PLAIN_WORDS },
  parts,
  new Map([['gear:main-3', '4 left']]),
)
const found = (wanted: string): readonly string[] =>
  findParts(searchable, wanted).map(({ kind }) => kind)

test('a part is found by its name in any vocabulary, by several words, and by its number', () => {
  expect(found('baulk ring for 2')).toEqual(['ring'])
  expect(found('blocker ring for 2')).toEqual(['ring'])
  expect(found('3rd needle')).toEqual(['needle-bearing'])
  expect(new Set(found('layshaft roller'))).toEqual(new Set(['roller-bearing']))
  expect(found('tray 4')).toEqual(['gear'])
  expect(found('7-3310')).toEqual(['pilot-bearing'])
  expect(found('no such thing')).toEqual([])
})

test('nothing typed finds every part', () => {
  expect(findParts(searchable, '  ')).toHaveLength(parts.length)
})
