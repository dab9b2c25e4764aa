/** Where a clutch is drawn: a cell for each stage of its way, then its plates. */
import type { Clutch, ClutchWork } from 'core'
import { fullClutch, stageRatio } from 'core'

export const CELL = { width: 150, top: 34, bottom: 150 }
/** How far something is drawn to go at the end of its way. */
const MOST_GO = 34
/** From plate to plate at the most, and how much of that is the plate. */
const MOST_PITCH = 21
const PLATE_PART = 0.6
/** Beside the plates. */
const EDGE = 8

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

/** The plates between their two ends: linings and steels by turns, as many of each as there are. */
function kindsOf(clutch: Clutch): readonly DrawnPlate['kind'][] {
  const { frictionPlateCount, steelPlateCount } = fullClutch(clutch)
  if (clutch.kind === 'single-dry') return ['friction']
  if (clutch.kind === 'twin-dry') return ['friction', 'steel', 'friction']
  const both = Math.max(frictionPlateCount, steelPlateCount)
  const byTurns = Array.from({ length: both }, (_, at): readonly DrawnPlate['kind'][] => [
    ...(at < steelPlateCount ? ['steel' as const] : []),
    ...(at < frictionPlateCount ? ['friction' as const] : []),
  ])
  return byTurns.flat()
}

/** The plates with their gaps, between ends that carry them. */
export function platesOf(clutch: Clutch, work: ClutchWork): readonly DrawnPlate[] {
  const kinds: readonly DrawnPlate['kind'][] = ['end', ...kindsOf(clutch), 'end']
  const open = work.clearanceMm > 0 ? Math.min(1, work.gapMm / work.clearanceMm) : 0
  const pitch = Math.min(MOST_PITCH, (CELL.width - 2 * EDGE) / kinds.length)
  const width = pitch * PLATE_PART
  const apart = width + (pitch - width) * open
  return kinds.map((kind, at) => ({ kind, x: EDGE + at * apart, width }))
}
