import { checkBox, indexBox } from 'core'
import type { BoxDraft } from 'core'

import { fourSpeed } from '../../../core/testing/boxes.ts'
import { PLAIN_WORDS, vocabularyOf } from '~/words/vocabulary.ts'
import { formatPartRef, parsePartRef, partOfIssue } from './partRef.ts'
import { partTitle } from './partTitle.ts'

const draft = fourSpeed('constant-mesh')

test('a part in the address is the part that it was', () => {
  for (const part of [
    { list: 'gears', id: 'main-1' },
    { list: 'members', id: 'counter' },
    { list: 'couplers', id: 'coupler-1-2' },
    { list: 'positions', id: 'R' },
  ] as const)
    expect(parsePartRef(draft, formatPartRef(part))).toEqual(part)
})

test.each([null, '', 'gears', 'gears:', 'gears:main-9', 'wheels:main-1', 'main-1'])(
  'the address %j names no part',
  (text) => {
    expect(parsePartRef(draft, text)).toBeUndefined()
  },
)

test('an issue leads to the part at which it stands', () => {
  const faulty: BoxDraft = {
    ...draft,
    links: draft.links.filter(({ id }) => id !== 'pair-3'),
  }
  const checked = checkBox(faulty)
  const [issue] = checked.ok ? checked.warnings : checked.issues
  expect(issue?.code).toBe('gear-without-mesh')
  const part = issue && partOfIssue(faulty, issue)
  expect(part?.list).toBe('gears')
  expect(part?.id).toMatch(/^(main|counter)-3$/)
  expect(
    partOfIssue(draft, { code: 'output-is-input', path: ['input'], body: 'x' }),
  ).toBeUndefined()
})

test.each([
  [{ list: 'gears', id: 'main-1' }, '1st gear, main shaft: 40 teeth, free'],
  [{ list: 'members', id: 'counter' }, 'Countershaft'],
  [{ list: 'couplers', id: 'coupler-3-4' }, '3–4 sleeve'],
  [
    { list: 'links', id: 'pair-2' },
    'Pair in mesh: 2nd gear, countershaft with 2nd gear, main shaft',
  ],
  [{ list: 'positions', id: 'N' }, 'Position N'],
  [{ list: 'axes', id: 'idler-line' }, 'Line of idler'],
  [{ list: 'interlocks', id: 'rails' }, 'Interlock: 3–4 sleeve, 1–2 sleeve, R sleeve'],
] as const)('%j is called %s', (part, title) => {
  expect(partTitle(draft, PLAIN_WORDS, part)).toBe(title)
})

test('the same part in another vocabulary', () => {
  const words = vocabularyOf({ vocabulary: 'layshaft', ends: 'front-rear', lengthUnit: 'in' })
  expect(partTitle(draft, words, { list: 'gears', id: 'counter-2' })).toBe(
    '2nd gear, layshaft: 25 teeth, keyed',
  )
  expect(partTitle(draft, words, { list: 'couplers', id: 'coupler-1-2' })).toBe('1–2 collar')
})

test('every part of a box has a name', () => {
  const box = indexBox(draft)
  for (const body of box.bodies)
    expect(
      partTitle(draft, PLAIN_WORDS, {
        list: box.gears.has(body) ? 'gears' : 'members',
        id: body,
      }),
    ).toMatch(/\w/)
})
