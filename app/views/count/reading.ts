import type { Edit, Gear } from 'core'
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
