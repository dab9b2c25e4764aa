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
 * once; most boxes are solved by that alone. What remains is eliminated: with p
 * one solution and the columns of N the multipliers that balance without any load,
 * all solutions are p + N·z. Where N is not empty there are parallel load paths,
 * and the solution with the least Σ λ² is taken, (Nᵀ·N)·z = −Nᵀ·p, which shares
 * equally between equal paths.
 *
 * A share that a person sets is one balance more: torques t_i and t_j that two laws
 * put on a body are to be as s_i : s_j, so t_i·s_j − t_j·s_i = 0, which is the row of
 * a body that does not exist.
 */
import type { Law } from './laws.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, ZERO } from '../number/rational.ts'

/** How several links divide the load of one body among themselves. */
export interface Share {
  readonly body: string
  /** Id of each law, and its part of the load in any one unit. */
  readonly parts: readonly { readonly law: string; readonly part: Rational }[]
}

export interface Statics {
  /** λ of each law. */
  readonly multipliers: ReadonlyMap<Law, Rational>
  /**
   * The laws among which the load was shared by assumption, each with its entry in every
   * column of N: what it takes on when load moves from one path to another.
   */
  readonly shared: ReadonlyMap<Law, readonly Rational[]>
}

interface Unknown {
  readonly law: Law
  readonly entries: readonly { readonly row: string; readonly coefficient: Rational }[]
}

/**
 * Balances `load` (torque from outside by body id, in multiples of one unit), with
 * the given shares held to. Undefined when no torques in the laws can do it.
 */
export function solveStatics(
  laws: readonly Law[],
  load: ReadonlyMap<string, Rational>,
  shares: readonly Share[] = [],
): Statics | undefined {
  const rest = new Map(load)
  const multipliers = new Map<Law, Rational>()
  const unknowns = laws.map((law): Unknown => ({ law, entries: entriesOf(law, shares) }))
  const open = new Set(unknowns)

  const unknownsAt = new Map<string, Set<Unknown>>()
  for (const unknown of unknowns)
    for (const { row } of unknown.entries) {
      const at = unknownsAt.get(row)
      if (at) at.add(unknown)
      else unknownsAt.set(row, new Set([unknown]))
    }

  const settle = (unknown: Unknown, multiplier: Rational): void => {
    multipliers.set(unknown.law, multiplier)
    open.delete(unknown)
    for (const { row, coefficient } of unknown.entries) {
      if (!multiplier.isZero())
        rest.set(row, (rest.get(row) ?? ZERO).add(multiplier.mul(coefficient)))
      unknownsAt.get(row)?.delete(unknown)
    }
  }

  const queue = [...unknownsAt.keys()]
  for (let row = queue.pop(); row !== undefined; row = queue.pop()) {
    const at = unknownsAt.get(row)
    if (at?.size !== 1) continue
    const [only] = at
    const entry = only?.entries.find((candidate) => candidate.row === row)
    if (!only || !entry) continue
    const torque = rest.get(row) ?? ZERO
    settle(only, torque.isZero() ? ZERO : torque.div(entry.coefficient).neg())
    for (const touched of only.entries) queue.push(touched.row)
  }

  const left = [...open]
  const { solution, idle } = left.length > 0 ? leastSquares(left, rest) : NOTHING_LEFT
  left.forEach((unknown, at) => {
    settle(unknown, solution[at] ?? ZERO)
  })
  for (const torque of rest.values()) if (!torque.isZero()) return undefined
  const shared = new Map<Law, readonly Rational[]>()
  left.forEach(({ law }, at) => {
    const entries = idle.map((column) => column[at] ?? ZERO)
    if (entries.some((entry) => !entry.isZero())) shared.set(law, entries)
  })
  return { multipliers, shared }
}

function entriesOf(law: Law, shares: readonly Share[]): Unknown['entries'] {
  const entries = law.terms.map(({ body, coefficient }) => ({ row: body, coefficient }))
  for (const { body, parts } of shares) {
    const at = parts.findIndex((each) => each.law === law.id)
    const coefficient = law.terms.find((term) => term.body === body)?.coefficient
    if (at < 0 || !coefficient) continue
    const [before, after] = [parts[at - 1], parts[at + 1]]
    if (before)
      entries.push({ row: shareRow(body, at), coefficient: coefficient.mul(before.part).neg() })
    if (after)
      entries.push({ row: shareRow(body, at + 1), coefficient: coefficient.mul(after.part) })
  }
  return entries
}

/** The name of a row that is no body's: ids are one line. */
function shareRow(body: string, at: number): string {
  return `share\n${body}\n${at}`
}

const NOTHING_LEFT: ReturnType<typeof leastSquares> = { solution: [], idle: [] }

/** The least solution, and the multipliers that balance without a load, column by column. */
function leastSquares(
  unknowns: readonly Unknown[],
  load: ReadonlyMap<string, Rational>,
): {
  readonly solution: readonly Rational[]
  readonly idle: readonly (readonly Rational[])[]
} {
  const size = unknowns.length
  const rows = new Map<string, Rational[]>()
  unknowns.forEach(({ entries }, at) => {
    for (const { row, coefficient } of entries) {
      let line = rows.get(row)
      if (!line) {
        line = new Array<Rational>(size + 1).fill(ZERO)
        line[size] = (load.get(row) ?? ZERO).neg()
        rows.set(row, line)
      }
      line[at] = (line[at] ?? ZERO).add(coefficient)
    }
  })
  const { lines, pivots } = reduce([...rows.values()], size)
  const free = unknowns.map((_, at) => at).filter((at) => !pivots.includes(at))
  const particular = new Array<Rational>(size).fill(ZERO)
  pivots.forEach((pivot, at) => {
    particular[pivot] = lines[at]?.[size] ?? ZERO
  })
  const idle = free.map((freed) => {
    const column = new Array<Rational>(size).fill(ZERO)
    column[freed] = ONE
    pivots.forEach((pivot, at) => {
      column[pivot] = (lines[at]?.[freed] ?? ZERO).neg()
    })
    return column
  })
  const amounts = reduce(
    idle.map((one) => [...idle.map((other) => dot(one, other)), dot(one, particular).neg()]),
    idle.length,
  ).lines.map((line) => line[idle.length] ?? ZERO)
  return {
    solution: particular.map((value, at) =>
      idle.reduce((sum, column, which) => {
        const entry = column[at] ?? ZERO
        return entry.isZero() ? sum : sum.add(entry.mul(amounts[which] ?? ZERO))
      }, value),
    ),
    idle,
  }
}

function dot(one: readonly Rational[], other: readonly Rational[]): Rational {
  return one.reduce((sum, value, at) => {
    const factor = other[at] ?? ZERO
    return value.isZero() || factor.isZero() ? sum : sum.add(value.mul(factor))
  }, ZERO)
}

/** Gauss-Jordan elimination of lines whose last entry is the right-hand side. */
function reduce(
  lines: Rational[][],
  unknownCount: number,
): { readonly lines: readonly Rational[][]; readonly pivots: readonly number[] } {
  const pivots: number[] = []
  for (let column = 0; column < unknownCount; column++) {
    const done = pivots.length
    const found = lines.findIndex((line, at) => at >= done && !(line[column] ?? ZERO).isZero())
    const pivotLine = lines[found]
    if (!pivotLine) continue
    const inverse = (pivotLine[column] ?? ONE).inverse()
    const scaled = pivotLine.map((entry) => (entry.isZero() ? entry : entry.mul(inverse)))
    lines[found] = lines[done] ?? scaled
    lines[done] = scaled
    lines.forEach((line, at) => {
      const factor = line[column] ?? ZERO
      if (at === done || factor.isZero()) return
      scaled.forEach((entry, place) => {
        if (!entry.isZero()) line[place] = (line[place] ?? ZERO).sub(factor.mul(entry))
      })
    })
    pivots.push(column)
  }
  return { lines, pivots }
}
