/** From millimetres of the box to units of the drawing's viewBox. */
import type { Section } from 'core'

/** What a viewBox fits into, in its units. */
export interface Room {
  readonly widest: number
  readonly tallest: number
}

/** Where there is no lack of room; the size of type in it, as in the style sheet. */
export const USUAL_ROOM: Room = { widest: 1000, tallest: 640 }
export const TYPE_SIZE = 17
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
  /** How large the drawing may be, as a share of the usual size. */
  readonly share: number
}

/**
 * A drawing of fewer units is smaller beside what is written on it. `above` is left free over the
 * section.
 */
export function scaleOf(section: Section, room = USUAL_ROOM, above = 0): Scale {
  const widthMm = section.toMm - section.fromMm
  const heightMm = section.bottomMm - section.topMm
  const [widest, tallest] = [
    room.widest - 2 * MARGIN.side,
    Math.max(room.tallest - 2 * MARGIN.topBottom - above, room.tallest / 3),
  ]
  const perMmY = Math.min(widest / widthMm, tallest / heightMm)
  const perMmX = Math.min(widest / widthMm, perMmY * MOST_STRETCH)
  return {
    perMmX,
    perMmY,
    x: (mm) => (mm - section.fromMm) * perMmX + MARGIN.side,
    y: (mm) => (mm - section.topMm) * perMmY + MARGIN.topBottom + above,
    width: widthMm * perMmX + 2 * MARGIN.side,
    height: heightMm * perMmY + 2 * MARGIN.topBottom + above,
    share: Math.min(room.widest / USUAL_ROOM.widest, room.tallest / USUAL_ROOM.tallest),
  }
}
