/** What a box does with its couplers at given places. */
import type { Box, CouplerPlaces } from '../box/box.ts'
import { centreOf, placeOf } from '../box/box.ts'
import { balancedBy } from '../box/links/index.ts'
import type { Balancing, Law, Term } from './laws.ts'
import {
  balancings,
  bearingLaws,
  connectedBodies,
  engagedLaws,
  loadLaw,
  standingLaws,
  timesSpeed,
} from './laws.ts'
import type { Motions, SpeedSum } from './motion.ts'
import { freeMotions, restrictMotions } from './motion.ts'
import type { Circulation, PathStep, RatioFactor, Stretch, TorqueAt } from './path.ts'
import { orderPath, ratioFactors, torqueStretches } from './path.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, ZERO } from '../number/rational.ts'
import type { Share, Statics } from './statics.ts'
import { solveStatics } from './statics.ts'
import type { BoxDraft, BoxPosition, Coupler, CouplerPosition, Gear, Link } from '../box/types.ts'

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

/** The input turns an output. */
export interface Drive extends Findings {
  readonly state: 'drive'
  /**
   * Turns of the input for one turn of the first output that it turns, which is the first
   * of `outputs`, straight ahead; negative when they turn against each other.
   */
  readonly ratio: Rational
  /** The outputs that the input turns; those that it leaves free are not among them. */
  readonly outputs: readonly OutputDrive[]
  /** Open differentials, whose two sides are taken to turn alike because nothing else settles them. */
  readonly balanced: readonly Balancing[]
  readonly factors: readonly RatioFactor[] | undefined
  readonly path: readonly PathStep[]
  /** Planetary sets that bear load and turn as one block, each by one of its laws. */
  readonly blocks: readonly Law[]
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

/** A body from which power goes on by several ways, divided by assumption or by a share set. */
export interface Split {
  readonly body: string
  /** The parts make 1. */
  readonly parts: readonly SplitPart[]
  /** Whether a person has set the parts. */
  readonly isSet: boolean
}

/** One way on: links among which the counts settle how it divides again. */
export interface SplitPart {
  readonly laws: readonly [Law, ...Law[]]
  /** Of the torque that goes on at the body. */
  readonly part: Rational
  /** Of that part, what the first of the links has. */
  readonly ofFirst: Rational
}

/** The share that gives the ways on from a body the given parts, in the order of its split. */
export function shareOfSplit({ body, parts }: Split, wanted: readonly Rational[]): Share {
  return {
    body,
    parts: parts.map(({ laws, ofFirst }, at) => ({
      law: laws[0].id,
      part: (wanted[at] ?? ZERO).mul(ofFirst),
    })),
  }
}

/** How one state of the couplers is looked at. */
export interface AnalysisOptions {
  /** Couplers taken as not there, whatever place they have. */
  readonly leftOut?: ReadonlySet<string>
  /** How the load is to divide at the splits of the box; one that the box cannot have is left out. */
  readonly shares?: readonly Share[]
  /** Whether the outputs drive the input, as on the overrun; every torque and power then turns round. */
  readonly isOverrun?: boolean
  /**
   * In a bend, by the id of an open differential whose sides are otherwise taken to turn alike:
   * (left − right) ÷ (left + right), −1 to 1.
   */
  readonly bends?: ReadonlyMap<string, Rational>
}

export interface Uncounted extends Findings {
  readonly state: 'uncounted'
  /** The gears whose counts are needed before anything can be said. */
  readonly gears: readonly Gear[]
}

/**
 * `neutral`: the input turns and the output is free of it. `locked`: neither
 * turns. `input-locked`, `output-locked`: only that end cannot turn; outputs that can only turn
 * against each other cannot.
 */
export const NO_DRIVE_STATES = ['neutral', 'locked', 'input-locked', 'output-locked'] as const

/** The input moves no output. */
export interface NoDrive extends Findings {
  readonly state: (typeof NO_DRIVE_STATES)[number]
  /** Open differentials that are all that lets an output turn: two of them against each other. */
  readonly opposed: readonly Balancing[]
}

/** The input moves an output, but does not settle its speed. */
export interface Undetermined extends Findings {
  readonly state: 'undetermined'
  /** The outputs whose speed is left open. */
  readonly open: readonly string[]
  /** The planetary sets and differentials through which it is left open. */
  readonly through: readonly Link[]
}

/** What a box does in one state of its couplers. */
export type Analysis = Drive | Uncounted | NoDrive | Undetermined

/** A box with everything solved that does not depend on where its couplers stand. */
export interface Solver {
  readonly box: Box
  readonly standing: readonly Law[]
  readonly motions: Motions
  /** The ends of the box in the order in which their freedom is kept. */
  readonly rank: readonly string[]
  /** What would make the sides of each differential turn alike that some places load on both. */
  readonly balancing: readonly Balancing[]
}

const NO_MOTION: SpeedSum = new Map()

function speedOf({ speeds }: Motions, body: string): SpeedSum {
  return speeds.get(body) ?? NO_MOTION
}

const isCounted = (law: Law): boolean => law.uncounted.length === 0

/** The bodies to which each side of a differential leads by laws other than its own. */
function sidesOf(
  laws: readonly Law[],
  { link: { id }, sides: [left, right] }: Balancing,
): readonly [ReadonlySet<string>, ReadonlySet<string>] {
  const others = laws.filter(({ source }) => source !== id)
  return [connectedBodies(others, left), connectedBodies(others, right)]
}

/** Whether each side leads to an output that is not the other's only one. */
function canBeLoaded({ outputs }: BoxDraft, [left, right]: ReturnType<typeof sidesOf>): boolean {
  return outputs.some(
    (one) => left.has(one) && outputs.some((other) => other !== one && right.has(other)),
  )
}

/**
 * Whether the two sides lead to outputs of their own, so that the road holds both alike, and
 * the power comes in by the case: neither side leads to the input or to the other.
 */
function isLoadedOnBothSides(draft: BoxDraft, laws: readonly Law[], balancing: Balancing): boolean {
  const sides = sidesOf(laws, balancing)
  const [left, right] = sides
  return (
    canBeLoaded(draft, sides) &&
    !left.has(draft.input) &&
    !right.has(draft.input) &&
    !left.has(balancing.sides[1])
  )
}

/** Solves what does not depend on where the couplers stand. */
export function prepareSolver(box: Box): Solver {
  const { draft } = box
  const standing = standingLaws(box)
  const rank = [draft.input, ...draft.outputs]
  const motions = restrictMotions(freeMotions(box.bodies), standing.filter(isCounted), rank)
  const all = balancings(draft.links)
  const anywhere = all.length === 0 ? [] : [...standing, ...allEngagedLaws(box)]
  const balancing = all.filter((each) => canBeLoaded(draft, sidesOf(anywhere, each)))
  return { box, standing, motions, rank, balancing }
}

/** What each place of each coupler does. */
function allEngagedLaws(box: Box): readonly Law[] {
  return box.draft.couplers.flatMap((coupler) =>
    coupler.positions.flatMap((place) => engagedLaws(box, { [coupler.id]: place.id }, [coupler])),
  )
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

/**
 * The gears that must be counted before anything can be said of input and outputs: those
 * between them or, where the input turns no output, those of loops that may hold an end.
 */
function neededCounts({ box }: Solver, laws: readonly Law[], motions: Motions): readonly Gear[] {
  if (laws.every(isCounted)) return []
  const { input, outputs } = box.draft
  const between = bearingLaws(laws, input, outputs)
  if (between.every(isCounted)) return []
  const uncountedFrom = (bearing: readonly Law[], reached: ReadonlySet<string>): readonly Gear[] =>
    bearing
      .filter((law) => law.terms.some(({ body }) => reached.has(body)))
      .flatMap((law) => law.uncounted)
  const reached = connectedBodies(between, input)
  const onTheWay = outputs.some((output) => reached.has(output))
    ? uncountedFrom(between, reached)
    : []
  if (onTheWay.length > 0) return [...new Set(onTheWay)]
  if (outputs.some((output) => speedOf(motions, output).has(input))) return []
  const holding = [input, ...outputs].flatMap((end) => {
    const bearing = bearingLaws(laws, end, [])
    return uncountedFrom(bearing, connectedBodies(bearing, end))
  })
  return [...new Set(holding)]
}

/** What the motions that are left say of input and outputs. */
export type EndsVerdict =
  | { readonly state: NoDrive['state'] | 'undetermined'; readonly motions: Motions }
  | {
      readonly state: 'drive'
      readonly motions: Motions
      /** Turns of the first output that the input turns, for one turn of the input. */
      readonly speed: Rational
      readonly balanced: readonly Balancing[]
    }

/**
 * Judges input and outputs by the motions that `laws` leave. It is judged first what the
 * laws settle by themselves. Only where they leave the speed of an output open are the
 * sides of open differentials that have both loaded taken to turn alike, as far as the
 * input still turns then. Outputs that can only turn against each other are locked to whoever
 * drives on them.
 */
export function judgeMotions(
  solver: Solver,
  motions: Motions,
  laws: () => readonly Law[],
): EndsVerdict {
  const strict = judgeStrictly(solver, motions)
  if (solver.balancing.length === 0) return strict
  if (strict.state === 'neutral' && opposedBy(solver, motions, laws()).length > 0)
    return { state: 'output-locked', motions }
  if (strict.state !== 'undetermined') return strict
  const { motions: alike, balanced } = balance(solver, motions, laws())
  if (balanced.length === 0) return strict
  const assumed = judgeStrictly(solver, alike)
  return assumed.state === 'drive' ? { ...assumed, balanced } : strict
}

/** The motions with the sides of differentials alike that both are loaded and open. */
function balance(
  solver: Solver,
  motions: Motions,
  laws: readonly Law[],
  mayHold = false,
): { readonly motions: Motions; readonly balanced: readonly Balancing[] } {
  const { draft } = solver.box
  let alike = motions
  const balanced: Balancing[] = []
  for (const balancing of solver.balancing) {
    if (!isLoadedOnBothSides(draft, laws, balancing)) continue
    const next = restrictMotions(alike, [balancing.law], solver.rank)
    const isSettled = next.redundant.length > alike.redundant.length
    if (isSettled || (!mayHold && speedOf(next, draft.input).size === 0)) continue
    balanced.push(balancing)
    alike = next
  }
  return { motions: alike, balanced }
}

/** The motions with the sides of open differentials as a bend has them; as they are where there is none. */
function inBend(
  { rank }: Solver,
  free: Motions,
  verdict: EndsVerdict,
  bends: AnalysisOptions['bends'],
): Motions {
  return bends !== undefined && verdict.state === 'drive' && verdict.balanced.length > 0
    ? restrictMotions(free, bentLaws(verdict.balanced, bends), rank)
    : verdict.motions
}

/** What holds of the sides of differentials that turn alike straight ahead, where some are in a bend. */
function bentLaws(
  balanced: readonly Balancing[],
  bends: ReadonlyMap<string, Rational>,
): readonly Law[] {
  return balanced.map(({ law, link, sides: [left, right] }) => {
    const part = bends.get(link.id)
    if (part === undefined) return law
    // Left is to right as one more the part is to one less it.
    return {
      ...law,
      terms: [timesSpeed(left, ONE.sub(part)), timesSpeed(right, ONE.add(part).neg())],
    }
  })
}

/** Whether no output can turn. */
function areOutputsStill({ box }: Solver, motions: Motions): boolean {
  return box.draft.outputs.every((output) => speedOf(motions, output).size === 0)
}

/** What cannot turn: what is in mesh with something that stands, whatever its counts, and all that hangs on that. */
function stillBodies(
  motions: Motions,
  laws: readonly Law[],
  { rank }: Solver,
): ReadonlySet<string> {
  const pairs = laws.filter((law) => !isCounted(law) && law.terms.length === 2)
  for (let left = motions; ;) {
    const still = new Set(
      [...left.speeds].flatMap(([body, { size }]) => (size === 0 ? [body] : [])),
    )
    const holding = pairs.flatMap((law): readonly Law[] => {
      const turning = law.terms.find(({ body }) => !still.has(body))
      if (!turning || !law.terms.some(({ body }) => still.has(body))) return []
      return [{ ...law, terms: [{ ...turning, coefficient: ONE }], uncounted: [] }]
    })
    if (holding.length === 0) return still
    left = restrictMotions(left, holding, rank)
  }
}

/** Whether what drives a differential is tied to one of its sides past it: its sides are no two wheels then. */
function isTiedToItself(laws: readonly Law[], balancing: Balancing): boolean {
  const { link, sides } = balancing
  const reached = sidesOf(laws, balancing)
  return laws
    .filter(({ source }) => source === link.id)
    .flatMap(({ terms }) => terms)
    .some(({ body }) => !sides.includes(body) && reached.some((side) => side.has(body)))
}

/** The differentials that are all that lets an output turn; none where more does, or nothing. */
function opposedBy(solver: Solver, motions: Motions, laws: readonly Law[]): readonly Balancing[] {
  if (areOutputsStill(solver, motions)) return []
  const { motions: alike, balanced } = balance(solver, motions, laws, true)
  const isOpen = (balancing: Balancing): boolean => !isTiedToItself(laws, balancing)
  const still = stillBodies(alike, laws, solver)
  const areHeld = solver.box.draft.outputs.every((output) => still.has(output))
  return areHeld && balanced.every(isOpen) ? balanced : []
}

/** Whether neither the input nor any output can turn, and no further law can change that. */
export function areEndsStill({ rank }: Solver, motions: Motions): boolean {
  return rank.every((end) => speedOf(motions, end).size === 0)
}

function judgeStrictly(solver: Solver, motions: Motions): EndsVerdict {
  const { input, outputs } = solver.box.draft
  const inputTurns = speedOf(motions, input).size > 0
  const outputTurns = !areOutputsStill(solver, motions)
  if (!inputTurns) return { state: outputTurns ? 'input-locked' : 'locked', motions }
  if (!outputTurns) return { state: 'output-locked', motions }
  let first: Rational | undefined
  let isOpen = false
  for (const output of outputs) {
    const sum = speedOf(motions, output)
    const speed = sum.get(input)
    if (!speed) continue
    first ??= speed
    isOpen ||= sum.size > 1
  }
  if (!first) return { state: 'neutral', motions }
  return isOpen
    ? { state: 'undetermined', motions }
    : { state: 'drive', motions, speed: first, balanced: [] }
}

/** The outputs whose speed is left open, by a freedom that one of them has besides the input's. */
function openOutputs({ box }: Solver, motions: Motions): readonly string[] {
  const { input, outputs } = box.draft
  const open = new Set<string>()
  for (const output of outputs) {
    const sum = speedOf(motions, output)
    if (sum.has(input)) for (const freedom of sum.keys()) if (freedom !== input) open.add(freedom)
  }
  return outputs.filter((output) => [...speedOf(motions, output).keys()].some((f) => open.has(f)))
}

/** The planetary sets and differentials that have a body of unsettled speed. */
function openLinks({ box }: Solver, laws: readonly Law[], motions: Motions): readonly Link[] {
  const through = laws.flatMap(({ source, terms }) => {
    const link = box.links.get(source)
    const isOpen = terms.length > 2 && terms.some(({ body }) => speedOf(motions, body).size > 1)
    return link && isOpen ? [link] : []
  })
  return [...new Set(through)]
}

/** Classifies one state of the couplers and, where it drives, follows the power. */
export function analyse(
  solver: Solver,
  places: CouplerPlaces,
  { leftOut, shares = [], isOverrun = false, bends }: AnalysisOptions = {},
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
  const gears = neededCounts(solver, laws, free)
  if (gears.length > 0) return { state: 'uncounted', gears, ...findings(free) }

  const verdict = judgeMotions(solver, free, () => laws)
  const { motions } = verdict
  const turning = inBend(solver, free, verdict, bends)
  const found = findings(turning)
  switch (verdict.state) {
    case 'drive': {
      const loaded = outputs.filter((output) =>
        verdict.balanced.length > 0
          ? speedOf(free, output).size > 0
          : speedOf(motions, output).has(input),
      )
      const bearing = bearingLaws(laws, input, outputs).filter(isCounted)
      // In a bend the power goes as it does straight ahead; the two sides share it unlike.
      const followed = followPower(solver, bearing, loaded, motions, shares, isOverrun)
      return {
        state: 'drive',
        ratio: verdict.speed.inverse(),
        balanced: verdict.balanced,
        ...found,
        ...followed,
        outputs: followed.outputs.map((output) => ({
          ...output,
          speed: speedOf(turning, output.body).get(input) ?? ZERO,
        })),
      }
    }
    case 'undetermined':
      return {
        state: verdict.state,
        open: openOutputs(solver, motions),
        through: openLinks(solver, laws, motions),
        ...found,
      }
    default:
      return {
        state: verdict.state,
        opposed: opposedBy(solver, free, laws),
        ...found,
      }
  }
}

/**
 * The torques of one unit put in. Each output in `loaded` is loaded by a torque
 * still to be found, which is the multiplier of a law of its own; equal sides of
 * an open differential then come out of the balance by themselves.
 */
function followPower(
  { box }: Solver,
  bearing: readonly Law[],
  loaded: readonly string[],
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
  const loads = loaded.map((output) => loadLaw(output, box.members.get(output)?.toMm ?? 0))
  const laws = [...bearing, ...loads]
  const load = new Map([[input, ONE]])
  const free = solveStatics(laws, load)
  if (!free) throw new Error(`no torques balance position of "${box.draft.name}"`)
  const { statics, held } = holdTo(shares, laws, load, free)
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
  for (const [law, multiplier] of multipliers) {
    if (multiplier.isZero()) continue
    for (const { body, coefficient, stationMm } of law.terms)
      torques.push({ body, stationMm, torque: multiplier.mul(coefficient) })
  }

  const driven = loads.flatMap((law): OutputDrive[] => {
    const speed = speeds.get(law.source)
    return speed ? [{ body: law.source, speed, torque: (multipliers.get(law) ?? ZERO).neg() }] : []
  })
  const [first] = driven
  return {
    outputs: driven,
    factors: first && ratioFactors(driving.path, first.body, first.speed.inverse()),
    path,
    blocks: blocksAmong(box, laws, multipliers, speeds),
    circulations,
    stretches: torqueStretches(torques),
    multipliers,
    splits: findSplits(path, multipliers, free, held),
    isOverrun,
  }
}

/** The torques with as many of the shares held to, in their order, as the box can have. */
function holdTo(
  shares: readonly Share[],
  laws: readonly Law[],
  load: ReadonlyMap<string, Rational>,
  free: Statics,
): { readonly statics: Statics; readonly held: readonly Share[] } {
  if (shares.length === 0) return { statics: free, held: [] }
  // What bears nothing at an equal share, such as a free gear between two countershafts,
  // has backlash and bears nothing at an unequal one either, if that can be.
  const bears = laws.filter((law) => free.multipliers.get(law)?.isZero() === false)
  const held: Share[] = []
  let statics = free
  for (const share of shares) {
    const wanted = [...held, share]
    const tried = solveStatics(bears, load, wanted) ?? solveStatics(laws, load, wanted)
    if (!tried) continue
    held.push(share)
    statics = tried
  }
  return { statics, held }
}

/** Planetary sets that bear load and turn as one block, each by the first of its laws. */
function blocksAmong(
  box: Box,
  laws: readonly Law[],
  multipliers: ReadonlyMap<Law, Rational>,
  speeds: ReadonlyMap<string, Rational>,
): readonly Law[] {
  const blocks = new Map<string, Law>()
  for (const law of laws) {
    const { source, terms } = law
    if (terms.length <= 2 || blocks.has(source) || multipliers.get(law)?.isZero() !== false)
      continue
    const link = box.links.get(source)
    if (link && !balancedBy(link) && areOneSpeed(terms, speeds)) blocks.set(source, law)
  }
  return [...blocks.values()]
}

function areOneSpeed(
  [first, ...others]: readonly Term[],
  speeds: ReadonlyMap<string, Rational>,
): boolean {
  const speed = first && speeds.get(first.body)
  return speed !== undefined && others.every(({ body }) => speeds.get(body)?.equals(speed) === true)
}

function negated(multipliers: ReadonlyMap<Law, Rational>): ReadonlyMap<Law, Rational> {
  return new Map([...multipliers].map(([law, multiplier]) => [law, multiplier.neg()]))
}

/** A link by which a body hands torque on, and what it hands on as load moves between paths. */
interface HandedOn {
  readonly law: Law
  readonly torque: Rational
  /** Its torque as it was shared, and for each way in which load can move. */
  readonly ways: readonly Rational[]
}

/**
 * The bodies that hand power on, or out, by several ways whose load the laws leave open.
 * Links whose torques stay in one proportion however the load moves are one way.
 */
function findSplits(
  path: readonly PathStep[],
  multipliers: ReadonlyMap<Law, Rational>,
  { multipliers: free, shared }: Statics,
  held: readonly Share[],
): readonly Split[] {
  const at = new Map<string, HandedOn[]>()
  const handOn = (body: string, law: Law): void => {
    const moved = shared.get(law)
    const coefficient = law.terms.find((term) => term.body === body)?.coefficient
    if (!moved || !coefficient) return
    const handed = {
      law,
      torque: coefficient.mul(multipliers.get(law) ?? ZERO).abs(),
      ways: [free.get(law) ?? ZERO, ...moved].map((way) => way.mul(coefficient)),
    }
    const before = at.get(body)
    if (before) before.push(handed)
    else at.set(body, [handed])
  }
  for (const { law, from } of path) for (const { body } of from) handOn(body, law)
  for (const law of shared.keys()) if (law.kind === 'load') handOn(law.source, law)
  return [...at].flatMap(([body, handed]): Split[] => {
    const groups: [HandedOn, ...HandedOn[]][] = []
    for (const each of handed) {
      const group = groups.find(([first]) => areProportional(first.ways, each.ways))
      if (group) group.push(each)
      else groups.push([each])
    }
    if (groups.length < 2) return []
    const total = sumOfTorques(handed)
    return [
      {
        body,
        parts: groups.map((group) => {
          const torque = sumOfTorques(group)
          const [first, ...others] = group
          return {
            laws: [first.law, ...others.map(({ law }) => law)],
            part: torque.div(total),
            ofFirst: torque.isZero() ? ONE : first.torque.div(torque),
          }
        }),
        isSet: held.some((share) => share.body === body),
      },
    ]
  })
}

function sumOfTorques(handed: readonly HandedOn[]): Rational {
  return handed.reduce((sum, { torque }) => sum.add(torque), ZERO)
}

/** Whether one list is a multiple of the other. */
function areProportional(one: readonly Rational[], other: readonly Rational[]): boolean {
  const at = one.findIndex((value) => !value.isZero())
  const [scale, scaled] = [one[at] ?? ONE, other[at] ?? ZERO]
  return one.every((value, index) => value.mul(scaled).equals((other[index] ?? ZERO).mul(scale)))
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
  const added = engagedLaws(box, position.couplers)
  const laws = [...solver.standing, ...added]
  const motions = restrictMotions(solver.motions, added.filter(isCounted), solver.rank)
  if (neededCounts(solver, laws, motions).length > 0)
    return { position, state: 'uncounted', ratio: null }
  const verdict = judgeMotions(solver, motions, () => laws)
  const ratio = verdict.state === 'drive' ? verdict.speed.inverse() : null
  return { position, state: verdict.state, ratio }
}

/** Every listed position of a box, judged only: for lists of many boxes. */
export function surveyBox(box: Box): readonly PositionSurvey[] {
  const solver = prepareSolver(box)
  return box.draft.positions.map((position) => surveyPosition(solver, position))
}

/** A position of the box with what it does. */
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
