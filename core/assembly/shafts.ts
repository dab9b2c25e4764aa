/** Shafts as they come out of a case: which is in which other's way. */
import type { BoxIndex } from '../box/box.ts'
import { oncePer } from '../box/oncePer.ts'
import type { BoxDraft, ClosingSide, Member, ShaftEnd } from '../box/types.ts'
import { layOutSection } from '../drawing/section.ts'

/** A member as it comes out of the case, or off the shaft that runs through it. */
export interface Shaft {
  readonly member: Member
  /** What a tube runs round, from which it comes off at the bench. */
  readonly core: Member | undefined
  /** Ids of the tubes on it. */
  readonly tubes: ReadonlySet<string>
}

/** Ends of shafts nearer than this are in one another. */
const NESTED_MM = 8
/** Gears that stand in one another by no more than rounding pass. */
const PASSING_MM = 0.5

/** The member that a tube runs round: the longest of its line that it does. */
function coreOf({ draft }: BoxIndex, member: Member): Member | undefined {
  if (member.isHollow !== true) return undefined
  return draft.members
    .filter(
      (other) =>
        other.axis === member.axis &&
        other.isHollow !== true &&
        other.fromMm < member.toMm &&
        other.toMm > member.fromMm,
    )
    .sort((one, other) => other.toMm - other.fromMm - (one.toMm - one.fromMm))[0]
}

/** Every shaft of a box. */
export function shaftsOf(index: BoxIndex): readonly Shaft[] {
  const { members } = index.draft
  const cores = new Map(members.map((member) => [member.id, coreOf(index, member)]))
  return members.map((member) => ({
    member,
    core: cores.get(member.id),
    tubes: new Set(members.filter(({ id }) => cores.get(id)?.id === member.id).map(({ id }) => id)),
  }))
}

/** Gears of shafts as circles along them; the drawing tells how large they are. */
interface Disc {
  readonly atMm: number
  readonly yMm: number
  readonly radiusMm: number
  /** An uncounted gear may be of any size, and is in the way of all but its mate. */
  readonly isCounted: boolean
}

const discsByMember = oncePer((draft: BoxDraft): ReadonlyMap<string, readonly Disc[]> => {
  const found = new Map<string, Disc[]>()
  for (const { gear, yMm, radiusMm, isInternal, isCounted } of layOutSection(draft).gears)
    if (!isInternal)
      found.set(gear.member, [
        ...(found.get(gear.member) ?? []),
        { atMm: gear.stationMm, yMm, radiusMm, isCounted },
      ])
  return found
})

function discsOf({ draft }: BoxIndex, { member, tubes }: Shaft): readonly Disc[] {
  const found = discsByMember(draft)
  return [member.id, ...tubes].flatMap((id) => found.get(id) ?? [])
}

/** Whether gears of two shafts are in mesh. */
function mesh(index: BoxIndex, one: Shaft, other: Shaft): boolean {
  const on = ({ member, tubes }: Shaft, gear: string): boolean => {
    const id = index.gears.get(gear)?.member ?? ''
    return tubes.has(id) || member.id === id
  }
  return index.draft.links.some(
    (link) =>
      (link.kind === 'external-mesh' || link.kind === 'bevel') &&
      ((on(one, link.a) && on(other, link.b)) || (on(one, link.b) && on(other, link.a))),
  )
}

/** Whether a shaft, drawn out towards a side, meets another that is still in. */
export function crossings(index: BoxIndex, shaft: Shaft, other: Shaft, side: ClosingSide): boolean {
  const [one, each] = [shaft.member, other.member]
  const isInLine = one.axis === each.axis
  if (side === 'input-end' || side === 'output-end')
    return isInLine
      ? isBeyond(side, each, one)
      : mesh(index, shaft, other) && isHooked(index, shaft, other, side)
  if (isInLine) return each.fromMm < one.toMm + NESTED_MM && each.toMm > one.fromMm - NESTED_MM
  if (side === 'beside' || !mesh(index, shaft, other)) return false
  const order = ({ axis }: Member): number => index.draft.axes.findIndex(({ id }) => id === axis)
  return side === 'above' ? order(each) < order(one) : order(each) > order(one)
}

function isBeyond(end: ShaftEnd, one: Member, other: Member): boolean {
  const apart = one.fromMm + one.toMm - (other.fromMm + other.toMm)
  return end === 'output-end' ? apart > 0 : apart < 0
}

/** Whether a gear of one would meet a gear of the other that stands further towards the end. */
function isHooked(index: BoxIndex, one: Shaft, other: Shaft, end: ShaftEnd): boolean {
  const outwards = end === 'output-end' ? 1 : -1
  return discsOf(index, one).some((disc) =>
    discsOf(index, other).some(
      (met) =>
        (met.atMm - disc.atMm) * outwards > PASSING_MM &&
        (!disc.isCounted ||
          !met.isCounted ||
          disc.radiusMm + met.radiusMm > Math.abs(disc.yMm - met.yMm) + PASSING_MM),
    ),
  )
}
