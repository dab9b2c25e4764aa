/** What counts follow from turns and measures. */
export type { CountLimits, CountSearch, FoundCounts, PosedSearch } from './closedBox.ts'
export { USUAL_LISTED, countSets, poseSearch, searchCounts } from './closedBox.ts'
export type { ExpectedSizes, StandardSize } from './gearIdentity.ts'
export {
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
export { countsFor, mostFinishing } from './nextCount.ts'
export type { JudgedCheck, NextCheck, Suspect, TurnCheck } from './turnCheck.ts'
export {
  findSuspects,
  judgeChecks,
  readTurns,
  suggestCheck,
  turnablePositions,
} from './turnCheck.ts'
