/**
 * Counts checked by turning. With a position selected, the input is turned until the
 * output has made N turns, and the turns T of the input are read to within ± e; or the
 * input is given T turns, and the turns N of the output are read:
 *
 *   counts and turns agree when |T − N·|i|| ≤ e, or |N − T/|i|| ≤ e,
 *
 * with i the ratio that the counts give.
 *
 * Where they do not agree, every count is tried one and two teeth off, alone and, where
 * no single count explains what was read, in pairs. How likely a miscount is follows
 * Bayes's rule with weights that are common practice of the bench, and stand below as
 * constants: they order the suspects and decide nothing. What a suspect makes of a turn
 * check is decided on exact fractions.
 */
import type { PositionSurvey, Solver } from '../train/analysis.ts'
import { analyse, judgeMotions, prepareSolver, surveyPosition } from '../train/analysis.ts'
import type { Box } from '../box/box.ts'
import { checkBox } from '../box/check.ts'
import { countedGears, countedTogether, isConfirmed, withToothCounts } from '../box/counting.ts'
import type { Law } from '../train/laws.ts'
import { bearingLaws, connectedBodies, engagedLaws, lawsOfLink } from '../train/laws.ts'
import { freeMotions, restrictMotions } from '../train/motion.ts'
import type { Rational } from '../number/rational.ts'
import { rational } from '../number/rational.ts'
import { median, sumsBetweenAxes } from '../box/toothSums.ts'
import type { BoxDraft, BoxPosition, Gear } from '../box/types.ts'

/** One reading. Turns are positive: which way the output goes is another question. */
export interface TurnCheck {
  readonly id: string
  /** The position selected. */
  readonly position: string
  /**
   * The body whose turns are the output's, such as the pinion shaft of a transaxle on the
   * bench; the first output that the position drives where none is named.
   */
  readonly at?: string | undefined
  readonly inputTurns: Rational
  readonly outputTurns: Rational
  /** Which of the two was read; the other one was turned as far as was wanted. */
  readonly readAt: 'input' | 'output'
  /** How far off what was read may be, either way, in turns; not 0. */
  readonly errorTurns: Rational
}

/** What was read of a check. */
export function readTurns({ readAt, inputTurns, outputTurns }: TurnCheck): Rational {
  return readAt === 'input' ? inputTurns : outputTurns
}

/** The sizes of the ratio that a check allows; `most` is null where its reading may be of no turn. */
export function ratioRange({ readAt, inputTurns, outputTurns, errorTurns }: TurnCheck): {
  readonly least: Rational
  readonly most: Rational | null
} {
  if (readAt === 'input')
    return {
      least: inputTurns.sub(errorTurns).div(outputTurns),
      most: inputTurns.add(errorTurns).div(outputTurns),
    }
  const fewest = outputTurns.sub(errorTurns)
  return {
    least: inputTurns.div(outputTurns.add(errorTurns)),
    most: fewest.sign() > 0 ? inputTurns.div(fewest) : null,
  }
}

/** A turn check beside the counts of a box. */
export interface JudgedCheck {
  readonly check: TurnCheck
  /** What would be read by the counts; null where by them the position drives nothing, or counts lack. */
  readonly expectedTurns: Rational | null
  /** Whether reading and counts agree; null where counts lack. A box that turned is not locked. */
  readonly isAgreed: boolean | null
}

/** A count that may be off, and what it would have to be. */
interface Miscount {
  readonly gear: Gear
  readonly toothCount: number
}

/** What may be wrong: one count or two, or, with none, the reading itself. */
export interface Suspect {
  readonly miscounts: readonly Miscount[]
  /** How likely it is against the other suspects; all of them make 1. */
  readonly share: number
  /** How many of the turn checks agree when it is put right. */
  readonly agreeing: number
  /** Pairs between the same axes as a suspected gear's whose sum of teeth it then shares, of how many. */
  readonly sharedSums: number
  readonly comparedSums: number
  readonly draft: BoxDraft
}

/** A check that has not been made yet, and what each suspect would read. */
export interface NextCheck {
  readonly position: BoxPosition
  readonly outputTurns: number
  /** In the order of the suspects asked about; null where that suspect's box drives nothing. */
  readonly expectedTurns: readonly (Rational | null)[]
  /** Whether it tells every two of them apart; if not, it is the best there is. */
  readonly tellsAll: boolean
}

/** Off by more than this is another gear, and no miscount (common practice). */
const MOST_TEETH_OFF = 2
/** How much rarer two teeth off are than one. */
const TWO_OFF_WEIGHT = 0.15
/** How much rarer a miscount is of a gear that was counted twice with one result. */
const CONFIRMED_WEIGHT = 0.03
/** How much likelier a miscount is where the second count says just that. */
const SECOND_COUNT_WEIGHT = 20
/** How likely a gear of a hundred teeth is to be miscounted by one; in proportion for others. */
const MISCOUNT_RATE = 0.1
/** How likely a turn check is to be misread beyond its own fineness, which the person has stated. */
const MISREAD_RATE = 0.002
/** How far sums of teeth between the same axes lie apart, as a standard deviation in teeth. */
const SUM_SPREAD_TEETH = 1
/** Output turns that a person will still turn in one go. */
const MOST_OUTPUT_TURNS = 20
/** Suspects that a next check is asked to tell apart. */
const MOST_COMPARED = 8

/** Each turn check beside what the counts make of it. */
export function judgeChecks(box: Box, checks: readonly TurnCheck[]): readonly JudgedCheck[] {
  const solverFor = solversOf(box)
  const surveys = new Map(
    settingsOf(box.draft, checks).map(({ key, position, at }) => [
      key,
      surveyPosition(solverFor(at), position),
    ]),
  )
  return checks.map((check) => judgeCheck(check, surveys.get(settingKey(check))))
}

/** The positions that turn an output, or would by other counts: those that a turn check can be made in. */
export function turnablePositions(box: Box): readonly BoxPosition[] {
  const solver = prepareSolver(box)
  return box.draft.positions.filter(
    (position) =>
      position.isHidden !== true && surveyPosition(solver, position).state !== 'neutral',
  )
}

function judgeCheck(check: TurnCheck, survey: PositionSurvey | undefined): JudgedCheck {
  if (!survey || survey.state === 'uncounted') return { check, expectedTurns: null, isAgreed: null }
  if (!survey.ratio) return { check, expectedTurns: null, isAgreed: false }
  const size = survey.ratio.abs()
  const expectedTurns =
    check.readAt === 'input' ? size.mul(check.outputTurns) : check.inputTurns.div(size)
  const off = readTurns(check).sub(expectedTurns).abs()
  return { check, expectedTurns, isAgreed: !off.isGreaterThan(check.errorTurns) }
}

/** A position, and where its turns are read. */
interface Setting {
  readonly key: string
  readonly position: BoxPosition
  readonly at: string | undefined
}

function settingKey({ position, at = '' }: Pick<TurnCheck, 'position' | 'at'>): string {
  return `${position}\n${at}`
}

/** The settings of the checks that the box has. */
function settingsOf({ positions }: BoxDraft, checks: readonly TurnCheck[]): readonly Setting[] {
  const settings = new Map<string, Setting>()
  for (const { position: id, at } of checks) {
    const key = settingKey({ position: id, at })
    const position = positions.find((each) => each.id === id)
    if (position) settings.set(key, { key, position, at })
  }
  return [...settings.values()]
}

/** The box with its turns read at one body, if it has it. */
export function readAtBody(box: Box, at: string | undefined): Box {
  return at !== undefined && box.bodies.includes(at)
    ? { ...box, draft: { ...box.draft, outputs: [at] } }
    : box
}

/** The solver for each place where turns are read, prepared when it is first asked for. */
function solversOf(box: Box): (at: string | undefined) => Solver {
  const solvers = new Map<string | undefined, Solver>()
  return (at) => {
    const solver = solvers.get(at) ?? prepareSolver(readAtBody(box, at))
    solvers.set(at, solver)
    return solver
  }
}

/** What the ratio of one position is worked out from, and can be again with other counts. */
interface Train {
  readonly solver: Solver
  readonly position: BoxPosition
  readonly laws: readonly Law[]
  readonly bodies: readonly string[]
}

function trainOf(solver: Solver, position: BoxPosition): Train {
  const { box } = solver
  const { input, outputs } = box.draft
  const all = [...solver.standing, ...engagedLaws(box, position.couplers)]
  const bearing = bearingLaws(all, input, outputs)
  const reached = connectedBodies(bearing, input)
  const laws = bearing.filter(({ terms }) => terms.some(({ body }) => reached.has(body)))
  const bodies = new Set([input, ...outputs, ...laws.flatMap(({ terms }) => bodiesOf(terms))])
  return { solver, position, laws, bodies: [...bodies] }
}

function bodiesOf(terms: Law['terms']): readonly string[] {
  return terms.map(({ body }) => body)
}

/** What the position does with other counts of some gears. */
function surveyWith(train: Train, miscounts: readonly Miscount[]): PositionSurvey {
  const { solver, position } = train
  const { box, rank } = solver
  const gears = new Map(box.gears)
  for (const { gear, toothCount } of miscounts) gears.set(gear.id, { ...gear, toothCount })
  const laws = train.laws.map((law) => {
    const link = box.links.get(law.source)
    const isOther = miscounts.some(({ gear }) =>
      law.terms.some(({ counted }) => counted.some((each) => each.gear === gear)),
    )
    const other = link && isOther ? lawsOfLink({ ...box, gears }, link) : []
    return other.find(({ id }) => id === law.id) ?? law
  })
  if (laws.some(({ uncounted }) => uncounted.length > 0))
    return { position, state: 'uncounted', ratio: null }
  const motions = restrictMotions(freeMotions(train.bodies), laws, rank)
  const verdict = judgeMotions(solver, motions, () => laws)
  const ratio = verdict.state === 'drive' ? verdict.speed.inverse() : null
  return { position, state: verdict.state, ratio }
}

/**
 * The gears whose counts the ratio of a position depends on: those of the links that bear
 * torque, or that could where it is locked by the counts as they are.
 */
function bearingGears({ solver, position, laws }: Train): readonly Gear[] {
  const analysis = analyse(solver, position.couplers)
  const bearing =
    analysis.state === 'drive'
      ? [...analysis.multipliers].flatMap(([law, multiplier]) => (multiplier.isZero() ? [] : [law]))
      : laws
  return bearing.flatMap(({ terms }) => terms.flatMap(({ gear }) => gear ?? []))
}

/** The draft with other counts. */
export function withMiscounts(draft: BoxDraft, miscounts: readonly Miscount[]): BoxDraft {
  return withToothCounts(
    draft,
    new Map(miscounts.map(({ gear, toothCount }) => [gear.id, toothCount])),
  )
}

/** A set of counts with what the turn checks make of it. */
interface Trial {
  readonly miscounts: readonly Miscount[]
  readonly draft: BoxDraft
  readonly judged: readonly JudgedCheck[]
}

/** The trial of these counts; undefined where they bring none of the disputed checks into agreement. */
function tryCounts(
  box: Box,
  twins: ReadonlyMap<Gear, readonly Gear[]>,
  trains: ReadonlyMap<string, Train>,
  checks: readonly TurnCheck[],
  disputed: readonly TurnCheck[],
  miscounts: readonly Miscount[],
): Trial | undefined {
  const surveys = new Map<string, PositionSurvey>()
  const everywhere = miscounts.flatMap(({ gear, toothCount }) =>
    (twins.get(gear) ?? [gear]).map((each): Miscount => ({ gear: each, toothCount })),
  )
  const judgedBy = (check: TurnCheck): JudgedCheck => {
    const key = settingKey(check)
    const train = trains.get(key)
    const survey = surveys.get(key) ?? (train && surveyWith(train, everywhere))
    if (survey) surveys.set(key, survey)
    return judgeCheck(check, survey)
  }
  // Few trials mend anything, so the checks that agree already are looked at only then.
  if (!disputed.some((check) => judgedBy(check).isAgreed === true)) return undefined
  const draft = withMiscounts(box.draft, miscounts)
  return checkBox(draft).ok ? { miscounts, draft, judged: checks.map(judgedBy) } : undefined
}

const disagreeing = ({ judged }: Pick<Trial, 'judged'>): number =>
  judged.filter(({ isAgreed }) => isAgreed === false).length

/**
 * What may be wrong where turn checks and counts disagree, the likeliest first; empty
 * where all agree. Every single count that, one or two teeth off, brings a disagreeing
 * check into agreement is among them, and so is the misreading. Where no single one explains
 * all checks, so is every pair of counts that explains more of them than any one does.
 */
export function findSuspects(box: Box, checks: readonly TurnCheck[]): readonly Suspect[] {
  const asIs: Trial = { miscounts: [], draft: box.draft, judged: judgeChecks(box, checks) }
  const disputed = asIs.judged.flatMap(({ check, isAgreed }) => (isAgreed === false ? [check] : []))
  if (disputed.length === 0) return []
  const solverFor = solversOf(box)
  const trains = new Map(
    settingsOf(box.draft, checks).map(({ key, position, at }) => [
      key,
      trainOf(solverFor(at), position),
    ]),
  )
  const bearing = new Set(
    disputed.flatMap((check) => {
      const train = trains.get(settingKey(check))
      return train ? bearingGears(train) : []
    }),
  )
  // One count serves twins, so a miscount is one of all of them.
  const twins = new Map(
    countedGears(box.draft).map((gear) => [gear, countedTogether(box.draft, gear)]),
  )
  const candidates = [...twins]
    .filter(([, served]) => served.some((each) => bearing.has(each)))
    .map(([gear]) => gear)
    .flatMap((gear) => neighbours(gear).map((toothCount): Miscount => ({ gear, toothCount })))
  const tried = (miscounts: readonly Miscount[]): readonly Trial[] => {
    const trial = tryCounts(box, twins, trains, checks, disputed, miscounts)
    return trial ? [trial] : []
  }
  const trials = [asIs, ...candidates.flatMap((one) => tried([one]))]
  const fewest = Math.min(...trials.map(disagreeing))
  if (fewest > 0)
    for (const [at, one] of candidates.entries())
      for (const other of candidates.slice(at + 1))
        if (other.gear !== one.gear)
          trials.push(...tried([one, other]).filter((trial) => disagreeing(trial) < fewest))
  // Only differences count; the likeliest is taken as 1, so that not all of them underflow.
  const logs = trials.map(logWeight)
  const largest = logs.reduce((most, log) => Math.max(most, log), -Infinity)
  const weights = logs.map((log) => Math.exp(log - largest))
  const sum = weights.reduce((total, weight) => total + weight, 0)
  return trials
    .map((trial, at): Suspect => ({
      miscounts: trial.miscounts,
      share: (weights[at] ?? 0) / sum,
      agreeing: trial.judged.filter(({ isAgreed }) => isAgreed === true).length,
      ...compareSums(trial),
      draft: trial.draft,
    }))
    .sort((one, other) => other.share - one.share)
}

/** The counts that a miscounted gear may have in truth. */
function neighbours(gear: Gear): readonly number[] {
  if (gear.toothCount === null) return []
  const counts: number[] = []
  for (let off = 1; off <= MOST_TEETH_OFF; off++)
    counts.push(gear.toothCount - off, gear.toothCount + off)
  return counts
}

/** The logarithm of how likely a trial is, but for a factor that all share. */
function logWeight(trial: Trial): number {
  let log = 0
  for (const { gear, toothCount } of trial.miscounts) {
    const counted = gear.toothCount ?? toothCount
    log += Math.log(MISCOUNT_RATE * (counted / 100))
    if (Math.abs(toothCount - counted) > 1) log += Math.log(TWO_OFF_WEIGHT)
    if (isConfirmed(gear)) log += Math.log(CONFIRMED_WEIGHT)
    if (gear.recount === toothCount) log += Math.log(SECOND_COUNT_WEIGHT)
  }
  for (const { check, expectedTurns, isAgreed } of trial.judged) {
    if (isAgreed === false) log += Math.log(MISREAD_RATE)
    else if (expectedTurns !== null) {
      // Half the fineness is taken as the standard deviation of a reading.
      const off = readTurns(check).sub(expectedTurns).toNumber() / (check.errorTurns.toNumber() / 2)
      log -= off ** 2 / 2
    }
  }
  for (const sums of sumsBetweenAxes(trial.draft)) {
    const middle = median(sums.map(({ sum }) => sum)) ?? 0
    for (const { sum } of sums) log -= ((sum - middle) / SUM_SPREAD_TEETH) ** 2 / 2
  }
  return log
}

function compareSums({ draft, miscounts }: Trial): Pick<Suspect, 'sharedSums' | 'comparedSums'> {
  const suspected = new Set(miscounts.map(({ gear }) => gear.id))
  let [sharedSums, comparedSums] = [0, 0]
  for (const sums of sumsBetweenAxes(draft))
    for (const { link, a, b, sum } of sums) {
      if (!suspected.has(a) && !suspected.has(b)) continue
      const others = sums.filter((other) => other.link !== link)
      comparedSums += others.length
      sharedSums += others.filter((other) => other.sum === sum).length
    }
  return { sharedSums, comparedSums }
}

/**
 * The check with the fewest turns of the input that tells the first suspects apart, when
 * it is read as finely as `errorTurns`: two are told apart where what they would read
 * lies further apart than both readings can be off. Undefined where none tells any two
 * apart within what a person will turn; then only counting again helps. `at` is the body
 * whose turns are the output's, as in a check.
 */
export function suggestCheck(
  suspects: readonly Suspect[],
  errorTurns: Rational,
  at?: string,
): NextCheck | undefined {
  const compared = suspects.slice(0, MOST_COMPARED)
  const [first] = compared
  if (!first) return undefined
  const surveys = compared.map(({ draft }) => {
    const checked = checkBox(draft)
    if (!checked.ok) return undefined
    const solver = prepareSolver(readAtBody(checked.box, at))
    return new Map(draft.positions.map((each) => [each.id, surveyPosition(solver, each)]))
  })
  const apart = errorTurns.add(errorTurns)
  let best: { readonly next: NextCheck; readonly told: number; readonly turns: number } | undefined
  for (const position of first.draft.positions) {
    const sizes = surveys.map((each) => each?.get(position.id)?.ratio?.abs() ?? null)
    for (let outputTurns = 1; outputTurns <= MOST_OUTPUT_TURNS; outputTurns++) {
      const expectedTurns = sizes.map((size) => size?.mul(rational(outputTurns)) ?? null)
      let told = 0
      let pairs = 0
      expectedTurns.forEach((one, at) => {
        expectedTurns.slice(at + 1).forEach((other, beyond) => {
          const weight = (compared[at]?.share ?? 0) * (compared[at + 1 + beyond]?.share ?? 0)
          pairs += weight
          if (one && other && one.sub(other).abs().isGreaterThan(apart)) told += weight
        })
      })
      const turns = Math.max(...expectedTurns.map((each) => each?.toNumber() ?? 0))
      const isBetter =
        !best || told > best.told * 1.000001 || (told > best.told * 0.999999 && turns < best.turns)
      if (told > 0 && isBetter) {
        const tellsAll = told > pairs * 0.999999
        best = { next: { position, outputTurns, expectedTurns, tellsAll }, told, turns }
      }
    }
  }
  return best?.next
}
