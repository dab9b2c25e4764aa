/** Which change is looked at, and what of its difference is left. */
import type { BoxPosition, GearChange } from 'core'

import type { Moment } from './moment.ts'

/** The positions that can be chosen, and those chosen: the first two that differ where nobody says. */
export function chosenPositions(
  positions: readonly BoxPosition[],
  from: string | null,
  to: string | null,
): readonly [BoxPosition, BoxPosition] | undefined {
  const first = positions.find(({ id }) => id === from) ?? positions[0]
  const second =
    positions.find(({ id }) => id === to) ??
    positions[positions.findIndex((position) => position === first) + 1] ??
    positions[0]
  return first && second ? [first, second] : undefined
}

/** Of what has to match for a coupler, the share that is still there: none once it is taken away. */
export function slipLeft(
  { steps }: GearChange,
  { done, part }: Pick<Moment, 'done' | 'part'>,
  coupler: string,
): number {
  const takesAway = steps.findIndex(
    (step) =>
      step.kind === 'match' ||
      step.kind === 'stand' ||
      ((step.kind === 'ring' || step.kind === 'grind') && step.coupler.id === coupler) ||
      (step.kind === 'in' && step.move.coupler.id === coupler) ||
      (step.kind === 'hand-over' && step.closing.some(({ id }) => id === coupler)),
  )
  if (takesAway < 0 || done < takesAway) return 1
  return done === takesAway ? 1 - part : 0
}
