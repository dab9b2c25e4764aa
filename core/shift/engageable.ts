/** What can be looked at half way in. */
import { couplersWithRings, isClutch } from '../box/couplers.ts'
import type { BoxDraft, Coupler, CouplerPosition } from '../box/types.ts'

import { placeKey } from './change.ts'

/** A place of a coupler, and whether a ring serves it. */
export interface Engageable {
  readonly coupler: Coupler
  readonly place: CouplerPosition
  readonly hasRing: boolean
  /** In the address. */
  readonly key: string
}

/** Every place of a coupler that locks something, clutches aside. */
export function engageables(draft: BoxDraft): readonly Engageable[] {
  return draft.couplers.flatMap((coupler) =>
    isClutch(coupler)
      ? []
      : coupler.positions.flatMap((place) =>
          place.engages.some(({ kind }) => kind === 'lock')
            ? [
                {
                  coupler,
                  place,
                  hasRing: couplersWithRings(draft).has(coupler.id),
                  key: placeKey(coupler, place),
                },
              ]
            : [],
        ),
  )
}
