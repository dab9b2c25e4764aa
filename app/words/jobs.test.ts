/** The log of a job and its parts in words. */
import type { Entry, EntryBody, Intake, Waiting } from 'core'
import { buildPattern, indexBox, withBuild } from 'core'

import { entryWords, isTrouble, needWords, stageWords, unitPartName, waitingWords } from './jobs.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const draft = withBuild(buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' }))
const naming = { box: indexBox(draft), words: PLAIN_WORDS }
const MAIN = 'main shaft'

/** A text with its no-break spaces as plain ones. */
const plain = (text: string): string => text.replaceAll('\u00a0', ' ')

function words(body: EntryBody, before?: Intake): string {
  const entry: Entry = { id: 'e', at: '2026-01-05T08:00:00.000Z', by: 'AB', body }
  return plain(entryWords(naming, entry, before))
}

const INTAKE: Intake = {
  reference: 'R 17',
  complaint: 'jumps out of third',
  distance: { text: '120000', unit: 'km' },
  oil: 'dark',
  cameWith: 'the lever',
}

describe('parts', () => {
  test('are called by what they are, and on which shaft', () => {
    expect(unitPartName(naming, 'shaft:main')).toBe(MAIN)
    expect(unitPartName(naming, 'bearings:main')).toBe(`bearings of the ${MAIN}`)
    expect(unitPartName(naming, 'shims:main')).toBe(`shims of the ${MAIN}`)
    expect(unitPartName(naming, 'gear:main-3')).toContain(MAIN)
    expect(unitPartName(naming, 'seals')).toBe('oil seals and gaskets')
  })

  test('that are gone are named as well as can be', () => {
    for (const gone of ['ring:gone/1', 'sleeve:gone', 'gear:gone', 'fork:gone'])
      expect(unitPartName(naming, gone)).toBe(gone)
    expect(unitPartName(naming, 'piece:gone')).toBe('part that was taken out')
  })

  test('a reference may be any word, also one that every object knows', () => {
    for (const word of ['constructor', 'toString', '__proto__', 'hasOwnProperty'])
      expect(unitPartName(naming, word)).toBe(word)
  })
})

describe('an intake', () => {
  test('is told whole at first, and later only what is new', () => {
    expect(words({ kind: 'intake', intake: INTAKE })).toBe(
      'Intake: “jumps out of third”, 120000 km run, reference R 17, oil: dark, came with the lever',
    )
    expect(words({ kind: 'intake', intake: { ...INTAKE, oil: 'burnt' } }, INTAKE)).toBe(
      'Intake corrected: oil: burnt',
    )
    expect(words({ kind: 'intake', intake: INTAKE }, INTAKE)).toBe('Intake corrected')
  })

  test('says that a distance was taken out again', () => {
    expect(words({ kind: 'intake', intake: { ...INTAKE, distance: null } }, INTAKE)).toBe(
      'Intake corrected: no distance',
    )
  })
})

test.each<[EntryBody, string]>([
  [{ kind: 'note', text: 'smells burnt' }, 'Note: smells burnt'],
  [{ kind: 'note', text: 'blue', part: 'shaft:main' }, `Note on ${MAIN}: blue`],
  [{ kind: 'waiting', for: 'bearings' }, 'Waits for bearings'],
  [{ kind: 'waiting', for: '' }, 'Waits for nothing any more'],
  [{ kind: 'tray', part: 'shaft:main', tray: 'B2' }, `${MAIN} laid in tray B2`],
  [{ kind: 'tray', part: 'shaft:main', tray: '' }, `${MAIN} taken out of its tray`],
  [{ kind: 'step', part: null, is: 'off' }, 'The unit is all in pieces'],
  [{ kind: 'step', part: null, is: 'in' }, 'The unit is together'],
  [{ kind: 'step', part: 'shaft:main', is: 'in' }, `${MAIN} put in`],
  [{ kind: 'step', part: 'shaft:main', is: 'off' }, `${MAIN} taken off`],
  [{ kind: 'step', part: 'shaft:main', is: 'off', tray: 'C1' }, `${MAIN} taken off, into tray C1`],
  [{ kind: 'photo', photo: 'p', caption: '' }, 'Photograph'],
  [
    { kind: 'photo', photo: 'p', caption: 'the teeth', part: 'shaft:main' },
    `Photograph of ${MAIN}: the teeth`,
  ],
  [{ kind: 'withdraw', entry: 'e' }, 'An entry taken back'],
  [{ kind: 'close', leftOut: '' }, 'Job closed'],
  [{ kind: 'close', leftOut: 'the seals' }, 'Job closed, left out: the seals'],
  [{ kind: 'reopen' }, 'Job opened again'],
  // 18 + 5 tenths of a micrometre a unit: 1.8 mm and 0.05 mm.
  [
    { kind: 'shims', part: 'shaft:main', thicknesses: [18_000, 500], expected: 1_200 },
    `Shims fitted to ${MAIN}: 1.80 mm + 0.05 mm, to leave 0.12 mm`,
  ],
])('%o', (body, sentence) => {
  expect(words(body)).toBe(sentence)
})

test('what waits is counted, and one is told as one', () => {
  const told = (waiting: Waiting): string => waitingWords(waiting)
  expect([1, 3].map((count) => told({ code: 'to-order', count }))).toEqual([
    'One part to order',
    '3 parts to order',
  ])
  expect([1, 2].map((count) => told({ code: 'to-replace', count }))).toEqual([
    'One part is beyond the limit',
    '2 parts are beyond the limit',
  ])
  expect([1, 2].map((count) => told({ code: 'counts-disagree', count }))).toEqual([
    'Two counts of one gear disagree',
    'Two counts disagree of 2 gears',
  ])
  expect(told({ code: 'said', text: 'the press' })).toBe('Waits for the press')
  expect(told({ code: 'nothing-measured' })).toBe('Nothing measured yet')
})

test('only what is wrong is trouble, not what is still to come', () => {
  expect(isTrouble({ code: 'to-replace', count: 1 })).toBe(true)
  expect(isTrouble({ code: 'turns-disagree', count: 1 })).toBe(true)
  expect(isTrouble({ code: 'to-order', count: 1 })).toBe(false)
  expect(isTrouble({ code: 'nothing-measured' })).toBe(false)
})

test('a stage says how far it is, and what a person said of it', () => {
  const state = { stage: 'rings', done: 3, total: 8, isByHand: false, isDone: false } as const
  expect(stageWords({ ...state, mark: null })).toBe('3 of 8')
  expect(stageWords({ ...state, mark: true, isDone: true })).toBe('3 of 8, called done')
  expect(stageWords({ ...state, mark: false })).toBe('opened again')
  expect(stageWords({ ...state, total: 0, mark: null })).toBe('nothing found yet')
  expect(stageWords({ ...state, total: 0, mark: null, isDone: true })).toBe('nothing to do here')
  expect(stageWords({ ...state, isByHand: true, mark: null })).toBe('say when it is done')
})

test('a part that is ordered for another says for which finding', () => {
  const seen = {
    kind: 'seen',
    entry: { id: 'e', at: '', by: '', body: { kind: 'reopen' } },
    part: 'gear:main-3',
    what: 'pitting',
    verdict: 'replace',
    overruled: null,
  } as const
  const need = { key: 'gear:main-3', finding: seen }
  expect(needWords(naming, need)).toMatch(/^judged to be replaced: /)
  expect(needWords(naming, { ...need, key: 'gear:counter-3' })).toContain(
    `of the ${unitPartName(naming, 'gear:main-3')}`,
  )
})
