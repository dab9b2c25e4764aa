/** Shafts as they come out of a case: which move as one, and which are in each other's way. */
import type { BoxIndex } from '../box/box.ts'
import type { ClosingSide, Member, ShaftEnd } from '../box/types.ts'
import { layOutSection } from '../drawing/section.ts'

/** A shaft with what comes out together with it. */
export interface Shaft {
  readonly members: readonly Member[]
  /** References, that by which the whole is known first. */
  readonly refs: readonly string[]
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

/** Every shaft of a box; those that no side of the case lets out one by one come out as one. */
export function shaftsOf(index: BoxIndex): readonly Shaft[] {
  const cores = new Map(index.draft.members.map((member) => [member.id, coreOf(index, member)]))
  const single = index.draft.members.map((member): Shaft => ({
    members: [member],
    refs: [`shaft:${member.id}`],
    core: cores.get(member.id),
    tubes: new Set(
      index.draft.members.filter(({ id }) => cores.get(id)?.id === member.id).map(({ id }) => id),
    ),
  }))
  return opensAtAnEndOnly(index) ? inBundles(index, single) : single
}

/** Whether the case opens at its ends and nowhere else, so that nothing is lifted out. */
function opensAtAnEndOnly({ draft }: BoxIndex): boolean {
  const sides = (draft.pieces ?? []).flatMap(({ closesFrom }) => closesFrom ?? [])
  const isSplit = (draft.pieces ?? []).some(
    ({ kind, isSplit: halves }) => kind === 'case' && halves === true,
  )
  return (
    !isSplit &&
    sides.length > 0 &&
    sides.every((side) => side === 'input-end' || side === 'output-end')
  )
}

/** Shafts whose gears pass one another towards no end are drawn out together. */
function inBundles(index: BoxIndex, shafts: readonly Shaft[]): readonly Shaft[] {
  const bundles: Shaft[] = []
  for (const shaft of shafts) {
    const tied = shaft.core
      ? []
      : bundles.filter(
          (other) =>
            !other.core &&
            (['input-end', 'output-end'] as const).every(
              (end) => crossings(index, shaft, other, end) || crossings(index, other, shaft, end),
            ) &&
            (['input-end', 'output-end'] as const).some(
              (end) => crossings(index, shaft, other, end) && crossings(index, other, shaft, end),
            ),
        )
    const rest = bundles.filter((other) => !tied.includes(other))
    const all = [...tied, shaft]
    bundles.splice(0, bundles.length, ...rest, {
      members: all.flatMap(({ members }) => members),
      refs: all.flatMap(({ refs }) => refs),
      core: shaft.core,
      tubes: new Set(all.flatMap(({ tubes }) => [...tubes])),
    })
  }
  return bundles
}

/** Gears of shafts as circles along them; the drawing tells how large they are. */
interface Disc {
  readonly atMm: number
  readonly yMm: number
  readonly radiusMm: number
  /** An uncounted gear may be of any size, and is in the way of all but its mate. */
  readonly isCounted: boolean
}

const DISCS = new WeakMap<BoxIndex['draft'], ReadonlyMap<string, readonly Disc[]>>()

function discsOf({ draft }: BoxIndex, { members }: Shaft): readonly Disc[] {
  let byMember = DISCS.get(draft)
  if (!byMember) {
    const made = new Map<string, Disc[]>()
    for (const { gear, yMm, radiusMm, isInternal, isCounted } of layOutSection(draft).gears)
      if (!isInternal)
        made.set(gear.member, [
          ...(made.get(gear.member) ?? []),
          { atMm: gear.stationMm, yMm, radiusMm, isCounted },
        ])
    DISCS.set(draft, made)
    byMember = made
  }
  const found = byMember
  return members.flatMap(({ id }) => found.get(id) ?? [])
}

/** Whether gears of two shafts are in mesh. */
function mesh(index: BoxIndex, one: Shaft, other: Shaft): boolean {
  const on = ({ members, tubes }: Shaft, gear: string): boolean => {
    const id = index.gears.get(gear)?.member ?? ''
    return tubes.has(id) || members.some((member) => member.id === id)
  }
  return index.draft.links.some(
    (link) =>
      (link.kind === 'external-mesh' || link.kind === 'bevel') &&
      ((on(one, link.a) && on(other, link.b)) || (on(one, link.b) && on(other, link.a))),
  )
}

/** Whether a shaft, drawn out towards a side, meets another that is still in. */
export function crossings(index: BoxIndex, shaft: Shaft, other: Shaft, side: ClosingSide): boolean {
  const isInLine = shaft.members.some((one) => other.members.some(({ axis }) => axis === one.axis))
  if (side === 'input-end' || side === 'output-end')
    return isInLine
      ? shaft.members.some((one) =>
          other.members.some((each) => each.axis === one.axis && isBeyond(side, each, one)),
        )
      : mesh(index, shaft, other) && isHooked(index, shaft, other, side)
  if (isInLine)
    return shaft.members.some((one) =>
      other.members.some(
        (each) =>
          each.axis === one.axis &&
          each.fromMm < one.toMm + NESTED_MM &&
          each.toMm > one.fromMm - NESTED_MM,
      ),
    )
  if (side === 'beside' || !mesh(index, shaft, other)) return false
  const order = (each: Shaft): number =>
    index.draft.axes.findIndex(({ id }) => id === each.members[0]?.axis)
  return side === 'above' ? order(other) < order(shaft) : order(other) > order(shaft)
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
