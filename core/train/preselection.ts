/**
 * Positions that can wait while another carries. Dogs go in only where two speeds are
 * equal, so a change that moves a dogged coupler in the way of the torque passes through
 * neutral. A friction clutch closes while its two sides still differ: where all couplers
 * of the next position but clutches can go in without touching what drives now, the
 * change is a matter of clutches alone and the torque need never be let go.
 */
import type { Analysis, EngagedCoupler, Solver } from './analysis.ts'
import { couplersAway, surveyPosition } from './analysis.ts'
import { fullPlaces } from './combinations.ts'
import { findSlips } from './slips.ts'
import type { BoxIndex, CouplerPlaces } from '../box/box.ts'
import { centreOf, placeOf } from '../box/box.ts'
import { isClutch } from '../box/couplers.ts'
import { brokenInterlock, brokenRule } from '../box/check.ts'
import type { Rational } from '../number/rational.ts'
import type { BoxPosition, Coupler } from '../box/types.ts'

/** A position that waits behind its open clutch while another one carries. */
export interface Preselection {
  /** The one that waits. */
  readonly position: BoxPosition
  /** Where all couplers stand while it waits. */
  readonly places: CouplerPlaces
  /** The couplers that are in for it already. */
  readonly waiting: readonly EngagedCoupler[]
  /** The clutches that carry now and open at the change. */
  readonly opening: readonly EngagedCoupler[]
  /** The clutches that close at the change. */
  readonly closing: readonly EngagedCoupler[]
}

/** What an open clutch will lock against its hub, in turns for one turn of the input; null where nothing settles it. */
export function clutchSlip(
  box: BoxIndex,
  analysis: Analysis,
  { coupler, place }: EngagedCoupler,
): Rational | null {
  const found = findSlips(box, analysis).find(
    (slip) => slip.kind === 'coupler' && slip.coupler === coupler && slip.place === place,
  )
  return found?.speed ?? null
}

/**
 * The listed positions that can wait while `carrying` drives: with their couplers in it
 * still makes its own ratio, and with the clutches changed over the other one makes its own.
 * None where a count is missing.
 */
export function findPreselections(solver: Solver, carrying: BoxPosition): readonly Preselection[] {
  const { draft } = solver.box
  const { couplers } = draft
  if (!couplers.some(isClutch)) return []
  const now = fullPlaces(couplers, carrying.couplers)
  const ratioAt = (places: CouplerPlaces): Rational | null =>
    surveyPosition(solver, { ...carrying, couplers: places }).ratio
  const ratio = ratioAt(now)
  if (ratio === null) return []
  const isBarred = (places: CouplerPlaces): boolean =>
    brokenInterlock(draft, places) !== undefined || brokenRule(draft, places) !== undefined
  return draft.positions.flatMap((position): Preselection[] => {
    if (position === carrying || position.isHidden) return []
    const then = fullPlaces(couplers, position.couplers)
    const changed = couplers.filter(({ id }) => now[id] !== then[id])
    const isAtCentre = (coupler: Coupler, places: CouplerPlaces): boolean =>
      placeOf(coupler, places) === centreOf(coupler)
    // What both need in different places cannot be in for both.
    const meets = changed.some(
      (coupler) => !isClutch(coupler) && !isAtCentre(coupler, now) && !isAtCentre(coupler, then),
    )
    const clutches = changed.filter(isClutch)
    if (meets || clutches.length === 0) return []
    const withClutchesOf = (which: CouplerPlaces): CouplerPlaces =>
      Object.fromEntries(
        couplers.map((coupler) => {
          const { id } = coupler
          if (isClutch(coupler)) return [id, which[id] ?? '']
          return [id, (isAtCentre(coupler, now) ? then[id] : now[id]) ?? '']
        }),
      )
    const [places, after] = [withClutchesOf(now), withClutchesOf(then)]
    if (isBarred(places) || isBarred(after)) return []
    if (ratioAt(places)?.equals(ratio) !== true) return []
    const next = ratioAt(then)
    if (next === null || ratioAt(after)?.equals(next) !== true) return []
    const away = (which: CouplerPlaces): readonly EngagedCoupler[] => couplersAway(clutches, which)
    return [
      {
        position,
        places,
        waiting: couplersAway(
          changed.filter((coupler) => !isClutch(coupler) && isAtCentre(coupler, now)),
          then,
        ),
        opening: away(now),
        closing: away(then),
      },
    ]
  })
}
