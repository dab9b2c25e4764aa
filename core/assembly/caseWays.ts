/** What is put into the case and onto it, and what each of it waits for. */
import { pathTo } from '../box/partPath.ts'
import type { Piece } from '../box/types.ts'
import { CLOSING_SIDES } from '../box/types.ts'
import type { UnitPart } from '../job/unitParts.ts'
import { pieceOfRef } from '../job/unitParts.ts'

import type { AssemblyWay, UnitLookup, InRow } from './lookup.ts'
import { CLOSERS, HOLDERS, IN_HUB, carries, closersOver, isOutside, memberIdOf } from './lookup.ts'
import type { Shaft } from './shafts.ts'
import { crossings } from './shafts.ts'

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
    ...refsOf([...HOLDERS], isMovedBy),
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
        .map((other) => pathTo('shaft', other.member.id)),
    ],
  }))
}
