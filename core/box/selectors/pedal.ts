/** What stands between the foot and a clutch before the input. */
import type { BoxDraft, ClutchStage } from '../types.ts'

/** The usual way from a pedal to the plates (common practice). */
export const PEDAL_STAGES: readonly ClutchStage[] = [
  { id: 'pedal', kind: 'lever', name: 'pedal', inMm: 300, outMm: 50 },
  { id: 'line', kind: 'hydraulic', name: 'cylinders', inMm: 19, outMm: 22 },
  { id: 'fork', kind: 'lever', name: 'fork and bearing', inMm: 100, outMm: 60 },
  { id: 'spring', kind: 'lever', name: 'plate', inMm: 45, outMm: 12 },
]

/** Whether a brake at the end of the pedal's way brings what turns with the input to a stand. */
export function hasShaftBrake({ clutches = [], pieces = [] }: BoxDraft): boolean {
  return (
    clutches.some(({ brakeFromMm }) => brakeFromMm !== undefined) ||
    pieces.some(({ kind }) => kind === 'shaft-brake')
  )
}
