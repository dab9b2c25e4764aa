/**
 * What is measured on a gearbox, what the readings come to, and how they are judged.
 *
 * A reading is a figure of the tool; a kind of measurement makes one figure of all
 * readings (the least gap of a ring, the greatest clearance of a fork, the run of a
 * dial round a shaft), and the figure is held against a limit. Figures are in mm,
 * degrees or N·m. The limits shipped here are rules of thumb (common practice); the
 * maker's figure for the unit, where there is one, is what counts.
 */
import type { Rational } from '../number/rational.ts'
import { ZERO, rational } from '../number/rational.ts'
import type { Span } from '../number/reading.ts'
import type { Quantity } from '../number/units.ts'

/** What is measured on the parts of a unit. */
export const MEASURES = [
  'ring-gap',
  'dog-engagement',
  'fork-clearance',
  'spline-rock',
  'end-play',
  'backlash',
  'run-out',
  'bearing-drag',
  'preload',
  'running-clearance',
  'thickness',
  'groove-width',
  'free-length',
  'flatness',
  'stack-height',
  'pack-clearance',
  'cone-contact',
] as const
/** See `MEASURES`. */
export type Measure = (typeof MEASURES)[number]

/** How the readings become one figure. */
export type Statistic = 'least' | 'greatest' | 'mean' | 'run' | 'sum'

interface MeasureRule {
  /** What the tool reads; a rock at a radius is read as a length and judged as an angle. */
  readonly reads: Quantity
  readonly judges: Quantity
  readonly statistic: Statistic
  /** Without which there is no figure. */
  readonly leastReadings: number
  /** At so many places what is uneven shows; fewer are a reading all the same, and told as that. */
  readonly soundReadings?: number
  /** Readings beyond this cannot be, in the unit used inside. */
  readonly mostPlausible: number
  readonly mayBeNegative: boolean
  /** What is read beside it once: the radius of a rock, the journal that runs in a bore. */
  readonly beside: 'radius' | 'journal' | null
  /** A spread of the readings beyond this share of their mean, and the floor below, is uneven. */
  readonly mostSpreadShare?: Rational
  /** What a rule of thumb says, where the trade has one; common practice. */
  readonly thumb?: Bounds
}

/** The same bounds as they were entered. */
export interface ExactBounds {
  readonly least?: Rational | undefined
  readonly most?: Rational | undefined
}

/** Either end may be open. */
export interface Bounds {
  readonly least?: number | undefined
  readonly most?: number | undefined
}

/** How each measure is entered, worked out and judged. */
export const MEASURE_RULES: Readonly<Record<Measure, MeasureRule>> = {
  'ring-gap': {
    reads: 'length',
    judges: 'length',
    statistic: 'least',
    leastReadings: 1,
    soundReadings: 3,
    mostPlausible: 5,
    mayBeNegative: false,
    beside: null,
    mostSpreadShare: rational(20, 100),
    // 0.030 in; common practice.
    thumb: { least: 0.762 },
  },
  'dog-engagement': {
    reads: 'length',
    judges: 'length',
    statistic: 'least',
    leastReadings: 1,
    mostPlausible: 30,
    mayBeNegative: false,
    beside: null,
  },
  'fork-clearance': {
    reads: 'length',
    judges: 'length',
    statistic: 'greatest',
    leastReadings: 1,
    mostPlausible: 10,
    mayBeNegative: false,
    beside: null,
    // About 1 mm between fork pad and groove; common practice.
    thumb: { most: 1 },
  },
  'spline-rock': {
    reads: 'length',
    judges: 'angle',
    statistic: 'greatest',
    leastReadings: 1,
    mostPlausible: 20,
    mayBeNegative: false,
    beside: 'radius',
  },
  // Below 0 it is preload: one scale through nothing (common practice).
  'end-play': {
    reads: 'length',
    judges: 'length',
    statistic: 'mean',
    leastReadings: 1,
    mostPlausible: 10,
    mayBeNegative: true,
    beside: null,
  },
  backlash: {
    reads: 'length',
    judges: 'length',
    statistic: 'mean',
    leastReadings: 1,
    mostPlausible: 5,
    mayBeNegative: false,
    beside: null,
    mostSpreadShare: rational(50, 100),
  },
  'run-out': {
    reads: 'length',
    judges: 'length',
    statistic: 'run',
    leastReadings: 2,
    mostPlausible: 10,
    mayBeNegative: true,
    beside: null,
    // Two thousandths of an inch on the dial; common practice.
    thumb: { most: 0.0508 },
  },
  'bearing-drag': {
    reads: 'torque',
    judges: 'torque',
    statistic: 'mean',
    leastReadings: 1,
    mostPlausible: 100,
    mayBeNegative: false,
    beside: null,
  },
  // Of a pair of taper bearings set against one another: too little is as wrong as too much.
  preload: {
    reads: 'torque',
    judges: 'torque',
    statistic: 'mean',
    leastReadings: 1,
    mostPlausible: 100,
    mayBeNegative: false,
    beside: null,
  },
  'running-clearance': {
    reads: 'length',
    judges: 'length',
    statistic: 'greatest',
    leastReadings: 1,
    mostPlausible: 500,
    mayBeNegative: false,
    beside: 'journal',
  },
  thickness: {
    reads: 'length',
    judges: 'length',
    statistic: 'least',
    leastReadings: 1,
    mostPlausible: 60,
    mayBeNegative: false,
    beside: null,
  },
  'groove-width': {
    reads: 'length',
    judges: 'length',
    statistic: 'greatest',
    leastReadings: 1,
    mostPlausible: 20,
    mayBeNegative: false,
    beside: null,
  },
  'free-length': {
    reads: 'length',
    judges: 'length',
    statistic: 'least',
    leastReadings: 1,
    mostPlausible: 400,
    mayBeNegative: false,
    beside: null,
  },
  flatness: {
    reads: 'length',
    judges: 'length',
    statistic: 'greatest',
    leastReadings: 1,
    mostPlausible: 5,
    mayBeNegative: false,
    beside: null,
  },
  // Each plate is one reading; a pack is as high as its plates together.
  'stack-height': {
    reads: 'length',
    judges: 'length',
    statistic: 'sum',
    leastReadings: 1,
    mostPlausible: 200,
    mayBeNegative: false,
    beside: null,
  },
  'pack-clearance': {
    reads: 'length',
    judges: 'length',
    statistic: 'mean',
    leastReadings: 1,
    mostPlausible: 20,
    mayBeNegative: false,
    beside: null,
  },
  'cone-contact': {
    reads: 'share',
    judges: 'share',
    statistic: 'least',
    leastReadings: 1,
    mostPlausible: 100,
    mayBeNegative: false,
    beside: null,
    // Three quarters of a fitted taper should take the blue; common practice, from memory.
    thumb: { least: 75 },
  },
}

/** More readings than this are no measurement of one part. */
export const MOST_READINGS = 36

/** A spread under this is the tool's, not the part's, in the unit used inside. */
const LEAST_TELLING_SPREAD = rational(5, 100)
/** A figure this near to its limit is watched, as a share of the limit (common practice). */
const WATCH_SHARE = rational(15, 100)

/** What readings come to, in the unit used inside. */
export interface Figures {
  readonly mean: number
  readonly least: number
  readonly greatest: number
  readonly spread: number
  /** What is judged: one of the above, or the angle that a rock at a radius is. */
  readonly figure: number
  /** Where readings are spans: the ends between which the figure lies; `figure` is their middle. */
  readonly between: readonly [number, number] | null
}

/** Why readings cannot be judged. */
export type ReadingIssue =
  | { readonly code: 'too-few'; readonly needed: number; readonly given: number }
  | { readonly code: 'too-many'; readonly most: number; readonly given: number }
  | { readonly code: 'negative'; readonly at: number; readonly value: number }
  | {
      readonly code: 'implausible'
      readonly at: number
      readonly value: number
      readonly most: number
    }
  | { readonly code: 'radius-missing' }
  | { readonly code: 'journal-missing' }
  | { readonly code: 'journal-over-bore'; readonly journal: number; readonly bore: number }
  | { readonly code: 'limit-reversed'; readonly least: number; readonly most: number }
  | { readonly code: 'limit-missing' }

/** What is wrong with readings before they are kept; empty where they can be. */
export function checkReadings(
  measure: Measure,
  readings: readonly Span[],
  besideMm: Rational | null,
): readonly ReadingIssue[] {
  const rule = MEASURE_RULES[measure]
  const given = readings.length
  if (given > MOST_READINGS) return [{ code: 'too-many', most: MOST_READINGS, given }]
  const issues: ReadingIssue[] = []
  readings.forEach((span, at) => {
    const [low, high] = [span.low.toNumber(), span.high.toNumber()]
    const value = Math.abs(low) > Math.abs(high) ? low : high
    if (low < 0 && !rule.mayBeNegative) issues.push({ code: 'negative', at, value: low })
    if (Math.abs(value) > rule.mostPlausible)
      issues.push({ code: 'implausible', at, value, most: rule.mostPlausible })
  })
  if (given < rule.leastReadings)
    issues.push({ code: 'too-few', needed: rule.leastReadings, given })
  if (rule.beside !== null && !(besideMm !== null && besideMm.sign() > 0))
    issues.push({ code: `${rule.beside}-missing` })
  else if (rule.beside === 'journal' && besideMm !== null)
    for (const { high } of readings)
      if (besideMm.isGreaterThan(high)) {
        const [journal, bore] = [besideMm.toNumber(), high.toNumber()]
        issues.push({ code: 'journal-over-bore', journal, bore })
        break
      }
  return issues
}

/** What is wrong with a limit; empty where something can be judged by it. */
export function checkBounds({ least, most }: Bounds): readonly ReadingIssue[] {
  if (least === undefined && most === undefined) return [{ code: 'limit-missing' }]
  return least !== undefined && most !== undefined && least > most
    ? [{ code: 'limit-reversed', least, most }]
    : []
}

/** The statistics of readings, exactly. */
interface ExactFigures {
  readonly mean: Rational
  readonly least: Rational
  readonly greatest: Rational
  readonly spread: Rational
  /** What is judged, before a journal is taken off it or it is turned into an angle. */
  readonly read: Rational
}

function exactFigures(statistic: Statistic, readings: readonly Rational[]): ExactFigures {
  const [first = ZERO, ...others] = readings
  let [sum, least, greatest] = [first, first, first]
  for (const value of others) {
    sum = sum.add(value)
    if (least.isGreaterThan(value)) least = value
    if (value.isGreaterThan(greatest)) greatest = value
  }
  const mean = sum.div(rational(readings.length))
  const spread = greatest.sub(least)
  return {
    mean,
    least,
    greatest,
    spread,
    read: { least, greatest, mean, run: spread, sum }[statistic],
  }
}

/** The ends between which what is judged lies: both alike where every reading is one figure. */
function endsOf(
  measure: Measure,
  readings: readonly Span[],
): readonly [ExactFigures, ExactFigures] {
  const { statistic } = MEASURE_RULES[measure]
  const low = exactFigures(
    statistic,
    readings.map((span) => span.low),
  )
  const high = exactFigures(
    statistic,
    readings.map((span) => span.high),
  )
  if (statistic !== 'run') return [low, high]
  const apart = (one: Rational, other: Rational): Rational =>
    one.isGreaterThan(other) ? one.sub(other) : ZERO
  return [
    { ...low, read: apart(low.greatest, high.least) },
    { ...high, read: apart(high.greatest, low.least) },
  ]
}

/**
 * What readings come to, as floats to be shown. A rock of s at radius r is the angle
 * 2·asin(s/2r), seen as the chord that it is; a bore less its journal is the clearance.
 */
export function figuresOf(
  measure: Measure,
  readings: readonly Span[],
  besideMm: Rational | null,
): Figures {
  if (readings.length === 0) throw new Error('a measurement has readings')
  const [low, high] = endsOf(measure, readings)
  const middle = (of: keyof ExactFigures): number => (low[of].toNumber() + high[of].toNumber()) / 2
  const ends = [low, high].map(({ read }) => judgedFigure(measure, read, besideMm))
  const [least = 0, most = 0] = ends
  return {
    mean: middle('mean'),
    least: middle('least'),
    greatest: middle('greatest'),
    spread: middle('spread'),
    figure: (least + most) / 2,
    between: least === most ? null : [least, most],
  }
}

/** What is judged of lengths: the reading, or the bore less its journal. */
function exactJudged(measure: Measure, read: Rational, besideMm: Rational | null): Rational {
  return MEASURE_RULES[measure].beside === 'journal' && besideMm ? read.sub(besideMm) : read
}

function judgedFigure(measure: Measure, read: Rational, besideMm: Rational | null): number {
  const { beside } = MEASURE_RULES[measure]
  if (beside === null || besideMm === null || besideMm.sign() <= 0) return read.toNumber()
  if (beside === 'journal') return exactJudged(measure, read, besideMm).toNumber()
  const share = read.toNumber() / (2 * besideMm.toNumber())
  return (2 * Math.asin(Math.min(1, share)) * 180) / Math.PI
}

/** What can become of a part, the mildest first. */
export const VERDICTS = ['good', 'watch', 'replace'] as const
/** See `VERDICTS`. */
export type Verdict = (typeof VERDICTS)[number]

/** One reason for a verdict, with its figures. */
export type Reason =
  | { readonly code: 'within'; readonly figure: number; readonly bounds: Bounds }
  | { readonly code: 'below-least'; readonly figure: number; readonly least: number }
  | { readonly code: 'above-most'; readonly figure: number; readonly most: number }
  | { readonly code: 'near-least'; readonly figure: number; readonly least: number }
  | { readonly code: 'near-most'; readonly figure: number; readonly most: number }
  /** Judged at one end of a span it is good, at the other it is not. */
  | {
      readonly code: 'straddles'
      readonly between: readonly [number, number]
      readonly bounds: Bounds
    }
  | { readonly code: 'uneven'; readonly spread: number; readonly mean: number }
  /** Read at fewer places than show whether it is uneven. */
  | { readonly code: 'few'; readonly given: number; readonly sound: number }
  | { readonly code: 'no-limit'; readonly figure: number }

/** What readings come to, and what that says of the part. */
export interface Judgement {
  readonly figures: Figures
  /** Null where there is no limit to judge by. */
  readonly verdict: Verdict | null
  readonly reasons: readonly Reason[]
}

/** An angle is no exact figure: nearer to a limit than this, in degrees, it lies on it. */
const ON_LIMIT_DEG = 1e-9

/** The verdict on one figure, which is told from a limit by `compare`: below, on or above it. */
function judgeFigure(
  figure: number,
  compare: (limit: Rational) => number,
  { least, most }: ExactBounds,
): { readonly verdict: Verdict; readonly reason: Reason } {
  const [leastNumber, mostNumber] = [least?.toNumber(), most?.toNumber()]
  if (least && leastNumber !== undefined && compare(least) < 0)
    return { verdict: 'replace', reason: { code: 'below-least', figure, least: leastNumber } }
  if (most && mostNumber !== undefined && compare(most) > 0)
    return { verdict: 'replace', reason: { code: 'above-most', figure, most: mostNumber } }
  // Between two ends everything is as it should be; towards one end it wears.
  if (!most && least && leastNumber !== undefined) {
    const watched = least.add(least.abs().mul(WATCH_SHARE))
    if (compare(watched) < 0)
      return { verdict: 'watch', reason: { code: 'near-least', figure, least: leastNumber } }
  }
  if (!least && most && mostNumber !== undefined) {
    const watched = most.sub(most.abs().mul(WATCH_SHARE))
    if (compare(watched) > 0)
      return { verdict: 'watch', reason: { code: 'near-most', figure, most: mostNumber } }
  }
  const bounds = { least: leastNumber, most: mostNumber }
  return { verdict: 'good', reason: { code: 'within', figure, bounds } }
}

type EndJudgement = ReturnType<typeof judgeFigure>

/** Of the two ends of a figure, the reason of the worse; of equal ones, of that nearer to the limit. */
function nearerReason(low: EndJudgement, high: EndJudgement): Reason {
  if (low.verdict !== high.verdict)
    return SEVERITY[low.verdict] > SEVERITY[high.verdict] ? low.reason : high.reason
  const { code } = high.reason
  return code === 'below-least' || code === 'near-most' ? high.reason : low.reason
}

/**
 * The verdict on readings by a limit, and why: exactly, as both were entered. Uneven
 * readings are watched at the least. Where readings are spans and the two ends are judged
 * apart, the part is watched if one end is to be replaced, and else by the worse.
 */
export function judge(
  measure: Measure,
  readings: readonly Span[],
  besideMm: Rational | null,
  bounds: ExactBounds | null,
): Judgement {
  const figures = figuresOf(measure, readings, besideMm)
  const { beside, mostSpreadShare, soundReadings = 0 } = MEASURE_RULES[measure]
  const ends = endsOf(measure, readings)
  const reasons: Reason[] = []
  let verdict: Verdict | null = null
  if (bounds) {
    const [low, high] = ends.map(({ read }) => {
      const figure = judgedFigure(measure, read, besideMm)
      const compare = (limit: Rational): number => {
        if (beside !== 'radius') return exactJudged(measure, read, besideMm).sub(limit).sign()
        const apart = figure - limit.toNumber()
        return Math.abs(apart) < ON_LIMIT_DEG ? 0 : apart
      }
      return judgeFigure(figure, compare, bounds)
    })
    if (!low || !high) throw new Error('a figure has two ends')
    const isSplit = (low.verdict === 'replace') !== (high.verdict === 'replace')
    if (isSplit && figures.between) {
      verdict = 'watch'
      const { least, most } = bounds
      reasons.push({
        code: 'straddles',
        between: figures.between,
        bounds: { least: least?.toNumber(), most: most?.toNumber() },
      })
    } else {
      verdict = SEVERITY[low.verdict] > SEVERITY[high.verdict] ? low.verdict : high.verdict
      reasons.push(nearerReason(low, high))
    }
  } else reasons.push({ code: 'no-limit', figure: figures.figure })
  const [low, high] = ends
  const isUneven =
    mostSpreadShare !== undefined &&
    ends.every(
      ({ spread }) =>
        spread.isGreaterThan(LEAST_TELLING_SPREAD) &&
        spread.isGreaterThan(low.mean.add(high.mean).div(rational(2)).mul(mostSpreadShare)),
    )
  if (isUneven) {
    if (verdict !== 'replace') verdict = 'watch'
    reasons.push({ code: 'uneven', spread: figures.spread, mean: figures.mean })
  }
  if (readings.length < soundReadings)
    reasons.push({ code: 'few', given: readings.length, sound: soundReadings })
  return { figures, verdict, reasons }
}

/** How bad a verdict is. */
export const SEVERITY: Readonly<Record<Verdict, number>> = { good: 0, watch: 1, replace: 2 }

/** Friction cones of a synchronizer that act together, one inside the other. */
export const CONE_COUNTS = [1, 2, 3] as const
/** How many cones a synchronizer ring has. */
export type ConeCount = (typeof CONE_COUNTS)[number]

/**
 * How much each cone of a ring pack has worn in radius when the gap is down from that of
 * new rings: a wear of δ moves a ring δ/tan α along the axis, with α half the angle of
 * the cone (geometry), and n cones that wear alike move the pack n times as far:
 * δ = (new − measured)·tan α / n.
 */
export function coneWearMm(
  newGapMm: number,
  gapMm: number,
  halfConeAngleDeg: number,
  coneCount: ConeCount = 1,
): number {
  return ((newGapMm - gapMm) * Math.tan((halfConeAngleDeg * Math.PI) / 180)) / coneCount
}
