/**
 * Every combination of coupler places, judged without being declared.
 *
 * The couplers are taken one after another, so that combinations that begin alike
 * share the elimination of their laws: the motions left after the first k couplers
 * are worked out once for all that follow. Of the bodies only those are carried
 * along that a later coupler, the input or an output still asks about. Where the
 * input and every output are held already, all that follows is locked as well and
 * is not looked into: a further law takes motion away and never gives it back.
 *
 * Combinations are numbered like the digits of a number whose last coupler counts
 * fastest, so a table is one byte and one index for each.
 */
import type { EndsVerdict, Solver } from './analysis.ts'
import { NO_DRIVE_STATES, areEndsStill, judgeMotions } from './analysis.ts'
import type { CouplerPlaces } from '../box/box.ts'
import { centreOf, namedPlace, placeOf } from '../box/box.ts'
import { brokenInterlock, brokenRule } from '../box/check.ts'
import { engagedLaws } from './laws.ts'
import type { Law } from './laws.ts'
import type { Motions, SpeedSum } from './motion.ts'
import { restrictMotions } from './motion.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, rational } from '../number/rational.ts'
import type { BoxDraft, Coupler, CouplerPosition, Gear } from '../box/types.ts'

const COMBINATION_STATES = [...NO_DRIVE_STATES, 'undetermined', 'drive'] as const
/** What a combination of places does. */
export type CombinationState = (typeof COMBINATION_STATES)[number]

/** More combinations than these are not tabulated; no box that Udrix can draw needs them. */
export const MOST_COMBINATIONS = 2_000_000

/** Combinations judged between two reports of progress. */
const REPORT_EVERY = 2_000

/** What every combination of places does, by its number. */
export interface CombinationTable {
  readonly couplers: readonly Coupler[]
  /** By number: an index into `COMBINATION_STATES`. */
  readonly states: Uint8Array
  /** By number: an index into `ratios`, or −1 where the combination does not drive. */
  readonly ratioIndex: Int32Array
  /** Turns of the input for one turn of the first output that it turns; each value once. */
  readonly ratios: readonly Rational[]
  /** By number: one bit for each output that the input turns, the first output's lowest. */
  readonly drivenOutputs: Uint8Array
}

export type Classification =
  | { readonly kind: 'table'; readonly table: CombinationTable }
  /** Gears whose counts are needed first. */
  | { readonly kind: 'uncounted'; readonly gears: readonly Gear[] }
  | { readonly kind: 'too-many'; readonly combinations: number; readonly most: number }

/** How many combinations of coupler places a box has. */
export function countCombinations(draft: BoxDraft): number {
  return draft.couplers.reduce((product, { positions }) => product * positions.length, 1)
}

/** The laws that each place of each coupler adds, and the bodies that they still ask about. */
interface Tree {
  readonly lawsAt: readonly (readonly (readonly Law[])[])[]
  /** By the k-th coupler: the bodies that it and those after it touch. */
  readonly touchedFrom: readonly ReadonlySet<string>[]
  /** By the k-th coupler: those, and the ends. */
  readonly bodiesFrom: readonly ReadonlySet<string>[]
}

function treeOf({ box, balancing }: Solver): Tree {
  const { couplers, input, outputs } = box.draft
  const lawsAt = couplers.map((coupler) =>
    coupler.positions.map((place) => engagedLaws(box, { [coupler.id]: place.id }, [coupler])),
  )
  const bodiesOf = (laws: readonly Law[]): readonly string[] =>
    laws.flatMap(({ terms }) => terms.map(({ body }) => body))
  const touchedFrom = [...couplers, null].map(
    (_, from) => new Set(bodiesOf(lawsAt.slice(from).flat(2))),
  )
  const ends = [input, ...outputs, ...bodiesOf(balancing.map(({ law }) => law))]
  return { lawsAt, touchedFrom, bodiesFrom: touchedFrom.map((set) => new Set([...ends, ...set])) }
}

/** The motions of some bodies alone. */
function only(motions: Motions, bodies: ReadonlySet<string>): Motions {
  return {
    speeds: new Map([...motions.speeds].filter(([body]) => bodies.has(body))),
    redundant: [],
  }
}

/** Whether the input is still, and outputs turn as none of the touched bodies can keep them from. */
function isInputLockedForGood(
  { box }: Solver,
  { speeds }: Motions,
  touched: ReadonlySet<string> | undefined,
): boolean {
  const { input, outputs } = box.draft
  const sumOf = (body: string): SpeedSum | undefined => speeds.get(body)
  if ((sumOf(input)?.size ?? 0) > 0) return false
  const free = new Set(outputs.flatMap((output) => [...(sumOf(output)?.keys() ?? [])]))
  for (const body of touched ?? [])
    for (const freedom of sumOf(body)?.keys() ?? []) if (free.has(freedom)) return false
  return true
}

const stateNumber = (state: CombinationState): number => COMBINATION_STATES.indexOf(state)

/** An empty table, and what enters a combination into it. */
function tableOf({ box }: Solver): {
  readonly table: CombinationTable
  readonly enter: (number: number, verdict: EndsVerdict) => void
} {
  const { couplers, input, outputs } = box.draft
  const combinations = countCombinations(box.draft)
  const ratios: Rational[] = []
  const table = {
    couplers,
    states: new Uint8Array(combinations),
    ratioIndex: new Int32Array(combinations).fill(-1),
    ratios,
    drivenOutputs: new Uint8Array(combinations),
  }
  const numberOfRatio = new Map<string, number>()
  const enter = (number: number, verdict: EndsVerdict): void => {
    table.states[number] = stateNumber(verdict.state)
    if (verdict.state !== 'drive') return
    const key = verdict.speed.toString()
    const known = numberOfRatio.get(key)
    const ratio = known ?? ratios.push(verdict.speed.inverse()) - 1
    if (known === undefined) numberOfRatio.set(key, ratio)
    table.ratioIndex[number] = ratio
    table.drivenOutputs[number] = outputs.reduce(
      (bits, output, at) => bits | (verdict.motions.speeds.get(output)?.has(input) ? 1 << at : 0),
      0,
    )
  }
  return { table, enter }
}

/**
 * Judges every combination. Yields how many are done now and then, so that whoever
 * runs it can show progress and stop; returns the table at the end.
 */
export function* classifyCombinations(solver: Solver): Generator<number, Classification> {
  const { couplers } = solver.box.draft
  const combinations = countCombinations(solver.box.draft)
  if (combinations > MOST_COMBINATIONS)
    return { kind: 'too-many', combinations, most: MOST_COMBINATIONS }
  const { lawsAt, touchedFrom, bodiesFrom } = treeOf(solver)
  const uncounted = [...solver.standing, ...lawsAt.flat(2)].flatMap((law) => law.uncounted)
  if (uncounted.length > 0) return { kind: 'uncounted', gears: [...new Set(uncounted)] }

  const { table, enter } = tableOf(solver)
  /** What the couplers chosen so far add. */
  const chosen: (readonly Law[])[] = []
  const lawsChosen = (): readonly Law[] => [...solver.standing, ...chosen.flat()]
  let reported = 0
  function* visit(depth: number, first: number, motions: Motions): Generator<number> {
    const places = lawsAt[depth]
    if (!places) {
      enter(first, judgeMotions(solver, motions, lawsChosen))
      return
    }
    const each = couplers
      .slice(depth + 1)
      .reduce((product, { positions }) => product * positions.length, 1)
    const here = only(motions, bodiesFrom[depth] ?? new Set())
    for (const [at, laws] of places.entries()) {
      const from = first + at * each
      const next = laws.length === 0 ? here : restrictMotions(here, laws, solver.rank)
      if (areEndsStill(solver, next)) table.states.fill(stateNumber('locked'), from, from + each)
      else if (isInputLockedForGood(solver, next, touchedFrom[depth + 1]))
        table.states.fill(stateNumber('input-locked'), from, from + each)
      else {
        chosen.push(laws)
        yield* visit(depth + 1, from, next)
        chosen.pop()
      }
      if (from + each - reported >= REPORT_EVERY) {
        reported = from + each
        yield reported
      }
    }
  }
  yield* visit(0, 0, solver.motions)
  return { kind: 'table', table }
}

/** Judges every combination in one go. */
export function classifyAll(solver: Solver): Classification {
  const steps = classifyCombinations(solver)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** One row of the table. */
interface Combination {
  readonly number: number
  /** A place for every coupler. */
  readonly places: CouplerPlaces
  readonly state: CombinationState
  readonly ratio: Rational | null
}

/** How far one coupler's step is in the numbering, for each coupler. */
function strides(couplers: readonly Coupler[]): readonly number[] {
  const result: number[] = []
  let stride = 1
  for (const { positions } of [...couplers].reverse()) {
    result.unshift(stride)
    stride *= positions.length
  }
  return result
}

/** The combination of this number, with what it does. */
export function combinationAt(table: CombinationTable, number: number): Combination {
  const step = strides(table.couplers)
  const places = Object.fromEntries(
    table.couplers.flatMap((coupler, at) => {
      const { positions } = coupler
      const place = positions[Math.floor(number / (step[at] ?? 1)) % positions.length]
      return place ? [[coupler.id, place.id]] : []
    }),
  )
  return {
    number,
    places,
    state: COMBINATION_STATES[table.states[number] ?? 0] ?? 'locked',
    ratio: table.ratios[table.ratioIndex[number] ?? -1] ?? null,
  }
}

/** How many combinations there are of each state. */
export function countStates(table: CombinationTable): Readonly<Record<CombinationState, number>> {
  const counts = new Array<number>(COMBINATION_STATES.length).fill(0)
  for (const state of table.states) counts[state] = (counts[state] ?? 0) + 1
  return {
    neutral: counts[0] ?? 0,
    locked: counts[1] ?? 0,
    'input-locked': counts[2] ?? 0,
    'output-locked': counts[3] ?? 0,
    undetermined: counts[4] ?? 0,
    drive: counts[5] ?? 0,
  }
}

/** A combination that drives, with all that speaks for and against listing it. */
export interface FoundPosition extends Combination {
  readonly ratio: Rational
  /** Couplers that could as well stand at their centre: they are engaged and carry nothing. */
  readonly idle: readonly string[]
  /** Why no driver gets there: an interlock, a rule, or neither. */
  readonly barredBy: string | null
}

/**
 * The combinations that drive, highest reduction first, forward before reverse.
 * Forward is the sense in which more of the usable ones turn the output. Those with
 * a coupler engaged to no effect are told apart by `idle`: they repeat another one,
 * or hold the next gear ready on a clutch that is open.
 */
export function findPositions(draft: BoxDraft, table: CombinationTable): readonly FoundPosition[] {
  const step = strides(table.couplers)
  const found: FoundPosition[] = []
  table.ratioIndex.forEach((ratioNumber, number) => {
    const ratio = table.ratios[ratioNumber]
    if (!ratio) return
    const combination = combinationAt(table, number)
    const idle = table.couplers.flatMap((coupler, at) => {
      const centre = centreOf(coupler)
      if (!centre || namedPlace(combination.places, coupler.id) === centre.id) return []
      const stride = step[at] ?? 1
      const here = Math.floor(number / stride) % coupler.positions.length
      const without = number + (coupler.positions.indexOf(centre) - here) * stride
      return table.ratioIndex[without] === ratioNumber &&
        table.drivenOutputs[without] === table.drivenOutputs[number]
        ? [coupler.id]
        : []
    })
    const barredBy =
      brokenInterlock(draft, combination.places)?.interlock ??
      brokenRule(draft, combination.places)?.id ??
      null
    found.push({ ...combination, ratio, idle, barredBy })
  })
  const usable = found.filter(({ idle, barredBy }) => idle.length === 0 && barredBy === null)
  const positive = usable.filter(({ ratio }) => ratio.sign() > 0).length
  const forward = 2 * positive >= usable.length ? 1 : -1
  const size = ({ ratio }: FoundPosition): number => Math.abs(ratio.toNumber())
  const isForward = ({ ratio }: FoundPosition): boolean => ratio.sign() === forward
  return found.sort(
    (one, other) => Number(isForward(other)) - Number(isForward(one)) || size(other) - size(one),
  )
}

/** A per cent that a person sets is taken to a thousandth. */
const PER_PERCENT = 1_000

/** Whether two ratios of one sense are within a share of one another, in per cent. */
export function isNearRepeat(one: Rational, other: Rational, withinPercent: number): boolean {
  if (one.sign() !== other.sign()) return false
  const quotient = one.div(other)
  const larger = quotient.isGreaterThan(ONE) ? quotient : quotient.inverse()
  const limit = ONE.add(rational(Math.round(withinPercent * PER_PERCENT), 100 * PER_PERCENT))
  return !larger.isGreaterThan(limit)
}

/** The place of each coupler, with its centre where the position does not name it. */
export function fullPlaces(
  couplers: readonly Coupler[],
  places: CouplerPlaces,
): Readonly<Record<string, string>> {
  return Object.fromEntries(
    couplers.flatMap((coupler): [string, string][] => {
      const place: CouplerPosition | undefined = placeOf(coupler, places) ?? centreOf(coupler)
      return place ? [[coupler.id, place.id]] : []
    }),
  )
}
