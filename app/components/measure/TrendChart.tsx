import { useCallback } from 'react'

import type { ReadingUnit, Trend, TrendPoint } from 'core'
import { toUnit } from 'core'

import type { ChartLook } from '~/components/chart/Chart.tsx'
import { Chart } from '~/components/chart/Chart.tsx'
import { Zoomable } from '~/components/section/Zoomable.tsx'
import type { Theme } from '~/settings.ts'
import { UNIT_NAMES } from '~/words/measures.ts'

interface TrendChartProps {
  readonly points: readonly TrendPoint[]
  readonly trend: Trend
  readonly limit: number
  readonly unit: ReadingUnit
  readonly distanceUnit: 'km' | 'mi'
  readonly theme: Theme
}

/** Figures over distance, the line through them, and the limit. */
export function TrendChart(props: TrendChartProps) {
  const { points, trend, limit, unit, distanceUnit, theme } = props
  const chartOf = useCallback(
    ({ ink, rule }: ChartLook) => {
      const text = { color: ink, fontSize: 14 }
      const far = Math.max(...points.map(({ distanceKm }) => distanceKm), trend.limitKm ?? 0) * 1.1
      const at = (km: number) => [
        toUnit(km, distanceUnit),
        toUnit(trend.atZero + trend.slopePerKm * km, unit),
      ]
      const axis = {
        axisLabel: text,
        nameTextStyle: text,
        splitLine: { lineStyle: { color: rule } },
      }
      return {
        grid: { left: 56, right: 24, top: 30, bottom: 30 },
        xAxis: {
          type: 'value',
          max: Math.ceil(toUnit(far, distanceUnit) / 1000) * 1000,
          ...axis,
        },
        yAxis: { type: 'value', scale: true, name: UNIT_NAMES[unit], ...axis },
        series: [
          {
            type: 'line',
            data: [at(0), at(far)],
            symbol: 'none',
            lineStyle: { color: ink, width: 1.5 },
            markLine: {
              silent: true,
              symbol: 'none',
              data: [{ yAxis: toUnit(limit, unit) }],
              lineStyle: { color: ink, type: 'dashed' },
              label: { ...text, formatter: 'limit', position: 'insideEndTop' },
            },
          },
          {
            type: 'scatter',
            symbolSize: 11,
            itemStyle: { color: ink },
            data: points.map(({ distanceKm, figure }) => [
              toUnit(distanceKm, distanceUnit),
              toUnit(figure, unit),
            ]),
          },
        ],
      }
    },
    [points, trend, limit, unit, distanceUnit],
  )
  return (
    <div className="h-[11rem]">
      <Zoomable>
        <Chart optionOf={chartOf} theme={theme} className="h-full" />
      </Zoomable>
    </div>
  )
}
