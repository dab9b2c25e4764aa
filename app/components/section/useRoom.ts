import type { RefObject } from 'react'
import { useLayoutEffect, useRef, useState } from 'react'

import type { Room, Scale } from '~/views/section/scale.ts'
import { TYPE_SIZE, USUAL_ROOM } from '~/views/section/scale.ts'

/** What is written on a drawing is no smaller on the screen, in CSS pixels. */
const LEAST_TYPE_PX = 11
/** A drawing is followed in steps, so that nothing flickers; in fewer units names find no room. */
const STEP = 20
const LEAST = 160
/** An element that takes its height from the drawing has its shape to within rounding. */
const ALIKE = 0.02

type Size = Pick<Scale, 'width' | 'height'>

/** Whether an element has a height of its own: another shape than what is drawn in it. */
function hasOwnHeight(element: Size, drawn: Size): boolean {
  return Math.abs((element.height * drawn.width) / (element.width * drawn.height) - 1) > ALIKE
}

/** The room in units of which one is as large as it has to be for type to be read. */
function roomIn({ width, height }: Size, usual: Size, isHeightGiven: boolean): Room {
  const pxPerUnit = Math.min(width / usual.width, height / usual.height)
  if (pxPerUnit * TYPE_SIZE >= LEAST_TYPE_PX) return USUAL_ROOM
  const units = (px: number, most: number): number => {
    const fitting = Math.floor((px * TYPE_SIZE) / LEAST_TYPE_PX / STEP) * STEP
    return Math.min(most, Math.max(LEAST, fitting))
  }
  return {
    widest: units(width, USUAL_ROOM.widest),
    tallest: isHeightGiven ? units(height, USUAL_ROOM.tallest) : USUAL_ROOM.tallest,
  }
}

/**
 * The units that a drawing has room for: fewer on a small screen, so that what is written on it can
 * be read there. The usual ones until the page has been laid out. `usual` is its size in those.
 */
export function useRoom(drawing: RefObject<SVGSVGElement | null>, { width, height }: Size): Room {
  const [room, setRoom] = useState(USUAL_ROOM)
  // Once known it stays so: what is drawn may come to have the element's shape.
  const isHeightGiven = useRef(false)
  useLayoutEffect(() => {
    const svg = drawing.current
    if (!svg) return undefined
    const fit = (): void => {
      // As it is laid out, however much of it is enlarged.
      const box = { width: svg.clientWidth, height: svg.clientHeight }
      if (box.width === 0 || box.height === 0) return
      if (hasOwnHeight(box, svg.viewBox.baseVal)) isHeightGiven.current = true
      const next = roomIn(box, { width, height }, isHeightGiven.current)
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
