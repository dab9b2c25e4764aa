import type { RefObject } from 'react'
import { useLayoutEffect, useState } from 'react'

import type { Room, Scale } from '~/views/section/scale.ts'
import { TYPE_SIZE, USUAL_ROOM } from '~/views/section/scale.ts'

/** What is written on a drawing is no smaller on the screen, in CSS pixels. */
const LEAST_TYPE_PX = 11
/** A drawing is followed in steps, so that nothing flickers; in fewer units names find no room. */
const STEP = 20
const LEAST = 160
/** A box that takes its height from the drawing has it to within rounding. */
const SLACK = 0.98

/** The room in units of which one is as large as it has to be for type to be read. */
function roomIn({ width, height }: DOMRect, usual: Pick<Scale, 'width' | 'height'>): Room {
  const [across, down] = [width / usual.width, height / usual.height]
  if (Math.min(across, down) * TYPE_SIZE >= LEAST_TYPE_PX) return USUAL_ROOM
  const units = (px: number, most: number): number => {
    const fitting = Math.floor((px * TYPE_SIZE) / LEAST_TYPE_PX / STEP) * STEP
    return Math.min(most, Math.max(LEAST, fitting))
  }
  const isLow = down < across * SLACK
  return {
    widest: units(width, USUAL_ROOM.widest),
    tallest: isLow ? units(height, USUAL_ROOM.tallest) : USUAL_ROOM.tallest,
  }
}

/**
 * The units that a drawing has room for: fewer on a small screen, so that what is written on it can
 * be read there. The usual ones until the page has been laid out. `usual` is its size in those.
 */
export function useRoom(
  drawing: RefObject<SVGSVGElement | null>,
  { width, height }: Pick<Scale, 'width' | 'height'>,
): Room {
  const [room, setRoom] = useState(USUAL_ROOM)
  useLayoutEffect(() => {
    const svg = drawing.current
    if (!svg) return undefined
    const fit = (): void => {
      const box = svg.getBoundingClientRect()
      if (box.width === 0 || box.height === 0) return
      const next = roomIn(box, { width, height })
      setRoom((now) => (now.widest === next.widest && now.tallest === next.tallest ? now : next))
    }
    const size = new ResizeObserver(fit)
    size.observe(svg)
    return () => {
      size.disconnect()
    }
  }, [drawing, width, height])
  return room
}
