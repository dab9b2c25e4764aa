import { diagnoseSpin, indexBox } from 'core'
import type { Mend, SpinRecord } from 'core'

import { boxOf, fourSpeed } from '../../core/testing/boxes.ts'
import {
  disagreementSentence,
  mendAction,
  mendSentence,
  nextLookSentence,
  setupWords,
  spinEntryWords,
} from './spin.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const draft = fourSpeed('constant-mesh')
const naming = { box: indexBox(draft), words: PLAIN_WORDS }

test('what was seen against what is drawn', () => {
  const of = { record: 0, part: 'main-2' } as const
  expect(disagreementSentence(naming, { ...of, expected: 'stood', seen: 'moved' })).toBe(
    'The 2nd gear, main shaft moved; as drawn it stands still.',
  )
  expect(disagreementSentence(naming, { ...of, expected: 'moved', seen: 'stood' })).toBe(
    'The 2nd gear, main shaft stood still; as drawn it moves.',
  )
})

test.each<readonly [Pick<Mend, 'kind'> & Record<string, string>, string]>([
  [
    { kind: 'mount', gear: 'main-2', mount: 'fixed' },
    'The 2nd gear, main shaft is drawn free, but is fixed to its shaft, or stuck on it.',
  ],
  [
    { kind: 'mount', gear: 'counter-2', mount: 'free' },
    'The 2nd gear, countershaft is drawn as turning with its shaft, but is free on it.',
  ],
  [
    { kind: 'coupler', coupler: 'coupler-1-2', place: '1' },
    'The 1–2 sleeve was not in neutral: it stood at 1.',
  ],
  [
    { kind: 'member', gear: 'main-2', member: 'input' },
    'The 2nd gear, main shaft is drawn on the wrong shaft: it sits on the input shaft, not on the main shaft.',
  ],
])('%j', (mend, sentence) => {
  expect(mendSentence(naming, { ...mend, left: [], draft } as unknown as Mend)).toBe(sentence)
})

test('a coupler that stood elsewhere changes the test, all else the drawing', () => {
  // The output held in neutral, and yet nothing on the input side would turn: 1st was in.
  const record: SpinRecord = {
    setup: { places: {}, held: ['main'], turned: 'input' },
    seen: new Map([
      ['main-1', 'stood'],
      ['counter', 'stood'],
      ['input', 'stood'],
    ]),
  }
  const mends = diagnoseSpin(boxOf(draft), [record]).mends
  expect(new Set(mends.map(mendAction))).toEqual(new Set(['Mend the drawing', 'Take the test so']))
})

test('which test it was: what was turned, what held, and where the sleeves stood', () => {
  const setup = { places: {}, held: ['main'], turned: 'input' }
  expect(setupWords(naming, setup)).toBe('input shaft turned, main shaft held, all in neutral')
  expect(setupWords(naming, { ...setup, held: [], places: { 'coupler-1-2': '1' } })).toBe(
    'input shaft turned, nothing held, 1–2 sleeve at 1',
  )
})

test('ticks as a line of the log', () => {
  expect(
    spinEntryWords(naming, {
      kind: 'spin',
      places: [],
      held: ['main'],
      turned: 'input',
      ticks: [
        { part: 'counter', seen: 'moved' },
        { part: 'main-2', seen: 'stood' },
        { part: 'main-1', seen: null },
      ],
    }),
  ).toBe(
    'Spin test (input shaft turned, main shaft held, all in neutral): countershaft moved; 2nd gear, main shaft stood; 1st gear, main shaft taken out',
  )
})

test('what to look at next, once more or for the first time', () => {
  const look = { setup: { places: {}, held: [], turned: 'input' }, part: 'counter' }
  expect(nextLookSentence(naming, { ...look, isAgain: true })).toMatch(
    /^Try the countershaft again/,
  )
  expect(nextLookSentence(naming, { ...look, isAgain: false })).toMatch(/^Look at the countershaft/)
})
