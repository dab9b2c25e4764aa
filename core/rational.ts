import { Fraction } from 'fraction.js'

/** An exact rational number over BigInt. */
export type Rational = Fraction

export const ZERO: Rational = new Fraction(0)
export const ONE: Rational = new Fraction(1)

/** `numerator / denominator`, reduced. Both are whole numbers; throws when the denominator is 0. */
export function rational(numerator: number | bigint, denominator: number | bigint = 1): Rational {
  return new Fraction(BigInt(numerator), BigInt(denominator))
}

export function isZero(value: Rational): boolean {
  return value.n === 0n
}

/** −1, 0 or 1. */
export function signOf(value: Rational): -1 | 0 | 1 {
  return value.n === 0n ? 0 : value.s < 0n ? -1 : 1
}

/** The nearest float, for showing only. */
export function toNumber(value: Rational): number {
  return value.valueOf()
}

/** Exact text such as "1258/315", "-5/2" or "4". */
export function formatFraction(value: Rational): string {
  return value.toFraction()
}
