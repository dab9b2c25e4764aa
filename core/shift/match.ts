/**
 * What must match before a coupler goes in. Between two positions the couplers that move are
 * out: what hangs on the input goes on as the input does, what hangs on an output as that does,
 * and what hangs on neither as it turned before. Each law that a coupler is to add then has a
 * difference left, which is a multiple of the input's speed plus a figure that stays: where the
 * multiple is not 0, one speed of the input takes it away.
 */
import type { CouplerPlaces } from '../box/box.ts'
import { placeOf } from '../box/box.ts'
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
}

/** One law that a coupler adds when it goes in, and what is between it and that. */
export interface Match {
  readonly coupler: Coupler
  readonly law: Law
  /** The bodies of the law, and what each follows. */
  readonly sides: readonly { readonly body: string; readonly hangsOn: HangsOn }[]
  /**
   * The difference that has to go if nobody does anything: turns for one turn that the input made
   * before the change, teeth for a mesh. Null where something coasts or is not counted.
   */
  readonly slip: Rational | null
  /** How far each body turns while the two sides come one turn nearer; empty where the input brings none. */
  readonly brought: ReadonlyMap<string, Rational>
  /** The input's speed that takes it away, for 1 before; null where the input changes nothing of it. */
  readonly inputSpeed: Rational | null
}

type Speeds = (freedom: string) => Rational | undefined

/** How fast everything turned before, as far as something settled it. */
function speedsBefore({ motions, state }: Analysis, { box }: Solver): Speeds {
  const { input, outputs } = box.draft
  return (body) => {
    if (body === input) return ONE
    const motion = motions.get(body)
    if (motion?.kind === 'turns') return motion.speed
    if (motion?.kind === 'still') return ZERO
    // A change from neutral is one at rest; while another output drives, the road turns this one.
    return state !== 'drive' && outputs.includes(body) ? ZERO : undefined
  }
}

/**
 * What must match for each of `entering`, one after another in that order: a coupler that is in
 * already holds for those after it. `others` are the couplers that do not move.
 */
export function matchesOf(
  solver: Solver,
  before: Analysis,
  places: CouplerPlaces,
  others: readonly Coupler[],
  entering: readonly Coupler[],
): readonly Match[] {
  const { box, rank } = solver
  const speeds = speedsBefore(before, solver)
  const isCounted = (law: Law): boolean => law.uncounted.length === 0
  let motions = restrictMotions(
    solver.motions,
    engagedLaws(box, places, others).filter(isCounted),
    rank,
  )
  return entering.flatMap((coupler) => {
    if (placeOf(coupler, places) === undefined) return []
    return engagedLaws(box, places, [coupler]).map((law) => {
      const match = matchOf(solver, motions, speeds, coupler, law)
      if (isCounted(law)) motions = restrictMotions(motions, [law], rank)
      return match
    })
  })
}

const NOTHING: ReadonlyMap<string, Rational> = new Map()

function broughtAlong(
  speeds: Motions['speeds'],
  input: string,
  ofInput: Rational,
): ReadonlyMap<string, Rational> {
  return new Map(
    [...speeds].flatMap(([body, sum]) => {
      const multiple = sum.get(input)
      return multiple ? [[body, multiple.div(ofInput)] as const] : []
    }),
  )
}

function matchOf(
  { box }: Solver,
  { speeds }: Motions,
  before: Speeds,
  coupler: Coupler,
  law: Law,
): Match {
  const { input, outputs } = box.draft
  const hangsOn = (body: string): HangsOn => {
    const freedoms = [...(speeds.get(body)?.keys() ?? [])]
    return {
      input: freedoms.includes(input),
      output: freedoms.some((each) => outputs.includes(each)),
    }
  }
  let ofInput = ZERO
  let rest: Rational | null = law.uncounted.length > 0 ? null : ZERO
  for (const { body, coefficient } of law.terms)
    for (const [freedom, multiple] of speeds.get(body) ?? []) {
      const product = coefficient.mul(multiple)
      const speed = freedom === input ? undefined : before(freedom)
      if (freedom === input) ofInput = ofInput.add(product)
      else if (speed === undefined) rest = null
      else rest = rest?.add(product.mul(speed)) ?? null
    }
  return {
    coupler,
    law,
    sides: law.terms.map(({ body }) => ({ body, hangsOn: hangsOn(body) })),
    slip: rest ? ofInput.add(rest) : null,
    brought: ofInput.isZero() ? NOTHING : broughtAlong(speeds, input, ofInput),
    inputSpeed: rest && !ofInput.isZero() ? rest.div(ofInput).neg() : null,
  }
}
