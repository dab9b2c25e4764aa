/** Figures, limits and verdicts. */
export type { Entered, EnteredLimit, LimitSource } from './entered.ts'
export {
  LIMIT_SOURCES,
  boundsOf,
  exactBoundsOf,
  exactFigureOf,
  figureOf,
  spanOf,
} from './entered.ts'
export type { Look } from './looks.ts'
export { LOOKS } from './looks.ts'
export type {
  Bounds,
  ConeCount,
  Figures,
  Judgement,
  Measure,
  ReadingIssue,
  Reason,
  Statistic,
  Verdict,
} from './measurement.ts'
export {
  CONE_COUNTS,
  MEASURES,
  MEASURE_RULES,
  MOST_READINGS,
  VERDICTS,
  checkBounds,
  checkReadings,
  coneWearMm,
  judge,
} from './measurement.ts'
export type { ShimPlan, SizedPiece } from './stacks.ts'
export {
  MOST_FITTED,
  MOST_PIECES,
  MOST_THICKNESS,
  STACK_UNITS_PER_MM,
  planShims,
  stacksRound,
} from './stacks.ts'
export type { Trend, TrendPoint } from './trend.ts'
export { trendOf } from './trend.ts'
