import type { RefObject } from 'react'
import { useLayoutEffect, useState } from 'react'

import { TYPE_SIZE, WIDEST } from '~/views/section/scale.ts'

/** What is written on a drawing is no smaller on the screen, in CSS pixels. */
const LEAST_TYPE_PX = 11
/** Below this names find no room; and it is followed in steps, so that nothing flickers. */
const NARROWEST = 320
const STEP = 20

/**
 * How many units a drawing may be wide: fewer on a small screen, so that what is written on it can
 * be read there. The usual width until the page has been laid out.
 */
export function useRoom(drawing: RefObject<SVGSVGElement | null>): number {
  const [widest, setWidest] = useState(WIDEST)
  useLayoutEffect(() => {
    const svg = drawing.current
    if (!svg) return undefined
    const fit = (): void => {
      const { width, height } = svg.getBoundingClientRect()
      const box = svg.viewBox.baseVal
      if (width === 0 || height === 0) return
      const pxPerUnit = Math.min(width / box.width, height / box.height)
      const fitting = Math.floor((widest * pxPerUnit * TYPE_SIZE) / LEAST_TYPE_PX / STEP) * STEP
      setWidest(Math.min(WIDEST, Math.max(NARROWEST, fitting)))
    }
    const size = new ResizeObserver(fit)
    size.observe(svg)
    return () => {
      size.disconnect()
    }
  }, [drawing, widest])
  return widest
}
