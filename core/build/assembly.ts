/**
 * A unit as parts that come off: what each waits for, found from where it stands. On a shaft
 * that is diameters and shoulders (`row.ts`); in the case, what closes it, which shafts turn
 * in one another or lie before one another, which gears cannot pass, and what moves what.
 * What people state comes on top. Common practice where no other source is named.
 */
import type { BoxIndex } from '../box/box.ts'
import { indexBox } from '../box/box.ts'
import {
  PIECE_DEFINITIONS,
  WITH_HUBS,
  memberOfPiece,
  opens,
  rowOf,
  stretchesOf,
} from '../box/pieces/index.ts'
import type { ClosingSide, Coupler, Member, Piece, PieceKind, ShaftEnd } from '../box/types.ts'
import { CLOSING_SIDES, SHAFT_ENDS } from '../box/types.ts'
import type { UnitPart } from '../job/unitParts.ts'
import { pieceOfRef, refOfPiece, unitParts } from '../job/unitParts.ts'

import type { Removable, Way } from './removal.ts'
import { smallestCircle } from './removal.ts'
import type { Ring } from './row.ts'
import { isBeyond, ringsRound, waysOffRow } from './row.ts'
import { crossings, shaftsOf } from './shafts.ts'
import type { Shaft } from './shafts.ts'

/** A way off, and which side of the case faces the person meanwhile; null where it is no matter. */
export interface AssemblyWay extends Way {
  readonly over: ShaftEnd | 'sideways' | ClosingSide
  readonly face: ClosingSide | null
}

/** A part, or shafts that only move together, by the reference of the first. */
export interface AssemblyPart extends Removable<AssemblyWay> {
  readonly refs: readonly string[]
  readonly part: UnitPart
  /** The shaft that it is put on at the bench; null of what is put into the case or onto it. */
  readonly bench: string | null
  /** Its middle along its shaft, where it stands on one. */
  readonly atMm: number | undefined
}

/** Everything that comes apart, and the parts of the unit that are found in it. */
export interface Assembly {
  readonly parts: readonly AssemblyPart[]
  readonly byRef: ReadonlyMap<string, AssemblyPart>
  /** What people stated of parts that are not there any more. */
  readonly lost: readonly string[]
}

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
/** What closes the case. */
const CLOSERS: ReadonlySet<PieceKind> = new Set<PieceKind>([
  'end-plate',
  'intermediate-plate',
  'bearing-carrier',
  'tail-housing',
  'cover',
])
/** What holds a shaft in line at the bench is no part of what is put together. */
const TOOLS: ReadonlySet<PieceKind> = new Set<PieceKind>(['dummy-shaft'])
/** Lies between a hub and its sleeve. */
const IN_HUB: ReadonlySet<PieceKind> = new Set<PieceKind>(['hub-key', 'spring', 'ball'])

/** What is looked up again and again while the ways are found. */
interface Finding {
  readonly index: BoxIndex
  readonly pieces: readonly { readonly piece: Piece; readonly ref: string }[]
  readonly shafts: readonly Shaft[]
  /** By member, the gears that never come off it. */
  readonly stay: ReadonlyMap<string, ReadonlySet<string>>
  /** The references of all pieces of some kinds, of those that are asked for. */
  readonly refsOf: (kinds: readonly PieceKind[], is?: (piece: Piece) => boolean) => string[]
}

const KNOWN = new WeakMap<object, Assembly>()

/** The unit as parts that come off; found once for each draft. */
export function assemblyOf(draft: BoxIndex['draft']): Assembly {
  const known = KNOWN.get(draft)
  if (known) return known
  const made = assemble(indexBox(draft))
  KNOWN.set(draft, made)
  return made
}

function assemble(index: BoxIndex): Assembly {
  const pieces = (index.draft.pieces ?? []).map((piece) => ({
    piece,
    ref: refOfPiece(index, piece),
  }))
  const finding: Finding = {
    index,
    pieces,
    shafts: shaftsOf(index),
    stay: new Map(index.draft.members.map((member) => [member.id, gearsForGood(index, member)])),
    refsOf: (kinds, is = () => true) => [
      ...new Set(
        pieces.filter(({ piece }) => kinds.includes(piece.kind) && is(piece)).map(({ ref }) => ref),
      ),
    ],
  }
  const unit = unitParts(index.draft).filter((part) => isApart(finding, part))
  const rows = rowsOf(finding)
  const found = unit.map((part) => withStated(index, partOf(finding, rows, part)))
  const parts = inBundles(withBase(found))
  const byRef = new Map(parts.flatMap((part) => part.refs.map((ref) => [ref, part])))
  return {
    parts,
    byRef,
    lost: (index.draft.precedences ?? []).flatMap(({ first, then }) =>
      [first, then].filter((ref) => !byRef.has(ref)),
    ),
  }
}

/**
 * Shafts that only wait for one another move as one: gears in mesh that pass towards no end,
 * ends that are in one another.
 */
function inBundles(parts: readonly AssemblyPart[]): readonly AssemblyPart[] {
  const circle = smallestCircle(parts)
  const bundle = parts.filter(({ id, part }) => part.kind === 'shaft' && circle.includes(id))
  const [first, ...others] = bundle
  if (!first || others.length === 0 || bundle.length < circle.length) return parts
  const ids = new Set(circle)
  const ways = first.ways.flatMap((way): readonly AssemblyWay[] => {
    const same = others.map((other) => other.ways.find(({ over }) => over === way.over))
    const blockedBy = [way, ...same].flatMap((each) => each?.blockedBy ?? [])
    return same.includes(undefined)
      ? []
      : [{ ...way, blockedBy: [...new Set(blockedBy)].filter((id) => !ids.has(id)) }]
  })
  if (ways.length === 0) return parts
  const whole = { ...first, refs: bundle.flatMap(({ refs }) => refs), ways }
  const known = (id: string): string => (ids.has(id) ? first.id : id)
  return inBundles(
    parts
      .filter((part) => part === first || !ids.has(part.id))
      .map((part) =>
        part === first
          ? whole
          : {
              ...part,
              ways: part.ways.map((way) => ({ ...way, blockedBy: way.blockedBy.map(known) })),
            },
      ),
  )
}

/** Whether a part comes apart from the rest: a gear that stays on its shaft does not. */
function isApart({ index, stay }: Finding, { ref, kind, id }: UnitPart): boolean {
  if (kind === 'gear') return stay.get(index.gears.get(id)?.member ?? '')?.has(id) !== true
  if (kind === 'sleeve')
    return pieceOfRef(index, ref) !== undefined || hasSleeve(index.couplers.get(id))
  return kind === 'shaft' || kind === 'ring' || !TOOLS.has(kind)
}

/** Whether a coupler has a hub and a sleeve; of a sliding gear the teeth are its sleeve. */
function hasSleeve(coupler: Coupler | undefined): boolean {
  return coupler !== undefined && WITH_HUBS.has(coupler.kind)
}

/** A part on its shaft, with its ways along it. */
interface InRow {
  readonly member: Member
  readonly ways: readonly AssemblyWay[]
  readonly atMm: number
  /** Beyond the bearing at that end, where it comes off while its shaft is in the case. */
  readonly outboard: ShaftEnd | undefined
}

/** Where every part stands that sits on a shaft. */
function rowsOf(finding: Finding): ReadonlyMap<string, InRow> {
  const found = new Map<string, InRow>()
  for (const member of finding.index.draft.members) {
    const rings = ringsOn(finding, member)
    const ways = waysOffRow(
      outlineOf(finding.index, member, finding.stay.get(member.id) ?? new Set()),
      rings,
    )
    const bearings = rings.filter(({ id }) => {
      const kind = pieceOfRef(finding.index, id)?.kind
      return kind !== undefined && IN_CASE.has(kind)
    })
    const ends = SHAFT_ENDS.filter((end) => isOpenBeyond(finding.index, member, bearings, end))
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

/** Whether no gear and no hub of a shaft stands further towards an end than its bearings. */
function isOpenBeyond(
  { draft }: BoxIndex,
  member: Member,
  bearings: readonly Ring[],
  end: ShaftEnd,
): boolean {
  const stations = [
    ...draft.gears.filter((gear) => gear.member === member.id),
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
function gearsForGood(index: BoxIndex, member: Member): ReadonlySet<string> {
  const gears = index.draft.gears.filter((gear) => gear.member === member.id)
  const stay = new Set(gears.filter(({ mount }) => mount === 'integral').map(({ id }) => id))
  const fixed = gears.filter(({ mount }) => mount === 'fixed')
  for (;;) {
    const rings = fixed
      .filter(({ id }) => !stay.has(id))
      .flatMap(({ id }) => ringOfGear(index, member, id) ?? [])
    const held = waysOffRow(outlineOf(index, member, stay), rings).flatMap((ways, at) =>
      ways.length === 0 ? (rings[at]?.id.slice('gear:'.length) ?? []) : [],
    )
    if (held.length === 0) return stay
    for (const id of held) stay.add(id)
  }
}

function ringOfGear(index: BoxIndex, member: Member, id: string): Ring | undefined {
  const seat = rowOf(index, member.id).find(({ ref }) => ref === `gear:${id}`)
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
function ringsOn({ index, shafts, stay }: Finding, member: Member): readonly Ring[] {
  const seated = rowOf(index, member.id).flatMap((seat): Ring[] => {
    const piece = index.pieces.get(seat.ref.slice('piece:'.length))
    const isPiece = seat.ref.startsWith('piece:') && piece !== undefined
    const gear = index.gears.get(seat.ref.slice('gear:'.length))
    if (gear && stay.get(member.id)?.has(gear.id) === true) return []
    const room = isPiece && opens(piece) ? { roomMm: roomOf(piece) } : {}
    const { fromMm, toMm, boreMm, outsideMm = Infinity } = seat
    const id = isPiece ? refOfPiece(index, piece) : seat.ref
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
    .filter(({ hub, kind }) => memberIdOf(index, hub) === member.id && WITH_HUBS.has(kind))
    .flatMap((coupler): Ring[] => {
      const { id, stationMm } = coupler
      const boreMm = thickMm(stationMm)
      const hub = [...index.pieces.values()].find(
        ({ kind, coupler: of }) => kind === 'hub' && of === id,
      )
      const at = { fromMm: stationMm - HALF_HUB_MM, toMm: stationMm + HALF_HUB_MM }
      const overMm = boreMm + 2 * HUB_WALL_MM
      const sleeve: Ring = {
        id: `sleeve:${id}`,
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
      id: `shaft:${tube.id}`,
      fromMm: tube.fromMm,
      toMm: tube.toMm,
      boreMm: Math.max(
        0,
        ...rowOf(index, member.id)
          .filter(({ ref }) =>
            index.pieces.get(ref.slice('piece:'.length))?.carries?.includes(tube.id),
          )
          .map(({ outsideMm = 0 }) => outsideMm),
        ...stretchesOf(member)
          .filter(({ fromMm, toMm }) => fromMm < tube.toMm && toMm > tube.fromMm)
          .map(({ diameterMm }) => diameterMm),
      ),
      outsideMm: Infinity,
    }))
  return [...seated, ...hubs, ...tubes]
}

/** The room that it takes to open a piece: none where it is in halves. */
function roomOf({ kind, isSplit }: Piece): number {
  const isOpened = PIECE_DEFINITIONS[kind].drawn?.shape === 'open-ring'
  return isOpened && isSplit !== true ? PLIERS_MM : 0
}

function memberIdOf({ gears, members }: BoxIndex, body: string): string | undefined {
  return members.get(body)?.id ?? gears.get(body)?.member
}

/** A part with its ways, whatever it is. */
function partOf(finding: Finding, rows: ReadonlyMap<string, InRow>, part: UnitPart): AssemblyPart {
  const { ref, kind, id } = part
  const shaft = kind === 'shaft' ? finding.shafts.find(({ member }) => member.id === id) : undefined
  const row = rows.get(ref)
  const alone = { id: ref, refs: [ref], part }
  if (shaft && !shaft.core)
    return {
      ...alone,
      bench: null,
      atMm: undefined,
      ways: waysOut(finding, rows, shaft),
    }
  if (row) {
    const on = `shaft:${row.member.id}`
    const host = finding.shafts.find(({ member }) => member === row.member)
    const isOutboard = row.outboard !== undefined && !host?.core
    const ways = row.ways.map((way): AssemblyWay => {
      const isFree = isOutboard && (way.over === row.outboard || way.over === 'sideways')
      const within = [...way.blockedBy, ...withinHub(finding, part)]
      return {
        ...way,
        blockedBy: isFree ? [...within, ...coversOf(finding, rows, part, row)] : [...within, on],
      }
    })
    return { ...alone, bench: isOutboard ? null : row.member.id, atMm: row.atMm, ways }
  }
  const piece = pieceOfRef(finding.index, ref)
  const coupler = finding.index.couplers.get(piece?.coupler ?? (kind === 'ring' ? id : ''))
  const on = piece && memberOfPiece(finding.index, piece)
  const host = coupler ? memberIdOf(finding.index, coupler.hub) : on?.id
  const isOnBench = IN_HUB.has(kind as PieceKind) || kind === 'key' || kind === 'ring'
  const ways = waysOfLoose(finding, rows, part, piece)
  return {
    ...alone,
    bench: isOnBench && host !== undefined ? host : null,
    atMm: coupler?.stationMm ?? piece?.stationMm,
    ways,
  }
}

/** Keys, springs and balls keep a hub from coming off before them. */
function withinHub({ refsOf, index }: Finding, { ref, kind }: UnitPart): readonly string[] {
  if (kind !== 'hub') return []
  const coupler = pieceOfRef(index, ref)?.coupler
  return coupler === undefined ? [] : refsOf([...IN_HUB], (piece) => piece.coupler === coupler)
}

/** What closes the case over parts that stand beyond the bearing: all but what is outside its seal. */
function coversOf(
  finding: Finding,
  rows: ReadonlyMap<string, InRow>,
  { ref, kind }: UnitPart,
  row: InRow,
): readonly string[] {
  return kind === 'seal' || kind === 'pilot-bearing' || isOutside(finding, rows, ref, row)
    ? []
    : closersOver(finding, row.outboard).filter((closer) => carries(finding, closer, row.member.id))
}

function sealAt(
  { refsOf }: Finding,
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

/** What closes the case from a side. */
function closersOver({ refsOf }: Finding, side: ClosingSide | undefined): readonly string[] {
  return refsOf([...CLOSERS], ({ closesFrom }) => closesFrom === side)
}

function carries({ index }: Finding, ref: string, member: string): boolean {
  return pieceOfRef(index, ref)?.carries?.includes(member) === true
}

/** The ways of shafts out of their case. */
function waysOut(
  finding: Finding,
  rows: ReadonlyMap<string, InRow>,
  shaft: Shaft,
): readonly AssemblyWay[] {
  const { index, refsOf, shafts } = finding
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
      row.outboard !== undefined && row.member === member && isOutside(finding, rows, ref, row)
        ? [ref]
        : [],
    ),
  ]
  const hasClosers = refsOf([...CLOSERS]).length > 0
  const isSplit = finding.pieces.some(
    ({ piece }) => piece.kind === 'case' && piece.isSplit === true,
  )
  // An opening at an end lets through what is in line with what it carries; one that carries
  // nothing is as wide as the case.
  const opensFor = (closer: string): boolean => {
    const held = pieceOfRef(index, closer)?.carries ?? []
    return held.length === 0 || held.some(isInLine)
  }
  const sides = CLOSING_SIDES.filter(
    (side) =>
      closersOver(finding, side).some(
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
      ...closersOver(finding, side),
      ...others
        .filter((other) => crossings(index, shaft, other, side))
        .map(({ member }) => `shaft:${member.id}`),
    ],
  }))
}

/** Whether a part stands outside the seal of its shaft: a flange and its nut. */
function isOutside(
  finding: Finding,
  rows: ReadonlyMap<string, InRow>,
  ref: string,
  { member, outboard, atMm }: InRow,
): boolean {
  const kind = pieceOfRef(finding.index, ref)?.kind
  if (kind === 'seal' || kind === 'pilot-bearing') return false
  const seal = sealAt(finding, rows, member.id, outboard)
  return seal !== undefined && (outboard === 'output-end' ? atMm > seal.atMm : atMm < seal.atMm)
}

/** The ways of what stands in no row: in the case, on it, or between a hub and its sleeve. */
function waysOfLoose(
  finding: Finding,
  rows: ReadonlyMap<string, InRow>,
  { kind, id }: UnitPart,
  piece: Piece | undefined,
): readonly AssemblyWay[] {
  const { index, refsOf } = finding
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
      return [way([...ofCoupler('detent'), ...closersOver(finding, 'above')])]
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
              isOutside(finding, rows, ref, row)
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
      return [way(closersOver(finding, 'above'))]
    case 'key': {
      const over = [...rows].filter(
        ([, row]) =>
          row.member.id === piece.on &&
          piece.stationMm !== undefined &&
          Math.abs(row.atMm - piece.stationMm) < HALF_HUB_MM,
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

/** The case stays until all that is in it or on it is off; without one everything is loose. */
function withBase(parts: readonly AssemblyPart[]): readonly AssemblyPart[] {
  const others = parts.filter(({ part, bench }) => part.kind !== 'case' && bench === null)
  return parts.map((each) =>
    each.part.kind === 'case'
      ? {
          ...each,
          ways: [{ over: 'sideways', face: null, blockedBy: others.map(({ id }) => id) }],
        }
      : each,
  )
}

/** A part with what people stated: what goes in after it comes off before it. */
function withStated({ draft }: BoxIndex, part: AssemblyPart): AssemblyPart {
  const after = (draft.precedences ?? [])
    .filter(({ first }) => part.refs.includes(first))
    .map(({ then }) => then)
  return after.length === 0
    ? part
    : {
        ...part,
        ways: part.ways.map((way) => ({ ...way, blockedBy: [...way.blockedBy, ...after] })),
      }
}
