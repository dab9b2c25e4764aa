/** What is checked at the bench when a unit is together, as far as turning has shown it. */
import type { BoxDraft, Job, JudgedCheck, Rational } from 'core'
import { judgeChecks, rational } from 'core'

import { analyseDraft } from '~/views/box/analysis.ts'
import { shortResult } from '~/words/results.ts'

/** The output is turned so often. */
const TURNS_OUT = 10

export interface BenchCheckRow {
  readonly label: string
  readonly ratio: string
  /** Turns of the input for ten of the output; null where nothing is driven. */
  readonly inputTurns: Rational | null
  /** Whether the output turns against the input. */
  readonly isReverse: boolean
  /** The latest that was turned in it. */
  readonly turned: JudgedCheck | undefined
}

/** One line for every position that can be selected. */
export function benchCheckOf(draft: BoxDraft, job: Job): readonly BenchCheckRow[] {
  const { positions, solver } = analyseDraft(draft)
  const judged = solver
    ? judgeChecks(
        solver.box,
        job.checks.map(({ check }) => check),
      )
    : []
  return positions
    .filter(({ position }) => position.isHidden !== true)
    .map(({ position, analysis }) => {
      const ratio = analysis.state === 'drive' ? analysis.ratio : null
      return {
        label: position.label,
        ratio: shortResult(analysis),
        inputTurns: ratio ? ratio.abs().mul(rational(TURNS_OUT)) : null,
        isReverse: ratio !== null && ratio.sign() < 0,
        turned: judged.findLast(({ check }) => check.position === position.id),
      }
    })
}

/** What was turned in a position, and whether that is what the counts make of it. */
export function turnedOutcome({ turned }: BenchCheckRow): string | null {
  if (!turned) return null
  const { check, isAgreed } = turned
  const outcome = isAgreed === true ? 'agrees' : isAgreed === false ? 'disagrees' : 'not compared'
  return `${check.inputTurns.toFixed(2)} turns in, ${check.outputTurns.toFixed(2)} out: ${outcome}`
}
