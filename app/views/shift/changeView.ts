/** A change of gear at one moment of its time line. */
import type {
  BoxDraft,
  BoxPosition,
  ChangeStep,
  CouplerPlaces,
  GateSlot,
  GearChange,
  LeverMove,
  Slot,
} from 'core'
import { centreOf, fullPlaces, rodsOf, slotsOf, standingOf } from 'core'

import type { OnTheWay } from '~/views/section/onTheWay.ts'

/** Where a lever stands: in a row, at an end of it or in the neutral plane. */
export interface LeverAt {
  readonly row: number
  readonly end: GateSlot['end'] | null
}

/** What is shown at one moment. */
export interface Moment {
  /** How many steps are done, and how much of the next. */
  readonly done: number
  readonly part: number
  readonly places: CouplerPlaces
  /** By the number of the lever, the first first. */
  readonly levers: ReadonlyMap<number, LeverAt>
  /** The lever that is moving and where it goes, by `part` of the way; null while all rest. */
  readonly leverTo: (LeverAt & { readonly lever: number }) | null
  /** What is between two of its places. */
  readonly onTheWay: OnTheWay | undefined
  /** Whether the pedal is down or the throttle lifted, so that no torque comes in. */
  readonly isUnloaded: boolean
}

/** How finely the time line can be set, in parts of a step. */
export const PARTS_OF_A_STEP = 10

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

/** What a change has come to after so many parts of steps. */
export function momentOf(draft: BoxDraft, change: GearChange, at: number): Moment {
  const { steps, from } = change
  const parts = Math.min(Math.max(Math.round(at), 0), steps.length * PARTS_OF_A_STEP)
  const done = Math.floor(parts / PARTS_OF_A_STEP)
  const part = (parts % PARTS_OF_A_STEP) / PARTS_OF_A_STEP
  const slots = slotsOf(rodsOf(draft))
  const start = fullPlaces(draft.couplers, from.couplers)
  const places: Record<string, string> = { ...start }
  const levers = new Map(
    [...standingOf(slots, start)].map(([lever, stood]): [number, LeverAt] => [
      lever,
      { row: stood?.row ?? rowOf(lever, change, slots), end: stood?.end ?? null },
    ]),
  )
  let isUnloaded = false
  for (const step of steps.slice(0, done)) {
    if (step.kind === 'clutch') isUnloaded = step.is === 'down'
    else if (step.kind === 'lift') isUnloaded = true
    else if (step.kind === 'out') {
      const { coupler } = step.move
      places[coupler.id] = centre(draft, coupler.id) ?? places[coupler.id] ?? ''
    } else if (step.kind === 'in') places[step.move.coupler.id] = step.move.to.id
    else if (step.kind === 'hand-over') {
      for (const { id } of step.opening) places[id] = centre(draft, id) ?? places[id] ?? ''
      for (const { id, positions } of step.closing)
        places[id] = positions.find(({ engages }) => engages.length > 0)?.id ?? places[id] ?? ''
    } else if (step.kind === 'lever') levers.set(step.move.lever, after(step.move))
  }
  const next = part > 0 ? steps[done] : undefined
  return {
    done,
    part,
    places,
    levers,
    leverTo: next?.kind === 'lever' ? { lever: next.move.lever, ...after(next.move) } : null,
    onTheWay: next && slidingIn(next, part),
    isUnloaded,
  }
}

/** The coupler that a step moves, and how far it is. */
function slidingIn(step: ChangeStep, part: number): OnTheWay | undefined {
  if (step.kind !== 'out' && step.kind !== 'in') return undefined
  const { coupler, from, to } = step.move
  const centre = centreOf(coupler)
  return step.kind === 'out'
    ? { coupler: coupler.id, from, to: centre ?? from, part }
    : { coupler: coupler.id, from: centre ?? from, to, part }
}

function centre(draft: BoxDraft, couplerId: string): string | undefined {
  return draft.couplers
    .find(({ id }) => id === couplerId)
    ?.positions.find(({ engages }) => engages.length === 0)?.id
}

/** The row that a lever in neutral is in before its first move, or else its first row. */
function rowOf(lever: number, { steps }: GearChange, slots: readonly Slot[]): number {
  const moves = steps.flatMap((step) =>
    step.kind === 'lever' && step.move.lever === lever ? [step.move] : [],
  )
  return moves[0]?.row ?? slots.find((slot) => slot.lever === lever)?.row ?? 1
}

function after(move: LeverMove): LeverAt {
  switch (move.kind) {
    case 'out':
      return { row: move.row, end: null }
    case 'across':
      return { row: move.to, end: null }
    case 'in':
      return { row: move.row, end: move.end }
  }
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
