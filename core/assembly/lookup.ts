/**
 * What the ways of parts are found from: the pieces by kind, the shafts, what stays on them,
 * and where everything stands that sits on one.
 */
import type { BoxIndex } from '../box/box.ts'
import { kindsWhere } from '../box/pieces/index.ts'
import type { ClosingSide, Member, Piece, PieceKind, ShaftEnd } from '../box/types.ts'
import { pieceOfRef } from '../job/unitParts.ts'

import type { Way } from './removal.ts'
import type { Shaft } from './shafts.ts'

/** A way off, and which side of the case faces the person meanwhile; null where it is no matter. */
export interface AssemblyWay extends Way {
  readonly over: ShaftEnd | 'sideways' | ClosingSide
  readonly face: ClosingSide | null
}

/** What closes the case. */
export const CLOSERS = kindsWhere(({ closesCase }) => closesCase === true)
/** Forks and plates: what they belong to cannot leave the case before them. */
export const HOLDERS = kindsWhere(({ holdsShaft }) => holdsShaft === true)
/** Lies between a hub and its sleeve. */
export const IN_HUB = kindsWhere(({ comesOff }) => comesOff === 'in-hub')

/** What is looked up again and again while the ways are found. */
export interface UnitLookup {
  readonly index: BoxIndex
  readonly pieces: readonly { readonly piece: Piece; readonly ref: string }[]
  readonly shafts: readonly Shaft[]
  /** By member, the gears that never come off it. */
  readonly stay: ReadonlyMap<string, ReadonlySet<string>>
  /** The references of all pieces of some kinds, of those that are asked for. */
  readonly refsOf: (kinds: readonly PieceKind[], is?: (piece: Piece) => boolean) => string[]
}

/** A part on its shaft, with its ways along it. */
export interface InRow {
  readonly member: Member
  readonly ways: readonly AssemblyWay[]
  readonly atMm: number
  /** Beyond the bearing at that end, where it comes off while its shaft is in the case. */
  readonly outboard: ShaftEnd | undefined
}

/** The member that a body is, or sits on. */
export function memberIdOf({ gears, members }: BoxIndex, body: string): string | undefined {
  return members.get(body)?.id ?? gears.get(body)?.member
}

/** What closes the case from a side. */
export function closersOver(
  { refsOf }: UnitLookup,
  side: ClosingSide | undefined,
): readonly string[] {
  return refsOf([...CLOSERS], ({ closesFrom }) => closesFrom === side)
}

/** Whether a holder carries a member. */
export function carries({ index }: UnitLookup, ref: string, member: string): boolean {
  return pieceOfRef(index, ref)?.carries?.includes(member) === true
}

/** The seal of a shaft at an end, with its station. */
function sealAt(
  { refsOf }: UnitLookup,
  rows: ReadonlyMap<string, InRow>,
  member: string,
  end: ShaftEnd | undefined,
): { readonly ref: string; readonly atMm: number } | undefined {
  return refsOf(['seal'], ({ on }) => on === member)
    .flatMap((ref) => {
      const row = rows.get(ref)
      return row?.outboard === end && row !== undefined ? [{ ref, atMm: row.atMm }] : []
    })
    .at(0)
}

/** Whether a part stands outside the seal of its shaft: a flange and its nut. */
export function isOutside(
  lookup: UnitLookup,
  rows: ReadonlyMap<string, InRow>,
  ref: string,
  { member, outboard, atMm }: InRow,
): boolean {
  const kind = pieceOfRef(lookup.index, ref)?.kind
  if (kind === 'seal' || kind === 'pilot-bearing') return false
  const seal = sealAt(lookup, rows, member.id, outboard)
  return seal !== undefined && (outboard === 'output-end' ? atMm > seal.atMm : atMm < seal.atMm)
}
