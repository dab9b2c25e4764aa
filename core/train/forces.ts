/**
 * Forces at the teeth, the thrust that each shaft has to take, and the loads on its
 * two bearings.
 *
 *   d  = m·z / cos β        pitch diameter (ISO 21771)
 *   Ft = 2·T / d            tangential
 *   Fr = Ft·tan αn / cos β  radial, pressing external gears apart
 *   Fa = Ft·tan β           axial, by the hand of the helix
 *
 * and of straight teeth on a cone of half angle δ, at the middle of their face,
 * Fr = Ft·tan α·cos δ and Fa = Ft·tan α·sin δ towards its wide end.
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
import type { Contact } from '../box/links/index.ts'
import { definitionOf, pairsOf } from '../box/links/index.ts'
import type { Law, Term } from './laws.ts'
import { pitchRadiusOfModuleMm } from '../box/mesh.ts'
import { toNumber } from '../number/rational.ts'
import type { Gear, Hand, Link, ShaftEnd } from '../box/types.ts'

const MM_PER_M = 1000

/** What must be known of a gear before its forces are. */
const TOOTH_DATA = [
  'module',
  'helix-angle',
  'hand',
  'pressure-angle',
  'face-width',
  'lead-angle',
] as const
/** See `TOOTH_DATA`. */
export type ToothDatum = (typeof TOOTH_DATA)[number]

/** Forces of one mesh on one gear. */
interface ToothForces {
  readonly gear: Gear
  readonly law: Law
  readonly tangentialN: number
  readonly radialN: number
  /** Positive towards the output end. */
  readonly axialN: number
}

interface BearingLoad {
  readonly stationMm: number
  readonly radialN: number
}

interface ShaftForces {
  readonly member: string
  /** What the gears push the shaft along its axis; positive towards the output end. */
  readonly thrustN: number
  readonly bearings: readonly [BearingLoad, BearingLoad]
  /** Whether the bearings are taken to stand at the ends of the shaft. */
  readonly areBearingsAssumed: boolean
}

/** What gears and shafts bear in one position. */
export interface Forces {
  readonly teeth: readonly ToothForces[]
  /** The shafts of which every loaded gear is known. */
  readonly shafts: readonly ShaftForces[]
  /** Loaded gears with what is missing of them; their shafts are left out. */
  readonly missing: readonly { readonly gear: Gear; readonly data: readonly ToothDatum[] }[]
}

/** Teeth, or a thread, of which everything is known that their forces hang on. */
interface KnownTeeth {
  readonly radiusMm: number
  readonly helixRad: number
  /** 1 for right-hand, −1 for left-hand teeth, 0 for straight ones. */
  readonly handSign: number
  readonly pressureRad: number
  /** Half the angle of the cone they are on; 0 on a cylinder. */
  readonly coneRad: number
  /** Along its shaft, the way from the narrow end of the cone to the wide one. */
  readonly wideSign: number
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
  const mates = box.draft.links.flatMap((link) =>
    pairsOf(link).flatMap(({ a, b, touch }) => {
      if (touch === 'sprockets') return []
      const mate = a === gear.id ? b : b === gear.id ? a : undefined
      const found = mate === undefined ? undefined : box.gears.get(mate)
      return found ? [{ mate: found, isExternal: touch !== 'inside' }] : []
    }),
  )
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

type Known = KnownTeeth | readonly ToothDatum[] | undefined

/** What is known of the teeth through which a body takes part in a law; undefined of none. */
type KnowTeeth = (box: BoxIndex, link: Link, term: Term) => Known

/** Teeth on a cylinder; those of a sprocket have neither helix nor pressure angle. */
function knowCylinder(box: BoxIndex, gear: Gear | undefined, isSprocket = false): Known {
  if (!gear) return undefined
  const { moduleMm, helixAngleDeg, pressureAngleDeg, hand } = withMatesData(box, gear)
  const missing: ToothDatum[] = []
  if (moduleMm === undefined) missing.push('module')
  if (!isSprocket && helixAngleDeg === undefined) missing.push('helix-angle')
  if (!isSprocket && helixAngleDeg !== undefined && helixAngleDeg > 0 && !hand) missing.push('hand')
  if (!isSprocket && pressureAngleDeg === undefined) missing.push('pressure-angle')
  if (missing.length > 0) return missing
  const helixDeg = isSprocket ? 0 : (helixAngleDeg ?? 0)
  return {
    radiusMm: pitchRadiusOfModuleMm(
      { ...gear, helixAngleDeg: helixDeg },
      gear.toothCount ?? 0,
      moduleMm ?? 0,
    ),
    helixRad: rad(helixDeg),
    handSign: helixDeg === 0 ? 0 : hand === 'left' ? -1 : 1,
    pressureRad: rad(pressureAngleDeg ?? 0),
    coneRad: 0,
    wideSign: 0,
  }
}

/** Straight teeth on a cone, where they are in the middle of the face. */
function knowCone(box: BoxIndex, link: Link, { gear }: Term): Known {
  if (link.kind !== 'bevel' || !gear) return undefined
  const isA = gear.id === link.a
  const mate = box.gears.get(isA ? link.b : link.a)
  const { moduleMm, pressureAngleDeg, faceWidthMm = mate?.faceWidthMm } = withMatesData(box, gear)
  const missing: ToothDatum[] = []
  if (moduleMm === undefined) missing.push('module')
  if (pressureAngleDeg === undefined) missing.push('pressure-angle')
  if (faceWidthMm === undefined) missing.push('face-width')
  if (missing.length > 0) return missing
  const [own, other] = [gear.toothCount ?? 0, mate?.toothCount ?? 0]
  const coneRad = Math.atan2(own, other)
  const narrows: ShaftEnd = isA ? link.aNarrows : link.bNarrows
  return {
    radiusMm: ((moduleMm ?? 0) * own - (faceWidthMm ?? 0) * Math.sin(coneRad)) / 2,
    helixRad: 0,
    handSign: 0,
    pressureRad: rad(pressureAngleDeg ?? 0),
    coneRad,
    wideSign: narrows === 'output-end' ? -1 : 1,
  }
}

/**
 * A worm is a gear of as many teeth as it has starts, whose helix is what its lead angle
 * leaves of a right angle; its wheel's helix is the lead angle, of the same hand. The module is
 * the normal one, as of every gear: the axial module of the worm is that divided by cos λ.
 * Its axis crosses that of its wheel, so that y and z of either shaft are its own.
 */
function knowThread(box: BoxIndex, link: Link, { gear }: Term): Known {
  if (link.kind !== 'worm') return undefined
  const wheel = box.gears.get(link.wheel)
  const { leadAngleDeg, hand, starts } = link
  const missing: ToothDatum[] = []
  if (wheel?.moduleMm === undefined) missing.push('module')
  if (wheel?.pressureAngleDeg === undefined) missing.push('pressure-angle')
  if (leadAngleDeg === undefined) missing.push('lead-angle')
  if (missing.length > 0) return gear ? missing : undefined
  const helixRad = gear ? rad(leadAngleDeg ?? 0) : Math.PI / 2 - rad(leadAngleDeg ?? 0)
  const teeth = gear ? (gear.toothCount ?? 0) : starts
  return {
    radiusMm: ((wheel?.moduleMm ?? 0) * teeth) / 2 / Math.cos(helixRad),
    helixRad,
    handSign: hand === 'left' ? -1 : 1,
    pressureRad: rad(wheel?.pressureAngleDeg ?? 0),
    coneRad: 0,
    wideSign: 0,
  }
}

/** How what touches is known, and where it touches: by the side of its mate, or elsewhere. */
interface ToothContact {
  readonly know: KnowTeeth
  readonly at: 'side' | 'within' | 'pull' | 'all-round'
}

const CONTACTS: Readonly<Record<Contact, ToothContact>> = {
  outside: { know: (box, _link, { gear }) => knowCylinder(box, gear), at: 'side' },
  inside: { know: (box, _link, { gear }) => knowCylinder(box, gear), at: 'within' },
  chain: { know: (box, _link, { gear }) => knowCylinder(box, gear, true), at: 'pull' },
  'all-round': { know: (box, _link, { gear }) => knowCylinder(box, gear), at: 'all-round' },
  cone: { know: knowCone, at: 'side' },
  thread: { know: knowThread, at: 'side' },
  none: { know: () => undefined, at: 'all-round' },
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
    const link = box.links.get(law.source)
    if (link?.kind !== law.kind) continue
    const contact = CONTACTS[definitionOf(link).contact]
    for (const term of law.terms) {
      const { gear, coefficient, stationMm, body } = term
      const known = contact.know(box, link, term)
      if (!known) continue
      if (!('radiusMm' in known)) {
        if (gear) missing.set(gear, known)
        continue
      }
      const torqueNmm = sense * toNumber(multiplier.mul(coefficient)) * torqueNm * MM_PER_M
      const mate =
        law.terms.find((other) => other !== term && (other.gear ?? gear) !== gear) ??
        // The thread that a wheel meets is no gear.
        (contact.know === knowThread ? law.terms.find((other) => other !== term) : undefined)
      const towards = Math.sign(laneOf(mate?.body ?? body) - laneOf(body))
      const forces = toothForces(known, torqueNmm)
      if (gear) teeth.push({ gear, law, ...forces })
      const onto = gear?.member ?? body
      const isRing = contact.at === 'within' && law.terms[1] === term
      const load = pointLoad(contact.at, isRing, known.radiusMm, torqueNmm, towards, forces)
      loads.set(onto, [...(loads.get(onto) ?? []), { ...load, stationMm }])
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
  { radiusMm, helixRad, handSign, pressureRad, coneRad, wideSign }: KnownTeeth,
  torqueNmm: number,
): Pick<ToothForces, 'tangentialN' | 'radialN' | 'axialN'> {
  const tangentialN = Math.abs(torqueNmm) / radiusMm
  const apartN = (tangentialN * Math.tan(pressureRad)) / Math.cos(helixRad)
  return {
    tangentialN,
    radialN: apartN * Math.cos(coneRad),
    axialN:
      (-handSign * (torqueNmm / radiusMm) * Math.tan(helixRad) || 0) +
      wideSign * apartN * Math.sin(coneRad),
  }
}

function pointLoad(
  at: ToothContact['at'],
  isRing: boolean,
  radiusMm: number,
  torqueNmm: number,
  towards: number,
  { tangentialN, radialN, axialN: x }: Pick<ToothForces, 'tangentialN' | 'radialN' | 'axialN'>,
): Omit<PointLoad, 'stationMm'> {
  switch (at) {
    // The tight side of a chain pulls towards the other sprocket.
    case 'pull':
      return { x, y: towards * tangentialN, z: 0, armMm: 0 }
    case 'all-round':
      return { x, y: 0, z: 0, armMm: 0 }
    default: {
      // A pinion inside its ring is touched on the side away from the ring's axis.
      const side = at === 'within' && !isRing ? -towards : towards
      const press = isRing ? side : -side
      return {
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
