/**
 * A box as something that drives: its positions with the ratio of each, the shaft that each one
 * drives through, the clutch before that shaft, and what every change between them takes. Where a
 * box has friction clutches that its positions close, each of them is one way from the engine to a
 * shaft; where it has none, a clutch before the box is the only one.
 */
import type { CouplerPlaces } from '../box/box.ts'
import { centreOf, placeOf, placesAtRest } from '../box/box.ts'
import { couplersWithRings, isClutch } from '../box/couplers.ts'
import type { BoxDraft, BoxPosition, Coupler, Gear } from '../box/types.ts'
import type { Rational } from '../number/rational.ts'
import { ZERO } from '../number/rational.ts'
import { directionAhead } from '../shift/ahead.ts'
import { inertiaOf } from '../shift/inertia.ts'
import type { ChangeSchool, ChangeStep } from '../shift/change.ts'
import { gearChange } from '../shift/change.ts'
import type { Match } from '../shift/match.ts'
import { ringFigures } from '../shift/forkWay.ts'
import { ringWork } from '../shift/ring.ts'
import type { Analysis, Solver } from '../train/analysis.ts'
import { analyse } from '../train/analysis.ts'
import { fullPlaces } from '../train/combinations.ts'
import { engagedLaws } from '../train/laws.ts'
import type { Motions } from '../train/motion.ts'
import { restrictMotions } from '../train/motion.ts'
import { findPreselections } from '../train/preselection.ts'

/** One way from the engine into the box. */
export interface Path {
  /** The clutch; null where it is before the box. */
  readonly clutch: Coupler | null
  /** What turns behind it. */
  readonly body: string
  /** Of that and all that turns with it in neutral. */
  readonly inertiaKgM2: number
}

export interface DrivenPosition {
  readonly position: BoxPosition
  /** Which of the paths it goes through. */
  readonly path: number
  /** Turns of the shaft behind the clutch for one of the output, ahead being positive. */
  readonly ratio: number
}

/** A box as it is driven: its positions, and what turns with them. */
export interface Powertrain {
  readonly solver: Solver
  readonly paths: readonly Path[]
  /** Ahead, the slowest first. */
  readonly forward: readonly DrivenPosition[]
  readonly backward: readonly DrivenPosition[]
  /** Of what turns with the output in neutral, wheels and car not among it. */
  readonly outputKgM2: number
  /** 1 where the output turns with the input ahead, −1 where it turns against it. */
  readonly ahead: 1 | -1
}

/** The powertrain of a box, or why it has none that can be driven. */
export type PowertrainResult =
  | { readonly ok: true; readonly powertrain: Powertrain }
  | { readonly ok: false; readonly kind: 'uncounted'; readonly gears: readonly Gear[] }
  | { readonly ok: false; readonly kind: 'two-clutches'; readonly position: BoxPosition }
  | { readonly ok: false; readonly kind: 'none-drives' }

/** Least inertia of anything, so that what nothing is known of can still be accelerated. */
const LEAST_KG_M2 = 1e-4

/** What of a solved box takes part in driving; positions that do not drive are passed over. */
export function powertrainOf(solver: Solver): PowertrainResult {
  const { draft } = solver.box
  const { couplers, input } = draft
  const positions = draft.positions.filter(({ isHidden }) => isHidden !== true)
  const traced = positions.map((position) => ({
    position,
    places: fullPlaces(couplers, position.couplers),
    analysis: analyse(solver, position.couplers),
  }))
  const gears = traced.flatMap(({ analysis }) =>
    analysis.state === 'uncounted' ? analysis.gears : [],
  )
  if (gears.length > 0) return { ok: false, kind: 'uncounted', gears: [...new Set(gears)] }
  const driving = traced.flatMap(({ position, places, analysis }) => {
    if (analysis.state !== 'drive') return []
    const closed = couplers.filter(
      (coupler) => isClutch(coupler) && placeOf(coupler, places) !== centreOf(coupler),
    )
    return [{ position, places, analysis, closed }]
  })
  const double = driving.find(({ closed }) => closed.length > 1)
  if (double) return { ok: false, kind: 'two-clutches', position: double.position }
  const clutches = [...new Set(driving.map(({ closed: [clutch] }) => clutch ?? null))]
  const neutral = betweenPositions(solver)
  const bodies = clutches.map((clutch) => behind(solver, neutral, clutch) ?? input)
  const ahead = directionAhead(solver)
  const driven = driving.map(({ position, analysis, closed: [clutch] }): DrivenPosition => {
    const path = clutches.indexOf(clutch ?? null)
    return { position, path, ratio: ahead * ratioOf(analysis, bodies[path] ?? input) }
  })
  const forward = driven
    .filter(({ ratio }) => ratio > 0)
    .sort((one, other) => other.ratio - one.ratio)
  if (forward.length === 0) return { ok: false, kind: 'none-drives' }
  return {
    ok: true,
    powertrain: {
      solver,
      paths: clutches.map((clutch, at) => ({
        clutch,
        body: bodies[at] ?? input,
        inertiaKgM2: Math.max(hangingOn(solver, neutral, bodies[at] ?? input), LEAST_KG_M2),
      })),
      forward,
      backward: driven.filter(({ ratio }) => ratio < 0),
      outputKgM2: hangingOnOutputs(solver, neutral),
      ahead,
    },
  }
}

/** What turns how while all couplers that have a centre stand in it. */
function betweenPositions(solver: Solver): Motions {
  const { box, motions, rank } = solver
  const laws = engagedLaws(box, placesAtRest(box.draft.couplers)).filter(isCounted)
  return restrictMotions(motions, laws, rank)
}

const isCounted = ({ uncounted }: { readonly uncounted: readonly Gear[] }): boolean =>
  uncounted.length === 0

/** Of the two bodies that a clutch joins, the one that does not turn with the input. */
function behind(solver: Solver, { speeds }: Motions, clutch: Coupler | null): string | undefined {
  const place = clutch?.positions.find(({ engages }) => engages.length > 0)
  if (!clutch || !place) return undefined
  const [law] = engagedLaws(solver.box, { [clutch.id]: place.id }, [clutch])
  const { input } = solver.box.draft
  return law?.terms.find(({ body }) => speeds.get(body)?.has(input) !== true)?.body
}

function ratioOf(analysis: Analysis, body: string): number {
  if (analysis.state !== 'drive') return 0
  const motion = analysis.motions.get(body)
  const speed = motion?.kind === 'turns' ? motion.speed : ZERO
  return speed.mul(analysis.ratio).toNumber()
}

/** Inertia of all that turns with a body and nothing else, reduced to it. */
function hangingOn({ box }: Solver, { speeds }: Motions, body: string): number {
  const [own, ...others] = [...(speeds.get(body) ?? [])]
  if (!own || others.length > 0) return inertiaOf(box, body).kgM2
  const [freedom, multiple] = own
  let sum = 0
  for (const [each, ofEach] of speeds) {
    const found = ofEach.size === 1 ? ofEach.get(freedom) : undefined
    if (found) sum += inertiaOf(box, each).kgM2 * found.div(multiple).toNumber() ** 2
  }
  return sum
}

/** Inertia of all that turns with the outputs alone, both sides alike. */
function hangingOnOutputs({ box }: Solver, { speeds }: Motions): number {
  const { outputs } = box.draft
  let sum = 0
  for (const [body, ofBody] of speeds) {
    if (ofBody.size === 0 || ![...ofBody.keys()].every((each) => outputs.includes(each))) continue
    const speed = [...ofBody.values()].reduce((total, each) => total + each.toNumber(), 0)
    sum += inertiaOf(box, body).kgM2 * speed ** 2
  }
  return sum
}

/** What a coupler that goes in has to bring together: slip = shaft · ofShaft + output · ofOutput. */
export interface Entry {
  readonly coupler: Coupler
  readonly ofShaft: number
  readonly ofOutput: number
  /** Torque of its ring; null where it has none and dogs go in as they are. */
  readonly ringNm: number | null
}

/** One change: its steps, and for each coupler that goes in what it has to bring together. */
export interface PlannedChange {
  readonly steps: readonly ChangeStep[]
  readonly entries: readonly Entry[]
  /**
   * Of what rings bring to speed that hangs on neither end, such as the main shaft between split
   * and range: half of this times the input's speed before, squared, is what they take up.
   */
  readonly betweenKgM2: number
  readonly isHandOver: boolean
}

/**
 * How positions are changed: made ready on the other clutch where the box can, or with a gap by
 * one of the schools.
 */
export type DriveWay = 'ready' | ChangeSchool

/** All that is done between two positions; `usualRingNm` is taken where the box says nothing. */
export function planChange(
  { solver, paths, ahead }: Powertrain,
  from: DrivenPosition,
  to: DrivenPosition,
  way: DriveWay,
  usualRingNm: number,
): PlannedChange {
  const { couplers } = solver.box.draft
  const waits =
    way === 'ready' && from.path !== to.path
      ? findPreselections(solver, from.position).find(({ position }) => position === to.position)
      : undefined
  const then = waits?.places ?? fullPlaces(couplers, to.position.couplers)
  const body = paths[to.path]?.body ?? ''
  const { steps, matches } = gearChange(
    solver,
    from.position,
    to.position,
    way === 'ready' ? 'clutch' : way,
    { isMadeReady: waits !== undefined },
  )
  const entering = waits
    ? waits.waiting.map(({ coupler }) => coupler)
    : steps.flatMap((step) =>
        step.kind === 'in' && !isClutch(step.move.coupler) ? [step.move.coupler] : [],
      )
  return {
    steps,
    entries: entriesOf({ solver, places: then, entering, body, ahead, usualRingNm }),
    betweenKgM2: matches.reduce((sum, match) => sum + broughtBetween(solver, match), 0),
    isHandOver: waits !== undefined,
  }
}

/**
 * What a ring brings to speed that hangs on neither end, reduced to the input: a body of inertia J
 * that is brought by s loses J·s²/2 in a ring whose other side goes on as it did.
 */
function broughtBetween({ box }: Solver, { coupler, slip, brought }: Match): number {
  if (!couplersWithRings(box.draft).has(coupler.id) || !slip || brought.has(box.draft.input))
    return 0
  const bySlip = slip.toNumber()
  let sum = 0
  for (const [body, turns] of brought)
    sum += inertiaOf(box, body).kgM2 * (turns.toNumber() * bySlip) ** 2
  return sum
}

interface Entering {
  readonly solver: Solver
  readonly places: CouplerPlaces
  readonly entering: readonly Coupler[]
  readonly body: string
  readonly ahead: number
  readonly usualRingNm: number
}

/**
 * One entry for each law that joins the shaft to the output, one coupler after another. What stands
 * between neither, or follows something else besides, has no entry.
 */
function entriesOf(change: Entering): readonly Entry[] {
  const { solver, places, entering, body, ahead, usualRingNm } = change
  const { box, rank } = solver
  const { outputs, couplers } = box.draft
  const others = couplers.filter((coupler) => !isClutch(coupler) && !entering.includes(coupler))
  let motions = restrictMotions(
    solver.motions,
    engagedLaws(box, places, others).filter(isCounted),
    rank,
  )
  return entering.flatMap((coupler) =>
    engagedLaws(box, places, [coupler])
      .filter(isCounted)
      .flatMap((law): Entry[] => {
        const [shaft, ...rest] = [...(motions.speeds.get(body) ?? [])]
        let [ofShaft, ofOutput]: [Rational, Rational] = [ZERO, ZERO]
        let isAlone = shaft !== undefined && rest.length === 0
        for (const term of law.terms)
          for (const [freedom, multiple] of motions.speeds.get(term.body) ?? []) {
            const product = term.coefficient.mul(multiple)
            if (freedom === shaft?.[0]) ofShaft = ofShaft.add(product.div(shaft[1]))
            else if (outputs.includes(freedom)) ofOutput = ofOutput.add(product)
            else isAlone = false
          }
        motions = restrictMotions(motions, [law], rank)
        if (!isAlone || ofShaft.isZero()) return []
        return [
          {
            coupler,
            ofShaft: ofShaft.toNumber(),
            ofOutput: ahead * ofOutput.toNumber(),
            ringNm: couplersWithRings(box.draft).has(coupler.id)
              ? ringTorque(box.draft, coupler, places, usualRingNm)
              : null,
          },
        ]
      }),
  )
}

function ringTorque(
  draft: BoxDraft,
  coupler: Coupler,
  places: CouplerPlaces,
  usualNm: number,
): number {
  const work = ringWork(ringFigures(draft, coupler, placeOf(coupler, places)), {
    slipRadPerS: 0,
    inertiaKgM2: 0,
    dragNm: 0,
  })
  return work.ok ? work.work.coneTorqueNm : usualNm
}
