import { gearChange, prepareSolver, toNumber } from 'core'

import { boxOf, fourSpeed } from '../../../core/testing/boxes.ts'

import { caughtDogs } from './caughtDogs.ts'

const draft = fourSpeed('constant-mesh')
const solver = prepareSolver(boxOf(draft))
const [from, to] = ['1', '2'].map((label) => draft.positions.find((each) => each.label === label))
const DOGS = { count: 6, freeAngleDeg: 30, depthMm: 4 }
const TRIED = { inputRpm: 1000, speedMPerS: 0.2, torqueNm: 0 }

function matchOf() {
  if (!from || !to) throw new Error('the box has both')
  const match = gearChange(solver, from, to, 'clutch').matches.find(({ slip }) => slip !== null)
  if (!match) throw new Error('something has to match')
  return match
}

test('without figures of the dogs nothing is said of the speeds between which they catch', () => {
  const { result, bandRpm } = caughtDogs(solver.box, matchOf(), {}, TRIED)
  expect(result.ok).toBe(false)
  expect(bandRpm).toBeNull()
})

test('the band lies about the speed at which both sides turn alike, by what the dogs can bridge', () => {
  const match = matchOf()
  const { bandRpm, slipRpm } = caughtDogs(solver.box, match, DOGS, TRIED)
  const brought = match.brought.get(draft.input)
  if (!match.inputSpeed || !brought) throw new Error('the input is brought to a speed')
  const even = Math.abs(toNumber(match.inputSpeed)) * TRIED.inputRpm
  const [least = 0, most = 0] = bandRpm ?? []
  expect((least + most) / 2).toBeCloseTo(even, 9)
  // 30° in the 20 ms in which 4 mm are gone at 0.2 m/s, at the coupler (by hand), as turns of the input.
  const bridged = (30 / 360 / 0.02) * 60 * Math.abs(toNumber(brought))
  expect((most - least) / 2).toBeCloseTo(bridged, 9)
  // With the input as before, the slip is what lies between the two speeds at the coupler.
  expect(slipRpm).toBeGreaterThan(0)
})
