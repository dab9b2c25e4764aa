/** Which way a box drives when it drives ahead. */
import type { Solver } from '../train/analysis.ts'
import { analyse } from '../train/analysis.ts'

/**
 * 1 where the output turns with the input ahead, −1 where it turns against it: what most of the
 * positions do that drive, those left out of keys aside.
 */
export function directionAhead(solver: Solver): 1 | -1 {
  const ratios = solver.box.draft.positions.flatMap(({ couplers, isHidden }) => {
    const analysis = isHidden === true ? undefined : analyse(solver, couplers)
    return analysis?.state === 'drive' ? [analysis.ratio] : []
  })
  return ratios.reduce((sum, ratio) => sum + ratio.sign(), 0) < 0 ? -1 : 1
}
