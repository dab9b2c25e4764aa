/**
 * A change of gear at one moment: hand, rods or drum, and what they move, each where it is then. A
 * rod, what it moves and the lever that picks it go by one part of their way.
 */
import type {
  BoxDraft,
  ChangeStep,
  Coupler,
  CouplerPlaces,
  CouplerPosition,
  CouplerWay,
  Drum,
  GateSlot,
  GearChange,
  LeverMove,
  Slot,
} from 'core'
import {
  GEAR_TEETH_FROM,
  RING_TEETH_FROM,
  centreOf,
  drumPlaces,
  drumWays,
  fullPlaces,
  leverOf,
  rodsOf,
  slotsOf,
  standingOf,
} from 'core'

/** Where a lever stands: in a row, at an end of it or in the neutral plane. */
export interface LeverAt {
  readonly row: number
  readonly end: GateSlot['end'] | null
}

/** A lever between two places of its gate; both are one while it rests. */
export interface LeverWay {
  readonly from: LeverAt
  readonly to: LeverAt
  /** Of that way, 0 to 1. */
  readonly part: number
}

/** What is shown at one moment. */
export interface Moment {
  /** How many steps are done, and how much of the next. */
  readonly done: number
  readonly part: number
  readonly places: CouplerPlaces
  /** By the number of the lever, the first first. */
  readonly levers: ReadonlyMap<number, LeverWay>
  /** What is between two of its places. */
  readonly onTheWay: readonly CouplerWay[]
  /** Where each drum is turned to, by its id. */
  readonly drumDegs: ReadonlyMap<string, number>
  /** Whether the pedal is down or the throttle lifted, so that no torque comes in. */
  readonly isUnloaded: boolean
}

/** How finely the time line can be set, in parts of a step. */
export const PARTS_OF_A_STEP = 10

/** Where dogs and gears without a ring touch, of their way. */
const TOUCHES_FROM = 0.5

/** A way that is gone over some steps: how much of it is gone by the beginning and the end of each. */
type Gone = ReadonlyMap<number, readonly [from: number, to: number]>

/** What goes one way together, and in which steps. */
interface Leg {
  readonly moves: readonly {
    readonly coupler: Coupler
    readonly from: CouplerPosition
    readonly to: CouplerPosition
  }[]
  readonly lever: { readonly number: number; readonly from: LeverAt; readonly to: LeverAt } | null
  readonly gone: Gone
}

/** A drum that turns in a change, and how much of its turn is gone when. */
interface Turning {
  readonly drum: Drum
  readonly fromDeg: number
  readonly toDeg: number
  readonly gone: Gone
}

/** A whole change, with what goes when worked out once. */
export interface Course {
  readonly draft: BoxDraft
  readonly change: GearChange
  /** Where everything stands before it. */
  readonly start: CouplerPlaces
  readonly levers: ReadonlyMap<number, LeverAt>
  readonly legs: readonly Leg[]
  /** Drums that turn in it. */
  readonly turning: readonly Turning[]
}

type Moving = Extract<ChangeStep, { kind: 'in' | 'out' }>

const isMoving = (step: ChangeStep): step is Moving => step.kind === 'in' || step.kind === 'out'

/** Evenly over some steps, from one part of the way to another. */
function evenly(steps: readonly number[], from = 0, to = 1): [number, [number, number]][] {
  const each = (to - from) / Math.max(1, steps.length)
  return steps.map((step, at) => [step, [from + at * each, from + (at + 1) * each]])
}

/** Of the way in, how far a coupler comes before something stands in its way. */
function touchesAt(steps: readonly ChangeStep[], coupler: Coupler): number {
  for (const step of steps)
    if ((step.kind === 'ring' || step.kind === 'grind') && step.coupler === coupler)
      return step.kind === 'ring' ? RING_TEETH_FROM : GEAR_TEETH_FROM
  return TOUCHES_FROM
}

/** The move of the lever that a coupler goes in or out with. */
function leverStepOf(steps: readonly ChangeStep[], { kind, move }: Moving): number {
  const { selector } = move
  if (!selector || selector.switched !== undefined) return -1
  const at = kind === 'in' ? move.to.id : move.from.id
  const gate = selector.places.find(({ couplers }) => couplers[move.coupler.id] === at)?.gate
  return steps.findIndex(
    (step) =>
      step.kind === 'lever' &&
      step.move.kind === kind &&
      step.move.lever === leverOf(selector) &&
      step.move.row === gate?.row &&
      step.move.end === gate.end,
  )
}

/** The steps over which couplers that go together do so, hand first. */
function goneOver(
  steps: readonly ChangeStep[],
  leverStep: number,
  moving: readonly number[],
): Gone {
  const together = moving.flatMap((at) => {
    const step = steps[at]
    return step && isMoving(step) ? [step] : []
  })
  const hand = leverStep < 0 ? [] : [leverStep]
  if (together[0]?.kind === 'out') return new Map(evenly([...hand, ...moving]))
  const touches = Math.min(...together.map(({ move }) => touchesAt(steps, move.coupler)))
  const braking = steps.flatMap((step, at) =>
    (step.kind === 'ring' || step.kind === 'grind') &&
    together.some(({ move }) => move.coupler === step.coupler)
      ? [at]
      : [],
  )
  const before = leverStep < 0 ? braking.slice(0, 1) : hand
  const held = braking.filter((at) => !before.includes(at))
  return new Map([
    ...evenly(before, 0, touches),
    ...held.map((at): [number, [number, number]] => [at, [touches, touches]]),
    ...evenly(moving, before.length > 0 ? touches : 0, 1),
  ])
}

/** What a lever does in a step. */
function leverLeg({ kind, ...move }: LeverMove): Leg['lever'] {
  const neutral: LeverAt = { row: move.row, end: null }
  const to: LeverAt =
    'to' in move
      ? { row: move.to, end: null }
      : { row: move.row, end: 'end' in move ? move.end : null }
  return kind === 'out'
    ? { number: move.lever, from: to, to: neutral }
    : { number: move.lever, from: neutral, to }
}

/** What goes when in a change. */
export function courseOf(draft: BoxDraft, change: GearChange): Course {
  const { steps } = change
  const groups = new Map<string, number[]>()
  steps.forEach((step, at) => {
    if (!isMoving(step)) return
    const { selector, coupler } = step.move
    const key = `${step.kind} ${selector?.id ?? coupler.id}`
    groups.set(key, [...(groups.get(key) ?? []), at])
  })
  const taken = new Set<number>()
  const legs = [...groups.values()].map((moving): Leg => {
    const moves = moving.flatMap((at) => {
      const step = steps[at]
      return step && isMoving(step) ? [step] : []
    })
    const leverStep = moves[0] ? leverStepOf(steps, moves[0]) : -1
    const hand = steps[leverStep]
    taken.add(leverStep)
    return {
      moves: moves.map(({ kind, move: { coupler, from, to } }) => {
        const centre = centreOf(coupler)
        return kind === 'out'
          ? { coupler, from, to: centre ?? from }
          : { coupler, from: centre ?? from, to }
      }),
      lever: hand?.kind === 'lever' ? leverLeg(hand.move) : null,
      gone: goneOver(steps, leverStep, moving),
    }
  })
  const byHand = steps.flatMap((step, at): Leg[] =>
    step.kind === 'lever' && !taken.has(at)
      ? [{ moves: [], lever: leverLeg(step.move), gone: new Map(evenly([at])) }]
      : [],
  )
  const slots = slotsOf(rodsOf(draft))
  const start = fullPlaces(draft.couplers, change.from.couplers)
  return {
    draft,
    change,
    start,
    levers: new Map(
      [...standingOf(slots, start)].map(([lever, stood]) => [
        lever,
        { row: stood?.row ?? rowOf(lever, change, slots), end: stood?.end ?? null },
      ]),
    ),
    legs: [...legs, ...byHand],
    turning: steps.flatMap((step, at) =>
      step.kind === 'turn' ? [turningIn(steps, step, at)] : [],
    ),
  }
}

/** A drum turns in its own step, and while what it moves goes. */
function turningIn(
  steps: readonly ChangeStep[],
  { drum, from, to }: Extract<ChangeStep, { kind: 'turn' }>,
  stepAt: number,
): Turning {
  const moved = new Set(drum.tracks.map(({ coupler }) => coupler))
  const over = steps.flatMap((step, at) =>
    at === stepAt || (isMoving(step) && moved.has(step.move.coupler.id)) ? [at] : [],
  )
  return { drum, fromDeg: from.angleDeg, toDeg: to.angleDeg, gone: new Map(evenly(over)) }
}

/** How much of a way is gone after so many steps; null before it begins. */
function partOf(gone: Gone, at: number): number | null {
  let part: number | null = null
  for (const [step, [from, to]] of gone) {
    if (at < step) continue
    part = Math.max(part ?? 0, from + (to - from) * Math.min(1, at - step))
  }
  return part
}

/** What a change has come to after so many parts of steps. */
export function momentOf(course: Course, at: number): Moment {
  const { draft, change, start, legs, turning } = course
  const { steps } = change
  const parts = Math.min(Math.max(at, 0), steps.length * PARTS_OF_A_STEP)
  const done = Math.floor(parts / PARTS_OF_A_STEP)
  const part = (parts % PARTS_OF_A_STEP) / PARTS_OF_A_STEP
  const places: Record<string, string> = { ...start }
  let isUnloaded = false
  for (const step of steps.slice(0, done)) {
    if (step.kind === 'clutch') isUnloaded = step.is === 'down'
    else if (step.kind === 'lift') isUnloaded = true
    else if (step.kind === 'out') {
      const { coupler } = step.move
      places[coupler.id] = centreOf(coupler)?.id ?? places[coupler.id] ?? ''
    } else if (step.kind === 'in') places[step.move.coupler.id] = step.move.to.id
    else if (step.kind === 'hand-over') {
      for (const coupler of step.opening)
        places[coupler.id] = centreOf(coupler)?.id ?? places[coupler.id] ?? ''
      for (const { id, positions } of step.closing)
        places[id] = positions.find(({ engages }) => engages.length > 0)?.id ?? places[id] ?? ''
    }
  }
  const turned = turning.map((each) => ({ drum: each.drum, deg: drumAngle(each, done + part) }))
  const byDrum = new Set(turned.flatMap(({ drum }) => drum.tracks.map(({ coupler }) => coupler)))
  return {
    done,
    part,
    places: Object.assign(
      places,
      ...turned.map(({ drum, deg }) => drumPlaces(draft.couplers, drum, deg)),
    ) as CouplerPlaces,
    levers: leversAt(course, done + part),
    onTheWay: [
      ...waysAt(legs, done + part).filter(({ coupler }) => !byDrum.has(coupler)),
      ...turned.flatMap(({ drum, deg }) => drumWays(draft.couplers, drum, deg)),
    ],
    drumDegs: new Map([
      ...(draft.drums ?? []).map((drum) => [drum.id, standingDrum(drum, change)] as const),
      ...turned.map(({ drum, deg }) => [drum.id, deg] as const),
    ]),
    isUnloaded,
  }
}

/** Whether the pedal is down at a moment: as the last step that moved it left it. */
export function isPedalDownAt({ steps }: GearChange, { done }: Pick<Moment, 'done'>): boolean {
  const last = steps.slice(0, done).findLast(({ kind }) => kind === 'clutch')
  return last?.kind === 'clutch' && last.is === 'down'
}

/** Couplers that are under way: the last way that each has begun, while it is not at its end. */
function waysAt(legs: readonly Leg[], at: number): readonly CouplerWay[] {
  const ways = new Map<string, CouplerWay>()
  for (const { moves, gone } of legs) {
    const part = partOf(gone, at)
    if (part === null) continue
    for (const { coupler, from, to } of moves) {
      if (part > 0 && part < 1) ways.set(coupler.id, { coupler: coupler.id, from, to, part })
      else if (part >= 1) ways.delete(coupler.id)
    }
  }
  return [...ways.values()]
}

function leversAt(course: Course, at: number): ReadonlyMap<number, LeverWay> {
  const resting = (stands: LeverAt): LeverWay => ({ from: stands, to: stands, part: 0 })
  const levers = new Map([...course.levers].map(([lever, start]) => [lever, resting(start)]))
  const begun = course.legs.flatMap(({ lever, gone }) => {
    const part = partOf(gone, at)
    return lever && part !== null ? [{ lever, part, since: Math.min(...gone.keys()) }] : []
  })
  for (const { lever, part } of begun.sort((one, other) => one.since - other.since)) {
    const { number, from, to } = lever
    levers.set(number, part < 1 ? { from, to, part } : resting(to))
  }
  return levers
}

/** Where a drum that turns in a change is turned to. */
function drumAngle({ fromDeg, toDeg, gone }: Turning, at: number): number {
  return fromDeg + (toDeg - fromDeg) * (partOf(gone, at) ?? 0)
}

/** Where a drum stands in a change that does not turn it. */
function standingDrum({ stops }: Drum, { from }: GearChange): number {
  const stop =
    stops.find(({ position }) => position === from.id) ??
    stops.find(({ position }) => position === undefined)
  return stop?.angleDeg ?? 0
}

/** The row that a lever in neutral is in before its first move, or else its first row. */
function rowOf(lever: number, { steps }: GearChange, slots: readonly Slot[]): number {
  const moves = steps.flatMap((step) =>
    step.kind === 'lever' && step.move.lever === lever ? [step.move] : [],
  )
  return moves[0]?.row ?? slots.find((slot) => slot.lever === lever)?.row ?? 1
}

/** The moment nearest to the one looked at in which something is nearest to where it was dragged. */
export function nearestMoment(
  course: Course,
  now: number,
  distance: (moment: Moment) => number,
): number {
  const last = course.change.steps.length * PARTS_OF_A_STEP
  let best = { at: now, far: Infinity }
  for (let at = 0; at <= last; at++) {
    const far = distance(momentOf(course, at))
    const isNearer = Math.abs(at - now) < Math.abs(best.at - now)
    if (far < best.far - 1e-9 || (far < best.far + 1e-9 && isNearer)) best = { at, far }
  }
  return best.at
}
