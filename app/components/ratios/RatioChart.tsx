import { BarChart } from 'echarts/charts'
import { GridComponent } from 'echarts/components'
import * as echarts from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useCallback } from 'react'

import type { RatioRow } from 'core'
import { toNumber } from 'core'

import type { ChartLook } from '~/components/chart/useChart.ts'
import { useChart } from '~/components/chart/useChart.ts'
import { formatRatioFigure } from '~/words/format.ts'
import type { Theme } from '~/settings.ts'

echarts.use([BarChart, GridComponent, SVGRenderer])

interface RatioChartProps {
  readonly rows: readonly RatioRow[]
  /** Colours are read from the page, again whenever this changes. */
  readonly theme: Theme
}

/** The ratios as bars on a logarithmic scale, on which equal steps have equal height. */
export default function RatioChart({ rows, theme }: RatioChartProps) {
  const element = useChart(
    useCallback((look: ChartLook) => optionOf(rows, look), [rows]),
    theme,
  )
  return (
    <figure className="flex min-h-[15rem] min-w-0 flex-col">
      <figcaption className="text-lg font-semibold">
        Ratios, turns in for one turn out (logarithmic: equal steps are equally high)
      </figcaption>
      <div ref={element} aria-hidden className="text-ink border-rule min-h-0 flex-1" />
    </figure>
  )
}

function optionOf(rows: readonly RatioRow[], { ink, rule, fontFamily }: ChartLook) {
  const driving = rows.flatMap(({ position, ratio }) =>
    ratio ? [{ label: position.label, ratio }] : [],
  )
  const text = { color: ink, fontSize: 17, fontFamily }
  const sizes = driving.map(({ ratio }) => Math.abs(toNumber(ratio)))
  return {
    animation: false,
    grid: { left: 56, right: 12, top: 30, bottom: 34 },
    xAxis: {
      type: 'category' as const,
      data: driving.map(({ label }) => label),
      axisLabel: text,
      axisLine: { lineStyle: { color: ink } },
      axisTick: { show: false },
    },
    yAxis: {
      type: 'log' as const,
      logBase: 2,
      min: Math.min(0.5, ...sizes),
      axisLabel: text,
      splitLine: { lineStyle: { color: rule } },
    },
    series: [
      {
        type: 'bar' as const,
        data: driving.map(({ ratio }) => ({
          value: Math.abs(toNumber(ratio)),
          label: { formatter: formatRatioFigure(ratio) },
        })),
        barMaxWidth: 72,
        itemStyle: { color: 'transparent', borderColor: ink, borderWidth: 2 },
        label: { show: true, position: 'top' as const, ...text, fontWeight: 700 },
      },
    ],
  }
}
