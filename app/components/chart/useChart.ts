/** A chart in an element of the page, in its colours and at its size. */
import type { EChartsCoreOption } from 'echarts/core'
import * as echarts from 'echarts/core'
import type { RefObject } from 'react'
import { useEffect, useRef } from 'react'

import type { Theme } from '~/settings.ts'

/** Read from the element: its text, its border and its typeface. */
export interface ChartLook {
  readonly ink: string
  readonly rule: string
  readonly fontFamily: string
}

/**
 * Draws what `optionOf` says into the element of the ref; again when `optionOf` or the
 * theme changes. What is used of the library is registered by the caller.
 */
export function useChart(
  optionOf: (look: ChartLook) => EChartsCoreOption,
  theme: Theme,
): RefObject<HTMLDivElement | null> {
  const element = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const container = element.current
    if (!container) return
    const chart = echarts.init(container, null, { renderer: 'svg' })
    const draw = () => {
      const { color, borderColor, fontFamily } = getComputedStyle(container)
      chart.setOption(optionOf({ ink: color, rule: borderColor, fontFamily }))
    }
    draw()
    const observer = new ResizeObserver(() => {
      chart.resize()
    })
    observer.observe(container)
    const dark = window.matchMedia('(prefers-color-scheme: dark)')
    dark.addEventListener('change', draw)
    return () => {
      dark.removeEventListener('change', draw)
      observer.disconnect()
      chart.dispose()
    }
  }, [optionOf, theme])
  return element
}
