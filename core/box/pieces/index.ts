/** What is held in the hand besides shafts, gears and couplers. */
export { proposePieces, withBuild } from './build.ts'
export type { PiecePlace, PieceShape } from './kinds.ts'
export { PIECE_DEFINITIONS, PIECE_PLACES, fitOf, isNewEachTime, opens } from './kinds.ts'
export type { Stretch } from './shafts.ts'
export { HOLLOW_WALL_MM, SHAFT_RADIUS_MM, plainDiameterMm, stretchesOf } from './shafts.ts'
export type { Bearing, Seated, WayOff } from './stack.ts'
export { bearingsOf, memberOfPiece, rowOf, seatOf, wayOff, wayOffOfGear } from './stack.ts'
