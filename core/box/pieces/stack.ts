/**
 * What stands in a row on a shaft, what bears on what, and over which end of the shaft a
 * part comes off. A part passes along its shaft as far as its bore is no smaller than what
 * it meets: shoulders of the shaft, and gears that are cut into it. Nobody is asked which
 * end that is; it follows from the diameters.
 */
import { pathTo } from '../partPath.ts'
import type { BoxIndex } from '../box.ts'
import { indexBox } from '../box.ts'
import { sleevesOfTeeth } from '../couplers.ts'
import { oncePer } from '../oncePer.ts'
import type { BoxDraft, Gear, Member, Piece, ShaftEnd } from '../types.ts'
import { PIECE_DEFINITIONS, opens } from './kinds.ts'
import { stretchesOf, thickestMm } from './shafts.ts'

/** Drawn where a gear states no face width. */
export const DRAWN_FACE_MM = 16

/** A part in its place along a shaft, as a ring from its bore to its outside. */
export interface Seated {
  /** "piece:ball-bearing-1", "gear:main-3". */
  readonly ref: string
  readonly member: Member
  readonly fromMm: number
  readonly toMm: number
  readonly boreMm: number
  /** Undefined of a gear, whose outside is its teeth. */
  readonly outsideMm: number | undefined
}

/** The station of a piece: its own, or that of the coupler that it belongs to. */
function stationOf({ couplers }: BoxIndex, piece: Piece): number | undefined {
  return piece.stationMm ?? couplers.get(piece.coupler ?? '')?.stationMm
}

/** The member that a piece sits on: its own, or that of its coupler's hub. */
export function memberOfPiece(index: BoxIndex, piece: Piece): Member | undefined {
  const hub = index.couplers.get(piece.coupler ?? '')?.hub
  const on = piece.on ?? hub ?? ''
  return index.members.get(on) ?? index.members.get(index.gears.get(on)?.member ?? '')
}

/** A piece in its place along its shaft; undefined of one that sits on none. */
export function seatOf(index: BoxIndex, piece: Piece): Seated | undefined {
  const { drawn } = PIECE_DEFINITIONS[piece.kind]
  const member = memberOfPiece(index, piece)
  const stationMm = stationOf(index, piece)
  if (!member || stationMm === undefined || !drawn) return undefined
  const lengthMm = piece.lengthMm ?? drawn.lengthMm
  const [fromMm, toMm] = [stationMm - lengthMm / 2, stationMm + lengthMm / 2]
  const boreMm = piece.boreMm ?? thickestMm(member, fromMm, toMm) + 2 * drawn.overMm
  const outsideMm = Math.max(piece.outsideMm ?? boreMm + 2 * drawn.wallMm, boreMm)
  return { ref: pathTo('piece', piece.id), member, fromMm, toMm, boreMm, outsideMm }
}

/** What a gear sits on: the bearing that carries it, or the shaft. */
function boreOfGear(index: BoxIndex, gear: Gear): number {
  const member = index.members.get(gear.member)
  if (!member) return 0
  const beneath = (index.draft.pieces ?? [])
    .filter(({ carries }) => carries?.includes(gear.id) === true)
    .flatMap((piece) => seatOf(index, piece)?.outsideMm ?? [])
  if (beneath.length > 0) return Math.max(...beneath)
  const half = (gear.faceWidthMm ?? DRAWN_FACE_MM) / 2
  return thickestMm(member, gear.stationMm - half, gear.stationMm + half)
}

/** Teeth on a sleeve stand where that does, and are no part of the row by themselves. */
function seatOfGear(index: BoxIndex, gear: Gear): Seated | undefined {
  const member = index.members.get(gear.member)
  if (!member || sleevesOfTeeth(index.draft).has(gear.id)) return undefined
  const half = (gear.faceWidthMm ?? DRAWN_FACE_MM) / 2
  return {
    ref: pathTo('gear', gear.id),
    member,
    fromMm: gear.stationMm - half,
    toMm: gear.stationMm + half,
    boreMm: boreOfGear(index, gear),
    outsideMm: undefined,
  }
}

/** What stands along each member, found once for each box. */
const rowsOf = oncePer((draft: BoxDraft): ReadonlyMap<string, readonly Seated[]> => {
  const index = indexBox(draft)
  const rows = new Map<string, Seated[]>(index.draft.members.map(({ id }) => [id, []]))
  const pieces = (index.draft.pieces ?? []).flatMap((piece) => seatOf(index, piece) ?? [])
  const gears = index.draft.gears.flatMap((gear) => seatOfGear(index, gear) ?? [])
  for (const seat of [...pieces, ...gears]) rows.get(seat.member.id)?.push(seat)
  for (const row of rows.values())
    row.sort((one, other) => one.fromMm + one.toMm - (other.fromMm + other.toMm))
  return rows
})

/** What stands along a member, from its input end to its output end. */
export function rowOf(index: BoxIndex, memberId: string): readonly Seated[] {
  return rowsOf(index.draft).get(memberId) ?? []
}

/** What a part bears on towards each end of its shaft. */
export interface Bearing {
  /** A part by its reference, a shoulder of the shaft, or nothing up to the end of it. */
  readonly towards: ShaftEnd
  readonly on: { readonly ref: string } | { readonly shoulderMm: number } | null
}

/** Whether two rings overlap, seen along the shaft. */
function isInWay(one: Seated, other: Seated): boolean {
  const outside = (each: Seated): number => each.outsideMm ?? Infinity
  return one.boreMm < outside(other) && other.boreMm < outside(one)
}

/** What a part bears on, or would when the row is pushed together: the nearest that is in its way. */
export function bearingsOf(row: readonly Seated[], part: Seated): readonly Bearing[] {
  const middle = (each: Seated): number => each.fromMm + each.toMm
  const others = row.filter((each) => each !== part && isInWay(each, part))
  const shoulders = stretchesOf(part.member).filter(({ diameterMm }) => diameterMm > part.boreMm)
  const before = others.filter((each) => middle(each) < middle(part)).at(-1)
  const after = others.find((each) => middle(each) > middle(part))
  const collarBefore = shoulders.filter((each) => each.fromMm + each.toMm < middle(part)).at(-1)
  const collarAfter = shoulders.find((each) => each.fromMm + each.toMm > middle(part))
  return [
    {
      towards: 'input-end',
      on:
        collarBefore && collarBefore.toMm >= (before?.toMm ?? -Infinity)
          ? { shoulderMm: collarBefore.diameterMm }
          : before
            ? { ref: before.ref }
            : null,
    },
    {
      towards: 'output-end',
      on:
        collarAfter && collarAfter.fromMm <= (after?.fromMm ?? Infinity)
          ? { shoulderMm: collarAfter.diameterMm }
          : after
            ? { ref: after.ref }
            : null,
    },
  ]
}

/** Over which end of its shaft a part comes off. */
export type WayOff =
  /** It is opened, or is in two halves. */
  | { readonly how: 'sideways' }
  /** Over one end or either; over none where the shaft is thicker on both sides. */
  | { readonly how: 'along'; readonly over: readonly ShaftEnd[] }

/** How a piece comes off its shaft; undefined of one that sits on none. */
export function wayOff(index: BoxIndex, piece: Piece): WayOff | undefined {
  const seat = seatOf(index, piece)
  if (!seat) return undefined
  if (opens(piece)) return { how: 'sideways' }
  return { how: 'along', over: endsOver(index, seat) }
}

/** The same of a gear that is not cut into its shaft. */
export function wayOffOfGear(index: BoxIndex, gear: Gear): WayOff | undefined {
  const seat = seatOfGear(index, gear)
  if (!seat || gear.mount === 'integral') return undefined
  return { how: 'along', over: endsOver(index, seat) }
}

function endsOver(index: BoxIndex, { ref, member, boreMm, fromMm, toMm }: Seated): ShaftEnd[] {
  const inWay = [
    ...stretchesOf(member).filter(({ diameterMm }) => diameterMm > boreMm),
    // A gear that is cut into the shaft is higher than the shaft.
    ...index.draft.gears
      .filter((gear) => gear.member === member.id && gear.mount === 'integral')
      .flatMap((gear) => seatOfGear(index, gear) ?? [])
      .filter((seat) => seat.ref !== ref),
  ]
  const middleMm = (fromMm + toMm) / 2
  const isFree = (end: ShaftEnd): boolean =>
    inWay.every((each) => (end === 'input-end' ? each.fromMm >= middleMm : each.toMm <= middleMm))
  return (['input-end', 'output-end'] as const).filter(isFree)
}
