/** The ratios of a box side by side. */
import type { PositionAnalysis } from './analysis.ts'
import type { Rational } from './rational.ts'
import { ONE, rational } from './rational.ts'
import type { FinalDrive } from './types.ts'

export interface RatioRow extends PositionAnalysis {
  /** Turns of the input for one turn of the output; null where the position does not drive. */
  readonly ratio: Rational | null
  /**
   * How much faster the input would have to turn than after a change to the next
   * position of the same sense: i / i_next − 1. Null where there is no next.
   */
  readonly stepToNext: Rational | null
  /** The ratio times the final drive's; null without a final drive. */
  readonly overall: Rational | null
}

/** Turns of the pinion for one turn of the driven gear. */
export function finalDriveRatio(finalDrive: FinalDrive): Rational {
  return rational(finalDrive.drivenToothCount, finalDrive.drivingToothCount)
}

export function compareRatios(
  positions: readonly PositionAnalysis[],
  finalDrive: FinalDrive | null,
): readonly RatioRow[] {
  const ratios = positions.map(({ analysis }) =>
    analysis.state === 'drive' ? analysis.ratio : null,
  )
  return positions.map((entry, at) => {
    const ratio = ratios[at] ?? null
    const next = ratios[at + 1] ?? null
    const isStep = ratio !== null && next !== null && ratio.sign() === next.sign()
    return {
      ...entry,
      ratio,
      stepToNext: isStep ? ratio.div(next).sub(ONE) : null,
      overall: ratio && finalDrive ? ratio.mul(finalDriveRatio(finalDrive)) : null,
    }
  })
}
