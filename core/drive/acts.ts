/** What hands, feet and pistons do one after another in a change of gear. */
import { isClutch } from '../box/couplers.ts'
import type { Entry, PlannedChange } from './powertrain.ts'
import type { ShiftTimes } from './rules.ts'

export type Act =
  | { readonly kind: 'wait'; readonly overS: number }
  | { readonly kind: 'lift'; readonly overS: number }
  | { readonly kind: 'open'; readonly path: number; readonly overS: number }
  | { readonly kind: 'close'; readonly path: number; readonly overS: number }
  | { readonly kind: 'out'; readonly path: number }
  | { readonly kind: 'ring'; readonly path: number; readonly entry: Entry }
  | { readonly kind: 'in'; readonly to: number }
  | { readonly kind: 'match'; readonly to: number }
  | { readonly kind: 'ready'; readonly to: number }
  | { readonly kind: 'hand-over'; readonly to: number; readonly overS: number }

/** Acts one after another. */
export interface Doing {
  readonly acts: Act[]
  /** When the first of them was begun; null before. */
  sinceS: number | null
}

/** The shafts behind the clutches of two positions, and the position that is to be in. */
interface Between {
  readonly left: number
  readonly taken: number
  readonly to: number
}

/** The rings that have to bring a shaft to speed before a position is in. */
export function entering({ entries }: PlannedChange, path: number): readonly Act[] {
  return entries.flatMap((entry): Act[] =>
    entry.ringNm === null ? [] : [{ kind: 'ring', path, entry }],
  )
}

/** What has to move on the other shaft until a position waits there, and what is in there comes out. */
export function readying(
  plan: PlannedChange,
  { taken, to }: Omit<Between, 'left'>,
  isTakenFree: boolean,
  { sleeveS }: ShiftTimes,
): readonly Act[] {
  const out: readonly Act[] = isTakenFree
    ? []
    : [
        { kind: 'wait', overS: sleeveS },
        { kind: 'out', path: taken },
      ]
  return [...out, ...entering(plan, taken), { kind: 'wait', overS: sleeveS }, { kind: 'in', to }]
}

/** The steps of a change with a gap, each with the time that it takes. */
export function gapActs(
  plan: PlannedChange,
  { left, taken, to }: Between,
  times: ShiftTimes,
): readonly Act[] {
  const { pedalS, clutchUpS, liftS, leverS, drumS, sleeveS } = times
  const isMoved = plan.steps.some(({ kind }) => kind === 'lever' || kind === 'turn')
  const ins = plan.steps.filter((step) => step.kind === 'in' && !isClutch(step.move.coupler)).length
  let inBefore = 0
  const acts = plan.steps.flatMap((step): Act[] => {
    switch (step.kind) {
      case 'clutch':
        return step.is === 'down'
          ? [{ kind: 'open', path: left, overS: pedalS }]
          : [{ kind: 'close', path: taken, overS: clutchUpS }]
      case 'lift':
        return [{ kind: 'lift', overS: liftS }]
      case 'lever':
        return [{ kind: 'wait', overS: leverS }]
      case 'turn':
        return [{ kind: 'wait', overS: drumS * (step.over.length + 1) }]
      case 'out':
        if (isClutch(step.move.coupler)) return [{ kind: 'open', path: left, overS: pedalS }]
        return [...wait(isMoved ? 0 : sleeveS), { kind: 'out', path: left }]
      case 'ring': {
        const entry = plan.entries.find(({ coupler }) => coupler === step.coupler)
        return entry ? [{ kind: 'ring', path: taken, entry }] : wait(sleeveS)
      }
      case 'in':
        if (isClutch(step.move.coupler)) return [{ kind: 'close', path: taken, overS: clutchUpS }]
        inBefore++
        return [...wait(sleeveS), ...(inBefore === ins ? [{ kind: 'in', to } as const] : [])]
      case 'match':
        return [{ kind: 'match', to }]
      case 'stand':
      case 'grind':
      case 'hand-over':
        return []
    }
  })
  // A range alone, or a splitter, joins again what the lever left in.
  return ins === 0 ? [...acts, { kind: 'in', to }] : acts
}

function wait(overS: number): Act[] {
  return overS > 0 ? [{ kind: 'wait', overS }] : []
}
