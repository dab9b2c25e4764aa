import type { Change, Part } from 'core'
import { indexBox } from 'core'

import { fourSpeed } from '../../core/testing/boxes.ts'
import { LIST_WORDS, changedPartName } from './changedPart.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const draft = fourSpeed('constant-mesh')
const naming = { box: indexBox(draft), words: PLAIN_WORDS }

type PartChange = Extract<Change, { kind: 'part' }>

/** What a part is called in a change that took it out; `was` is all that is known of it. */
function nameOf(list: PartChange['list'], id: string, was: Omit<Part, 'id'> = {}): string {
  return changedPartName(naming, {
    kind: 'part',
    list,
    id,
    before: { id, ...was },
    after: null,
    at: 0,
  })
}

test('a part that is in the box is called as everywhere', () => {
  expect(nameOf('gears', 'main-1')).toBe('1st gear, main shaft')
  expect(nameOf('members', 'counter')).toBe('countershaft')
  expect(nameOf('couplers', 'coupler-1-2')).toBe('1–2 sleeve')
})

test('a part that is gone is called as it called itself', () => {
  expect(nameOf('gears', 'gone', { label: '6th gear', member: 'main' })).toBe(
    '6th gear, main shaft',
  )
  expect(nameOf('positions', 'gone', { label: '6' })).toBe('position "6"')
  expect(nameOf('pieces', 'gone', { kind: 'bearing-ball', on: 'main', name: 'rear bearing' })).toBe(
    'rear bearing',
  )
})

test('a line is told by its name, or by the shafts on it', () => {
  const { axis = '' } = draft.members.find(({ id }) => id === 'counter') ?? {}
  expect(nameOf('axes', axis)).toBe('line of countershaft')
  expect(nameOf('axes', axis, { name: 'upper' })).toBe('line "upper"')
  expect(nameOf('axes', 'gone')).toBe('line of no shaft')
})

test('what has no name is told by its list and its id', () => {
  expect(nameOf('members', 'gone')).toBe('shaft "gone"')
})

test('a link is told by what it is and by the parts that it joins', () => {
  const pair = { kind: 'external-mesh', a: 'counter-1', b: 'main-1' }
  expect(nameOf('links', 'pair-9', pair)).toBe(
    'pair in mesh of 1st gear, countershaft with 1st gear, main shaft',
  )
  expect(nameOf('links', 'pair-9', { ...pair, a: 'gone' })).toBe('pair in mesh')
  expect(nameOf('links', 'brake', { kind: 'held', body: 'counter' })).toBe(
    'hold to the case of countershaft',
  )
})

test('a drum is the drum, and a rod is told by what it moves or by its name', () => {
  expect(nameOf('drums', 'drum')).toBe('drum')
  expect(nameOf('selectors', 'rod', { name: 'upper rod', places: [] })).toBe('upper rod')
})

test('every list of a box has a word for one of its parts', () => {
  for (const word of Object.values(LIST_WORDS)) expect(word).toMatch(/^[a-z ]+$/)
})
