/** What other counts do to the ratios; each ratio by hand from the counts of the pairs in the way. */
import { buildPattern, withToothCounts } from 'core'

import { ratioChanges } from './ratioChanges.ts'

const open = buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' })
const before = withToothCounts(open, new Map(open.gears.map(({ id }) => [id, 20])))

test('a position that another count changes says both, and one that it does not says the same', () => {
  const after = withToothCounts(before, new Map([['main-3', 30]]))
  const changes = new Map(ratioChanges(before, after).map((each) => [each.label, each]))
  // All gears of 20 teeth: 1. Third with 30 on the main shaft: 20/20 × 30/20.
  expect(changes.get('3')?.before).toMatch(/^1(\.0+)?\s*:\s*1$/)
  expect(changes.get('3')?.after).toMatch(/^1\.50*\s*:\s*1$/)
  expect(changes.get('2')?.before).toBe(changes.get('2')?.after)
  expect(changes.get('N')).toMatchObject({ before: 'neutral', after: 'neutral' })
})

test('a position that only one of them has is a dash in the other', () => {
  const fewer = { ...before, positions: before.positions.filter(({ label }) => label !== '4') }
  const [gone, come] = [ratioChanges(before, fewer), ratioChanges(fewer, before)].map((changes) =>
    changes.find(({ label }) => label === '4'),
  )
  expect([gone?.after, come?.before]).toEqual(['–', '–'])
  expect(gone?.before).toBe(come?.after)
})

test('what is not counted says how much there is to count', () => {
  const [change] = ratioChanges(open, before).filter(({ label }) => label === '3')
  expect(change?.before).toBe('4 to count')
})
