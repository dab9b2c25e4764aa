/** What the parts of every list are called where they are chosen. */
import { PART_LISTS, PATTERN_IDS, buildPattern, partsOf, withBuild } from 'core'

import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { partTitle } from './partTitle.ts'

const draft = buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' })
const titleOf = (list: (typeof PART_LISTS)[number], id: string): string =>
  partTitle(draft, PLAIN_WORDS, { list, id })

test('a gear says how many teeth it has, or that it is not counted', () => {
  expect(titleOf('gears', 'main-3')).toMatch(/: not counted, /)
  const counted = {
    ...draft,
    gears: draft.gears.map((gear) => ({ ...gear, toothCount: 27 })),
  }
  expect(partTitle(counted, PLAIN_WORDS, { list: 'gears', id: 'main-3' })).toMatch(/: 27 teeth, /)
})

test('a pair is told by both of its gears', () => {
  const pair = draft.links.find(({ kind }) => kind === 'external-mesh')
  expect(titleOf('links', pair?.id ?? '')).toMatch(/^[A-Z].*: .+ with .+/)
})

test('a position is told by its label', () => {
  expect(titleOf('positions', draft.positions.find(({ label }) => label === '2')?.id ?? '')).toBe(
    'Position 2',
  )
})

test('what is gone is called by its id', () => {
  for (const list of ['gears', 'couplers', 'links'] as const)
    expect(titleOf(list, 'gone')).toBe('gone')
})

test.each(PATTERN_IDS)('no part of a whole %s is called by its id', (pattern) => {
  const whole = withBuild(buildPattern(pattern, 'unit', {}))
  for (const list of PART_LISTS)
    for (const { id } of partsOf(whole, list)) {
      const title = partTitle(whole, PLAIN_WORDS, { list, id })
      expect(title).toMatch(/^[A-Z0-9]/)
      if (/[-:]/.test(id)) expect(title.toLowerCase()).not.toBe(id)
    }
})
