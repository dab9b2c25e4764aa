/** A second solver: what can move at all, by the singular values of a general-purpose package. */
import { Matrix, SVD } from 'ml-matrix'

import type { Analysis } from '../analysis.ts'
import type { CouplerPlaces } from '../box.ts'
import type { Law } from '../laws.ts'
import { engagedLaws, standingLaws } from '../laws.ts'
import { toNumber } from '../rational.ts'
import type { BoxDraft } from '../types.ts'
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

/** What input and the first output can do together at these places, by singular values. */
export function classifyByFloats(
  draft: BoxDraft,
  places: CouplerPlaces,
): { state: Analysis['state']; ratio?: number } {
  const box = boxOf(draft)
  const laws = [...standingLaws(box), ...engagedLaws(box, places)]
  const rows = laws.map((law) => lawRow(law, box.bodies))
  // Rows of zeros make the matrix tall enough for a full set of right singular vectors.
  while (rows.length < box.bodies.length) rows.push(box.bodies.map(() => 0))
  const svd = new SVD(new Matrix(rows), { autoTranspose: true })
  const vectors = svd.rightSingularVectors
  const free = svd.diagonal.flatMap((value, at) => (value < RANK_TOLERANCE ? [at] : []))
  const [input, output] = [draft.input, draft.outputs[0] ?? ''].map((body) =>
    free.map((at) => vectors.get(box.bodies.indexOf(body), at)),
  )
  const norm = (vector: readonly number[] = []): number => Math.hypot(...vector)
  const dot = (one: readonly number[] = [], other: readonly number[] = []): number =>
    one.reduce((sum, value, at) => sum + value * (other[at] ?? 0), 0)
  const [moves, follows] = [norm(input) > RANK_TOLERANCE, norm(output) > RANK_TOLERANCE]
  if (!moves) return { state: follows ? 'input-locked' : 'locked' }
  if (!follows) return { state: 'output-locked' }
  const cosine = dot(input, output) / norm(input) / norm(output)
  const isParallel = 1 - Math.abs(cosine) < RANK_TOLERANCE
  return isParallel
    ? { state: 'drive', ratio: Math.sign(cosine) * (norm(input) / norm(output)) }
    : { state: 'neutral' }
}
