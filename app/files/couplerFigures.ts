/** The figures of rings and dogs: what each is, in which unit, and within what it can be. */
import type { DogFigures, RingFigures } from 'core'

export interface CouplerFigure<Figures> {
  readonly key: keyof Figures
  readonly title: string
  /** With what stands between a number and it. */
  readonly unit: string
  readonly least: number
  readonly most: number
}

const mm = '\u00a0mm'

export const RING_FIELDS = [
  { key: 'meanDiameterMm', title: 'Mean diameter of the cone', unit: mm, least: 10, most: 500 },
  { key: 'halfAngleDeg', title: 'Half angle of the cone', unit: '°', least: 2, most: 30 },
  { key: 'friction', title: 'Friction of ring and cone', unit: '', least: 0.01, most: 0.5 },
  { key: 'coneCount', title: 'Cones that act together', unit: '', least: 1, most: 3 },
  { key: 'coneWidthMm', title: 'Width of the cone', unit: mm, least: 1, most: 100 },
  {
    key: 'sleeveDiameterMm',
    title: 'Diameter at the pointed teeth',
    unit: mm,
    least: 10,
    most: 500,
  },
  { key: 'tipAngleDeg', title: 'Angle of the pointed teeth', unit: '°', least: 30, most: 170 },
  { key: 'leverForceN', title: 'Force at the knob', unit: '\u00a0N', least: 1, most: 1000 },
  { key: 'leverRatio', title: 'Fork force for one at the knob', unit: '', least: 0.1, most: 50 },
] as const satisfies readonly CouplerFigure<RingFigures>[]

export const DOG_FIELDS = [
  { key: 'count', title: 'Dogs', unit: '', least: 1, most: 120 },
  { key: 'freeAngleDeg', title: 'Angle free between them', unit: '°', least: 0.1, most: 350 },
  { key: 'depthMm', title: 'Depth, all the way in', unit: mm, least: 0.5, most: 60 },
  { key: 'meanDiameterMm', title: 'Mean diameter of the dogs', unit: mm, least: 10, most: 800 },
  {
    key: 'backTaperDeg',
    title: 'Back-taper, below 0 worn round',
    unit: '°',
    least: -30,
    most: 15,
  },
  { key: 'friction', title: 'Friction of the faces', unit: '', least: 0.01, most: 0.5 },
] as const satisfies readonly CouplerFigure<DogFigures>[]

/** Dogs that leave no room for themselves: why, in a sentence; null where they fit. */
export function dogsFault({ count, freeAngleDeg }: DogFigures): string | null {
  if (count === undefined || freeAngleDeg === undefined || count * freeAngleDeg < 360) return null
  return `${count} dogs come round every ${Number((360 / count).toFixed(2))}°: the angle free between them is less than that.`
}
