/**
 * What there is to say of each kind of piece: where it sits, how it is held, how it comes
 * off, and how it is drawn where its sizes are not known. Common practice throughout.
 */
import type { Fit, Piece, PieceKind } from '../types.ts'

/** What a piece belongs to: how it is found, and in which order it is listed. */
export const PIECE_PLACES = ['shaft', 'coupler', 'selector', 'clutch', 'case'] as const
/** See `PIECE_PLACES`. */
export type PiecePlace = (typeof PIECE_PLACES)[number]

/** What a piece looks like in a section along its shaft. */
export const PIECE_SHAPES = [
  'balls',
  'rollers',
  'tapers',
  'needles',
  'plain',
  'washer',
  'open-ring',
  'nut',
  'flange',
  'cone',
  'lip',
  'toothed-disc',
] as const
/** See `PIECE_SHAPES`. */
export type PieceShape = (typeof PIECE_SHAPES)[number]

/** See the columns. */
export interface PieceKindDefinition {
  readonly sits: PiecePlace
  /** Null where it is not drawn, or is drawn with its coupler. */
  readonly drawn: {
    readonly shape: PieceShape
    /** Its length, and its thickness from bore to outside, where they are not known. */
    readonly lengthMm: number
    readonly wallMm: number
    /** How far its bore stands out over its shaft where it is not known. */
    readonly overMm: number
  } | null
  /** How it is usually held. */
  readonly fit: Fit
  /** Snap rings, seals and gaskets go in once. */
  readonly isNewEachTime?: true
  /** Is opened to come off, and needs no end of its shaft. */
  readonly opens?: true
}

type Drawn = NonNullable<PieceKindDefinition['drawn']>

function drawn(shape: PieceShape, lengthMm: number, wallMm: number, overMm = 0): Drawn {
  return { shape, lengthMm, wallMm, overMm }
}

/** Everything about each kind of piece. */
export const PIECE_DEFINITIONS: Readonly<Record<PieceKind, PieceKindDefinition>> = {
  'ball-bearing': { sits: 'shaft', drawn: drawn('balls', 10, 14), fit: 'pressed' },
  'roller-bearing': { sits: 'shaft', drawn: drawn('rollers', 10, 12), fit: 'pressed' },
  'taper-bearing': { sits: 'shaft', drawn: drawn('tapers', 11, 13), fit: 'pressed' },
  'needle-bearing': { sits: 'shaft', drawn: drawn('needles', 12, 2.4), fit: 'slides' },
  'bearing-race': { sits: 'case', drawn: null, fit: 'pressed' },
  'pilot-bearing': { sits: 'shaft', drawn: drawn('needles', 7, 3), fit: 'pressed' },
  bush: { sits: 'shaft', drawn: drawn('plain', 12, 2.4), fit: 'pressed' },
  spacer: { sits: 'shaft', drawn: drawn('plain', 6, 3.5), fit: 'slides' },
  'thrust-washer': { sits: 'shaft', drawn: drawn('washer', 2, 6), fit: 'slides' },
  shim: { sits: 'shaft', drawn: drawn('washer', 1, 8), fit: 'slides' },
  'snap-ring': {
    sits: 'shaft',
    drawn: drawn('open-ring', 2, 4),
    fit: 'snap-ring',
    isNewEachTime: true,
    opens: true,
  },
  nut: { sits: 'shaft', drawn: drawn('nut', 7, 7), fit: 'threaded' },
  key: { sits: 'shaft', drawn: null, fit: 'slides', opens: true },
  flange: { sits: 'shaft', drawn: drawn('flange', 14, 16), fit: 'slides' },
  'speed-wheel': { sits: 'shaft', drawn: drawn('toothed-disc', 5, 7), fit: 'slides' },
  hub: { sits: 'coupler', drawn: null, fit: 'pressed' },
  sleeve: { sits: 'coupler', drawn: null, fit: 'slides' },
  ring: { sits: 'coupler', drawn: drawn('cone', 4, 4, 6), fit: 'slides' },
  'hub-key': { sits: 'coupler', drawn: null, fit: 'slides' },
  spring: { sits: 'coupler', drawn: null, fit: 'slides' },
  ball: { sits: 'coupler', drawn: null, fit: 'slides' },
  fork: { sits: 'selector', drawn: null, fit: 'slides' },
  rod: { sits: 'selector', drawn: null, fit: 'slides' },
  detent: { sits: 'selector', drawn: null, fit: 'slides' },
  'interlock-ball': { sits: 'selector', drawn: null, fit: 'slides' },
  'friction-plate': { sits: 'clutch', drawn: null, fit: 'slides' },
  'steel-plate': { sits: 'clutch', drawn: null, fit: 'slides' },
  piston: { sits: 'clutch', drawn: null, fit: 'slides' },
  'clutch-disc': { sits: 'clutch', drawn: null, fit: 'slides' },
  'release-bearing': { sits: 'clutch', drawn: null, fit: 'slides' },
  'clutch-fork': { sits: 'clutch', drawn: null, fit: 'slides' },
  case: { sits: 'case', drawn: null, fit: 'bolted' },
  'end-plate': { sits: 'case', drawn: null, fit: 'bolted' },
  'intermediate-plate': { sits: 'case', drawn: null, fit: 'bolted' },
  'bearing-carrier': { sits: 'case', drawn: null, fit: 'bolted' },
  'tail-housing': { sits: 'case', drawn: null, fit: 'bolted' },
  cover: { sits: 'case', drawn: null, fit: 'bolted' },
  'dummy-shaft': { sits: 'case', drawn: null, fit: 'slides' },
  'idler-pin': { sits: 'case', drawn: null, fit: 'slides' },
  seal: {
    sits: 'shaft',
    drawn: drawn('lip', 5, 8),
    fit: 'pressed',
    isNewEachTime: true,
  },
  gasket: { sits: 'case', drawn: null, fit: 'bolted', isNewEachTime: true },
  bolt: { sits: 'case', drawn: null, fit: 'threaded' },
  switch: { sits: 'case', drawn: null, fit: 'threaded' },
  'oil-guide': { sits: 'case', drawn: null, fit: 'slides' },
}

/** Whether a piece goes in once only: as it was said, or as is usual of its kind. */
export function isNewEachTime({ kind, isNewEachTime: said }: Piece): boolean {
  return said ?? PIECE_DEFINITIONS[kind].isNewEachTime === true
}

/** How a piece is held: as it was said, or as is usual of its kind. */
export function fitOf({ kind, fit }: Piece): Fit {
  return fit ?? PIECE_DEFINITIONS[kind].fit
}

/** Whether a piece comes off without passing along its shaft. */
export function opens({ kind, isSplit }: Piece): boolean {
  return isSplit === true || PIECE_DEFINITIONS[kind].opens === true
}
