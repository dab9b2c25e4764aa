/** What is held in the hand besides shafts, gears and couplers. */
export { proposePieces, withBuild } from './build.ts'
export type {
  BuildCaution,
  BuildTool,
  LooseWay,
  OrderTarget,
  PartDefinition,
  PartFamily,
  PieceKindDefinition,
  PiecePlace,
  PieceShape,
  ShownBy,
} from './kinds.ts'
export {
  PART_FAMILIES,
  PIECE_DEFINITIONS,
  PIECE_PLACES,
  fitOf,
  isNewEachTime,
  kindsWhere,
  looked,
  opens,
} from './kinds.ts'
export type { Stretch } from './shafts.ts'
export { HOLLOW_WALL_MM, SHAFT_RADIUS_MM, plainDiameterMm, stretchesOf } from './shafts.ts'
export type { Bearing, Seated, WayOff } from './stack.ts'
export { bearingsOf, memberOfPiece, rowOf, seatOf, wayOff, wayOffOfGear } from './stack.ts'
