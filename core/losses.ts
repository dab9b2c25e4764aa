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
import type { BoxIndex } from './box.ts'
import type { Law, Term } from './laws.ts'
import type { Rational } from './rational.ts'
import { ONE, ZERO, rational } from './rational.ts'
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

/** Undefined where the box, with such losses, could not turn: it would hold itself. */
export function solveLosses(
  box: BoxIndex,
  drive: Drive,
  efficiencies: Efficiencies,
): Losses | undefined {
  const { motions, multipliers, isOverrun, splits } = drive
  const { input } = box.draft
  const speedOf = (body: string): Rational => {
    const motion = motions.get(body)
    return motion?.kind === 'turns' ? motion.speed : ZERO
  }
  const bearingsOf = (body: string): Rational =>
    box.members.has(body) && !speedOf(body).isZero() ? efficiencies.bearings : ONE

  const rolling = new Map<Law, Law>()
  for (const [law, multiplier] of multipliers)
    if (!multiplier.isZero())
      rolling.set(law, withMeshLosses(law, multiplier, speedOf, efficiencies.mesh))
  const receives = (law: Law, { body, coefficient }: Term): boolean =>
    (multipliers.get(law) ?? ZERO).mul(coefficient).mul(speedOf(body)).sign() > 0
  const lossy = [...rolling].map(([law, { terms, ...rest }]): Law => ({
    ...rest,
    terms: terms.map((term) =>
      receives(law, term)
        ? { ...term, coefficient: term.coefficient.mul(bearingsOf(term.body)) }
        : term,
    ),
  }))
  const shares = splits
    .filter(({ isSet }) => isSet)
    .map(({ body, parts }) => ({
      body,
      parts: parts.map(({ law, part }) => ({ source: law.source, part })),
    }))
  const atInput = isOverrun ? ONE.neg() : bearingsOf(input)
  const statics = solveStatics(lossy, new Map([[input, atInput]]), shares)
  if (!statics) return undefined

  const found = new Map([...statics.multipliers].map(([law, value]) => [keyOf(law), value]))
  const links: { law: Law; power: Rational }[] = []
  const received = new Map<string, Rational>(isOverrun ? [] : [[input, ONE]])
  for (const [law, { terms }] of rolling) {
    const multiplier = found.get(keyOf(law)) ?? ZERO
    let lost = ZERO
    for (const term of terms) {
      const power = multiplier.mul(term.coefficient).mul(speedOf(term.body))
      lost = lost.sub(power)
      if (receives(law, term)) received.set(term.body, (received.get(term.body) ?? ZERO).add(power))
    }
    if (law.kind !== 'load' && !lost.isZero()) links.push({ law, power: lost })
  }
  const bearings = [...received]
    .map(([body, power]) => ({ body, power: power.mul(ONE.sub(bearingsOf(body))) }))
    .filter(({ power }) => !power.isZero())
  const outputs = drive.outputs.map((output) => ({
    ...output,
    torque: (found.get(`load ${output.body}`) ?? ZERO).neg(),
  }))
  const atOutputs = outputs.reduce((sum, { speed, torque }) => sum.add(speed.mul(torque)), ZERO)
  if (isOverrun ? atOutputs.sign() >= 0 : atOutputs.sign() <= 0) return undefined
  const efficiency = isOverrun ? atOutputs.inverse().neg() : atOutputs
  return { outputs, efficiency, links, bearings }
}

function keyOf({ kind, source }: Law): string {
  return `${kind} ${source}`
}

/** The law with the torque on what it drives, as seen from what carries its pinions, made smaller. */
function withMeshLosses(
  law: Law,
  multiplier: Rational,
  speedOf: (body: string) => Rational,
  mesh: Rational,
): Law {
  const [one, other, arm] = law.terms
  switch (law.kind) {
    case 'external-mesh':
    case 'internal-mesh':
    case 'chain':
    case 'planetary':
    case 'differential': {
      if (!one || !other) return law
      const carried = arm ? speedOf(arm.body) : ZERO
      const power = multiplier.mul(one.coefficient).mul(speedOf(one.body).sub(carried)).sign()
      if (power === 0) return law
      const driven = power > 0 ? one : other
      const efficiency = arm ? mesh.mul(mesh) : mesh
      const rolling = [one, other].map((term) =>
        term === driven ? { ...term, coefficient: term.coefficient.mul(efficiency) } : term,
      )
      const sum = rolling.reduce((total, { coefficient }) => total.add(coefficient), ZERO)
      return { ...law, terms: arm ? [...rolling, { ...arm, coefficient: sum.neg() }] : rolling }
    }
    default:
      return law
  }
}
