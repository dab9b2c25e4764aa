/** What a worm hands on, which its thread decides and no usual figure of a mesh. */
import type { Worm } from '../types.ts'

/** Hardened steel on bronze in oil, at a moderate sliding speed: a starting point (common practice). */
const USUAL_THREAD_FRICTION = 0.05
const USUAL_PRESSURE_ANGLE_DEG = 20

/**
 * What a worm hands on of the power, driving or driven by its wheel: with lead angle γ, normal
 * pressure angle α and friction μ, (cos α − μ·tan γ)/(cos α + μ·cot γ) from the worm and
 * (cos α − μ·cot γ)/(cos α + μ·tan γ) from the wheel (Shigley, Mechanical Engineering Design,
 * worm gearing, from memory). Not above 0 where the wheel cannot drive the worm.
 */
export function threadEfficiency(
  { leadAngleDeg, friction = USUAL_THREAD_FRICTION }: Pick<Worm, 'leadAngleDeg' | 'friction'>,
  pressureAngleDeg: number | undefined,
  from: 'worm' | 'wheel',
): number | undefined {
  if (leadAngleDeg === undefined) return undefined
  const tan = Math.tan((leadAngleDeg * Math.PI) / 180)
  const cos = Math.cos(((pressureAngleDeg ?? USUAL_PRESSURE_ANGLE_DEG) * Math.PI) / 180)
  return from === 'worm'
    ? (cos - friction * tan) / (cos + friction / tan)
    : (cos - friction / tan) / (cos + friction * tan)
}
