/**
 * The way of the power from input to output, and the torque in every stretch of
 * every body, read off the torques in the links.
 *
 * The torque of a law on a body is λ·c, its power λ·c·ω. A body that loses power
 * to a law drives it; one that gains power is driven. A law between bodies with
 * torque but without speed only holds: it is a reaction and no step of the way.
 */
import type { Law } from './laws.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, ZERO } from '../number/rational.ts'
import type { Gear } from '../box/types.ts'

/** Where a body hands power to a link, or takes it. */
export interface PathEnd {
  readonly body: string
  /** The gear through which it passes, where there is one. */
  readonly gear: Gear | undefined
  readonly stationMm: number
  /** Speed of the body in turns for one turn of the input; its sign is its sense. */
  readonly speed: Rational
  /** Torque passed on here for one unit of input torque, in the sign of the body's power. */
  readonly torque: Rational
  /** Power passed on here as a share of the input's; positive. */
  readonly power: Rational
}

/** One link that carries power: from the bodies that drive it to those it drives. */
export interface PathStep {
  readonly law: Law
  readonly from: readonly PathEnd[]
  readonly to: readonly PathEnd[]
}

/** A torque put on a body at a station along its axis, for one unit of input torque. */
export interface TorqueAt {
  readonly body: string
  readonly stationMm: number
  readonly torque: Rational
}

/** A length of one body that carries one torque. */
export interface Stretch {
  readonly body: string
  readonly fromMm: number
  readonly toMm: number
  /**
   * What the side nearer the input end puts on the other, for one unit of input
   * torque. Power runs towards the output end where it has the sign of the speed.
   */
  readonly torque: Rational
}

/** Power that goes round in a loop of links and never leaves it. */
export interface Circulation {
  /** In the order of the power; the last drives the first. */
  readonly steps: readonly PathStep[]
  /** Power that all of the loop carries, as a share of the input's. */
  readonly power: Rational
}

interface OrderedPath {
  readonly path: readonly PathStep[]
  readonly circulations: readonly Circulation[]
}

/**
 * The steps in an order in which every body is driven before it drives. Where power
 * goes round in a loop there is no such order: the loop is cut at one body, and told.
 */
export function orderPath(
  multipliers: ReadonlyMap<Law, Rational>,
  speeds: ReadonlyMap<string, Rational>,
): OrderedPath {
  const steps: PathStep[] = []
  for (const [law, multiplier] of multipliers) {
    if (multiplier.isZero()) continue
    const from: PathEnd[] = []
    const to: PathEnd[] = []
    for (const { body, gear, coefficient, stationMm } of law.terms) {
      const speed = speeds.get(body)
      if (!speed) continue
      const received = multiplier.mul(coefficient)
      const power = received.mul(speed)
      if (power.sign() < 0)
        from.push({ body, gear, stationMm, speed, torque: received.neg(), power: power.neg() })
      else to.push({ body, gear, stationMm, speed, torque: received, power })
    }
    if (from.length > 0 && to.length > 0) steps.push({ law, from, to })
  }

  const drivenBy = new Map<string, PathStep[]>()
  for (const step of steps)
    for (const { body } of step.to) {
      const drivers = drivenBy.get(body)
      if (drivers) drivers.push(step)
      else drivenBy.set(body, [step])
    }
  const path: PathStep[] = []
  const circulations: Circulation[] = []
  const visited = new Set<PathStep>()
  /** From the step that was asked for up to the driver that is looked at. */
  const upstream: PathStep[] = []
  const visit = (step: PathStep): void => {
    const cut = upstream.indexOf(step)
    const loop = cut >= 0 ? upstream.slice(cut).reverse() : []
    if (loop.length > 0 && !turnsAsOne(loop)) circulations.push(circulationOf(loop))
    if (visited.has(step)) return
    visited.add(step)
    upstream.push(step)
    for (const { body } of step.from) drivenBy.get(body)?.forEach(visit)
    upstream.pop()
    path.push(step)
  }
  steps.forEach(visit)
  return { path, circulations }
}

/**
 * Whether all that the steps link turns at one speed: a solid block, which merely bears load. Two
 * toothed wheels that drive one another run against each other at any speed, a chain too.
 */
function turnsAsOne(steps: readonly PathStep[]): boolean {
  if (steps.some(({ law: { terms } }) => terms.length === 2 && terms.every(({ gear }) => gear)))
    return false
  const ends = steps.flatMap(({ from, to }) => [...from, ...to])
  return ends.every(({ speed }) => ends[0]?.speed.equals(speed) ?? true)
}

/** A loop of steps, each of which drives the next. */
function circulationOf(steps: readonly PathStep[]): Circulation {
  const powers = steps.flatMap((step, at) => {
    const next = steps[(at + 1) % steps.length] ?? step
    const passed = step.to.find(({ body }) => next.from.some((end) => end.body === body))
    return passed ? [passed.power] : []
  })
  const power = powers.reduce((least, each) => (each.isGreaterThan(least) ? least : each))
  return { steps, power }
}

/** One factor of a ratio: turns of the driving side for one of the driven side. */
export interface RatioFactor {
  readonly law: Law
  readonly ratio: Rational
  /** The two gears, where the factor is a pair. */
  readonly pair?: { readonly driving: Gear; readonly driven: Gear }
}

/**
 * The factors that multiply into the ratio, from input to output, along the
 * branch that carries the most power; links without a change of speed are left
 * out. Empty when nothing changes the speed, undefined when the ratio is no such
 * product because power joins at different speeds in a planetary set.
 */
export function ratioFactors(
  path: readonly PathStep[],
  output: string,
  ratio: Rational,
): readonly RatioFactor[] | undefined {
  const factors: RatioFactor[] = []
  let body = output
  for (const step of [...path].reverse()) {
    const driven = step.to.find((end) => end.body === body)
    if (!driven) continue
    const strongest = path.every(
      (other) =>
        !other.to.some((end) => end.body === driven.body && end.power.isGreaterThan(driven.power)),
    )
    const [driving] = step.from
    if (!strongest || !driving) continue
    // Three bodies that pass power on at several speeds have no ratio between two of them.
    const ends = [...step.from, ...step.to]
    if (ends.length > 2 && ends.some((end) => !end.speed.equals(driven.speed))) return undefined
    const factor = driving.speed.div(driven.speed)
    if (driving.gear && driven.gear)
      factors.unshift({
        law: step.law,
        ratio: factor,
        pair: { driving: driving.gear, driven: driven.gear },
      })
    else if (!factor.equals(ONE)) factors.unshift({ law: step.law, ratio: factor })
    body = driving.body
  }
  const product = factors.reduce((sum, factor) => sum.mul(factor.ratio), ONE)
  return product.equals(ratio) ? factors : undefined
}

/** The torque in every stretch between the stations at which torque enters or leaves. */
export function torqueStretches(torques: readonly TorqueAt[]): readonly Stretch[] {
  const byBody = new Map<string, TorqueAt[]>()
  for (const torque of torques) {
    if (torque.torque.isZero()) continue
    const at = byBody.get(torque.body)
    if (at) at.push(torque)
    else byBody.set(torque.body, [torque])
  }
  const stretches: Stretch[] = []
  for (const [body, at] of byBody) {
    at.sort((one, other) => one.stationMm - other.stationMm)
    let carried = ZERO
    at.forEach((here, index) => {
      carried = carried.add(here.torque)
      const next = at[index + 1]
      if (next && !carried.isZero() && next.stationMm > here.stationMm)
        stretches.push({
          body,
          fromMm: here.stationMm,
          toMm: next.stationMm,
          torque: carried,
        })
    })
  }
  return stretches
}
