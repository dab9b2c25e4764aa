/** Where a clutch is drawn: a cell for each stage of its way, then its plates. */
import type { Clutch, ClutchWork } from 'core'
import { fullClutch, stageRatio } from 'core'

export const CELL = { width: 150, top: 34, bottom: 150 }
/** How far something is drawn to go at the end of its way. */
const MOST_GO = 34
/** Between two plates at the most. */
const MOST_GAP = 9

/** How far each stage has gone on its way in and out, as it is drawn. */
export function goneOf(clutch: Clutch, work: ClutchWork): readonly (readonly [number, number])[] {
  const { inputTravelMm } = fullClutch(clutch)
  let travelMm = inputTravelMm
  return clutch.stages.map((stage, at) => {
    const fullIn = travelMm
    travelMm *= stageRatio(stage)
    const now = work.stages[at]?.travelMm ?? 0
    const share = travelMm > 0 ? now / travelMm : 0
    // The side that goes further is drawn to the end, the other as much less as it goes.
    const most = Math.max(fullIn, travelMm)
    return [(MOST_GO * share * fullIn) / most, (MOST_GO * share * travelMm) / most]
  })
}

/** A plate of a clutch from the left: what it is, how thick, and where it begins. */
export interface DrawnPlate {
  readonly kind: 'friction' | 'steel' | 'end'
  readonly x: number
  readonly width: number
}

/** The plates by turns with their gaps; between ends that carry them. */
export function platesOf(clutch: Clutch, work: ClutchWork): readonly DrawnPlate[] {
  const full = fullClutch(clutch)
  const count =
    clutch.kind === 'single-dry' ? 1 : clutch.kind === 'twin-dry' ? 2 : full.frictionPlateCount
  const widest = work.clearanceMm > 0 ? Math.min(1, work.gapMm / work.clearanceMm) : 0
  const width = Math.min(12, (CELL.width - 30) / (2 * count + 1) - MOST_GAP / 2)
  const gap = Math.min(MOST_GAP, width) * widest
  const kinds: readonly DrawnPlate['kind'][] = [
    'end',
    ...Array.from({ length: 2 * count - 1 }, (_, at) => (at % 2 === 0 ? 'friction' : 'steel')),
    'end',
  ] as const
  let x = 8
  return kinds.map((kind) => {
    const plate = { kind, x, width: Math.max(2, width) }
    x += plate.width + gap
    return plate
  })
}
