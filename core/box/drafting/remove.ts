/** Parts taken out of a drawing, with what cannot be without them. */
import { bodyOfGear, namedPlace } from '../box.ts'
import { endsOf } from '../links/index.ts'
import type { BoxDraft, BoxPosition, Coupler, Gear, Piece } from '../types.ts'

import type { PartList } from '../parts.ts'
import type { PartRef } from './ids.ts'

/** Takes a part out, with everything that cannot be without it. */
export function removePart(draft: BoxDraft, ref: PartRef): BoxDraft {
  return movingOnlyWhatIs(withoutPart(draft, ref))
}

/** How each list loses one of its parts; what nothing else hangs on is only left out. */
const WITHOUT: Readonly<Partial<Record<PartList, (draft: BoxDraft, id: string) => BoxDraft>>> = {
  axes: (draft, id) =>
    draft.members
      .filter(({ axis }) => axis === id)
      .reduce<BoxDraft>((next, member) => withoutMember(next, member.id), {
        ...draft,
        axes: draft.axes.filter((axis) => axis.id !== id),
      }),
  members: withoutMember,
  gears: (draft, id) =>
    withoutBodies({ ...draft, gears: draft.gears.filter((gear) => gear.id !== id) }, new Set([id])),
  links: (draft, id) => withoutLinks(draft, new Set([id])),
  couplers: (draft, id) => withoutCouplers(draft, new Set([id])),
  pieces: (draft, id) => ({
    ...draft,
    ...(draft.pieces && { pieces: onlyPieces(draft.pieces, (each) => each.id !== id) }),
  }),
  selectors: (draft, id) => withoutSelectors(draft, new Set([id])),
}

function withoutPart(draft: BoxDraft, { list, id }: PartRef): BoxDraft {
  const without = WITHOUT[list]
  if (without) return without(draft, id)
  const parts: readonly { readonly id: string }[] | undefined = draft[list]
  return { ...draft, [list]: parts?.filter((each) => each.id !== id) }
}

/** A member with its gears, and its axis where nothing else lies on it. */
function withoutMember(draft: BoxDraft, id: string): BoxDraft {
  const axis = draft.members.find((member) => member.id === id)?.axis
  const members = draft.members.filter((member) => member.id !== id)
  const own = draft.gears.filter((gear) => gear.member === id)
  const isEmpty = members.every((member) => member.axis !== axis)
  return withoutBodies(
    {
      ...draft,
      axes: isEmpty ? draft.axes.filter((each) => each.id !== axis) : draft.axes,
      members,
      gears: draft.gears.filter((gear) => gear.member !== id),
    },
    new Set([id, ...own.map((gear) => gear.id)]),
  )
}

/**
 * Takes a place out of a coupler, with the positions and rules that use it: a position
 * cannot stand where there is no place. The last place of a coupler stays.
 */
export function removePlace(draft: BoxDraft, couplerId: string, placeId: string): BoxDraft {
  const coupler = draft.couplers.find(({ id }) => id === couplerId)
  const positions = coupler?.positions.filter(({ id }) => id !== placeId) ?? []
  if (!coupler || positions.length === 0 || positions.length === coupler.positions.length)
    return draft
  const isCentre = coupler.positions.find(({ id }) => id === placeId)?.engages.length === 0
  const uses = (places: BoxPosition['couplers']): boolean =>
    // Where nothing is said of a coupler it stands at its centre.
    namedPlace(places, couplerId) === placeId ||
    (isCentre && namedPlace(places, couplerId) === undefined)
  return movingOnlyWhatIs({
    ...draft,
    couplers: draft.couplers.map((each) => (each === coupler ? { ...coupler, positions } : each)),
    positions: draft.positions.filter((position) => !uses(position.couplers)),
    ...(draft.rules
      ? { rules: draft.rules.filter(({ forbids }) => forbids[couplerId] !== placeId) }
      : {}),
    ...(draft.pieces && {
      pieces: onlyPieces(
        draft.pieces,
        (piece) => piece.coupler !== couplerId || piece.place !== placeId,
      ),
    }),
  })
}

/** The positions that go when a place of a coupler is taken out. */
export function positionsOfPlace(
  draft: BoxDraft,
  couplerId: string,
  placeId: string,
): readonly BoxPosition[] {
  const left = new Set(removePlace(draft, couplerId, placeId).positions)
  return draft.positions.filter((position) => !left.has(position))
}

/** Without bodies or gears that are gone: their links, what locks them, and what sits on them. */
export function withoutBodies(draft: BoxDraft, gone: ReadonlySet<string>): BoxDraft {
  const present = new Set([
    ...draft.members.map(({ id }) => id),
    ...draft.gears.map(({ id }) => id),
  ])
  const bodies = new Set([...draft.members.map(({ id }) => id), ...draft.gears.map(bodyOfGear)])
  const deadLinks = draft.links.filter((link) =>
    endsOf(link).some(({ id }) => gone.has(id) && !present.has(id)),
  )
  const next = withoutLinks(draft, new Set(deadLinks.map(({ id }) => id)))
  const deadCouplers = next.couplers.filter(({ hub }) => gone.has(hub) && !bodies.has(hub))
  const rest = withoutCouplers(next, new Set(deadCouplers.map(({ id }) => id)))
  const couplers = rest.couplers.map((coupler) => ({
    ...coupler,
    ...(coupler.gears ? { gears: coupler.gears.filter((gear) => present.has(gear)) } : {}),
    positions: coupler.positions.map((position) => ({
      ...position,
      engages: position.engages.filter(
        (engagement) => !('body' in engagement) || bodies.has(engagement.body),
      ),
    })),
  }))
  const outputs = rest.outputs.filter((output) => !gone.has(output) || bodies.has(output))
  return withTidyPlaces(
    {
      ...rest,
      gears: withoutLostTwins(rest.gears),
      couplers,
      outputs,
      ...(rest.pieces && { pieces: withoutCarriers(rest.pieces, present) }),
    },
    rest.couplers,
  )
}

/** The pieces that stay; a mark that one of the others had the other half of stands alone. */
function onlyPieces(pieces: readonly Piece[], stays: (piece: Piece) => boolean): readonly Piece[] {
  return withLoneMarks(pieces.filter(stays))
}

function withLoneMarks(pieces: readonly Piece[]): readonly Piece[] {
  const there = new Set(pieces.map(({ id }) => id))
  return pieces.map((piece) =>
    piece.marks?.some((mark) => mark.with !== undefined && !there.has(mark.with))
      ? {
          ...piece,
          marks: piece.marks.map(({ with: other, ...mark }) =>
            other !== undefined && there.has(other) ? { ...mark, with: other } : mark,
          ),
        }
      : piece,
  )
}

/** What sat on what is gone, or carried nothing else, goes with it. */
function withoutCarriers(pieces: readonly Piece[], present: ReadonlySet<string>): readonly Piece[] {
  const left = pieces.flatMap((piece): readonly Piece[] => {
    const { on, carries } = piece
    if (on !== undefined && !present.has(on)) return []
    const kept = carries?.filter((id) => present.has(id))
    if (!carries || !kept || kept.length === carries.length) return [piece]
    return kept.length === 0 ? [] : [{ ...piece, carries: kept }]
  })
  return withLoneMarks(left)
}

/** Where the gear that others are twins of is gone, the first of them takes its place. */
function withoutLostTwins(gears: readonly Gear[]): readonly Gear[] {
  const present = new Set(gears.map(({ id }) => id))
  return gears.map((gear) => {
    const { twinOf, ...alone } = gear
    if (twinOf === undefined || present.has(twinOf)) return gear
    const first = gears.find((each) => each.twinOf === twinOf)
    return first && first !== gear ? { ...alone, twinOf: first.id } : alone
  })
}

function withoutLinks(draft: BoxDraft, dead: ReadonlySet<string>): BoxDraft {
  if (dead.size === 0) return draft
  const couplers = draft.couplers.map((coupler) => ({
    ...coupler,
    positions: coupler.positions.map((position) => ({
      ...position,
      engages: position.engages.filter(
        (engagement) => !('link' in engagement) || !dead.has(engagement.link),
      ),
    })),
  }))
  return withTidyPlaces(
    { ...draft, links: draft.links.filter(({ id }) => !dead.has(id)), couplers },
    draft.couplers,
  )
}

/** Places that have lost all they engaged are gone too, and with them the positions that used them. */
function withTidyPlaces(draft: BoxDraft, before: readonly Coupler[]): BoxDraft {
  const lost = new Set<string>()
  const couplers = draft.couplers.map((coupler) => {
    const was = before.find(({ id }) => id === coupler.id)
    const positions = coupler.positions.filter((position, at) => {
      const isLost = position.engages.length === 0 && (was?.positions[at]?.engages.length ?? 0) > 0
      if (isLost) lost.add(`${coupler.id}\n${position.id}`)
      return !isLost
    })
    if (positions.length === coupler.positions.length) {
      const isUnchanged = positions.every(
        (position, at) => position.engages.length === was?.positions[at]?.engages.length,
      )
      return isUnchanged && was && coupler.gears?.length === was.gears?.length ? was : coupler
    }
    const centre = { id: 'centre', travel: 'centre', engages: [] } as const
    return { ...coupler, positions: positions.length === 0 ? [centre] : positions }
  })
  if (lost.size === 0) return { ...draft, couplers }
  const uses = (places: BoxPosition['couplers']): boolean =>
    Object.entries(places).some(([coupler, place]) => lost.has(`${coupler}\n${place}`))
  return {
    ...draft,
    couplers,
    positions: draft.positions.filter((position) => !uses(position.couplers)),
    ...(draft.rules ? { rules: draft.rules.filter(({ forbids }) => !uses(forbids)) } : {}),
    ...(draft.pieces && {
      pieces: onlyPieces(
        draft.pieces,
        ({ coupler, place }) => place === undefined || !lost.has(`${coupler ?? ''}\n${place}`),
      ),
    }),
  }
}

function withoutCouplers(draft: BoxDraft, dead: ReadonlySet<string>): BoxDraft {
  if (dead.size === 0) return draft
  const uses = (places: BoxPosition['couplers']): boolean =>
    Object.keys(places).some((coupler) => dead.has(coupler))
  return {
    ...draft,
    couplers: draft.couplers.filter(({ id }) => !dead.has(id)),
    positions: draft.positions.filter((position) => !uses(position.couplers)),
    ...(draft.interlocks
      ? {
          interlocks: draft.interlocks.map((interlock) => ({
            ...interlock,
            couplers: interlock.couplers.filter((coupler) => !dead.has(coupler)),
          })),
        }
      : {}),
    ...(draft.rules ? { rules: draft.rules.filter(({ forbids }) => !uses(forbids)) } : {}),
    ...(draft.pieces && {
      pieces: onlyPieces(
        draft.pieces,
        ({ coupler }) => coupler === undefined || !dead.has(coupler),
      ),
    }),
  }
}

/** Rods and grooves move couplers to places that there are. */
function movingOnlyWhatIs(draft: BoxDraft): BoxDraft {
  const { couplers, selectors, drums, clutches } = draft
  const isThere = ([id, place]: readonly [string, string]): boolean =>
    couplers.some(
      (coupler) => coupler.id === id && coupler.positions.some((each) => each.id === place),
    )
  return {
    ...draft,
    ...(selectors && {
      selectors: selectors.map((selector) => ({
        ...selector,
        ...(selector.passes && {
          passes: selector.passes.filter((id) => couplers.some((coupler) => coupler.id === id)),
        }),
        places: selector.places.map((place) => ({
          ...place,
          couplers: Object.fromEntries(Object.entries(place.couplers).filter(isThere)),
        })),
      })),
    }),
    ...(clutches && {
      clutches: clutches.filter(
        ({ coupler }) => coupler === undefined || couplers.some(({ id }) => id === coupler),
      ),
    }),
    ...(drums && {
      drums: drums.map((drum) => ({
        ...drum,
        tracks: drum.tracks.filter(({ coupler }) => couplers.some(({ id }) => id === coupler)),
      })),
    }),
  }
}

/** Without rods that are gone, and what keeps them from moving. */
function withoutSelectors(draft: BoxDraft, dead: ReadonlySet<string>): BoxDraft {
  return {
    ...draft,
    selectors: draft.selectors
      ?.filter(({ id }) => !dead.has(id))
      .map((selector) =>
        dead.has(selector.inside ?? '') ? { ...selector, inside: undefined } : selector,
      ),
    interlockParts: draft.interlockParts?.filter(({ selectors }) =>
      selectors.every((id) => !dead.has(id)),
    ),
  }
}
