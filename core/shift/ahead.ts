/** Which way a box drives when it drives ahead, and by which positions. */
import { oncePer } from '../box/oncePer.ts'
import type { BoxPosition } from '../box/types.ts'
import { toNumber } from '../number/rational.ts'
import type { Solver } from '../train/analysis.ts'
import { analyse } from '../train/analysis.ts'

/** A position that drives, with its turns of the input for one of the output. */
export interface DrivingPosition {
  readonly position: BoxPosition
  readonly ratio: number
}

/** The positions that drive, those left out of keys aside; below 0 where the output turns against the input. */
const drivingPositions = oncePer((solver: Solver): readonly DrivingPosition[] =>
  solver.box.draft.positions.flatMap((position) => {
    const analysis = position.isHidden === true ? undefined : analyse(solver, position.couplers)
    return analysis?.state === 'drive' ? [{ position, ratio: toNumber(analysis.ratio) }] : []
  }),
)

/**
 * 1 where the output turns with the input ahead, −1 where it turns against it: what most of the
 * positions do that drive, those left out of keys aside.
 */
export function directionAhead(solver: Solver): 1 | -1 {
  const sum = drivingPositions(solver).reduce((all, { ratio }) => all + Math.sign(ratio), 0)
  return sum < 0 ? -1 : 1
}

/** The positions that drive ahead, in their order. */
export function positionsAhead(solver: Solver): readonly DrivingPosition[] {
  const ahead = directionAhead(solver)
  return drivingPositions(solver).filter(({ ratio }) => Math.sign(ratio) === ahead)
}
