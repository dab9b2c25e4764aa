export type {
  Analysis,
  BodyMotion,
  Drive,
  EngagedCoupler,
  NoDrive,
  PositionAnalysis,
  Solver,
  Uncounted,
} from './analysis.ts'
export { analyse, analyseBox, prepareSolver } from './analysis.ts'
export type { Box, BoxIndex, CouplerPlaces } from './box.ts'
export { bodyOfGear, centreOf, indexBox, memberOfBody, placeOf } from './box.ts'
export type { BoxIssue, BoxIssueCode, CheckedBox, IdKind } from './check.ts'
export {
  LEAST_TOOTH_COUNT,
  MOST_TOOTH_COUNT,
  WARNING_CODES,
  checkBox,
  isToothCount,
} from './check.ts'
export type { CountingProgress } from './counting.ts'
export { countingOrder, countingProgress, isConfirmed, isDisputed } from './counting.ts'
export type { Edit, EditConflict, EditRefusal, EditResult } from './edit.ts'
export { applyEdit, inverseOf } from './edit.ts'
export type { Law, LawKind, Term } from './laws.ts'
export { engagedLaws, standingLaws } from './laws.ts'
export type { PathEnd, PathStep, RatioFactor, Stretch } from './path.ts'
export type { Rational } from './rational.ts'
export { ONE, ZERO, formatFraction, rational, toNumber } from './rational.ts'
export type { RatioRow } from './ratios.ts'
export { compareRatios, finalDriveRatio } from './ratios.ts'
export type {
  Section,
  SectionCoupler,
  SectionGear,
  SectionLane,
  SectionMember,
  SectionMesh,
} from './section.ts'
export {
  SHAFT_RADIUS_MM,
  SLEEVE_RADIUS_MM,
  SLEEVE_TRAVEL_MM,
  SLEEVE_WIDTH_MM,
  layOutSection,
  sleeveShiftMm,
  slidShiftsMm,
} from './section.ts'
export type { ThreeShaftChoices } from './threeShaft.ts'
export { FORWARD_COUNTS, REVERSE_KINDS, ordinal, threeShaftBox } from './threeShaft.ts'
export * from './types.ts'
