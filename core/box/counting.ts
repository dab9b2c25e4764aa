/** What has been counted, what is in dispute, and what to count next. */
import type { BoxDraft, Gear } from './types.ts'

/** Two counts of the gear differ and nobody has settled which is right. */
export function isDisputed(gear: Gear): boolean {
  return (
    gear.toothCount !== null &&
    gear.recount !== null &&
    gear.recount !== undefined &&
    gear.recount !== gear.toothCount
  )
}

/** Counted twice with one result. */
export function isConfirmed(gear: Gear): boolean {
  return gear.toothCount !== null && gear.recount === gear.toothCount
}

/**
 * The gears in the order in which they are counted: shaft by shaft as the axes
 * are listed, and along each from the input end.
 */
export function countingOrder(draft: BoxDraft): readonly Gear[] {
  const laneOfAxis = new Map(draft.axes.map((axis, lane) => [axis.id, lane]))
  const laneOf = new Map(
    draft.members.map((member) => [member.id, laneOfAxis.get(member.axis) ?? Infinity]),
  )
  const lane = (gear: Gear): number => laneOf.get(gear.member) ?? Infinity
  return [...draft.gears].sort(
    (one, other) => lane(one) - lane(other) || one.stationMm - other.stationMm,
  )
}

/** Whether a gear has the counts of the one that it is said to be alike with. */
function isServedBy(gear: Gear, lead: Gear): boolean {
  return (
    gear.twinOf === lead.id &&
    gear.toothCount === lead.toothCount &&
    (gear.recount ?? null) === (lead.recount ?? null)
  )
}

/**
 * The gears that one count serves, this one among them: those said to be alike, as long as
 * their counts are. The one that the others are twins of comes first.
 */
export function countedTogether(draft: BoxDraft, gear: Gear): readonly Gear[] {
  const lead = draft.gears.find(({ id }) => id === gear.twinOf)
  const first = lead && isServedBy(gear, lead) ? lead : gear
  return [first, ...draft.gears.filter((each) => isServedBy(each, first))]
}

/** The counting order with each set of twins once. */
export function countedGears(draft: BoxDraft): readonly Gear[] {
  return countingOrder(draft).filter((gear) => countedTogether(draft, gear)[0] === gear)
}

/** How far counting is; gears that one count serves are one. */
export interface CountingProgress {
  readonly total: number
  readonly counted: number
  readonly confirmed: number
  readonly disputed: readonly Gear[]
}

/** How far a box has been counted, and what is left of it. */
export function countingProgress(draft: BoxDraft): CountingProgress {
  const gears = countedGears(draft)
  return {
    total: gears.length,
    counted: gears.filter((gear) => gear.toothCount !== null).length,
    confirmed: gears.filter(isConfirmed).length,
    disputed: gears.filter(isDisputed),
  }
}

/** The draft with other counts by gear; what one count serves has it everywhere. */
export function withToothCounts(draft: BoxDraft, counts: ReadonlyMap<string, number>): BoxDraft {
  const served = new Map(
    draft.gears.flatMap((gear) => {
      const toothCount = counts.get(gear.id)
      return toothCount === undefined
        ? []
        : countedTogether(draft, gear).map(({ id }) => [id, toothCount] as const)
    }),
  )
  return {
    ...draft,
    gears: draft.gears.map((gear) => {
      const toothCount = counts.get(gear.id) ?? served.get(gear.id)
      return toothCount === undefined ? gear : { ...gear, toothCount }
    }),
  }
}

/**
 * The draft as it is with other gears fitted: their counts stand for the former ones, and a
 * second count of a former gear is none of the new one.
 */
export function withTrialCounts(draft: BoxDraft, counts: ReadonlyMap<string, number>): BoxDraft {
  const changed = withToothCounts(draft, counts)
  return {
    ...changed,
    gears: changed.gears.map((gear, at) => {
      const { recount, ...fitted } = gear
      const isSame = gear.toothCount === draft.gears[at]?.toothCount
      return isSame || recount === undefined ? gear : fitted
    }),
  }
}
