/** Everything that sits on shafts as rings: what stands there, and over which end it comes off. */
import { pathTo, readPath } from '../box/partPath.ts'
import type { BoxIndex } from '../box/box.ts'
import { hasHub } from '../box/couplers.ts'
import { outsideOf } from '../box/outside.ts'
import { PIECE_DEFINITIONS, opens, rowOf, stretchesOf } from '../box/pieces/index.ts'
import type { Member, Piece, PieceKind, ShaftEnd } from '../box/types.ts'
import { SHAFT_ENDS } from '../box/types.ts'
import { pieceOfRef, refOfPiece } from '../job/unitParts.ts'

import type { UnitLookup, InRow } from './lookup.ts'
import { memberIdOf } from './lookup.ts'
import type { Ring } from './row.ts'
import { isBeyond, ringsRound, waysOffRow } from './row.ts'

/** An open ring is opened with pliers, which need so much room beside it. */
const PLIERS_MM = 4
/** Half the width of a hub and of a sleeve, and how far they stand over their shaft. */
const HALF_HUB_MM = 7
const HUB_WALL_MM = 10
const SLEEVE_WALL_MM = 6

/** Bearings that a shaft turns in the case with. */
const IN_CASE: ReadonlySet<PieceKind> = new Set<PieceKind>([
  'ball-bearing',
  'roller-bearing',
  'taper-bearing',
])

/** Where every part stands that sits on a shaft. */
export function rowsOf(lookup: UnitLookup): ReadonlyMap<string, InRow> {
  const found = new Map<string, InRow>()
  for (const member of lookup.index.draft.members) {
    const rings = ringsOn(lookup, member)
    const ways = waysOffRow(
      outlineOf(lookup.index, member, lookup.stay.get(member.id) ?? new Set()),
      rings,
    )
    const bearings = rings.filter(({ id }) => {
      const kind = pieceOfRef(lookup.index, id)?.kind
      return kind !== undefined && IN_CASE.has(kind)
    })
    const ends = SHAFT_ENDS.filter((end) => isOpenBeyond(lookup.index, member, bearings, end))
    rings.forEach((ring, at) => {
      const { id, fromMm, toMm } = ring
      const atMm = (fromMm + toMm) / 2
      const outboard = ends.find((end) => bearings.every((each) => isBeyond(end, ring, each)))
      found.set(id, {
        member,
        atMm,
        outboard,
        // What lies under another cannot be taken hold of.
        ways: (ways[at] ?? []).map((way) => ({
          ...way,
          face: null,
          blockedBy: [...way.blockedBy, ...ringsRound(rings, ring).map((each) => each.id)],
        })),
      })
    })
  }
  return found
}

/** Whether no gear and no hub of a shaft but what is outside the case stands further towards an end than its bearings. */
function isOpenBeyond(
  { draft }: BoxIndex,
  member: Member,
  bearings: readonly Ring[],
  end: ShaftEnd,
): boolean {
  const stations = [
    ...draft.gears.filter(
      (gear) => gear.member === member.id && !outsideOf(draft).sprockets.has(gear.id),
    ),
    ...draft.couplers.filter(({ hub }) => hub === member.id),
  ].map(({ stationMm }) => ({ fromMm: stationMm, toMm: stationMm }))
  return (
    bearings.length > 0 &&
    stations.every((at) => bearings.some((bearing) => !isBeyond(end, at, bearing)))
  )
}

/**
 * Gears that stay on their shaft for good: those that are cut into it, and those that turn
 * with it and pass over neither of its ends.
 */
export function gearsForGood(index: BoxIndex, member: Member): ReadonlySet<string> {
  const gears = index.draft.gears.filter((gear) => gear.member === member.id)
  const stay = new Set(gears.filter(({ mount }) => mount === 'integral').map(({ id }) => id))
  const fixed = gears.filter(({ mount }) => mount === 'fixed')
  for (;;) {
    const rings = fixed
      .filter(({ id }) => !stay.has(id))
      .flatMap(({ id }) => ringOfGear(index, member, id) ?? [])
    const held = waysOffRow(outlineOf(index, member, stay), rings).flatMap((ways, at) =>
      ways.length === 0 ? readPath(rings[at]?.id ?? '').id : [],
    )
    if (held.length === 0) return stay
    for (const id of held) stay.add(id)
  }
}

function ringOfGear(index: BoxIndex, member: Member, id: string): Ring | undefined {
  const seat = rowOf(index, member.id).find(({ ref }) => ref === pathTo('gear', id))
  return seat && { ...seat, id: seat.ref, outsideMm: Infinity }
}

/** How thick a member is all along, gears that stay on it among it. */
function outlineOf(index: BoxIndex, member: Member, stay: ReadonlySet<string>) {
  return [
    ...stretchesOf(member),
    ...[...stay].flatMap((id) => {
      const ring = ringOfGear(index, member, id)
      return ring ? [{ fromMm: ring.fromMm, toMm: ring.toMm, diameterMm: Infinity }] : []
    }),
  ]
}

/** What stands on a member as rings: pieces, gears, hubs with their sleeves, tubes round it. */
function ringsOn({ index, shafts, stay }: UnitLookup, member: Member): readonly Ring[] {
  const standing = rowOf(index, member.id).flatMap((seat): Ring[] => {
    const { kind, id: seated } = readPath(seat.ref)
    if (kind === 'gear' && stay.get(member.id)?.has(seated) === true) return []
    const piece = kind === 'piece' ? index.pieces.get(seated) : undefined
    const room = piece && opens(piece) ? { roomMm: roomOf(piece) } : {}
    const { fromMm, toMm, boreMm, outsideMm = Infinity } = seat
    const id = piece ? refOfPiece(index, piece) : seat.ref
    return [{ id, fromMm, toMm, boreMm, outsideMm, ...room }]
  })
  const thickMm = (atMm: number): number =>
    Math.max(
      0,
      ...stretchesOf(member)
        .filter(({ fromMm, toMm }) => fromMm < atMm + HALF_HUB_MM && toMm > atMm - HALF_HUB_MM)
        .map(({ diameterMm }) => diameterMm),
    )
  const hubs = index.draft.couplers
    .filter((coupler) => memberIdOf(index, coupler.hub) === member.id && hasHub(coupler))
    .flatMap((coupler): Ring[] => {
      const { id, stationMm } = coupler
      const boreMm = thickMm(stationMm)
      const hub = [...index.pieces.values()].find(
        ({ kind, coupler: of }) => kind === 'hub' && of === id,
      )
      const at = { fromMm: stationMm - HALF_HUB_MM, toMm: stationMm + HALF_HUB_MM }
      const overMm = boreMm + 2 * HUB_WALL_MM
      const sleeve: Ring = {
        id: pathTo('sleeve', id),
        ...at,
        boreMm: hub ? overMm : boreMm,
        outsideMm: overMm + 2 * SLEEVE_WALL_MM,
      }
      return hub
        ? [{ id: refOfPiece(index, hub), ...at, boreMm, outsideMm: overMm }, sleeve]
        : [sleeve]
    })
  const tubes = shafts
    .filter(({ core }) => core?.id === member.id)
    .map(({ member: tube }): Ring => ({
      id: pathTo('shaft', tube.id),
      fromMm: tube.fromMm,
      toMm: tube.toMm,
      boreMm: Math.max(
        0,
        ...rowOf(index, member.id)
          .filter(({ ref }) => pieceOfRef(index, ref)?.carries?.includes(tube.id))
          .map(({ outsideMm = 0 }) => outsideMm),
        ...stretchesOf(member)
          .filter(({ fromMm, toMm }) => fromMm < tube.toMm && toMm > tube.fromMm)
          .map(({ diameterMm }) => diameterMm),
      ),
      outsideMm: Infinity,
    }))
  return [...standing, ...hubs, ...tubes]
}

/** The room that it takes to open a piece: none where it is in halves. */
function roomOf({ kind, isSplit }: Piece): number {
  const isOpened = PIECE_DEFINITIONS[kind].drawn?.shape === 'open-ring'
  return isOpened && isSplit !== true ? PLIERS_MM : 0
}
