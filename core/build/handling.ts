/**
 * How a part is put in or taken off: what holds it, with which tool, and where it can hurt
 * somebody (common practice throughout).
 */
import type { BoxIndex } from '../box/box.ts'
import { fitOf, isNewEachTime } from '../box/pieces/index.ts'
import type { Fit, Piece, PieceKind } from '../box/types.ts'
import { pieceOfRef } from '../job/unitParts.ts'

import type { AssemblyPart } from './assembly.ts'

/** What can hurt. */
export const BUILD_CAUTIONS = ['snap-ring', 'spring', 'press', 'heat', 'heavy', 'brittle'] as const
/** See `BUILD_CAUTIONS`. */
export type BuildCaution = (typeof BUILD_CAUTIONS)[number]

/** What is taken in the hand for it. */
export const BUILD_TOOLS = [
  'ring-pliers',
  'press',
  'puller',
  'torque-wrench',
  'seal-driver',
  'magnet',
  'hoist',
  'grease',
] as const
/** See `BUILD_TOOLS`. */
export type BuildTool = (typeof BUILD_TOOLS)[number]

/** By what a mistake with a part shows itself later, where nothing stops it at once. */
export const SHOWN_BY = [
  'end-play',
  'ring-gap',
  'turn-check',
  'position',
  'bearing-drag',
  'leak',
  'nothing',
] as const
/** See `SHOWN_BY`. */
export type ShownBy = (typeof SHOWN_BY)[number]

/** How a part is taken off or put in, and what to mind. */
export interface Handling {
  readonly fit: Fit | 'lifted'
  readonly cautions: readonly BuildCaution[]
  readonly tools: readonly BuildTool[]
  readonly isNewEachTime: boolean
  /** What would show that it was left out, swapped or the wrong way round. */
  readonly shownBy: ShownBy
}

interface Kind {
  readonly cautions?: readonly BuildCaution[]
  readonly tools?: readonly BuildTool[]
  readonly shownBy?: ShownBy
}

/** What holds of a fit whatever is held by it. */
const OF_FITS: Readonly<Record<Fit, Kind>> = {
  slides: {},
  pressed: { cautions: ['press'], tools: ['press', 'puller'] },
  'snap-ring': { cautions: ['snap-ring'], tools: ['ring-pliers'] },
  threaded: { tools: ['torque-wrench'] },
  // Its bolts have a step of their own.
  bolted: {},
}

/** What is to be added for some kinds. */
const OF_KINDS: Readonly<Partial<Record<PieceKind, Kind>>> = {
  'ball-bearing': { cautions: ['heat'], shownBy: 'bearing-drag' },
  'roller-bearing': { cautions: ['heat'], shownBy: 'bearing-drag' },
  'taper-bearing': { cautions: ['heat'], shownBy: 'bearing-drag' },
  'needle-bearing': { tools: ['grease'], shownBy: 'end-play' },
  'bearing-race': { shownBy: 'bearing-drag' },
  bush: { shownBy: 'end-play' },
  spacer: { shownBy: 'end-play' },
  'thrust-washer': { tools: ['grease'], shownBy: 'end-play' },
  shim: { shownBy: 'end-play' },
  'snap-ring': { shownBy: 'end-play' },
  hub: { cautions: ['brittle'], shownBy: 'position' },
  ring: { shownBy: 'ring-gap' },
  sleeve: { shownBy: 'position' },
  'hub-key': { cautions: ['spring'], shownBy: 'position' },
  spring: { cautions: ['spring'], shownBy: 'position' },
  ball: { cautions: ['spring'], tools: ['magnet'], shownBy: 'position' },
  detent: { cautions: ['spring'], tools: ['magnet'], shownBy: 'position' },
  'interlock-ball': { tools: ['magnet', 'grease'], shownBy: 'position' },
  fork: { shownBy: 'position' },
  rod: { shownBy: 'position' },
  seal: { tools: ['seal-driver'], shownBy: 'leak' },
  gasket: { shownBy: 'leak' },
  'bearing-carrier': { shownBy: 'end-play' },
  'end-plate': { shownBy: 'end-play' },
  'tail-housing': { cautions: ['heavy'], shownBy: 'leak' },
  case: { cautions: ['heavy'], tools: ['hoist'] },
  piston: { shownBy: 'leak' },
}

/** How a part is handled, what its piece says of it among it. */
export function handlingOf(index: BoxIndex, { part }: AssemblyPart): Handling {
  const piece = pieceOfRef(index, part.ref)
  if (part.kind === 'shaft')
    return {
      fit: 'lifted',
      cautions: ['heavy'],
      tools: ['hoist'],
      isNewEachTime: false,
      shownBy: 'end-play',
    }
  if (part.kind === 'gear') {
    const isPressed = index.gears.get(part.id)?.mount === 'fixed'
    return {
      fit: isPressed ? 'pressed' : 'slides',
      cautions: isPressed ? ['press', 'brittle'] : [],
      tools: isPressed ? ['press', 'puller'] : [],
      isNewEachTime: false,
      shownBy: 'turn-check',
    }
  }
  return piece
    ? ofPiece(piece)
    : { ...of([OF_KINDS[part.kind]]), fit: 'slides', isNewEachTime: false }
}

function ofPiece(piece: Piece): Handling {
  const fit = fitOf(piece)
  // A bearing is warmed where it is pressed and nowhere else.
  const kind = OF_KINDS[piece.kind]
  const own = fit === 'pressed' ? kind : kind && { ...kind, cautions: without(kind, 'heat') }
  return { ...of([OF_FITS[fit], own]), fit, isNewEachTime: isNewEachTime(piece) }
}

function without({ cautions = [] }: Kind, caution: BuildCaution): readonly BuildCaution[] {
  return cautions.filter((each) => each !== caution)
}

function of(
  kinds: readonly (Kind | undefined)[],
): Pick<Handling, 'cautions' | 'tools' | 'shownBy'> {
  return {
    cautions: [...new Set(kinds.flatMap((kind) => kind?.cautions ?? []))],
    tools: [...new Set(kinds.flatMap((kind) => kind?.tools ?? []))],
    shownBy: kinds.findLast((kind) => kind?.shownBy)?.shownBy ?? 'nothing',
  }
}
