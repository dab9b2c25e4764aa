/** From millimetres of the box to units of the drawing's viewBox. */
import type { Section } from 'core'

/** The viewBox fits into this; type sizes in the style sheet are chosen for it. */
const WIDEST = 1000
const TALLEST = 640
/** Room for the names over the outermost gears, and at the sides, in viewBox units. */
const MARGIN = { side: 14, topBottom: 30 }
/** How much longer than high a millimetre may be drawn where the box is short and tall. */
const MOST_STRETCH = 2

/** Heights are to one scale, lengths along the shafts to another. */
export interface Scale {
  readonly perMmX: number
  readonly perMmY: number
  readonly x: (mm: number) => number
  readonly y: (mm: number) => number
  readonly width: number
  readonly height: number
}

export function scaleOf(section: Section): Scale {
  const widthMm = section.toMm - section.fromMm
  const heightMm = section.bottomMm - section.topMm
  const [widest, tallest] = [WIDEST - 2 * MARGIN.side, TALLEST - 2 * MARGIN.topBottom]
  const perMmY = Math.min(widest / widthMm, tallest / heightMm)
  const perMmX = Math.min(widest / widthMm, perMmY * MOST_STRETCH)
  return {
    perMmX,
    perMmY,
    x: (mm) => (mm - section.fromMm) * perMmX + MARGIN.side,
    y: (mm) => (mm - section.topMm) * perMmY + MARGIN.topBottom,
    width: widthMm * perMmX + 2 * MARGIN.side,
    height: heightMm * perMmY + 2 * MARGIN.topBottom,
  }
}
