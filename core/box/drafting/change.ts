/** Parts of a drawing put elsewhere, joined or told otherwise. */
import { pairsOf } from '../links/index.ts'
import type { BoxDraft, BoxPosition, Gear, GearMount, Link, PairKind, Piece } from '../types.ts'

import type { PartRef } from './ids.ts'
import { freshId } from './ids.ts'
import { removePart, withoutBodies } from './remove.ts'

/** The link that two gears are a pair of, whatever its kind. */
function linkBetween(draft: BoxDraft, one: string, other: string): Link | undefined {
  return draft.links.find((link) =>
    pairsOf(link).some(({ a, b }) => (a === one && b === other) || (a === other && b === one)),
  )
}

/** Two gears put in mesh, or taken out of it where they are. */
export function toggleMesh(draft: BoxDraft, a: string, b: string, kind: PairKind): BoxDraft {
  const present = linkBetween(draft, a, b)
  if (present) return removePart(draft, { list: 'links', id: present.id })
  const pair = { id: freshId(draft, kind === 'bevel' ? 'bevel' : 'mesh'), a, b }
  const link: Link =
    kind === 'bevel'
      ? { ...pair, kind, aNarrows: 'output-end', bNarrows: 'output-end' }
      : { ...pair, kind }
  return { ...draft, links: [...draft.links, link] }
}

/** Makes a body an output, or no longer one. The last output stays. */
export function toggleOutput(draft: BoxDraft, body: string): BoxDraft {
  if (!draft.outputs.includes(body)) return { ...draft, outputs: [...draft.outputs, body] }
  const outputs = draft.outputs.filter((output) => output !== body)
  return outputs.length === 0 ? draft : { ...draft, outputs }
}

/** A gear made free, fixed, sliding or integral. A coupler that locked it when free lets go of it. */
export function setMount(draft: BoxDraft, gearId: string, mount: GearMount): BoxDraft {
  const gear = draft.gears.find(({ id }) => id === gearId)
  if (!gear || gear.mount === mount) return draft
  const next: BoxDraft = {
    ...draft,
    gears: draft.gears.map((each) => (each === gear ? { ...each, mount } : each)),
  }
  return mount === 'free' || gear.mount !== 'free' ? next : withoutBodies(next, new Set([gearId]))
}

/**
 * Says that a shaft is a twin of another one, or of none: each of its gears is alike with
 * the gear of the same label there, the first with the first, and what is counted of one
 * goes for both. A gear without such a twin stays alone. A twin of a twin is one of the
 * same gear as that.
 */
export function setTwins(draft: BoxDraft, member: string, twin: string | undefined): BoxDraft {
  const along = (of: string | undefined): readonly Gear[] =>
    draft.gears
      .filter((gear) => gear.member === of)
      .sort((one, other) => one.stationMm - other.stationMm)
  const free = [...along(twin)]
  const leads = new Map<string, Gear>()
  for (const gear of along(member)) {
    const at = free.findIndex(({ label }) => label === gear.label)
    const [found] = at < 0 ? [] : free.splice(at, 1)
    const lead = draft.gears.find(({ id }) => id === found?.twinOf) ?? found
    if (lead && lead.id !== gear.id) leads.set(gear.id, lead)
  }
  const followers = new Map([...leads].map(([id, lead]) => [lead.id, id]))
  return {
    ...draft,
    gears: draft.gears.map((gear) => {
      const { twinOf, ...alone } = gear
      const lead = leads.get(gear.id)
      if (lead)
        return {
          ...alone,
          twinOf: lead.id,
          toothCount: gear.toothCount ?? lead.toothCount,
          ...(gear.toothCount === null && { recount: lead.recount }),
        }
      if (gear.member === member) return alone
      const follower = draft.gears.find(({ id }) => id === followers.get(gear.id))
      // What followed a gear of this shaft stands alone now that the shaft follows another.
      const followed = leads.has(twinOf ?? '') ? alone : gear
      return follower && gear.toothCount === null
        ? { ...followed, toothCount: follower.toothCount, recount: follower.recount }
        : followed
    }),
  }
}

/** The pieces of a draft, with those moved that stand where they do because of another part. */
function withMovedPieces(
  { pieces }: BoxDraft,
  isMoved: (piece: Piece) => boolean,
  byMm: number,
): Pick<BoxDraft, 'pieces'> {
  return pieces
    ? {
        pieces: pieces.map((piece) =>
          piece.stationMm !== undefined && isMoved(piece)
            ? { ...piece, stationMm: piece.stationMm + byMm }
            : piece,
        ),
      }
    : {}
}

/**
 * Moves a part along its axis; a shaft takes along what is on it, a gear what carries it, a
 * coupler what belongs to it.
 */
export function movePart(draft: BoxDraft, { list, id }: PartRef, byMm: number): BoxDraft {
  const shift = <P extends { readonly stationMm: number }>(part: P): P => ({
    ...part,
    stationMm: part.stationMm + byMm,
  })
  switch (list) {
    case 'gears':
      return {
        ...draft,
        gears: draft.gears.map((gear) => (gear.id === id ? shift(gear) : gear)),
        ...withMovedPieces(draft, ({ carries }) => carries?.includes(id) === true, byMm),
      }
    case 'pieces':
      return { ...draft, ...withMovedPieces(draft, (piece) => piece.id === id, byMm) }
    case 'couplers':
      return {
        ...draft,
        couplers: draft.couplers.map((coupler) => (coupler.id === id ? shift(coupler) : coupler)),
        ...withMovedPieces(draft, (piece) => piece.coupler === id, byMm),
      }
    case 'members': {
      const hubs = new Set(draft.couplers.filter(({ hub }) => hub === id).map((each) => each.id))
      return {
        ...draft,
        members: draft.members.map((member) =>
          member.id === id
            ? {
                ...member,
                fromMm: member.fromMm + byMm,
                toMm: member.toMm + byMm,
                bearingsMm: member.bearingsMm && [
                  member.bearingsMm[0] + byMm,
                  member.bearingsMm[1] + byMm,
                ],
                steps: member.steps?.map((step) => ({
                  ...step,
                  fromMm: step.fromMm + byMm,
                  toMm: step.toMm + byMm,
                })),
              }
            : member,
        ),
        gears: draft.gears.map((gear) => (gear.member === id ? shift(gear) : gear)),
        couplers: draft.couplers.map((coupler) => (coupler.hub === id ? shift(coupler) : coupler)),
        ...withMovedPieces(draft, ({ on, coupler }) => on === id || hubs.has(coupler ?? ''), byMm),
      }
    }
    default:
      return draft
  }
}

/** Moves an axis one lane up (−1) or down (1) in the drawing. */
export function moveLane(draft: BoxDraft, axis: string, by: -1 | 1): BoxDraft {
  const at = draft.axes.findIndex(({ id }) => id === axis)
  const [one, other] = [draft.axes[at], draft.axes[at + by]]
  if (!one || !other) return draft
  return {
    ...draft,
    axes: draft.axes.map((each) => (each === one ? other : each === other ? one : each)),
  }
}

/** Renames a place of a coupler wherever positions, rods and rules speak of it. */
export function renamePlace(
  draft: BoxDraft,
  couplerId: string,
  from: string,
  to: string,
): BoxDraft {
  const renamed = (places: BoxPosition['couplers']): BoxPosition['couplers'] =>
    places[couplerId] === from ? { ...places, [couplerId]: to } : places
  return {
    ...draft,
    couplers: draft.couplers.map((coupler) =>
      coupler.id === couplerId
        ? {
            ...coupler,
            positions: coupler.positions.map((place) =>
              place.id === from ? { ...place, id: to } : place,
            ),
          }
        : coupler,
    ),
    positions: draft.positions.map((position) => ({
      ...position,
      couplers: renamed(position.couplers),
    })),
    ...(draft.selectors && {
      selectors: draft.selectors.map((selector) => ({
        ...selector,
        places: selector.places.map((place) => ({ ...place, couplers: renamed(place.couplers) })),
      })),
    }),
    ...(draft.rules
      ? { rules: draft.rules.map((rule) => ({ ...rule, forbids: renamed(rule.forbids) })) }
      : {}),
    ...(draft.pieces && {
      pieces: draft.pieces.map((piece) =>
        piece.coupler === couplerId && piece.place === from ? { ...piece, place: to } : piece,
      ),
    }),
  }
}
