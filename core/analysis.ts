/** What a box does with its couplers at given places. */
import type { Box, CouplerPlaces } from './box.ts'
import { centreOf, placeOf } from './box.ts'
import type { Law } from './laws.ts'
import { bearingLaws, connectedBodies, engagedLaws, standingLaws } from './laws.ts'
import type { Motions, SpeedSum } from './motion.ts'
import { freeMotions, restrictMotions } from './motion.ts'
import type { PathStep, RatioFactor, Stretch, TorqueAt } from './path.ts'
import { orderPath, ratioFactors, torqueStretches } from './path.ts'
import type { Rational } from './rational.ts'
import { ONE, rational } from './rational.ts'
import { solveStatics } from './statics.ts'
import type { BoxPosition, Coupler, CouplerPosition, Gear } from './types.ts'

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

/** The input turns the first output. */
export interface Drive extends Findings {
  readonly state: 'drive'
  /** Turns of the input for one turn of the first output; negative when they turn against each other. */
  readonly ratio: Rational
  readonly factors: readonly RatioFactor[] | undefined
  readonly path: readonly PathStep[]
  readonly stretches: readonly Stretch[]
  /** Whether the load was shared between parallel paths by assumption. */
  readonly isShared: boolean
}

export interface Uncounted extends Findings {
  readonly state: 'uncounted'
  /** The gears whose counts are needed before anything can be said. */
  readonly gears: readonly Gear[]
}

export interface NoDrive extends Findings {
  /**
   * `neutral`: the input turns and the output is free of it. `locked`: neither
   * turns. `input-locked`, `output-locked`: only that end cannot turn.
   * `undetermined`: the input moves the output, but does not settle its speed.
   */
  readonly state: 'neutral' | 'locked' | 'input-locked' | 'output-locked' | 'undetermined'
}

export type Analysis = Drive | Uncounted | NoDrive

/** A box with everything solved that does not depend on where its couplers stand. */
export interface Solver {
  readonly box: Box
  readonly standing: readonly Law[]
  readonly motions: Motions
  /** The ends of the box in the order in which their freedom is kept. */
  readonly rank: readonly string[]
}

const isCounted = (law: Law): boolean => law.uncounted.length === 0

export function prepareSolver(box: Box): Solver {
  const standing = standingLaws(box)
  const rank = [box.draft.input, ...box.draft.outputs]
  const motions = restrictMotions(freeMotions(box.bodies), standing.filter(isCounted), rank)
  return { box, standing, motions, rank }
}

function couplersAway(box: Box, places: CouplerPlaces): readonly EngagedCoupler[] {
  return box.draft.couplers.flatMap((coupler) => {
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

/** Classifies one state of the couplers and, where it drives, follows the power. */
export function analyse(solver: Solver, places: CouplerPlaces): Analysis {
  const { box, rank } = solver
  const { input, outputs } = box.draft
  const added = engagedLaws(box, places)
  const laws = [...solver.standing, ...added]
  const motions = restrictMotions(solver.motions, added.filter(isCounted), rank)
  const findings: Findings = {
    engaged: couplersAway(box, places),
    motions: bodyMotions(solver, laws, motions),
  }
  const bearing = bearingLaws(laws, input, outputs)
  const gears = neededCounts(solver, bearing)
  if (gears.length > 0) return { state: 'uncounted', gears, ...findings }

  const sumOf = (body: string): SpeedSum => motions.speeds.get(body) ?? new Map()
  const inputTurns = sumOf(input).size > 0
  const outputTurns = outputs.some((output) => sumOf(output).size > 0)
  if (!inputTurns) return { state: outputTurns ? 'input-locked' : 'locked', ...findings }
  if (!outputTurns) return { state: 'output-locked', ...findings }
  if (!outputs.some((output) => sumOf(output).has(input))) return { state: 'neutral', ...findings }
  const speed = outputs.every((output) => sumOf(output).size <= 1)
    ? sumOf(outputs[0] ?? input).get(input)
    : undefined
  if (!speed) return { state: 'undetermined', ...findings }

  const counted = bearing.filter(isCounted)
  return { state: 'drive', ...findings, ...followPower(solver, counted, speed, findings.motions) }
}

function followPower(
  solver: Solver,
  bearing: readonly Law[],
  outputSpeed: Rational,
  motions: ReadonlyMap<string, BodyMotion>,
): Pick<Drive, 'ratio' | 'factors' | 'path' | 'stretches' | 'isShared'> {
  const { box } = solver
  const { input } = box.draft
  const output = box.draft.outputs[0] ?? input
  const ratio = outputSpeed.inverse()
  const load = new Map([[input, ONE]])
  load.set(output, (load.get(output) ?? rational(0)).sub(ratio))
  const { multipliers, shared } = solveStatics(bearing, load)
  const speeds = new Map<string, Rational>()
  for (const [body, motion] of motions) if (motion.kind === 'turns') speeds.set(body, motion.speed)
  const path = orderPath(multipliers, speeds)

  const torques: TorqueAt[] = [
    { body: input, stationMm: box.members.get(input)?.fromMm ?? 0, torque: ONE },
    { body: output, stationMm: box.members.get(output)?.toMm ?? 0, torque: ratio.neg() },
  ]
  for (const [law, multiplier] of multipliers)
    for (const { body, coefficient, stationMm } of law.terms)
      torques.push({ body, stationMm, torque: multiplier.mul(coefficient) })

  return {
    ratio,
    factors: ratioFactors(path, output, ratio),
    path,
    stretches: torqueStretches(torques),
    isShared: shared.some((law) => !(multipliers.get(law)?.isZero() ?? true)),
  }
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
