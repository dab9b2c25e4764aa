/**
 * A unit as parts that come off: what each waits for, found from where it stands. On a shaft
 * that is diameters and shoulders (`row.ts`); in the case, what closes it, which shafts turn
 * in one another or lie before one another, which gears cannot pass, and what moves what.
 * What people state comes on top. Common practice where no other source is named.
 */
import { pathTo } from '../box/partPath.ts'
import type { BoxIndex } from '../box/box.ts'
import { indexBox } from '../box/box.ts'
import { oncePer } from '../box/oncePer.ts'
import { hasHub } from '../box/couplers.ts'
import { outsideOf } from '../box/outside.ts'
import { PIECE_DEFINITIONS, kindsWhere, memberOfPiece } from '../box/pieces/index.ts'
import type { BoxDraft, Coupler, PieceKind } from '../box/types.ts'
import type { UnitPart } from '../job/unitParts.ts'
import { pieceOfRef, refOfPiece, unitParts } from '../job/unitParts.ts'

import { coversOf, waysOut, withinHub } from './caseWays.ts'
import { waysOfLoose } from './looseWays.ts'
import type { AssemblyWay, UnitLookup, InRow } from './lookup.ts'
import { IN_HUB, memberIdOf } from './lookup.ts'
import type { Removable } from './removal.ts'
import { smallestCircle, stuckParts } from './removal.ts'
import { gearsForGood, rowsOf } from './rings.ts'
import { shaftsOf } from './shafts.ts'

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

/** What holds a shaft in line at the bench is no part of what is put together, nor what stays with the engine. */
const NEVER_IN: ReadonlySet<string> = new Set([
  'dummy-shaft',
  ...kindsWhere(({ staysWithEngine }) => staysWithEngine === true),
])

/** The unit as parts that come off; found once for each draft. */
export const assemblyOf: (draft: BoxDraft) => Assembly = oncePer((draft) =>
  assemble(indexBox(draft)),
)

function assemble(index: BoxIndex): Assembly {
  const pieces = (index.draft.pieces ?? []).map((piece) => ({
    piece,
    ref: refOfPiece(index, piece),
  }))
  const lookup: UnitLookup = {
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
  const unit = unitParts(index.draft).filter((part) => isApart(lookup, part))
  const rows = rowsOf(lookup)
  const found = inBundles(withBase(unit.map((part) => partOf(lookup, rows, part))))
  const parts = withStated(index, found)
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
  const { ids: circle } = smallestCircle(parts)
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

/**
 * Whether a part comes apart from the rest: a gear that stays on its shaft does not, and what is outside the case is not on the bench.
 */
function isApart({ index, stay }: UnitLookup, { ref, kind, id }: UnitPart): boolean {
  const { members: outside } = outsideOf(index.draft)
  if (kind === 'gear') {
    const member = index.gears.get(id)?.member ?? ''
    return !outside.has(member) && stay.get(member)?.has(id) !== true
  }
  if (kind === 'sleeve')
    return pieceOfRef(index, ref) !== undefined || hasSleeve(index.couplers.get(id))
  if (kind === 'shaft') return !outside.has(id)
  return kind === 'ring' || !NEVER_IN.has(kind)
}

/** Whether a coupler has a hub and a sleeve; of a sliding gear the teeth are its sleeve. */
function hasSleeve(coupler: Coupler | undefined): boolean {
  return coupler !== undefined && hasHub(coupler)
}

/** A part with its ways, whatever it is. */
function partOf(
  lookup: UnitLookup,
  rows: ReadonlyMap<string, InRow>,
  part: UnitPart,
): AssemblyPart {
  const { ref, kind, id } = part
  const shaft = kind === 'shaft' ? lookup.shafts.find(({ member }) => member.id === id) : undefined
  const row = rows.get(ref)
  const alone = { id: ref, refs: [ref], part }
  if (shaft && !shaft.core)
    return {
      ...alone,
      bench: null,
      atMm: undefined,
      ways: waysOut(lookup, rows, shaft),
    }
  if (row) {
    const on = pathTo('shaft', row.member.id)
    const host = lookup.shafts.find(({ member }) => member === row.member)
    // A tube has gears in mesh with others: it comes out with what runs through it.
    const isOutboard = row.outboard !== undefined && !host?.core && kind !== 'shaft'
    const ways = row.ways.map((way): AssemblyWay => {
      const isFree = isOutboard && (way.over === row.outboard || way.over === 'sideways')
      const within = [...way.blockedBy, ...withinHub(lookup, part)]
      return {
        ...way,
        blockedBy: isFree ? [...within, ...coversOf(lookup, rows, part, row)] : [...within, on],
      }
    })
    return { ...alone, bench: isOutboard ? null : row.member.id, atMm: row.atMm, ways }
  }
  const piece = pieceOfRef(lookup.index, ref)
  const coupler = lookup.index.couplers.get(piece?.coupler ?? (kind === 'ring' ? id : ''))
  const on = piece && memberOfPiece(lookup.index, piece)
  const host = coupler ? memberIdOf(lookup.index, coupler.hub) : on?.id
  const isInsideOut = piece !== undefined && PIECE_DEFINITIONS[piece.kind].isInsideOut === true
  const isOnBench =
    IN_HUB.has(kind as PieceKind) || kind === 'key' || kind === 'ring' || isInsideOut
  const ways = waysOfLoose(lookup, rows, part, piece)
  return {
    ...alone,
    bench: isOnBench && host !== undefined ? host : null,
    atMm: coupler?.stationMm ?? piece?.stationMm,
    ways,
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

/**
 * Parts with what people stated of them: what goes in after one comes off before it. Of two that
 * only move together one statement says nothing; statements that contradict one another hold them.
 */
function withStated({ draft }: BoxIndex, parts: readonly AssemblyPart[]): readonly AssemblyPart[] {
  const stated = draft.precedences ?? []
  const idOf = new Map(parts.flatMap(({ id, refs }) => refs.map((ref) => [ref, id])))
  const within = (refs: readonly string[]): readonly Removable[] =>
    refs.map((ref) => {
      const before = stated.filter(({ first, then }) => first === ref && refs.includes(then))
      return { id: ref, ways: [{ blockedBy: before.map(({ then }) => then) }] }
    })
  return parts.map((part) => {
    const isHeld = part.refs.length > 1 && stuckParts(within(part.refs)).length > 0
    const after = stated
      .filter(({ first }) => part.refs.includes(first))
      .map(({ then }) => idOf.get(then) ?? then)
      .filter((id) => id !== part.id || isHeld)
    return after.length === 0
      ? part
      : {
          ...part,
          ways: part.ways.map((way) => ({ ...way, blockedBy: [...way.blockedBy, ...after] })),
        }
  })
}
