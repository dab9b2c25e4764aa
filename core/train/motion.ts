/**
 * All motions that a set of laws allows.
 *
 * Without laws every body turns as it likes: each is a freedom of its own. A law
 * Σ cᵢ·ωᵢ = 0, written in the freedoms that are left, either says nothing new or
 * takes one freedom away by expressing it in the others. After all laws, each
 * body's speed is a sum of rational multiples of the freedoms left over (a basis
 * of the null space of the law matrix, found by exact elimination).
 *
 * The freedom to be taken away is the one that `rank` puts last, so that a body
 * ranked first stays a freedom as long as anything else can be expressed in it.
 */
import type { Law } from './laws.ts'
import type { Rational } from '../number/rational.ts'
import { ONE } from '../number/rational.ts'

/** A speed as coefficients by freedom; a body that cannot turn has none. */
export type SpeedSum = ReadonlyMap<string, Rational>

export interface Motions {
  readonly speeds: ReadonlyMap<string, SpeedSum>
  /** Laws that took no freedom away: the others already imply them. */
  readonly redundant: readonly Law[]
}

/** Every body free by itself. */
export function freeMotions(bodies: readonly string[]): Motions {
  return { speeds: new Map(bodies.map((body) => [body, new Map([[body, ONE]])])), redundant: [] }
}

function addMultiple(sum: Map<string, Rational>, factor: Rational, addend: SpeedSum): void {
  for (const [freedom, coefficient] of addend) {
    const product = factor.mul(coefficient)
    const before = sum.get(freedom)
    const after = before === undefined ? product : before.add(product)
    if (after.isZero()) sum.delete(freedom)
    else sum.set(freedom, after)
  }
}

/**
 * The motions left when `laws` hold as well. Freedoms named earlier in `rank` are
 * kept longest; those not named go first.
 */
export function restrictMotions(
  motions: Motions,
  laws: readonly Law[],
  rank: readonly string[],
): Motions {
  const speeds = new Map(motions.speeds)
  const redundant = [...motions.redundant]
  for (const law of laws) {
    const relation = new Map<string, Rational>()
    for (const { body, coefficient } of law.terms) {
      const sum = speeds.get(body)
      if (!sum) throw new Error(`law "${law.source}" speaks of an unknown body "${body}"`)
      addMultiple(relation, coefficient, sum)
    }
    const pivot = lastRanked(relation, rank)
    if (pivot === undefined) {
      redundant.push(law)
      continue
    }
    const [freedom, divisor] = pivot
    relation.delete(freedom)
    const expressed = new Map<string, Rational>()
    addMultiple(expressed, divisor.inverse().neg(), relation)
    for (const [body, sum] of speeds) {
      const multiple = sum.get(freedom)
      if (multiple === undefined) continue
      const next = new Map(sum)
      next.delete(freedom)
      addMultiple(next, multiple, expressed)
      speeds.set(body, next)
    }
  }
  return { speeds, redundant }
}

function lastRanked(relation: SpeedSum, rank: readonly string[]): [string, Rational] | undefined {
  let last: [string, Rational] | undefined
  let lastRank = -1
  for (const [freedom, coefficient] of relation) {
    const place = rank.indexOf(freedom)
    const ranked = place < 0 ? rank.length : place
    if (ranked > lastRank) {
      last = [freedom, coefficient]
      lastRank = ranked
    }
  }
  return last
}
