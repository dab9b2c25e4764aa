/**
 * The section along the shafts, to scale, as plain geometry in millimetres:
 * x from the input end, y downwards from the first axis. Axes that are not in one
 * plane are folded into one, each to a lane of its own, in their listed order.
 * Figures here are only ever drawn, so they are floats.
 */
import type { BoxIndex } from '../box/box.ts'
import { indexBox } from '../box/box.ts'
import { USUAL_TRAVEL_MM } from '../box/couplers.ts'
import type { GearPair, Picture } from '../box/links/index.ts'
import { pairsOf, pictureOf, ringGears } from '../box/links/index.ts'
import type { PieceShape, Stretch } from '../box/pieces/index.ts'
import { PIECE_DEFINITIONS, seatOf, stretchesOf } from '../box/pieces/index.ts'
import { HOLLOW_WALL_MM, SHAFT_RADIUS_MM } from '../box/pieces/shafts.ts'
import { DRAWN_FACE_MM } from '../box/pieces/stack.ts'
import { meshStationMm, pitchRadiusOfModuleMm } from '../box/mesh.ts'
import { oncePer } from '../box/oncePer.ts'
import { median } from '../box/toothSums.ts'
import type {
  Axis,
  BoxDraft,
  Coupler,
  CouplerPosition,
  Gear,
  Link,
  Member,
  Piece,
  ShaftEnd,
} from '../box/types.ts'

/** Drawn where the box states no module; only the proportions matter then. */
export const DRAWN_MODULE_MM = 2.5
/** Teeth drawn for a gear about which nothing is known. */
const DRAWN_TOOTH_COUNT = 28
/** Half the height of a sleeve. */
export const SLEEVE_RADIUS_MM = 21
/** How much of its shaft a sleeve takes up. */
export const SLEEVE_WIDTH_MM = 13
/** Metal outside the teeth of a ring gear. */
export const RIM_MM = 7
/** Half the height of a differential case. */
const CASE_RADIUS_MM = 26
/** A ring that is not counted is drawn so many times as large as its sun. */
const RING_TO_SUN = 2
/** So far from its carrier's end an arm comes out of it. */
const IN_FROM_END_MM = 3
/** How far a thread stands out over its shaft. */
const THREAD_MM = 4
/** A gear so near to its ring is seen to touch it. */
const TOUCHING_MM = 1.5
/** Air between parts of neighbouring lanes that do not mesh. */
const LANE_GAP_MM = 8

interface SectionLane {
  readonly axis: Axis
  readonly yMm: number
}

/** What a member looks like in section. */
type MemberShape = 'shaft' | 'hollow' | 'ring' | 'case'

/** A member where it is drawn. */
export interface SectionMember {
  readonly member: Member
  readonly yMm: number
  readonly shape: MemberShape
  /** To the outside of the member, where couplers sit on it. */
  readonly radiusMm: number
  /** Its outline where it has steps; one stretch else. */
  readonly stretches: readonly Stretch[]
}

/** A gear where it is drawn. */
export interface SectionGear {
  readonly gear: Gear
  readonly yMm: number
  readonly widthMm: number
  /** Pitch radius, fitted so that gears in mesh touch. */
  readonly radiusMm: number
  /** A ring with its teeth on the inside; the metal is outside the pitch radius. */
  readonly isInternal: boolean
  /** Towards which end its cone grows narrower; undefined of a cylinder. */
  readonly narrows: ShaftEnd | undefined
  /** False while the radius is a guess because the gear is uncounted. */
  readonly isCounted: boolean
}

/** Two gears that drive one another. */
export interface SectionMesh {
  readonly link: Link
  readonly touch: GearPair['touch']
  readonly a: SectionGear
  readonly b: SectionGear
  readonly stationMm: number
  /** Whether the two gears touch in the drawing; where not, the mesh is shown as a link. */
  readonly isTouching: boolean
}

/** A coupler where it is drawn. */
export interface SectionCoupler {
  readonly coupler: Coupler
  readonly yMm: number
  /** Outside of what the coupler sits on. */
  readonly baseRadiusMm: number
}

/** Sun, planets and ring of a set that is drawn as one. */
export interface SectionPlanetary {
  readonly link: Link
  readonly yMm: number
  readonly stationMm: number
  readonly sunRadiusMm: number
  readonly ringRadiusMm: number
  /** Planets in a row from the sun to the ring. */
  readonly planetsBetween: 1 | 2
  /** Where the arm of the carrier comes down to its member. */
  readonly carrierAtMm: number
}

/** Where the gears of a differential are drawn. */
export interface SectionDifferential {
  readonly link: Link
  readonly yMm: number
  readonly stationMm: number
}

/** A thread on its shaft, and the gear that it drives. */
export interface SectionWorm {
  readonly link: Link
  readonly yMm: number
  readonly stationMm: number
  readonly radiusMm: number
  readonly wheel: SectionGear
}

/** What carries the planets of a set whose planets are drawn as gears: from its axis to theirs. */
interface SectionArm {
  readonly link: Link
  readonly fromYMm: number
  readonly toYMm: number
  /** Where it leaves the carrier, and where it comes to the planet. */
  readonly stationMm: number
  readonly planetMm: number
}

/** A piece where it is drawn, as a ring round its axis. */
export interface SectionPiece {
  readonly piece: Piece
  readonly yMm: number
  readonly shape: PieceShape
  readonly fromMm: number
  readonly toMm: number
  /** Radii. */
  readonly innerMm: number
  readonly outerMm: number
}

/** The whole section, in millimetres. */
export interface Section {
  readonly lanes: readonly SectionLane[]
  readonly members: readonly SectionMember[]
  readonly gears: readonly SectionGear[]
  readonly meshes: readonly SectionMesh[]
  readonly couplers: readonly SectionCoupler[]
  readonly planetaries: readonly SectionPlanetary[]
  readonly differentials: readonly SectionDifferential[]
  readonly worms: readonly SectionWorm[]
  readonly arms: readonly SectionArm[]
  readonly pieces: readonly SectionPiece[]
  readonly fromMm: number
  readonly toMm: number
  readonly topMm: number
  readonly bottomMm: number
}

/** The pitch radius to draw, with a module of the drawing's own where the gear states none. */
export function pitchRadiusMm(gear: Gear, toothCount: number): number {
  return pitchRadiusOfModuleMm(gear, toothCount, gear.moduleMm ?? DRAWN_MODULE_MM)
}

interface MeshedGears {
  readonly link: Link
  readonly touch: GearPair['touch']
  readonly a: Gear
  readonly b: Gear
  readonly lanes: readonly [number, number]
}

function meshedGears(index: BoxIndex, laneOf: (gear: Gear) => number): readonly MeshedGears[] {
  return index.draft.links.flatMap((link) =>
    pairsOf(link).flatMap((pair) => {
      const a = index.gears.get(pair.a)
      const b = index.gears.get(pair.b)
      return a && b
        ? [{ link, touch: pair.touch, a, b, lanes: [laneOf(a), laneOf(b)] as const }]
        : []
    }),
  )
}

/** Teeth to draw for each gear: its count, or the best guess from its mates. */
function drawnToothCounts(index: BoxIndex, meshes: readonly MeshedGears[]): Map<string, number> {
  const sumsByLanes = new Map<string, number[]>()
  const keyOf = (mesh: MeshedGears): string => [...mesh.lanes].sort((a, b) => a - b).join('/')
  for (const mesh of meshes) {
    if (mesh.a.toothCount === null || mesh.b.toothCount === null) continue
    const sums = sumsByLanes.get(keyOf(mesh)) ?? []
    sums.push(mesh.a.toothCount + mesh.b.toothCount)
    sumsByLanes.set(keyOf(mesh), sums)
  }
  const drawn = new Map<string, number>()
  for (const gear of index.draft.gears)
    if (gear.toothCount !== null) drawn.set(gear.id, gear.toothCount)
  for (const mesh of meshes) {
    const usual = median(sumsByLanes.get(keyOf(mesh)) ?? []) ?? 2 * DRAWN_TOOTH_COUNT
    for (const [gear, mate] of [
      [mesh.a, mesh.b],
      [mesh.b, mesh.a],
    ] as const) {
      if (gear.toothCount !== null || drawn.has(gear.id)) continue
      const guess = mate.toothCount === null ? usual / 2 : usual - mate.toothCount
      drawn.set(gear.id, Math.max(guess, usual / 5))
    }
  }
  for (const link of index.draft.links) {
    const set = pictureOf(link)
    if (set.as !== 'set') continue
    const [sun, ring] = [index.gears.get(set.sun), index.gears.get(set.ring)]
    // Planets need room between the two, whichever of them is still to be counted.
    if (ring?.toothCount === null && !drawn.has(ring.id))
      drawn.set(ring.id, RING_TO_SUN * (drawn.get(set.sun) ?? DRAWN_TOOTH_COUNT))
    else if (sun?.toothCount === null && !drawn.has(sun.id))
      drawn.set(sun.id, (drawn.get(set.ring) ?? DRAWN_TOOTH_COUNT) / RING_TO_SUN)
  }
  return drawn
}

/** A draft that is being laid out: where its lanes are, and how large its gears. */
interface Sketch {
  readonly index: BoxIndex
  readonly meshes: readonly MeshedGears[]
  /** By lane. */
  readonly yMm: readonly number[]
  readonly laneOfAxis: ReadonlyMap<string, number>
  /** Pitch radii by gear id. */
  readonly radiiMm: ReadonlyMap<string, number>
}

/** The heights of the lanes: gears in mesh touch in the middle one of their pairs. */
function placeLanes(
  { draft }: BoxIndex,
  meshes: readonly MeshedGears[],
  laneOf: (gear: Gear) => number,
  nominalMm: (gear: Gear) => number,
): readonly number[] {
  const yMm: number[] = []
  draft.axes.forEach((_, lane) => {
    const before = yMm[lane - 1]
    if (before === undefined) {
      yMm.push(0)
      return
    }
    const distances = meshes
      .filter(({ touch, lanes }) => touch === 'outside' && isNext(lanes, lane - 1, lane))
      .map(({ a, b }) => nominalMm(a) + nominalMm(b))
    const largest = (which: number): number =>
      Math.max(
        SHAFT_RADIUS_MM,
        ...draft.gears.filter((gear) => laneOf(gear) === which).map(nominalMm),
      )
    yMm.push(before + (median(distances) ?? largest(lane - 1) + largest(lane) + LANE_GAP_MM))
  })
  return yMm
}

function isTouching({ touch, lanes }: MeshedGears): boolean {
  return touch === 'outside' && Math.abs(lanes[0] - lanes[1]) === 1
}

/** Pitch radii by gear id, fitted so that gears in mesh of neighbouring lanes touch. */
function fitRadii(
  { draft }: BoxIndex,
  meshes: readonly MeshedGears[],
  yMm: readonly number[],
  nominalMm: (gear: Gear) => number,
): ReadonlyMap<string, number> {
  const radii = new Map(draft.gears.map((gear) => [gear.id, nominalMm(gear)]))
  const fitted = new Set<string>()
  for (const { a, b, lanes } of meshes.filter(isTouching)) {
    const distance = Math.abs((yMm[lanes[0]] ?? 0) - (yMm[lanes[1]] ?? 0))
    const [ra, rb] = [radii.get(a.id) ?? 0, radii.get(b.id) ?? 0]
    if (fitted.has(a.id) && fitted.has(b.id)) continue
    if (fitted.has(a.id)) radii.set(b.id, distance - ra)
    else if (fitted.has(b.id)) radii.set(a.id, distance - rb)
    else {
      radii.set(a.id, (distance * ra) / (ra + rb))
      radii.set(b.id, (distance * rb) / (ra + rb))
    }
    fitted.add(a.id).add(b.id)
  }
  return radii
}

function sketch(draft: BoxDraft): Sketch {
  const index = indexBox(draft)
  const laneOfAxis = new Map(draft.axes.map((axis, lane) => [axis.id, lane]))
  const laneOf = (gear: Gear): number =>
    laneOfAxis.get(index.members.get(gear.member)?.axis ?? '') ?? -1
  const meshes = meshedGears(index, laneOf)
  const counts = drawnToothCounts(index, meshes)
  const nominalMm = (gear: Gear): number =>
    pitchRadiusMm(gear, counts.get(gear.id) ?? DRAWN_TOOTH_COUNT)
  const yMm = placeLanes(index, meshes, laneOf, nominalMm)
  return { index, meshes, yMm, laneOfAxis, radiiMm: fitRadii(index, meshes, yMm, nominalMm) }
}

function heightOf({ yMm, laneOfAxis }: Sketch, member: Member | undefined): number | undefined {
  return yMm[laneOfAxis.get(member?.axis ?? '') ?? -1]
}

function drawGears(drawing: Sketch): readonly SectionGear[] {
  const { index, radiiMm } = drawing
  const rings = ringGears(index.draft.links)
  const cones = new Map(
    index.draft.links
      .flatMap(pairsOf)
      .flatMap(({ a, b, narrows }): readonly (readonly [string, ShaftEnd])[] =>
        narrows
          ? [
              [a, narrows[0]],
              [b, narrows[1]],
            ]
          : [],
      ),
  )
  return index.draft.gears.flatMap((gear): SectionGear[] => {
    const yMm = heightOf(drawing, index.members.get(gear.member))
    if (yMm === undefined) return []
    return [
      {
        gear,
        yMm,
        widthMm: gear.faceWidthMm ?? DRAWN_FACE_MM,
        radiusMm: radiiMm.get(gear.id) ?? 0,
        isInternal: rings.has(gear.id),
        narrows: cones.get(gear.id),
        isCounted: gear.toothCount !== null,
      },
    ]
  })
}

function drawMembers(drawing: Sketch, gears: readonly SectionGear[]): readonly SectionMember[] {
  return drawing.index.draft.members.flatMap((member): SectionMember[] => {
    const yMm = heightOf(drawing, member)
    if (yMm === undefined) return []
    const rimMm = Math.max(
      0,
      ...gears
        .filter(({ gear, isInternal }) => gear.member === member.id && isInternal)
        .map(({ radiusMm }) => radiusMm + RIM_MM),
    )
    const [shape, radiusMm]: [MemberShape, number] =
      rimMm > 0
        ? ['ring', rimMm]
        : member.kind === 'differential-case'
          ? ['case', CASE_RADIUS_MM + (member.isHollow ? HOLLOW_WALL_MM : 0)]
          : member.isHollow
            ? ['hollow', SHAFT_RADIUS_MM + HOLLOW_WALL_MM]
            : ['shaft', SHAFT_RADIUS_MM]
    return [{ member, yMm, shape, radiusMm, stretches: stretchesOf(member) }]
  })
}

/** The pieces that sit on a shaft and are drawn by themselves. */
function drawPieces(drawing: Sketch): readonly SectionPiece[] {
  const { index } = drawing
  return (index.draft.pieces ?? []).flatMap((piece): SectionPiece[] => {
    const seat = seatOf(index, piece)
    const shape = PIECE_DEFINITIONS[piece.kind].drawn?.shape
    const yMm = heightOf(drawing, seat?.member)
    if (!seat || !shape || yMm === undefined) return []
    const { fromMm, toMm, boreMm, outsideMm = boreMm } = seat
    return [{ piece, yMm, shape, fromMm, toMm, innerMm: boreMm / 2, outerMm: outsideMm / 2 }]
  })
}

/** What can be found in what is drawn already. */
interface Drawn {
  readonly gears: ReadonlyMap<string, SectionGear>
  /** The member that carries a body. */
  readonly memberOf: (body: string) => SectionMember | undefined
}

type Picturing = Pick<Section, 'planetaries' | 'differentials' | 'worms' | 'arms'>

const NO_PICTURE: Picturing = { planetaries: [], differentials: [], worms: [], arms: [] }

/** The picture of one link, where what it is made of is drawn. */
function drawPicture(link: Link, picture: Picture, { gears, memberOf }: Drawn): Picturing {
  switch (picture.as) {
    case 'nothing':
      return NO_PICTURE
    case 'set': {
      const [sun, ring] = [gears.get(picture.sun), gears.get(picture.ring)]
      const carrier = memberOf(picture.carrier)?.member
      if (!sun || !ring || !carrier) return NO_PICTURE
      const { stationMm } = sun.gear
      const set: SectionPlanetary = {
        link,
        yMm: sun.yMm,
        stationMm,
        sunRadiusMm: sun.radiusMm,
        ringRadiusMm: ring.radiusMm,
        planetsBetween: picture.planetsBetween,
        carrierAtMm: Math.min(
          Math.max(stationMm, carrier.fromMm + IN_FROM_END_MM),
          carrier.toMm - IN_FROM_END_MM,
        ),
      }
      return { ...NO_PICTURE, planetaries: [set] }
    }
    case 'arm': {
      const [carrier, planet] = [memberOf(picture.carrier), gears.get(picture.planet)]
      if (!carrier || !planet) return NO_PICTURE
      const { fromMm, toMm } = carrier.member
      const planetMm = planet.gear.stationMm
      const isBehind = Math.abs(fromMm - planetMm) < Math.abs(toMm - planetMm)
      const stationMm = isBehind ? fromMm + IN_FROM_END_MM : toMm - IN_FROM_END_MM
      return {
        ...NO_PICTURE,
        arms: [{ link, fromYMm: carrier.yMm, toYMm: planet.yMm, stationMm, planetMm }],
      }
    }
    case 'differential': {
      const on = memberOf(picture.case)
      if (!on) return NO_PICTURE
      const stationMm = (on.member.fromMm + on.member.toMm) / 2
      return { ...NO_PICTURE, differentials: [{ link, yMm: on.yMm, stationMm }] }
    }
    case 'thread': {
      const [on, wheel] = [memberOf(picture.worm), gears.get(picture.wheel)]
      if (!on || !wheel) return NO_PICTURE
      const { fromMm, toMm } = on.member
      const stationMm = Math.min(Math.max(wheel.gear.stationMm, fromMm), toMm)
      const radiusMm = on.radiusMm + THREAD_MM
      return { ...NO_PICTURE, worms: [{ link, yMm: on.yMm, stationMm, radiusMm, wheel }] }
    }
  }
}

/**
 * A draft laid out as a section, once for each; it need not be checked. Parts whose ids lead
 * nowhere are left out.
 */
export const layOutSection: (draft: BoxDraft) => Section = oncePer(layOut)

function layOut(draft: BoxDraft): Section {
  const drawing = sketch(draft)
  const { index, yMm } = drawing
  const gears = drawGears(drawing)
  const gearById = new Map(gears.map((drawn) => [drawn.gear.id, drawn]))
  const members = drawMembers(drawing, gears)
  const memberById = new Map(members.map((drawn) => [drawn.member.id, drawn]))
  const memberOf = (body: string): SectionMember | undefined =>
    memberById.get(index.gears.get(body)?.member ?? body)
  const couplers = draft.couplers.flatMap((coupler): SectionCoupler[] => {
    const on = memberOf(coupler.hub)
    return on ? [{ coupler, yMm: on.yMm, baseRadiusMm: on.radiusMm }] : []
  })
  const pictures = draft.links.map((link) =>
    drawPicture(link, pictureOf(link), { gears: gearById, memberOf }),
  )
  const reach = [
    ...members.map((drawn) => [drawn.yMm, drawn.radiusMm] as const),
    ...gears.map((drawn) => [drawn.yMm, drawn.radiusMm] as const),
    ...couplers.map(
      (drawn) => [drawn.yMm, drawn.baseRadiusMm + SLEEVE_RADIUS_MM - SHAFT_RADIUS_MM] as const,
    ),
  ]
  return {
    lanes: draft.axes.map((axis, lane) => ({ axis, yMm: yMm[lane] ?? 0 })),
    members,
    gears,
    meshes: drawing.meshes.flatMap((mesh): SectionMesh[] => {
      const a = gearById.get(mesh.a.id)
      const b = gearById.get(mesh.b.id)
      if (!a || !b) return []
      const { link, touch } = mesh
      const stationMm = meshStationMm(mesh.a, mesh.b)
      return [
        { link, touch, a, b, stationMm, isTouching: isTouching(mesh) || isWithin(touch, a, b) },
      ]
    }),
    couplers,
    planetaries: pictures.flatMap(({ planetaries }) => planetaries),
    differentials: pictures.flatMap(({ differentials }) => differentials),
    worms: pictures.flatMap(({ worms }) => worms),
    arms: pictures.flatMap(({ arms }) => arms),
    pieces: drawPieces(drawing),
    fromMm: Math.min(0, ...draft.members.map((member) => member.fromMm)),
    toMm: Math.max(1, ...draft.members.map((member) => member.toMm)),
    topMm: Math.min(-SHAFT_RADIUS_MM, ...reach.map(([y, radiusMm]) => y - radiusMm)),
    bottomMm: Math.max(SHAFT_RADIUS_MM, ...reach.map(([y, radiusMm]) => y + radiusMm)),
  }
}

/** Whether a gear inside its ring is drawn where it touches it. */
function isWithin(touch: GearPair['touch'], inner: SectionGear, ring: SectionGear): boolean {
  const reachMm = Math.abs(inner.yMm - ring.yMm) + inner.radiusMm
  return touch === 'inside' && Math.abs(reachMm - ring.radiusMm) < TOUCHING_MM
}

function isNext(lanes: readonly [number, number], one: number, other: number): boolean {
  return (lanes[0] === one && lanes[1] === other) || (lanes[0] === other && lanes[1] === one)
}

/** How far a sleeve stands from its station along the axis; positive towards the output. */
export function sleeveShiftMm(place: CouplerPosition | undefined): number {
  switch (place?.travel) {
    case 'towards-input':
      return -USUAL_TRAVEL_MM
    case 'towards-output':
      return USUAL_TRAVEL_MM
    default:
      return 0
  }
}

/**
 * How far a coupler stands from where it rests at one of its places, and the gears that go with it:
 * a sliding gear goes to the station of the mate it meshes with, and where it only engages dogs it
 * moves as far as a sleeve does.
 */
export function couplerShift(
  section: Section,
  coupler: Coupler,
  place: CouplerPosition | undefined,
): { readonly shiftMm: number; readonly gears: readonly string[] } {
  for (const engagement of place?.engages ?? []) {
    if (engagement.kind !== 'mesh') continue
    const mesh = section.meshes.find(({ link }) => link.id === engagement.link)
    const slid = mesh && [mesh.a, mesh.b].find(({ gear }) => gear.mount === 'sliding')
    if (mesh && slid)
      return { shiftMm: mesh.stationMm - slid.gear.stationMm, gears: [slid.gear.id] }
  }
  return { shiftMm: sleeveShiftMm(place), gears: coupler.gears ?? [] }
}

/** How far each sliding gear stands from where it rests, by gear id, with couplers at `places`. */
export function slidShiftsMm(
  section: Section,
  places: ReadonlyMap<string, CouplerPosition>,
): ReadonlyMap<string, number> {
  const shifts = new Map<string, number>()
  for (const { coupler } of section.couplers) {
    const { shiftMm, gears } = couplerShift(section, coupler, places.get(coupler.id))
    if (shiftMm !== 0) for (const gear of gears) shifts.set(gear, shiftMm)
  }
  return shifts
}
