/**
 * What there is to say of each kind of piece: where it sits, how it is held and drawn, what it is
 * looked at and measured for, what that orders, how it comes off and how it is handled. Common
 * practice throughout.
 */
import type { Look } from '../../measure/looks.ts'
import type { Measure } from '../../measure/measurement.ts'
import type { Fit, Piece, PieceKind } from '../types.ts'
import { PIECE_KINDS } from '../types.ts'

/** What a piece belongs to: how it is found, and in which order it is listed. */
export const PIECE_PLACES = [
  'shaft',
  'coupler',
  'selector',
  'clutch',
  'differential',
  'case',
] as const
/** See `PIECE_PLACES`. */
export type PiecePlace = (typeof PIECE_PLACES)[number]

/** What a piece looks like in a section along its shaft. */
const PIECE_SHAPES = [
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

/** Groups in which parts are gone through at the bench, in that order. */
export const PART_FAMILIES = [
  'rings',
  'sleeves',
  'gears',
  'shafts',
  'bearings',
  'washers',
  'hubs',
  'selectors',
  'clutch',
  'case',
] as const
/** See `PART_FAMILIES`. */
export type PartFamily = (typeof PART_FAMILIES)[number]

/** What is replaced, beside the part that was looked at. */
const ORDER_TARGETS = [
  'itself',
  'bearings',
  'fork',
  'shims',
  'thrust-washer',
  'runs-on',
  'its-shaft',
] as const
/** See `ORDER_TARGETS`. */
export type OrderTarget = (typeof ORDER_TARGETS)[number]

/** What can hurt. */
const BUILD_CAUTIONS = ['snap-ring', 'spring', 'press', 'heat', 'heavy', 'brittle'] as const
/** See `BUILD_CAUTIONS`. */
export type BuildCaution = (typeof BUILD_CAUTIONS)[number]

/** What is taken in the hand for it. */
const BUILD_TOOLS = [
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
const SHOWN_BY = [
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

/** What a piece that stands in no row along a shaft waits for, see `core/assembly/looseWays.ts`. */
const LOOSE_WAYS = [
  'in-hub',
  'fork',
  'rod',
  'interlock',
  'closer',
  'race',
  'gasket',
  'oil-guide',
  'key',
  'seal',
] as const
/** See `LOOSE_WAYS`. */
export type LooseWay = (typeof LOOSE_WAYS)[number]

/** What any part of a unit is looked at and measured for. What it is measured for first tells most of it. */
export interface PartDefinition {
  readonly family: PartFamily
  readonly measures: readonly Measure[]
  readonly looks: readonly Look[]
  /** Whether only what it is measured for first judges it; else anything found of it does. */
  readonly isJudgedByFirst?: true
  /** Where what was found asks for something else than the part. */
  readonly orders?: Readonly<Partial<Record<Measure | Look, OrderTarget>>>
}

/** See the columns. */
export interface PieceKindDefinition extends PartDefinition {
  /** In plain words, for one. */
  readonly word: string
  readonly sits: PiecePlace
  /** Null where it is not drawn, or is drawn with its coupler. */
  readonly drawn: Drawn | null
  /** The path of its sign in a square of 40, where it stands along no shaft. */
  readonly sign?: string
  /** How it is usually held. */
  readonly fit: Fit
  /** Snap rings, seals and gaskets go in once. */
  readonly isNewEachTime?: true
  /** The key that it is ordered by with its like, with every rebuild. */
  readonly orderedWith?: string
  /** Is opened to come off, and needs no end of its shaft. */
  readonly opens?: true
  readonly comesOff?: LooseWay
  /** What comes off before it, of what belongs to the same coupler or turns with the same member. */
  readonly behind?: readonly PieceKind[]
  /** Is taken apart at the bench, once the shaft that it turns with is out of the case. */
  readonly isInsideOut?: true
  /** Keeps the shaft that its coupler sits on in the case. */
  readonly holdsShaft?: true
  /** Is looked at and ordered with the unit, and stays with the engine when that comes off. */
  readonly staysWithEngine?: true
  /** Closes the case round a shaft, or over it. */
  readonly closesCase?: true
  readonly hasCastingNumber?: true
  /** Is replaced where its shaft is felt to turn roughly. */
  readonly bearsShaft?: true
  /** Counts in the length of a stack: what lies under gears, beside hubs or in a groove does not. */
  readonly isInStack?: true
  readonly cautions?: readonly BuildCaution[]
  readonly tools?: readonly BuildTool[]
  readonly shownBy?: ShownBy
}

/** How a piece looks in the section where its sizes are not known. */
interface Drawn {
  readonly shape: PieceShape
  /** Its length, and its thickness from bore to outside. */
  readonly lengthMm: number
  readonly wallMm: number
  /** How far its bore stands out over its shaft. */
  readonly overMm: number
}

function drawn(shape: PieceShape, lengthMm: number, wallMm: number, overMm = 0): Drawn {
  return { shape, lengthMm, wallMm, overMm }
}

function piece(word: string, sits: PiecePlace, fit: Fit, along: Drawn | null = null) {
  return { word, sits, fit, drawn: along }
}

/** What a part is looked at and measured for. */
export function looked(
  family: PartFamily,
  measures: readonly Measure[],
  looks: readonly Look[],
): PartDefinition {
  return { family, measures, looks }
}

/** A bearing that is turned by hand. */
const ROLLING = looked('bearings', ['bearing-drag'], ['bearing-feel', 'pitting'])

const SIGNS = {
  plate:
    'M4 4h32v32h-32ZM9 9v4h4v-4ZM27 9v4h4v-4ZM9 27v4h4v-4ZM27 27v4h4v-4ZM14 20a6 6 0 1 0 12 0a6 6 0 1 0-12 0Z',
  disc: 'M20 3a17 17 0 1 0 .1 0ZM20 13a7 7 0 1 1-.1 0Z',
  ball: 'M20 10a10 10 0 1 0 .1 0Z',
  coil: 'M6 6h28v4h-28ZM6 14h28v4h-28ZM6 22h28v4h-28ZM6 30h28v4h-28Z',
  rod: 'M2 16h36v8h-36Z',
  cone: 'M6 32l5-18h18l5 18ZM16 6h8v8h-8Z',
}

/** Everything about each kind of piece. */
export const PIECE_DEFINITIONS: Readonly<Record<PieceKind, PieceKindDefinition>> = {
  'ball-bearing': {
    ...piece('ball bearing', 'shaft', 'pressed', drawn('balls', 10, 14)),
    ...ROLLING,
    cautions: ['heat'],
    shownBy: 'bearing-drag',
    bearsShaft: true,
    isInStack: true,
  },
  'roller-bearing': {
    ...piece('roller bearing', 'shaft', 'pressed', drawn('rollers', 10, 12)),
    ...ROLLING,
    cautions: ['heat'],
    shownBy: 'bearing-drag',
    bearsShaft: true,
    isInStack: true,
  },
  'taper-bearing': {
    ...piece('taper roller bearing', 'shaft', 'pressed', drawn('tapers', 11, 13)),
    ...looked('bearings', ['preload', 'bearing-drag'], ['bearing-feel', 'pitting']),
    cautions: ['heat'],
    shownBy: 'bearing-drag',
    bearsShaft: true,
    isInStack: true,
    orders: { preload: 'shims' },
  },
  'needle-bearing': {
    ...piece('needle bearing', 'shaft', 'slides', drawn('needles', 12, 2.4)),
    ...looked('bearings', [], ['pitting', 'bearing-feel']),
    tools: ['grease'],
    shownBy: 'end-play',
  },
  'bearing-race': {
    ...piece('bearing race', 'case', 'pressed'),
    ...looked('bearings', [], ['pitting']),
    shownBy: 'bearing-drag',
    comesOff: 'race',
    sign: SIGNS.disc,
  },
  'pilot-bearing': {
    ...piece('pilot bearing', 'shaft', 'pressed', drawn('needles', 7, 3)),
    ...looked('bearings', [], ['bearing-feel', 'pitting']),
    orderedWith: 'pilot-bearing',
  },
  bush: {
    ...piece('bush', 'shaft', 'pressed', drawn('plain', 12, 2.4)),
    ...looked('bearings', ['running-clearance'], ['scoring']),
    shownBy: 'end-play',
  },
  spacer: {
    ...piece('spacer', 'shaft', 'slides', drawn('plain', 6, 3.5)),
    ...looked('washers', ['thickness'], ['scoring']),
    shownBy: 'end-play',
    isInStack: true,
  },
  'thrust-washer': {
    ...piece('thrust washer', 'shaft', 'slides', drawn('washer', 2, 6)),
    ...looked('washers', ['thickness'], ['scoring']),
    tools: ['grease'],
    shownBy: 'end-play',
    isInStack: true,
  },
  shim: {
    ...piece('shim', 'shaft', 'slides', drawn('washer', 1, 8)),
    ...looked('washers', ['thickness'], ['scoring']),
    shownBy: 'end-play',
    isInStack: true,
  },
  'snap-ring': {
    ...piece('snap ring', 'shaft', 'snap-ring', drawn('open-ring', 2, 4)),
    ...looked('washers', ['groove-width', 'thickness'], []),
    shownBy: 'end-play',
    isNewEachTime: true,
    opens: true,
    orders: { 'groove-width': 'its-shaft' },
    orderedWith: 'snap-rings',
  },
  nut: {
    ...piece('nut', 'shaft', 'threaded', drawn('nut', 7, 7)),
    ...looked('washers', [], ['thread']),
  },
  key: {
    ...piece('key', 'shaft', 'slides'),
    ...looked('washers', ['thickness'], ['step-wear', 'missing']),
    opens: true,
    comesOff: 'key',
    sign: 'M4 16h32a16 14 0 0 1-32 0Z',
  },
  flange: {
    ...piece('output flange', 'shaft', 'slides', drawn('flange', 14, 16)),
    ...looked('shafts', ['spline-rock', 'run-out'], ['scoring']),
  },
  'speed-wheel': {
    ...piece('speed wheel', 'shaft', 'slides', drawn('toothed-disc', 5, 7)),
    ...looked('shafts', [], ['tooth-tips', 'crack']),
  },
  hub: {
    ...piece('hub', 'coupler', 'pressed'),
    ...looked('hubs', ['spline-rock'], ['step-wear', 'crack']),
    cautions: ['brittle'],
    shownBy: 'position',
    isInStack: true,
  },
  sleeve: {
    ...piece('sleeve', 'coupler', 'slides'),
    ...looked('sleeves', ['fork-clearance', 'dog-engagement', 'spline-rock'], ['dog-corners']),
    shownBy: 'position',
    isJudgedByFirst: true,
    orders: { 'fork-clearance': 'fork' },
  },
  ring: {
    ...piece('blocker ring', 'coupler', 'slides', drawn('cone', 4, 4, 6)),
    ...looked('rings', ['ring-gap'], ['crack', 'grooves', 'tooth-tips']),
    shownBy: 'ring-gap',
    isJudgedByFirst: true,
  },
  'hub-key': {
    ...piece('hub keys', 'coupler', 'slides'),
    ...looked('hubs', ['thickness'], ['step-wear', 'missing']),
    cautions: ['spring'],
    shownBy: 'position',
    comesOff: 'in-hub',
    sign: 'M6 15h10l3-4h2l3 4h10v10h-28Z',
  },
  spring: {
    ...piece('spring', 'coupler', 'slides'),
    ...looked('hubs', ['free-length'], ['crack']),
    cautions: ['spring'],
    shownBy: 'position',
    comesOff: 'in-hub',
    sign: SIGNS.coil,
  },
  ball: {
    ...piece('ball', 'coupler', 'slides'),
    ...looked('hubs', [], ['scoring', 'missing']),
    cautions: ['spring'],
    tools: ['magnet'],
    shownBy: 'position',
    comesOff: 'in-hub',
    sign: SIGNS.ball,
  },
  fork: {
    ...piece('fork', 'selector', 'slides'),
    ...looked('selectors', ['thickness'], ['step-wear', 'bent', 'crack']),
    shownBy: 'position',
    comesOff: 'fork',
    holdsShaft: true,
    sign: 'M17 0h6v10h-6ZM4 38v-14a16 14 0 0 1 32 0v14h-6v-13a10 9 0 0 0-20 0v13Z',
  },
  rod: {
    ...piece('selector rod', 'selector', 'slides'),
    ...looked('selectors', [], ['bent', 'scoring']),
    shownBy: 'position',
    comesOff: 'rod',
    sign: 'M2 16h28v8h-28ZM32 16h6v8h-6Z',
  },
  detent: {
    ...piece('detent ball and spring', 'selector', 'slides'),
    ...looked('selectors', ['free-length'], ['scoring', 'missing']),
    cautions: ['spring'],
    tools: ['magnet'],
    shownBy: 'position',
    sign: 'M20 24a7 7 0 1 0 .1 0ZM10 2h20v4h-20ZM10 9h20v4h-20ZM10 16h20v4h-20Z',
  },
  'interlock-ball': {
    ...piece('interlock ball', 'selector', 'slides'),
    ...looked('selectors', [], ['scoring', 'missing']),
    tools: ['magnet', 'grease'],
    shownBy: 'position',
    comesOff: 'interlock',
    sign: SIGNS.ball,
  },
  'interlock-pin': {
    ...piece('interlock pin', 'selector', 'slides'),
    ...looked('selectors', [], ['scoring', 'missing']),
    tools: ['magnet', 'grease'],
    shownBy: 'position',
    comesOff: 'interlock',
    sign: SIGNS.rod,
  },
  'interlock-plate': {
    ...piece('interlock plate', 'selector', 'slides'),
    ...looked('selectors', [], ['scoring', 'bent', 'missing']),
    shownBy: 'position',
    comesOff: 'interlock',
    sign: SIGNS.plate,
  },
  'shift-drum': {
    ...piece('shift drum', 'selector', 'slides'),
    ...looked('selectors', [], ['step-wear', 'scoring', 'crack']),
    shownBy: 'position',
    behind: ['star-wheel', 'ratchet', 'shift-motor', 'rod', 'fork'],
    sign: 'M3 9h34v22h-34ZM8 9c6 6 0 16 6 22h4c-6-6 0-16-6-22ZM22 9c-6 6 0 16-6 22h4c6-6 0-16 6-22Z',
  },
  'star-wheel': {
    ...piece('star wheel', 'selector', 'bolted'),
    ...looked('selectors', [], ['step-wear', 'crack']),
    shownBy: 'position',
    behind: ['detent-arm', 'ratchet'],
    sign: 'M20 2l5 10l11-3l-3 11l3 11l-11-3l-5 10l-5-10l-11 3l3-11l-3-11l11 3Z',
  },
  'detent-arm': {
    ...piece('detent arm with roller and spring', 'selector', 'bolted'),
    ...looked('selectors', ['free-length'], ['scoring', 'crack']),
    cautions: ['spring'],
    shownBy: 'position',
    sign: 'M7 5a6 6 0 1 0 .1 0ZM10 14l16 12l-4 5l-16-12ZM29 24a6 6 0 1 0 .1 0Z',
  },
  ratchet: {
    ...piece('ratchet with its pawls', 'selector', 'slides'),
    ...looked('selectors', [], ['step-wear', 'crack']),
    cautions: ['spring'],
    shownBy: 'position',
    behind: ['shift-shaft'],
    sign: 'M20 6a14 14 0 1 0 .1 0ZM20 12l3 5h-6ZM12 24l5-3v6ZM28 24l-5-3v6Z',
  },
  'shift-shaft': {
    ...piece('shift shaft with its return spring', 'selector', 'slides'),
    ...looked('selectors', [], ['bent', 'scoring']),
    cautions: ['spring'],
    shownBy: 'position',
    sign: 'M2 17h26v6h-26ZM28 10h5v20h-5ZM33 26h5v4h-5Z',
  },
  'shift-motor': {
    ...piece('motor of the drum', 'selector', 'bolted'),
    ...looked('selectors', ['backlash'], ['bearing-feel']),
    shownBy: 'position',
    sign: 'M3 10h24v20h-24ZM27 17h6v6h-6ZM33 12h4v16h-4Z',
  },
  'neutral-switch': {
    ...piece('neutral switch', 'selector', 'threaded'),
    ...looked('selectors', [], ['step-wear', 'thread']),
    shownBy: 'nothing',
    sign: 'M12 4h16v14h-16ZM16 20h8v14h-8ZM18 34h4v4h-4Z',
  },
  'pack-ring': {
    ...piece('ring that holds the pack', 'clutch', 'snap-ring'),
    ...looked('clutch', ['thickness'], ['step-wear']),
    cautions: ['snap-ring'],
    tools: ['ring-pliers'],
    holdsShaft: true,
    sign: 'M20 3a17 17 0 1 0 8 2l-2 4a12 12 0 1 1-6-1Z',
  },
  'friction-plate': {
    ...piece('friction plate', 'clutch', 'slides'),
    ...looked('clutch', ['thickness', 'stack-height', 'pack-clearance'], ['burnt']),
    behind: ['pack-ring'],
    holdsShaft: true,
    sign: SIGNS.disc,
  },
  'steel-plate': {
    ...piece('steel plate', 'clutch', 'slides'),
    ...looked('clutch', ['flatness', 'thickness'], ['burnt']),
    behind: ['pack-ring'],
    holdsShaft: true,
    sign: SIGNS.disc,
  },
  'apply-plate': {
    ...piece('apply plate', 'clutch', 'slides'),
    ...looked('clutch', ['flatness', 'thickness'], ['burnt']),
    behind: ['friction-plate', 'steel-plate'],
    holdsShaft: true,
    sign: SIGNS.disc,
  },
  piston: {
    ...piece('piston', 'clutch', 'slides'),
    ...looked('clutch', [], ['scoring']),
    shownBy: 'leak',
    // A piston is put into its drum at the bench, before that is in the case.
    behind: ['apply-plate', 'friction-plate', 'steel-plate', 'spring'],
    isInsideOut: true,
    sign: 'M4 6h32v28h-8v-20h-16v20h-8Z',
  },
  'piston-seal': {
    ...piece('piston seal', 'clutch', 'slides'),
    ...looked('clutch', [], ['scoring']),
    tools: ['grease'],
    shownBy: 'leak',
    isNewEachTime: true,
    orderedWith: 'seals',
    behind: ['piston'],
    isInsideOut: true,
    sign: SIGNS.disc,
  },
  'clutch-cover': {
    ...piece('clutch cover with its pressure plate', 'clutch', 'bolted'),
    ...looked('clutch', ['flatness'], ['burnt', 'step-wear']),
    cautions: ['spring'],
    staysWithEngine: true,
    sign: SIGNS.plate,
  },
  'clutch-disc': {
    ...piece('clutch disc', 'clutch', 'slides'),
    ...looked('clutch', ['thickness', 'run-out'], ['burnt']),
    staysWithEngine: true,
    sign: SIGNS.disc,
  },
  'middle-plate': {
    ...piece('middle plate', 'clutch', 'slides'),
    ...looked('clutch', ['flatness', 'thickness'], ['burnt', 'crack']),
    staysWithEngine: true,
    sign: SIGNS.disc,
  },
  'release-bearing': {
    ...piece('release bearing', 'clutch', 'slides'),
    ...looked('clutch', [], ['bearing-feel', 'pitting']),
    behind: ['clutch-fork'],
    sign: SIGNS.disc,
  },
  'clutch-fork': {
    ...piece('clutch fork', 'clutch', 'slides'),
    ...looked('clutch', [], ['step-wear', 'bent', 'crack']),
    sign: 'M17 0h6v20h-6ZM6 38v-10a14 10 0 0 1 28 0v10h-6v-9a8 6 0 0 0-16 0v9Z',
  },
  'shaft-brake': {
    ...piece('countershaft brake', 'clutch', 'bolted'),
    ...looked('clutch', ['thickness'], ['burnt', 'scoring']),
    sign: 'M20 3a17 17 0 1 0 .1 0ZM20 8a12 12 0 1 1-.1 0ZM16 16h8v8h-8Z',
  },
  'pinion-pin': {
    ...piece('pin of the pinions', 'differential', 'slides'),
    ...looked('shafts', ['running-clearance'], ['scoring']),
    shownBy: 'nothing',
    isInsideOut: true,
    sign: SIGNS.rod,
  },
  'pinion-gear': {
    ...piece('differential pinion', 'differential', 'slides'),
    ...looked('gears', ['backlash', 'running-clearance'], ['tooth-tips', 'pitting']),
    shownBy: 'nothing',
    behind: ['pinion-pin'],
    isInsideOut: true,
    sign: SIGNS.cone,
  },
  'pinion-washer': {
    ...piece('washer of a pinion', 'differential', 'slides'),
    ...looked('washers', ['thickness'], ['scoring']),
    shownBy: 'end-play',
    behind: ['pinion-pin'],
    isInsideOut: true,
    sign: SIGNS.disc,
  },
  'side-gear': {
    ...piece('differential side gear', 'differential', 'slides'),
    ...looked('gears', ['backlash', 'end-play'], ['tooth-tips', 'pitting']),
    shownBy: 'end-play',
    behind: ['pinion-gear'],
    isInsideOut: true,
    orders: { 'end-play': 'thrust-washer' },
    sign: SIGNS.cone,
  },
  'side-washer': {
    ...piece('washer of a side gear', 'differential', 'slides'),
    ...looked('washers', ['thickness'], ['scoring']),
    shownBy: 'end-play',
    behind: ['side-gear'],
    isInsideOut: true,
    sign: SIGNS.disc,
  },
  'slip-plate': {
    ...piece('limited-slip plate', 'differential', 'slides'),
    ...looked('clutch', ['thickness', 'stack-height'], ['burnt', 'step-wear']),
    behind: ['side-gear'],
    isInsideOut: true,
    sign: SIGNS.disc,
  },
  case: {
    ...piece('case', 'case', 'bolted'),
    ...looked('case', ['flatness'], ['crack']),
    cautions: ['heavy'],
    tools: ['hoist'],
    hasCastingNumber: true,
    sign: 'M2 6h36v28h-36ZM7 11v18h26v-18Z',
  },
  'end-plate': {
    ...piece('end plate', 'case', 'bolted'),
    ...looked('case', ['flatness'], ['crack']),
    shownBy: 'end-play',
    closesCase: true,
    hasCastingNumber: true,
    comesOff: 'closer',
    sign: SIGNS.plate,
  },
  'intermediate-plate': {
    ...piece('intermediate plate', 'case', 'bolted'),
    ...looked('case', ['flatness'], ['crack']),
    closesCase: true,
    hasCastingNumber: true,
    comesOff: 'closer',
    sign: SIGNS.plate,
  },
  'bearing-carrier': {
    ...piece('bearing carrier', 'case', 'bolted'),
    ...looked('case', ['running-clearance'], ['crack']),
    shownBy: 'end-play',
    closesCase: true,
    hasCastingNumber: true,
    comesOff: 'closer',
    sign: SIGNS.plate,
  },
  'tail-housing': {
    ...piece('tail housing', 'case', 'bolted'),
    ...looked('case', ['running-clearance'], ['crack']),
    cautions: ['heavy'],
    shownBy: 'leak',
    closesCase: true,
    hasCastingNumber: true,
    comesOff: 'closer',
    sign: 'M2 8h12l22 8v10l-22 8h-12ZM8 14v12h6v-12Z',
  },
  cover: {
    ...piece('cover', 'case', 'bolted'),
    ...looked('case', ['flatness'], ['crack']),
    closesCase: true,
    comesOff: 'closer',
    sign: 'M2 14h6v-6h24v6h6v8h-36Z',
  },
  'dummy-shaft': {
    ...piece('dummy shaft', 'case', 'slides'),
    ...looked('case', [], ['scoring']),
    sign: SIGNS.rod,
  },
  'idler-pin': {
    ...piece('pin', 'case', 'slides'),
    ...looked('shafts', ['running-clearance'], ['scoring']),
    sign: SIGNS.rod,
  },
  seal: {
    ...piece('oil seal', 'shaft', 'pressed', drawn('lip', 5, 8)),
    ...looked('case', [], ['scoring']),
    tools: ['seal-driver'],
    shownBy: 'leak',
    isNewEachTime: true,
    orderedWith: 'seals',
    comesOff: 'seal',
    sign: SIGNS.disc,
  },
  gasket: {
    ...piece('gasket', 'case', 'bolted'),
    ...looked('case', [], []),
    shownBy: 'leak',
    isNewEachTime: true,
    orderedWith: 'seals',
    comesOff: 'gasket',
    sign: 'M3 3h34v34h-34ZM8 8v24h24v-24Z',
  },
  bolt: {
    ...piece('bolt', 'case', 'threaded'),
    ...looked('case', [], ['thread']),
    sign: 'M12 2h16v9h-16ZM16 13h8v25h-8Z',
  },
  switch: {
    ...piece('switch', 'case', 'threaded'),
    ...looked('case', [], ['thread']),
    sign: 'M12 4h16v14h-16ZM16 20h8v14h-8ZM18 0h4v4h-4Z',
  },
  'oil-guide': {
    ...piece('oil guide', 'case', 'slides'),
    ...looked('case', [], ['crack']),
    comesOff: 'oil-guide',
    sign: 'M2 12h4v12h28v-12h4v16h-36Z',
  },
}

/** The kinds of which something holds. */
export function kindsWhere(is: (kind: PieceKindDefinition) => boolean): ReadonlySet<PieceKind> {
  return new Set(PIECE_KINDS.filter((kind) => is(PIECE_DEFINITIONS[kind])))
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
