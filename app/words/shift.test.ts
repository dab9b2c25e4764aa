/** What is said of a change, of an interlock and of a drum. */
import {
  buildPattern,
  checkBox,
  gearChange,
  indexBox,
  prepareSolver,
  proveDrum,
  proveInterlock,
  selectorFaults,
  rational,
  heldAt,
  settlesAt,
  withSelectors,
} from 'core'
import type { BoxDraft, ChangeStep } from 'core'

import { dualClutch, fourSpeed } from '../../core/testing/boxes.ts'

import { drumFaults, falseNeutralWords, settleWords, stretchWords } from './drum.ts'
import {
  changeStepWords,
  coastingWords,
  handWords,
  interlockPartWords,
  openSetWords,
  selectorFaultWords,
  sideWords,
  slipText,
} from './shift.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

/** Second 2.8 and third 2 turns in for one out. */
const four: BoxDraft = withSelectors(fourSpeed('sliding-idler'), 'lever')

function solverOf(draft: BoxDraft) {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
  return prepareSolver(checked.box)
}

const naming = { box: indexBox(four), words: PLAIN_WORDS }

function changeOf(from: string, to: string, school: 'clutch' | 'without-clutch' = 'clutch') {
  const position = (label: string) => {
    const found = four.positions.find((each) => each.label === label)
    if (!found) throw new Error(`no ${label}`)
    return found
  }
  return gearChange(solverOf(four), position(from), position(to), school)
}

test('every step of second to third in a sentence', () => {
  expect(changeOf('2', '3').steps.map((step) => changeStepWords(naming, step, 2_800))).toEqual(
    [
      'Open the clutch.',
      'Lever forward, out of row 2 into neutral.',
      'The 1–2 sleeve comes out of 2.',
      'Lever across from row 2 to row 3.',
      'Lever forward in row 3.',
      'The synchro ring of the 3–4 sleeve brings both sides to one speed.',
      'The 3–4 rod brings the 3–4 sleeve towards the output end into 3.',
      'Close the clutch.',
    ].map((sentence) => sentence.replace('synchro ring', PLAIN_WORDS.ring)),
  )
})

test('the engine to match, and what is apart, with their units', () => {
  const change = changeOf('2', '3', 'without-clutch')
  const said = change.steps.map((step) => changeStepWords(naming, step, 2_800))
  // 5/7 of 2800, and 1/7 of it between gear and shaft.
  expect(said).toContain('Bring the engine to 2000\u00a0rev/min.')
  const [match] = change.matches
  expect(match && slipText(match, 2_800)).toBe('400\u00a0rev/min')
  expect(match && slipText(match, 2_800, 0.5)).toBe('200\u00a0rev/min')
  const sides = (left: number) => match && sideWords(naming, match, { inputRpm: 2_800, left })
  // Third is 2 : 1 and second 2.8 : 1, so that the gear goes from 1400 to the shaft's 1000.
  expect(sides(1)).toEqual([
    '3rd gear, main shaft: 1400\u00a0rev/min, follows the engine',
    'Main shaft: 1000\u00a0rev/min, follows the wheels',
  ])
  expect(
    match && sideWords(naming, match, { inputRpm: 2_800, left: 1, isPedalDown: true })[0],
  ).toBe('3rd gear, main shaft: 1400\u00a0rev/min, runs on by itself, the pedal is down')
  expect(sides(0.5)?.[0]).toContain('1200\u00a0rev/min')
  expect(sides(0)?.[0]).toContain('1000\u00a0rev/min')
})

test('a side that turns against the other is told below 0, and only then', () => {
  const side = (body: string, speed: number) => ({
    body,
    hangsOn: { input: true, output: false, free: false },
    speed: rational(speed, 2),
    ofInput: rational(0),
  })
  const say = (...speeds: readonly [number, number]) =>
    sideWords(
      naming,
      { sides: [side('main-3', speeds[0]), side('main', speeds[1])], inputSpeed: null },
      { inputRpm: 1_000, left: 1 },
    ).map((said) => said.replace(/^.*: /, '').replace(/,.*/, ''))
  expect(say(-1, -2)).toEqual(['500\u00a0rev/min', '1000\u00a0rev/min'])
  expect(say(-1, 2)).toEqual(['500\u00a0rev/min', '\u22121000\u00a0rev/min'])
})

test('what coasts is told at a stand and as its clutch drags it', () => {
  const draft = dualClutch()
  const of = (label: string) => {
    const found = draft.positions.find((each) => each.label === label)
    if (!found) throw new Error(`no ${label}`)
    return found
  }
  const [match] = gearChange(solverOf(draft), of('2'), of('3'), 'clutch').matches
  if (!match) throw new Error('no match')
  // 1/2 and 1/6 of the input's speed, worked out beside the core.
  expect(slipText(match, 3_000)).toBe('up to 1500\u00a0rev/min')
  const said = coastingWords({ box: indexBox(draft), words: PLAIN_WORDS }, match, 3_000)
  expect(said).toContain('1500\u00a0rev/min apart if it stands')
  expect(said).toMatch(/500\u00a0rev\/min if the open .* drags it along/)
})

test('moving off, a spent ring and a second lever in sentences', () => {
  const say = (step: ChangeStep) => changeStepWords(naming, step, 1_000)
  expect(say({ kind: 'stand', what: 'input' })).toBe('Wait until what turns with the input stands.')
  expect(say({ kind: 'stand', what: 'vehicle' })).toMatch(/^Stop first/)
  const coupler = four.couplers.find(({ id }) => id === 'coupler-3-4')
  if (!coupler) throw new Error('no coupler')
  expect(say({ kind: 'grind', coupler })).toMatch(/3–4 sleeve stands on its gear .* grind/)
  const move = { kind: 'across', lever: 2, row: 1, to: 2 } as const
  expect(say({ kind: 'lever', move })).toBe('Lever across from row 1 to row 2.')
  const two = { ...four, selectors: four.selectors?.map((rod) => ({ ...rod, lever: 2 })) }
  expect(changeStepWords({ ...naming, box: indexBox(two) }, { kind: 'lever', move }, 1_000)).toBe(
    'Lever 2 across from row 1 to row 2.',
  )
})

test('a name that begins with its article has one in a sentence', () => {
  const named = {
    ...four,
    couplers: four.couplers.map((each) => ({ ...each, name: 'The big sleeve' })),
  }
  const [, , out] = changeOf('2', '3').steps
  const coupler = named.couplers.find(({ id }) => id === 'coupler-1-2')
  if (out?.kind !== 'out' || !coupler) throw new Error('no step out')
  const step = { ...out, move: { ...out.move, coupler } }
  expect(changeStepWords({ ...naming, box: indexBox(named) }, step, 1_000)).toBe(
    'The big sleeve comes out of 2.',
  )
})

test('a sliding reverse counts teeth, and says how its end of the gate is guarded', () => {
  const change = changeOf('N', 'R')
  expect(change.matches.map((match) => slipText(match, 1_000))).toEqual([
    '8000\u00a0teeth/min if it stands',
    '8000\u00a0teeth/min',
  ])
  const said = change.steps.map((step) => changeStepWords(naming, step, 1_000))
  expect(said).toContain('Lever forward in row 1 (lift the collar).')
})

test('what a lost ball makes possible, and what each part is', () => {
  const { without } = proveInterlock(solverOf(four))
  const [first] = without
  if (!first) throw new Error('a ball')
  expect(interlockPartWords(naming, first.part)).toBe('ball between the R rod and the 1–2 rod')
  const locked = first.opened.find(({ isLocked }) => isLocked)
  expect(locked && openSetWords(naming, locked)).toMatch(
    /^R and 1 can be in together, and the box is locked: /,
  )
})

test('faults of rods and gate say what to do', () => {
  const [first, second] = four.selectors ?? []
  if (!first || !second) throw new Error('two rods')
  const draft: BoxDraft = {
    ...four,
    selectors: [
      { ...first, places: [{ id: 'x', couplers: {} }] },
      {
        ...second,
        places: second.places.map((place) => ({ ...place, gate: second.places[0]?.gate })),
      },
    ],
  }
  const wrong = { box: indexBox(draft), words: PLAIN_WORDS }
  const said = selectorFaults(draft).map((fault) => selectorFaultWords(wrong, fault))
  expect(said[0]).toMatch(/moves nothing in its place x\. Say what it moves/)
  expect(said[1]).toMatch(/^Row 2, forward, is said of two places of the 1–2 rod/)
})

describe('a drum', () => {
  const bike = (() => {
    const draft = buildPattern('motorcycle', 'bike', {})
    return { ...draft, gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: 18 + at })) }
  })()
  const [drum] = bike.drums ?? []
  if (!drum) throw new Error('a drum')
  const of = { box: indexBox(bike), words: PLAIN_WORDS }
  const proof = proveDrum(solverOf(bike), drum)

  test('that is right has no fault to tell', () => {
    expect(drumFaults(of, proof)).toEqual([])
    expect(
      falseNeutralWords(
        proof.falseNeutrals[0] ?? { stretch: drumless(), canRest: false, heldBy: undefined },
      ),
    ).toMatch(
      /^from \d+\.\d° to \d+\.\d°, 13\.5° wide: the star does not rest here, but for \d\.\d° in which it is balanced on a tip$/,
    )
    expect(settleWords(of, settlesAt(proof.stops, rational(80)), undefined, 80)).toBe(
      'Let go here, the star turns the drum to 2, at 60.0°.',
    )
  })

  test('says what holds it where it does not turn to a stop', () => {
    const worn = {
      ...drum,
      stops: drum.stops.map((stop) => (stop.position === '2' ? { ...stop, tipWearMm: 3 } : stop)),
    }
    const found = proveDrum(solverOf(bike), worn)
    expect(drumFaults(of, found).some((each) => each.includes('can rest'))).toBe(true)
    expect(
      settleWords(of, settlesAt(found.stops, rational(90)), heldAt(found.rests, 90), 90),
    ).toMatch(/the drum stays: the tip is worn flat, from 7\d\.\d° to 10\d\.\d°/)
  })

  test('whose stop stands where nothing is in is told by its angle', () => {
    const wrong = { ...drum, stops: [{ angleDeg: 90, position: drum.stops[2]?.position }] }
    expect(drumFaults(of, proveDrum(solverOf(bike), wrong))).toContain(
      'The stop at 90.0° is for 2, and the box is not in it there.',
    )
  })

  test('says what a stretch is', () => {
    const said = proof.stretches.map((stretch) => stretchWords(of, stretch))
    expect(said).toContain('Neutral: no dogs are in.')
    expect(said).toContain('In 2.')
    expect(said.some((each) => each.startsWith('Half engaged: the dogs of the '))).toBe(true)
  })

  function drumless(): (typeof proof.stretches)[number] {
    throw new Error('no false neutral')
  }
})

test('the hand is where the gate has it, whatever was written; elsewhere as it was written', () => {
  const built = buildPattern('three-shaft', 'unit', {})
  const first = built.positions.find(({ label }) => label === '1')
  const neutral = built.positions.find(({ label }) => label === 'N')
  if (!first || !neutral) throw new Error('no such positions')
  const moved = {
    ...built,
    selectors: built.selectors?.map((rod) => ({
      ...rod,
      places: rod.places.map((place) => ({
        ...place,
        ...(place.gate && { gate: { ...place.gate, row: place.gate.row + 5 } }),
      })),
    })),
  }
  const row = (draft: BoxDraft): number =>
    Number(
      /^row (\d+), forward$/.exec(
        handWords({ box: indexBox(draft), words: PLAIN_WORDS }, first),
      )?.[1],
    )
  expect(row(moved) - row(built)).toBe(5)
  const naming = { box: indexBox(built), words: PLAIN_WORDS }
  expect(handWords(naming, { ...neutral, lever: 'across the rows' })).toBe('across the rows')
  const bare = { box: indexBox({ ...built, selectors: [] }), words: PLAIN_WORDS }
  expect(handWords(bare, { ...first, lever: 'up' })).toBe('up')
})
