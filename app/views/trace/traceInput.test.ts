import { DEFAULT_SETTINGS } from '~/settings.ts'

import { readAddress } from '../addresses.ts'
import { SLIDER_STEPS, readTraceInput, sliderOfTorque, torqueOfSlider } from './traceInput.ts'

const read = (query: string, unit: 'Nm' | 'lbft' = 'Nm') =>
  readTraceInput(readAddress('trace', new URLSearchParams(query)), {
    ...DEFAULT_SETTINGS,
    torqueUnit: unit,
  })

test('without figures 100 and 1000 are taken', () => {
  expect(read('')).toMatchObject({ torqueNm: 100, speedRpm: 1000 })
})

test('a torque in pounds-feet is turned into newton-metres (NIST SP 811)', () => {
  expect(read('torque=100', 'lbft').torqueNm).toBeCloseTo(135.58179483314004, 9)
})

test('a decimal comma is read', () => {
  expect(read('torque=12,5')).toMatchObject({ torqueNm: 12.5, torqueProblem: undefined })
})

test.each(['torque=', 'torque=-5', 'torque=lots', 'torque=1e9'])(
  '%s leaves the usual figure and says so',
  (query) => {
    const input = read(query)
    expect(input.torqueNm).toBe(100)
    expect(input.torqueProblem).toMatch(/^Enter a torque over 0/)
  },
)

test('a speed that cannot be is told at its field', () => {
  expect(read('speed=0').speedProblem).toMatch(/^Enter a speed over 0/)
})

test('the torque slider goes from 10 to 5000 in equal ratios, to two significant figures', () => {
  expect(torqueOfSlider(0)).toBe(10)
  expect(torqueOfSlider(SLIDER_STEPS)).toBe(5000)
  // The middle of equal ratios is the geometric mean: √(10 × 5000) = 223.6.
  expect(torqueOfSlider(SLIDER_STEPS / 2)).toBe(220)
  for (let step = 1; step <= SLIDER_STEPS; step++)
    expect(torqueOfSlider(step)).toBeGreaterThanOrEqual(torqueOfSlider(step - 1))
})

test.each([10, 47, 220, 1000, 5000])('%s is where the thumb stands for it', (torque) => {
  const back = torqueOfSlider(sliderOfTorque(torque))
  // Half a step is 1.6 per cent, and two figures are another 5 at the most.
  expect(Math.abs(back / torque - 1)).toBeLessThan(0.07)
})

test.each([
  [0.5, 0],
  [90_000, SLIDER_STEPS],
])('%s lies beyond the slider, which stands at its end', (torque, step) => {
  expect(sliderOfTorque(torque)).toBe(step)
})

test('the unit of road speed is that of the settings', () => {
  expect(read('').roadSpeedUnit).toBe('kmh')
})
