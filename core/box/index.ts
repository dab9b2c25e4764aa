/** What a gearbox is, whether it hangs together, and how it is changed. */
export type { Box, BoxIndex, CouplerPlaces } from './box.ts'
export { bodyOfGear, centreOf, indexBox, memberOfBody, namedPlace, placesAtRest } from './box.ts'
export {
  LEAST_PRESSURE_ANGLE_DEG,
  LEAST_ROLLING_RADIUS_MM,
  MOST_PRESSURE_ANGLE_DEG,
  MOST_ROLLING_RADIUS_MM,
  brokenInterlock,
  brokenRule,
  checkBox,
  leftWarning,
  warningKey,
} from './check.ts'
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
  addPlanetary,
  addWorm,
  duplicatePart,
} from './drafting/add.ts'
export {
  linkBetween,
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
export { LONGEST_NAME, applyEdit, inverseOf } from './edit.ts'
export type { BoxIssue } from './issues.ts'
export type {
  EndKind,
  GearPair,
  LinkChoice,
  LinkEndKey,
  LinkField,
  LinkFieldKey,
} from './links/index.ts'
export {
  LINK_KIND_NAMES,
  alikeKinds,
  definitionOfKind,
  endsOf,
  fieldsOf,
  gearsOf,
  linkAs,
  namingEnds,
  pairsOf,
} from './links/index.ts'
export type { BoxField, Change, Part, PartList } from './parts.ts'
export { BOX_FIELDS, PART_LISTS, diffDrafts, partsOf } from './parts.ts'
export type { Chosen, PatternId } from './patterns/index.ts'
export { PATTERNS, PATTERN_IDS, buildPattern, choose, chosenOption } from './patterns/index.ts'
export { LEAST_TOOTH_COUNT, MOST_TOOTH_COUNT, isToothCount } from './toothCount.ts'
export { threeShaftBox } from './patterns/threeShaft.ts'
export type {
  Axis,
  BoxDraft,
  BoxPosition,
  Coupler,
  CouplerKind,
  CouplerPosition,
  Engagement,
  FinalDrive,
  Gear,
  GearMount,
  Interlock,
  LeftWarning,
  Link,
  Member,
  MemberKind,
  LinkKind,
  PairKind,
  Path,
  Rule,
  ShaftEnd,
  Travel,
} from './types.ts'
export {
  COUPLER_KINDS,
  GEAR_MOUNTS,
  HANDS,
  INPUT_SENSES,
  MEMBER_KINDS,
  PAIR_KINDS,
  TRAVELS,
} from './types.ts'
