/**
 * What is measured on a gearbox, what the readings come to, and how they are judged.
 *
 * A reading is a figure of the tool; a kind of measurement makes one figure of all
 * readings (the least gap of a ring, the greatest clearance of a fork, the run of a
 * dial round a shaft), and the figure is held against a limit. Figures are in mm,
 * degrees or N·m. The limits shipped here are rules of thumb (common practice); the
 * maker's figure for the unit, where there is one, is what counts.
 */
import type { Quantity } from './units.ts'

export const MEASURES = [
  'ring-gap',
  'dog-engagement',
  'fork-clearance',
  'spline-rock',
  'end-play',
  'backlash',
  'run-out',
  'bearing-drag',
] as const
export type Measure = (typeof MEASURES)[number]

/** How the readings become one figure. */
export type Statistic = 'least' | 'greatest' | 'mean' | 'run'

export interface MeasureRule {
  /** What the tool reads; a rock at a radius is read as a length and judged as an angle. */
  readonly reads: Quantity
  readonly judges: Quantity
  readonly statistic: Statistic
  readonly leastReadings: number
  /** Readings beyond this cannot be, in the unit used inside. */
  readonly mostPlausible: number
  readonly mayBeNegative: boolean
  /** Whether it is read at a radius. */
  readonly hasRadius: boolean
  /** A spread of the readings beyond this share of their mean, and the floor below, is uneven. */
  readonly mostSpreadShare?: number
  /** What a rule of thumb says, where the trade has one; common practice. */
  readonly thumb?: Bounds
}

/** Either end may be open. */
export interface Bounds {
  readonly least?: number | undefined
  readonly most?: number | undefined
}

export const MEASURE_RULES: Readonly<Record<Measure, MeasureRule>> = {
  'ring-gap': {
    reads: 'length',
    judges: 'length',
    statistic: 'least',
    leastReadings: 3,
    mostPlausible: 5,
    mayBeNegative: false,
    hasRadius: false,
    mostSpreadShare: 0.2,
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
    hasRadius: false,
  },
  'fork-clearance': {
    reads: 'length',
    judges: 'length',
    statistic: 'greatest',
    leastReadings: 1,
    mostPlausible: 10,
    mayBeNegative: false,
    hasRadius: false,
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
    hasRadius: true,
  },
  'end-play': {
    reads: 'length',
    judges: 'length',
    statistic: 'mean',
    leastReadings: 1,
    mostPlausible: 10,
    mayBeNegative: false,
    hasRadius: false,
  },
  backlash: {
    reads: 'length',
    judges: 'length',
    statistic: 'mean',
    leastReadings: 1,
    mostPlausible: 5,
    mayBeNegative: false,
    hasRadius: false,
    mostSpreadShare: 0.5,
  },
  'run-out': {
    reads: 'length',
    judges: 'length',
    statistic: 'run',
    leastReadings: 2,
    mostPlausible: 10,
    mayBeNegative: true,
    hasRadius: false,
    // Two thousandths of an inch on the dial; common practice.
    thumb: { most: 0.05 },
  },
  'bearing-drag': {
    reads: 'torque',
    judges: 'torque',
    statistic: 'mean',
    leastReadings: 1,
    mostPlausible: 100,
    mayBeNegative: false,
    hasRadius: false,
  },
}

/** More readings than this are no measurement of one part. */
export const MOST_READINGS = 36

/** A spread under this is the tool's, not the part's, in the unit used inside. */
const LEAST_TELLING_SPREAD = 0.05
/** A figure this near to its limit is watched, as a share of the limit (common practice). */
const WATCH_SHARE = 0.15

export interface Figures {
  readonly mean: number
  readonly least: number
  readonly greatest: number
  readonly spread: number
  /** What is judged: one of the above, or the angle that a rock at a radius is. */
  readonly figure: number
}

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
  | { readonly code: 'limit-reversed'; readonly least: number; readonly most: number }
  | { readonly code: 'limit-missing' }

/** What is wrong with readings before they are kept; empty where they can be. */
export function checkReadings(
  measure: Measure,
  readings: readonly number[],
  radiusMm: number | null,
): readonly ReadingIssue[] {
  const rule = MEASURE_RULES[measure]
  const given = readings.length
  if (given > MOST_READINGS) return [{ code: 'too-many', most: MOST_READINGS, given }]
  const issues: ReadingIssue[] = []
  readings.forEach((value, at) => {
    if (value < 0 && !rule.mayBeNegative) issues.push({ code: 'negative', at, value })
    if (Math.abs(value) > rule.mostPlausible)
      issues.push({ code: 'implausible', at, value, most: rule.mostPlausible })
  })
  if (given < rule.leastReadings)
    issues.push({ code: 'too-few', needed: rule.leastReadings, given })
  if (rule.hasRadius && !(radiusMm !== null && radiusMm > 0))
    issues.push({ code: 'radius-missing' })
  return issues
}

/** What is wrong with a limit; empty where something can be judged by it. */
export function checkBounds({ least, most }: Bounds): readonly ReadingIssue[] {
  if (least === undefined && most === undefined) return [{ code: 'limit-missing' }]
  return least !== undefined && most !== undefined && least > most
    ? [{ code: 'limit-reversed', least, most }]
    : []
}

/**
 * What readings come to. A rock of s at radius r is the angle 2·asin(s/2r), seen as the
 * chord that it is.
 */
export function figuresOf(
  measure: Measure,
  readings: readonly number[],
  radiusMm: number | null,
): Figures {
  if (readings.length === 0) throw new Error('a measurement has readings')
  const least = Math.min(...readings)
  const greatest = Math.max(...readings)
  const mean = readings.reduce((sum, value) => sum + value, 0) / readings.length
  const spread = greatest - least
  const rule = MEASURE_RULES[measure]
  const read = { least, greatest, mean, run: spread }[rule.statistic]
  const figure =
    rule.hasRadius && radiusMm !== null && radiusMm > 0
      ? (2 * Math.asin(Math.min(1, read / (2 * radiusMm))) * 180) / Math.PI
      : read
  return { mean, least, greatest, spread, figure }
}

export const VERDICTS = ['good', 'watch', 'replace'] as const
export type Verdict = (typeof VERDICTS)[number]

export type Reason =
  | { readonly code: 'within'; readonly figure: number; readonly bounds: Bounds }
  | { readonly code: 'below-least'; readonly figure: number; readonly least: number }
  | { readonly code: 'above-most'; readonly figure: number; readonly most: number }
  | { readonly code: 'near-least'; readonly figure: number; readonly least: number }
  | { readonly code: 'near-most'; readonly figure: number; readonly most: number }
  | { readonly code: 'uneven'; readonly spread: number; readonly mean: number }
  | { readonly code: 'no-limit'; readonly figure: number }

export interface Judgement {
  readonly figures: Figures
  /** Null where there is no limit to judge by. */
  readonly verdict: Verdict | null
  readonly reasons: readonly Reason[]
}

/** The verdict on readings by a limit, and why. Uneven readings are watched at the least. */
export function judge(
  measure: Measure,
  readings: readonly number[],
  radiusMm: number | null,
  bounds: Bounds | null,
): Judgement {
  const figures = figuresOf(measure, readings, radiusMm)
  const { figure, spread, mean } = figures
  const { mostSpreadShare } = MEASURE_RULES[measure]
  const reasons: Reason[] = []
  let verdict: Verdict | null = null
  if (bounds) {
    const { least, most } = bounds
    verdict = 'good'
    if (least !== undefined && figure < least) {
      verdict = 'replace'
      reasons.push({ code: 'below-least', figure, least })
    } else if (most !== undefined && figure > most) {
      verdict = 'replace'
      reasons.push({ code: 'above-most', figure, most })
    } else if (most === undefined && least !== undefined && figure < least * (1 + WATCH_SHARE)) {
      // Between two ends everything is as it should be; towards one end it wears.
      verdict = 'watch'
      reasons.push({ code: 'near-least', figure, least })
    } else if (least === undefined && most !== undefined && figure > most * (1 - WATCH_SHARE)) {
      verdict = 'watch'
      reasons.push({ code: 'near-most', figure, most })
    } else reasons.push({ code: 'within', figure, bounds })
  } else reasons.push({ code: 'no-limit', figure })
  const isUneven =
    mostSpreadShare !== undefined &&
    spread > LEAST_TELLING_SPREAD &&
    spread > mean * mostSpreadShare
  if (isUneven) {
    if (verdict !== 'replace') verdict = 'watch'
    reasons.push({ code: 'uneven', spread, mean })
  }
  return { figures, verdict, reasons }
}

/** Friction cones of a synchronizer that act together, one inside the other. */
export const CONE_COUNTS = [1, 2, 3] as const
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
