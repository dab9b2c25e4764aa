/** A change from one position to another: what moves in which order, and what must match. */
import type { CouplerPlaces } from '../box/box.ts'
import { centreOf, placeOf } from '../box/box.ts'
import { couplersWithRings, isClutch } from '../box/couplers.ts'
import { hasShaftBrake } from '../box/selectors/pedal.ts'
import { oncePer } from '../box/oncePer.ts'
import type {
  BoxDraft,
  BoxPosition,
  Coupler,
  CouplerPosition,
  Drum,
  DrumStop,
  Gear,
  Selector,
} from '../box/types.ts'
import type { Rational } from '../number/rational.ts'
import { ZERO } from '../number/rational.ts'
import type { Analysis, Solver } from '../train/analysis.ts'
import { analyse, couplersAway } from '../train/analysis.ts'
import { fullPlaces } from '../train/combinations.ts'
import { findPreselections } from '../train/preselection.ts'

import type { LeverMove, Slot } from './lever.ts'
import { FIRST_LEVER, leverMoves, rodsOf, slotsOf, standingOf } from './lever.ts'
import type { Match } from './match.ts'
import { matchesOf } from './match.ts'

/** A coupler that moves, and the rod that moves it where the box says so. */
interface CouplerMove {
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
      readonly drum: Drum
      readonly from: DrumStop
      readonly to: DrumStop
      readonly over: readonly DrumStop[]
    }
  /** A coupler goes out or comes in. */
  | { readonly kind: 'out' | 'in'; readonly move: CouplerMove }
  /**
   * Somebody waits until what turns with the input stands, or brakes it with a brake of its own, or
   * stops the vehicle so that all of it does.
   */
  | { readonly kind: 'stand'; readonly what: 'input' | 'vehicle'; readonly isBraked?: true }
  /** The input is brought to a speed, as a multiple of what it had. */
  | { readonly kind: 'match'; readonly inputSpeed: Rational }
  /** A ring brings both sides to one speed; or it is spent, and the teeth go in as the sides turn. */
  | { readonly kind: 'ring' | 'grind'; readonly coupler: Coupler }
  /** One clutch opens while the other closes; nothing else moves. */
  | {
      readonly kind: 'hand-over'
      readonly opening: readonly Coupler[]
      readonly closing: readonly Coupler[]
    }

/** A change from one position to another, step by step, and what has to match in it. */
export interface GearChange {
  readonly from: BoxPosition
  readonly to: BoxPosition
  readonly steps: readonly ChangeStep[]
  readonly matches: readonly Match[]
  /** The input's speed after it, for 1 before, the outputs turning as they did; null without a drive on either side. */
  readonly inputSpeed: Rational | null
  /** Whether the torque need not be let go. */
  readonly isWithoutGap: boolean
  /** Gears to count before the speeds of both ends are known. */
  readonly uncounted: readonly Gear[]
}

/** What is so in a change, besides where it begins and ends. */
export interface ChangeOptions {
  /** Where the next position can wait behind its clutch: whether anybody makes it ready there; true where it is not said. */
  readonly isMadeReady?: boolean
  /**
   * Where nothing drives before: turns of the outputs, which the wheels turn, for one of the input.
   * The wheels stand where it is not said.
   */
  readonly outputSpeed?: Rational
  /** Places whose ring stands on its gear and brakes nothing, as `placeKey` has them. */
  readonly spentRings?: ReadonlySet<string>
}

/** One place of one coupler, among all of a box. */
export function placeKey(coupler: Pick<Coupler, 'id'>, place: Pick<CouplerPosition, 'id'>): string {
  return `${coupler.id}/${place.id}`
}

const NONE: ReadonlySet<string> = new Set()

/** Gears whose teeth would have to be known, each once. */
function uncountedIn(analyses: readonly Analysis[]): readonly Gear[] {
  const gears = analyses.flatMap((each) => (each.state === 'uncounted' ? each.gears : []))
  return [...new Set(gears)]
}

/**
 * What a change between two positions takes. Where the second can wait behind its clutch it is made
 * ready there first.
 */
export function gearChange(
  solver: Solver,
  from: BoxPosition,
  to: BoxPosition,
  school: ChangeSchool,
  { isMadeReady = true, outputSpeed = ZERO, spentRings = NONE }: ChangeOptions = {},
): GearChange {
  const { draft } = solver.box
  const { couplers } = draft
  const rings: Rings = { onCouplers: couplersWithRings(draft), spent: spentRings }
  const known = knownOf(solver)
  const [start, end] = [endOf(solver, known, from), endOf(solver, known, to)]
  const [now, then] = [start.places, end.places]
  const [before, after] = [start.analysis, end.analysis]
  const waits =
    isMadeReady && findPreselections(solver, from).find(({ position }) => position.id === to.id)
  const opening = waits ? [] : opensMeanwhile(couplers, start, end)
  const passing = new Set([...passingNeutral(known, start, end), ...opening])
  const moving = couplers
    .filter(({ id }) => now[id] !== then[id] || passing.has(id))
    .flatMap((coupler): CouplerMove[] => {
      const [was, becomes] = [placeOf(coupler, now), placeOf(coupler, then)]
      const selector = known.byCoupler.get(coupler.id) ?? null
      return was && becomes ? [{ coupler, from: was, to: becomes, selector }] : []
    })
  const leaving = moving
    .filter(({ coupler, from: was }) => was !== centreOf(coupler))
    .sort((one, other) => rank(other) - rank(one))
  // What has a switch of its own goes in while the lever passes neutral, clutches at the end.
  const entering = moving
    .filter(({ coupler, to: becomes }) => becomes !== centreOf(coupler))
    .sort((one, other) => rank(one) - rank(other))
  const matches = matchesOf(solver, {
    before,
    places: then,
    others: couplers.filter((coupler) => !moving.some((move) => move.coupler === coupler)),
    entering: entering.map(({ coupler }) => coupler),
    outputSpeed,
  })
  const inputSpeed = speedAfter(before, after, outputSpeed)
  return {
    from,
    to,
    matches,
    inputSpeed,
    isWithoutGap: Boolean(waits),
    uncounted: uncountedIn([before, after]),
    steps: waits
      ? handOver(leaving, entering, rings)
      : withGap({
          school,
          rings,
          hasBrake: hasShaftBrake(draft),
          hand: handOf(draft, known, start, end, passing),
          leaving,
          entering,
          inputSpeed,
        }),
  }
}

/** One end of a change. */
interface End {
  readonly position: BoxPosition
  readonly places: CouplerPlaces
  readonly analysis: Analysis
  /** Where each lever stands; null in neutral. */
  readonly standing: ReadonlyMap<number, Slot | null>
}

/** What every change of a box asks for; worked out once. */
interface Known {
  readonly slots: readonly Slot[]
  readonly byCoupler: ReadonlyMap<string, Selector>
  readonly ends: WeakMap<BoxPosition, End>
}

const knownOf = oncePer((solver: Solver): Known => {
  const rods = rodsOf(solver.box.draft)
  return {
    slots: slotsOf(rods),
    byCoupler: new Map(
      [...rods]
        .reverse()
        .flatMap((rod) =>
          rod.places.flatMap(({ couplers }) =>
            Object.keys(couplers).map((id) => [id, rod] as const),
          ),
        ),
    ),
    ends: new WeakMap(),
  }
})

function endOf(solver: Solver, { ends, slots }: Known, position: BoxPosition): End {
  const known = ends.get(position)
  if (known) return known
  const places = fullPlaces(solver.box.draft.couplers, position.couplers)
  const made = {
    position,
    places,
    analysis: analyse(solver, places),
    standing: standingOf(slots, places),
  }
  ends.set(position, made)
  return made
}

/**
 * The couplers that go out and in again at the same place: where something changes only when
 * the first lever passes neutral, it has to pass it.
 */
function passingNeutral(
  { byCoupler }: Known,
  { places: now, standing }: End,
  { places: then, standing: goes }: End,
): ReadonlySet<string> {
  const slot = standing.get(FIRST_LEVER)
  if (!slot || slot !== goes.get(FIRST_LEVER)) return new Set()
  const waits = Object.keys(then).some(
    (id) => now[id] !== then[id] && byCoupler.get(id)?.switched === 'at-neutral',
  )
  return new Set(waits ? Object.keys(slot.place.couplers) : [])
}

/** A friction clutch that carries before and after opens while what lies behind it moves. */
function opensMeanwhile(
  couplers: readonly Coupler[],
  { places: now }: End,
  { places: then }: End,
): readonly string[] {
  const isMoved = ({ id }: Coupler): boolean => now[id] !== then[id]
  if (!couplers.some((coupler) => !isClutch(coupler) && isMoved(coupler))) return []
  return couplers.flatMap((coupler) =>
    isClutch(coupler) && !isMoved(coupler) && now[coupler.id] !== centreOf(coupler)?.id
      ? [coupler.id]
      : [],
  )
}

function rank({ coupler, selector }: CouplerMove): number {
  return isClutch(coupler) ? 2 : selector && selector.switched === undefined ? 1 : 0
}

/** The input's speed where the outputs go on as they did: the ratios' quotient, or 0 at a stand. */
function speedAfter(before: Analysis, after: Analysis, outputSpeed: Rational): Rational | null {
  if (after.state !== 'drive') return null
  if (before.state === 'drive') return after.ratio.div(before.ratio)
  return before.state === 'neutral' ? after.ratio.mul(outputSpeed) : null
}

/** What waits goes in, the clutches change over, and what carried goes out. */
function handOver(
  leaving: readonly CouplerMove[],
  entering: readonly CouplerMove[],
  rings: Rings,
): readonly ChangeStep[] {
  const of = (moves: readonly CouplerMove[], areClutches: boolean): readonly CouplerMove[] =>
    moves.filter(({ coupler }) => isClutch(coupler) === areClutches)
  return [
    ...of(entering, false).flatMap((move) => entry(move, rings)),
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

/** Which couplers have rings, and at which places one brakes nothing. */
interface Rings {
  readonly onCouplers: ReadonlySet<string>
  readonly spent: ReadonlySet<string>
}

/** The ring that a move meets: one that brakes, one that is spent, or none. */
function ringOf(
  { onCouplers, spent }: Rings,
  { coupler, to }: CouplerMove,
): 'ring' | 'grind' | null {
  if (!onCouplers.has(coupler.id)) return null
  return spent.has(placeKey(coupler, to)) ? 'grind' : 'ring'
}

function entry(move: CouplerMove, rings: Rings): readonly ChangeStep[] {
  const kind = ringOf(rings, move)
  return [...(kind ? [{ kind, coupler: move.coupler }] : []), { kind: 'in', move }]
}

/** What the hand or the foot does: before anything goes out, and before anything goes in. */
interface Hand {
  readonly out: readonly ChangeStep[]
  readonly in: readonly ChangeStep[]
}

function handOf(
  draft: BoxDraft,
  { slots }: Known,
  from: End,
  to: End,
  passing: ReadonlySet<string>,
): Hand {
  const turns = (draft.drums ?? []).flatMap((drum) => drumTurn(drum, draft, from, to) ?? [])
  // Of several drums one brings its fork out before another brings its own in.
  const isEntering = (turn: Turn): boolean => turn.from.position === undefined
  if (turns.length > 0)
    return {
      out: turns.length > 1 ? turns.filter((turn) => !isEntering(turn)) : turns,
      in: turns.length > 1 ? turns.filter(isEntering) : [],
    }
  if (slots.length === 0) return { out: [], in: [] }
  const moves = [...from.standing].flatMap(([number, start]) => {
    const end = to.standing.get(number) ?? null
    const isPassing = Object.keys(start?.place.couplers ?? {}).some((id) => passing.has(id))
    return isPassing && number === FIRST_LEVER
      ? [...leverMoves(start, null), ...leverMoves(null, end)]
      : leverMoves(start, end)
  })
  const lever = (isOut: boolean): readonly ChangeStep[] =>
    moves.filter(({ kind }) => (kind === 'out') === isOut).map((move) => ({ kind: 'lever', move }))
  return { out: lever(true), in: lever(false) }
}

/** The turn of the drum between the stops of two positions; a stop of neutral names none. */
type Turn = Extract<ChangeStep, { kind: 'turn' }>

function drumTurn(drum: Drum, { couplers }: BoxDraft, from: End, to: End): Turn | undefined {
  const moved = couplers.filter(({ id }) => drum.tracks.some(({ coupler }) => coupler === id))
  const stopOf = ({ position: { id }, places }: End): number => {
    const isNeutral = couplersAway(moved, places).length === 0
    return drum.stops.findIndex(
      ({ position }) => position === id || (isNeutral && position === undefined),
    )
  }
  const [start, end] = [stopOf(from), stopOf(to)]
  const [first, last] = [drum.stops[start], drum.stops[end]]
  if (!first || !last || first === last) return undefined
  const between = drum.stops.slice(Math.min(start, end) + 1, Math.max(start, end))
  return {
    kind: 'turn',
    drum,
    from: first,
    to: last,
    over: start < end ? between : between.reverse(),
  }
}

interface Gapped {
  readonly school: ChangeSchool
  readonly rings: Rings
  /** Whether a brake brings what turns with the input to a stand. */
  readonly hasBrake: boolean
  readonly hand: Hand
  readonly leaving: readonly CouplerMove[]
  readonly entering: readonly CouplerMove[]
  readonly inputSpeed: Rational | null
}

/** What somebody does so that the speeds agree, before anything goes in. */
function matchedBy({
  school,
  rings,
  hasBrake,
  entering,
  inputSpeed,
}: Gapped): readonly ChangeStep[] {
  if (!inputSpeed || inputSpeed.isOne()) return []
  if (inputSpeed.sign() < 0) return [{ kind: 'stand', what: 'vehicle' }]
  const hasRings = entering.every(
    (move) => isClutch(move.coupler) || ringOf(rings, move) === 'ring',
  )
  if (inputSpeed.isZero())
    return hasRings ? [] : [{ kind: 'stand', what: 'input', ...(hasBrake && { isBraked: true }) }]
  return school === 'clutch' ? [] : [{ kind: 'match', inputSpeed }]
}

/** Out of one position, through neutral, into the other. */
function withGap(change: Gapped): readonly ChangeStep[] {
  const { school, rings, hand, leaving, entering, inputSpeed } = change
  const ownClutches = entering.some(({ coupler }) => isClutch(coupler))
  // What has to stand first is taken with the clutch in every school.
  const hasToStand = inputSpeed !== null && inputSpeed.sign() <= 0
  const hasPedal = !ownClutches && (school !== 'without-clutch' || hasToStand)
  const matched = matchedBy(change)
  const isInNeutral = leaving.length === 0
  const pedal = (is: 'down' | 'up'): readonly ChangeStep[] =>
    hasPedal ? [{ kind: 'clutch', is }] : []
  // A clutch of the box that opens takes the load off by itself.
  const opens = leaving.some(({ coupler }) => isClutch(coupler))
  const release = (): readonly ChangeStep[] =>
    hasPedal || isInNeutral || opens ? pedal('down') : [{ kind: 'lift' }]
  const out = [...hand.out, ...leaving.map((move): ChangeStep => ({ kind: 'out', move }))]
  const isTwice =
    school === 'double-declutch' && hasPedal && matched.some(({ kind }) => kind === 'match')
  return [
    ...(!isTwice
      ? [...release(), ...out, ...matched]
      : isInNeutral
        ? // With the clutch up the engine brings the input along as it is.
          [...matched, ...pedal('down'), ...out]
        : [...release(), ...out, ...pedal('up'), ...matched, ...pedal('down')]),
    ...hand.in,
    ...entering.flatMap((move) => entry(move, rings)),
    ...pedal('up'),
  ]
}
