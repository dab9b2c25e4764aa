/** Part numbers as they are typed, and pieces that a drawing proposes. */
import { LONGEST_PART_NUMBER, buildPattern } from 'core'

import { parsePartNumber, proposalsOf, withProposed } from './pieces.ts'

const draft = {
  ...buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' }),
  pieces: [],
}

test('a part number stands without what is around it; none where nothing is typed', () => {
  expect(parsePartNumber(' RB 15-35 ')).toEqual({ ok: true, value: 'RB 15-35' })
  expect(parsePartNumber('  ')).toEqual({ ok: true, value: undefined })
})

test('one that is too long says by how much', () => {
  const long = 'x'.repeat(LONGEST_PART_NUMBER + 1)
  expect(parsePartNumber(long.slice(1)).ok).toBe(true)
  const parsed = parsePartNumber(long)
  expect(parsed.ok ? '' : parsed.sentence).toContain(`${LONGEST_PART_NUMBER + 1} characters`)
})

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
