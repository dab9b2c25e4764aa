import { assemblyOf, buildPattern, handlingOf, indexBox, orderOf, withBuild } from 'core'

import {
  differenceWords,
  faceWords,
  partNotes,
  precedenceWords,
  pressWords,
  shownByWords,
  stepWords,
} from './build.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const draft = withBuild(buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' }))
const naming = { box: indexBox(draft), words: PLAIN_WORDS }
const assembly = assemblyOf(draft)
const order = orderOf(assembly)

function stepOf(ref: string) {
  const step = order.down.find(({ part }) => part.id === ref)
  if (!step) throw new Error(`no step for ${ref}`)
  return step
}

test.each([
  ['piece:nut-1', 'Unscrew the nut of the main shaft', 'Screw in the nut of the main shaft'],
  ['piece:cover-1', 'Take the cover off', 'Put the cover on'],
  ['piece:case-1', 'Set the empty case aside', 'Set the case on its stand'],
  ['shaft:main', 'Take the main shaft out at the top', 'Set the main shaft in from the top'],
  [
    'gear:main-3',
    'Take the 3rd gear, main shaft off over the input end',
    'Put the 3rd gear, main shaft on from the input end',
  ],
  [
    'piece:ball-bearing-1',
    'Pull or press the ball bearing of the input shaft off over the input end',
    'Press the ball bearing of the input shaft on from the input end',
  ],
])('%s', (ref, down, up) => {
  expect(stepWords(naming, stepOf(ref), 'down')).toBe(down)
  expect(stepWords(naming, stepOf(ref), 'up')).toBe(up)
})

test('a hub says that it is matched, and with which sleeve', () => {
  const [note] = partNotes(naming, stepOf('piece:hub-1').part)
  expect(note).toContain('were matched')
  expect(note).toContain('Goes with the sleeve of')
  expect(partNotes(naming, stepOf('gear:main-3').part)).toEqual([])
})

test('how the case stands, where the press goes, what would show a mistake', () => {
  expect(faceWords(PLAIN_WORDS, 'output-end')).toBe('output end up')
  expect(pressWords('inner-race')).toBe('Load on the inner race, on nothing else.')
  expect(pressWords(undefined)).toBe('Load on the ring that grips, on nothing else.')
  const handling = handlingOf(naming.box, stepOf('piece:shim-1').part)
  expect(shownByWords(handling)).toContain('the end play of its shaft would show it')
})

test('what is stated, and what differs, are told by names and with units', () => {
  expect(precedenceWords(naming, { first: 'gear:main-3', then: 'shaft:input' })).toBe(
    '3rd gear, main shaft before input shaft',
  )
  const told = (difference: Parameters<typeof differenceWords>[2]) =>
    differenceWords(naming, naming, difference)
  expect(told({ kind: 'shims', ref: 'shaft:main', one: [3_000, 1_000], other: [] })).toEqual({
    what: 'shims of the main shaft',
    one: '0.30\u00a0mm + 0.10\u00a0mm',
    other: 'none',
  })
  expect(told({ kind: 'end-play', ref: 'shaft:main', one: 0.1, other: null })).toMatchObject({
    one: '0.10\u00a0mm',
    other: 'not measured',
  })
  expect(
    told({ kind: 'field', ref: 'gear:main-2', field: 'toothCount', one: 35, other: undefined }),
  ).toEqual({ what: 'teeth of the 2nd gear, main shaft', one: '35', other: 'not said' })
})
