import { readTraceInput } from './traceInput.ts'

const read = (query: string, unit: 'Nm' | 'lbft' = 'Nm') =>
  readTraceInput(new URLSearchParams(query), unit)

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
