/** What turns, and what carries torque. */
export type {
  Analysis,
  BodyMotion,
  Drive,
  EngagedCoupler,
  NoDrive,
  PositionAnalysis,
  Solver,
  Split,
  SplitPart,
  Undetermined,
} from './analysis.ts'
export {
  analyse,
  analyseBox,
  couplersAway,
  prepareSolver,
  shareOfSplit,
  surveyBox,
} from './analysis.ts'
export type { CombinationState, CombinationTable } from './combinations.ts'
export {
  classifyAll,
  classifyCombinations,
  combinationAt,
  countCombinations,
  countStates,
  findPositions,
  fullPlaces,
  isNearRepeat,
} from './combinations.ts'
export type { Forces, ToothDatum } from './forces.ts'
export { solveForces } from './forces.ts'
export type { Law } from './laws.ts'
export { engagedLaws, standingLaws } from './laws.ts'
export type { LockCause } from './lock.ts'
export { explainLock, isLocked } from './lock.ts'
export type { Efficiencies, LossResult } from './losses.ts'
export { USUAL_EFFICIENCIES, solveLosses } from './losses.ts'
export type { Circulation, PathEnd, PathStep, RatioFactor } from './path.ts'
export type { RatioRow } from './ratios.ts'
export {
  compareRatios,
  finalDriveRatio,
  finalPinionShaft,
  holdsFinalDrive,
  ratioPlaces,
} from './ratios.ts'
export type { Preselection } from './preselection.ts'
export { clutchSlip, findPreselections } from './preselection.ts'
export { roadSpeedKmh } from './road.ts'
export type { Slip } from './slips.ts'
export { findSlips } from './slips.ts'
export type {
  Disagreement,
  Mend,
  NextLook,
  Seen,
  Spin,
  SpinDiagnosis,
  SpinRecord,
  SpinSetup,
  SpinTicks,
} from './spin.ts'
export {
  SEEN,
  diagnoseSpin,
  expectedOf,
  isSameSetup,
  onTheRoad,
  spin,
  spinRecordsOf,
} from './spin.ts'
export type { Share } from './statics.ts'
