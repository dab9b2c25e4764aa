/** The ratios of a box side by side. */
import type { Analysis, Drive, PositionAnalysis } from './analysis.ts'
import type { Box } from '../box/box.ts'
import { balancedBy } from '../box/links/index.ts'
import type { RatioFactor } from './path.ts'
import { ratioFactors } from './path.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, rational } from '../number/rational.ts'
import type { BoxDraft, FinalDrive } from '../box/types.ts'

/** A position in the table of ratios. */
export interface RatioRow extends PositionAnalysis {
  /** Turns of the input for one turn of the output; null where the position does not drive it. */
  readonly ratio: Rational | null
  /** What multiplies into the ratio; undefined where it is no product. */
  readonly factors: readonly RatioFactor[] | undefined
  /**
   * How much faster the input would have to turn than after a change to the next
   * position of the same sense: i / i_next − 1. Null where there is no next.
   */
  readonly stepToNext: Rational | null
  /** Down to the wheels: the ratio times the final drive's, or at the outputs of a box that holds it. */
  readonly overall: Rational | null
}

/** Turns of the pinion for one turn of the driven gear. */
export function finalDriveRatio(finalDrive: FinalDrive): Rational {
  return rational(finalDrive.drivenToothCount, finalDrive.drivingToothCount)
}

/**
 * `at` is the body whose turns are compared with the input's: an output, or a shaft on the
 * way to it, such as the pinion shaft of a transaxle; the first output that is driven where
 * none is named.
 */
export function compareRatios(
  positions: readonly PositionAnalysis[],
  draft: BoxDraft,
  at?: string,
): readonly RatioRow[] {
  const { finalDrive } = draft
  const isWithin = holdsFinalDrive(draft)
  const compared = positions.map(({ analysis }) => {
    if (analysis.state !== 'drive') return { ratio: null, factors: undefined }
    if (at === undefined) return analysis
    const motion = analysis.motions.get(at)
    const ratio = motion?.kind === 'turns' ? motion.speed.inverse() : null
    return { ratio, factors: ratio ? ratioFactors(analysis.path, at, ratio) : undefined }
  })
  return positions.map((entry, index) => {
    const { ratio, factors } = compared[index] ?? { ratio: null, factors: undefined }
    const next = compared[index + 1]?.ratio ?? null
    const isStep = ratio !== null && next !== null && ratio.sign() === next.sign()
    return {
      ...entry,
      ratio,
      factors,
      stepToNext: isStep ? ratio.div(next).sub(ONE) : null,
      overall: finalDrive
        ? (ratio?.mul(finalDriveRatio(finalDrive)) ?? null)
        : isWithin
          ? ratio && ratioOf(entry.analysis)
          : null,
    }
  })
}

/** Turns of the input for one turn of the first output driven. */
function ratioOf(analysis: Analysis): Rational | null {
  return analysis.state === 'drive' ? analysis.ratio : null
}

/** Whether a box holds its final drive: power leaves it by side shafts of a differential. */
export function holdsFinalDrive({ links, members, outputs }: BoxDraft): boolean {
  const isSideShaft = (body: string): boolean =>
    outputs.includes(body) && members.some(({ id, kind }) => id === body && kind === 'side-shaft')
  return links.some((link) => balancedBy(link)?.every(isSideShaft) === true)
}

/** The members that carry the power in every position that drives, and the outputs: where ratios can be read. */
export function ratioPlaces(box: Box, positions: readonly PositionAnalysis[]): readonly string[] {
  const { draft } = box
  const onWays = positions.flatMap(({ analysis }) =>
    analysis.state === 'drive'
      ? [new Set(analysis.path.flatMap(({ from, to }) => [...from, ...to].map(({ body }) => body)))]
      : [],
  )
  return draft.members
    .map(({ id }) => id)
    .filter((id) => id !== draft.input)
    .filter(
      (id) =>
        draft.outputs.includes(id) || (onWays.length > 0 && onWays.every((way) => way.has(id))),
    )
}

/**
 * The member whose gear drives the final drive that a box holds, in a position that drives;
 * undefined where it holds none, or where that member is the input.
 */
export function finalPinionShaft(
  draft: BoxDraft,
  { path }: Pick<Drive, 'path'>,
): string | undefined {
  if (!holdsFinalDrive(draft)) return undefined
  const lastMesh = path.findLast((step) =>
    [...step.from, ...step.to].every(({ gear }) => gear !== undefined),
  )
  const body = lastMesh?.from[0]?.body
  return body === draft.input ? undefined : body
}
