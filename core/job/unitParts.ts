/** The parts of a unit that are looked at and measured, each by a reference of its own. */
import type { PartPath } from '../box/partPath.ts'
import { pathTo, pathToRing, readPath } from '../box/partPath.ts'
import {
  COUPLER_DEFINITIONS,
  couplersWithRings,
  isClutch,
  sleevesOfTeeth,
} from '../box/couplers.ts'
import { seatOf } from '../box/pieces/index.ts'
import type { BoxIndex } from '../box/box.ts'
import { indexBox } from '../box/box.ts'
import { oncePer } from '../box/oncePer.ts'
import type { BoxDraft, Gear, Piece } from '../box/types.ts'
import type { Measure } from '../measure/measurement.ts'
import type { Look } from '../measure/looks.ts'
import type { PartFamily } from '../box/pieces/index.ts'
import type { UnitPartKind } from './partKinds.ts'
import { UNIT_PART_DEFINITIONS } from './partKinds.ts'

/** A part of a unit, with what it is measured and looked at for. */
export interface UnitPart {
  readonly ref: PartPath
  readonly kind: UnitPartKind
  readonly family: PartFamily
  /** The coupler, gear, member or piece. */
  readonly id: string
  /** The place of the coupler that a ring serves. */
  readonly place?: string
  readonly measures: readonly Measure[]
  readonly looks: readonly Look[]
}

/** What the table says of a kind that a part of it carries along. */
function judgedFor(kind: UnitPartKind): Pick<UnitPart, 'kind' | 'family' | 'measures' | 'looks'> {
  const { family, measures, looks } = UNIT_PART_DEFINITIONS[kind]
  return { kind, family, measures, looks }
}

/** Of a gear: only of those that are free, and only of those that a ring works on. */
const OF_FREE_GEARS: ReadonlySet<Measure | Look> = new Set<Measure | Look>([
  'end-play',
  'running-clearance',
])
const OF_CONES: ReadonlySet<Measure | Look> = new Set<Measure | Look>(['cone-contact', 'cone-feel'])

/**
 * The reference of a piece. A ring for a place and a sleeve are what the drawing tells of
 * without any piece, so they are called as they are called there.
 */
export function refOfPiece({ couplers }: BoxIndex, piece: Piece): PartPath {
  const { kind, coupler, place, id } = piece
  const owner = couplers.get(coupler ?? '')
  if (owner && kind === 'sleeve') return pathTo('sleeve', owner.id)
  if (owner && kind === 'ring' && owner.positions.some((each) => each.id === place))
    return pathToRing(owner.id, place ?? '')
  return pathTo('piece', id)
}

/** Pieces by their references, found once for each box. */
const piecesByRef = oncePer((draft: BoxDraft): ReadonlyMap<string, Piece> => {
  const index = indexBox(draft)
  // Of two for one place the first counts.
  return new Map(
    [...(draft.pieces ?? [])].reverse().map((piece) => [refOfPiece(index, piece), piece]),
  )
})

/** The piece that a reference is to; undefined where the box has none for it. */
export function pieceOfRef(index: BoxIndex, ref: string): Piece | undefined {
  const { kind, id } = readPath(ref)
  return kind === 'piece' ? index.pieces.get(id) : piecesByRef(index.draft).get(ref)
}

/** The part that another is one with: teeth on a sleeve are judged, ordered and put in with it. */
export function wholePart({ draft }: BoxIndex, ref: string): string {
  const { kind, id } = readPath(ref)
  const sleeve = kind === 'gear' ? sleevesOfTeeth(draft).get(id) : undefined
  return sleeve ? pathTo('sleeve', sleeve.id) : ref
}

/** What teeth on a sleeve are measured and looked at for, besides it. */
const OF_TEETH = { measures: ['backlash'], looks: ['tooth-tips'] } as const

/** Every part of a unit, family by family; rings in the order of the positions, the rest along the shafts. */
export function unitParts(draft: BoxDraft): readonly UnitPart[] {
  const index = indexBox(draft)
  const coupled = draft.couplers.filter((coupler) => !isClutch(coupler))
  return [
    ...ringsOf(draft),
    ...coupled.map(({ id, kind, gears = [] }): UnitPart => {
      const { measures, looks, ...rest } = judgedFor('sleeve')
      const hasTeeth = gears.some((gear) => sleevesOfTeeth(draft).has(gear))
      return {
        ref: pathTo('sleeve', id),
        id,
        ...rest,
        measures:
          COUPLER_DEFINITIONS[kind].holdsBy !== 'dogs'
            ? measures.filter((each) => each === 'fork-clearance')
            : [...measures, ...(hasTeeth ? OF_TEETH.measures : [])],
        looks: [...looks, ...(hasTeeth ? OF_TEETH.looks : [])],
      }
    }),
    ...draft.gears
      .filter(({ id }) => !sleevesOfTeeth(draft).has(id))
      .map((gear) => partOfGear(draft, gear)),
    ...draft.members.map(({ id }): UnitPart => ({
      ref: pathTo('shaft', id),
      id,
      ...judgedFor('shaft'),
    })),
    ...piecesOf(index),
  ]
}

function ringsOf(draft: BoxDraft): readonly UnitPart[] {
  const order = (coupler: string, place: string): number => {
    const at = draft.positions.findIndex(({ couplers }) => couplers[coupler] === place)
    return at < 0 ? draft.positions.length : at
  }
  return draft.couplers
    .filter(({ id }) => couplersWithRings(draft).has(id))
    .flatMap(({ id, positions }) =>
      positions
        .filter(({ engages }) => engages.some(({ kind }) => kind !== 'mesh'))
        .map((place): UnitPart => ({
          ref: pathToRing(id, place.id),
          id,
          place: place.id,
          ...judgedFor('ring'),
        })),
    )
    .sort((one, other) => order(one.id, one.place ?? '') - order(other.id, other.place ?? ''))
}

/** Whether a ring works on the gear. */
function hasCone(draft: BoxDraft, { id }: Gear): boolean {
  return draft.couplers.some(
    ({ id: coupler, positions }) =>
      couplersWithRings(draft).has(coupler) &&
      positions.some(({ engages }) =>
        engages.some((each) => each.kind === 'lock' && each.body === id),
      ),
  )
}

function partOfGear(draft: BoxDraft, gear: Gear): UnitPart {
  const { family, measures, looks } = UNIT_PART_DEFINITIONS.gear
  const isOfIt = (found: Measure | Look): boolean =>
    (gear.mount === 'free' || !OF_FREE_GEARS.has(found)) &&
    (!OF_CONES.has(found) || hasCone(draft, gear))
  return {
    ref: pathTo('gear', gear.id),
    kind: 'gear',
    id: gear.id,
    family,
    measures: measures.filter(isOfIt),
    looks: looks.filter(isOfIt),
  }
}

/** The pieces that the drawing does not tell of by itself, along the shafts. */
function piecesOf(index: BoxIndex): readonly UnitPart[] {
  const found = (index.draft.pieces ?? [])
    .map((piece) => ({ piece, ref: refOfPiece(index, piece) }))
    .filter(({ ref }) => readPath(ref).kind === 'piece')
    .map(({ piece: { id, kind }, ref }): UnitPart => ({ ref, id, ...judgedFor(kind) }))
  return sortedAlong(index, found)
}

/** The parts shaft by shaft, each from its input end; those that sit on none come last. */
export function alongShafts(draft: BoxDraft, parts: readonly UnitPart[]): readonly UnitPart[] {
  return sortedAlong(indexBox(draft), parts)
}

/** Where a part stands: which shaft, and how far along it. */
interface Standing {
  readonly shaft: number
  readonly mm: number
}

const NOWHERE: Standing = { shaft: Infinity, mm: Infinity }

function sortedAlong(index: BoxIndex, parts: readonly UnitPart[]): readonly UnitPart[] {
  const shaftOf = new Map(index.draft.members.map(({ id }, at) => [id, at]))
  const standing = (part: UnitPart): Standing => {
    const at = placeAlong(index, part)
    return at ? { shaft: shaftOf.get(at.member) ?? Infinity, mm: at.mm } : NOWHERE
  }
  // Infinity less infinity is no number: what sits on no shaft stays in its order.
  const compare = (one: number, other: number): number => (one === other ? 0 : one - other)
  return parts
    .map((part) => ({ part, ...standing(part) }))
    .sort((one, other) => compare(one.shaft, other.shaft) || compare(one.mm, other.mm))
    .map(({ part }) => part)
}

/** The member that a part is on, and its station; undefined of what sits on no shaft. */
function placeAlong(
  index: BoxIndex,
  { ref, kind, id, place }: UnitPart,
): { readonly member: string; readonly mm: number } | undefined {
  const { gears, members, couplers } = index
  if (kind === 'shaft') return { member: id, mm: members.get(id)?.fromMm ?? 0 }
  const gear = kind === 'gear' ? gears.get(id) : undefined
  if (gear) return { member: gear.member, mm: gear.stationMm }
  const piece = pieceOfRef(index, ref)
  const seat = piece && seatOf(index, piece)
  if (seat) return { member: seat.member.id, mm: (seat.fromMm + seat.toMm) / 2 }
  const coupler = couplers.get(piece?.coupler ?? id)
  const hub = coupler && (members.get(coupler.hub)?.id ?? gears.get(coupler.hub)?.member)
  if (!coupler || hub === undefined) return undefined
  const travel = coupler.positions.find((each) => each.id === place)?.travel
  const beside = travel === 'towards-input' ? -1 : travel === 'towards-output' ? 1 : 0
  return { member: hub, mm: coupler.stationMm + beside }
}
