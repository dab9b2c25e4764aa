import type { Analysis, BoxDraft, BoxIssue, CheckedBox, PositionAnalysis } from 'core'
import { analyseBox, checkBox, toNumber } from 'core'

/** A draft with everything that the core says of it. */
export interface AnalysedBox {
  readonly checked: CheckedBox
  readonly positions: readonly PositionAnalysis[]
  readonly issues: readonly BoxIssue[]
  /** The most torque that any part carries in any position, for one unit of input torque. */
  readonly fullTorque: number
}

export function analyseDraft(draft: BoxDraft): AnalysedBox {
  const checked = checkBox(draft)
  const positions = checked.ok
    ? analyseBox(checked.box).filter(({ position }) => !position.isHidden)
    : []
  return {
    checked,
    positions,
    issues: checked.ok ? checked.warnings : checked.issues,
    fullTorque: Math.max(1, ...positions.map(({ analysis }) => mostTorque(analysis))),
  }
}

/** The most torque that any part carries, for one unit of input torque. */
export function mostTorque(analysis: Analysis): number {
  return analysis.state === 'drive'
    ? Math.max(0, ...analysis.stretches.map(({ torque }) => Math.abs(toNumber(torque))))
    : 0
}
