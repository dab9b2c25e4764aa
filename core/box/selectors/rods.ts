/** Rods in one another. */
import type { Selector } from '../types.ts'

/** The rod that another lies in: one that is there, and lies in none itself. */
export function outerRod(
  selectors: readonly Selector[],
  { id, inside }: Selector,
): Selector | undefined {
  return selectors.find(
    (outer) => outer.id === inside && outer.id !== id && outer.inside === undefined,
  )
}
