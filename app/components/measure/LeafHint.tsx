import type { EnteredLimit, ReadingUnit } from 'core'
import { STACK_UNITS_PER_MM, boundsOf, stacksRound } from 'core'

import type { Shelf } from '~/files/shelf.ts'
import { stackText } from '~/files/shelf.ts'

/** A stack of more leaves than this reads wrong. */
const MOST_LEAVES = 3

/** Which of the shop's leaves to put together round the limit of a gap. */
export function LeafHint({
  shelf,
  limit,
  unit,
}: {
  readonly shelf: Shelf
  readonly limit: EnteredLimit | null
  readonly unit: ReadingUnit
}) {
  const leastMm = boundsOf(limit)?.least
  if (leastMm === undefined) return null
  const { go, next } = stacksRound(
    shelf.leaves,
    Math.round(leastMm * STACK_UNITS_PER_MM),
    MOST_LEAVES,
  )
  if (!go || !next) return null
  return (
    <p className="text-[0.98rem]">
      From your leaves: <b>{stackText(shelf.leaves, go.thicknesses, unit)}</b> must go in all round,
      or the gap is below the limit. <b>{stackText(shelf.leaves, next.thicknesses, unit)}</b> going
      in as well shows that it is above it.
    </p>
  )
}
