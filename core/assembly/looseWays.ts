/** The ways off of what stands in no row: in the case, on it, or between a hub and its sleeve. */
import { pathTo } from '../box/partPath.ts'
import { isClutch } from '../box/couplers.ts'
import { outerRod } from '../box/selectors/rods.ts'
import { interlockSets } from '../box/selectors/propose.ts'
import type { LooseWay } from '../box/pieces/index.ts'
import { PIECE_DEFINITIONS } from '../box/pieces/index.ts'
import type { ClosingSide, Piece, PieceKind, Selector } from '../box/types.ts'
import type { UnitPart } from '../job/unitParts.ts'

import type { AssemblyWay, InRow, UnitLookup } from './lookup.ts'
import { CLOSERS, closersOver, isOutside, memberIdOf } from './lookup.ts'

/** A key has what covers it in its way so far to either side. */
const KEY_MM = 7

/** A piece that stands in no row, and what it is found among. */
interface Loose {
  readonly lookup: UnitLookup
  readonly rows: ReadonlyMap<string, InRow>
  readonly piece: Piece
}

function way(blockedBy: readonly string[], face: ClosingSide | null = null): AssemblyWay {
  return { over: face ?? 'sideways', face, blockedBy }
}

/**
 * The pieces of these kinds that belong to the same coupler or turn with the same member. A drum
 * belongs to no coupler, since it moves all of them.
 */
function ofOwner({ lookup, piece }: Loose, kinds: readonly PieceKind[]): readonly string[] {
  return lookup.refsOf(
    kinds,
    (each) =>
      each.on === piece.on &&
      (piece.coupler === undefined || each.coupler === undefined || each.coupler === piece.coupler),
  )
}

function shaftOf({ index }: UnitLookup, member: string | undefined): readonly string[] {
  return member !== undefined && index.members.has(member) ? [pathTo('shaft', member)] : []
}

/** The member that the piece’s coupler sits on. */
function hubOf({ lookup: { index }, piece }: Loose): string | undefined {
  return memberIdOf(index, index.couplers.get(piece.coupler ?? '')?.hub ?? '')
}

/** Keys, springs and balls lie under the sleeve, or under the plates of a friction clutch. */
function waysInHub(loose: Loose): readonly AssemblyWay[] {
  const { lookup, piece } = loose
  const coupler = lookup.index.couplers.get(piece.coupler ?? '')
  return coupler !== undefined && isClutch(coupler)
    ? [way(ofOwner(loose, ['friction-plate', 'steel-plate', 'apply-plate']))]
    : [way([pathTo('sleeve', piece.coupler ?? '')])]
}

/** What lies between rods comes out with any of them. */
function waysOfInterlock({ lookup, piece }: Loose): readonly AssemblyWay[] {
  const tied = interlockSets(lookup.index.draft).find(({ couplers }) =>
    couplers.has(piece.coupler ?? ''),
  )
  const rods = lookup.refsOf(['rod'], ({ coupler }) => tied?.couplers.has(coupler ?? '') === true)
  return rods.length > 0 ? rods.map((rod) => way([rod])) : [way([])]
}

/** What closes the case waits for its bolts, and for what stands outside it on what it carries. */
function waysOfCloser({ lookup, rows, piece }: Loose): readonly AssemblyWay[] {
  const outside = [...rows].flatMap(([ref, row]) =>
    row.outboard !== undefined &&
    row.outboard === piece.closesFrom &&
    piece.carries?.includes(row.member.id) === true &&
    isOutside(lookup, rows, ref, row)
      ? [ref]
      : [],
  )
  const clutch: readonly PieceKind[] =
    piece.closesFrom === 'input-end' ? ['release-bearing', 'clutch-fork'] : []
  return [
    way(
      [...lookup.refsOf(['bolt']), ...lookup.refsOf(clutch), ...outside],
      piece.closesFrom ?? null,
    ),
  ]
}

/** A key waits for its shaft, and for what covers it there. */
function waysOfKey({ lookup, rows, piece }: Loose): readonly AssemblyWay[] {
  const over = [...rows].filter(
    ([, row]) =>
      row.member.id === piece.on &&
      piece.stationMm !== undefined &&
      Math.abs(row.atMm - piece.stationMm) < KEY_MM,
  )
  return [way([...shaftOf(lookup, piece.on), ...over.map(([ref]) => ref)])]
}

/** A seal sits in what closes the case round its shaft. */
function waysOfSeal({ lookup, piece }: Loose): readonly AssemblyWay[] {
  const isRound = ({ carries }: Piece): boolean =>
    piece.on !== undefined && carries?.includes(piece.on) === true
  return [way(lookup.refsOf([...CLOSERS], isRound))]
}

/** The rods, as pieces, that move one of these couplers. */
function rodsMoving({ refsOf }: UnitLookup, couplers: readonly string[]): readonly string[] {
  return refsOf(['rod'], ({ coupler }) => couplers.includes(coupler ?? ''))
}

function movedBy({ places }: Selector): readonly string[] {
  return places.flatMap(({ couplers }) => Object.keys(couplers))
}

/** A rod waits for its ball, for what closes the case over it, and for rods that lie in it. */
function waysOfRod(loose: Loose): readonly AssemblyWay[] {
  const { lookup, piece } = loose
  const { selectors = [] } = lookup.index.draft
  const own = selectors.find((rod) => movedBy(rod).includes(piece.coupler ?? ''))
  const within = selectors.filter((rod) => own !== undefined && outerRod(selectors, rod) === own)
  return [
    way([
      ...ofOwner(loose, ['detent']),
      ...closersOver(lookup, 'above'),
      ...rodsMoving(lookup, within.flatMap(movedBy)),
    ]),
  ]
}

/** A fork waits for its rod, and for every other that passes through it. */
function waysOfFork(loose: Loose): readonly AssemblyWay[] {
  const { lookup, piece } = loose
  const through = (lookup.index.draft.selectors ?? []).filter(({ passes = [] }) =>
    passes.includes(piece.coupler ?? ''),
  )
  return [way([...ofOwner(loose, ['rod']), ...rodsMoving(lookup, through.flatMap(movedBy))])]
}

/** What those wait for that wait for something else than their shaft and what `behind` names. */
const WAYS_OF: Readonly<Record<LooseWay, (loose: Loose) => readonly AssemblyWay[]>> = {
  'in-hub': waysInHub,
  rod: waysOfRod,
  fork: waysOfFork,
  interlock: waysOfInterlock,
  closer: waysOfCloser,
  race: ({ lookup, piece }) => [
    way((piece.carries ?? []).flatMap((each) => shaftOf(lookup, memberIdOf(lookup.index, each)))),
  ],
  gasket: ({ lookup }) => [way(lookup.refsOf([...CLOSERS]))],
  'oil-guide': ({ lookup }) => [way(closersOver(lookup, 'above'))],
  key: waysOfKey,
  seal: waysOfSeal,
}

/** What is behind others of its own waits for them; what sits on a shaft, or within it, for the shaft. */
function waysBehind(loose: Loose): readonly AssemblyWay[] {
  const { lookup, piece } = loose
  const { sits, behind = [], isInsideOut } = PIECE_DEFINITIONS[piece.kind]
  const isWithShaft = sits === 'shaft' || isInsideOut === true
  return [
    way([
      ...ofOwner(loose, behind),
      ...(isWithShaft ? shaftOf(lookup, piece.on ?? hubOf(loose)) : []),
    ]),
  ]
}

/** The ways of a part that stands in no row; without a piece it is a ring that only the drawing tells of. */
export function waysOfLoose(
  lookup: UnitLookup,
  rows: ReadonlyMap<string, InRow>,
  { id }: UnitPart,
  piece: Piece | undefined,
): readonly AssemblyWay[] {
  // Such a ring lies loose beside its hub.
  if (!piece)
    return [
      way(shaftOf(lookup, memberIdOf(lookup.index, lookup.index.couplers.get(id)?.hub ?? ''))),
    ]
  const { comesOff } = PIECE_DEFINITIONS[piece.kind]
  return (comesOff ? WAYS_OF[comesOff] : waysBehind)({ lookup, rows, piece })
}
