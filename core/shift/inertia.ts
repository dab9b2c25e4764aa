/**
 * Moments of inertia. A body's is what somebody measured, or else what its gears and its shaft
 * come to as plain discs of steel: J = ½·π·ρ·b·(R⁴ − r⁴), with R the pitch radius, r that of the
 * shaft (textbooks of mechanics; what is turned out of a gear is not known and counts as steel).
 */
import { pitchRadiusOfModuleMm } from '../box/mesh.ts'
import { plainDiameterMm, stretchesOf } from '../box/pieces/shafts.ts'
import type { BoxIndex } from '../box/box.ts'
import type { Gear, Member } from '../box/types.ts'
import type { Rational } from '../number/rational.ts'

/** Steel (handbooks: 7.85 kg/dm³). */
const STEEL_KG_PER_MM3 = 7.85e-6
const KG_M2_PER_KG_MM2 = 1e-6

/** A disc of steel with a bore. */
export function discInertiaKgM2(widthMm: number, radiusMm: number, boreRadiusMm = 0): number {
  return (
    0.5 *
    Math.PI *
    STEEL_KG_PER_MM3 *
    widthMm *
    (radiusMm ** 4 - boreRadiusMm ** 4) *
    KG_M2_PER_KG_MM2
  )
}

/** What a body has against a change of its speed, as far as its figures are known. */
export interface Inertia {
  readonly kgM2: number
  /** Gears whose module, width or count is not known, and which are left out. */
  readonly missing: readonly Gear[]
}

function ofGear(gear: Gear, member: Member | undefined): number | undefined {
  const { toothCount, moduleMm, faceWidthMm } = gear
  if (toothCount === null || moduleMm === undefined || faceWidthMm === undefined) return undefined
  const bore = member ? plainDiameterMm(member) / 2 : 0
  return discInertiaKgM2(faceWidthMm, pitchRadiusOfModuleMm(gear, toothCount, moduleMm), bore)
}

/** What a body's inertia is about its own axis. */
export function inertiaOf(box: BoxIndex, body: string): Inertia {
  const member = box.members.get(body)
  const own = member ?? box.gears.get(body)
  if (own?.inertiaKgM2 !== undefined) return { kgM2: own.inertiaKgM2, missing: [] }
  const gears = [...box.gears.values()].filter((gear) =>
    member ? gear.member === body && gear.mount !== 'free' : gear.id === body,
  )
  const found = gears.map((gear) => ofGear(gear, box.members.get(gear.member)))
  const shaft = member
    ? stretchesOf(member)
        .map(({ fromMm, toMm, diameterMm }) => discInertiaKgM2(toMm - fromMm, diameterMm / 2))
        .reduce((sum, each) => sum + each, 0)
    : 0
  return {
    kgM2: found.reduce<number>((sum, each) => sum + (each ?? 0), shaft),
    missing: gears.filter((_, at) => found[at] === undefined),
  }
}

/** All that turns with one of several bodies, reduced to where these speeds are counted from: Σ J·(ω/ω₀)². */
export function reducedInertia(box: BoxIndex, speeds: ReadonlyMap<string, Rational>): Inertia {
  const all = [...speeds].map(([body, speed]) => ({
    ...inertiaOf(box, body),
    square: speed.toNumber() ** 2,
  }))
  return {
    kgM2: all.reduce((sum, { kgM2, square }) => sum + kgM2 * square, 0),
    missing: all.flatMap(({ missing }) => missing),
  }
}
