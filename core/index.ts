export type {
  Analysis,
  AnalysisOptions,
  BodyMotion,
  Drive,
  EngagedCoupler,
  NoDrive,
  OutputDrive,
  PositionAnalysis,
  PositionSurvey,
  Solver,
  Split,
  SplitPart,
  Uncounted,
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
export type { Box, BoxIndex, CouplerPlaces } from './box.ts'
export {
  bodyOfGear,
  centreOf,
  indexBox,
  memberOfBody,
  namedPlace,
  placeOf,
  placesAtRest,
} from './box.ts'
export type { BoxIssue, BoxIssueCode, CheckedBox, IdKind } from './check.ts'
export {
  LEAST_PRESSURE_ANGLE_DEG,
  LEAST_ROLLING_RADIUS_MM,
  LEAST_TOOTH_COUNT,
  MOST_PRESSURE_ANGLE_DEG,
  MOST_ROLLING_RADIUS_MM,
  MOST_TOOTH_COUNT,
  WARNING_CODES,
  brokenInterlock,
  brokenRule,
  checkBox,
  isToothCount,
} from './check.ts'
export type {
  CountLimits,
  CountRange,
  CountSearch,
  CountSet,
  FoundCounts,
  PosedSearch,
  ProductRange,
  SumRange,
} from './closedBox.ts'
export { USUAL_LISTED, countSets, poseSearch, searchCounts } from './closedBox.ts'
export type {
  Classification,
  Combination,
  CombinationState,
  CombinationTable,
  FoundPosition,
} from './combinations.ts'
export {
  COMBINATION_STATES,
  MOST_COMBINATIONS,
  classifyAll,
  classifyCombinations,
  combinationAt,
  countCombinations,
  countStates,
  findPositions,
  fullPlaces,
  isNearRepeat,
} from './combinations.ts'
export type { CountingProgress } from './counting.ts'
export { countingOrder, countingProgress, isConfirmed, isDisputed } from './counting.ts'
export type { Added, PartRef } from './drafting.ts'
export {
  addCoupler,
  addDifferential,
  addGear,
  addIdler,
  addMember,
  addPlanetary,
  duplicatePart,
  freshId,
  moveLane,
  movePart,
  positionsOfPlace,
  removePart,
  removePlace,
  renamePlace,
  setMount,
  toggleMesh,
  toggleOutput,
} from './drafting.ts'
export type { Edit, EditConflict, EditRefusal, EditResult } from './edit.ts'
export { applyEdit, inverseOf } from './edit.ts'
export type { BearingLoad, Forces, ShaftForces, ToothDatum, ToothForces } from './forces.ts'
export { TOOTH_DATA, solveForces } from './forces.ts'
export type {
  ExpectedSizes,
  MateData,
  MateProblem,
  SeriesName,
  StandardSize,
} from './gearIdentity.ts'
export {
  DIAMETRAL_PITCHES,
  MATE_PROBLEMS,
  MODULE_SERIES_MM,
  centreDistanceMm,
  countsOfArc,
  expectedSizes,
  mateProblems,
  moduleOfOutsideMm,
  moduleOfSpanMm,
  moduleOfTwoSpansMm,
  nearestSizes,
  usualSpan,
} from './gearIdentity.ts'
export type {
  EnteredLimit,
  Entered,
  Entry,
  EntryBody,
  Finding,
  FittedShims,
  Intake,
  Job,
  LimitSource,
  LineState,
  Look,
  PartLine,
  Stage,
} from './job.ts'
export {
  EMPTY_INTAKE,
  LIMIT_SOURCES,
  LINE_STATES,
  LOOKS,
  STAGES,
  boundsOf,
  exactBoundsOf,
  exactFigureOf,
  figureOf,
  latestFindings,
  readJob,
  spanOf,
  standingVerdict,
  verdictsByPart,
} from './job.ts'
export type { Law, LawKind, Term } from './laws.ts'
export { engagedLaws, standingLaws } from './laws.ts'
export type { ShopRule } from './limits.ts'
export { limitFor } from './limits.ts'
export type { Demand, LockCause } from './lock.ts'
export { explainLock } from './lock.ts'
export type { Efficiencies, LossResult, Losses } from './losses.ts'
export { USUAL_EFFICIENCIES, solveLosses } from './losses.ts'
export type {
  Bounds,
  ConeCount,
  ExactBounds,
  Figures,
  Judgement,
  Measure,
  MeasureRule,
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
export type { BoxField, Change, ChangesResult, Part, PartList } from './parts.ts'
export {
  BOX_FIELDS,
  PART_LISTS,
  applyChanges,
  diffDrafts,
  inverseChanges,
  partsOf,
} from './parts.ts'
export type { Circulation, PathEnd, PathStep, RatioFactor, Stretch } from './path.ts'
export type { Rational } from './rational.ts'
export { ONE, ZERO, formatFraction, parseFraction, rational, toNumber } from './rational.ts'
export type { Reading, ReadingProblem, Span, SpanReading } from './reading.ts'
export { parseReading, parseSpan } from './reading.ts'
export type { RatioRow } from './ratios.ts'
export { compareRatios, finalDriveRatio, holdsFinalDrive, ratioPlaces } from './ratios.ts'
export { roadSpeedKmh } from './road.ts'
export type {
  Section,
  MemberShape,
  SectionCoupler,
  SectionDifferential,
  SectionGear,
  SectionLane,
  SectionMember,
  SectionMesh,
  SectionPlanetary,
} from './section.ts'
export {
  CASE_RADIUS_MM,
  HOLLOW_WALL_MM,
  RIM_MM,
  SHAFT_RADIUS_MM,
  SLEEVE_RADIUS_MM,
  SLEEVE_TRAVEL_MM,
  SLEEVE_WIDTH_MM,
  layOutSection,
  sleeveShiftMm,
  slidShiftsMm,
} from './section.ts'
export type { Slip } from './slips.ts'
export { findSlips } from './slips.ts'
export type { Disagreement, Mend, Seen, Spin, SpinRecord, SpinSetup } from './spin.ts'
export { expectedOf, findDisagreements, findMends, readMounts, spin } from './spin.ts'
export type { GoNoGo, Piece, ShimAim, ShimChoice, ShimPlan, Stack } from './stacks.ts'
export {
  MOST_FITTED,
  MOST_PIECES,
  MOST_THICKNESS,
  STACK_UNITS_PER_MM,
  nearestStacks,
  planShims,
  stacksRound,
} from './stacks.ts'
export type { StageState, Waiting } from './stages.ts'
export type { Need, OrderRule, OrderTarget } from './orders.ts'
export { ORDER_RULES, needsOf, orderKey } from './orders.ts'
export { isJudged, neededParts, stageAt, stagesOf, waitingOf } from './stages.ts'
export type { Share } from './statics.ts'
export { ordinal } from './patterns/builder.ts'
export type { Chosen, Pattern, PatternChoice, PatternId } from './patterns/index.ts'
export { PATTERNS, PATTERN_IDS, buildPattern, choose, chosenOption } from './patterns/index.ts'
export { threeShaftBox } from './patterns/threeShaft.ts'
export type { Trend, TrendPoint } from './trend.ts'
export { trendOf } from './trend.ts'
export type { JudgedCheck, Miscount, NextCheck, Suspect, TurnCheck } from './turnCheck.ts'
export {
  findSuspects,
  judgeChecks,
  readTurns,
  suggestCheck,
  turnablePositions,
  withCounts,
} from './turnCheck.ts'
export * from './types.ts'
export type { Quantity, ReadingUnit } from './units.ts'
export {
  KM_PER_MILE,
  MM_PER_INCH,
  NM_PER_LBFT,
  QUANTITIES,
  READING_UNITS,
  UNIT_FACTORS,
  fromUnit,
  toUnit,
  unitsOf,
} from './units.ts'
export type { Companion, UnitPart, UnitPartKind } from './unitParts.ts'
export { companionsOf, unitParts } from './unitParts.ts'
