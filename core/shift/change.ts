/** A change from one position to another: what moves in which order, and what must match. */
import { centreOf, placeOf } from '../box/box.ts'
import type {
  BoxDraft,
  BoxPosition,
  Coupler,
  CouplerPosition,
  Drum,
  DrumStop,
  Selector,
} from '../box/types.ts'
import type { Rational } from '../number/rational.ts'
import { ONE } from '../number/rational.ts'
import type { Analysis, Solver } from '../train/analysis.ts'
import { analyse, couplersAway } from '../train/analysis.ts'
import { fullPlaces } from '../train/combinations.ts'
import { findPreselections } from '../train/preselection.ts'

import type { LeverMove } from './lever.ts'
import { leverMoves, rodsOf, slotOf, slotsOf } from './lever.ts'
import type { Match } from './match.ts'
import { matchesOf } from './match.ts'

/** A coupler that moves, and the rod that moves it where the box says so. */
export interface CouplerMove {
  readonly coupler: Coupler
  readonly from: CouplerPosition
  readonly to: CouplerPosition
  readonly selector: Selector | null
}

/** Schools of changing: with the clutch, without it, or with it twice. */
export const CHANGE_SCHOOLS = ['clutch', 'without-clutch', 'double-declutch'] as const
/** See `CHANGE_SCHOOLS`. */
export type ChangeSchool = (typeof CHANGE_SCHOOLS)[number]

/** One thing that happens in a change. */
export type ChangeStep =
  | { readonly kind: 'clutch'; readonly is: 'down' | 'up' }
  /** The driver takes the load off, so that dogs let go. */
  | { readonly kind: 'lift' }
  | { readonly kind: 'lever'; readonly move: LeverMove }
  /** The drum turns from one stop to another, over those between them. */
  | {
      readonly kind: 'turn'
      readonly from: DrumStop
      readonly to: DrumStop
      readonly over: readonly DrumStop[]
    }
  /** A coupler goes out or comes in. */
  | { readonly kind: 'out' | 'in'; readonly move: CouplerMove }
  /** The input is brought to a speed, as a multiple of what it had. */
  | { readonly kind: 'match'; readonly inputSpeed: Rational }
  /** A ring brings both sides to one speed. */
  | { readonly kind: 'ring'; readonly coupler: Coupler }
  /** One clutch opens while the other closes; nothing else moves. */
  | {
      readonly kind: 'hand-over'
      readonly opening: readonly Coupler[]
      readonly closing: readonly Coupler[]
    }

export interface GearChange {
  readonly from: BoxPosition
  readonly to: BoxPosition
  readonly steps: readonly ChangeStep[]
  readonly matches: readonly Match[]
  /** The input's speed after it, for 1 before, the outputs turning as they did; null without a drive on either side. */
  readonly inputSpeed: Rational | null
  /** Whether the torque need not be let go. */
  readonly isWithoutGap: boolean
}

const isClutch = ({ kind }: Coupler): boolean => kind === 'friction-clutch'

/** Kinds whose rings bring the speeds together by themselves. */
const WITH_RING: ReadonlySet<Coupler['kind']> = new Set(['synchronizer', 'range'])

/** What a change between two positions takes. */
export function gearChange(
  solver: Solver,
  from: BoxPosition,
  to: BoxPosition,
  school: ChangeSchool,
): GearChange {
  const { couplers } = solver.box.draft
  const selectors = rodsOf(solver.box.draft)
  const [now, then] = [fullPlaces(couplers, from.couplers), fullPlaces(couplers, to.couplers)]
  const [before, after] = [analysisOf(solver, from), analysisOf(solver, to)]
  const moving = couplers
    .filter(({ id }) => now[id] !== then[id])
    .flatMap((coupler): CouplerMove[] => {
      const [was, becomes] = [placeOf(coupler, now), placeOf(coupler, then)]
      return was && becomes
        ? [{ coupler, from: was, to: becomes, selector: selectorOf(selectors, coupler) }]
        : []
    })
  const isFixed = ({ id }: Coupler): boolean => now[id] === then[id]
  const leaving = moving.filter(({ coupler, from: was }) => was !== centreOf(coupler))
  // What has a switch of its own goes in while the lever passes neutral, clutches at the end.
  const entering = moving
    .filter(({ coupler, to: becomes }) => becomes !== centreOf(coupler))
    .sort((one, other) => rank(one) - rank(other))
  const matches = matchesOf(
    solver,
    before,
    then,
    couplers.filter(isFixed),
    entering.map(({ coupler }) => coupler),
  )
  const waits = findPreselections(solver, from).find(({ position }) => position.id === to.id)
  const inputSpeed = speedAfter(before, after)
  return {
    from,
    to,
    matches,
    inputSpeed,
    isWithoutGap: waits !== undefined,
    steps: waits
      ? handOver(leaving, entering)
      : withGap({
          school,
          hand: handOf(solver.box.draft, from, to),
          leaving,
          entering,
          inputSpeed,
        }),
  }
}

const KNOWN = new WeakMap<Solver, WeakMap<BoxPosition, Analysis>>()

/** What a position does; worked out once, since each is an end of many changes. */
function analysisOf(solver: Solver, position: BoxPosition): Analysis {
  const ofSolver = KNOWN.get(solver) ?? new WeakMap<BoxPosition, Analysis>()
  KNOWN.set(solver, ofSolver)
  const known = ofSolver.get(position)
  if (known) return known
  const found = analyse(solver, fullPlaces(solver.box.draft.couplers, position.couplers))
  ofSolver.set(position, found)
  return found
}

function selectorOf(selectors: readonly Selector[], { id }: Coupler): Selector | null {
  return selectors.find(({ places }) => places.some(({ couplers }) => id in couplers)) ?? null
}

function rank({ coupler, selector }: CouplerMove): number {
  return isClutch(coupler) ? 2 : selector && selector.switched === undefined ? 1 : 0
}

/** The input's speed where the outputs go on as they did: the ratios' quotient. */
function speedAfter(before: Analysis, after: Analysis): Rational | null {
  return before.state === 'drive' && after.state === 'drive' ? after.ratio.div(before.ratio) : null
}

/** What waits goes in, the clutches change over, and what carried goes out. */
function handOver(
  leaving: readonly CouplerMove[],
  entering: readonly CouplerMove[],
): readonly ChangeStep[] {
  const of = (moves: readonly CouplerMove[], areClutches: boolean): readonly CouplerMove[] =>
    moves.filter(({ coupler }) => isClutch(coupler) === areClutches)
  return [
    ...of(entering, false).flatMap(entry),
    {
      kind: 'hand-over',
      opening: of(leaving, true).map(({ coupler }) => coupler),
      closing: of(entering, true).map(({ coupler }) => coupler),
    },
    ...of(leaving, false)
      .filter((move) => !entering.includes(move))
      .map((move): ChangeStep => ({ kind: 'out', move })),
  ]
}

function entry(move: CouplerMove): readonly ChangeStep[] {
  return [
    ...(WITH_RING.has(move.coupler.kind) ? [{ kind: 'ring' as const, coupler: move.coupler }] : []),
    { kind: 'in', move },
  ]
}

/** What the hand or the foot does: before anything goes out, and before anything goes in. */
interface Hand {
  readonly out: readonly ChangeStep[]
  readonly in: readonly ChangeStep[]
}

function handOf(draft: BoxDraft, from: BoxPosition, to: BoxPosition): Hand {
  const turn = drumTurn(draft.drums?.[0], draft, from, to)
  if (turn) return { out: [turn], in: [] }
  const slots = slotsOf(rodsOf(draft))
  const at = ({ couplers }: BoxPosition) => slotOf(slots, fullPlaces(draft.couplers, couplers))
  const moves = leverMoves(at(from), at(to))
  const lever = (isOut: boolean): readonly ChangeStep[] =>
    moves.filter(({ kind }) => (kind === 'out') === isOut).map((move) => ({ kind: 'lever', move }))
  return { out: lever(true), in: lever(false) }
}

/** The turn of the drum between the stops of two positions; a stop of neutral names none. */
function drumTurn(
  drum: Drum | undefined,
  { couplers }: BoxDraft,
  from: BoxPosition,
  to: BoxPosition,
): ChangeStep | undefined {
  const stopOf = (position: BoxPosition): number => {
    const isNeutral = couplersAway(couplers, fullPlaces(couplers, position.couplers)).length === 0
    return (
      drum?.stops.findIndex(({ position: named }) =>
        isNeutral ? named === undefined || named === position.id : named === position.id,
      ) ?? -1
    )
  }
  const [start, end] = [stopOf(from), stopOf(to)]
  const [first, last] = [drum?.stops[start], drum?.stops[end]]
  if (!drum || !first || !last || first === last) return undefined
  const between = drum.stops.slice(Math.min(start, end) + 1, Math.max(start, end))
  return { kind: 'turn', from: first, to: last, over: start < end ? between : between.reverse() }
}

interface Gapped {
  readonly school: ChangeSchool
  readonly hand: Hand
  readonly leaving: readonly CouplerMove[]
  readonly entering: readonly CouplerMove[]
  readonly inputSpeed: Rational | null
}

/** Out of one position, through neutral, into the other. */
function withGap(change: Gapped): readonly ChangeStep[] {
  const { school, hand, leaving, entering, inputSpeed } = change
  const ownClutches = entering.some(({ coupler }) => isClutch(coupler))
  const hasPedal = !ownClutches && school !== 'without-clutch'
  const matched =
    inputSpeed && !inputSpeed.equals(ONE) && school !== 'clutch'
      ? [{ kind: 'match' as const, inputSpeed }]
      : []
  const out = leaving.map((move): ChangeStep => ({ kind: 'out', move }))
  const pedal = (is: 'down' | 'up'): readonly ChangeStep[] =>
    hasPedal ? [{ kind: 'clutch', is }] : []
  return [
    ...(hasPedal || leaving.length === 0 ? pedal('down') : [{ kind: 'lift' as const }]),
    ...hand.out,
    ...out,
    ...(school === 'double-declutch' && hasPedal && matched.length > 0
      ? [...pedal('up'), ...matched, ...pedal('down')]
      : matched),
    ...hand.in,
    ...entering.flatMap(entry),
    ...pedal('up'),
  ]
}
