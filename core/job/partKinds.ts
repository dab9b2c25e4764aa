/** Every kind of part of a unit: the gears and shafts of its drawing, and its pieces. */
import type { PartDefinition } from '../box/pieces/index.ts'
import { PIECE_DEFINITIONS, looked } from '../box/pieces/index.ts'
import type { PieceKind } from '../box/types.ts'

/** A gear or shaft of the drawing, or a piece. */
export type UnitPartKind = 'gear' | 'shaft' | PieceKind

/** What each kind of part is judged by (common practice throughout). */
export const UNIT_PART_DEFINITIONS: Readonly<Record<UnitPartKind, PartDefinition>> = {
  ...PIECE_DEFINITIONS,
  gear: {
    ...looked(
      'gears',
      ['backlash', 'end-play', 'running-clearance', 'cone-contact'],
      ['tooth-tips', 'cone-feel'],
    ),
    isJudgedByFirst: true,
    // A free gear floats between thrust washers, and turns on needles or a bush.
    orders: { 'end-play': 'thrust-washer', 'running-clearance': 'runs-on' },
  },
  shaft: {
    ...looked(
      'shafts',
      ['end-play', 'run-out', 'bearing-drag', 'spline-rock', 'preload'],
      ['bearing-feel'],
    ),
    isJudgedByFirst: true,
    // Play and preload of a shaft are set by shims.
    orders: {
      'end-play': 'shims',
      preload: 'shims',
      'bearing-drag': 'bearings',
      'bearing-feel': 'bearings',
    },
  },
}
