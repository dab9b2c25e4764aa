import type { JudgedCheck, NextCheck, Suspect, TurnCheck } from 'core'
import { indexBox, rational } from 'core'

import { fourSpeed } from '../../core/testing/boxes.ts'
import { checkWords, evidenceWords, nextCheckWords, suspectWords, turnedWords } from './turns.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const draft = fourSpeed('constant-mesh')
const naming = { box: indexBox(draft), words: PLAIN_WORDS }
const plain = (text: string): string => text.replaceAll('\u00a0', ' ')
const asked = { kind: 'turn-check', position: '1', outputTurns: '10', errorTurns: '1/8' } as const

test('what was turned and read, at either end and at a shaft on the way', () => {
  expect(turnedWords(naming, { ...asked, inputTurns: '23 3/4' })).toBe(
    '23 3/4 in for 10 out, ± 1/8 turn',
  )
  expect(turnedWords(naming, { ...asked, inputTurns: '20', readAt: 'output' })).toBe(
    '10 out for 20 in, ± 1/8 turn',
  )
  expect(turnedWords(naming, { ...asked, inputTurns: '20', at: 'counter' })).toBe(
    '20 in for 10 at the countershaft, ± 1/8 turn',
  )
})

describe('what a check says', () => {
  const check: TurnCheck = {
    id: 'c',
    position: '1',
    inputTurns: rational(20),
    outputTurns: rational(10),
    readAt: 'input',
    errorTurns: rational(1, 8),
  }
  const judged = (rest: Omit<JudgedCheck, 'check'>) => plain(checkWords({ check, ...rest }))

  it.each<[Omit<JudgedCheck, 'check'>, string]>([
    [
      { expectedTurns: null, isAgreed: null },
      'Counts are missing, so there is nothing to compare with yet.',
    ],
    [
      { expectedTurns: rational(20), isAgreed: true },
      'The counts make 20.000 turns: just what you read.',
    ],
    // 20 − 19.9 is a tenth more than the counts make.
    [
      { expectedTurns: rational(199, 10), isAgreed: true },
      'The counts make 19.900 turns. You read 0.100 of a turn more, within your reading.',
    ],
    [
      { expectedTurns: rational(62, 3), isAgreed: false },
      'The counts make 20.667 turns. You read 0.667 of a turn fewer, which is more than your reading can be off.',
    ],
  ])('%j', (rest, sentence) => {
    expect(judged(rest)).toBe(sentence)
  })

  it('a position that turned and is locked by the counts', () => {
    expect(judged({ expectedTurns: null, isAgreed: false })).toMatch(/locked or in neutral/)
  })
})

test('suspects, what speaks for them, and what to turn next', () => {
  const gear = draft.gears.find(({ id }) => id === 'main-3')
  const position = draft.positions.find(({ label }) => label === '3')
  if (!gear || !position) throw new Error('no third')
  const suspect: Suspect = {
    miscounts: [{ gear, toothCount: 33 }],
    share: 0.5,
    agreeing: 2,
    sharedSums: 3,
    comparedSums: 4,
    draft,
  }
  expect(suspectWords(naming, suspect)).toBe(
    `3rd gear, main shaft: 33 teeth instead of ${gear.toothCount ?? ''}`,
  )
  expect(suspectWords(naming, { ...suspect, miscounts: [] })).toBe(
    'The counts are right and the turns were misread',
  )
  expect(evidenceWords(suspect, 2)).toBe(
    '2 of 2 turn checks would agree, and 3 of 4 other pairs on the same shafts would have the same sum of teeth.',
  )
  const next: NextCheck = { position, outputTurns: 1, expectedTurns: [], tellsAll: true }
  expect(nextCheckWords(next, 'pinion shaft')).toBe(
    'Select 3 and turn the input until the pinion shaft has made one turn. That tells all of these apart.',
  )
  expect(nextCheckWords({ ...next, outputTurns: 7, tellsAll: false }, 'output')).toMatch(
    /until the output has made 7 turns\. That tells most/,
  )
})
