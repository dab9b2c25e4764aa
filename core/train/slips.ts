/** How fast parts that could be one turn past each other. */
import type { Analysis, BodyMotion } from './analysis.ts'
import type { BoxIndex } from '../box/box.ts'
import type { Rational } from '../number/rational.ts'
import { ZERO } from '../number/rational.ts'
import type { Coupler, CouplerPosition, Gear } from '../box/types.ts'

/** A speed difference between two bodies that a coupler could join, or a gear and its shaft. */
export type Slip =
  /** Between a coupler's hub and what one of its places would lock to it, or hold to the case. */
  | {
      readonly kind: 'coupler'
      readonly coupler: Coupler
      readonly place: CouplerPosition
      readonly body: string
      /** Of the body against the hub, in turns for one turn of the input; its sign is its sense. */
      readonly speed: Rational
    }
  /** Of a free gear on its member. */
  | { readonly kind: 'free-gear'; readonly gear: Gear; readonly speed: Rational }

function settledSpeed(motion: BodyMotion | undefined): Rational | undefined {
  return motion?.kind === 'turns' ? motion.speed : motion?.kind === 'still' ? ZERO : undefined
}

/** All slips whose two speeds are settled, also those of 0; what coasts slips as friction has it. */
export function findSlips({ draft }: BoxIndex, { motions, engaged }: Analysis): readonly Slip[] {
  const between = (body: string, other: string): Rational | undefined => {
    const [one, two] = [settledSpeed(motions.get(body)), settledSpeed(motions.get(other))]
    return one && two?.neg().add(one)
  }
  const couplers = draft.couplers.flatMap((coupler) =>
    coupler.positions.flatMap((place) => {
      if (engaged.some((away) => away.coupler === coupler && away.place === place)) return []
      return place.engages.flatMap((engagement): Slip[] => {
        if (engagement.kind === 'mesh') return []
        const { body } = engagement
        const speed =
          engagement.kind === 'lock' ? between(body, coupler.hub) : settledSpeed(motions.get(body))
        return speed ? [{ kind: 'coupler', coupler, place, body, speed }] : []
      })
    }),
  )
  const gears = draft.gears.flatMap((gear): Slip[] => {
    if (gear.mount !== 'free') return []
    const speed = between(gear.id, gear.member)
    return speed ? [{ kind: 'free-gear', gear, speed }] : []
  })
  return [...couplers, ...gears]
}
