/** A second solver: what can move at all, by the singular values of a general-purpose package. */
import { Matrix, SVD } from 'ml-matrix'

import type { Analysis } from '../train/analysis.ts'
import type { CouplerPlaces } from '../box/box.ts'
import type { Law } from '../train/laws.ts'
import { engagedLaws, standingLaws } from '../train/laws.ts'
import { toNumber } from '../number/rational.ts'
import type { BoxDraft } from '../box/types.ts'
import { boxOf } from './boxes.ts'

/** Smaller singular values count as 0. Coefficients are whole and under 200, so real ones are far larger. */
const RANK_TOLERANCE = 1e-9

/** The coefficients of a law, body by body, as floats. */
export function lawRow(law: Law, bodies: readonly string[]): number[] {
  return bodies.map((body) =>
    law.terms
      .filter((term) => term.body === body)
      .reduce((sum, term) => sum + toNumber(term.coefficient), 0),
  )
}

type Row = readonly number[]

function rankOf(rows: readonly Row[]): number {
  const filled = rows.filter((row) => row.length > 0).map((row) => [...row])
  if (filled.length === 0) return 0
  return new SVD(new Matrix(filled), { autoTranspose: true }).diagonal.filter(
    (value) => value > RANK_TOLERANCE,
  ).length
}

/** Whether a row is a sum of multiples of others. */
function isSpanned(row: Row, by: readonly Row[]): boolean {
  return rankOf([...by, row]) === rankOf(by)
}

/** How each body moves in each of the independent motions that the rows allow. */
function motionsOf(rows: readonly Row[], bodies: readonly string[]): (body: string) => Row {
  const padded = rows.map((row) => [...row])
  // Rows of zeros make the matrix tall enough for a full set of right singular vectors.
  while (padded.length < bodies.length) padded.push(bodies.map(() => 0))
  const svd = new SVD(new Matrix(padded), { autoTranspose: true })
  const vectors = svd.rightSingularVectors
  const free = svd.diagonal.flatMap((value, at) => (value < RANK_TOLERANCE ? [at] : []))
  return (body) => free.map((at) => vectors.get(bodies.indexOf(body), at))
}

const norm = (row: Row): number => Math.hypot(...row)
const dot = (one: Row, other: Row): number =>
  one.reduce((sum, value, at) => sum + value * (other[at] ?? 0), 0)

interface FloatVerdict {
  readonly state: Analysis['state']
  /** Turns of the input for one of the first output that it turns. */
  readonly ratio?: number
}

/**
 * What the motions say of the input and the outputs. An output follows the input alone where
 * the two move in proportion; the input is tied to outputs at all where it is a sum of theirs.
 */
function judgeRows(
  motion: (body: string) => Row,
  { input, outputs }: Pick<BoxDraft, 'input' | 'outputs'>,
): FloatVerdict {
  const turned = motion(input)
  const driven = outputs.map(motion).filter((row) => norm(row) > RANK_TOLERANCE)
  if (norm(turned) <= RANK_TOLERANCE)
    return { state: driven.length > 0 ? 'input-locked' : 'locked' }
  if (driven.length === 0) return { state: 'output-locked' }
  const isFollowing = (row: Row): boolean =>
    1 - Math.abs(dot(turned, row)) / norm(turned) / norm(row) < RANK_TOLERANCE
  const others = driven.filter((row) => !isFollowing(row))
  if (isSpanned(turned, others)) return { state: 'undetermined' }
  const first = driven.find(isFollowing)
  return first
    ? { state: 'drive', ratio: Math.sign(dot(turned, first)) * (norm(turned) / norm(first)) }
    : { state: 'neutral' }
}

/** The bodies reached from one over rows that touch both. */
function spread(rows: readonly Row[], start: number): ReadonlySet<number> {
  const reached = new Set([start])
  for (const _ of rows)
    for (const row of rows)
      if (row.some((value, at) => value !== 0 && reached.has(at)))
        row.forEach((value, at) => value !== 0 && reached.add(at))
  return reached
}

/**
 * What input and outputs can do together at these places, by singular values; where that is
 * left open, with the sides of differentials alike that each lead to outputs of their own. Where
 * no output turns then, they only turn against each other, which locks them on the road.
 */
export function classifyByFloats(draft: BoxDraft, places: CouplerPlaces): FloatVerdict {
  const box = boxOf(draft)
  const { bodies } = box
  const laws = [...standingLaws(box), ...engagedLaws(box, places)]
  const rows = laws.map((law) => lawRow(law, bodies))
  const strict = judgeRows(motionsOf(rows, bodies), draft)
  if (strict.state !== 'undetermined' && strict.state !== 'neutral') return strict
  const at = (body: string): number => bodies.indexOf(body)
  const alike: Row[] = []
  for (const link of draft.links) {
    if (link.kind !== 'differential') continue
    const others = rows.filter((_, index) => laws[index]?.source !== link.id)
    const [left, right] = [link.left, link.right].map((side) => spread(others, at(side)))
    if (!left || !right || left.has(at(draft.input)) || right.has(at(draft.input))) continue
    if (left.has(at(link.right))) continue
    const lefts = draft.outputs.filter((output) => left.has(at(output)))
    const rights = draft.outputs.filter((output) => right.has(at(output)))
    if (new Set([...lefts, ...rights]).size < 2 || lefts.length === 0 || rights.length === 0)
      continue
    const row = bodies.map((body) => Number(body === link.left) - Number(body === link.right))
    const so = [...rows, ...alike]
    if (isSpanned(row, so)) continue
    if (strict.state === 'neutral') {
      // One whose case is tied to a side past it is no open differential.
      if (left.has(at(link.case)) || right.has(at(link.case))) return strict
      alike.push(row)
    } else if (norm(motionsOf([...so, row], bodies)(draft.input)) > RANK_TOLERANCE) alike.push(row)
  }
  if (strict.state === 'neutral') {
    const turned = motionsOf([...rows, ...alike], bodies)
    const canTurn = draft.outputs.some((output) => norm(turned(output)) > RANK_TOLERANCE)
    return canTurn ? strict : { state: 'output-locked' }
  }
  const assumed = judgeRows(motionsOf([...rows, ...alike], bodies), draft)
  return assumed.state === 'drive' ? assumed : strict
}
