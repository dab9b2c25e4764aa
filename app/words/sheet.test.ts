/** Lines of a data sheet as people read them on the plate and in the manual. */
import { buildPattern, indexBox } from 'core'

import { sheetLineName, sheetLineText } from './sheet.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const naming = { box: indexBox(buildPattern('three-shaft', 'unit', {})), words: PLAIN_WORDS }
const plain = (text: string): string => text.replaceAll('\u00a0', ' ')

test('what was read stands as it was read', () => {
  expect(sheetLineText({ id: 'l', kind: 'oil-quantity', text: '1.9 l' })).toBe('1.9 l')
  expect(sheetLineText({ id: 'l', kind: 'serial' })).toBe('')
})

test('a limit stands with its ends and their unit', () => {
  const limit = { id: 'l', kind: 'limit', measure: 'end-play', unit: 'mm' } as const
  expect(plain(sheetLineText({ ...limit, least: '0.05', most: '0.15' }))).toBe('0.05 to 0.15 mm')
  expect(plain(sheetLineText({ ...limit, least: '0.05' }))).toBe('at least 0.05 mm')
  expect(plain(sheetLineText({ ...limit, most: '0.15' }))).toBe('at most 0.15 mm')
  expect(sheetLineText(limit)).toBe('')
})

test('a line is called by what it is about, and by the part where it is of one', () => {
  expect(sheetLineName(naming, { kind: 'serial' })).toBe('serial number')
  expect(sheetLineName(naming, { kind: 'limit', measure: 'end-play', of: 'shaft:main' })).toBe(
    'end play of the main shaft',
  )
  expect(sheetLineName(naming, { kind: 'other', what: 'paint' })).toBe('paint')
  // A line that another Udrix wrote.
  expect(sheetLineName(naming, { kind: 'of-tomorrow' })).toBe('line')
  expect(sheetLineName(naming, {})).toBe('line')
})
