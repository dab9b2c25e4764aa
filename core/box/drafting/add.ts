/** Parts that come into a drawing, each with an id of its own. */
import { indexBox } from '../box.ts'
import { isClutch } from '../couplers.ts'
import type {
  BoxDraft,
  Coupler,
  CouplerKind,
  Gear,
  Link,
  Member,
  MemberKind,
  PieceKind,
} from '../types.ts'

import type { PartList } from '../parts.ts'
import type { PartRef, Added } from './ids.ts'
import { SHAFT_MM, FACE_MM, freshId } from './ids.ts'

/** A shaft on a line of its own, under the others, or on the line that is named. */
export function addMember(draft: BoxDraft, kind: MemberKind, axis: string | null): Added {
  const id = freshId(draft, kind)
  const line = axis ?? freshId(draft, 'line')
  const along = draft.members.filter((member) => member.axis === line)
  const [fromMm, toMm] =
    along.length > 0
      ? [Math.max(...along.map((member) => member.toMm)), 0]
      : [Math.min(0, ...draft.members.map((member) => member.fromMm)), 0]
  const lengthMm = kind === 'idler' ? 4 * FACE_MM : SHAFT_MM
  const member: Member = { id, kind, axis: line, fromMm, toMm: Math.max(toMm, fromMm + lengthMm) }
  return {
    draft: {
      ...draft,
      axes: axis === null ? [...draft.axes, { id: line }] : draft.axes,
      members: [...draft.members, member],
    },
    added: { list: 'members', id },
  }
}

/** The first station along a member at which a gear has room, or its middle. */
function freeStationMm(draft: BoxDraft, member: Member): number {
  const taken = [
    ...draft.gears.filter((gear) => gear.member === member.id).map((gear) => gear.stationMm),
    ...draft.couplers.filter(({ hub }) => hub === member.id).map((coupler) => coupler.stationMm),
  ]
  for (let at = member.fromMm + FACE_MM; at <= member.toMm - FACE_MM; at += FACE_MM / 2)
    if (taken.every((other) => Math.abs(other - at) >= 1.25 * FACE_MM)) return at
  return (member.fromMm + member.toMm) / 2
}

/** A fixed gear on a member, where there is room for it; it is not counted yet. */
export function addGear(draft: BoxDraft, memberId: string): Added {
  const id = freshId(draft, 'gear')
  const member = draft.members.find((candidate) => candidate.id === memberId)
  const gear: Gear = {
    id,
    label: 'new gear',
    member: memberId,
    mount: 'fixed',
    toothCount: null,
    stationMm: member ? freeStationMm(draft, member) : 0,
    faceWidthMm: FACE_MM,
  }
  return { draft: { ...draft, gears: [...draft.gears, gear] }, added: { list: 'gears', id } }
}

/** An idler on a line of its own, with its gear at the station that is named. */
export function addIdler(draft: BoxDraft, stationMm: number): Added {
  const { draft: withMember, added } = addMember(draft, 'idler', null)
  const moved = {
    ...withMember,
    members: withMember.members.map((member) =>
      member.id === added.id
        ? { ...member, fromMm: stationMm - 2 * FACE_MM, toMm: stationMm + 2 * FACE_MM }
        : member,
    ),
  }
  const { draft: withGear, added: gear } = addGear(moved, added.id)
  return {
    draft: {
      ...withGear,
      gears: withGear.gears.map((each) =>
        each.id === gear.id ? { ...each, label: 'idler', stationMm } : each,
      ),
    },
    added: gear,
  }
}

/**
 * A coupler on a member, between the nearest free gears to its two sides, which it
 * locks; a clutch closes on to the nearest other member of its line instead.
 */
export function addCoupler(draft: BoxDraft, kind: CouplerKind, hub: string): Added {
  const id = freshId(draft, isClutch({ kind }) ? 'clutch' : 'coupler')
  const index = indexBox(draft)
  const member = index.members.get(hub)
  const stationMm = member ? freeStationMm(draft, member) : 0
  const free = draft.gears.filter((gear) => gear.member === hub && gear.mount === 'free')
  const nearest = (side: -1 | 1): Gear | undefined =>
    free
      .filter((gear) => Math.sign(gear.stationMm - stationMm) === side)
      .sort(
        (one, other) => Math.abs(one.stationMm - stationMm) - Math.abs(other.stationMm - stationMm),
      )[0]
  const neighbour = draft.members.find((other) => other.id !== hub && other.axis === member?.axis)
  const lock = (body: string) => [{ kind: 'lock', body } as const]
  const [before, after] = isClutch({ kind }) ? [undefined, neighbour] : [nearest(-1), nearest(1)]
  const coupler: Coupler = {
    id,
    kind,
    hub,
    stationMm,
    positions: [
      ...(before
        ? [{ id: before.id, travel: 'towards-input', engages: lock(before.id) } as const]
        : []),
      { id: 'centre', travel: 'centre', engages: [] },
      ...(after
        ? [{ id: after.id, travel: 'towards-output', engages: lock(after.id) } as const]
        : []),
    ],
  }
  return {
    draft: { ...draft, couplers: [...draft.couplers, coupler] },
    added: { list: 'couplers', id },
  }
}

/** The kinds of planetary set that can be added. */
type PlanetaryKind = 'planetary' | 'double-planetary' | 'stepped-planetary'

/**
 * A planetary set at the end of a member: sun on it, a ring held to the case, and a carrier.
 * Stepped planets stand on a line of their own beside it.
 */
export function addPlanetary(
  draft: BoxDraft,
  memberId: string,
  kind: PlanetaryKind = 'planetary',
): Added {
  const { draft: withSun, added: sunRef } = addGear(draft, memberId)
  const on = withSun.members.find(({ id }) => id === memberId)
  const id = freshId(withSun, 'planetary')
  const [ring, ringGear, carrier] = [`${id}-ring`, `${id}-ring-gear`, `${id}-carrier`]
  const sunMm = withSun.gears.find((gear) => gear.id === sunRef.id)?.stationMm ?? 0
  const ringMm = kind === 'stepped-planetary' ? sunMm + 1.5 * FACE_MM : sunMm
  const axis = on?.axis ?? ''
  const along = (
    memberOf: Pick<Member, 'id' | 'kind' | 'isHollow'>,
    fromMm: number,
    toMm: number,
  ): Member => ({ ...memberOf, axis, fromMm, toMm })
  const ends = { sun: sunRef.id, ring: ringGear, carrier }
  const whole: BoxDraft = {
    ...withSun,
    members: [
      ...withSun.members,
      along({ id: ring, kind: 'ring', isHollow: true }, ringMm - FACE_MM / 2, ringMm + FACE_MM / 2),
      along(
        { id: carrier, kind: 'carrier', isHollow: true },
        ringMm + FACE_MM / 2 + 2,
        ringMm + 2 * FACE_MM,
      ),
    ],
    gears: [
      ...withSun.gears.map((each) => (each.id === sunRef.id ? { ...each, label: 'sun' } : each)),
      plannedGear(ringGear, 'ring', ring, ringMm),
    ],
    links: [...withSun.links, { id: `${id}-held`, kind: 'held', body: ring }],
  }
  const added = { list: 'links', id } as const
  if (kind !== 'stepped-planetary')
    return { draft: { ...whole, links: [...whole.links, { id, kind, ...ends }] }, added }
  const planets = `${id}-planets`
  const [sunPlanet, ringPlanet] = [`${planets}-at-sun`, `${planets}-at-ring`]
  const withPlanets = withSteppedPlanets(whole, planets, axis, [
    plannedGear(sunPlanet, 'sun planet', planets, sunMm),
    plannedGear(ringPlanet, 'ring planet', planets, ringMm),
  ])
  const link: Link = { id, kind, ...ends, sunPlanet, ringPlanet }
  return { draft: { ...withPlanets, links: [...withPlanets.links, link] }, added }
}

/** A gear fixed to its member, not counted yet. */
function plannedGear(id: string, label: string, member: string, stationMm: number): Gear {
  return {
    id,
    label,
    member,
    mount: 'fixed',
    toothCount: null,
    stationMm,
    faceWidthMm: FACE_MM,
  }
}

/** Stepped planets on a line of their own beside that of their set. */
function withSteppedPlanets(
  draft: BoxDraft,
  id: string,
  axis: string,
  [atSun, atRing]: readonly [Gear, Gear],
): BoxDraft {
  const line = freshId(draft, 'line')
  const lane = draft.axes.findIndex((each) => each.id === axis)
  const planets: Member = {
    id,
    kind: 'cluster',
    axis: line,
    fromMm: atSun.stationMm - FACE_MM,
    toMm: atRing.stationMm + 2 * FACE_MM,
  }
  return {
    ...draft,
    axes: draft.axes.toSpliced(lane <= 0 ? 0 : lane + 1, 0, { id: line }),
    members: [...draft.members, planets],
    gears: [...draft.gears, atSun, atRing],
  }
}

/** A worm on a member, with its wheel on a shaft that crosses it. */
export function addWorm(draft: BoxDraft, memberId: string): Added {
  const on = draft.members.find(({ id }) => id === memberId)
  const middleMm = on ? Math.round((on.fromMm + on.toMm) / 2) : 0
  const { draft: withShaft, added: shaft } = addMember(draft, 'shaft', null)
  const { draft: withWheel, added: wheel } = addGear(withShaft, shaft.id)
  const id = freshId(withWheel, 'worm')
  return {
    draft: {
      ...withWheel,
      members: withWheel.members.map((member) =>
        member.id === shaft.id
          ? { ...member, fromMm: middleMm - 2 * FACE_MM, toMm: middleMm + 2 * FACE_MM }
          : member,
      ),
      gears: withWheel.gears.map((gear) =>
        gear.id === wheel.id ? { ...gear, label: 'worm wheel', stationMm: middleMm } : gear,
      ),
      links: [
        ...withWheel.links,
        { id, kind: 'worm', worm: memberId, wheel: wheel.id, starts: 1, hand: 'right' },
      ],
    },
    added: { list: 'links', id },
  }
}

/** A differential whose case is the member; its two sides become outputs in the member's place. */
export function addDifferential(draft: BoxDraft, memberId: string): Added {
  const member = draft.members.find(({ id }) => id === memberId)
  const id = freshId(draft, 'differential')
  const [left, right] = [`${id}-left`, `${id}-right`]
  const [fromMm, toMm] = [member?.fromMm ?? 0, member?.toMm ?? 0]
  const side = (sideId: string, name: string, from: number, to: number): Member => ({
    id: sideId,
    kind: 'side-shaft',
    name,
    axis: member?.axis ?? '',
    fromMm: from,
    toMm: to,
  })
  return {
    draft: {
      ...draft,
      members: [
        ...draft.members.map((each) =>
          each.id === memberId ? { ...each, kind: 'differential-case' as const } : each,
        ),
        side(left, 'left side shaft', fromMm - 3 * FACE_MM, fromMm),
        side(right, 'right side shaft', toMm, toMm + 3 * FACE_MM),
      ],
      links: [...draft.links, { id, kind: 'differential', case: memberId, left, right }],
      outputs: [...draft.outputs.filter((output) => output !== memberId), left, right],
    },
    added: { list: 'links', id },
  }
}

/** What copies a part of a list under a new id; undefined of a part that is not there. */
type Copy = (
  draft: BoxDraft,
  id: string,
) => { readonly draft: BoxDraft; readonly id: string } | undefined

const copyId = (draft: BoxDraft, id: string): string => freshId(draft, id.replace(/-\d+$/, ''))

/** A gear as it is drawn, without what somebody read of it. */
function drawnAlike({ recount: _recount, twinOf: _twinOf, ...gear }: Gear): Gear {
  return gear
}

const COPIES: Readonly<Partial<Record<PartList, Copy>>> = {
  gears: (draft, of) => {
    const gear = draft.gears.find((each) => each.id === of)
    if (!gear) return undefined
    const id = copyId(draft, of)
    const copy = { ...drawnAlike(gear), id, stationMm: gear.stationMm + 1.5 * FACE_MM }
    return { draft: { ...draft, gears: [...draft.gears, copy] }, id }
  },
  pieces: (draft, of) => {
    const piece = draft.pieces?.find((each) => each.id === of)
    if (!piece) return undefined
    const id = freshId(draft, piece.kind)
    const { name: _name, partNumber: _partNumber, marks: _marks, ...rest } = piece
    const stationMm = piece.stationMm === undefined ? undefined : piece.stationMm + FACE_MM
    const pieces = [...(draft.pieces ?? []), { ...rest, id, stationMm }]
    return { draft: { ...draft, pieces }, id }
  },
  couplers: (draft, of) => {
    const coupler = draft.couplers.find((each) => each.id === of)
    if (!coupler) return undefined
    const id = copyId(draft, of)
    const copy = { ...coupler, id, stationMm: coupler.stationMm + 2 * FACE_MM }
    return { draft: { ...draft, couplers: [...draft.couplers, copy] }, id }
  },
  members: (draft, of) => {
    const member = draft.members.find((each) => each.id === of)
    if (!member) return undefined
    const id = copyId(draft, of)
    const axis = freshId(draft, 'line')
    const bare: BoxDraft = {
      ...draft,
      axes: [...draft.axes, { id: axis }],
      members: [...draft.members, { ...member, id, axis }],
    }
    const whole = draft.gears
      .filter((gear) => gear.member === of)
      .reduce<BoxDraft>((next, gear) => {
        const copy = { ...drawnAlike(gear), id: freshId(next, 'gear'), member: id }
        return { ...next, gears: [...next.gears, copy] }
      }, bare)
    return { draft: whole, id }
  },
}

/**
 * A copy of a gear beside it, of a coupler without its positions' places, or of a
 * shaft with its gears on a line of its own. What was in mesh is not copied.
 */
export function duplicatePart(draft: BoxDraft, { list, id }: PartRef): Added | undefined {
  const copy = COPIES[list]?.(draft, id)
  return copy && { draft: copy.draft, added: { list, id: copy.id } }
}

/** A piece of a kind, on a member or for a coupler, where the row has room for it. */
export function addPiece(
  draft: BoxDraft,
  kind: PieceKind,
  place: { readonly on?: string; readonly coupler?: string; readonly stationMm?: number },
): Added {
  const id = freshId(draft, kind)
  return {
    draft: { ...draft, pieces: [...(draft.pieces ?? []), { id, kind, ...place }] },
    added: { list: 'pieces', id },
  }
}
