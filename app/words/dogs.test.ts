/** What is said of dogs, with units; the figures are worked by hand in `core/shift/dogs.test.ts`. */
import { dogWork } from 'core'

import { dogSentences, neededDogWords, dogsFault } from './dogs.ts'

function said(more: object, slipRpm: number): readonly string[] {
  const result = dogWork(
    { count: 6, freeAngleDeg: 30, depthMm: 4, ...more },
    {
      slipRadPerS: (slipRpm * Math.PI) / 30,
      speedMPerS: 0.2,
      inertiaKgM2: 0.05,
      torqueNm: 100,
    },
  )
  if (!result.ok) throw new Error('all figures are there')
  return dogSentences({
    work: result.work,
    slipRpm,
    torqueNm: 100,
    bandRpm: [-5, 520.4],
    unit: 'Nm',
  })
}

test('chance, times, the band of the engine, knock and backlash', () => {
  // 95.5 rev/min are 10 rad/s.
  const sentences = said({}, 95.493)
  expect(sentences[0]).toMatch(
    /at once 31\u00a0% of the time.*average.*at most; over 250\u00a0rev\/min/,
  )
  expect(sentences[1]).toBe('They go in with the engine at 0 to 520\u00a0rev/min.')
  expect(sentences[2]).toContain('knocks with 2.5\u00a0J')
  expect(sentences[2]).toContain('strike with 52\u00a0J')
})

test('too fast they bounce, and standing they may stay out', () => {
  expect(said({}, 400)[0]).toContain('they only bounce')
  expect(said({}, 0)[0]).toContain('50\u00a0% of the time; otherwise it stays out')
})

test('back-taper draws in, worn faces push out, straight ones do neither', () => {
  const holding = (backTaperDeg: number) => said({ meanDiameterMm: 50, backTaperDeg }, 50).at(-1)
  expect(holding(10)).toContain('draws them in with')
  expect(holding(-10)).toContain('it jumps out of gear')
  expect(holding(0)).toContain('nothing draws them in')
})

test('what is missing is named', () => {
  expect(neededDogWords(['count', 'depthMm'])).toBe(
    'To say whether the dogs catch, enter how many there are and how deep they go.',
  )
})

test('dogs and the angles between them go round once', () => {
  // Six dogs stand 60° apart, whatever their width.
  expect(dogsFault({ count: 6, freeAngleDeg: 59.9 })).toBeNull()
  expect(dogsFault({ count: 6, freeAngleDeg: 60 })).toBe(
    '6 dogs come round every 60°: the angle free between them is less than that.',
  )
  expect(dogsFault({ count: 7, freeAngleDeg: 80 })).toMatch(/every 51\.43°/)
})

test('nothing is said of dogs of which one figure is missing', () => {
  expect(dogsFault({ count: 6 })).toBeNull()
  expect(dogsFault({ freeAngleDeg: 350 })).toBeNull()
})
