/** One visit of a unit to the bench. */
export type {
  Entry,
  EntryBody,
  Finding,
  Measured,
  MeasuredStack,
  FittedShims,
  Intake,
  Job,
  LimitsBeside,
  LineState,
  PartLine,
  Stage,
  Taken,
} from './job.ts'
export {
  ENTRY_KINDS,
  LINE_STATES,
  STAGES,
  latestFindings,
  limitsToKeep,
  measuredOn,
  readJob,
  standingVerdict,
  worstByPart,
} from './job.ts'
export type { KnownLimits, ShopRule } from './limits.ts'
export { limitFor } from './limits.ts'
export { alikeParts } from './alike.ts'
export type { Companion } from './companions.ts'
export { companionsOf, inspectionsOf } from './companions.ts'
export type { Need } from './orders.ts'
export { condemnedParts, needsOf, orderTarget, piecesOfKey } from './orders.ts'
export type { UnitPartKind } from './partKinds.ts'
export type { StageState, Waiting } from './stages.ts'
export { isJudged, stageAt, stagesOf, waitingOf } from './stages.ts'
export type { UnitPart } from './unitParts.ts'
export { alongShafts, pieceOfRef, refOfPiece, unitParts, wholePart } from './unitParts.ts'
