/** Measurements, verdicts and stages in words. */
import type {
  Bounds,
  BoxIndex,
  ConeCount,
  EnteredLimit,
  Figures,
  Finding,
  LimitSource,
  LineState,
  Look,
  Measure,
  OrderTarget,
  Quantity,
  Reason,
  ReadingIssue,
  ReadingProblem,
  ReadingUnit,
  Stage,
  Statistic,
  Verdict,
} from 'core'
import { MEASURE_RULES, fromUnit, orderTarget, toUnit } from 'core'

import type { Vocabulary } from './vocabulary.ts'
import { inWords } from './vocabulary.ts'

import { formatGrouped, formatNumber, NBSP } from './format.ts'
import { capitalize } from './names.ts'

export const UNIT_NAMES: Readonly<Record<ReadingUnit, string>> = {
  mm: 'mm',
  um: 'µm',
  in: 'in',
  thou: 'thou',
  deg: '°',
  Nm: 'N·m',
  lbft: 'lb·ft',
  lbin: 'lb·in',
  km: 'km',
  mi: 'mi',
  percent: '%',
}

/** The units in full, where a short one would read as another word. */
export const UNIT_WORDS: Readonly<Record<ReadingUnit, string>> = {
  mm: 'millimetres',
  um: 'micrometres',
  in: 'inches',
  thou: 'thousandths of an inch',
  deg: 'degrees',
  Nm: 'newton-metres',
  lbft: 'pound-feet',
  lbin: 'pound-inches',
  km: 'kilometres',
  mi: 'miles',
  percent: 'percent',
}

const DECIMALS: Readonly<Record<ReadingUnit, number>> = {
  mm: 2,
  um: 0,
  in: 4,
  thou: 1,
  deg: 2,
  Nm: 2,
  lbft: 2,
  lbin: 1,
  km: 0,
  mi: 0,
  percent: 0,
}

/** The unit that a figure judged is shown in, where its readings were in `unit`. */
export function shownUnit(judges: Quantity, unit: ReadingUnit): ReadingUnit {
  return judges === 'angle' ? 'deg' : unit
}

/** Decimals beyond the usual ones that a figure may need: as fine as any tool of the bench reads. */
const MOST_MORE_DECIMALS = 3
/** Closer than this in the unit shown, two figures are one. */
const SAME = 1e-9

function isExactAt(figure: number, decimals: number): boolean {
  return Math.abs(figure - Number(figure.toFixed(decimals))) < SAME
}

/**
 * The fewest decimals, not under the usual ones, that show every figure which has an end to its
 * end, and tell those apart that differ.
 */
function decimalsFor(values: readonly number[], unit: ReadingUnit): number {
  const figures = values.map((value) => toUnit(value, unit))
  const usual = DECIMALS[unit]
  if (usual === 0) return 0
  const most = usual + MOST_MORE_DECIMALS
  const ending = figures.filter((figure) => isExactAt(figure, most))
  const areTold = (decimals: number): boolean =>
    ending.every((figure) => isExactAt(figure, decimals)) &&
    figures.every((one) =>
      figures.every(
        (other) =>
          Math.abs(one - other) < SAME || one.toFixed(decimals) !== other.toFixed(decimals),
      ),
    )
  for (let decimals = usual; decimals < most; decimals++) if (areTold(decimals)) return decimals
  return most
}

/**
 * A figure in the unit used inside, shown in another: "0.79 mm", "31.0 thou", "0.762 mm". Beside
 * others it has as many decimals as they need to be told apart.
 */
export function formatFigure(
  value: number,
  unit: ReadingUnit,
  beside: readonly number[] = [],
): string {
  const figure = toUnit(value, unit)
  const decimals = decimalsFor([value, ...beside], unit)
  const text = decimals === 0 ? formatGrouped(figure) : formatNumber(figure, decimals)
  return `${text}${NBSP}${UNIT_NAMES[unit]}`
}

/** How far a figure is from a limit, never rounded to nothing: "less than 0.00001 in". */
function formatDistance(value: number, unit: ReadingUnit, beside: readonly number[]): string {
  const least = 10 ** -decimalsFor(beside, unit)
  return toUnit(value, unit) < least / 2
    ? `less than ${formatFigure(fromUnit(least, unit), unit)}`
    : formatFigure(value, unit, beside)
}

/** Closer to a limit than this, in the unit used inside, a figure is said to lie on it. */
const ON_LIMIT = 1e-9

export const MEASURE_NAMES: Readonly<Record<Measure, string>> = {
  'ring-gap': 'ring gap',
  'dog-engagement': 'dog engagement',
  'fork-clearance': 'fork clearance in its groove',
  'spline-rock': 'spline rock',
  'end-play': 'end play',
  backlash: 'backlash',
  'run-out': 'run-out',
  'bearing-drag': 'bearing drag',
  preload: 'preload',
  'running-clearance': 'clearance of bore and journal',
  thickness: 'thickness',
  'groove-width': 'width of the groove',
  'free-length': 'free length',
  flatness: 'flatness',
  'stack-height': 'height of the stack',
  'pack-clearance': 'free play of the pack',
  'cone-contact': 'contact by blue',
}

export const CONE_NAMES: Readonly<Record<ConeCount, string>> = {
  1: 'single cone',
  2: 'dual cone',
  3: 'triple cone',
}

export const STATISTIC_NAMES: Readonly<Record<Statistic, string>> = {
  least: 'least',
  greatest: 'greatest',
  mean: 'mean',
  run: 'total run',
  sum: 'sum',
}

export const LOOK_NAMES: Readonly<Record<Look, string>> = {
  crack: 'cracks',
  grooves: 'grooves on the cone',
  'tooth-tips': 'tooth tips',
  'dog-corners': 'corners of the dogs',
  'bearing-feel': 'bearing by feel and sound',
  pitting: 'races and rolling elements',
  scoring: 'surface it slides on',
  'cone-feel': 'cone by feel',
  'step-wear': 'steps worn into it',
  bent: 'straightness',
  burnt: 'colour and lining',
  thread: 'thread',
  missing: 'whether it is all there',
}

/** What was measured or looked at. */
export const FOUND_NAMES: Readonly<Record<Measure | Look, string>> = {
  ...MEASURE_NAMES,
  ...LOOK_NAMES,
}

/** What each grade of a look means. */
export const LOOK_GRADES: Readonly<Record<Look, Readonly<Record<Verdict, string>>>> = {
  crack: { good: 'none', watch: 'a mark that may be one', replace: 'cracked' },
  grooves: { good: 'sharp', watch: 'worn', replace: 'smooth' },
  'tooth-tips': { good: 'sharp', watch: 'blunted', replace: 'rounded or chipped' },
  'dog-corners': {
    good: 'sharp',
    watch: 'rounded a little',
    replace: 'rounded or without back-taper',
  },
  'bearing-feel': {
    good: 'smooth and quiet',
    watch: 'a little rough',
    replace: 'rough, noisy or loose',
  },
  pitting: { good: 'bright', watch: 'dull or marked', replace: 'pitted, flaked or blue' },
  scoring: { good: 'smooth', watch: 'marked', replace: 'scored or worn through' },
  'cone-feel': {
    good: 'dull and even',
    watch: 'polished in places',
    replace: 'polished all round, scored or stepped',
  },
  'step-wear': { good: 'none', watch: 'can be felt', replace: 'a step' },
  bent: { good: 'straight', watch: 'a little out', replace: 'bent' },
  burnt: { good: 'even', watch: 'dark in places', replace: 'burnt, blue or worn through' },
  thread: { good: 'sound', watch: 'stretched or rough', replace: 'torn or stripped' },
  missing: { good: 'all there', watch: 'not sure', replace: 'missing' },
}

export const VERDICT_NAMES: Readonly<Record<Verdict, string>> = {
  good: 'good',
  watch: 'watch',
  replace: 'replace',
}

/** What "replace" is said of, by what the finding leads to. */
const REPLACED: Readonly<Record<OrderTarget, string>> = {
  itself: VERDICT_NAMES.replace,
  bearings: 'replace its bearings',
  fork: 'replace its fork',
  shims: 'set by shims',
  'thrust-washer': 'replace its thrust washers',
  'runs-on': 'replace what it runs on',
  'its-shaft': 'replace its shaft',
}

/** A verdict in words: what is found on one part may ask for another, or for shims. */
export function verdictWords(
  box: BoxIndex,
  finding: Pick<Finding, 'part' | 'what'>,
  verdict: Verdict,
): string {
  return verdict === 'replace' ? REPLACED[orderTarget(box, finding)] : VERDICT_NAMES[verdict]
}

export const SOURCE_NAMES: Readonly<Record<LimitSource, string>> = {
  maker: 'maker’s figure for this unit',
  shop: 'rule of the shop',
  thumb: 'rule of thumb that comes with Udrix',
}

const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  intake: 'Intake: what came in',
  'lay-out': 'Know what is on the bench',
  keyed: 'Find what is keyed to what',
  count: 'Count teeth',
  'turn-check': 'Check the counts by turning',
  rings: 'Judge the rings',
  sleeves: 'Judge sleeves, dogs and forks',
  shafts: 'Judge shafts, bearings, clearances',
  parts: 'Decide, order, wait for parts',
  assemble: 'Put it together',
  'bench-check': 'Check it before it leaves the bench',
  'hand-over': 'Write it down and hand over',
}

/** What a stage of a job is called. */
export function stageName(words: Vocabulary, stage: Stage): string {
  return inWords(words, STAGE_NAMES[stage])
}

export const LINE_STATE_NAMES: Readonly<Record<LineState, string>> = {
  needed: 'to order',
  ordered: 'ordered',
  arrived: 'arrived',
  'left-out': 'left out',
}

/** How far a line is; work is done and not ordered. */
export function lineStateName(state: LineState, isLabour: boolean): string {
  if (!isLabour) return LINE_STATE_NAMES[state]
  return state === 'needed' ? 'to do' : state === 'arrived' ? 'done' : LINE_STATE_NAMES[state]
}

export function readingProblemWords(text: string, problem: ReadingProblem | 'not-rising'): string {
  const shown = text.length > 30 ? `${text.slice(0, 30)}…` : text
  switch (problem) {
    case 'divided-by-zero':
      return `“${shown}” divides by 0. Write the fraction again, such as 3 7/8.`
    case 'not-rising':
      return `“${shown}”: what did not go in is thicker than what did. Write the thinner first, such as 31..35.`
    case 'too-long':
      return `“${shown}” has more digits than any tool gives. Write what you read.`
    case 'no-number':
      return shown.trim() === ''
        ? 'Write what you read, such as 0.79 or 3 7/8.'
        : `“${shown}” is no number. Write it as 0.79, 31 or 3 7/8.`
  }
}

/** What is wrong with readings or a limit, with what to do; figures are shown in `unit`. */
export function readingIssueWords(issue: ReadingIssue, unit: ReadingUnit): string {
  switch (issue.code) {
    case 'too-few':
      return `This needs ${issue.needed} ${issue.needed === 1 ? 'reading' : 'readings'} or more, and you have ${issue.given}. Measure at more places round it.`
    case 'too-many':
      return `One measurement has ${issue.most} readings at most, not ${issue.given}. Split it, or keep the ones that matter.`
    case 'negative':
      return `${formatFigure(issue.value, unit)} is below 0, which this cannot be. Write it without the minus, or measure again.`
    case 'implausible':
      return `${formatFigure(issue.value, unit)} is more than this can be (${formatFigure(issue.most, unit)} at most). ${unit === 'mm' ? 'If you read thousandths of an inch, choose thou.' : 'Look at the unit, or measure again.'}`
    case 'radius-missing':
      return 'Write the radius at which you read it.'
    case 'journal-missing':
      return 'Write the diameter of what runs in it.'
    case 'journal-over-bore':
      return `What runs in it measures ${formatFigure(issue.journal, unit)}, more than the bore of ${formatFigure(issue.bore, unit)}. Look at both figures again.`
    case 'limit-reversed':
      return `The limit runs from ${formatFigure(issue.least, unit)} to ${formatFigure(issue.most, unit)}, which is backwards. The least comes first.`
    case 'limit-missing':
      return 'Write the least, the most, or both.'
  }
}

/** "at least 0.76 mm", "0.05 mm to 0.30 mm". */
export function boundsWords(
  { least, most }: Bounds,
  unit: ReadingUnit,
  beside: readonly number[] = [],
): string {
  if (least !== undefined && most !== undefined)
    return `${formatFigure(least, unit, [most, ...beside])} to ${formatFigure(most, unit, [least, ...beside])}`
  if (least !== undefined) return `at least ${formatFigure(least, unit, beside)}`
  return most === undefined ? 'no limit' : `at most ${formatFigure(most, unit, beside)}`
}

/** A limit as it was entered: "0.05 to 0.15 mm", "at least 0.030 in". */
export function boundsText({ least, most, unit }: EnteredLimit): string {
  const name = `${NBSP}${UNIT_NAMES[unit]}`
  if (least !== undefined && most !== undefined) return `${least} to ${most}${name}`
  return least !== undefined ? `at least ${least}${name}` : `at most ${most ?? ''}${name}`
}

/** A reading as it is told: "31 went in, 35 did not", or as it was written. */
export function readingText(text: string): string {
  const [went, stayed] = text.split(/\.\.+|…/)
  return stayed === undefined ? text : `${went?.trim() ?? ''} went in, ${stayed.trim()} did not`
}

/** The figure judged, or the two between which it lies. */
export function figureWords({ figure, between }: Figures, unit: ReadingUnit): string {
  return between
    ? `between ${formatFigure(between[0], unit)} and ${formatFigure(between[1], unit)}`
    : formatFigure(figure, unit)
}

/** Why a verdict is what it is, one sentence each. */
export function reasonWords(reason: Reason, unit: ReadingUnit): string {
  switch (reason.code) {
    case 'within': {
      const { figure, bounds } = reason
      const ends = [bounds.least, bounds.most].filter((end) => end !== undefined)
      return `${formatFigure(figure, unit, ends)} is within the limit of ${boundsWords(bounds, unit, [figure])}.`
    }
    case 'below-least':
      return `${apartWords(reason.figure, reason.least, unit)} below the least of ${formatFigure(reason.least, unit, [reason.figure])}.`
    case 'above-most':
      return `${apartWords(reason.figure, reason.most, unit)} above the most of ${formatFigure(reason.most, unit, [reason.figure])}.`
    case 'near-least':
      if (reason.figure - reason.least < ON_LIMIT)
        return `${formatFigure(reason.figure, unit)} is exactly the least that it may be.`
      return `${apartWords(reason.figure, reason.least, unit, 'only ')} above the least of ${formatFigure(reason.least, unit, [reason.figure])}.`
    case 'near-most':
      if (reason.most - reason.figure < ON_LIMIT)
        return `${formatFigure(reason.figure, unit)} is exactly the most that it may be.`
      return `${apartWords(reason.figure, reason.most, unit, 'only ')} below the most of ${formatFigure(reason.most, unit, [reason.figure])}.`
    case 'straddles':
      return `Between ${formatFigure(reason.between[0], unit)} and ${formatFigure(reason.between[1], unit)}, and the limit of ${boundsWords(reason.bounds, unit)} lies between the two: try a leaf of that.`
    case 'uneven':
      return `The readings differ by ${formatFigure(reason.spread, unit)} round it, a sign of a bent or cracked part.`
    case 'few':
      return `Read at ${reason.given === 1 ? 'one place' : `${reason.given} places`}: whether it is uneven, as of a bent or cracked part, shows at ${reason.sound} places round it.`
    case 'no-limit':
      return `${formatFigure(reason.figure, unit)}, with no limit to judge it by. Enter the maker’s figure for this unit.`
  }
}

/** "0.760 mm is 0.002 mm": a figure, and how far it is from a limit. */
function apartWords(figure: number, limit: number, unit: ReadingUnit, only = ''): string {
  const distance = formatDistance(Math.abs(figure - limit), unit, [figure, limit])
  return `${formatFigure(figure, unit, [limit])} is ${only}${distance}`
}

/** Why a finding is judged as it is: what the figures say, or what was seen. */
export function judgedWords(finding: Finding): string {
  if (finding.kind === 'seen') return `${capitalize(LOOK_GRADES[finding.what][finding.verdict])}.`
  const shown = shownUnit(MEASURE_RULES[finding.what].judges, finding.measured.unit)
  return finding.judgement.reasons.map((reason) => reasonWords(reason, shown)).join(' ')
}

/** Whose word stands against the figures, and why; null where nobody's does. */
export function overruledWords({ verdict, overruled }: Finding): string | null {
  if (!overruled || !verdict) return null
  return `The figures say ${VERDICT_NAMES[verdict]}. ${overruled.by || 'Somebody'} says ${VERDICT_NAMES[overruled.verdict]}: ${overruled.reason}`
}
