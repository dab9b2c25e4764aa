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

type OptionOf = (look: ChartLook) => EChartsCoreOption

/** A chart that is drawn once its element comes into sight, and never before the page is painted. */
class LazyChart {
  readonly #container: HTMLElement
  readonly #leaving = new AbortController()
  #chart: echarts.EChartsType | undefined
  #optionOf: OptionOf | undefined
  #isInSight = false
  /** What is drawn is not what is to be shown any more. */
  #isStale = false
  #frame = 0
  #later: ReturnType<typeof setTimeout> | undefined

  constructor(container: HTMLElement) {
    this.#container = container
    const { signal } = this.#leaving
    const sight = new IntersectionObserver((entries) => {
      this.#isInSight = entries.at(-1)?.isIntersecting ?? false
      if (this.#isStale) this.#drawSoon()
    })
    sight.observe(container)
    const size = new ResizeObserver(() => {
      const { clientWidth: width, clientHeight: height } = container
      // It tells of the size that it begins with too.
      if (this.#chart?.getWidth() !== width || this.#chart.getHeight() !== height)
        this.#chart?.resize()
    })
    size.observe(container)
    signal.addEventListener('abort', () => {
      sight.disconnect()
      size.disconnect()
    })
    const onTheme = () => {
      this.#drawSoon()
    }
    window
      .matchMedia('(prefers-color-scheme: dark)')
      .addEventListener('change', onTheme, { signal })
    window.addEventListener(
      'beforeprint',
      () => {
        this.#draw()
      },
      { signal },
    )
  }

  show(optionOf: OptionOf): void {
    this.#optionOf = optionOf
    this.#drawSoon()
  }

  end(): void {
    this.#leaving.abort()
    cancelAnimationFrame(this.#frame)
    clearTimeout(this.#later)
    this.#chart?.dispose()
  }

  /** What changes once more before that is drawn once. */
  #drawSoon(): void {
    this.#isStale = true
    cancelAnimationFrame(this.#frame)
    clearTimeout(this.#later)
    if (!this.#isInSight) return
    this.#frame = requestAnimationFrame(() => {
      this.#later = setTimeout(() => {
        this.#draw()
      })
    })
  }

  #draw(): void {
    if (!this.#optionOf) return
    this.#isStale = false
    const { color, borderColor, fontFamily } = getComputedStyle(this.#container)
    this.#chart ??= echarts.init(this.#container, null, { renderer: 'svg' })
    const option = this.#optionOf({ ink: color, rule: borderColor, fontFamily })
    this.#chart.setOption(option, { notMerge: true })
  }
}

/**
 * Draws what `optionOf` says into the element of the ref; again when `optionOf` or the
 * theme changes. What is used of the library is registered by the caller.
 */
export function useChart(optionOf: OptionOf, theme: Theme): RefObject<HTMLDivElement | null> {
  const element = useRef<HTMLDivElement>(null)
  const chart = useRef<LazyChart>(null)
  useEffect(() => {
    if (!element.current) return undefined
    const made = new LazyChart(element.current)
    chart.current = made
    return () => {
      made.end()
      chart.current = null
    }
  }, [])
  useEffect(() => {
    chart.current?.show(optionOf)
  }, [optionOf, theme])
  return element
}
