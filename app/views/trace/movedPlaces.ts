/** Couplers that a person has moved by hand, in the page's address. */
import type { BoxDraft, Coupler, CouplerPlaces, CouplerPosition } from 'core'
import { brokenInterlock, fullPlaces, namedPlace, placesAtRest } from 'core'

/** Stands for the position that a person has made by moving couplers. */
export const MOVED_ID = 'moved'

/** "coupler-1-2:1,range:low" → a place for every coupler; null when nothing was moved. */
export function parsePlaces(draft: BoxDraft, text: string | null): CouplerPlaces | null {
  if (text === null || text === '') return null
  const named = new Map(
    text.split(',').flatMap((pair) => {
      const at = pair.lastIndexOf(':')
      return at > 0 ? [[pair.slice(0, at), pair.slice(at + 1)] as const] : []
    }),
  )
  const rest = placesAtRest(draft.couplers)
  return Object.fromEntries(
    draft.couplers.map((coupler) => {
      const wanted = coupler.positions.find(({ id }) => id === named.get(coupler.id))
      return [coupler.id, wanted?.id ?? rest[coupler.id] ?? '']
    }),
  )
}

export function formatPlaces(draft: BoxDraft, places: CouplerPlaces): string {
  return draft.couplers.map(({ id }) => `${id}:${namedPlace(places, id) ?? ''}`).join(',')
}

/** The places of a coupler in the order in which it passes them from the input end. */
function inOrder(coupler: Coupler): readonly CouplerPosition[] {
  const order = { 'towards-input': 0, centre: 1, 'towards-output': 2 } as const
  return [...coupler.positions].sort((one, other) => order[one.travel] - order[other.travel])
}

/** The next place of a coupler towards the input end (−1) or the output end (1); itself at the last. */
export function stepPlace(coupler: Coupler, place: string, by: -1 | 1): string {
  const order = inOrder(coupler)
  const at = order.findIndex(({ id }) => id === place)
  return order[Math.min(Math.max(at + by, 0), order.length - 1)]?.id ?? place
}

export type Move =
  | { readonly kind: 'moved'; readonly places: CouplerPlaces }
  /** The interlock keeps the coupler where it is, because another has left its centre. */
  | { readonly kind: 'held'; readonly coupler: string; readonly by: string }

/** What keeps couplers apart: nothing, or an interlock of which something may be missing. */
export interface Keeping {
  readonly hasInterlock: boolean
  readonly areFreed?: (one: string, other: string) => boolean
}

/** Moves one coupler, if the interlock lets it. */
export function moveCoupler(
  draft: BoxDraft,
  places: CouplerPlaces,
  coupler: string,
  place: string,
  { hasInterlock, areFreed }: Keeping,
): Move {
  const next = { ...fullPlaces(draft.couplers, places), [coupler]: place }
  const broken = hasInterlock ? brokenInterlock(draft, next, areFreed) : undefined
  if (!broken) return { kind: 'moved', places: next }
  const by = broken.couplers.find((id) => id !== coupler) ?? coupler
  return { kind: 'held', coupler, by }
}

/** The listed position that has exactly these places. */
export function positionAt(draft: BoxDraft, places: CouplerPlaces): string | undefined {
  const key = (of: CouplerPlaces): string => formatPlaces(draft, fullPlaces(draft.couplers, of))
  return draft.positions.find(
    ({ couplers, isHidden }) => !isHidden && key(couplers) === key(places),
  )?.id
}
