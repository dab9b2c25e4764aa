/** What is said of a ring, with units. */
import { ringWork } from 'core'

import { ringSentences, takenWords } from './ring.ts'

const FIGURES = {
  meanDiameterMm: 60,
  halfAngleDeg: 30,
  friction: 0.1,
  coneWidthMm: 10,
  leverForceN: 50,
  leverRatio: 10,
}

function said(more: object, dragNm: number): readonly string[] {
  const result = ringWork({ ...FIGURES, ...more }, { slipRadPerS: 100, inertiaKgM2: 0.01, dragNm })
  if (!result.ok) throw new Error('all figures are there')
  return ringSentences(result.work, { slipRpm: 955, inertiaKgM2: 0.01, dragNm }, 'Nm')
}

test('what it has, what it does and how warm it gets', () => {
  // By hand in `core/shift/ring.test.ts`: 3 N·m, a third of a second, 50 J over 18.8 cm².
  expect(said({}, 0)).toEqual([
    'With 500\u00a0N at the fork the ring has 3.0\u00a0N·m. It brings 0.01000\u00a0kg·m² along and takes 955\u00a0rev/min away in 0.33\u00a0s.',
    'At first its faces slip at 3.0\u00a0m/s. 50\u00a0J go into heat, 2.7\u00a0J/cm².',
  ])
})

test('one that cannot says why, with both figures', () => {
  expect(said({}, 4)).toEqual([
    'With 500\u00a0N at the fork the ring has 3.0\u00a0N·m, and 4.0\u00a0N·m drag against it: it cannot bring the speeds together. Find what drags, or push harder.',
  ])
})

test('pointed teeth that do not wait crunch', () => {
  expect(said({ sleeveDiameterMm: 70, tipAngleDeg: 120 }, 0)[2]).toMatch(
    /7\.9\u00a0N·m, and the cone has 3\.0\u00a0N·m: they give way before/,
  )
})

test('what is taken for figures that nobody entered is named', () => {
  expect(takenWords(['halfAngleDeg', 'leverForceN'])).toMatch(
    /: a half angle of 6\.5° and a force at the knob of 120\sN\. Enter/,
  )
})
