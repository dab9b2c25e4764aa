/**
 * What the box keeps of the power that goes through it, at a given efficiency for
 * each mesh and for each pair of bearings.
 *
 * Which way the power goes is taken from the balance without losses. There a law
 * puts λ·c on each body. With losses, a mesh hands its driven body only η of that,
 * and a shaft hands on only η of what it receives: in the balance of every body the
 * coefficients of what it receives are made smaller, and the same system is solved
 * again. In a planetary set only what rolls is lost: seen from the carrier, sun and
 * ring drive one another through two meshes, so the driven one gets η² of its
 * torque, and the carrier bears the sum (for the ring held, sun in and carrier out
 * this is (1 + η²·zr/zs) / (1 + zr/zs), as handbooks have it). A differential is
 * treated alike.
 */
import type { Drive, OutputDrive } from './analysis.ts'
import { shareOfSplit } from './analysis.ts'
import type { BoxIndex } from '../box/box.ts'
import { definitionOf } from '../box/links/index.ts'
import type { Link } from '../box/types.ts'
import type { Law, Term } from './laws.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, ZERO, rational } from '../number/rational.ts'
import { solveStatics } from './statics.ts'

/** Parts of the power that come through; over 0, up to 1. */
export interface Efficiencies {
  /** Of one pair of teeth in mesh, or one chain. */
  readonly mesh: Rational
  /** Of the bearings of one shaft. */
  readonly bearings: Rational
}

/** A cylindrical pair in good oil, and rolling bearings: starting points (common practice). */
export const USUAL_EFFICIENCIES: Efficiencies = {
  mesh: rational(99, 100),
  bearings: rational(995, 1000),
}

export interface Losses {
  /** The outputs as in the drive, with the torque that losses leave, or ask for on the overrun. */
  readonly outputs: readonly OutputDrive[]
  /** Power that leaves the box as a part of the power that enters it. */
  readonly efficiency: Rational
  /** Power lost in each link, and in the bearings of each shaft, as a share of the power at the input. */
  readonly links: readonly { readonly law: Law; readonly power: Rational }[]
  readonly bearings: readonly { readonly body: string; readonly power: Rational }[]
}

/**
 * Where there is no answer: the box, with such losses, could not turn and would hold
 * itself; or which way the power goes in some links of parallel paths depends on how they
 * share the load, or on how fast something coasts that bears it, which losses alone do not settle.
 */
export type LossResult =
  | ({ readonly kind: 'solved' } & Losses)
  | { readonly kind: 'holds-itself' }
  | { readonly kind: 'unsettled'; readonly laws: readonly Law[] }
  /** Worms of which the lead angle must be known first. */
  | { readonly kind: 'incomplete'; readonly laws: readonly Law[] }

/** Parts that come out of tables of angles are taken to so many places. */
const FINENESS = 1_000_000_000

/** How often links are looked at anew whose power the losses turned round. */
const MOST_TURNS = 12

/** Why the losses of a drive cannot be found, where the laws that bear its load tell that at once. */
function hindranceOf(
  box: BoxIndex,
  { motions }: Drive,
  bearing: readonly (readonly [Law, Rational])[],
): LossResult | undefined {
  const unknown = bearing.flatMap(([law]) => (partHandedOn(box, law, 0, ONE) ? [] : [law]))
  if (unknown.length > 0) return { kind: 'incomplete', laws: unknown }
  // Load that goes through what nothing gives a speed: how much of it is power is anybody's guess.
  const loose = bearing.flatMap(([law]) =>
    law.terms.some(({ body }) => motions.get(body)?.kind === 'coasts') ? [law] : [],
  )
  return loose.length > 0 ? { kind: 'unsettled', laws: loose } : undefined
}

/**
 * Losses of a drive in one position, as shares of the power at the input. The direction of
 * every link is taken from the balance without losses, and anew from that with them until
 * both agree. Shares that a person set are held to.
 */
export function solveLosses(box: BoxIndex, drive: Drive, efficiencies: Efficiencies): LossResult {
  const { motions, isOverrun } = drive
  const { input } = box.draft
  const speedOf = (body: string): Rational => {
    const motion = motions.get(body)
    return motion?.kind === 'turns' ? motion.speed : ZERO
  }
  const bearingsOf = (body: string): Rational =>
    box.members.has(body) && !speedOf(body).isZero() ? efficiencies.bearings : ONE
  const shares = drive.splits
    .filter(({ isSet }) => isSet)
    .map((split) =>
      shareOfSplit(
        split,
        split.parts.map(({ part }) => part),
      ),
    )
  const atInput = isOverrun ? ONE.neg() : bearingsOf(input)
  const bearing = [...drive.multipliers].filter(([, multiplier]) => !multiplier.isZero())
  const hindrance = hindranceOf(box, drive, bearing)
  if (hindrance) return hindrance

  /** Which way each law bears load, by what was found last. */
  let assumed = new Map(bearing)
  let turned: readonly Borne[] = []
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const rolling: { law: Law; multiplier: Rational; terms: readonly Term[] }[] = []
    for (const [law, multiplier] of assumed) {
      const rolled = withMeshLosses(box, law, multiplier, speedOf, efficiencies.mesh)
      if (!rolled) return { kind: 'holds-itself' }
      rolling.push({ law, multiplier, terms: rolled.terms })
    }
    const lossy = rolling.map(({ law, multiplier, terms }): Law => ({
      ...law,
      terms: terms.map((term) =>
        multiplier.mul(term.coefficient).mul(speedOf(term.body)).sign() > 0
          ? { ...term, coefficient: term.coefficient.mul(bearingsOf(term.body)) }
          : term,
      ),
    }))
    const statics = solveStatics(lossy, new Map([[input, atInput]]), shares)
    if (!statics) return { kind: 'holds-itself' }
    const borne = rolling.map(({ law, multiplier, terms }, at) => {
      const found = lossy[at] && statics.multipliers.get(lossy[at])
      return { law, terms, assumed: multiplier, found: found ?? ZERO }
    })
    turned = borne.filter(({ assumed: was, found }) => was.sign() * found.sign() < 0)
    if (turned.length === 0) return lossesOf(drive, borne, input, speedOf, bearingsOf)
    // An output that would have to be driven: the box cannot move its load.
    if (turned.some(({ law }) => law.kind === 'load')) return { kind: 'holds-itself' }
    assumed = new Map(
      borne.map(({ law, assumed: was, found }) => [law, found.isZero() ? was : found]),
    )
  }
  return { kind: 'unsettled', laws: turned.map(({ law }) => law) }
}

/** A law with what it bears, and which way it was taken to. */
interface Borne {
  readonly law: Law
  /** With what rolling loses in it. */
  readonly terms: readonly Term[]
  readonly assumed: Rational
  readonly found: Rational
}

function lossesOf(
  drive: Drive,
  borne: readonly Borne[],
  input: string,
  speedOf: (body: string) => Rational,
  bearingsOf: (body: string) => Rational,
): LossResult {
  const { isOverrun } = drive
  const links: { law: Law; power: Rational }[] = []
  const received = new Map<string, Rational>(isOverrun ? [] : [[input, ONE]])
  const loads = new Map<string, Rational>()
  for (const { law, terms, assumed, found } of borne) {
    let lost = ZERO
    for (const { body, coefficient } of terms) {
      const power = found.mul(coefficient).mul(speedOf(body))
      lost = lost.sub(power)
      if (assumed.mul(coefficient).mul(speedOf(body)).sign() > 0)
        received.set(body, (received.get(body) ?? ZERO).add(power))
    }
    if (law.kind === 'load') loads.set(law.source, found)
    else if (!lost.isZero()) links.push({ law, power: lost })
  }
  const bearings = [...received]
    .map(([body, power]) => ({ body, power: power.mul(ONE.sub(bearingsOf(body))) }))
    .filter(({ power }) => !power.isZero())
  const outputs = drive.outputs.map((output) => ({
    ...output,
    torque: (loads.get(output.body) ?? ZERO).neg(),
  }))
  const atOutputs = outputs.reduce((sum, { speed, torque }) => sum.add(speed.mul(torque)), ZERO)
  if (isOverrun ? atOutputs.sign() >= 0 : atOutputs.sign() <= 0) return { kind: 'holds-itself' }
  const efficiency = isOverrun ? atOutputs.inverse().neg() : atOutputs
  return { kind: 'solved', outputs, efficiency, links, bearings }
}

/** The link that a law is of; undefined of locks, holds of couplers and loads. */
function linkOfLaw(box: BoxIndex, { source, kind }: Law): Link | undefined {
  const link = box.links.get(source)
  return link?.kind === kind ? link : undefined
}

/**
 * The law with the torque on what it drives, as seen from what carries its pinions, made smaller;
 * undefined where nothing of it comes through.
 */
function withMeshLosses(
  box: BoxIndex,
  law: Law,
  multiplier: Rational,
  speedOf: (body: string) => Rational,
  mesh: Rational,
): Law | undefined {
  const [one, other, arm] = law.terms
  if (!rolls(box, law) || !one || !other) return law
  const carried = arm ? speedOf(arm.body) : ZERO
  const power = multiplier.mul(one.coefficient).mul(speedOf(one.body).sub(carried)).sign()
  if (power === 0) return law
  const driven = power > 0 ? one : other
  const efficiency = partHandedOn(box, law, driven === one ? 1 : 0, mesh) ?? ONE
  if (efficiency.isZero()) return undefined
  const rolled = [one, other].map((term) =>
    term === driven ? { ...term, coefficient: term.coefficient.mul(efficiency) } : term,
  )
  const sum = rolled.reduce((total, { coefficient }) => total.add(coefficient), ZERO)
  return { ...law, terms: arm ? [...rolled, { ...arm, coefficient: sum.neg() }] : rolled }
}

function rolls(box: BoxIndex, law: Law): boolean {
  const link = linkOfLaw(box, law)
  return link !== undefined && definitionOf(link).rolling !== 'none'
}

/**
 * The part of the torque that the first or the second term of a law hands on to the other;
 * undefined where figures are missing that it hangs on.
 */
function partHandedOn(box: BoxIndex, law: Law, from: 0 | 1, mesh: Rational): Rational | undefined {
  const link = linkOfLaw(box, law)
  const rolling = link ? definitionOf(link).rolling : 'none'
  if (!link || rolling === 'none') return ONE
  if ('meshes' in rolling)
    return Array.from({ length: rolling.meshes }).reduce<Rational>((part) => part.mul(mesh), ONE)
  const part = rolling.handsOn(box, link, from)
  // A thread that cannot be driven from its wheel hands on nothing.
  return part === undefined
    ? undefined
    : rational(Math.max(0, Math.round(part * FINENESS)), FINENESS)
}
