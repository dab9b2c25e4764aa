/**
 * Exact rational numbers. Nearly all figures of a gearbox are ratios of small whole
 * numbers, which plain numbers hold exactly: those take a fast lane here, and
 * whatever does not fit into it is left to fraction.js over BigInt. Both lanes are
 * exact; `npm run bench` shows what the fast one is for.
 */
import { Fraction } from 'fraction.js'

/** What integer instructions of a processor take: a remainder of floats costs many times as much. */
const MOST_INT32 = 2 ** 31 - 1

/** The greatest common divisor of two whole numbers that are not negative. */
function gcd(one: number, other: number): number {
  let [a, b] = [one, other]
  while (a > MOST_INT32 || b > MOST_INT32) {
    if (b === 0) return a
    ;[a, b] = [b, a % b]
  }
  return gcdOfInt32(a | 0, b | 0)
}

function gcdOfInt32(one: number, other: number): number {
  let [a, b] = [one, other]
  while (b !== 0) [a, b] = [b, (a % b) | 0]
  return a
}

/** Whether a whole number, or a product or sum of such, was computed without rounding. */
function isExact(whole: number): boolean {
  return whole <= Number.MAX_SAFE_INTEGER && whole >= -Number.MAX_SAFE_INTEGER
}

/** Bits of whole numbers that floats reach. */
const FLOAT_BITS = 1_000

function bitsOf(whole: bigint): number {
  return whole.toString(2).length
}

/** An exact rational number; immutable. Make one with `rational`. */
export class Rational {
  private constructor(
    /** Numerator, with the sign, in lowest terms; meaningless beside `wide`. */
    private readonly numerator: number,
    /** Denominator, positive, in lowest terms; meaningless beside `wide`. */
    private readonly denominator: number,
    /** The value, where it does not fit into plain numbers. */
    private readonly wide: Fraction | null,
  ) {}

  /** From a numerator and a positive denominator without common factor, both exact. */
  private static reduced(numerator: number, denominator: number): Rational {
    return new Rational(numerator, denominator, null)
  }

  private static narrowed(value: Fraction): Rational {
    const [n, d] = [Number(value.s * value.n), Number(value.d)]
    return isExact(n) && isExact(d) ? Rational.reduced(n, d) : new Rational(0, 1, value)
  }

  /** `numerator / denominator` of two whole numbers; throws when the denominator is 0. */
  static of(numerator: number | bigint, denominator: number | bigint): Rational {
    const [n, d] = [Number(numerator), Number(denominator)]
    if (d === 0) throw new Error(`a rational number cannot be ${numerator} / ${denominator}`)
    if (!isExact(n) || !isExact(d))
      return Rational.narrowed(new Fraction(BigInt(numerator), BigInt(denominator)))
    const divisor = gcd(Math.abs(n), Math.abs(d)) * Math.sign(d)
    return Rational.reduced(n / divisor, d / divisor)
  }

  private widened(): Fraction {
    return this.wide ?? new Fraction(BigInt(this.numerator), BigInt(this.denominator))
  }

  mul(other: Rational): Rational {
    if (!this.wide && !other.wide) {
      if (this.numerator === 1 && this.denominator === 1) return other
      if (other.numerator === 1 && other.denominator === 1) return this
      if (this.numerator === 0) return this
      if (other.numerator === 0) return other
      // Crosswise first, so that the products are in lowest terms already.
      const one = gcd(Math.abs(this.numerator), other.denominator)
      const two = gcd(Math.abs(other.numerator), this.denominator)
      const numerator = (this.numerator / one) * (other.numerator / two)
      const denominator = (this.denominator / two) * (other.denominator / one)
      if (isExact(numerator) && isExact(denominator))
        return Rational.reduced(numerator, denominator)
    }
    return Rational.narrowed(this.widened().mul(other.widened()))
  }

  add(other: Rational): Rational {
    if (!this.wide && !other.wide) {
      if (this.numerator === 0) return other
      if (other.numerator === 0) return this
      const left = this.numerator * other.denominator
      const right = other.numerator * this.denominator
      const numerator = left + right
      const denominator = this.denominator * other.denominator
      if (isExact(left) && isExact(right) && isExact(numerator) && isExact(denominator)) {
        const divisor = gcd(Math.abs(numerator), denominator)
        return Rational.reduced(numerator / divisor, denominator / divisor)
      }
    }
    return Rational.narrowed(this.widened().add(other.widened()))
  }

  neg(): Rational {
    // 0 − n and not −n, which would make a negative zero.
    return this.wide
      ? new Rational(0, 1, this.wide.neg())
      : Rational.reduced(0 - this.numerator, this.denominator)
  }

  sub(other: Rational): Rational {
    return this.add(other.neg())
  }

  /** 1 / this; throws for 0. */
  inverse(): Rational {
    if (this.wide) return Rational.narrowed(this.wide.inverse())
    if (this.numerator === 0) throw new Error('0 has no inverse')
    return this.numerator > 0
      ? Rational.reduced(this.denominator, this.numerator)
      : Rational.reduced(-this.denominator, -this.numerator)
  }

  div(other: Rational): Rational {
    return this.mul(other.inverse())
  }

  abs(): Rational {
    return this.sign() < 0 ? this.neg() : this
  }

  /** −1, 0 or 1. */
  sign(): -1 | 0 | 1 {
    const sign = this.wide ? (this.wide.n === 0n ? 0 : this.wide.s < 0n ? -1 : 1) : this.numerator
    return sign < 0 ? -1 : sign > 0 ? 1 : 0
  }

  isZero(): boolean {
    return this.wide === null && this.numerator === 0
  }

  isOne(): boolean {
    return this.wide === null && this.numerator === 1 && this.denominator === 1
  }

  equals(other: Rational): boolean {
    if (!this.wide && !other.wide)
      return this.numerator === other.numerator && this.denominator === other.denominator
    return this.widened().equals(other.widened())
  }

  isGreaterThan(other: Rational): boolean {
    return this.sub(other).sign() > 0
  }

  /** The nearest float, for showing only; infinite where no float is so large. */
  toNumber(): number {
    if (!this.wide) return this.numerator / this.denominator
    const { s, n, d } = this.wide
    // Both are cut to what a float holds, by as many bits as the longer one has too many.
    const excess = Math.max(bitsOf(n), bitsOf(d)) - FLOAT_BITS
    const cut = BigInt(Math.max(excess, 0))
    const [over, under] = [Number(n >> cut), Number(d >> cut)]
    if (over > 0 && under > 0) return Number(s) * (over / under)
    return under > 0 ? 0 : Number(s) * Infinity
  }

  /** Decimal text with so many decimals, rounded exactly; halves away from 0. */
  toFixed(decimals: number): string {
    const { s, n, d } = this.widened()
    const scale = 10n ** BigInt(decimals)
    const digits = ((2n * n * scale + d) / (2n * d)).toString().padStart(decimals + 1, '0')
    const whole = digits.slice(0, digits.length - decimals)
    const rest = decimals > 0 ? `.${digits.slice(-decimals)}` : ''
    return `${s < 0n && /[1-9]/.test(digits) ? '-' : ''}${whole}${rest}`
  }

  /** Exact text such as "1258/315", "-5/2" or "4". */
  toString(): string {
    if (this.wide) return this.wide.toFraction()
    return this.denominator === 1 ? `${this.numerator}` : `${this.numerator}/${this.denominator}`
  }
}

/** `numerator / denominator` of two whole numbers, reduced; throws when the denominator is 0. */
export function rational(numerator: number | bigint, denominator: number | bigint = 1): Rational {
  return Rational.of(numerator, denominator)
}

/** 0, which needs no new object each time. */
export const ZERO: Rational = rational(0)
/** 1, which needs no new object each time. */
export const ONE: Rational = rational(1)

/** Exact text such as "1258/315", "-5/2" or "4". */
export function formatFraction(value: Rational): string {
  return value.toString()
}

/** The number that such text stands for; throws for any other text. */
export function parseFraction(text: string): Rational {
  const [numerator = '', denominator = '1'] = text.split('/')
  return rational(BigInt(numerator), BigInt(denominator))
}

/** The nearest float, for showing only. */
export function toNumber(value: Rational): number {
  return value.toNumber()
}
