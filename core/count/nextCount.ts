/** Which gears to count first, for a position to be whole soon. */
import { countedTogether, countingOrder } from '../box/counting.ts'
import type { BoxDraft, Gear } from '../box/types.ts'
import type { PositionAnalysis } from '../train/analysis.ts'

/** The gears whose counts the analysis of a position waits for, each set of alike ones once. */
export function countsFor(draft: BoxDraft, { analysis }: PositionAnalysis): readonly Gear[] {
  if (analysis.state !== 'uncounted') return []
  const asked = new Set(analysis.gears.map((gear) => countedTogether(draft, gear)[0]?.id))
  return countingOrder(draft).filter(({ id }) => asked.has(id))
}

/**
 * The gear that brings positions to be whole soonest: one of those that the positions with the
 * fewest counts to come wait for; of these, the one that most of them wait for, then the one that
 * most positions at all wait for, then the first in counting order. Undefined when no position
 * waits for a count.
 */
export function mostFinishing(
  draft: BoxDraft,
  positions: readonly PositionAnalysis[],
): Gear | undefined {
  const waiting = positions
    .map((position) => countsFor(draft, position))
    .filter(({ length }) => length > 0)
  const fewest = Math.min(...waiting.map(({ length }) => length))
  const nearest = waiting.filter(({ length }) => length === fewest)
  const timesIn = (lists: readonly (readonly Gear[])[], gear: Gear): number =>
    lists.filter((list) => list.includes(gear)).length
  return countingOrder(draft)
    .filter((gear) => timesIn(nearest, gear) > 0)
    .sort(
      (one, other) =>
        timesIn(nearest, other) - timesIn(nearest, one) ||
        timesIn(waiting, other) - timesIn(waiting, one),
    )[0]
}
