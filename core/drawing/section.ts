/**
 * The section along the shafts, to scale, as plain geometry in millimetres:
 * x from the input end, y downwards from the first axis. Axes that are not in one
 * plane are folded into one, each to a lane of its own, in their listed order.
 * Figures here are only ever drawn, so they are floats.
 */
import type { BoxIndex } from '../box/box.ts'
import { indexBox } from '../box/box.ts'
import { meshStationMm, pitchRadiusOfModuleMm } from '../box/mesh.ts'
import { median } from '../box/toothSums.ts'
import type {
  Axis,
  BoxDraft,
  Coupler,
  CouplerPosition,
  Differential,
  Gear,
  Member,
  Mesh,
  Planetary,
} from '../box/types.ts'

/** Drawn where the box states no module; only the proportions matter then. */
export const DRAWN_MODULE_MM = 2.5
/** Drawn where a gear states no face width. */
export const DRAWN_FACE_MM = 16
/** Teeth drawn for a gear about which nothing is known. */
export const DRAWN_TOOTH_COUNT = 28
export const SHAFT_RADIUS_MM = 8
export const SLEEVE_RADIUS_MM = 21
export const SLEEVE_WIDTH_MM = 13
/** How far a sleeve moves from its centre to engage. */
export const SLEEVE_TRAVEL_MM = 9
/** How far a hollow shaft stands out over the one inside it. */
export const HOLLOW_WALL_MM = 5
/** Metal outside the teeth of a ring gear. */
export const RIM_MM = 7
/** Half the height of a differential case. */
export const CASE_RADIUS_MM = 26
/** A ring that is not counted is drawn so many times as large as its sun. */
const RING_TO_SUN = 2
/** Air between parts of neighbouring lanes that do not mesh. */
const LANE_GAP_MM = 8

export interface SectionLane {
  readonly axis: Axis
  readonly yMm: number
}

/** What a member looks like in section. */
export type MemberShape = 'shaft' | 'hollow' | 'ring' | 'case'

export interface SectionMember {
  readonly member: Member
  readonly yMm: number
  readonly shape: MemberShape
  /** To the outside of the member, where couplers sit on it. */
  readonly radiusMm: number
}

export interface SectionGear {
  readonly gear: Gear
  readonly yMm: number
  readonly widthMm: number
  /** Pitch radius, fitted so that gears in mesh touch. */
  readonly radiusMm: number
  /** A ring with its teeth on the inside; the metal is outside the pitch radius. */
  readonly isInternal: boolean
  /** False while the radius is a guess because the gear is uncounted. */
  readonly isCounted: boolean
}

export interface SectionMesh {
  readonly link: Mesh
  readonly a: SectionGear
  readonly b: SectionGear
  readonly stationMm: number
  /** Whether the two gears touch in the drawing; where not, the mesh is shown as a link. */
  readonly isTouching: boolean
}

export interface SectionCoupler {
  readonly coupler: Coupler
  readonly yMm: number
  /** Outside of what the coupler sits on. */
  readonly baseRadiusMm: number
}

export interface SectionPlanetary {
  readonly link: Planetary
  readonly yMm: number
  readonly stationMm: number
  readonly sunRadiusMm: number
  readonly ringRadiusMm: number
  /** Where the arm of the carrier comes down to its member. */
  readonly carrierAtMm: number
}

export interface SectionDifferential {
  readonly link: Differential
  readonly yMm: number
  readonly stationMm: number
}

export interface Section {
  readonly lanes: readonly SectionLane[]
  readonly members: readonly SectionMember[]
  readonly gears: readonly SectionGear[]
  readonly meshes: readonly SectionMesh[]
  readonly couplers: readonly SectionCoupler[]
  readonly planetaries: readonly SectionPlanetary[]
  readonly differentials: readonly SectionDifferential[]
  readonly fromMm: number
  readonly toMm: number
  readonly topMm: number
  readonly bottomMm: number
}

function isMesh(link: { readonly kind: string }): link is Mesh {
  return link.kind === 'external-mesh' || link.kind === 'internal-mesh' || link.kind === 'chain'
}

/** The pitch radius to draw, with a module of the drawing's own where the gear states none. */
export function pitchRadiusMm(gear: Gear, toothCount: number): number {
  return pitchRadiusOfModuleMm(gear, toothCount, gear.moduleMm ?? DRAWN_MODULE_MM)
}

interface MeshedGears {
  readonly link: Mesh
  readonly a: Gear
  readonly b: Gear
  readonly lanes: readonly [number, number]
}

function meshedGears(index: BoxIndex, laneOf: (gear: Gear) => number): readonly MeshedGears[] {
  return index.draft.links.filter(isMesh).flatMap((link) => {
    const a = index.gears.get(link.a)
    const b = index.gears.get(link.b)
    return a && b ? [{ link, a, b, lanes: [laneOf(a), laneOf(b)] as const }] : []
  })
}

/** Teeth to draw for each gear: its count, or the best guess from its mates. */
function drawnToothCounts(index: BoxIndex, meshes: readonly MeshedGears[]): Map<string, number> {
  const sumsByLanes = new Map<string, number[]>()
  const keyOf = (mesh: MeshedGears): string => [...mesh.lanes].sort().join('/')
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
    if (link.kind !== 'planetary') continue
    const [sun, ring] = [index.gears.get(link.sun), index.gears.get(link.ring)]
    // Planets need room between the two, whichever of them is still to be counted.
    if (ring?.toothCount === null && !drawn.has(ring.id))
      drawn.set(ring.id, RING_TO_SUN * (drawn.get(link.sun) ?? DRAWN_TOOTH_COUNT))
    else if (sun?.toothCount === null && !drawn.has(sun.id))
      drawn.set(sun.id, (drawn.get(link.ring) ?? DRAWN_TOOTH_COUNT) / RING_TO_SUN)
  }
  return drawn
}

/** Lays a draft out as a section; it need not be checked. Parts whose ids lead nowhere are left out. */
export function layOutSection(draft: BoxDraft): Section {
  const index = indexBox(draft)
  const laneOfAxis = new Map(draft.axes.map((axis, lane) => [axis.id, lane]))
  const laneOf = (gear: Gear): number =>
    laneOfAxis.get(index.members.get(gear.member)?.axis ?? '') ?? -1
  const meshes = meshedGears(index, laneOf)
  const counts = drawnToothCounts(index, meshes)
  const nominalMm = (gear: Gear): number =>
    pitchRadiusMm(gear, counts.get(gear.id) ?? DRAWN_TOOTH_COUNT)

  const yMm: number[] = []
  draft.axes.forEach((_, lane) => {
    const before = yMm[lane - 1]
    if (before === undefined) {
      yMm.push(0)
      return
    }
    const distances = meshes
      .filter(({ link, lanes }) => link.kind === 'external-mesh' && isNext(lanes, lane - 1, lane))
      .map(({ a, b }) => nominalMm(a) + nominalMm(b))
    const largest = (which: number): number =>
      Math.max(
        SHAFT_RADIUS_MM,
        ...draft.gears.filter((gear) => laneOf(gear) === which).map(nominalMm),
      )
    yMm.push(before + (median(distances) ?? largest(lane - 1) + largest(lane) + LANE_GAP_MM))
  })

  const isTouching = ({ link, lanes }: MeshedGears): boolean =>
    link.kind === 'external-mesh' && Math.abs(lanes[0] - lanes[1]) === 1
  const radii = new Map(draft.gears.map((gear) => [gear.id, nominalMm(gear)]))
  const fitted = new Set<string>()
  for (const mesh of meshes.filter(isTouching)) {
    const { a, b, lanes } = mesh
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

  const rings = new Set(
    draft.links.flatMap((link) =>
      link.kind === 'planetary' ? [link.ring] : link.kind === 'internal-mesh' ? [link.b] : [],
    ),
  )
  const gears = draft.gears.flatMap((gear): SectionGear[] => {
    const y = yMm[laneOf(gear)]
    if (y === undefined) return []
    return [
      {
        gear,
        yMm: y,
        widthMm: gear.faceWidthMm ?? DRAWN_FACE_MM,
        radiusMm: radii.get(gear.id) ?? 0,
        isInternal: rings.has(gear.id),
        isCounted: gear.toothCount !== null,
      },
    ]
  })
  const gearById = new Map(gears.map((drawn) => [drawn.gear.id, drawn]))
  const memberOf = (bodyId: string): Member | undefined =>
    index.members.get(index.gears.get(bodyId)?.member ?? bodyId)
  const yOf = (member: Member | undefined): number | undefined =>
    yMm[laneOfAxis.get(member?.axis ?? '') ?? -1]
  const members = draft.members.flatMap((member): SectionMember[] => {
    const y = yOf(member)
    if (y === undefined) return []
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
    return [{ member, yMm: y, shape, radiusMm }]
  })
  const memberById = new Map(members.map((drawn) => [drawn.member.id, drawn]))
  const couplers = draft.couplers.flatMap((coupler): SectionCoupler[] => {
    const on = memberById.get(memberOf(coupler.hub)?.id ?? '')
    return on ? [{ coupler, yMm: on.yMm, baseRadiusMm: on.radiusMm }] : []
  })
  const planetaries = draft.links.flatMap((link): SectionPlanetary[] => {
    if (link.kind !== 'planetary') return []
    const [sun, ring] = [gearById.get(link.sun), gearById.get(link.ring)]
    const carrier = memberOf(link.carrier)
    if (!sun || !ring || !carrier) return []
    const { stationMm } = sun.gear
    return [
      {
        link,
        yMm: sun.yMm,
        stationMm,
        sunRadiusMm: sun.radiusMm,
        ringRadiusMm: ring.radiusMm,
        carrierAtMm: Math.min(Math.max(stationMm, carrier.fromMm + 3), carrier.toMm - 3),
      },
    ]
  })
  const differentials = draft.links.flatMap((link): SectionDifferential[] => {
    if (link.kind !== 'differential') return []
    const on = memberById.get(link.case)
    if (!on) return []
    return [{ link, yMm: on.yMm, stationMm: (on.member.fromMm + on.member.toMm) / 2 }]
  })
  const reach = [
    ...members.map(({ yMm: y, radiusMm }) => [y, radiusMm] as const),
    ...gears.map((drawn) => [drawn.yMm, drawn.radiusMm] as const),
    ...couplers.map(
      (drawn) => [drawn.yMm, drawn.baseRadiusMm + SLEEVE_RADIUS_MM - SHAFT_RADIUS_MM] as const,
    ),
  ]
  return {
    lanes: draft.axes.map((axis, lane) => ({ axis, yMm: yMm[lane] ?? 0 })),
    members,
    gears,
    meshes: meshes.flatMap((mesh): SectionMesh[] => {
      const a = gearById.get(mesh.a.id)
      const b = gearById.get(mesh.b.id)
      if (!a || !b) return []
      const stationMm = meshStationMm(mesh.a, mesh.b)
      return [{ link: mesh.link, a, b, stationMm, isTouching: isTouching(mesh) }]
    }),
    couplers,
    planetaries,
    differentials,
    fromMm: Math.min(0, ...draft.members.map((member) => member.fromMm)),
    toMm: Math.max(1, ...draft.members.map((member) => member.toMm)),
    topMm: Math.min(-SHAFT_RADIUS_MM, ...reach.map(([y, radiusMm]) => y - radiusMm)),
    bottomMm: Math.max(SHAFT_RADIUS_MM, ...reach.map(([y, radiusMm]) => y + radiusMm)),
  }
}

function isNext(lanes: readonly [number, number], one: number, other: number): boolean {
  return (lanes[0] === one && lanes[1] === other) || (lanes[0] === other && lanes[1] === one)
}

/** How far a sleeve stands from its station along the axis; positive towards the output. */
export function sleeveShiftMm(place: CouplerPosition | undefined): number {
  switch (place?.travel) {
    case 'towards-input':
      return -SLEEVE_TRAVEL_MM
    case 'towards-output':
      return SLEEVE_TRAVEL_MM
    default:
      return 0
  }
}

/**
 * How far each sliding gear stands from where it rests, by gear id, when the
 * couplers stand at `places`, by coupler id: it goes to the station of the mate it
 * meshes with, and where it only engages dogs it moves as far as a sleeve does.
 */
export function slidShiftsMm(
  section: Section,
  places: ReadonlyMap<string, CouplerPosition>,
): ReadonlyMap<string, number> {
  const shifts = new Map<string, number>()
  for (const { coupler } of section.couplers) {
    const place = places.get(coupler.id)
    if (!place) continue
    if (sleeveShiftMm(place) !== 0)
      for (const gear of coupler.gears ?? []) shifts.set(gear, sleeveShiftMm(place))
    for (const engagement of place.engages) {
      if (engagement.kind !== 'mesh') continue
      const mesh = section.meshes.find(({ link }) => link.id === engagement.link)
      for (const drawn of mesh ? [mesh.a, mesh.b] : [])
        if (mesh && drawn.gear.mount === 'sliding')
          shifts.set(drawn.gear.id, mesh.stationMm - drawn.gear.stationMm)
    }
  }
  return shifts
}
