/** Every field of everything in a box, once. A property without its field does not compile, nor a field without its property. */
import { LINK_KIND_NAMES, definitionOfKind } from '../links/index.ts'
import type {
  Axis,
  BoxDraft,
  BoxPosition,
  Clutch,
  ClutchStage,
  Coupler,
  CouplerPosition,
  DogFigures,
  Drum,
  DrumPair,
  DrumPoint,
  DrumStop,
  DrumTrack,
  FinalDrive,
  GateSlot,
  Gear,
  Interlock,
  InterlockPart,
  LeftWarning,
  Member,
  Piece,
  PieceMark,
  Precedence,
  RingFigures,
  Rule,
  Selector,
  SelectorPlace,
  ShaftStep,
  SheetLine,
  StarFigures,
  SwingingFork,
} from '../types.ts'

import { LARGEST, TEETH } from './bounds.ts'
import type { Field, Fields, FieldUnit, FieldsOf, IdOf, NumberField } from './field.ts'

const ID = { word: 'id', type: 'own-id' } as const
const NAME = { type: 'text', most: LARGEST.nameLength } as const
const LINE = { type: 'text', most: LARGEST.sheetText, isOptional: true } as const
const FLAG = { type: 'flag', isOptional: true } as const
const PLACES = { type: 'places' } as const
const REFERENCE = { type: 'reference' } as const
const CALLED = { word: 'called', ...NAME, isOptional: true } as const

const STATION = {
  type: 'number',
  unit: 'length',
  least: -LARGEST.lengthMm,
  most: LARGEST.lengthMm,
} as const
const SIZE = { ...STATION, least: 0, isAbove: true } as const
const INERTIA = {
  word: 'moment of inertia',
  type: 'number',
  unit: 'kgM2',
  least: 0,
  isAbove: true,
  most: LARGEST.inertiaKgM2,
  isOptional: true,
} as const
const TRAVEL = {
  type: 'number',
  unit: 'mm',
  least: -LARGEST.travelMm,
  most: LARGEST.travelMm,
} as const
const ANGLE = {
  word: 'angle',
  type: 'number',
  unit: 'deg',
  least: 0,
  most: 360,
  isBelow: true,
} as const

/** Ids of parts of one kind. */
function ids<O extends IdOf>(word: string, of: O, most: number, many = word) {
  return { word, type: 'list', of: { type: 'id', of }, most, many } as const
}

/** Things with fields of their own. */
function things<F>(word: string, fields: F, most: number, many = word) {
  return { word, type: 'list', of: { type: 'group', fields }, most, many } as const
}

const MAYBE = { isOptional: true } as const

/** A figure that nobody needs to know. */
function figure(word: string, least: number, most: number, unit?: FieldUnit): Figure {
  return { word, type: 'number', ...(unit && { unit }), least, most, isOptional: true }
}

type Figure = NumberField & { readonly word: string; readonly isOptional: true }

/** The names of the fields of a thing, in order, but for some. */
export function namesOf<T>(
  fields: FieldsOf<T>,
  without: readonly (keyof T)[] = [],
): readonly (keyof T & string)[] {
  return (Object.keys(fields) as (keyof T & string)[]).filter((name) => !without.includes(name))
}

/** Of a line of shafts. */
export const AXIS: FieldsOf<Axis> = { id: ID, name: CALLED }

/** Of a stretch of a shaft. */
export const STEP: FieldsOf<ShaftStep> = {
  fromMm: { word: 'from', ...STATION },
  toMm: { word: 'to', ...STATION },
  diameterMm: { word: 'diameter', ...SIZE },
}

/** Of a shaft or another member. */
export const MEMBER: FieldsOf<Member> = {
  id: ID,
  kind: { word: 'kind', type: 'choice', choice: 'member' },
  name: CALLED,
  axis: { word: 'line of shafts', type: 'id', of: 'axis' },
  fromMm: { word: 'from', ...STATION },
  toMm: { word: 'to', ...STATION },
  isHollow: { word: 'a tube', ...FLAG },
  bearingsMm: { word: 'bearings', type: 'pair', of: STATION, isOptional: true },
  steps: { ...things('steps', STEP, LARGEST.steps, 'steps of one shaft'), ...MAYBE },
  inertiaKgM2: INERTIA,
}

/** Of a gear. */
export const GEAR: FieldsOf<Gear> = {
  id: ID,
  label: { word: 'called', ...NAME },
  member: { word: 'on', type: 'id', of: 'member' },
  mount: { word: 'sits', type: 'choice', choice: 'mount' },
  toothCount: { word: 'teeth', ...TEETH, isNullable: true },
  recount: { word: 'second count', ...TEETH, isNullable: true, isOptional: true },
  twinOf: { word: 'twin of', type: 'id', of: 'gear', isOptional: true },
  stationMm: { word: 'station', ...STATION },
  faceWidthMm: { word: 'face width', ...SIZE, isOptional: true },
  moduleMm: {
    word: 'normal module',
    type: 'number',
    unit: 'mm',
    least: 0,
    isAbove: true,
    most: LARGEST.moduleMm,
    isOptional: true,
  },
  helixAngleDeg: figure('helix angle', 0, LARGEST.helixAngleDeg, 'deg'),
  hand: { word: 'hand of the helix', type: 'choice', choice: 'hand', isOptional: true },
  // Gears are made within these (common practice).
  pressureAngleDeg: figure('pressure angle', 10, 35, 'deg'),
  inertiaKgM2: INERTIA,
}

/** Of a ring with its cone; the bounds are common practice. */
export const RING: FieldsOf<RingFigures> = {
  meanDiameterMm: figure('mean diameter of the cone', 10, 500, 'mm'),
  halfAngleDeg: figure('half angle of the cone', 2, 30, 'deg'),
  friction: figure('friction of ring and cone', 0.01, 0.5),
  coneCount: figure('cones that act together', 1, 3),
  coneWidthMm: figure('width of the cone', 1, 100, 'mm'),
  sleeveDiameterMm: figure('diameter at the pointed teeth', 10, 500, 'mm'),
  tipAngleDeg: figure('angle of the pointed teeth', 30, 170, 'deg'),
  leverForceN: figure('force at the knob', 1, 1000, 'N'),
  leverRatio: figure('fork force for one at the knob', 0.1, 50),
}

/** Of dogs without a ring; the bounds are common practice. */
export const DOGS: FieldsOf<DogFigures> = {
  count: figure('dogs', 1, 120),
  freeAngleDeg: figure('angle free between them', 0.1, 350, 'deg'),
  depthMm: figure('depth, all the way in', 0.5, 60, 'mm'),
  meanDiameterMm: figure('mean diameter of the dogs', 10, 800, 'mm'),
  backTaperDeg: figure('back-taper, below 0 worn round', -30, 15, 'deg'),
  friction: figure('friction of the faces', 0.01, 0.5),
}

const COUPLER_PLACE: FieldsOf<CouplerPosition> = {
  id: { word: 'place', type: 'own-id', isName: true },
  travel: { word: 'moved', type: 'choice', choice: 'travel' },
  engages: {
    word: 'does',
    type: 'list',
    of: {
      type: 'kinds',
      kinds: {
        lock: { body: { word: 'locks', type: 'id', of: 'body' } },
        mesh: { link: { word: 'brings in', type: 'id', of: 'link' } },
        hold: { body: { word: 'holds to the case', type: 'id', of: 'body' } },
      },
    },
    most: LARGEST.engagements,
    many: 'engagements',
  },
  ring: { word: 'ring', type: 'group', fields: RING, isOptional: true },
  dogs: { word: 'dogs', type: 'group', fields: DOGS, isOptional: true },
}

/** Of a fork that swings; the bounds are common practice. */
export const SWINGING_FORK: FieldsOf<SwingingFork> = {
  rodArmMm: figure('fork swings, pivot to its rod', 2, 500, 'mm'),
  padArmMm: figure('pivot to its pads', 2, 500, 'mm'),
}

/** Of a coupler, with its places. */
export const COUPLER: FieldsOf<Coupler> = {
  id: ID,
  kind: { word: 'kind', type: 'choice', choice: 'coupler' },
  name: CALLED,
  hub: { word: 'hub', type: 'id', of: 'body' },
  stationMm: { word: 'station', ...STATION },
  positions: {
    ...things('places', COUPLER_PLACE, LARGEST.couplerPositions, 'positions of one coupler'),
    least: 1,
  },
  gears: { ...ids('gears', 'gear', LARGEST.engagements), ...MAYBE },
  swings: { word: 'swinging fork', type: 'group', fields: SWINGING_FORK, isOptional: true },
}

/** Of a listed position. */
export const POSITION: FieldsOf<BoxPosition> = {
  id: ID,
  label: { word: 'called', ...NAME },
  couplers: { word: 'couplers', ...PLACES },
  lever: { word: 'lever or drum', ...NAME, isOptional: true },
  isHidden: { word: 'hidden from keys and tables', ...FLAG },
}

const INTERLOCK: FieldsOf<Interlock> = {
  id: ID,
  couplers: ids('couplers', 'coupler', LARGEST.couplers),
}

/** Of places that are not to be used together. */
export const RULE: FieldsOf<Rule> = {
  id: ID,
  forbids: { word: 'forbids', ...PLACES },
  reason: { word: 'because', ...NAME },
}

const LEFT_WARNING: FieldsOf<LeftWarning> = {
  id: { word: 'warning', type: 'text', most: LARGEST.warningLength },
  by: { word: 'by', type: 'text', most: LARGEST.initialsLength, mayBeEmpty: true },
  at: { word: 'at', type: 'time' },
}

/** Of a mark to put together by. */
export const MARK: FieldsOf<PieceMark> = {
  kind: { word: 'kind', type: 'choice', choice: 'mark' },
  text: { word: 'says', ...NAME, isOptional: true },
  with: { word: 'goes with', type: 'id', of: 'piece', isOptional: true },
}

/** Of whatever is held in the hand besides shafts, gears and couplers. */
export const PIECE: FieldsOf<Piece> = {
  id: ID,
  kind: { word: 'kind', type: 'choice', choice: 'piece' },
  name: CALLED,
  on: { word: 'on', type: 'id', of: 'member', isOptional: true },
  carries: { ...ids('carries', 'body', LARGEST.carried, 'parts carried'), ...MAYBE },
  coupler: { word: 'belongs to', type: 'id', of: 'coupler', isOptional: true },
  place: { word: 'for', type: 'id', of: 'place', isOptional: true },
  stationMm: { word: 'station', ...STATION, isOptional: true },
  lengthMm: { word: 'length', ...SIZE, isOptional: true },
  boreMm: { word: 'bore', ...SIZE, isOptional: true },
  outsideMm: { word: 'outside', ...SIZE, isOptional: true },
  quantity: {
    word: 'how many',
    type: 'whole',
    least: 1,
    most: LARGEST.quantity,
    usual: 1,
    isOptional: true,
  },
  fit: { word: 'held', type: 'choice', choice: 'fit', isOptional: true },
  pressOn: { word: 'press on', type: 'choice', choice: 'pressSeat', isOptional: true },
  hand: { word: 'thread', type: 'choice', choice: 'hand', usual: 'right', isOptional: true },
  isSplit: { word: 'in two halves, or split', ...FLAG },
  closesFrom: { word: 'closes from', type: 'choice', choice: 'closingSide', isOptional: true },
  marks: { ...things('marks', MARK, LARGEST.marks), ...MAYBE },
  isNewEachTime: { word: 'new each time', ...FLAG },
  putInWith: { word: 'put in with', ...NAME, isOptional: true },
  partNumber: {
    word: 'part number',
    type: 'text',
    most: LARGEST.partNumberLength,
    isOptional: true,
  },
}

const SHEET_LINE: FieldsOf<SheetLine> = {
  id: ID,
  kind: { word: 'kind', type: 'choice', choice: 'sheet' },
  of: { word: 'of', ...REFERENCE, isOptional: true },
  what: { word: 'of', ...LINE },
  text: { word: 'reads', ...LINE },
  measure: { word: 'measure', type: 'choice', choice: 'measure', isOptional: true },
  least: { word: 'least', ...LINE, isFigure: true },
  most: { word: 'most', ...LINE, isFigure: true },
  unit: { word: 'unit', type: 'choice', choice: 'readingUnit', isOptional: true },
  from: { word: 'read from', ...LINE },
}

/** Of a statement on the order of assembly. */
export const PRECEDENCE: FieldsOf<Precedence> = {
  id: ID,
  first: { word: 'first', ...REFERENCE },
  then: { word: 'then', ...REFERENCE },
  reason: { word: 'because', ...LINE },
}

/** Of a place in the gate. */
export const GATE: FieldsOf<GateSlot> = {
  row: { word: 'row of the gate', type: 'whole', least: 1, most: LARGEST.gateRows },
  end: { word: 'end', type: 'choice', choice: 'gateEnd' },
  guard: { word: 'guarded', type: 'choice', choice: 'gateGuard', isOptional: true },
  isLampOn: { word: 'lamp on', ...FLAG },
}

/** Of a place of a rod. */
export const SELECTOR_PLACE: FieldsOf<SelectorPlace> = {
  id: ID,
  travelMm: { word: 'travel', ...TRAVEL, isOptional: true },
  couplers: { word: 'moves', ...PLACES },
  gate: { word: 'gate', type: 'group', fields: GATE, isOptional: true },
}

/** What moves a rod or a drum, and by which channel of a control unit. */
const ACTUATED = {
  actuator: { word: 'pushed by', type: 'choice', choice: 'actuator', isOptional: true },
  channel: {
    word: 'channel of the control unit',
    type: 'whole',
    least: 1,
    most: 64,
    isOptional: true,
  },
} as const

/** Of a rod, or of what has a switch. */
export const SELECTOR: FieldsOf<Selector> = {
  id: ID,
  name: { word: 'name', ...NAME, isOptional: true },
  places: things('places', SELECTOR_PLACE, LARGEST.selectorPlaces, 'places of one rod'),
  lever: { word: 'lever', type: 'whole', least: 1, most: LARGEST.levers, isOptional: true },
  switched: { word: 'moved', type: 'choice', choice: 'switchRule', isOptional: true },
  ...ACTUATED,
  inside: { word: 'lies in', type: 'id', of: 'selector', isOptional: true },
  passes: { ...ids('passes the forks of', 'coupler', LARGEST.couplers), ...MAYBE },
  // Of a hand lever (common practice).
  knobArmMm: figure('pivot of the lever to its knob', 10, 2_000, 'mm'),
  fingerArmMm: figure('pivot to its finger', 2, 500, 'mm'),
}

/** Of a ball, a pin or a plate. */
export const INTERLOCK_PART: FieldsOf<InterlockPart> = {
  id: ID,
  kind: { word: 'kind', type: 'choice', choice: 'interlockPart' },
  selectors: ids('rods', 'selector', LARGEST.selectors),
}

/** Of a point of a groove. */
export const DRUM_POINT: FieldsOf<DrumPoint> = {
  angleDeg: ANGLE,
  travelMm: { word: 'travel', ...TRAVEL },
}

/** Of a groove. */
export const DRUM_TRACK: FieldsOf<DrumTrack> = {
  coupler: { word: 'moves', type: 'id', of: 'coupler' },
  points: { ...things('points', DRUM_POINT, LARGEST.drumPoints, 'points of one groove'), least: 1 },
  touchesFromMm: { word: 'dogs touch from', ...TRAVEL, least: 0, isAbove: true },
  carriesFromMm: { word: 'deep enough from', ...TRAVEL },
}

/** Of a stop of the star. */
export const DRUM_STOP: FieldsOf<DrumStop> = {
  angleDeg: ANGLE,
  position: { word: 'position', type: 'id', of: 'position', isOptional: true },
  reachDeg: {
    word: 'reach',
    type: 'number',
    unit: 'deg',
    least: 0,
    isAbove: true,
    most: 180,
    isOptional: true,
  },
  tipWearMm: figure('tip after it worn down by', 0, 20, 'mm'),
}

/** Of the star wheel of a drum; the bounds are common practice. */
export const STAR: FieldsOf<StarFigures> = {
  tipDiameterMm: figure('diameter over the tips', 10, 200, 'mm'),
  bottomDiameterMm: figure('diameter in the notches', 5, 200, 'mm'),
  rollerDiameterMm: figure('diameter of the roller', 2, 60, 'mm'),
  springForceN: figure('force at the roller', 0, 1_000, 'N'),
  springRateNPerMm: figure('more for each mm', 0, 200, 'N/mm'),
  armLengthMm: figure('pivot to roller', 5, 200, 'mm'),
  pivotMm: figure('pivot to drum', 5, 300, 'mm'),
  frictionNmm: figure('friction of drum and forks', 0, 5_000, 'Nmm'),
}

/** Of a pair of wheels before a drum. */
export const DRUM_PAIR: FieldsOf<DrumPair> = {
  // A worm has a tooth for each of its starts.
  drivingToothCount: { word: 'driving teeth', ...TEETH, least: 1 },
  drivenToothCount: { word: 'driven teeth', ...TEETH },
}

/** Of a drum. */
export const DRUM: FieldsOf<Drum> = {
  id: ID,
  star: { word: 'star wheel', type: 'group', fields: STAR, isOptional: true },
  ...ACTUATED,
  train: { ...things('pairs before it', DRUM_PAIR, LARGEST.drumTrain), ...MAYBE },
  strokeDeg: figure('turned by one stroke of its pawls', 1, 180, 'deg'),
  tracks: things('grooves', DRUM_TRACK, LARGEST.couplers),
  stops: things('stops', DRUM_STOP, LARGEST.drumStops),
}

/** Of a stage of a clutch's way; the bounds are common practice. */
export const CLUTCH_STAGE: FieldsOf<ClutchStage> = {
  id: ID,
  kind: { word: 'stage', type: 'choice', choice: 'clutchStage' },
  name: CALLED,
  inMm: figure('on the side of pedal or actuator', 0.5, 1_000, 'mm'),
  outMm: figure('on the side of the plates', 0.5, 1_000, 'mm'),
}

/** Of a clutch; the bounds are common practice. */
export const CLUTCH: FieldsOf<Clutch> = {
  id: ID,
  kind: { word: 'kind of clutch', type: 'choice', choice: 'clutch' },
  coupler: { word: 'clutch of the box', type: 'id', of: 'coupler', isOptional: true },
  stages: things('stages', CLUTCH_STAGE, LARGEST.clutchStages, 'stages of one clutch'),
  inputTravelMm: figure('travel of pedal or actuator', 0.1, 1_000, 'mm'),
  inputForceN: figure('force at pedal or actuator', 0, 50_000, 'N'),
  brakeFromMm: figure('its brake presses on from', 0.1, 1_000, 'mm'),
  liftPerFaceMm: figure('lift that each face needs', 0.05, 3, 'mm'),
  wearMm: figure('wear of all facings together', 0, 30, 'mm'),
  frictionPlateCount: { ...figure('friction plates', 1, 40), type: 'whole' },
  frictionPlateMm: figure('thickness of a friction plate', 0.5, 30, 'mm'),
  steelPlateCount: { ...figure('steel plates', 1, 40), type: 'whole' },
  steelPlateMm: figure('thickness of a steel plate', 0.5, 30, 'mm'),
  applyPlateMm: figure('thickness of the apply plate', 0, 60, 'mm'),
  roomMm: figure('piston to the ring that holds the pack', 1, 500, 'mm'),
  springForceN: figure('force of its spring', 0, 100_000, 'N'),
  meanDiameterMm: figure('middle diameter of the facings', 20, 600, 'mm'),
  friction: figure('friction of the facings', 0.02, 0.8),
}

const FINAL_DRIVE: FieldsOf<FinalDrive> = {
  drivingToothCount: { word: 'driving teeth', ...TEETH },
  drivenToothCount: { word: 'driven teeth', ...TEETH },
}

/** The ends and the fields of each kind of link. */
const LINKS: Readonly<Record<string, Fields>> = Object.fromEntries(
  LINK_KIND_NAMES.map((kind) => {
    const { ends, fields } = definitionOfKind(kind)
    return [kind, { id: ID, ...ends, ...fields }]
  }),
)

/** Everything that a box says of itself. */
export const BOX = {
  name: { word: 'name', ...NAME },
  notes: {
    word: 'notes',
    type: 'text',
    most: LARGEST.notesLength,
    mayBeEmpty: true,
    isOptional: true,
  },
  axes: { ...things('axes', AXIS, LARGEST.axes), least: 1 },
  members: { ...things('members', MEMBER, LARGEST.members), least: 1 },
  gears: things('gears', GEAR, LARGEST.gears),
  links: {
    word: 'links',
    type: 'list',
    of: { type: 'kinds', kinds: LINKS },
    most: LARGEST.links,
    many: 'links',
  },
  couplers: things('couplers', COUPLER, LARGEST.couplers),
  positions: things('positions', POSITION, LARGEST.positions),
  interlocks: { ...things('interlocks', INTERLOCK, LARGEST.couplers), ...MAYBE },
  rules: { ...things('rules', RULE, LARGEST.rules), ...MAYBE },
  leftWarnings: {
    ...things('warnings left as they are', LEFT_WARNING, LARGEST.leftWarnings),
    ...MAYBE,
  },
  pieces: { ...things('parts on shafts and in the case', PIECE, LARGEST.pieces), ...MAYBE },
  sheet: { ...things('lines of a data sheet', SHEET_LINE, LARGEST.sheet), ...MAYBE },
  precedences: {
    ...things('statements of what goes in first', PRECEDENCE, LARGEST.precedences),
    ...MAYBE,
  },
  selectors: { ...things('rods', SELECTOR, LARGEST.selectors), ...MAYBE },
  interlockParts: { ...things('balls and pins', INTERLOCK_PART, LARGEST.interlockParts), ...MAYBE },
  clutches: { ...things('clutches', CLUTCH, LARGEST.clutches), ...MAYBE },
  drums: { ...things('drums', DRUM, LARGEST.drums), ...MAYBE },
  isSpare: { word: 'kept for its parts', ...FLAG, isNullable: true },
  input: { word: 'input', type: 'id', of: 'body' },
  outputs: { ...ids('outputs', 'body', LARGEST.outputs), least: 1 },
  finalDrive: {
    word: 'final drive',
    type: 'group',
    fields: FINAL_DRIVE,
    isNullable: true,
    isOptional: true,
  },
  // Wheels on the road roll on these (common practice).
  rollingRadiusMm: { ...figure('rolling radius', 50, 2_000, 'length'), isNullable: true },
  // A large diesel to a racing engine (common practice).
  mostInputRpm: { ...figure('highest input speed', 1_000, 25_000, 'rpm'), isNullable: true },
  inputSense: {
    word: 'the input turns',
    type: 'choice',
    choice: 'inputSense',
    isNullable: true,
    isOptional: true,
  },
} as const satisfies FieldsOf<Omit<BoxDraft, 'links'>> & { readonly links: Field }
