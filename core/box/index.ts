/** What a gearbox is, whether it hangs together, and how it is changed. */
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
export { brokenInterlock, brokenRule, checkBox, leftWarning, warningKey } from './check.ts'
export {
  COUPLER_DEFINITIONS,
  USUAL_TRAVEL_MM,
  couplersWithRings,
  hasPedal,
  isClutch,
  sleevesOfTeeth,
} from './couplers.ts'
export type { CountingProgress } from './counting.ts'
export {
  countedGears,
  countedTogether,
  countingOrder,
  countingProgress,
  isConfirmed,
  isDisputed,
  withToothCounts,
  withTrialCounts,
} from './counting.ts'
export type { Added, PartRef } from './drafting/ids.ts'
export { freshId } from './drafting/ids.ts'
export {
  addCoupler,
  addDifferential,
  addGear,
  addIdler,
  addMember,
  addPiece,
  addPlanetary,
  addWorm,
  duplicatePart,
} from './drafting/add.ts'
export {
  moveLane,
  movePart,
  renamePlace,
  setMount,
  setTwins,
  toggleMesh,
  toggleOutput,
} from './drafting/change.ts'
export { positionsOfPlace, removePart, removePlace } from './drafting/remove.ts'
export type { Edit, EditConflict, EditRefusal } from './edit.ts'
export { applyEdit, inverseOf } from './edit.ts'
export { LARGEST, TEETH } from './fields/bounds.ts'
export type {
  Choice,
  ChoiceField,
  Field,
  FieldType,
  FieldUnit,
  Fields,
  FieldsOf,
  IdOf,
  NumberField,
  TextField,
} from './fields/field.ts'
export { CHOICES } from './fields/field.ts'
export {
  AXIS,
  BOX,
  CLUTCH,
  CLUTCH_STAGE,
  COUPLER,
  DOGS,
  DRUM,
  DRUM_PAIR,
  DRUM_POINT,
  DRUM_STOP,
  DRUM_TRACK,
  GATE,
  GEAR,
  INTERLOCK_PART,
  MARK,
  MEMBER,
  PIECE,
  POSITION,
  PRECEDENCE,
  RING,
  RULE,
  SELECTOR,
  SELECTOR_PLACE,
  STAR,
  SWINGING_FORK,
  STEP,
  namesOf,
} from './fields/things.ts'
export type { BoxIssue } from './issues.ts'
export type { GearPair, LinkEndKey } from './links/index.ts'
export {
  LINK_KIND_NAMES,
  alikeKinds,
  definitionOf,
  endsOf,
  gearsOf,
  linkAs,
  namingEnds,
  pairsOf,
} from './links/index.ts'
export type { BoxField, Change, Part, PartList } from './parts.ts'
export { BOX_FIELDS, PART_LISTS, applyChanges, diffDrafts, fieldsOfPart, partsOf } from './parts.ts'
export type { Bearing, PieceShape, Stretch, WayOff } from './pieces/index.ts'
export {
  HOLLOW_WALL_MM,
  PART_FAMILIES,
  PIECE_DEFINITIONS,
  bearingsOf,
  fitOf,
  isNewEachTime,
  kindsWhere,
  memberOfPiece,
  plainDiameterMm,
  proposePieces,
  SHAFT_RADIUS_MM,
  rowOf,
  seatOf,
  stretchesOf,
  wayOff,
  withBuild,
} from './pieces/index.ts'
export type { BuildCaution, BuildTool, OrderTarget, PartFamily, ShownBy } from './pieces/index.ts'
export type { Chosen, PatternId } from './patterns/index.ts'
export type { DrumCut } from './selectors/propose.ts'
export { usualCut, withDrum, withSelectors } from './selectors/propose.ts'
export { PATTERNS, PATTERN_IDS, buildPattern, choose, chosenOption } from './patterns/index.ts'
export { oncePer } from './oncePer.ts'
export type { PartPath, PathParts } from './partPath.ts'
export { pathTo, pathToRing, readPath } from './partPath.ts'
export { LEAST_TOOTH_COUNT, MOST_TOOTH_COUNT, isToothCount } from './toothCount.ts'
export { ordinal } from './patterns/rows.ts'
export { threeShaftBox } from './patterns/threeShaft.ts'
export type {
  Drum,
  DrumPair,
  DrumPoint,
  DogFigures,
  DrumStop,
  DrumTrack,
  GateEnd,
  GateGuard,
  GateSlot,
  InterlockPart,
  InterlockPartKind,
  Selector,
  SelectorPlace,
  RingFigures,
  Axis,
  BoxDraft,
  BoxPosition,
  Coupler,
  CouplerKind,
  CouplerPosition,
  ClosingSide,
  Engagement,
  FinalDrive,
  Fit,
  Gear,
  Hand,
  GearMount,
  Interlock,
  LeftWarning,
  Link,
  Member,
  MemberKind,
  LinkKind,
  MarkKind,
  PairKind,
  Path,
  Piece,
  PieceKind,
  PieceMark,
  Precedence,
  PressSeat,
  Rule,
  ShaftEnd,
  ShaftStep,
  SheetKind,
  SheetLine,
  SwitchRule,
  Actuator,
  Clutch,
  ClutchKind,
  ClutchStage,
  ClutchStageKind,
  Travel,
} from './types.ts'
export {
  CLOSING_SIDES,
  COUPLER_KINDS,
  FITS,
  GATE_ENDS,
  GATE_GUARDS,
  GEAR_MOUNTS,
  HANDS,
  INPUT_SENSES,
  INTERLOCK_PART_KINDS,
  MARK_KINDS,
  MEMBER_KINDS,
  PAIR_KINDS,
  PIECE_KINDS,
  PRESS_SEATS,
  SHEET_KINDS,
  SWITCH_RULES,
  ACTUATORS,
  CLUTCH_KINDS,
  CLUTCH_STAGE_KINDS,
  TRAVELS,
} from './types.ts'
