/** What is put into the case and onto it, and what each of it waits for. */
import { PIECE_DEFINITIONS } from '../box/pieces/index.ts'
import type { ClosingSide, Piece, PieceKind } from '../box/types.ts'
import { CLOSING_SIDES } from '../box/types.ts'
import type { UnitPart } from '../job/unitParts.ts'
import { pieceOfRef } from '../job/unitParts.ts'

import type { AssemblyWay, UnitLookup, InRow } from './lookup.ts'
import { CLOSERS, IN_HUB, carries, closersOver, isOutside, memberIdOf } from './lookup.ts'
import type { Shaft } from './shafts.ts'
import { crossings } from './shafts.ts'

/** A key has what covers it in its way so far to either side. */
const KEY_MM = 7

/** Keys, springs and balls keep a hub from coming off before them. */
export function withinHub(
  { refsOf, index }: UnitLookup,
  { ref, kind }: UnitPart,
): readonly string[] {
  if (kind !== 'hub') return []
  const coupler = pieceOfRef(index, ref)?.coupler
  return coupler === undefined ? [] : refsOf([...IN_HUB], (piece) => piece.coupler === coupler)
}

/** What closes the case over parts that stand beyond the bearing: all but what is outside its seal. */
export function coversOf(
  lookup: UnitLookup,
  rows: ReadonlyMap<string, InRow>,
  { ref, kind }: UnitPart,
  row: InRow,
): readonly string[] {
  return kind === 'seal' || kind === 'pilot-bearing' || isOutside(lookup, rows, ref, row)
    ? []
    : closersOver(lookup, row.outboard).filter((closer) => carries(lookup, closer, row.member.id))
}

/** The ways of shafts out of their case. */
export function waysOut(
  lookup: UnitLookup,
  rows: ReadonlyMap<string, InRow>,
  shaft: Shaft,
): readonly AssemblyWay[] {
  const { index, refsOf, shafts } = lookup
  const { member } = shaft
  const isOnIt = (body: string | undefined): boolean => {
    const id = body === undefined ? undefined : memberIdOf(index, body)
    return id !== undefined && (id === member.id || shaft.tubes.has(id))
  }
  const isInLine = (body: string): boolean =>
    index.members.get(memberIdOf(index, body) ?? '')?.axis === member.axis
  const isMovedBy = ({ coupler }: Piece): boolean => isOnIt(index.couplers.get(coupler ?? '')?.hub)
  const always = [
    ...refsOf(['fork', 'friction-plate', 'steel-plate', 'clutch-disc'], isMovedBy),
    // What a shaft turns on, or what carries it and closes the case.
    ...refsOf(['idler-pin', ...CLOSERS], ({ carries: held }) => held?.some(isOnIt) === true),
    // What is wider than its bearing holds it from outside.
    ...[...rows].flatMap(([ref, row]) =>
      row.outboard !== undefined && row.member === member && isOutside(lookup, rows, ref, row)
        ? [ref]
        : [],
    ),
  ]
  const hasClosers = refsOf([...CLOSERS]).length > 0
  const isSplit = lookup.pieces.some(({ piece }) => piece.kind === 'case' && piece.isSplit === true)
  // An opening at an end lets through what is in line with what it carries; one that carries
  // nothing is as wide as the case.
  const opensFor = (closer: string): boolean => {
    const held = pieceOfRef(index, closer)?.carries ?? []
    return held.length === 0 || held.some(isInLine)
  }
  const sides = CLOSING_SIDES.filter(
    (side) =>
      closersOver(lookup, side).some(
        (closer) => (side !== 'input-end' && side !== 'output-end') || opensFor(closer),
      ) ||
      (!hasClosers && side !== 'below' && side !== 'beside') ||
      (isSplit && side === 'beside'),
  )
  const others = shafts.filter((other) => other !== shaft && !other.core)
  return sides.map((side) => ({
    over: side,
    face: side,
    blockedBy: [
      ...always,
      ...closersOver(lookup, side),
      ...others
        .filter((other) => crossings(index, shaft, other, side))
        .map((other) => `shaft:${other.member.id}`),
    ],
  }))
}

/** The ways of what stands in no row: in the case, on it, or between a hub and its sleeve. */
export function waysOfLoose(
  lookup: UnitLookup,
  rows: ReadonlyMap<string, InRow>,
  { kind, id }: UnitPart,
  piece: Piece | undefined,
): readonly AssemblyWay[] {
  const { index, refsOf } = lookup
  const way = (blockedBy: readonly string[], face: ClosingSide | null = null): AssemblyWay => ({
    over: face ?? 'sideways',
    face,
    blockedBy,
  })
  const ofCoupler = (...kinds: PieceKind[]): string[] =>
    refsOf(kinds, (each) => each !== piece && each.coupler === piece?.coupler)
  const shaftOf = (member: string | undefined): string[] =>
    member !== undefined && index.members.has(member) ? [`shaft:${member}`] : []
  if (!piece) {
    // A ring that only the drawing tells of: it lies loose beside its hub.
    const hub = memberIdOf(index, index.couplers.get(id)?.hub ?? '')
    return [way(shaftOf(hub))]
  }
  const carried = (piece.carries ?? []).flatMap((each) => shaftOf(memberIdOf(index, each)))
  switch (piece.kind) {
    case 'hub-key':
    case 'spring':
    case 'ball': {
      const coupler = index.couplers.get(piece.coupler ?? '')
      return coupler?.kind === 'friction-clutch'
        ? [way(ofCoupler('friction-plate', 'steel-plate'))]
        : [way([`sleeve:${piece.coupler ?? ''}`])]
    }
    case 'piston':
      return [way(ofCoupler('friction-plate', 'steel-plate', 'spring'))]
    case 'fork':
      return [way(ofCoupler('rod'))]
    case 'rod':
      return [way([...ofCoupler('detent'), ...closersOver(lookup, 'above')])]
    case 'interlock-ball': {
      const tied = index.draft.interlocks?.find(({ couplers }) =>
        couplers.includes(piece.coupler ?? ''),
      )
      const rods = refsOf(['rod'], ({ coupler }) => tied?.couplers.includes(coupler ?? '') === true)
      return rods.length > 0 ? rods.map((rod) => way([rod])) : [way([])]
    }
    case 'release-bearing':
      return [way(refsOf(['clutch-fork']))]
    case 'bearing-carrier':
    case 'end-plate':
    case 'intermediate-plate':
    case 'tail-housing':
    case 'cover':
      return [
        way(
          [
            ...refsOf(['bolt']),
            ...(piece.closesFrom === 'input-end'
              ? refsOf(['release-bearing', 'clutch-fork', 'clutch-disc'])
              : []),
            ...[...rows].flatMap(([ref, row]) =>
              row.outboard === piece.closesFrom &&
              row.outboard !== undefined &&
              piece.carries?.includes(row.member.id) === true &&
              isOutside(lookup, rows, ref, row)
                ? [ref]
                : [],
            ),
          ],
          piece.closesFrom ?? null,
        ),
      ]
    case 'bearing-race':
      return [way(carried)]
    case 'gasket':
      return [way(refsOf([...CLOSERS]))]
    case 'oil-guide':
      return [way(closersOver(lookup, 'above'))]
    case 'key': {
      const over = [...rows].filter(
        ([, row]) =>
          row.member.id === piece.on &&
          piece.stationMm !== undefined &&
          Math.abs(row.atMm - piece.stationMm) < KEY_MM,
      )
      return [way([...shaftOf(piece.on), ...over.map(([ref]) => ref)])]
    }
    case 'seal':
      return [
        way(
          refsOf(
            [...CLOSERS],
            ({ carries: held }) => piece.on !== undefined && held?.includes(piece.on) === true,
          ),
        ),
      ]
    default:
      // What sits on a shaft without a place on it comes off when the shaft is out.
      return [way(PIECE_DEFINITIONS[kind as PieceKind].sits === 'shaft' ? shaftOf(piece.on) : [])]
  }
}
