/**
 * The teeth of turning gears, drifting as they do when a turning gear is seen from the
 * side. They have a canvas of their own between the parts and what is written on them,
 * and a worker that draws on it: a frame costs the page nothing.
 */
import { useEffect, useRef } from 'react'

import type { Pace } from '~/views/section/pace.ts'
import { PACES } from '~/views/section/pace.ts'
import type { MovingBlock } from '~/views/section/toothMarks.ts'
import type { MotionMessage } from '~/workers/motion.ts'

interface MotionMarksProps {
  readonly blocks: readonly MovingBlock[]
  readonly pace: Pace
  /** Size of the viewBox that the blocks are given in. */
  readonly width: number
  readonly height: number
}

/** Tells a worker what its canvas is like, at once and whenever that changes, until it is called off. */
function tellOfSurface(canvas: HTMLCanvasElement, worker: Worker): () => void {
  const tell = (): void => {
    const style = getComputedStyle(canvas)
    worker.postMessage({
      kind: 'surface',
      surface: {
        isHidden: document.hidden,
        pixelWidth: Math.round(canvas.clientWidth * devicePixelRatio),
        pixelHeight: Math.round(canvas.clientHeight * devicePixelRatio),
        pixelRatio: devicePixelRatio,
        solid: style.getPropertyValue('--steel'),
        open: style.getPropertyValue('--rule'),
      },
    } satisfies MotionMessage)
  }
  // Tells of the size at once too.
  const size = new ResizeObserver(tell)
  size.observe(canvas)
  const theme = new MutationObserver(tell)
  theme.observe(document.documentElement, { attributeFilter: ['data-theme'] })
  const dark = window.matchMedia('(prefers-color-scheme: dark)')
  dark.addEventListener('change', tell)
  document.addEventListener('visibilitychange', tell)
  return () => {
    size.disconnect()
    theme.disconnect()
    dark.removeEventListener('change', tell)
    document.removeEventListener('visibilitychange', tell)
  }
}

export function MotionMarks({ blocks, pace, width, height }: MotionMarksProps) {
  const host = useRef<HTMLDivElement>(null)
  const drawing = useRef<{ readonly canvas: HTMLCanvasElement; readonly worker: Worker }>(null)
  useEffect(() => {
    // A canvas can be handed over once only, so each worker gets a new one.
    const canvas = document.createElement('canvas')
    canvas.className = 'motion'
    host.current?.append(canvas)
    const worker = new Worker(new URL('../../workers/motion.ts', import.meta.url), {
      type: 'module',
    })
    const offscreen = canvas.transferControlToOffscreen()
    worker.postMessage({ kind: 'canvas', canvas: offscreen } satisfies MotionMessage, [offscreen])
    drawing.current = { canvas, worker }
    return () => {
      worker.terminate()
      canvas.remove()
      drawing.current = null
    }
  }, [])
  // Before the gears, so that a worker that gets both draws once.
  useEffect(() => {
    const { canvas, worker } = drawing.current ?? {}
    return canvas && worker && tellOfSurface(canvas, worker)
  }, [])
  // A change of gear asks for no style and no size: that would lay the page out anew.
  useEffect(() => {
    drawing.current?.worker.postMessage({
      kind: 'gears',
      gears: { blocks, turnsPerSecond: PACES[pace], width, height },
    } satisfies MotionMessage)
  }, [blocks, pace, width, height])
  return <div ref={host} aria-hidden data-pace={pace} className="motion" />
}
