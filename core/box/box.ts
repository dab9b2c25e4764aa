import { oncePer } from './oncePer.ts'
import type { BoxDraft, Coupler, CouplerPosition, Gear, Link, Member, Piece } from './types.ts'

declare const checked: unique symbol

/**
 * A gearbox that hangs together: every id leads somewhere and no part
 * contradicts another. Only `checkBox` makes one. Gears may still be uncounted.
 */
export interface Box extends BoxIndex {
  readonly [checked]: true
}

/** A draft with its parts findable by id. */
export interface BoxIndex {
  readonly draft: BoxDraft
  readonly members: ReadonlyMap<string, Member>
  readonly gears: ReadonlyMap<string, Gear>
  readonly links: ReadonlyMap<string, Link>
  readonly couplers: ReadonlyMap<string, Coupler>
  readonly pieces: ReadonlyMap<string, Piece>
  /** Ids of all bodies: the members, then the free gears. */
  readonly bodies: readonly string[]
  /** Links that exist only where a coupler's position brings them in. */
  readonly slidingLinks: ReadonlySet<string>
}

function byId<P extends { readonly id: string }>(parts: readonly P[]): ReadonlyMap<string, P> {
  return new Map(parts.map((part) => [part.id, part]))
}

/** Makes the parts of a draft findable. A draft that is not checked may have ids that lead nowhere. */
export const indexBox: (draft: BoxDraft) => BoxIndex = oncePer((draft) => {
  const slidingLinks = new Set<string>()
  for (const coupler of draft.couplers)
    for (const position of coupler.positions)
      for (const engagement of position.engages)
        if (engagement.kind === 'mesh') slidingLinks.add(engagement.link)
  return {
    draft,
    members: byId(draft.members),
    gears: byId(draft.gears),
    links: byId(draft.links),
    couplers: byId(draft.couplers),
    pieces: byId(draft.pieces ?? []),
    bodies: [
      ...draft.members.map((member) => member.id),
      ...draft.gears.filter((gear) => gear.mount === 'free').map((gear) => gear.id),
    ],
    slidingLinks,
  }
})

/** The body that a gear turns with: itself when it is free, its member otherwise. */
export function bodyOfGear(gear: Gear): string {
  return gear.mount === 'free' ? gear.id : gear.member
}

/** The member that carries a body: the body itself, or the shaft a free gear rides on. */
export function memberOfBody(box: BoxIndex, bodyId: string): Member | undefined {
  const gear = box.gears.get(bodyId)
  return box.members.get(gear ? gear.member : bodyId)
}

/** The coupler's position at its centre, where it does nothing; undefined when it has none. */
export function centreOf(coupler: Coupler): CouplerPosition | undefined {
  return coupler.positions.find((position) => position.engages.length === 0)
}

/** A position for every coupler, by coupler id. Those left out stand at their centre. */
export type CouplerPlaces = Readonly<Record<string, string>>

/** Every coupler at its centre; one that has none, such as a range coupler, at its first place. */
export function placesAtRest(couplers: readonly Coupler[]): CouplerPlaces {
  return Object.fromEntries(
    couplers.map((coupler) => [coupler.id, (centreOf(coupler) ?? coupler.positions[0])?.id ?? '']),
  )
}

/** The place that is named for a coupler; an id may be any word, also one that objects know. */
export function namedPlace(places: CouplerPlaces, coupler: string): string | undefined {
  return Object.hasOwn(places, coupler) ? places[coupler] : undefined
}

/** Where a coupler stands; undefined when its place is not named and it has no centre. */
export function placeOf(coupler: Coupler, places: CouplerPlaces): CouplerPosition | undefined {
  const named = namedPlace(places, coupler.id)
  return named === undefined
    ? centreOf(coupler)
    : coupler.positions.find((position) => position.id === named)
}
