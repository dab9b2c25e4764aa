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
  useEffect(() => {
    const { canvas, worker } = drawing.current ?? {}
    if (!canvas || !worker) return
    const show = (): void => {
      const style = getComputedStyle(canvas)
      worker.postMessage({
        kind: 'scene',
        scene: {
          blocks,
          turnsPerSecond: document.hidden ? 0 : PACES[pace],
          width,
          height,
          pixelWidth: Math.round(canvas.clientWidth * devicePixelRatio),
          pixelHeight: Math.round(canvas.clientHeight * devicePixelRatio),
          pixelRatio: devicePixelRatio,
          solid: style.getPropertyValue('--steel'),
          open: style.getPropertyValue('--rule'),
        },
      } satisfies MotionMessage)
    }
    const size = new ResizeObserver(show)
    size.observe(canvas)
    const theme = new MutationObserver(show)
    theme.observe(document.documentElement, { attributeFilter: ['data-theme'] })
    const dark = window.matchMedia('(prefers-color-scheme: dark)')
    dark.addEventListener('change', show)
    document.addEventListener('visibilitychange', show)
    show()
    return () => {
      size.disconnect()
      theme.disconnect()
      dark.removeEventListener('change', show)
      document.removeEventListener('visibilitychange', show)
    }
  }, [blocks, pace, width, height])
  return <div ref={host} aria-hidden data-pace={pace} className="motion" />
}
