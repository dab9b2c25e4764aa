/**
 * Why a combination of couplers locks: the smallest set of engaged couplers that
 * already locks the box, and what they ask of one body.
 *
 * Couplers that have no centre are always one way or the other and belong to the box
 * here. Sets are tried by size, so the first that locks is a smallest one; whatever is
 * taken out of it sets the box free. Two of its couplers, or its one coupler and
 * the rest of the box, then ask two speeds of a body: the one that it has without
 * the first, and the one that it has without the second.
 */
import type { Analysis, Solver } from './analysis.ts'
import { analyse } from './analysis.ts'
import type { CouplerPlaces } from '../box/box.ts'
import { centreOf, placeOf } from '../box/box.ts'
import type { Rational } from '../number/rational.ts'
import { ZERO } from '../number/rational.ts'

/** A speed that a coupler asks of a body, in turns for one turn of the input. */
interface Demand {
  readonly coupler: string
  readonly speed: Rational
}

/** States in which an end of a box cannot turn. */
type LockedState = 'locked' | 'input-locked' | 'output-locked'

/** Why a box is locked. */
export interface LockCause {
  /** Which of its ends cannot turn. */
  readonly state: LockedState
  /** Ids of a smallest set of couplers that lock the box among themselves. */
  readonly couplers: readonly string[]
  /** The body of which two of them ask different speeds; null where no one body shows it. */
  readonly body: string | null
  readonly demands: readonly Demand[]
}

/** Sets of `size` out of `items`, in their order. */
function* subsets<T>(items: readonly T[], size: number): Generator<readonly T[]> {
  if (size === 0) {
    yield []
    return
  }
  for (const [at, first] of items.entries())
    for (const rest of subsets(items.slice(at + 1), size - 1)) yield [first, ...rest]
}

/** Whether couplers hold the input, the outputs or both so that they cannot turn. */
export function isLocked<State extends Analysis['state']>(found: {
  readonly state: State
}): found is { readonly state: State & LockedState } {
  const { state } = found
  return state === 'locked' || state === 'input-locked' || state === 'output-locked'
}

/** Undefined when the box does not lock at these places. */
export function explainLock(solver: Solver, places: CouplerPlaces): LockCause | undefined {
  const analysis = analyse(solver, places)
  if (!isLocked(analysis)) return undefined
  // A coupler without a centre, such as a range coupler, is always one way or the other.
  const engaged = solver.box.draft.couplers.filter((coupler) => {
    const centre = centreOf(coupler)
    return centre !== undefined && placeOf(coupler, places) !== centre
  })
  const withOnly = (ids: readonly string[]): Analysis =>
    analyse(solver, places, {
      leftOut: new Set(engaged.map(({ id }) => id).filter((id) => !ids.includes(id))),
    })
  const ids = engaged.map(({ id }) => id)
  for (let size = 0; size <= ids.length; size++)
    for (const couplers of subsets(ids, size))
      if (isLocked(withOnly(couplers)))
        return { state: analysis.state, couplers, ...demandsOf(solver, withOnly, couplers) }
  return undefined
}

function demandsOf(
  solver: Solver,
  withOnly: (ids: readonly string[]) => Analysis,
  couplers: readonly string[],
): Pick<LockCause, 'body' | 'demands'> {
  const [one, other] = couplers
  if (one === undefined || other === undefined) return { body: null, demands: [] }
  const speedsWithout = (id: string): Analysis['motions'] =>
    withOnly(couplers.filter((coupler) => coupler !== id)).motions
  // Without the second the first has its way, and the other way round.
  const [asOne, asOther] = [speedsWithout(other), speedsWithout(one)]
  const speedOf = (motions: Analysis['motions'], body: string): Rational | undefined => {
    const motion = motions.get(body)
    return motion?.kind === 'turns' ? motion.speed : motion?.kind === 'still' ? ZERO : undefined
  }
  const { members, outputs } = solver.box.draft
  const hubs = couplers.map((id) => solver.box.couplers.get(id)?.hub ?? '')
  for (const body of new Set([...hubs, ...outputs, ...members.map(({ id }) => id)])) {
    const [first, second] = [speedOf(asOne, body), speedOf(asOther, body)]
    if (first && second && !first.equals(second))
      return {
        body,
        demands: [
          { coupler: one, speed: first },
          { coupler: other, speed: second },
        ],
      }
  }
  return { body: null, demands: [] }
}
