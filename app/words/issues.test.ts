import { checkBox, threeShaftBox, withBuild } from 'core'

import { conflictWords, issueWords, refusalWords } from './issues.ts'
import { vocabularyOf } from './vocabulary.ts'

const draft = threeShaftBox({ name: 'box', forwardCount: 4, directAt: 4, reverse: 'constant-mesh' })

test('a problem says what, where, by how much, and what to do', () => {
  expect(
    issueWords(draft, {
      code: 'tooth-sum-differs',
      path: ['links', 2],
      link: 'pair-2',
      toothSum: 63,
      usualToothSum: 60,
    }),
  ).toBe(
    '2nd gear, countershaft with 2nd gear, main shaft have 63 teeth together; the other pairs between these shafts have about 60. Count both again.',
  )
})

test('what two pairs, or two twins, have against one another', () => {
  expect(
    issueWords(draft, {
      code: 'tooth-sums-differ',
      path: ['links', 2],
      link: 'pair-2',
      toothSum: 56,
      other: 'pair-1',
      otherToothSum: 48,
    }),
  ).toBe(
    '2nd gear, countershaft with 2nd gear, main shaft have 56 teeth together; the other pair between these shafts, 1st gear, countershaft with 1st gear, main shaft, 48. Count both pairs again.',
  )
  expect(
    issueWords(draft, {
      code: 'twins-differ',
      path: ['gears', 2],
      gear: 'counter-2',
      toothCount: 24,
      twin: 'counter-1',
      twinToothCount: 25,
    }),
  ).toBe(
    '2nd gear, countershaft has 24 teeth and 1st gear, countershaft 25, though they are said to be alike. Count both again, or say on Lay out that the shafts are no twins.',
  )
})

test('an id that leads nowhere is named with what was expected, and with the part that names it', () => {
  expect(
    issueWords(draft, { code: 'unknown-id', path: ['input'], id: 'x', expected: 'body' }),
  ).toBe(
    'There is no member or free gear "x" in this box, though the input names it. Correct the id, or add the part.',
  )
  const at = draft.gears.findIndex(({ id }) => id === 'main-2')
  expect(
    issueWords(draft, {
      ...{ code: 'unknown-id', id: 'y', expected: 'gear' },
      path: ['gears', at, 'twinOf'],
    }),
  ).toBe(
    'There is no gear "y" in this box, though 2nd gear, main shaft names it. Correct the id, or add the part.',
  )
})

test('whatever is gone from a box, what names it is told', () => {
  const whole = withBuild(draft)
  for (const list of ['axes', 'members', 'gears', 'couplers'] as const) {
    const checked = checkBox({ ...whole, [list]: [] })
    const unknown = (checked.ok ? [] : checked.issues).filter(({ code }) => code === 'unknown-id')
    expect(unknown).not.toHaveLength(0)
    for (const issue of unknown)
      expect(issueWords({ ...whole, [list]: [] }, issue)).toMatch(/though \S.* names it/)
  }
})

test('lengths are told in the unit of the shop', () => {
  const issue = {
    code: 'ends-reversed',
    path: ['members', 0],
    member: 'main',
    fromMm: 127,
    toMm: 50.8,
  } as const
  // 127 mm are 5 in and 50.8 mm are 2 in: an inch is 25.4 mm by definition.
  expect(
    issueWords(
      draft,
      issue,
      vocabularyOf({ vocabulary: 'countershaft', ends: 'input-output', lengthUnit: 'in' }),
    ),
  ).toBe(
    'The main shaft begins at 5.000 in and ends at 2.000 in. It must end further on than it begins.',
  )
  expect(issueWords(draft, issue)).toContain('begins at 127.00 mm and ends at 50.80 mm.')
})

test('a stale count names both figures and where yours went', () => {
  expect(
    conflictWords(
      draft,
      { code: 'kept-as-second-count', gear: 'main-2', theirs: 31, yours: 32 },
      vocabularyOf({ vocabulary: 'layshaft', ends: 'input-output', lengthUnit: 'mm' }),
    ),
  ).toBe(
    'Meanwhile 2nd gear, main shaft was counted as 31 elsewhere. Your 32 is kept as the second count. Settle which is right.',
  )
})

test('a refused name says how long a name is', () => {
  expect(refusalWords({ code: 'long-name', length: 200 })).toBe(
    'A name has 120 characters at most; this has 200. The old one stays.',
  )
})

test('a refused count says what a count is', () => {
  expect(refusalWords({ code: 'impossible-count', toothCount: 3 })).toBe(
    '3 is not kept. A tooth count is a whole number from 5 to 400.',
  )
})

test('positions and couplers are called as they are on the page, not by their ids', () => {
  const [first] = draft.positions
  if (!first) throw new Error('no position')
  const again = { ...first, id: 'p-17', label: 'crawler' }
  const repeats = {
    code: 'position-repeats',
    path: [],
    position: again.id,
    other: first.id,
  } as const
  expect(issueWords({ ...draft, positions: [...draft.positions, again] }, repeats)).toBe(
    `Positions ${first.label} and crawler put every coupler in the same place.`,
  )
  const centres = { code: 'coupler-has-two-centres', path: [], coupler: 'coupler-1-2' } as const
  expect(issueWords(draft, centres)).toBe(
    'The 1–2 sleeve has two positions that do nothing. One centre is enough.',
  )
})
