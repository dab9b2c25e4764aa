/** Changing gear: what moves what, and what must match. */
export { directionAhead, positionsAhead } from './ahead.ts'
export type { ChangeCaution } from './cautions.ts'
export { changeCautions } from './cautions.ts'
export type { GearChange, ChangeSchool, ChangeStep } from './change.ts'
export { CHANGE_SCHOOLS, gearChange, placeKey } from './change.ts'
export type { ClutchWork, FullClutch } from './clutch.ts'
export {
  USUAL_CLUTCH,
  clutchWork,
  clutchesOf,
  withListedPlates,
  fullClutch,
  fullStage,
  packClearanceMm,
  stageRatio,
} from './clutch.ts'
export type { DeadSensor, LostBecause, Sensed } from './control.ts'
export { deadSensors } from './control.ts'
export type { Approach, Contact } from './contact.ts'
export {
  GEAR_TEETH_FROM,
  NEW_RING_GAP_MM,
  RING_TEETH_FROM,
  contactOf,
  dogDepthMm,
  isBraking,
  ringTeethFrom,
} from './contact.ts'
export type { DogWork, NeededDogFigure } from './dogs.ts'
export { dogWork } from './dogs.ts'
export type { CouplerWay, Depth, DrumProof, DrumStretch, FalseNeutral, StarStop } from './drum.ts'
export { drumPlaces, drumWays, heldAt, placesOver, proveDrum, settlesAt, travelAt } from './drum.ts'
export type { InterlockProof, MovedRod, OpenSet, PartOut } from './interlock.ts'
export { areHeldApart, placesWith, proveInterlock } from './interlock.ts'
export type { LeverMove, SelectorFault, Slot } from './lever.ts'
export {
  FIRST_LEVER,
  leverOf,
  rodsOf,
  selectorFaults,
  slotsOf,
  standingOf,
  switchedOf,
} from './lever.ts'
export type { HangsOn, Match } from './match.ts'
export { greatestSlip } from './match.ts'
export type { Inertia } from './inertia.ts'
export { reducedInertia } from './inertia.ts'
export type { NeededFigure, RingWork } from './ring.ts'
export type { DrumStep } from './drumDrive.ts'
export { divideDrum, drumSteps, joinDrum, motorPerDrum } from './drumDrive.ts'
export type { ForkWay } from './forkWay.ts'
export { forkWay, padsPerRod, ringFigures } from './forkWay.ts'
export { USUAL_FRICTION, USUAL_RING, ringWork, withUsualFigures } from './ring.ts'
export type { Engageable } from './engageable.ts'
export { engageables } from './engageable.ts'
export type { StarFault, StarRest } from './star.ts'
export { fullStar, pullOf, starByDrum, starOf, starRests } from './star.ts'
