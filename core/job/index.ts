/** One visit of a unit to the bench. */
export type {
  Entered,
  EnteredLimit,
  Entry,
  EntryBody,
  Finding,
  Measured,
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
  LIMIT_SOURCES,
  LINE_STATES,
  LOOKS,
  STAGES,
  boundsOf,
  exactBoundsOf,
  exactFigureOf,
  figureOf,
  measuredOn,
  readJob,
  spanOf,
  standingVerdict,
  verdictsByPart,
} from './job.ts'
export type { ShopRule } from './limits.ts'
export { limitFor } from './limits.ts'
export type { Need } from './orders.ts'
export { needsOf } from './orders.ts'
export type { StageState, Waiting } from './stages.ts'
export { isJudged, stageAt, stagesOf, waitingOf } from './stages.ts'
export type { Companion, UnitPart, UnitPartKind } from './unitParts.ts'
export { companionsOf, readPartReference, unitParts } from './unitParts.ts'
