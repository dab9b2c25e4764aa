/**
 * Parts of another unit that may stand in for one of this: alike in every figure that is
 * known of both. Whether one fits is for a person to see who has both in hand.
 */
import { pathTo, pathToRing, readPath } from '../box/partPath.ts'
import type { BoxIndex } from '../box/box.ts'
import { indexBox } from '../box/box.ts'
import { pairsOf } from '../box/links/index.ts'
import type { BoxDraft, Gear, Piece } from '../box/types.ts'
import { pieceOfRef, refOfPiece } from './unitParts.ts'

/** The counts of the gears that a gear runs with, in order; null while one is not counted. */
function mateCounts({ draft, gears }: BoxIndex, { id }: Gear): readonly (number | null)[] {
  return draft.links
    .flatMap(pairsOf)
    .flatMap(({ a, b }) => (a === id ? [b] : b === id ? [a] : []))
    .map((mate) => gears.get(mate)?.toothCount ?? null)
    .sort((one, other) => (one ?? 0) - (other ?? 0))
}

/** Gears are alike by their teeth, their mates' teeth, and how they sit; uncounted ones by nothing. */
function areGearsAlike(index: BoxIndex, gear: Gear, other: BoxIndex, candidate: Gear): boolean {
  const [own, theirs] = [mateCounts(index, gear), mateCounts(other, candidate)]
  return (
    gear.toothCount !== null &&
    gear.toothCount === candidate.toothCount &&
    gear.mount === candidate.mount &&
    (gear.helixAngleDeg ?? candidate.helixAngleDeg) ===
      (candidate.helixAngleDeg ?? gear.helixAngleDeg) &&
    own.length === theirs.length &&
    own.every((count, at) => count !== null && count === theirs[at])
  )
}

/** Pieces are alike by their part numbers, or by all of their sizes. */
function arePiecesAlike(one: Piece, other: Piece): boolean {
  if (one.kind !== other.kind) return false
  if (one.partNumber !== undefined && other.partNumber !== undefined)
    return one.partNumber === other.partNumber
  const sizes = ['boreMm', 'outsideMm', 'lengthMm'] as const
  return sizes.every((size) => one[size] !== undefined && one[size] === other[size])
}

/** The gear that a ring works on. */
function gearOfRing({ couplers, gears }: BoxIndex, ref: string): Gear | undefined {
  const { id, place } = readPath(ref)
  const engages = couplers.get(id)?.positions.find((each) => each.id === place)?.engages ?? []
  return engages.flatMap((each) => (each.kind === 'lock' ? (gears.get(each.body) ?? []) : []))[0]
}

/** Members that carry gears alike, one for one, and are of one kind. */
function areShaftsAlike(index: BoxIndex, id: string, other: BoxIndex, candidate: string): boolean {
  const gearsOn = ({ draft }: BoxIndex, member: string): readonly Gear[] =>
    draft.gears
      .filter((gear) => gear.member === member)
      .sort((one, next) => one.stationMm - next.stationMm)
  const [own, theirs] = [gearsOn(index, id), gearsOn(other, candidate)]
  return (
    index.members.get(id)?.kind === other.members.get(candidate)?.kind &&
    own.length > 0 &&
    own.length === theirs.length &&
    own.every((gear, at) => {
      const mate = theirs[at]
      return mate !== undefined && areGearsAlike(index, gear, other, mate)
    })
  )
}

/** References to the parts of another unit that are alike with one of this. */
export function alikeParts(draft: BoxDraft, ref: string, spare: BoxDraft): readonly string[] {
  const [index, other] = [indexBox(draft), indexBox(spare)]
  const { kind, id } = readPath(ref)
  const piece = pieceOfRef(index, ref)
  const byPiece = piece
    ? (spare.pieces ?? [])
        .filter((candidate) => arePiecesAlike(piece, candidate))
        .map((candidate) => refOfPiece(other, candidate))
    : []
  if (kind === 'gear') {
    const gear = index.gears.get(id)
    if (!gear) return []
    return spare.gears
      .filter((candidate) => areGearsAlike(index, gear, other, candidate))
      .map((candidate) => pathTo('gear', candidate.id))
  }
  if (kind === 'shaft')
    return spare.members
      .filter((candidate) => areShaftsAlike(index, id, other, candidate.id))
      .map((candidate) => pathTo('shaft', candidate.id))
  if (kind === 'ring') {
    const gear = gearOfRing(index, ref)
    const rings = spare.couplers.flatMap((coupler) =>
      coupler.positions.map((place) => pathToRing(coupler.id, place.id)),
    )
    const byGear = rings.filter((each) => {
      const candidate = gearOfRing(other, each)
      return gear && candidate && areGearsAlike(index, gear, other, candidate)
    })
    return [...new Set([...byPiece, ...byGear])]
  }
  return byPiece
}
