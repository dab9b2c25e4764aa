/**
 * What must match before a coupler goes in. Between two positions the couplers that move are
 * out: what hangs on the input goes on as the input does, what hangs on an output as that does,
 * and what hangs on neither as it turned before. Each law that a coupler is to add then has a
 * difference left, which is a multiple of the input's speed plus a figure that stays: where the
 * multiple is not 0, one speed of the input takes it away. What nothing settled before coasts, and
 * has come to anything between a stand and the speed to which an open clutch drags it.
 */
import type { CouplerPlaces } from '../box/box.ts'
import { placeOf } from '../box/box.ts'
import { isClutch } from '../box/couplers.ts'
import type { Coupler } from '../box/types.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, ZERO } from '../number/rational.ts'
import type { Analysis, Solver } from '../train/analysis.ts'
import type { Law } from '../train/laws.ts'
import { engagedLaws } from '../train/laws.ts'
import type { Motions } from '../train/motion.ts'
import { restrictMotions } from '../train/motion.ts'

/** What settles the speed of one side of a coupler while it is out. */
export interface HangsOn {
  readonly input: boolean
  readonly output: boolean
  /** Something that hangs on neither end has a part in it. */
  readonly free: boolean
}

/** What a side that nothing drives may have come to. */
interface Coasting {
  /** The open clutch that drags it along; null where it stands. */
  readonly draggedBy: Coupler | null
  /** The difference that there is then, counted as in `Match`. */
  readonly slip: Rational
}

/** A body that a coupler is to join. */
interface MatchSide {
  readonly body: string
  readonly hangsOn: HangsOn
  /** How it turned before, for one turn of the input; null where it coasts. */
  readonly speed: Rational | null
  /** By how much more it turns for one turn more of the input. */
  readonly ofInput: Rational
}

/** One law that a coupler adds when it goes in, and what is between it and that. */
export interface Match {
  readonly coupler: Coupler
  readonly law: Law
  /** The bodies of the law. */
  readonly sides: readonly MatchSide[]
  /**
   * The difference that has to go if nobody does anything: turns for one turn that the input made
   * before the change, teeth for a mesh. Null where something coasts or is not counted.
   */
  readonly slip: Rational | null
  /** Where something coasts: what the difference is at either end of what it may have come to. */
  readonly coasting: readonly Coasting[]
  /**
   * How far each body turns while the two sides come one turn nearer: with the input, or else with
   * what hangs on neither end; empty where nothing of one freedom alone brings them nearer.
   */
  readonly brought: ReadonlyMap<string, Rational>
  /** The input's speed that takes it away, for 1 before; null where the input changes nothing of it. */
  readonly inputSpeed: Rational | null
}

/** The difference that has to go, or the greatest that it may be where something coasts. */
export function greatestSlip({ slip, coasting }: Match): Rational | null {
  return (
    slip ??
    coasting
      .map((each) => each.slip)
      .reduce<Rational | null>(
        (most, each) => (most && !each.abs().isGreaterThan(most.abs()) ? most : each),
        null,
      )
  )
}

/** A change for which `matchesOf` is asked. */
export interface Entering {
  readonly before: Analysis
  /** The couplers after it. */
  readonly places: CouplerPlaces
  /** Couplers that do not move. */
  readonly others: readonly Coupler[]
  /** Couplers that go in, one after another: one that is in already holds for those after it. */
  readonly entering: readonly Coupler[]
  /** Turns of the outputs for one of the input, where none of them is driven before. */
  readonly outputSpeed: Rational
}

type Speeds = (freedom: string) => Rational | undefined

/** How fast everything turned before, as far as something settled it. */
function speedsBefore({ box }: Solver, { before, outputSpeed }: Entering): Speeds {
  const { motions, state } = before
  const { input, outputs } = box.draft
  return (body) => {
    if (body === input) return ONE
    const motion = motions.get(body)
    if (motion?.kind === 'turns') return motion.speed
    if (motion?.kind === 'still') return ZERO
    // In neutral the outputs do what the wheels do; while another output drives, the road turns this one.
    return state !== 'drive' && outputs.includes(body) ? outputSpeed : undefined
  }
}

/** What must match for each coupler that goes in. */
export function matchesOf(solver: Solver, change: Entering): readonly Match[] {
  const { places, others, entering } = change
  const { box, rank } = solver
  const isCounted = (law: Law): boolean => law.uncounted.length === 0
  const speeds = speedsBefore(solver, change)
  let motions = solver.motions
  // What holds besides them: taken up only when something more goes in.
  let added = engagedLaws(box, places, others).filter(isCounted)
  return entering.flatMap((coupler) => {
    if (placeOf(coupler, places) === undefined) return []
    return engagedLaws(box, places, [coupler]).map((law) => {
      motions = restrictMotions(motions, added, rank)
      added = isCounted(law) ? [law] : []
      return matchOf({ solver, input: box.draft.input, motions, speeds }, coupler, law)
    })
  })
}

interface ClutchLaw {
  readonly clutch: Coupler
  readonly law: Law
}

/** The laws that the friction clutches of a box would add, as far as they are counted. */
function clutchLaws({ box }: Solver): readonly ClutchLaw[] {
  return box.draft.couplers.filter(isClutch).flatMap((clutch) =>
    clutch.positions.flatMap(({ id }) =>
      engagedLaws(box, { [clutch.id]: id }, [clutch])
        .filter(({ uncounted }) => uncounted.length === 0)
        .map((law) => ({ clutch, law })),
    ),
  )
}

const NOTHING: ReadonlyMap<string, Rational> = new Map()

/** How everything turns with one freedom alone, for a difference of one. */
function broughtAlong(
  speeds: Motions['speeds'],
  freedom: string,
  ofFreedom: Rational,
): ReadonlyMap<string, Rational> {
  const brought = new Map<string, Rational>()
  const each = ofFreedom.inverse()
  for (const [body, sum] of speeds) {
    const multiple = sum.get(freedom)
    if (multiple) brought.set(body, multiple.mul(each))
  }
  return brought
}

/** How a body turns, or what a law is off by, as a sum over what can turn freely. */
interface Turning {
  readonly ofInput: Rational
  /** What is settled besides the input. */
  readonly rest: Rational
  /** What nothing settled, and how much of it is in the sum. */
  readonly unsettled: ReadonlyMap<string, Rational>
  /** All that hangs on neither end, whether it turned before or nothing settled it. */
  readonly free: ReadonlyMap<string, Rational>
}

function turningOf(body: string, { motions, speeds, input, solver }: Standing): Turning {
  let [ofInput, rest] = [ZERO, ZERO]
  const unsettled = new Map<string, Rational>()
  const free = new Map<string, Rational>()
  for (const [freedom, multiple] of motions.speeds.get(body) ?? []) {
    if (!solver.rank.includes(freedom)) free.set(freedom, multiple)
    const speed = freedom === input ? undefined : speeds(freedom)
    if (freedom === input) ofInput = multiple
    else if (speed) rest = rest.add(multiple.mul(speed))
    else unsettled.set(freedom, multiple)
  }
  return { ofInput, rest, unsettled, free }
}

/** Puts multiples to a sum; what comes to nothing is left out. */
function addTo(
  sum: Map<string, Rational>,
  coefficient: Rational,
  added: ReadonlyMap<string, Rational>,
): void {
  for (const [freedom, multiple] of added) {
    const next = (sum.get(freedom) ?? ZERO).add(coefficient.mul(multiple))
    if (next.isZero()) sum.delete(freedom)
    else sum.set(freedom, next)
  }
}

/** What a law is off by while its bodies turn like this. */
function differenceOf({ terms }: Law, turnings: readonly Turning[]): Turning {
  let [ofInput, rest] = [ZERO, ZERO]
  const unsettled = new Map<string, Rational>()
  const free = new Map<string, Rational>()
  terms.forEach(({ coefficient }, at) => {
    const turning = turnings[at]
    if (!turning) return
    ofInput = ofInput.add(coefficient.mul(turning.ofInput))
    rest = rest.add(coefficient.mul(turning.rest))
    addTo(unsettled, coefficient, turning.unsettled)
    addTo(free, coefficient, turning.free)
  })
  return { ofInput, rest, unsettled, free }
}

interface Standing {
  readonly solver: Solver
  readonly input: string
  readonly motions: Motions
  readonly speeds: Speeds
}

function matchOf(standing: Standing, coupler: Coupler, law: Law): Match {
  const { solver, input, motions } = standing
  const { outputs } = solver.box.draft
  const hangsOn = (body: string): HangsOn => {
    const freedoms = [...(motions.speeds.get(body)?.keys() ?? [])]
    return {
      input: freedoms.includes(input),
      output: freedoms.some((each) => outputs.includes(each)),
      free: freedoms.some((each) => !solver.rank.includes(each)),
    }
  }
  const turnings = law.terms.map(({ body }) => turningOf(body, standing))
  const { ofInput, rest, unsettled, free } = differenceOf(law, turnings)
  const isCounted = law.uncounted.length === 0
  const isSettled = isCounted && unsettled.size === 0
  const coasting = isCounted ? coastingOf(standing, ofInput.add(rest), unsettled) : []
  // What hangs on neither end gives way, whether it goes on as it turned or nothing settled it.
  const [gives, ...more] = isSettled || coasting.length > 0 ? [...free] : []
  const brings: readonly [string, Rational] | undefined = !ofInput.isZero()
    ? [input, ofInput]
    : more.length === 0
      ? gives
      : undefined
  return {
    coupler,
    law,
    sides: turnings.map((turning, at): MatchSide => {
      const body = law.terms[at]?.body ?? ''
      return {
        body,
        hangsOn: hangsOn(body),
        speed: turning.unsettled.size === 0 ? turning.ofInput.add(turning.rest) : null,
        ofInput: turning.ofInput,
      }
    }),
    slip: isSettled ? ofInput.add(rest) : null,
    coasting,
    brought: brings ? broughtAlong(motions.speeds, ...brings) : NOTHING,
    inputSpeed: isSettled && !ofInput.isZero() ? rest.div(ofInput).neg() : null,
  }
}

/** What the difference is with all that coasts at a stand, and with each dragged along by an open clutch. */
function coastingOf(
  standing: Standing,
  still: Rational,
  unsettled: ReadonlyMap<string, Rational>,
): readonly Coasting[] {
  const { outputs } = standing.solver.box.draft
  // What hangs on an output turns as the road has it.
  if (unsettled.size === 0 || outputs.some((each) => unsettled.has(each))) return []
  const dragged = clutchLaws(standing.solver).flatMap(({ clutch, law }): Coasting[] => {
    const open = differenceOf(
      law,
      law.terms.map(({ body }) => turningOf(body, standing)),
    )
    const [only, ...more] = [...open.unsettled]
    const share = only && unsettled.get(only[0])
    if (!share || more.length > 0) return []
    const speed = open.ofInput.add(open.rest).div(only[1]).neg()
    return [{ draggedBy: clutch, slip: still.add(share.mul(speed)) }]
  })
  return [{ draggedBy: null, slip: still }, ...dragged]
}
