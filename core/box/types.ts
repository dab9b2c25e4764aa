/**
 * What a gearbox is. This file imports nothing.
 *
 * Convention of sign and viewpoint, for the whole program: everything is seen
 * from the input end, looking along the input shaft, and the direction in
 * which the input turns is positive. A ratio is turns of the input for one turn
 * of the output; a negative ratio means that the output turns against the input.
 *
 * A *body* is whatever has one angular speed: a member, or a gear that is free
 * on its member. Members, gears, links, couplers and positions are found by id;
 * members and gears share one space of ids, because both can be bodies.
 */

/** What a member is in the trade's words; the solver never looks at it. */
export const MEMBER_KINDS = [
  'input-shaft',
  'main-shaft',
  'countershaft',
  'output-shaft',
  'idler',
  'cluster',
  'carrier',
  'ring',
  'differential-case',
  'side-shaft',
  'flange',
  'shaft',
] as const
/** See `MEMBER_KINDS`. */
export type MemberKind = (typeof MEMBER_KINDS)[number]

/**
 * How a gear sits on its member. `fixed`, `integral` (cut into it) and `sliding`
 * (splined to it) turn with the member; a `free` gear is a body of its own.
 */
export const GEAR_MOUNTS = ['fixed', 'integral', 'free', 'sliding'] as const
/** See `GEAR_MOUNTS`. */
export type GearMount = (typeof GEAR_MOUNTS)[number]

/** What moves when a lever does; the solver never looks at it. */
export const COUPLER_KINDS = [
  'synchronizer',
  'dog-ring',
  'sliding-gear',
  'sliding-idler',
  'sliding-dog-gear',
  'range',
  'splitter',
  'friction-clutch',
] as const
/** See `COUPLER_KINDS`. */
export type CouplerKind = (typeof COUPLER_KINDS)[number]

/** Which way a coupler has moved from its centre. */
export const TRAVELS = ['centre', 'towards-input', 'towards-output'] as const
/** See `TRAVELS`. */
export type Travel = (typeof TRAVELS)[number]

/** A right-hand helix winds as a usual screw does. */
export const HANDS = ['right', 'left'] as const
/** See `HANDS`. */
export type Hand = (typeof HANDS)[number]

/** Which way the input turns, seen from the input end. */
export const INPUT_SENSES = ['clockwise', 'counterclockwise'] as const
/** See `INPUT_SENSES`. */
type InputSense = (typeof INPUT_SENSES)[number]

/** A line on which members turn. The order of axes is their order in the drawing. */
export interface Axis {
  readonly id: string
  readonly name?: string | undefined
}

/** A rotating part on an axis, with the gears that turn with it. */
export interface Member {
  readonly id: string
  readonly kind: MemberKind
  readonly name?: string | undefined
  readonly axis: string
  /** Where it begins and ends along its axis, from the input end. */
  readonly fromMm: number
  readonly toMm: number
  /** A tube around another member of the same axis. */
  readonly isHollow?: boolean | undefined
  /** Where its two bearings stand; its ends where they are not known. */
  readonly bearingsMm?: readonly [number, number] | undefined
  /** Stretches with a diameter of their own; elsewhere it is as thick as it is drawn. */
  readonly steps?: readonly ShaftStep[] | undefined
  /** With all that turns with it; reckoned from the drawing where it is not said. */
  readonly inertiaKgM2?: number | undefined
}

/** A stretch of a shaft that is thicker or thinner than the rest: a seat, a collar, a shoulder. */
export interface ShaftStep {
  readonly fromMm: number
  readonly toMm: number
  readonly diameterMm: number
}

/** Teeth on a member, counted or not. */
export interface Gear {
  readonly id: string
  /** What the bench calls it, without its shaft: "3rd", "head gear". */
  readonly label: string
  readonly member: string
  readonly mount: GearMount
  /** The count in use; null until the gear has been counted. */
  readonly toothCount: number | null
  /** A second count. Where it differs from `toothCount` the gear is disputed. */
  readonly recount?: number | null | undefined
  /** The gear that it is said to be alike with, as on two countershafts: one count serves both. */
  readonly twinOf?: string | undefined
  /** The middle of the face, along the axis from the input end. */
  readonly stationMm: number
  readonly faceWidthMm?: number | undefined
  /** Normal module. */
  readonly moduleMm?: number | undefined
  readonly helixAngleDeg?: number | undefined
  /** Which way the teeth wind, of a helix that is not 0. */
  readonly hand?: Hand | undefined
  /** Normal pressure angle. */
  readonly pressureAngleDeg?: number | undefined
  /** Of a free gear; reckoned from its sizes where it is not said. */
  readonly inertiaKgM2?: number | undefined
}

/** The two ends of a shaft, as the drawing has them. */
export const SHAFT_ENDS = ['input-end', 'output-end'] as const
/** See `SHAFT_ENDS`. */
export type ShaftEnd = (typeof SHAFT_ENDS)[number]

/** Two gears, or two sprockets, on parallel axes that drive one another. */
const MESH_KINDS = ['external-mesh', 'internal-mesh', 'chain'] as const
export type MeshKind = (typeof MESH_KINDS)[number]

/** Kinds of link that two gears can be put in mesh by. */
export const PAIR_KINDS = [...MESH_KINDS, 'bevel'] as const
/** See `PAIR_KINDS`. */
export type PairKind = (typeof PAIR_KINDS)[number]

export interface Mesh {
  readonly id: string
  readonly kind: MeshKind
  readonly a: string
  /** In an internal mesh, `b` is the ring gear. */
  readonly b: string
}

/** Two cones of teeth whose axes cross at a right angle. */
interface Bevel {
  readonly id: string
  readonly kind: 'bevel'
  readonly a: string
  readonly b: string
  /** Towards which end of its own shaft each cone grows narrower. */
  readonly aNarrows: ShaftEnd
  readonly bNarrows: ShaftEnd
}

/**
 * A thread on a shaft that drives a wheel whose axis crosses at a right angle. The wheel's
 * shaft is seen from the end from which a right-hand worm turns it as it turns itself.
 */
export interface Worm {
  readonly id: string
  readonly kind: 'worm'
  /** The body that the thread is cut into. */
  readonly worm: string
  /** Gear id. */
  readonly wheel: string
  readonly starts: number
  readonly hand: Hand
  /** Between the thread and a plane across the worm's axis. */
  readonly leadAngleDeg?: number | undefined
  /** Coefficient of friction at the thread. */
  readonly friction?: number | undefined
}

/** Sun and ring with planets that each run in both. */
export interface Planetary {
  readonly id: string
  readonly kind: 'planetary'
  /** Gear ids of sun and ring; member id of the carrier. */
  readonly sun: string
  readonly ring: string
  readonly carrier: string
  readonly planetToothCount?: number | null | undefined
  readonly planetCount?: number | undefined
}

/** Planets in pairs: one of each runs in the sun, the other in the ring, and both in one another. */
export interface DoublePlanetary {
  readonly id: string
  readonly kind: 'double-planetary'
  readonly sun: string
  readonly ring: string
  readonly carrier: string
  readonly pairCount?: number | undefined
}

/** Planets of two steps that turn as one: one step runs in the sun, the other in the ring. */
export interface SteppedPlanetary {
  readonly id: string
  readonly kind: 'stepped-planetary'
  readonly sun: string
  readonly ring: string
  readonly carrier: string
  /** Gear ids of one planet's steps. */
  readonly sunPlanet: string
  readonly ringPlanet: string
  readonly planetCount?: number | undefined
}

export interface Differential {
  readonly id: string
  readonly kind: 'differential'
  readonly case: string
  readonly left: string
  readonly right: string
}

/** Two bodies joined for good, such as a flange on its shaft. */
interface Joined {
  readonly id: string
  readonly kind: 'joined'
  readonly a: string
  readonly b: string
}

/** A body that the gearbox case keeps from turning. */
export interface Held {
  readonly id: string
  readonly kind: 'held'
  readonly body: string
}

/** What ties the speeds of bodies together. What holds of each kind is told in `links/`. */
export type Link =
  | Mesh
  | Bevel
  | Worm
  | Planetary
  | DoublePlanetary
  | SteppedPlanetary
  | Differential
  | Joined
  | Held

/** The kinds of link. */
export type LinkKind = Link['kind']

/** What one position of a coupler does. */
export type Engagement =
  /** Locks the coupler's hub to a body. */
  | { readonly kind: 'lock'; readonly body: string }
  /** Brings a link into being that is absent everywhere else. */
  | { readonly kind: 'mesh'; readonly link: string }
  /** Holds a body to the case. */
  | { readonly kind: 'hold'; readonly body: string }

/** A ring with its cone, and what pushes it on; whatever nobody measured is left out. */
export interface RingFigures {
  /** Of the cone, at the middle of its face. */
  readonly meanDiameterMm?: number | undefined
  /** Between the face of the cone and the axis. */
  readonly halfAngleDeg?: number | undefined
  /** Coefficient of friction between ring and cone. */
  readonly friction?: number | undefined
  /** How many cones act together. */
  readonly coneCount?: number | undefined
  readonly coneWidthMm?: number | undefined
  /** At which the pointed teeth of the sleeve meet those of the ring. */
  readonly sleeveDiameterMm?: number | undefined
  /** Between the two faces of a pointed tooth. */
  readonly tipAngleDeg?: number | undefined
  readonly leverForceN?: number | undefined
  /** Force on the sleeve for one at the knob of the lever. */
  readonly leverRatio?: number | undefined
}

/** Dogs without a ring; whatever nobody measured is left out. */
export interface DogFigures {
  /** Round one of the two faces. */
  readonly count?: number | undefined
  /** By which the two can turn against one another once they are in. */
  readonly freeAngleDeg?: number | undefined
  /** By which they reach into one another when all the way in. */
  readonly depthMm?: number | undefined
  readonly meanDiameterMm?: number | undefined
  /** By which their faces lean so that load draws them in; below 0 it pushes them out. */
  readonly backTaperDeg?: number | undefined
  readonly friction?: number | undefined
}

/** One place of a coupler, and what it does there. */
export interface CouplerPosition {
  readonly id: string
  readonly travel: Travel
  readonly engages: readonly Engagement[]
  readonly ring?: RingFigures | undefined
  readonly dogs?: DogFigures | undefined
}

/** A fork that swings on a pivot between its rod and its pads, as an idler's often does. */
export interface SwingingFork {
  /** From its pivot to its rod, and to its pads. */
  readonly rodArmMm?: number | undefined
  readonly padArmMm?: number | undefined
}

/** What moves when a lever does: a hub, and the places that it can stand in. */
export interface Coupler {
  readonly id: string
  readonly kind: CouplerKind
  readonly name?: string | undefined
  /** The body that the coupler is splined to. */
  readonly hub: string
  readonly stationMm: number
  readonly positions: readonly CouplerPosition[]
  /** The gears that move with the coupler: sliding gears with dogs, or teeth cut on a sleeve. */
  readonly gears?: readonly string[] | undefined
  /** Of one whose fork swings; any other is fast on its rod. */
  readonly swings?: SwingingFork | undefined
}

/** Couplers of which only one may leave its centre at a time. */
export interface Interlock {
  readonly id: string
  readonly couplers: readonly string[]
}

/** When what a switch asks for really happens. */
export const SWITCH_RULES = ['at-once', 'at-neutral', 'without-torque'] as const
/** See `SWITCH_RULES`. */
export type SwitchRule = (typeof SWITCH_RULES)[number]

/** What pushes a rod or turns a drum in the end: the hand by a linkage or a cable, oil or air, a motor. */
export const ACTUATORS = ['linkage', 'cable', 'piston', 'motor'] as const
/** See `ACTUATORS`. */
export type Actuator = (typeof ACTUATORS)[number]

/** What keeps the lever out of an end of its gate. */
export const GATE_GUARDS = ['lift', 'press', 'spring', 'inhibitor'] as const
/** See `GATE_GUARDS`. */
export type GateGuard = (typeof GATE_GUARDS)[number]

/** The two ends of a row of the gate, as the driver has them. */
export const GATE_ENDS = ['forward', 'back'] as const
/** See `GATE_ENDS`. */
export type GateEnd = (typeof GATE_ENDS)[number]

/** An end of a row that the lever goes into. Rows are numbered from the driver's left. */
export interface GateSlot {
  readonly row: number
  readonly end: GateEnd
  readonly guard?: GateGuard | undefined
  /** Whether the reversing lamp is switched on there. */
  readonly isLampOn?: boolean | undefined
}

/** One place of a rod away from its middle. */
export interface SelectorPlace {
  readonly id: string
  /** How far the rod moves from its middle; towards the output end is positive. */
  readonly travelMm?: number | undefined
  /** Coupler id → the place that its fork brings it to; those not named stay at their centre. */
  readonly couplers: Readonly<Record<string, string>>
  /** Where the lever stands then; none of what a switch moves. */
  readonly gate?: GateSlot | undefined
}

/** What moves forks: a rod that the lever picks, or what has a switch or a control unit of its own. */
export interface Selector {
  readonly id: string
  readonly name?: string | undefined
  readonly places: readonly SelectorPlace[]
  /** Which lever picks it, by number; the first where it is not said. Each has a gate of its own. */
  readonly lever?: number | undefined
  /** Of what no lever moves. */
  readonly switched?: SwitchRule | undefined
  readonly actuator?: Actuator | undefined
  /** By which a control unit moves it. */
  readonly channel?: number | undefined
  /** The rod that it lies in, of rods in one another; beside the others where it is not said. */
  readonly inside?: string | undefined
  /** Couplers whose forks it passes through without moving them. */
  readonly passes?: readonly string[] | undefined
  /** Of the lever that moves it: from its pivot to the knob, and to the finger in this rod. */
  readonly knobArmMm?: number | undefined
  readonly fingerArmMm?: number | undefined
}

/**
 * A `ball` lies between two rods and goes into the notch of one when the other moves; a `pin`
 * lies in a rod and hands that on from the ball on its one side to that on the other; a
 * `plate` lets one of many rods move.
 */
export const INTERLOCK_PART_KINDS = ['ball', 'pin', 'plate'] as const
/** See `INTERLOCK_PART_KINDS`. */
export type InterlockPartKind = (typeof INTERLOCK_PART_KINDS)[number]

/** What lets only one rod leave its middle; one of them is what gets lost. */
export interface InterlockPart {
  readonly id: string
  readonly kind: InterlockPartKind
  /** The rods between which it lies, the rod in which it lies, or all that a plate serves. */
  readonly selectors: readonly string[]
}

/** Where a fork stands at one angle of the drum. */
export interface DrumPoint {
  readonly angleDeg: number
  /** From its middle; towards the output end is positive. */
  readonly travelMm: number
}

/** The groove of one fork, by points in the order of the turn; between two it is straight. */
export interface DrumTrack {
  readonly coupler: string
  readonly points: readonly DrumPoint[]
  /** From how far off its middle the dogs touch, and from how far they are deep enough to carry. */
  readonly touchesFromMm: number
  readonly carriesFromMm: number
}

/** A notch of the star wheel. */
export interface DrumStop {
  readonly angleDeg: number
  /** What it is for; a stop of neutral names none. */
  readonly position?: string | undefined
  /** How far on either side the roller still falls into it; half way to its neighbours where it is not said. */
  readonly reachDeg?: number | undefined
  /** By how much the tip between it and the next is worn down. */
  readonly tipWearMm?: number | undefined
}

/** The star wheel of a drum with its roller, arm and spring; whatever nobody measured is left out. */
export interface StarFigures {
  /** Over the tips, and over the bottoms of the notches. */
  readonly tipDiameterMm?: number | undefined
  readonly bottomDiameterMm?: number | undefined
  readonly rollerDiameterMm?: number | undefined
  /** At the roller while it lies in a notch. */
  readonly springForceN?: number | undefined
  readonly springRateNPerMm?: number | undefined
  /** From the pivot of the arm to the middle of its roller. */
  readonly armLengthMm?: number | undefined
  /** From the pivot of the arm to the axis of the drum. */
  readonly pivotMm?: number | undefined
  /** That it takes to turn the drum with its forks, without the star. */
  readonly frictionNmm?: number | undefined
}

/** Two wheels between what turns a drum and the drum. */
export interface DrumPair {
  readonly drivingToothCount: number
  readonly drivenToothCount: number
}

/** A drum that moves forks by its grooves. */
export interface Drum {
  readonly id: string
  readonly star?: StarFigures | undefined
  readonly actuator?: Actuator | undefined
  /** By which a control unit turns it. */
  readonly channel?: number | undefined
  /** From its motor on. */
  readonly train?: readonly DrumPair[] | undefined
  /** By which one stroke of the ratchet turns it. */
  readonly strokeDeg?: number | undefined
  readonly tracks: readonly DrumTrack[]
  readonly stops: readonly DrumStop[]
}

/** How a clutch carries: one or two plates that a spring holds, or a pack in oil that is pressed on. */
export const CLUTCH_KINDS = ['single-dry', 'twin-dry', 'wet-pack'] as const
/** See `CLUTCH_KINDS`. */
export type ClutchKind = (typeof CLUTCH_KINDS)[number]

/** What hands a push on towards the plates of a clutch. */
export const CLUTCH_STAGE_KINDS = ['lever', 'cable', 'hydraulic', 'spindle'] as const
/** See `CLUTCH_STAGE_KINDS`. */
export type ClutchStageKind = (typeof CLUTCH_STAGE_KINDS)[number]

/** One stage of a clutch’s way from the foot or an actuator to its plates. */
export interface ClutchStage {
  readonly id: string
  readonly kind: ClutchStageKind
  readonly name?: string | undefined
  /** Of a lever its arm, of oil the diameter of its piston, of a spindle the wheel that turns it. */
  readonly inMm?: number | undefined
  /** On the side of the plates; of a spindle its lead. */
  readonly outMm?: number | undefined
}

/** A clutch with its plates and what moves it; whatever nobody measured is left out. */
export interface Clutch {
  readonly id: string
  readonly kind: ClutchKind
  /** The friction clutch of the box that it is; none of one that stands before the input. */
  readonly coupler?: string | undefined
  /** From the foot or the actuator on. */
  readonly stages: readonly ClutchStage[]
  readonly inputTravelMm?: number | undefined
  readonly inputForceN?: number | undefined
  /** From which travel of the pedal a brake presses on what turns with the input, to bring it to a stand. */
  readonly brakeFromMm?: number | undefined
  /** That a dry plate needs on each of its faces to run free. */
  readonly liftPerFaceMm?: number | undefined
  /** Of all facings together, since they were new. */
  readonly wearMm?: number | undefined
  readonly frictionPlateCount?: number | undefined
  readonly frictionPlateMm?: number | undefined
  readonly steelPlateCount?: number | undefined
  readonly steelPlateMm?: number | undefined
  readonly applyPlateMm?: number | undefined
  /** From the piston, drawn back, to the ring that holds the pack. */
  readonly roomMm?: number | undefined
  /** Of the spring that holds a dry clutch closed, or that draws a piston back. */
  readonly springForceN?: number | undefined
  /** At the middle of the facings. */
  readonly meanDiameterMm?: number | undefined
  readonly friction?: number | undefined
}

/** Places that are not to be used together, such as an overdrive in the low range. */
export interface Rule {
  readonly id: string
  /** Coupler id → coupler position id; all of them at once are forbidden. */
  readonly forbids: Readonly<Record<string, string>>
  readonly reason: string
}

/** A warning that somebody has looked at and left as it is, with its figures as they were. */
export interface LeftWarning {
  /** The warning and its figures; another figure is another warning. */
  readonly id: string
  /** Initials of who left it; empty where nobody said. */
  readonly by: string
  /** When, as ISO 8601 in UTC. */
  readonly at: string
}

/** What is held in the hand besides shafts, gears and couplers. See `pieces/kinds.ts`. */
export const PIECE_KINDS = [
  'ball-bearing',
  'roller-bearing',
  'taper-bearing',
  'needle-bearing',
  'bearing-race',
  'pilot-bearing',
  'bush',
  'spacer',
  'thrust-washer',
  'shim',
  'snap-ring',
  'nut',
  'key',
  'flange',
  'speed-wheel',
  'hub',
  'sleeve',
  'ring',
  'hub-key',
  'spring',
  'ball',
  'fork',
  'rod',
  'detent',
  'interlock-ball',
  'interlock-pin',
  'interlock-plate',
  'shift-drum',
  'star-wheel',
  'detent-arm',
  'ratchet',
  'shift-shaft',
  'shift-motor',
  'neutral-switch',
  'pack-ring',
  'friction-plate',
  'steel-plate',
  'apply-plate',
  'piston',
  'piston-seal',
  'clutch-cover',
  'clutch-disc',
  'middle-plate',
  'release-bearing',
  'clutch-fork',
  'shaft-brake',
  'pinion-pin',
  'pinion-gear',
  'pinion-washer',
  'side-gear',
  'side-washer',
  'slip-plate',
  'case',
  'end-plate',
  'intermediate-plate',
  'bearing-carrier',
  'tail-housing',
  'cover',
  'dummy-shaft',
  'idler-pin',
  'seal',
  'gasket',
  'bolt',
  'switch',
  'oil-guide',
] as const
/** See `PIECE_KINDS`. */
export type PieceKind = (typeof PIECE_KINDS)[number]

/** How a piece is held where it sits. */
export const FITS = ['slides', 'pressed', 'snap-ring', 'threaded', 'bolted'] as const
/** See `FITS`. */
export type Fit = (typeof FITS)[number]

/** Where the load of the press goes, so that nothing else carries it. */
export const PRESS_SEATS = ['inner-race', 'outer-race', 'hub'] as const
/** See `PRESS_SEATS`. */
export type PressSeat = (typeof PRESS_SEATS)[number]

/** From which side a holder closes the box. */
export const CLOSING_SIDES = ['input-end', 'output-end', 'above', 'below', 'beside'] as const
/** See `CLOSING_SIDES`. */
export type ClosingSide = (typeof CLOSING_SIDES)[number]

/** What a mark on a piece says when it goes back in. */
export const MARK_KINDS = ['timing', 'matched', 'numbered', 'way-round', 'oil-hole'] as const
/** See `MARK_KINDS`. */
export type MarkKind = (typeof MARK_KINDS)[number]

/** A mark to put together by. */
export interface PieceMark {
  readonly kind: MarkKind
  /** In the person's words: "long side to the output end". */
  readonly text?: string | undefined
  /** The piece that carries the other half of the mark. */
  readonly with?: string | undefined
}

/** A bearing, a spacer, a fork, a case half: what is held in the hand besides the drawing's own parts. */
export interface Piece {
  readonly id: string
  readonly kind: PieceKind
  readonly name?: string | undefined
  /** The shaft or other member that it sits on. */
  readonly on?: string | undefined
  /** What turns on it or lies in it: the gear on a needle bearing, the shafts in a case. */
  readonly carries?: readonly string[] | undefined
  /** The coupler that it belongs to or moves. */
  readonly coupler?: string | undefined
  /** The place of the coupler that a ring serves. */
  readonly place?: string | undefined
  /** Its middle, along the axis from the input end. */
  readonly stationMm?: number | undefined
  readonly lengthMm?: number | undefined
  readonly boreMm?: number | undefined
  readonly outsideMm?: number | undefined
  /** How many of them there are alike; one where it is not said. */
  readonly quantity?: number | undefined
  /** The usual one of its kind where it is not said. */
  readonly fit?: Fit | undefined
  readonly pressOn?: PressSeat | undefined
  /** Which way a thread winds; right where it is not said. */
  readonly hand?: Hand | undefined
  /** Comes off sideways, being in two halves or open. */
  readonly isSplit?: boolean | undefined
  readonly closesFrom?: ClosingSide | undefined
  readonly marks?: readonly PieceMark[] | undefined
  /** The usual of its kind where it is not said. */
  readonly isNewEachTime?: boolean | undefined
  /** Oil, grease or sealant that it is put in with. */
  readonly putInWith?: string | undefined
  readonly partNumber?: string | undefined
}

/** What somebody states of the order of assembly, besides what the parts themselves tell. */
export interface Precedence {
  readonly id: string
  /** References of the part that goes in first, and of the one that goes in after it. */
  readonly first: string
  readonly then: string
  readonly reason?: string | undefined
}

/** What a line of a unit's data sheet is of. */
export const SHEET_KINDS = [
  'serial',
  'casting-number',
  'part-number',
  'oil-kind',
  'oil-quantity',
  'fastener',
  'limit',
  'other',
] as const
/** See `SHEET_KINDS`. */
export type SheetKind = (typeof SHEET_KINDS)[number]

/** One line of a unit's data sheet: what is stamped on it, or a figure of its maker. */
export interface SheetLine {
  readonly id: string
  readonly kind: SheetKind
  /** The part it is of, by its reference; of the whole unit, or of all alike, where it is not said. */
  readonly of?: string | undefined
  /** What a line of another kind is about. */
  readonly what?: string | undefined
  /** As it was read, with its unit: "1.9 l", "25 N·m". */
  readonly text?: string | undefined
  /** Of a limit: the measure that it bounds, by its name, and its ends in a unit of readings. */
  readonly measure?: string | undefined
  readonly least?: string | undefined
  readonly most?: string | undefined
  readonly unit?: string | undefined
  /** Where it was read: the manual and its page, the plate on the case. */
  readonly from?: string | undefined
}

/** A selectable position ("gear"). Couplers it does not name stand at their centre. */
export interface BoxPosition {
  readonly id: string
  readonly label: string
  /** Coupler id → coupler position id. */
  readonly couplers: Readonly<Record<string, string>>
  /** Where the lever or the drum stands, in the person's words. */
  readonly lever?: string | undefined
  /** Kept in the list, but left out of keys and tables. */
  readonly isHidden?: boolean | undefined
}

/** The pair behind the box. */
export interface FinalDrive {
  readonly drivingToothCount: number
  readonly drivenToothCount: number
}

/** A gearbox as somebody has described it, not yet known to hang together. */
export interface BoxDraft {
  readonly name: string
  readonly notes?: string | undefined
  readonly axes: readonly Axis[]
  readonly members: readonly Member[]
  readonly gears: readonly Gear[]
  readonly links: readonly Link[]
  readonly couplers: readonly Coupler[]
  readonly positions: readonly BoxPosition[]
  readonly interlocks?: readonly Interlock[] | undefined
  readonly rules?: readonly Rule[] | undefined
  readonly leftWarnings?: readonly LeftWarning[] | undefined
  readonly pieces?: readonly Piece[] | undefined
  readonly sheet?: readonly SheetLine[] | undefined
  readonly precedences?: readonly Precedence[] | undefined
  readonly selectors?: readonly Selector[] | undefined
  readonly interlockParts?: readonly InterlockPart[] | undefined
  readonly clutches?: readonly Clutch[] | undefined
  readonly drums?: readonly Drum[] | undefined
  /** Kept for its parts, which other units may be given. */
  readonly isSpare?: boolean | null | undefined
  /** The body through which power enters, and those through which it leaves. */
  readonly input: string
  readonly outputs: readonly string[]
  readonly finalDrive?: FinalDrive | null | undefined
  /** Of the driven wheels: the distance rolled in one turn, divided by 2π. */
  readonly rollingRadiusMm?: number | null | undefined
  /** The fastest that the engine, or whatever turns the input, bears to be turned. */
  readonly mostInputRpm?: number | null | undefined
  /** Clockwise where it is not stated; matters only to which way thrust goes. */
  readonly inputSense?: InputSense | null | undefined
}

/** Where something stands in a draft: keys and indexes from its root. */
export type Path = readonly (string | number)[]
