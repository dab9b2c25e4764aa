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

export interface CountingProgress {
  readonly total: number
  readonly counted: number
  readonly confirmed: number
  readonly disputed: readonly Gear[]
}

export function countingProgress(draft: BoxDraft): CountingProgress {
  return {
    total: draft.gears.length,
    counted: draft.gears.filter((gear) => gear.toothCount !== null).length,
    confirmed: draft.gears.filter(isConfirmed).length,
    disputed: draft.gears.filter(isDisputed),
  }
}
