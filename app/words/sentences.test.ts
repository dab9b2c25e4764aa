import type { Drive } from 'core'
import { analyseBox, checkBox, rational } from 'core'

import { fourSpeed } from '../../core/testing/boxes.ts'
import { engagementSentence, pathSentences, ratioSentence } from './sentences.ts'
import { PLAIN_WORDS, travelWords, vocabularyOf } from './vocabulary.ts'

function traced(
  reverse: 'sliding-idler' | 'constant-mesh',
  label: string,
  vocabulary: 'countershaft' | 'layshaft',
) {
  const draft = fourSpeed(reverse)
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('the box does not hang together')
  const analysis = analyseBox(checked.box).find(
    ({ position }) => position.label === label,
  )?.analysis
  if (analysis?.state !== 'drive') throw new Error(`${label} does not drive`)
  const drive: Drive = analysis
  const naming = {
    box: checked.box,
    words: vocabularyOf({ vocabulary, ends: 'input-output', lengthUnit: 'mm' }),
  }
  const input = { torqueNm: 100, speedRpm: 1000, torqueUnit: 'Nm' } as const
  return {
    path: pathSentences(naming, drive, input).map((sentence) => sentence.replaceAll('\u00a0', ' ')),
    engaged: drive.engaged.map((engaged) => engagementSentence(naming, engaged)),
  }
}

test('first gear, one sentence a step, with teeth, sense, speed and torque', () => {
  const { path, engaged } = traced('sliding-idler', '1', 'countershaft')
  expect(path).toEqual([
    'Power enters at the input shaft: 1000 rev/min, 100 N·m.',
    'The head gear on the input shaft (20 teeth) drives the head gear on the countershaft (40 teeth), which turns against the input: 500 rev/min, 200 N·m.',
    'The 1st gear on the countershaft (20 teeth) drives the 1st gear on the main shaft (40 teeth), which turns with the input: 250 rev/min, 400 N·m.',
    'The 1–2 sleeve locks the 1st gear to the main shaft.',
    'It leaves at the main shaft, turning with the input (seen from the input end): 250 rev/min, 400 N·m.',
  ])
  expect(engaged).toEqual([
    'The 1–2 sleeve, moved towards the output end, locks the 1st gear to the main shaft.',
  ])
})

test('a sliding idler is said to be brought into mesh, and the words are the chosen ones', () => {
  const { path, engaged } = traced('sliding-idler', 'R', 'layshaft')
  expect(engaged).toEqual([
    'The R sliding idler, moved towards the input end, brings the reverse idler into mesh with the reverse gear on the layshaft and the reverse gear on the main shaft.',
  ])
  expect(path[2]).toBe(
    'The reverse gear on the layshaft (20 teeth) drives the reverse idler (25 teeth), which turns with the input: 400 rev/min, 250 N·m.',
  )
})

test.each([
  [rational(4), 'Reduction: the output turns with the input, seen from the input end.'],
  [rational(1), 'Direct: the output turns with the input, seen from the input end.'],
  [rational(4, 5), 'Overdrive: the output turns with the input, seen from the input end.'],
  [rational(-3), 'Reduction: the output turns against the input, seen from the input end.'],
  [rational(-1), 'Equal speed: the output turns against the input, seen from the input end.'],
])('%s: %s', (ratio, sentence) => {
  expect(ratioSentence(PLAIN_WORDS, ratio)).toBe(sentence)
})

test('the ends are called as the person calls them', () => {
  const words = vocabularyOf({ vocabulary: 'countershaft', ends: 'front-rear', lengthUnit: 'mm' })
  expect(ratioSentence(words, rational(4))).toBe(
    'Reduction: the output turns with the input, seen from the front.',
  )
  expect(travelWords(words, 'towards-output')).toBe('towards the rear')
})
