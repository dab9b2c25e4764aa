import type { BoxDraft, Edit, Gear } from 'core'
import { isDisputed } from 'core'

/** Which of the two counts of a gear is being entered. */
export type WhichCount = 'first' | 'second'

export function readingOf(gear: Gear, reading: WhichCount): number | null {
  return reading === 'first' ? gear.toothCount : (gear.recount ?? null)
}

/** Whether this gear still wants this count, or a dispute wants settling. */
export function isOpenFor(gear: Gear, reading: WhichCount): boolean {
  return readingOf(gear, reading) === null || isDisputed(gear)
}

export function editOfCount(gear: Gear, reading: WhichCount, toothCount: number | null): Edit {
  return { kind: 'count', gear: gear.id, reading, toothCount, base: readingOf(gear, reading) }
}

/** The gear to ask for after `gearId`: the next one still open, or simply the next. */
export function nextGear(
  draft: BoxDraft,
  order: readonly Gear[],
  gearId: string,
  reading: WhichCount,
): Gear | undefined {
  const at = order.findIndex(({ id }) => id === gearId)
  const following = [...order.slice(at + 1), ...order.slice(0, at)].map(
    ({ id }) => draft.gears.find((gear) => gear.id === id) ?? order[0],
  )
  return following.find((gear) => gear && isOpenFor(gear, reading)) ?? order[at + 1]
}
