/** What a change can break, of what follows from its counts. Each is a caution of the trade. */
import { couplersWithRings, isClutch } from '../box/couplers.ts'
import { toNumber } from '../number/rational.ts'
import type { Solver } from '../train/analysis.ts'
import { analyse } from '../train/analysis.ts'
import { fullPlaces } from '../train/combinations.ts'

import { directionAhead } from './ahead.ts'
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

/** What the ratio of a box’s lowest forward position is that of. */
function isLowest(solver: Solver, positionId: string): boolean {
  const { draft } = solver.box
  const ahead = directionAhead(solver)
  const forward = draft.positions.flatMap(({ id, couplers, isHidden }) => {
    const state =
      isHidden === true ? undefined : analyse(solver, fullPlaces(draft.couplers, couplers))
    return state?.state === 'drive' && state.ratio.sign() === ahead
      ? [{ id, ratio: Math.abs(toNumber(state.ratio)) }]
      : []
  })
  const most = Math.max(...forward.map(({ ratio }) => ratio))
  return forward.length > 1 && forward.some(({ id, ratio }) => id === positionId && ratio === most)
}

/** The cautions of a change with the input at a speed before it, worst first. */
export function changeCautions(
  solver: Solver,
  { to, steps, matches, inputSpeed }: GearChange,
  inputRpm: number,
): readonly ChangeCaution[] {
  const { draft } = solver.box
  const mostRpm = draft.mostInputRpm ?? null
  const after = inputSpeed ? toNumber(inputSpeed) : 0
  const rpm = after * inputRpm
  const isMatched = steps.some(({ kind }) => kind === 'match' || kind === 'stand')
  const braked = new Set(steps.flatMap((step) => (step.kind === 'ring' ? [step.coupler.id] : [])))
  const unlike = matches.filter(({ coupler, ...match }) => {
    const slip = greatestSlip({ coupler, ...match })
    return !isClutch(coupler) && !braked.has(coupler.id) && slip !== null && !slip.isZero()
  })
  return [
    ...(after < 0 ? [{ kind: 'backwards' as const }] : []),
    ...(mostRpm !== null && rpm > mostRpm ? [{ kind: 'overspeed' as const, rpm, mostRpm }] : []),
    ...(isMatched ? [] : unlike.map((match) => ({ kind: 'unlike' as const, match }))),
    ...(after > 1 && isLowest(solver, to.id) ? [{ kind: 'lowest-rolling' as const, rpm }] : []),
    ...(couplersWithRings(draft).size > 0 && braked.size > 0
      ? [{ kind: 'may-balk' as const }]
      : []),
  ]
}
