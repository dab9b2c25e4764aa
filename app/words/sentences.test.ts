import type { Drive } from 'core'
import { analyse, buildPattern, checkBox, indexBox, prepareSolver, rational } from 'core'

import { boxOf, fourSpeed, planetaryDraft } from '../../core/testing/boxes.ts'
import { lawName, partName, shareName } from './names.ts'
import {
  circulationSentence,
  engagementSentence,
  openSentence,
  pathSentences,
  ratioSentence,
} from './sentences.ts'
import { PLAIN_WORDS, travelWords, vocabularyOf } from './vocabulary.ts'

function traced(
  reverse: 'sliding-idler' | 'constant-mesh',
  label: string,
  vocabulary: 'countershaft' | 'layshaft',
  isOverrun = false,
) {
  const draft = fourSpeed(reverse)
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('the box does not hang together')
  const position = draft.positions.find((each) => each.label === label)
  const analysis = analyse(prepareSolver(checked.box), position?.couplers ?? {}, { isOverrun })
  if (analysis.state !== 'drive') throw new Error(`${label} does not drive`)
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
    'The reverse gear on the layshaft (16 teeth) drives the reverse idler (25 teeth), which turns with the input: 320 rev/min, 313 N·m.',
  )
})

test('a friction clutch closes, whichever way it is pushed', () => {
  const draft = buildPattern('dual-clutch', 'dual clutch', {})
  const coupler = draft.couplers.find(({ kind }) => kind === 'friction-clutch')
  const place = coupler?.positions.find(({ engages }) => engages.length > 0)
  if (!coupler || !place) throw new Error('the pattern has no clutch')
  const sentence = engagementSentence(
    { box: indexBox(draft), words: PLAIN_WORDS },
    { coupler, place },
  )
  expect(sentence).toMatch(/, closed, locks the /)
  expect(sentence).not.toContain('moved')
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

test('on the overrun the wheels drive, and the engine is reached last', () => {
  expect(traced('sliding-idler', '1', 'countershaft', true).path).toEqual([
    'The wheels drive the main shaft, which turns with the input (seen from the input end): 250 rev/min, 400 N·m.',
    'The 1–2 sleeve locks the main shaft to the 1st gear.',
    'The 1st gear on the main shaft (40 teeth) drives the 1st gear on the countershaft (20 teeth), which turns against the input: 500 rev/min, 200 N·m.',
    'The head gear on the countershaft (40 teeth) drives the head gear on the input shaft (20 teeth), which turns with the input: 1000 rev/min, 100 N·m.',
    'Power reaches the engine at the input shaft: 1000 rev/min, 100 N·m.',
  ])
})

describe('what joins parts', () => {
  const draft = fourSpeed('sliding-idler')
  const naming = { box: indexBox(draft), words: PLAIN_WORDS }
  const term = (body: string, gear?: string) => ({
    body,
    gear: gear === undefined ? undefined : naming.box.gears.get(gear),
    coefficient: rational(1),
    counted: [],
    stationMm: 0,
  })
  const pair = {
    id: 'pair',
    source: 'pair',
    kind: 'external-mesh',
    terms: [term('counter', 'counter-1'), term('main-1', 'main-1')],
    uncounted: [],
  } as const
  const sleeve = {
    id: 'coupler-1-2',
    source: 'coupler-1-2',
    kind: 'lock',
    terms: [term('main-1'), term('main')],
    uncounted: [],
  } as const

  test('a pair is named by its gears, a coupler by itself', () => {
    expect(lawName(naming, pair)).toBe('1st gear, countershaft with 1st gear, main shaft')
    expect(lawName(naming, sleeve)).toBe('1–2 sleeve')
    expect(partName(naming, 'counter-1')).toBe('1st gear, countershaft')
    expect(partName(naming, 'counter')).toBe('countershaft')
  })

  test('a path is named by the shaft to which it leads', () => {
    expect(shareName(naming, pair, 'main-1')).toBe('countershaft')
    expect(shareName(naming, pair, 'counter')).toBe('main shaft')
  })

  test('power that goes round is told with what it passes and how much it is', () => {
    const step = (law: typeof pair | typeof sleeve) => ({ law, from: [], to: [] })
    const sentence = circulationSentence(naming, {
      steps: [step(pair), step(sleeve)],
      power: rational(1, 4),
    })
    expect(sentence.replaceAll('\u00a0', ' ')).toBe(
      'Power goes round in a loop and does not leave it, 25.0 % of what enters: 1st gear, countershaft with 1st gear, main shaft; then 1–2 sleeve.',
    )
  })
})

// Willis: of three speeds one law settles one, so sun and ring leave the carrier between them.
test('a set of which nothing is held leaves a freedom, and is called by its gears', () => {
  const set = planetaryDraft({ sun: 30, ring: 60 }, null, 'sun', 'carrier')
  const box = boxOf({ ...set, outputs: ['carrier', 'ring'] })
  const analysis = analyse(prepareSolver(box), {})
  if (analysis.state !== 'undetermined') throw new Error(analysis.state)
  const said = openSentence({ box, words: PLAIN_WORDS }, analysis)
  expect(said).toContain('through the planetary set of sun-gear, ')
  expect(said).toContain(' with ring-gear, ')
  expect(said).not.toContain('"')
})
