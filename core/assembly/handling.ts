/**
 * How a part is put in or taken off: what holds it, with which tool, and where it can hurt
 * somebody (common practice throughout).
 */
import type { BoxIndex } from '../box/box.ts'
import type { BuildCaution, BuildTool, PieceKindDefinition, ShownBy } from '../box/pieces/index.ts'
import { PIECE_DEFINITIONS, fitOf, isNewEachTime } from '../box/pieces/index.ts'
import type { Fit, Piece } from '../box/types.ts'
import { pieceOfRef } from '../job/unitParts.ts'

import type { AssemblyPart } from './assembly.ts'

/** How a part is taken off or put in, and what to mind. */
export interface Handling {
  readonly fit: Fit | 'lifted'
  readonly cautions: readonly BuildCaution[]
  readonly tools: readonly BuildTool[]
  readonly isNewEachTime: boolean
  /** What would show that it was left out, swapped or the wrong way round. */
  readonly shownBy: ShownBy
}

type Kind = Pick<PieceKindDefinition, 'cautions' | 'tools' | 'shownBy'>

/** What holds of a fit whatever is held by it. */
const OF_FITS: Readonly<Record<Fit, Kind>> = {
  slides: {},
  pressed: { cautions: ['press'], tools: ['press', 'puller'] },
  'snap-ring': { cautions: ['snap-ring'], tools: ['ring-pliers'] },
  threaded: { tools: ['torque-wrench'] },
  // Its bolts have a step of their own.
  bolted: {},
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
    : { ...of([PIECE_DEFINITIONS[part.kind]]), fit: 'slides', isNewEachTime: false }
}

function ofPiece(piece: Piece): Handling {
  const fit = fitOf(piece)
  // A bearing is warmed where it is pressed and nowhere else.
  const kind = PIECE_DEFINITIONS[piece.kind]
  const own = fit === 'pressed' ? kind : { ...kind, cautions: without(kind, 'heat') }
  return { ...of([OF_FITS[fit], own]), fit, isNewEachTime: isNewEachTime(piece) }
}

function without({ cautions = [] }: Kind, caution: BuildCaution): readonly BuildCaution[] {
  return cautions.filter((each) => each !== caution)
}

function of(kinds: readonly Kind[]): Pick<Handling, 'cautions' | 'tools' | 'shownBy'> {
  return {
    cautions: [...new Set(kinds.flatMap((kind) => kind.cautions ?? []))],
    tools: [...new Set(kinds.flatMap((kind) => kind.tools ?? []))],
    shownBy: kinds.findLast((kind) => kind.shownBy)?.shownBy ?? 'nothing',
  }
}
