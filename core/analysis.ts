/** What a box does with its couplers at given places. */
import type { Box, CouplerPlaces } from './box.ts'
import { centreOf, placeOf } from './box.ts'
import type { Law } from './laws.ts'
import {
  balancingLaw,
  bearingLaws,
  connectedBodies,
  engagedLaws,
  loadLaw,
  standingLaws,
} from './laws.ts'
import type { Motions, SpeedSum } from './motion.ts'
import { freeMotions, restrictMotions } from './motion.ts'
import type { Circulation, PathStep, RatioFactor, Stretch, TorqueAt } from './path.ts'
import { orderPath, ratioFactors, torqueStretches } from './path.ts'
import type { Rational } from './rational.ts'
import { ONE, ZERO } from './rational.ts'
import type { Share } from './statics.ts'
import { solveStatics } from './statics.ts'
import type { BoxPosition, Coupler, CouplerPosition, Differential, Gear, Link } from './types.ts'

/** How a body moves when the input turns. */
export type BodyMotion =
  /** `speed` in turns for one turn of the input; never 0. */
  | { readonly kind: 'turns'; readonly speed: Rational }
  /** Cannot turn. */
  | { readonly kind: 'still' }
  /** Turns or stands as friction has it: the input does not settle its speed. */
  | { readonly kind: 'coasts' }
  /** Not known before more gears are counted. */
  | { readonly kind: 'uncounted' }

/** A coupler that is away from its centre. */
export interface EngagedCoupler {
  readonly coupler: Coupler
  readonly place: CouplerPosition
}

interface Findings {
  readonly engaged: readonly EngagedCoupler[]
  readonly motions: ReadonlyMap<string, BodyMotion>
}

/** What leaves the box at one of its outputs, in the sign convention of speeds. */
export interface OutputDrive {
  readonly body: string
  /** Turns for one turn of the input. */
  readonly speed: Rational
  /** Torque handed on for one unit of input torque, without losses. */
  readonly torque: Rational
}

/** The input turns the first output. */
export interface Drive extends Findings {
  readonly state: 'drive'
  /** Turns of the input for one turn of the first output; negative when they turn against each other. */
  readonly ratio: Rational
  /** The outputs that the input turns; those that it leaves free are not among them. */
  readonly outputs: readonly OutputDrive[]
  /** Open differentials, whose two sides are taken to turn alike because nothing else settles them. */
  readonly balanced: readonly Differential[]
  readonly factors: readonly RatioFactor[] | undefined
  readonly path: readonly PathStep[]
  /** Loops in which power goes round without leaving. */
  readonly circulations: readonly Circulation[]
  readonly stretches: readonly Stretch[]
  /** Torque of every link that bears any. */
  readonly multipliers: ReadonlyMap<Law, Rational>
  /** Where the load divides as the laws alone do not settle, and how it was divided. */
  readonly splits: readonly Split[]
  /** Whether the outputs drive the input. */
  readonly isOverrun: boolean
}

/** A body from which power goes on through several links, divided by assumption or by a share set. */
export interface Split {
  readonly body: string
  /** Each link, and its part of the torque that goes on there; the parts make 1. */
  readonly parts: readonly { readonly law: Law; readonly part: Rational }[]
  /** Whether a person has set the parts. */
  readonly isSet: boolean
}

/** How one state of the couplers is looked at. */
export interface AnalysisOptions {
  /** Couplers taken as not there, whatever place they have. */
  readonly leftOut?: ReadonlySet<string>
  /** How the load is to divide at the splits of the box; one that the box cannot have is left out. */
  readonly shares?: readonly Share[]
  /** Whether the outputs drive the input, as on the overrun; every torque and power then turns round. */
  readonly isOverrun?: boolean
}

export interface Uncounted extends Findings {
  readonly state: 'uncounted'
  /** The gears whose counts are needed before anything can be said. */
  readonly gears: readonly Gear[]
}

/**
 * `neutral`: the input turns and the output is free of it. `locked`: neither
 * turns. `input-locked`, `output-locked`: only that end cannot turn.
 */
export const NO_DRIVE_STATES = ['neutral', 'locked', 'input-locked', 'output-locked'] as const

export interface NoDrive extends Findings {
  readonly state: (typeof NO_DRIVE_STATES)[number]
}

/** The input moves an output, but does not settle its speed. */
export interface Undetermined extends Findings {
  readonly state: 'undetermined'
  /** The outputs whose speed is left open. */
  readonly open: readonly string[]
  /** The planetary sets and differentials through which it is left open. */
  readonly through: readonly Link[]
}

export type Analysis = Drive | Uncounted | NoDrive | Undetermined

/** A box with everything solved that does not depend on where its couplers stand. */
export interface Solver {
  readonly box: Box
  readonly standing: readonly Law[]
  readonly motions: Motions
  /** The ends of the box in the order in which their freedom is kept. */
  readonly rank: readonly string[]
  /** What would make the sides of each differential that has both loaded turn alike. */
  readonly balancing: readonly { readonly differential: Differential; readonly law: Law }[]
}

const NO_MOTION: SpeedSum = new Map()

const isCounted = (law: Law): boolean => law.uncounted.length === 0

/** Whether the two sides lead to outputs of their own, so that the road holds both alike. */
function isLoadedOnBothSides(
  { draft }: Box,
  standing: readonly Law[],
  { id, left, right }: Differential,
): boolean {
  const others = standing.filter(({ source }) => source !== id)
  const [leftwards, rightwards] = [left, right].map((side) => {
    const reached = connectedBodies(others, side)
    return draft.outputs.filter((output) => reached.has(output))
  })
  return leftwards?.some((one) => rightwards?.some((other) => other !== one) ?? false) ?? false
}

export function prepareSolver(box: Box): Solver {
  const standing = standingLaws(box)
  const rank = [box.draft.input, ...box.draft.outputs]
  const motions = restrictMotions(freeMotions(box.bodies), standing.filter(isCounted), rank)
  const balancing = box.draft.links.flatMap((link) =>
    link.kind === 'differential' && isLoadedOnBothSides(box, standing, link)
      ? [{ differential: link, law: balancingLaw(link) }]
      : [],
  )
  return { box, standing, motions, rank, balancing }
}

/** The couplers that `places` put away from their centre. */
export function couplersAway(
  couplers: readonly Coupler[],
  places: CouplerPlaces,
): readonly EngagedCoupler[] {
  return couplers.flatMap((coupler) => {
    const place = placeOf(coupler, places)
    return place && place !== centreOf(coupler) ? [{ coupler, place }] : []
  })
}

function bodyMotions(
  solver: Solver,
  laws: readonly Law[],
  motions: Motions,
): Map<string, BodyMotion> {
  const { input } = solver.box.draft
  const incomplete = laws.filter((law) => !isCounted(law))
  const unknown = new Set<string>()
  for (const law of incomplete)
    for (const { body } of law.terms)
      if (!unknown.has(body))
        for (const reached of connectedBodies(laws, body)) unknown.add(reached)
  const result = new Map<string, BodyMotion>()
  for (const [body, sum] of motions.speeds) {
    const speed = sum.get(input)
    if (sum.size === 0) result.set(body, { kind: 'still' })
    else if (sum.size === 1 && speed) result.set(body, { kind: 'turns', speed })
    else result.set(body, { kind: unknown.has(body) ? 'uncounted' : 'coasts' })
  }
  return result
}

/** The gears that must be counted before anything can be said of input and output. */
function neededCounts(solver: Solver, bearing: readonly Law[]): readonly Gear[] {
  if (bearing.every(isCounted)) return []
  const { input, outputs } = solver.box.draft
  const reached = connectedBodies(bearing, input)
  if (!outputs.some((output) => reached.has(output))) return []
  const needed = bearing
    .filter((law) => law.terms.some(({ body }) => reached.has(body)))
    .flatMap((law) => law.uncounted)
  return [...new Set(needed)]
}

/** What the motions that are left say of input and outputs. */
export type Verdict =
  | { readonly state: NoDrive['state']; readonly motions: Motions }
  | { readonly state: 'undetermined'; readonly motions: Motions }
  | {
      readonly state: 'drive'
      readonly motions: Motions
      /** Turns of the first output for one turn of the input. */
      readonly speed: Rational
      readonly balanced: readonly Differential[]
    }

/**
 * Judges input and outputs by the motions left. Where open differentials are all
 * that leaves an output unsettled, or free while the input is held, their sides
 * are taken to turn alike.
 */
export function judgeMotions(solver: Solver, motions: Motions): Verdict {
  const strict = judgeStrictly(solver, motions, [])
  if (strict.state !== 'undetermined' && strict.state !== 'input-locked') return strict
  const { input } = solver.box.draft
  let alike = motions
  const balanced: Differential[] = []
  for (const { differential, law } of solver.balancing) {
    // One whose sides are settled, though not alike, has nothing left to assume.
    const isOpen = law.terms.some(({ body }) =>
      [...(alike.speeds.get(body) ?? NO_MOTION).keys()].some((freedom) => freedom !== input),
    )
    if (!isOpen) continue
    const next = restrictMotions(alike, [law], solver.rank)
    if (next.redundant.length === alike.redundant.length) balanced.push(differential)
    alike = next
  }
  if (balanced.length === 0) return strict
  const assumed = judgeStrictly(solver, alike, balanced)
  return assumed.state === 'drive' || assumed.state === 'locked' ? assumed : strict
}

function judgeStrictly(
  solver: Solver,
  motions: Motions,
  balanced: readonly Differential[],
): Verdict {
  const { input, outputs } = solver.box.draft
  const sumOf = (body: string): SpeedSum => motions.speeds.get(body) ?? NO_MOTION
  const inputTurns = sumOf(input).size > 0
  const outputTurns = outputs.some((output) => sumOf(output).size > 0)
  if (!inputTurns) return { state: outputTurns ? 'input-locked' : 'locked', motions }
  if (!outputTurns) return { state: 'output-locked', motions }
  if (!outputs.some((output) => sumOf(output).has(input))) return { state: 'neutral', motions }
  const speed = settledSpeed(solver, motions)
  return speed ? { state: 'drive', motions, speed, balanced } : { state: 'undetermined', motions }
}

/** The first output's speed for one turn of the input, when no output is left half settled. */
function settledSpeed({ box }: Solver, { speeds }: Motions): Rational | undefined {
  const { input, outputs } = box.draft
  return outputs.every((output) => (speeds.get(output) ?? NO_MOTION).size <= 1)
    ? speeds.get(outputs[0] ?? input)?.get(input)
    : undefined
}

/** The planetary sets and differentials that have a body of unsettled speed. */
function openLinks({ box }: Solver, laws: readonly Law[], { speeds }: Motions): readonly Link[] {
  return laws.flatMap(({ source, kind, terms }) => {
    const link = box.links.get(source)
    const isOpen =
      (kind === 'planetary' || kind === 'differential') &&
      terms.some(({ body }) => (speeds.get(body) ?? NO_MOTION).size > 1)
    return link && isOpen ? [link] : []
  })
}

/** Classifies one state of the couplers and, where it drives, follows the power. */
export function analyse(
  solver: Solver,
  places: CouplerPlaces,
  { leftOut, shares = [], isOverrun = false }: AnalysisOptions = {},
): Analysis {
  const { box, rank } = solver
  const { input, outputs } = box.draft
  const present = box.draft.couplers.filter(({ id }) => !leftOut?.has(id))
  const added = engagedLaws(box, places, present)
  const laws = [...solver.standing, ...added]
  const free = restrictMotions(solver.motions, added.filter(isCounted), rank)
  const engaged = couplersAway(present, places)
  const findings = (motions: Motions): Findings => ({
    engaged,
    motions: bodyMotions(solver, laws, motions),
  })
  const bearing = bearingLaws(laws, input, outputs)
  const gears = neededCounts(solver, bearing)
  if (gears.length > 0) return { state: 'uncounted', gears, ...findings(free) }

  const verdict = judgeMotions(solver, free)
  const { motions } = verdict
  if (verdict.state === 'undetermined')
    return {
      state: verdict.state,
      open: outputs.filter((output) => (motions.speeds.get(output) ?? NO_MOTION).size > 1),
      through: openLinks(solver, laws, motions),
      ...findings(motions),
    }
  const found = findings(motions)
  if (verdict.state !== 'drive') return { state: verdict.state, ...found }
  return {
    state: 'drive',
    ratio: verdict.speed.inverse(),
    balanced: verdict.balanced,
    ...found,
    ...followPower(solver, bearing.filter(isCounted), verdict.speed, motions, shares, isOverrun),
  }
}

/**
 * The torques of one unit put in. Each output that turns is loaded by a torque
 * still to be found, which is the multiplier of a law of its own; equal sides of
 * an open differential then come out of the balance by themselves.
 */
function followPower(
  { box }: Solver,
  bearing: readonly Law[],
  outputSpeed: Rational,
  motions: Motions,
  shares: readonly Share[],
  isOverrun: boolean,
): Omit<Drive, keyof Findings | 'state' | 'ratio' | 'balanced'> {
  const { input } = box.draft
  // Any motion that the laws allow shows how the power goes: the one in which
  // whatever the input does not settle stands still.
  const speeds = new Map<string, Rational>()
  for (const [body, sum] of motions.speeds) {
    const speed = sum.get(input)
    if (speed) speeds.set(body, speed)
  }
  const loads = box.draft.outputs
    .filter((output) => speeds.has(output))
    .map((output) => loadLaw(output, box.members.get(output)?.toMm ?? 0))
  const laws = [...bearing, ...loads]
  const load = new Map([[input, ONE]])
  const free = solveStatics(laws, load)
  if (!free) throw new Error(`no torques balance position of "${box.draft.name}"`)
  let statics = free
  // What bears nothing at an equal share, such as a free gear between two countershafts,
  // has backlash and bears nothing at an unequal one either, if that can be.
  const loaded = laws.filter((law) => free.multipliers.get(law)?.isZero() === false)
  const held: Share[] = []
  for (const share of shares) {
    const wanted = [...held, share]
    const tried = solveStatics(loaded, load, wanted) ?? solveStatics(laws, load, wanted)
    if (!tried) continue
    held.push(share)
    statics = tried
  }
  const driving = orderPath(statics.multipliers, speeds)
  const multipliers = isOverrun ? negated(statics.multipliers) : statics.multipliers
  const { path, circulations } = isOverrun ? orderPath(multipliers, speeds) : driving

  const torques: TorqueAt[] = [
    {
      body: input,
      stationMm: box.members.get(input)?.fromMm ?? 0,
      torque: isOverrun ? ONE.neg() : ONE,
    },
  ]
  for (const [law, multiplier] of multipliers)
    for (const { body, coefficient, stationMm } of law.terms)
      torques.push({ body, stationMm, torque: multiplier.mul(coefficient) })

  return {
    outputs: loads.map((law) => ({
      body: law.source,
      speed: speeds.get(law.source) ?? ZERO,
      torque: (multipliers.get(law) ?? ZERO).neg(),
    })),
    factors: ratioFactors(driving.path, box.draft.outputs[0] ?? input, outputSpeed.inverse()),
    path,
    circulations,
    stretches: torqueStretches(torques),
    multipliers,
    splits: findSplits(path, multipliers, new Set(free.shared), held),
    isOverrun,
  }
}

function negated(multipliers: ReadonlyMap<Law, Rational>): ReadonlyMap<Law, Rational> {
  return new Map([...multipliers].map(([law, multiplier]) => [law, multiplier.neg()]))
}

/** The bodies that hand power on, or out, through several links whose load the laws leave open. */
function findSplits(
  path: readonly PathStep[],
  multipliers: ReadonlyMap<Law, Rational>,
  open: ReadonlySet<Law>,
  held: readonly Share[],
): readonly Split[] {
  const torquesAt = new Map<string, { law: Law; torque: Rational }[]>()
  const handOn = (body: string, law: Law, torque: Rational): void => {
    const at = torquesAt.get(body)
    if (at) at.push({ law, torque: torque.abs() })
    else torquesAt.set(body, [{ law, torque: torque.abs() }])
  }
  for (const { law, from } of path)
    for (const { body, torque } of open.has(law) ? from : []) handOn(body, law, torque)
  for (const law of open)
    if (law.kind === 'load') handOn(law.source, law, multipliers.get(law) ?? ZERO)
  return [...torquesAt].flatMap(([body, at]): Split[] => {
    if (at.length < 2) return []
    const sum = at.reduce((total, { torque }) => total.add(torque), ZERO)
    return [
      {
        body,
        parts: at.map(({ law, torque }) => ({ law, part: torque.div(sum) })),
        isSet: held.some((share) => share.body === body),
      },
    ]
  })
}

/** What a position does, without the way of its power. */
export interface PositionSurvey {
  readonly position: BoxPosition
  readonly state: Analysis['state']
  /** Turns of the input for one turn of the first output; null where it does not drive. */
  readonly ratio: Rational | null
}

/** Turns of the input for one turn of the first output, and the state; no way of the power. */
export function surveyPosition(solver: Solver, position: BoxPosition): PositionSurvey {
  const { box } = solver
  const { input, outputs } = box.draft
  const added = engagedLaws(box, position.couplers)
  const bearing = bearingLaws([...solver.standing, ...added], input, outputs)
  if (neededCounts(solver, bearing).length > 0) return { position, state: 'uncounted', ratio: null }
  const verdict = judgeMotions(
    solver,
    restrictMotions(solver.motions, added.filter(isCounted), solver.rank),
  )
  const ratio = verdict.state === 'drive' ? verdict.speed.inverse() : null
  return { position, state: verdict.state, ratio }
}

/** Every listed position of a box, judged only: for lists of many boxes. */
export function surveyBox(box: Box): readonly PositionSurvey[] {
  const solver = prepareSolver(box)
  return box.draft.positions.map((position) => surveyPosition(solver, position))
}

export interface PositionAnalysis {
  readonly position: BoxPosition
  readonly analysis: Analysis
}

/** Every listed position of a box, in the order of the list. */
export function analyseBox(box: Box): readonly PositionAnalysis[] {
  const solver = prepareSolver(box)
  return box.draft.positions.map((position) => ({
    position,
    analysis: analyse(solver, position.couplers),
  }))
}
