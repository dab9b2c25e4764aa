/**
 * Torque in every link.
 *
 * With the laws written A·ω = 0, virtual work gives the balance of every body:
 * Aᵀ·λ + τ = 0, where τ is the torque put on the bodies from outside and λ has
 * one number a law: the torque of law l on body b is λ_l·c_lb (for a mesh, λ is
 * the tooth force times half the module). The balance can be met whenever τ does
 * no work in any motion that the laws allow.
 *
 * Where a body is touched by one law whose λ is still unknown, that λ follows at
 * once; most boxes are solved by that alone. What remains are parallel load
 * paths, where the balance has many solutions: the one with the least Σ λ² is
 * taken, which shares equally between equal paths. With B = Aᵀ it is λ = Bᵀ·y,
 * (B·Bᵀ)·y = −τ; the matrix may be singular, and then a zero pivot's y is 0.
 */
import type { Law } from './laws.ts'
import type { Rational } from './rational.ts'
import { ZERO } from './rational.ts'

export interface Statics {
  /** λ of each law. */
  readonly multipliers: ReadonlyMap<Law, Rational>
  /** Laws among which the load was shared by assumption. */
  readonly shared: readonly Law[]
}

/**
 * Balances `load` (torque from outside by body id, in multiples of one unit).
 * Throws when no torques in the laws can balance it.
 */
export function solveStatics(laws: readonly Law[], load: ReadonlyMap<string, Rational>): Statics {
  const rest = new Map(load)
  const multipliers = new Map<Law, Rational>()
  const open = new Set(laws)

  const lawsAt = new Map<string, Set<Law>>()
  for (const law of laws)
    for (const { body } of law.terms) {
      const at = lawsAt.get(body)
      if (at) at.add(law)
      else lawsAt.set(body, new Set([law]))
    }

  const settle = (law: Law, multiplier: Rational): void => {
    multipliers.set(law, multiplier)
    open.delete(law)
    for (const { body, coefficient } of law.terms) {
      if (!multiplier.isZero())
        rest.set(body, (rest.get(body) ?? ZERO).add(multiplier.mul(coefficient)))
      lawsAt.get(body)?.delete(law)
    }
  }

  const queue = [...lawsAt.keys()]
  for (let body = queue.pop(); body !== undefined; body = queue.pop()) {
    const at = lawsAt.get(body)
    const only = at?.size === 1 ? [...at][0] : undefined
    const term = only?.terms.find((candidate) => candidate.body === body)
    if (!only || !term) continue
    const torque = rest.get(body) ?? ZERO
    settle(only, torque.isZero() ? ZERO : torque.div(term.coefficient).neg())
    for (const touched of only.terms) queue.push(touched.body)
  }

  const shared = [...open]
  for (const [law, multiplier] of leastSquares(shared, rest)) settle(law, multiplier)

  for (const [body, torque] of rest)
    if (!torque.isZero()) throw new Error(`no torque in the laws balances body "${body}"`)
  return { multipliers, shared }
}

function leastSquares(
  laws: readonly Law[],
  load: ReadonlyMap<string, Rational>,
): Map<Law, Rational> {
  const bodies = [...new Set(laws.flatMap((law) => law.terms.map(({ body }) => body)))]
  const rowOf = new Map(bodies.map((body, row) => [body, row]))
  const size = bodies.length
  const matrix = bodies.map(() => new Array<Rational>(size).fill(ZERO))
  for (const { terms } of laws)
    for (const one of terms)
      for (const other of terms) {
        const row = matrix[rowOf.get(one.body) ?? -1]
        const column = rowOf.get(other.body) ?? -1
        if (row) row[column] = (row[column] ?? ZERO).add(one.coefficient.mul(other.coefficient))
      }
  const solution = solveSymmetric(
    matrix,
    bodies.map((body) => (load.get(body) ?? ZERO).neg()),
  )
  return new Map(
    laws.map((law) => [
      law,
      law.terms.reduce(
        (sum, { body, coefficient }) =>
          sum.add((solution[rowOf.get(body) ?? -1] ?? ZERO).mul(coefficient)),
        ZERO,
      ),
    ]),
  )
}

/** Solves a positive semidefinite system by elimination; unknowns without a pivot are 0. */
function solveSymmetric(matrix: readonly Rational[][], right: Rational[]): Rational[] {
  const size = right.length
  const at = (row: number, column: number): Rational => matrix[row]?.[column] ?? ZERO
  for (let k = 0; k < size; k++) {
    const pivot = at(k, k)
    if (pivot.isZero()) continue
    for (let row = k + 1; row < size; row++) {
      const entries = matrix[row]
      if (!entries || at(row, k).isZero()) continue
      const factor = at(row, k).div(pivot)
      for (let column = k; column < size; column++)
        if (!at(k, column).isZero())
          entries[column] = at(row, column).sub(factor.mul(at(k, column)))
      right[row] = (right[row] ?? ZERO).sub(factor.mul(right[k] ?? ZERO))
    }
  }
  const solution = new Array<Rational>(size).fill(ZERO)
  for (let k = size - 1; k >= 0; k--) {
    if (at(k, k).isZero()) continue
    let value = right[k] ?? ZERO
    for (let column = k + 1; column < size; column++)
      if (!at(k, column).isZero()) value = value.sub(at(k, column).mul(solution[column] ?? ZERO))
    solution[k] = value.div(at(k, k))
  }
  return solution
}
