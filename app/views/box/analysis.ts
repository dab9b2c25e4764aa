import type { Analysis, BoxDraft, BoxIssue, PositionAnalysis, Solver } from 'core'
import { analyse, checkBox, oncePer, prepareSolver, toNumber } from 'core'

/** A draft with everything that the core says of it. */
export interface AnalysedBox {
  /** Undefined while the box does not hang together. */
  readonly solver: Solver | undefined
  readonly positions: readonly PositionAnalysis[]
  readonly issues: readonly BoxIssue[]
  /** The most torque that any part carries in any position, for one unit of input torque. */
  readonly fullTorque: number
}

/** Everything that the core says of a draft; found once for each. */
export const analyseDraft: (draft: BoxDraft) => AnalysedBox = oncePer((draft) => {
  const checked = checkBox(draft)
  if (!checked.ok)
    return { solver: undefined, positions: [], issues: checked.issues, fullTorque: 1 }
  const solver = prepareSolver(checked.box)
  const positions = draft.positions
    .filter(({ isHidden }) => !isHidden)
    .map((position) => ({ position, analysis: analyse(solver, position.couplers) }))
  return {
    solver,
    positions,
    issues: checked.warnings,
    fullTorque: Math.max(1, ...positions.map(({ analysis }) => mostTorque(analysis))),
  }
})

/** The most torque that any part carries, for one unit of input torque. */
export function mostTorque(analysis: Analysis): number {
  return analysis.state === 'drive'
    ? Math.max(0, ...analysis.stretches.map(({ torque }) => Math.abs(toNumber(torque))))
    : 0
}
