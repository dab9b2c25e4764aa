/** The figures of a ring: what each is, in which unit, and within what it can be. */
import type { RingFigures } from 'core'

export interface RingField {
  readonly key: keyof RingFigures
  readonly title: string
  /** With what stands between a number and it. */
  readonly unit: string
  readonly least: number
  readonly most: number
}

export const RING_FIELDS = [
  {
    key: 'meanDiameterMm',
    title: 'Mean diameter of the cone',
    unit: '\u00a0mm',
    least: 10,
    most: 500,
  },
  { key: 'halfAngleDeg', title: 'Half angle of the cone', unit: '°', least: 2, most: 30 },
  { key: 'friction', title: 'Friction of ring and cone', unit: '', least: 0.01, most: 0.5 },
  { key: 'coneCount', title: 'Cones that act together', unit: '', least: 1, most: 3 },
  { key: 'coneWidthMm', title: 'Width of the cone', unit: '\u00a0mm', least: 1, most: 100 },
  {
    key: 'sleeveDiameterMm',
    title: 'Diameter at the pointed teeth',
    unit: '\u00a0mm',
    least: 10,
    most: 500,
  },
  { key: 'tipAngleDeg', title: 'Angle of the pointed teeth', unit: '°', least: 30, most: 170 },
  { key: 'leverForceN', title: 'Force at the knob', unit: '\u00a0N', least: 1, most: 1000 },
  { key: 'leverRatio', title: 'Fork force for one at the knob', unit: '', least: 0.1, most: 50 },
] as const satisfies readonly RingField[]
