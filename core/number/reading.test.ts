import fc from 'fast-check'
import { fraction as mathFraction } from 'mathjs'

import { formatFraction } from './rational.ts'
import { parseReading, parseSpan } from './reading.ts'

describe('parseReading', () => {
  it.each([
    // Worked by hand.
    { text: '3 7/8', expected: '31/8' },
    { text: '3-7/8', expected: '31/8' },
    { text: ' 7/8 ', expected: '7/8' },
    { text: '-1 1/2', expected: '-3/2' },
    { text: '0.031', expected: '31/1000' },
    { text: '0,79', expected: '79/100' },
    { text: '.5', expected: '1/2' },
    { text: '4.', expected: '4' },
    { text: '-0.02', expected: '-1/50' },
    { text: '40', expected: '40' },
    { text: '0.015 + 0.016', expected: '31/1000' },
    { text: '1/2+1/4+1/8', expected: '7/8' },
  ])('$text is $expected', ({ text, expected }) => {
    const reading = parseReading(text)
    expect(reading.ok && formatFraction(reading.value)).toBe(expected)
  })

  it.each([
    { text: '3 7/0', code: 'divided-by-zero' },
    { text: '', code: 'no-number' },
    { text: '3 and a bit', code: 'no-number' },
    { text: '1e9', code: 'no-number' },
    { text: '1.2.3', code: 'no-number' },
    { text: '-', code: 'no-number' },
    { text: '0.015 +', code: 'no-number' },
    { text: '1+1+1+1+1+1+1+1+1', code: 'no-number' },
    { text: '1234567890123456789012345', code: 'too-long' },
  ])('$text is refused as $code', ({ text, code }) => {
    expect(parseReading(text)).toEqual({ ok: false, code })
  })

  it('agrees with a fraction package on decimals', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -99999, max: 99999 }),
        fc.integer({ min: 1, max: 5 }),
        (n, d) => {
          const text = (n / 10 ** d).toFixed(d)
          const reading = parseReading(text)
          expect(reading.ok && formatFraction(reading.value)).toBe(mathFraction(text).toFraction())
        },
      ),
    )
  })
})

test('what went in and what did not are read together', () => {
  const span = (text: string) => {
    const parsed = parseSpan(text)
    return parsed.ok ? [parsed.span.low, parsed.span.high].map(formatFraction) : parsed.code
  }
  expect(span('31..35')).toEqual(['31', '35'])
  expect(span('0,031 … 0,035')).toEqual(['31/1000', '7/200'])
  expect(span('0.015+0.016..0.035')).toEqual(['31/1000', '7/200'])
  expect(span('31')).toEqual(['31', '31'])
  expect(span('35..31')).toBe('not-rising')
  expect(span('31..')).toBe('no-number')
  expect(span('1..2..3')).toBe('no-number')
})
