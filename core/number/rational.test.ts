import fc from 'fast-check'
import { Fraction } from 'fraction.js'

import { ONE, ZERO, formatFraction, parseFraction, rational } from './rational.ts'

/** Small, at the edge of exact floats, and far beyond it. */
const whole = fc.oneof(
  fc.integer({ min: -400, max: 400 }).map(BigInt),
  fc.bigInt({ min: 2n ** 52n, max: 2n ** 54n }),
  fc.bigInt({ min: -(2n ** 90n), max: 2n ** 90n }),
)
const pair = fc.tuple(
  whole,
  whole.filter((value) => value !== 0n),
)

test('sum, difference, product, quotient and order are those of fraction.js, in every size', () => {
  fc.assert(
    fc.property(pair, pair, ([an, ad], [bn, bd]) => {
      const [a, b] = [rational(an, ad), rational(bn, bd)]
      const [x, y] = [new Fraction(an, ad), new Fraction(bn, bd)]
      expect(a.toString()).toBe(x.toFraction())
      expect(a.add(b).toString()).toBe(x.add(y).toFraction())
      expect(a.sub(b).toString()).toBe(x.sub(y).toFraction())
      expect(a.mul(b).toString()).toBe(x.mul(y).toFraction())
      if (!b.isZero()) expect(a.div(b).toString()).toBe(x.div(y).toFraction())
      expect(a.neg().toString()).toBe(x.neg().toFraction())
      expect(a.abs().toString()).toBe(x.abs().toFraction())
      expect(a.sign()).toBe(Math.sign(x.compare(0)))
      expect(a.equals(b)).toBe(x.equals(y))
      expect(a.isGreaterThan(b)).toBe(x.gt(y))
      expect(a.toNumber()).toBeCloseTo(x.valueOf(), 9)
    }),
    { numRuns: 2000 },
  )
})

test('what outgrew the fast lane and shrank again equals what never left it', () => {
  const huge = rational(3n ** 50n, 2n ** 60n)
  expect(huge.mul(huge.inverse()).equals(ONE)).toBe(true)
  expect(huge.sub(huge).isZero()).toBe(true)
  expect(huge.mul(ZERO).equals(ZERO)).toBe(true)
  expect(huge.mul(rational(2n ** 60n, 3n ** 49n)).toString()).toBe('3')
})

test.each([
  [19, 80, 3, '0.238'],
  [-19, 80, 3, '-0.238'],
  [407, 102, 3, '3.990'],
  [1, 3, 0, '0'],
  [-1, 3000, 2, '0.00'],
  [5, 2, 0, '3'],
  [1, 1, 2, '1.00'],
])('%d/%d with %d decimals is %s (by hand)', (numerator, denominator, decimals, text) => {
  expect(rational(numerator, denominator).toFixed(decimals)).toBe(text)
})

test('there is no negative zero', () => {
  expect(Object.is(ZERO.neg().toNumber(), 0)).toBe(true)
  expect(rational(0, -5).equals(ZERO)).toBe(true)
})

test('nothing is divided by 0', () => {
  expect(() => rational(1, 0)).toThrow('a rational number cannot be 1 / 0')
  expect(() => ZERO.inverse()).toThrow('0 has no inverse')
})

test.each(['4', '-5/2', '1258/315', '123456789012345678901/2'])(
  '%s is read as it is written',
  (text) => {
    expect(formatFraction(parseFraction(text))).toBe(text)
  },
)

test('numbers beyond what floats hold are infinite or as near as can be, and never NaN', () => {
  const huge = 10n ** 400n
  expect(rational(huge).toNumber()).toBe(Infinity)
  expect(rational(-huge).toNumber()).toBe(-Infinity)
  expect(rational(1, huge).toNumber()).toBe(0)
  expect(rational(3n * huge, huge * 2n + 1n).toNumber()).toBeCloseTo(1.5, 12)
  expect(rational(-(3n ** 900n), 2n * 3n ** 899n + 1n).toNumber()).toBeCloseTo(-1.5, 12)
})
