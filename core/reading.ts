/** What people write down: "3 7/8", "0.031", "0,79", exactly as it stands. */
import type { Rational } from './rational.ts'
import { rational } from './rational.ts'

export type ReadingProblem = 'no-number' | 'divided-by-zero' | 'too-long'

export type Reading =
  | { readonly ok: true; readonly value: Rational }
  | { readonly ok: false; readonly code: ReadingProblem }

/** No tool and no turn count gives more digits than this. */
const LONGEST_READING = 24

const MIXED = /^(-?)(?:(\d+)[ \u00a0+-]+)?(\d+)\s*\/\s*(\d+)$/
const DECIMAL = /^-?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/

/**
 * A whole number, a decimal with point or comma, a fraction, or a whole number and a
 * fraction; a sign in front counts for all of it. `parseReading('3 7/8')` is 31/8.
 */
export function parseReading(text: string): Reading {
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
