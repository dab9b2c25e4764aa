/** What a change can break, of what follows from its counts. Each is a caution of the trade. */
import { isClutch } from '../box/couplers.ts'
import { toNumber } from '../number/rational.ts'
import type { Solver } from '../train/analysis.ts'

import { positionsAhead } from './ahead.ts'
import type { GearChange } from './change.ts'
import type { Match } from './match.ts'
import { greatestSlip } from './match.ts'

/** Something to say before somebody tries it. */
export type ChangeCaution =
  /** The other way round while the vehicle rolls. */
  | { readonly kind: 'backwards' }
  /** The engine is turned faster than it bears. */
  | { readonly kind: 'overspeed'; readonly rpm: number; readonly mostRpm: number }
  /** Teeth or dogs meet while their sides turn unlike, and nothing brings them together. */
  | { readonly kind: 'unlike'; readonly match: Match }
  /** The lowest gear while the vehicle rolls, so that the input has to be sped up. */
  | { readonly kind: 'lowest-rolling'; readonly rpm: number }
  /** A ring can hold the lever up. */
  | { readonly kind: 'may-balk' }

/** Whether a position is the one of several that drive ahead in which the input turns most. */
function isLowest(solver: Solver, positionId: string): boolean {
  const turns = positionsAhead(solver).map(({ position, ratio }) => ({
    id: position.id,
    most: Math.abs(ratio),
  }))
  const most = Math.max(...turns.map((each) => each.most))
  return turns.length > 1 && turns.some((each) => each.id === positionId && each.most === most)
}

/** The cautions of a change with the input at a speed, in rev/min, before it, worst first (common practice). */
export function changeCautions(
  solver: Solver,
  { to, steps, matches, inputSpeed }: GearChange,
  inputRpm: number,
): readonly ChangeCaution[] {
  const mostRpm = solver.box.draft.mostInputRpm ?? null
  const after = inputSpeed ? toNumber(inputSpeed) : 0
  const rpm = after * inputRpm
  const isMatched = steps.some(({ kind }) => kind === 'match' || kind === 'stand')
  const braked = new Set(steps.flatMap((step) => (step.kind === 'ring' ? [step.coupler.id] : [])))
  const unlike = matches.filter((match) => {
    const slip = greatestSlip(match)
    const isBraked = isClutch(match.coupler) || braked.has(match.coupler.id)
    return !isBraked && slip !== null && !slip.isZero()
  })
  return [
    ...(after < 0 ? [{ kind: 'backwards' as const }] : []),
    ...(mostRpm !== null && rpm > mostRpm ? [{ kind: 'overspeed' as const, rpm, mostRpm }] : []),
    ...(isMatched ? [] : unlike.map((match) => ({ kind: 'unlike' as const, match }))),
    ...(after > 1 && isLowest(solver, to.id) ? [{ kind: 'lowest-rolling' as const, rpm }] : []),
    ...(braked.size > 0 ? [{ kind: 'may-balk' as const }] : []),
  ]
}
