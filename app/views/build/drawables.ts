/** What a part looks like by itself, in millimetres. */
import type { AssemblyPart, BoxIndex, PieceKind, PieceShape, Section } from 'core'
import { PIECE_DEFINITIONS, SLEEVE_RADIUS_MM, SLEEVE_WIDTH_MM, pieceOfRef } from 'core'

/** A stretch of a shaft, from its beginning. */
interface Bar {
  readonly fromMm: number
  readonly toMm: number
  readonly radiusMm: number
  /** Whether it is teeth. */
  readonly isGear: boolean
}

export type Drawable =
  /** Round an axis, from its bore to its outside. */
  | {
      readonly kind: 'ring'
      readonly shape: PieceShape | 'gear' | 'hub' | 'sleeve'
      readonly lengthMm: number
      readonly boreRadiusMm: number
      readonly radiusMm: number
    }
  | {
      readonly kind: 'shaft'
      readonly bars: readonly Bar[]
      readonly lengthMm: number
      readonly radiusMm: number
    }
  /** Nothing that stands along a shaft: a sign for its kind. */
  | { readonly kind: 'sign'; readonly of: PieceKind }

/** How a hub stands over what it sits on, where nobody measured it. */
const HUB_WALL_MM = 9
/** A ring beside its hub, where only the coupler tells of it. */
const RING = { lengthMm: 4, boreRadiusMm: 14, radiusMm: 18 }

/** What a part looks like. */
export function drawableOf(index: BoxIndex, section: Section, { part }: AssemblyPart): Drawable {
  const { kind, ref, id } = part
  if (kind === 'shaft') return shaftOf(section, id)
  if (kind === 'gear') {
    const drawn = section.gears.find(({ gear }) => gear.id === id)
    const beneath = section.pieces
      .filter(({ piece }) => piece.carries?.includes(id) === true)
      .map(({ outerMm }) => outerMm)
    const shaft = section.members.find(({ member }) => member.id === drawn?.gear.member)
    return {
      kind: 'ring',
      shape: 'gear',
      lengthMm: drawn?.widthMm ?? 16,
      boreRadiusMm: Math.max(shaft?.radiusMm ?? 8, ...beneath),
      radiusMm: drawn?.radiusMm ?? 30,
    }
  }
  const piece = pieceOfRef(index, ref)
  const drawn = section.pieces.find((each) => each.piece === piece)
  if (drawn)
    return {
      kind: 'ring',
      shape: drawn.shape,
      lengthMm: drawn.toMm - drawn.fromMm,
      boreRadiusMm: drawn.innerMm,
      radiusMm: drawn.outerMm,
    }
  if (kind === 'ring') return { kind: 'ring', shape: 'cone', ...RING }
  if (kind === 'hub' || kind === 'sleeve') {
    const coupler = piece?.coupler ?? id
    const at = section.couplers.find((each) => each.coupler.id === coupler)
    const base = at?.baseRadiusMm ?? 8
    return kind === 'hub'
      ? {
          kind: 'ring',
          shape: 'hub',
          lengthMm: SLEEVE_WIDTH_MM,
          boreRadiusMm: base,
          radiusMm: base + HUB_WALL_MM,
        }
      : {
          kind: 'ring',
          shape: 'sleeve',
          lengthMm: SLEEVE_WIDTH_MM,
          boreRadiusMm: base + HUB_WALL_MM,
          radiusMm: base + SLEEVE_RADIUS_MM - 4,
        }
  }
  const shape = PIECE_DEFINITIONS[kind].drawn
  return shape
    ? {
        kind: 'ring',
        shape: shape.shape,
        lengthMm: piece?.lengthMm ?? shape.lengthMm,
        boreRadiusMm: (piece?.boreMm ?? 16) / 2,
        radiusMm: (piece?.outsideMm ?? (piece?.boreMm ?? 16) + 2 * shape.wallMm) / 2,
      }
    : { kind: 'sign', of: kind }
}

function shaftOf(section: Section, id: string): Drawable {
  const drawn = section.members.find(({ member }) => member.id === id)
  if (!drawn) return { kind: 'shaft', bars: [], lengthMm: 100, radiusMm: 8 }
  const { member, stretches, radiusMm } = drawn
  const gears = section.gears
    .filter(({ gear }) => gear.member === id && gear.mount === 'integral')
    .map(({ gear, widthMm, radiusMm: high }): Bar => ({
      fromMm: gear.stationMm - widthMm / 2 - member.fromMm,
      toMm: gear.stationMm + widthMm / 2 - member.fromMm,
      radiusMm: high,
      isGear: true,
    }))
  const bars = [
    ...stretches.map(({ fromMm, toMm, diameterMm }): Bar => ({
      fromMm: fromMm - member.fromMm,
      toMm: toMm - member.fromMm,
      radiusMm: diameterMm / 2,
      isGear: false,
    })),
    ...gears,
  ]
  return {
    kind: 'shaft',
    bars,
    lengthMm: member.toMm - member.fromMm,
    radiusMm: Math.max(radiusMm, ...bars.map((bar) => bar.radiusMm)),
  }
}

/** A sign is a square. */
const SIGN = { lengthMm: 14, radiusMm: 7 }

/** How long and how high a part is drawn. */
export function extentOf(drawable: Drawable): {
  readonly lengthMm: number
  readonly radiusMm: number
} {
  return drawable.kind === 'sign' ? SIGN : drawable
}
