/**
 * Whether dogs without a ring find their gaps. Dogs come round every 2π/n. On the way in, h/v, the
 * two sides turn by Δω·h/v against one another, and what is left of the free angle is the window
 * that a dog may meet: the chance is (φ − Δω·h/v) / (2π/n), not below 0 (geometry). A dog that
 * meets a face waits for the next window, and bounces where there is none.
 */
import type { DogFigures } from '../box/types.ts'

/** What the chance cannot be worked out without. */
const NEEDED_DOG_FIGURES = [
  'count',
  'freeAngleDeg',
  'depthMm',
] as const satisfies readonly (keyof DogFigures)[]
/** A figure without which what dogs do cannot be worked out. */
export type NeededDogFigure = (typeof NEEDED_DOG_FIGURES)[number]

/** Steel on steel in gear oil (common practice). */
const USUAL_DOG_FRICTION = 0.1

/** What dogs are asked to do. */
interface DogTask {
  /** Between the two sides, in radians a second. */
  readonly slipRadPerS: number
  /** With which the coupler moves. */
  readonly speedMPerS: number
  /** Of all that is brought to the other side's speed, reduced to the dogs. */
  readonly inertiaKgM2: number
  /** That they bear, or bear against, once they are in. */
  readonly torqueNm: number
}

/** What dogs do when they are brought together while they turn past one another. */
export interface DogWork {
  /** That a dog meets a gap at its first try. */
  readonly chance: number
  /** From the first touch until all the way in, on average and at most; null where they only bounce. */
  readonly meanS: number | null
  readonly longestS: number | null
  /** The fastest slip at which they still go in. */
  readonly mostSlipRadPerS: number
  /** What is lost when the speeds become one at once. */
  readonly knockJ: number
  /** What the load does over the free angle each time that it changes its side. */
  readonly backlashJ: number
  /** By which the load draws the coupler in, or pushes it out below 0; null without a diameter. */
  readonly drawsInN: number | null
}

/** What they do, or which of their figures are missing. */
type DogResult =
  | { readonly ok: true; readonly work: DogWork }
  | { readonly ok: false; readonly missing: readonly NeededDogFigure[] }

/** What dogs make of their task. */
export function dogWork(figures: DogFigures, task: DogTask): DogResult {
  const { count, freeAngleDeg, depthMm } = figures
  if (count === undefined || freeAngleDeg === undefined || depthMm === undefined)
    return { ok: false, missing: NEEDED_DOG_FIGURES.filter((key) => figures[key] === undefined) }
  const { slipRadPerS, speedMPerS, inertiaKgM2, torqueNm } = task
  const pitch = (2 * Math.PI) / count
  const free = radians(freeAngleDeg)
  const entryS = depthMm / 1_000 / speedMPerS
  const slip = Math.abs(slipRadPerS)
  const window = Math.max(free - slip * entryS, 0)
  // Teeth that stand against one another with nothing turning stay there.
  const waitS = slip === 0 ? Infinity : (pitch - window) / slip
  const isSure = window >= pitch
  const canWait = window > 0 && (isSure || Number.isFinite(waitS))
  return {
    ok: true,
    work: {
      chance: Math.min(window / pitch, 1),
      meanS: canWait ? entryS + (isSure ? 0 : ((1 - window / pitch) * waitS) / 2) : null,
      longestS: canWait ? entryS + (isSure ? 0 : waitS) : null,
      mostSlipRadPerS: free / entryS,
      knockJ: (inertiaKgM2 * slip * slip) / 2,
      backlashJ: Math.abs(torqueNm) * free,
      drawsInN: drawnIn(figures, torqueNm),
    },
  }
}

/**
 * A face that leans by γ turns a load F along the circle into F·tan γ along the shaft; friction
 * holds against either way by µ·F (textbooks: the inclined plane, for small angles).
 */
function drawnIn(
  { meanDiameterMm, backTaperDeg = 0, friction = USUAL_DOG_FRICTION }: DogFigures,
  torqueNm: number,
): number | null {
  if (meanDiameterMm === undefined) return null
  const loadN = Math.abs(torqueNm) / (meanDiameterMm / 2_000)
  const along = Math.tan(radians(backTaperDeg))
  return loadN * Math.sign(along) * Math.max(Math.abs(along) - friction, 0)
}

function radians(angleDeg: number): number {
  return (angleDeg * Math.PI) / 180
}
