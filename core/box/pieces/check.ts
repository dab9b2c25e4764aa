/** What cannot be of the pieces of a box. Nothing of it keeps the box from being traced. */
import { readPath } from '../partPath.ts'
import type { BoxIndex } from '../box.ts'
import type { BoxIssue } from '../issues.ts'
import type { Member, Path, Piece } from '../types.ts'
import { opens } from './kinds.ts'
import type { Seated } from './stack.ts'
import { memberOfPiece, rowOf, seatOf, wayOff } from './stack.ts'
import { stretchesOf } from './shafts.ts'

/** Stations are placed by whole millimetres, so that parts may stand so far in one another. */
const OVERLAP_TOLERANCE_MM = 1

/** Everything that is wrong with the pieces, each at its piece or at the shaft that holds it. */
export function checkPieces(index: BoxIndex): readonly BoxIssue[] {
  const pieces = index.draft.pieces ?? []
  if (pieces.length === 0) return []
  const at = new Map(pieces.map((piece, which) => [piece.id, which]))
  const pathOf = (id: string): Path => ['pieces', at.get(id) ?? 0]
  return [
    ...pieces.flatMap((piece) => lostEnds(index, piece, pathOf(piece.id))),
    ...pieces.flatMap((piece) => wrongSizes(index, piece, pathOf(piece.id))),
    ...doubled(pieces, pathOf),
    ...index.draft.members.flatMap((member, which) => [
      ...overlaps(index, member, pathOf),
      ...tooLong(index, member, ['members', which]),
    ]),
  ]
}

/** Where a piece says that it belongs to something that is not there. */
function lostEnds(index: BoxIndex, piece: Piece, path: Path): BoxIssue[] {
  const isThere = (id: string): boolean => index.members.has(id) || index.gears.has(id)
  const coupler = index.couplers.get(piece.coupler ?? '')
  const lost = [
    ...(piece.on !== undefined && !isThere(piece.on) ? [piece.on] : []),
    ...(piece.carries ?? []).filter((id) => !isThere(id)),
    ...(piece.coupler !== undefined && !coupler ? [piece.coupler] : []),
    ...(coupler && piece.place !== undefined
      ? [piece.place].filter((id) => !coupler.positions.some((place) => place.id === id))
      : []),
  ]
  const there = index.pieces
  for (const { with: other } of piece.marks ?? [])
    if (other !== undefined && (other === piece.id || !there.has(other))) lost.push(other)
  return lost.map((id) => ({ code: 'piece-nowhere', path, piece: piece.id, id }))
}

function wrongSizes(index: BoxIndex, piece: Piece, path: Path): BoxIssue[] {
  const issues: BoxIssue[] = []
  const { boreMm, outsideMm } = piece
  if (boreMm !== undefined && outsideMm !== undefined && boreMm >= outsideMm)
    issues.push({ code: 'bore-over-outside', path, piece: piece.id, boreMm, outsideMm })
  const seat = seatOf(index, piece)
  if (!seat) return issues
  const { member, fromMm, toMm } = seat
  if (toMm <= member.fromMm || fromMm >= member.toMm)
    issues.push({
      code: 'piece-off-its-shaft',
      path,
      piece: piece.id,
      stationMm: (fromMm + toMm) / 2,
      fromMm: member.fromMm,
      toMm: member.toMm,
    })
  const thickest = Math.max(
    0,
    ...stretchesOf(member)
      .filter((each) => each.isStated && each.fromMm < toMm && each.toMm > fromMm)
      .map(({ diameterMm }) => diameterMm),
  )
  if (boreMm !== undefined && boreMm < thickest)
    issues.push({
      code: 'bore-under-shaft',
      path,
      piece: piece.id,
      boreMm,
      shaftMm: thickest,
    })
  else {
    const way = opens(piece) ? undefined : wayOff(index, piece)
    if (way?.how === 'along' && way.over.length === 0)
      issues.push({ code: 'piece-trapped', path, piece: piece.id, boreMm: seat.boreMm })
  }
  return issues
}

/** Two pieces of one kind for the same place of a coupler. */
function doubled(pieces: readonly Piece[], pathOf: (id: string) => Path): BoxIssue[] {
  const first = new Map<string, string>()
  return pieces.flatMap(({ id, kind, coupler, place }): BoxIssue[] => {
    if (coupler === undefined || (kind !== 'ring' && kind !== 'sleeve' && kind !== 'hub')) return []
    const key = [kind, coupler, place ?? ''].join('\n')
    const other = first.get(key)
    if (other !== undefined)
      return [{ code: 'piece-doubled', path: pathOf(id), piece: id, other, coupler }]
    first.set(key, id)
    return []
  })
}

/** The length that somebody stated of what is seated; undefined where nobody did. */
function statedMm({ gears, draft }: BoxIndex, { ref }: Seated): number | undefined {
  const { kind, id } = readPath(ref)
  return kind === 'gear'
    ? gears.get(id)?.faceWidthMm
    : draft.pieces?.find((piece) => piece.id === id)?.lengthMm
}

/** Pieces that would stand in one another, of those whose lengths are stated. */
function overlaps(index: BoxIndex, member: Member, pathOf: (id: string) => Path): BoxIssue[] {
  const row = rowOf(index, member.id).filter((each) => statedMm(index, each) !== undefined)
  const issues: BoxIssue[] = []
  row.forEach((one, which) => {
    for (const other of row.slice(which + 1)) {
      const byMm = Math.min(one.toMm, other.toMm) - Math.max(one.fromMm, other.fromMm)
      const isApart =
        one.boreMm >= (other.outsideMm ?? Infinity) || other.boreMm >= (one.outsideMm ?? Infinity)
      if (byMm <= OVERLAP_TOLERANCE_MM || isApart) continue
      const isPiece = ({ ref }: Seated): boolean => readPath(ref).kind === 'piece'
      const [piece, met] = isPiece(one) ? [one, other] : [other, one]
      if (!isPiece(piece)) continue
      const id = piece.ref.slice('piece:'.length)
      issues.push({ code: 'pieces-overlap', path: pathOf(id), piece: id, other: met.ref, byMm })
    }
  })
  return issues
}

/**
 * Whether what stands on a shaft is longer than the shaft. Counted is what sits on the shaft
 * itself, with its stated length; of a gear on a bearing the longer of the two.
 */
function tooLong(index: BoxIndex, member: Member, path: Path): BoxIssue[] {
  const pieces = (index.draft.pieces ?? []).filter(
    (piece) => memberOfPiece(index, piece)?.id === member.id && seatOf(index, piece) !== undefined,
  )
  if (pieces.every(({ lengthMm }) => lengthMm === undefined)) return []
  const carried = new Set(pieces.flatMap(({ carries }) => carries ?? []))
  const faceMm = (id: string): number => index.gears.get(id)?.faceWidthMm ?? 0
  const stackMm =
    pieces.reduce(
      (sum, { lengthMm = 0, quantity = 1, carries = [] }) =>
        sum + Math.max(lengthMm * quantity, ...carries.map(faceMm)),
      0,
    ) +
    index.draft.gears
      .filter((gear) => gear.member === member.id && !carried.has(gear.id))
      .reduce((sum, { faceWidthMm = 0 }) => sum + faceWidthMm, 0)
  const shaftMm = member.toMm - member.fromMm
  return stackMm > shaftMm
    ? [{ code: 'stack-longer-than-shaft', path, member: member.id, stackMm, shaftMm }]
    : []
}
