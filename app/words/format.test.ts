import { unit } from 'mathjs'

import { KM_PER_MILE, NM_PER_LBFT, rational } from 'core'

import {
  formatExact,
  formatForce,
  formatInverse,
  formatNumber,
  formatPercent,
  formatPower,
  formatRatio,
  formatRoadSpeed,
  formatShare,
  formatSpeed,
  formatTeeth,
  formatTorque,
} from './format.ts'

test('one pound-force foot in newton-metres (NIST SP 811), and as a conversion package has it', () => {
  expect(NM_PER_LBFT).toBe(1.3558179483314004)
  expect(unit(1, 'lbf').to('N').toNumber() * unit(1, 'ft').to('m').toNumber()).toBeCloseTo(
    NM_PER_LBFT,
    12,
  )
})

test.each([
  [rational(407, 102), '3.990 : 1'],
  [rational(-5), '5.000 : 1'],
  [rational(1), '1 : 1'],
  [rational(-1), '1 : 1'],
  [rational(259, 320), '0.809 : 1'],
])('%s is written %s', (ratio, text) => {
  expect(formatRatio(ratio).replaceAll('\u00a0', ' ')).toBe(text)
})

test('figures carry their unit and never part from it', () => {
  expect(formatTorque(237.6, 'Nm')).toBe('238\u00a0N·m')
  // 100 / 1.3558179 by hand.
  expect(formatTorque(100, 'lbft')).toBe('74\u00a0lb·ft')
  expect(formatTorque(4.25, 'Nm')).toBe('4.3\u00a0N·m')
  expect(formatSpeed(420.7)).toBe('421\u00a0rev/min')
  expect(formatTeeth(31)).toBe('31\u00a0teeth')
})

test('exact, inverse, per cent and minus', () => {
  expect(formatExact(rational(-1258, 315)).replaceAll('\u00a0', ' ')).toBe('1258 / 315')
  expect(formatInverse(rational(2))).toBe('0.500')
  expect(formatInverse(rational(80, 19))).toBe('0.238')
  expect(formatPercent(rational(-1, 8)).replaceAll('\u00a0', ' ')).toBe('−12.5 %')
  expect(formatPercent(rational(679, 1000)).replaceAll('\u00a0', ' ')).toBe('+67.9 %')
  expect(formatNumber(-2.5, 1)).toBe('−2.5')
  expect(formatNumber(-0.01, 1)).toBe('0.0')
})

test('one mile in kilometres (NIST SP 811), and road speeds in either', () => {
  expect(KM_PER_MILE).toBeCloseTo(unit(1, 'mile').to('km').toNumber(), 12)
  expect(formatRoadSpeed(100, 'kmh')).toBe('100.0\u00a0km/h')
  expect(formatRoadSpeed(100, 'mph')).toBe('62.1\u00a0mi/h')
})

test('power, force and shares', () => {
  const watt = unit(100, 'N').toNumber() * 1 * ((1000 * 2 * Math.PI) / 60)
  expect(formatPower(100, -1000)).toBe(`${(watt / 1000).toFixed(1)}\u00a0kW`)
  expect(formatForce(-1250.4)).toBe('1250\u00a0N')
  expect(formatForce(12_480)).toBe('12.5\u00a0kN')
  expect(formatShare(0.9751)).toBe('97.5\u00a0%')
})
