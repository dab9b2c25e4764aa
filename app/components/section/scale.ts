/** From millimetres of the box to units of the drawing's viewBox. */
import type { Section } from 'core'

/** The viewBox fits into this; type sizes in the style sheet are chosen for it. */
const WIDEST = 1000
const TALLEST = 640
const MARGIN_MM = { side: 6, topBottom: 11 }

export interface Scale {
  readonly perMm: number
  readonly x: (mm: number) => number
  readonly y: (mm: number) => number
  readonly width: number
  readonly height: number
}

export function scaleOf(section: Section): Scale {
  const widthMm = section.toMm - section.fromMm + 2 * MARGIN_MM.side
  const heightMm = section.bottomMm - section.topMm + 2 * MARGIN_MM.topBottom
  const perMm = Math.min(WIDEST / widthMm, TALLEST / heightMm)
  return {
    perMm,
    x: (mm) => (mm - section.fromMm + MARGIN_MM.side) * perMm,
    y: (mm) => (mm - section.topMm + MARGIN_MM.topBottom) * perMm,
    width: widthMm * perMm,
    height: heightMm * perMm,
  }
}
