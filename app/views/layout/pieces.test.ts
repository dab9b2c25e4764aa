/** Pieces that a drawing proposes. */
import { buildPattern } from 'core'

import { proposalsOf, withProposed } from './pieces.ts'

const draft = {
  ...buildPattern('three-shaft', 'unit', { speeds: '4' }),
  pieces: [],
}

test('only the kinds that were chosen are added, and are not proposed again', () => {
  const proposals = proposalsOf(draft)
  const [first] = proposals
  if (!first) throw new Error('nothing is proposed')
  const some = withProposed(draft, new Set([first.kind]))
  expect(new Set((some.pieces ?? []).map(({ kind }) => kind))).toEqual(new Set([first.kind]))
  expect(some.pieces).toHaveLength(first.pieces.length)
  expect(proposalsOf(some).map(({ kind }) => kind)).not.toContain(first.kind)
  expect(withProposed(draft, new Set()).pieces).toEqual([])
})
