/**
 * What a ring does in the moment in which it brakes (textbooks of vehicle transmissions, from
 * memory): its cone multiplies the force on it by 1 / sin α, so that the torque of n cones is
 * T = n·µ·F·d / (2·sin α); the sleeve's pointed teeth turn the ring aside with
 * F·ds/2·(cos β − µ·sin β) / (sin β + µ·cos β), β being half the angle between their faces, and as
 * long as the cone's torque is the greater they stay shut.
 */
import type { RingFigures } from '../box/types.ts'

/** Brass on steel in gear oil (common practice 0.08 to 0.12). */
export const USUAL_FRICTION = 0.1

/** What the torque of a cone cannot be worked out without. */
const NEEDED_FIGURES = [
  'meanDiameterMm',
  'halfAngleDeg',
  'leverForceN',
  'leverRatio',
] as const satisfies readonly (keyof RingFigures)[]
/** See `NEEDED_FIGURES`. */
export type NeededFigure = (typeof NEEDED_FIGURES)[number]

/** Of a car's gearbox, pushed firmly (common practice, from memory). */
export const USUAL_RING: Readonly<Record<NeededFigure, number>> = {
  meanDiameterMm: 70,
  halfAngleDeg: 6.5,
  leverForceN: 120,
  leverRatio: 12,
}

/** The figures with usual ones in the place of those that the torque needs and nobody entered, and which these are. */
export function withUsualFigures(figures: RingFigures): {
  readonly figures: RingFigures
  readonly taken: readonly NeededFigure[]
} {
  const taken = NEEDED_FIGURES.filter((key) => figures[key] === undefined)
  const usual = Object.fromEntries(taken.map((key) => [key, USUAL_RING[key]]))
  return { figures: { ...figures, ...usual }, taken }
}

/** What a ring has to do. */
interface RingTask {
  /** Between its two sides, in radians a second. */
  readonly slipRadPerS: number
  /** Of all that it brings along, reduced to it. */
  readonly inertiaKgM2: number
  /** Against it, such as of a clutch that drags; below 0 it helps. */
  readonly dragNm: number
}

/** What a ring does to bring its two sides to one speed. */
export interface RingWork {
  readonly sleeveForceN: number
  readonly coneTorqueNm: number
  /** Null where the drag is as much as the ring has. */
  readonly timeS: number | null
  /** Of the faces past one another, at the beginning. */
  readonly slipMPerS: number
  /** Turned into heat at the ring until the speeds are equal. */
  readonly heatJ: number | null
  /** Over the face of all cones; null without its width. */
  readonly heatJPerCm2: number | null
  /** With which the pointed teeth push the ring aside; null without their figures. */
  readonly openingTorqueNm: number | null
  /** Whether the pointed teeth wait for the speeds to be equal. */
  readonly isBlocking: boolean | null
}

/** What it does, or which of its figures are missing. */
type RingResult =
  | { readonly ok: true; readonly work: RingWork }
  | { readonly ok: false; readonly missing: readonly NeededFigure[] }

/** What a ring makes of its task. */
export function ringWork(
  figures: RingFigures,
  { slipRadPerS, inertiaKgM2, dragNm }: RingTask,
): RingResult {
  const { meanDiameterMm, halfAngleDeg, leverForceN, leverRatio } = figures
  if (
    meanDiameterMm === undefined ||
    halfAngleDeg === undefined ||
    leverForceN === undefined ||
    leverRatio === undefined
  )
    return { ok: false, missing: NEEDED_FIGURES.filter((key) => figures[key] === undefined) }
  const { friction = USUAL_FRICTION, coneCount = 1, coneWidthMm } = figures
  const sleeveForceN = leverForceN * leverRatio
  const radiusM = meanDiameterMm / 2_000
  const coneTorqueNm =
    (coneCount * friction * sleeveForceN * radiusM) / Math.sin(radians(halfAngleDeg))
  const leftNm = coneTorqueNm - dragNm
  const timeS = leftNm > 0 ? (inertiaKgM2 * slipRadPerS) / leftNm : null
  // The slip falls evenly, so that on the way it is half of what it was.
  const heatJ = timeS === null ? null : (coneTorqueNm * slipRadPerS * timeS) / 2
  const faceCm2 =
    coneWidthMm === undefined ? null : (coneCount * Math.PI * meanDiameterMm * coneWidthMm) / 100
  const openingTorqueNm = openingTorque(figures, sleeveForceN, friction)
  return {
    ok: true,
    work: {
      sleeveForceN,
      coneTorqueNm,
      timeS,
      slipMPerS: slipRadPerS * radiusM,
      heatJ,
      heatJPerCm2: heatJ === null || faceCm2 === null ? null : heatJ / faceCm2,
      openingTorqueNm,
      isBlocking: openingTorqueNm === null ? null : coneTorqueNm > openingTorqueNm,
    },
  }
}

function openingTorque(
  { sleeveDiameterMm, tipAngleDeg }: RingFigures,
  sleeveForceN: number,
  friction: number,
): number | null {
  if (sleeveDiameterMm === undefined || tipAngleDeg === undefined) return null
  const half = radians(tipAngleDeg / 2)
  const across =
    (Math.cos(half) - friction * Math.sin(half)) / (Math.sin(half) + friction * Math.cos(half))
  return (sleeveForceN * sleeveDiameterMm * across) / 2_000
}

function radians(angleDeg: number): number {
  return (angleDeg * Math.PI) / 180
}
