/** A picture of figures, drawn in a worker in the page's colours and at its element's size. */
import { wrap } from 'comlink'
import type { EChartsCoreOption } from 'echarts/core'
import { useEffect, useRef, useState } from 'react'

import { useMedia } from '~/components/useMedia.ts'
import type { Theme } from '~/settings.ts'
import type { ChartWorker } from '~/workers/chart.ts'

/** Colours, read from the element: of its text and its border. */
export interface ChartLook {
  readonly ink: string
  readonly rule: string
}

interface ChartProps {
  /** What is drawn, without functions in it: it goes to a worker. */
  readonly optionOf: (look: ChartLook) => EChartsCoreOption
  /** Colours are read anew whenever this changes. */
  readonly theme: Theme
  readonly className: string
}

type Draw = (...asked: Parameters<ChartWorker['draw']>) => Promise<string>

/** One for all charts, which so have no name twice within a page. */
let shared: Draw | undefined

/** Draws in the worker; rejects where that cannot be had, and starts another the next time. */
const draw: Draw = (...asked) => {
  shared ??= startWorker()
  return shared(...asked)
}

function startWorker(): Draw {
  const worker = new Worker(new URL('../../workers/chart.ts', import.meta.url), { type: 'module' })
  const remote = wrap<ChartWorker>(worker)
  const failed = new Promise<never>((_, reject) => {
    worker.addEventListener('error', () => {
      shared = undefined
      reject(new Error('the worker of the charts cannot be had'))
    })
  })
  return (...asked) => Promise.race([remote.draw(...asked), failed])
}

/** Says nothing to a reader: what it shows is told beside it. */
export function Chart({ optionOf, theme, className }: ChartProps) {
  const element = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState({ width: 0, height: 0 })
  const [{ svg, hasFailed }, setDrawn] = useState({ svg: '', hasFailed: false })
  // Where the page is left to follow the device.
  const isDarkDevice = useMedia('(prefers-color-scheme: dark)')
  useEffect(() => {
    const { current } = element
    if (!current) return undefined
    const observer = new ResizeObserver(() => {
      const { clientWidth: width, clientHeight: height } = current
      setSize((now) => (now.width === width && now.height === height ? now : { width, height }))
    })
    observer.observe(current)
    return () => {
      observer.disconnect()
    }
  }, [])
  useEffect(() => {
    const { current } = element
    if (!current || size.width === 0 || size.height === 0) return undefined
    let isWanted = true
    const { color, borderColor } = getComputedStyle(current)
    const option = optionOf({ ink: color, rule: borderColor })
    draw(option, size.width, size.height).then(
      (drawn) => {
        if (isWanted) setDrawn({ svg: drawn, hasFailed: false })
      },
      () => {
        if (isWanted) setDrawn({ svg: '', hasFailed: true })
      },
    )
    return () => {
      isWanted = false
    }
  }, [optionOf, theme, isDarkDevice, size])
  const box = `text-ink border-rule overflow-hidden ${className}`
  if (hasFailed)
    return (
      <p className={box}>
        The chart cannot be drawn now; its figures stand beside it. Reload the page to try again.
      </p>
    )
  return (
    <div
      ref={element}
      aria-hidden
      className={`${box} [&>svg]:pointer-events-none [&>svg]:block [&>svg]:h-full [&>svg]:w-full`}
      dangerouslySetInnerHTML={{ __html: svg }}
    />
  )
}
