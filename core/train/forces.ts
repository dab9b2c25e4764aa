/**
 * Forces at the teeth, the thrust that each shaft has to take, and the loads on its
 * two bearings.
 *
 *   d  = m·z / cos β        pitch diameter (ISO 21771)
 *   Ft = 2·T / d            tangential
 *   Fr = Ft·tan αn / cos β  radial, pressing external gears apart
 *   Fa = Ft·tan β           axial, by the hand of the helix
 *
 * Axes: x runs along the shafts from the input end to the output end, y down the
 * drawing, z to the left of somebody who looks along x; a torque is positive
 * clockwise, seen from the input end. A mesh touches a gear at s·r on y, with s = ±1
 * towards its mate. A torque T on the gear is a force −s·T/r across the drawing, and
 * a right-hand tooth slides it along x by −T·tan β / r, as a screw in its nut.
 *
 * All axes are taken to lie in the plane of the drawing; where they do not, the
 * loads of shafts with several mates differ. A planetary set loads its members
 * evenly all round, so only its thrust remains.
 */
import type { Drive } from './analysis.ts'
import type { BoxIndex } from '../box/box.ts'
import { memberOfBody } from '../box/box.ts'
import type { Law } from './laws.ts'
import { pitchRadiusOfModuleMm } from '../box/mesh.ts'
import { toNumber } from '../number/rational.ts'
import type { Gear, Hand } from '../box/types.ts'

const MM_PER_M = 1000

/** What must be known of a gear before its forces are. */
export const TOOTH_DATA = ['module', 'helix-angle', 'hand', 'pressure-angle'] as const
export type ToothDatum = (typeof TOOTH_DATA)[number]

/** Forces of one mesh on one gear. */
export interface ToothForces {
  readonly gear: Gear
  readonly law: Law
  readonly tangentialN: number
  readonly radialN: number
  /** Positive towards the output end. */
  readonly axialN: number
}

export interface BearingLoad {
  readonly stationMm: number
  readonly radialN: number
}

export interface ShaftForces {
  readonly member: string
  /** What the gears push the shaft along its axis; positive towards the output end. */
  readonly thrustN: number
  readonly bearings: readonly [BearingLoad, BearingLoad]
  /** Whether the bearings are taken to stand at the ends of the shaft. */
  readonly areBearingsAssumed: boolean
}

export interface Forces {
  readonly teeth: readonly ToothForces[]
  /** The shafts of which every loaded gear is known. */
  readonly shafts: readonly ShaftForces[]
  /** Loaded gears with what is missing of them; their shafts are left out. */
  readonly missing: readonly { readonly gear: Gear; readonly data: readonly ToothDatum[] }[]
}

interface KnownGear {
  readonly gear: Gear
  readonly radiusMm: number
  readonly helixRad: number
  /** 1 for right-hand, −1 for left-hand teeth, 0 for straight ones. */
  readonly handSign: number
  readonly pressureRad: number
}

/** A load on a shaft at a station: along x, y and z, and the arm on y at which x acts. */
interface PointLoad {
  readonly stationMm: number
  readonly x: number
  readonly y: number
  readonly z: number
  readonly armMm: number
}

const rad = (deg: number): number => (deg * Math.PI) / 180

const OTHER_HAND: Readonly<Record<Hand, Hand>> = { right: 'left', left: 'right' }

/** A gear with what its mates, which have the same teeth, say of it. */
function withMatesData(box: BoxIndex, gear: Gear): Gear {
  const mates = box.draft.links.flatMap((link) => {
    if (link.kind !== 'external-mesh' && link.kind !== 'internal-mesh') return []
    const mate = link.a === gear.id ? link.b : link.b === gear.id ? link.a : undefined
    const found = mate === undefined ? undefined : box.gears.get(mate)
    return found ? [{ mate: found, isExternal: link.kind === 'external-mesh' }] : []
  })
  return mates.reduce<Gear>((known, { mate, isExternal }) => {
    const hand = mate.hand && (isExternal ? OTHER_HAND[mate.hand] : mate.hand)
    return {
      ...known,
      moduleMm: known.moduleMm ?? mate.moduleMm,
      helixAngleDeg: known.helixAngleDeg ?? mate.helixAngleDeg,
      pressureAngleDeg: known.pressureAngleDeg ?? mate.pressureAngleDeg,
      hand: known.hand ?? hand,
    }
  }, gear)
}

function knowGear(box: BoxIndex, gear: Gear, isChain: boolean): KnownGear | readonly ToothDatum[] {
  const { moduleMm, helixAngleDeg, pressureAngleDeg, hand } = withMatesData(box, gear)
  const missing: ToothDatum[] = []
  if (moduleMm === undefined) missing.push('module')
  if (!isChain && helixAngleDeg === undefined) missing.push('helix-angle')
  if (!isChain && helixAngleDeg !== undefined && helixAngleDeg > 0 && !hand) missing.push('hand')
  if (!isChain && pressureAngleDeg === undefined) missing.push('pressure-angle')
  if (missing.length > 0) return missing
  const helixDeg = isChain ? 0 : (helixAngleDeg ?? 0)
  return {
    gear,
    radiusMm: pitchRadiusOfModuleMm(
      { ...gear, helixAngleDeg: helixDeg },
      gear.toothCount ?? 0,
      moduleMm ?? 0,
    ),
    helixRad: rad(helixDeg),
    handSign: helixDeg === 0 ? 0 : hand === 'left' ? -1 : 1,
    pressureRad: rad(pressureAngleDeg ?? 0),
  }
}

/** Forces in one position, with `torqueNm` at the input. */
export function solveForces(box: BoxIndex, drive: Drive, torqueNm: number): Forces {
  const { draft } = box
  const lanes = new Map(draft.axes.map(({ id }, lane) => [id, lane]))
  const laneOf = (body: string): number => lanes.get(memberOfBody(box, body)?.axis ?? '') ?? 0
  const sense = draft.inputSense === 'counterclockwise' ? -1 : 1
  const teeth: ToothForces[] = []
  const missing = new Map<Gear, readonly ToothDatum[]>()
  const loads = new Map<string, PointLoad[]>()

  for (const [law, multiplier] of drive.multipliers) {
    if (multiplier.isZero()) continue
    for (const { gear, coefficient, stationMm, body } of law.terms) {
      if (!gear) continue
      const known = knowGear(box, gear, law.kind === 'chain')
      if (!('radiusMm' in known)) {
        missing.set(gear, known)
        continue
      }
      const torqueNmm = sense * toNumber(multiplier.mul(coefficient)) * torqueNm * MM_PER_M
      const mate = law.terms.find((term) => term.gear && term.gear !== gear)
      const towards = Math.sign(laneOf(mate?.body ?? body) - laneOf(body))
      const forces = toothForces(law, known, torqueNmm)
      teeth.push({ gear, law, ...forces })
      const at = loads.get(gear.member)
      const load = pointLoad(law, known, torqueNmm, towards, forces, stationMm)
      if (at) at.push(load)
      else loads.set(gear.member, [load])
    }
  }

  const unknown = new Set([...missing.keys()].map(({ member }) => member))
  const shafts = [...loads].flatMap(([id, at]): ShaftForces[] => {
    const member = box.members.get(id)
    if (!member || unknown.has(id)) return []
    const [fromMm, toMm] = member.bearingsMm ?? [member.fromMm, member.toMm]
    return [
      {
        member: id,
        thrustN: at.reduce((sum, { x }) => sum + x, 0),
        bearings: bearingLoads(at, fromMm, toMm),
        areBearingsAssumed: member.bearingsMm === undefined,
      },
    ]
  })
  return {
    teeth,
    shafts,
    missing: [...missing].map(([gear, data]) => ({ gear, data })),
  }
}

function toothForces(
  { kind }: Law,
  { radiusMm, helixRad, handSign, pressureRad }: KnownGear,
  torqueNmm: number,
): Pick<ToothForces, 'tangentialN' | 'radialN' | 'axialN'> {
  const tangentialN = Math.abs(torqueNmm) / radiusMm
  return {
    tangentialN,
    radialN: kind === 'chain' ? 0 : (tangentialN * Math.tan(pressureRad)) / Math.cos(helixRad),
    axialN: -handSign * (torqueNmm / radiusMm) * Math.tan(helixRad) || 0,
  }
}

function pointLoad(
  { kind, terms }: Law,
  { gear, radiusMm }: KnownGear,
  torqueNmm: number,
  towards: number,
  { tangentialN, radialN, axialN: x }: Pick<ToothForces, 'tangentialN' | 'radialN' | 'axialN'>,
  stationMm: number,
): PointLoad {
  switch (kind) {
    // The tight side of a chain pulls towards the other sprocket.
    case 'chain':
      return { stationMm, x, y: towards * tangentialN, z: 0, armMm: 0 }
    case 'planetary':
      return { stationMm, x, y: 0, z: 0, armMm: 0 }
    default: {
      // A pinion inside its ring is touched on the side away from the ring's axis.
      const isInternal = kind === 'internal-mesh'
      const isRing = isInternal && terms[1]?.gear === gear
      const side = isInternal && !isRing ? -towards : towards
      const press = isRing ? side : -side
      return {
        stationMm,
        x,
        y: press * radialN,
        z: side === 0 ? 0 : torqueNmm / (side * radiusMm),
        armMm: side * radiusMm,
      }
    }
  }
}

/** Two supports that together balance the loads across the shaft. */
function bearingLoads(
  loads: readonly PointLoad[],
  fromMm: number,
  toMm: number,
): readonly [BearingLoad, BearingLoad] {
  const sum = (part: (load: PointLoad) => number): number =>
    loads.reduce((total, load) => total + part(load), 0)
  const lengthMm = toMm - fromMm
  // Moments about the first bearing; thrust at the pitch line tilts the shaft as well.
  const toY = -sum(({ stationMm, y, x, armMm }) => y * (stationMm - fromMm) - x * armMm) / lengthMm
  const toZ = -sum(({ stationMm, z }) => z * (stationMm - fromMm)) / lengthMm
  const fromY = -sum(({ y }) => y) - toY
  const fromZ = -sum(({ z }) => z) - toZ
  return [
    { stationMm: fromMm, radialN: Math.hypot(fromY, fromZ) },
    { stationMm: toMm, radialN: Math.hypot(toY, toZ) },
  ]
}
