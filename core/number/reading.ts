/** What people write down: "3 7/8", "0.031", "0,79", "0.015 + 0.016", "31..35", exactly as it stands. */
import type { Rational } from './rational.ts'
import { rational } from './rational.ts'

/** Why a text is no reading. */
export type ReadingProblem = 'no-number' | 'divided-by-zero' | 'too-long'

export type Reading =
  | { readonly ok: true; readonly value: Rational }
  | { readonly ok: false; readonly code: ReadingProblem }

/** No tool and no turn count gives more digits than this, nor a stack more leaves. */
const LONGEST_READING = 24
const MOST_LEAVES = 8

const MIXED = /^(-?)(?:(\d+)[ \u00a0+-]+)?(\d+)\s*\/\s*(\d+)$/
const DECIMAL = /^-?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/

/**
 * A reading, or several with + between them, as leaves are stacked.
 * `parseReading('0.015 + 0.016')` is 31/1000.
 */
export function parseReading(text: string): Reading {
  const whole = parseOne(text)
  const leaves = text.split('+')
  if (whole.ok || leaves.length < 2 || leaves.length > MOST_LEAVES) return whole
  let value = rational(0)
  for (const leaf of leaves) {
    const reading = parseOne(leaf)
    if (!reading.ok) return reading
    value = value.add(reading.value)
  }
  return { ok: true, value }
}

/** What is read between two ends: alike, or what went in and what did not. */
export interface Span {
  readonly low: Rational
  readonly high: Rational
}

type SpanReading =
  | { readonly ok: true; readonly span: Span }
  | { readonly ok: false; readonly code: ReadingProblem | 'not-rising' }

/**
 * A reading, or two with two points between them: of leaves, the one that went in and the
 * one that did not. `parseSpan('31..35')` is from 31 to 35.
 */
export function parseSpan(text: string): SpanReading {
  const [first = '', second, ...more] = text.split(/\.\.+|…/)
  if (more.length > 0) return { ok: false, code: 'no-number' }
  const [low, high] = [parseReading(first), parseReading(second ?? first)]
  if (!low.ok) return low
  if (!high.ok) return high
  return second !== undefined && !high.value.isGreaterThan(low.value)
    ? { ok: false, code: 'not-rising' }
    : { ok: true, span: { low: low.value, high: high.value } }
}

/**
 * A whole number, a decimal with point or comma, a fraction, or a whole number and a
 * fraction; a sign in front counts for all of it. '3 7/8' is 31/8.
 */
function parseOne(text: string): Reading {
  const trimmed = text.trim().replace('\u2212', '-')
  if (trimmed.length > LONGEST_READING) return { ok: false, code: 'too-long' }
  const mixed = MIXED.exec(trimmed)
  if (mixed) {
    const [, sign, whole = '0', over = '0', under = '0'] = mixed
    if (Number(under) === 0) return { ok: false, code: 'divided-by-zero' }
    const size = rational(Number(whole)).add(rational(Number(over), Number(under)))
    return { ok: true, value: sign === '-' ? size.neg() : size }
  }
  if (!DECIMAL.test(trimmed)) return { ok: false, code: 'no-number' }
  const [whole = '', decimals = ''] = trimmed.split(/[.,]/)
  return {
    ok: true,
    value: rational(BigInt(`${whole}${decimals}`), 10n ** BigInt(decimals.length)),
  }
}
