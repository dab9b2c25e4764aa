import { useCallback } from 'react'

import type { ChartLook } from '~/components/chart/Chart.tsx'
import { Chart } from '~/components/chart/Chart.tsx'
import { Zoomable } from '~/components/section/Zoomable.tsx'
import type { Theme } from '~/settings.ts'
import type { ForwardPosition, Shift, Travel } from '~/views/ratios/shiftPoints.ts'
import type { RoadSpeedUnit } from '~/words/format.ts'
import { ROAD_SPEED_UNIT_NAMES, formatNumber, roadSpeedIn } from '~/words/format.ts'

interface ShiftChartProps {
  readonly positions: readonly ForwardPosition[]
  readonly shifts: readonly Shift[]
  readonly travel: Travel
  /** Turns a minute of the engine at which the next position is taken. */
  readonly engineRpm: number
  readonly roadSpeedUnit: RoadSpeedUnit
  /** Colours are read from the page, again whenever this changes. */
  readonly theme: Theme
}

/** Right under a corner of the way, clear of its lines, in pixels. */
const BELOW = [26, 2] as const

/** Engine speed against road speed: a line a position, and the way along them with its falls. */
export function ShiftChart(props: ShiftChartProps) {
  const { positions, shifts, travel, engineRpm, roadSpeedUnit, theme } = props
  const chartOf = useCallback(
    (look: ChartLook) => optionOf({ positions, shifts, travel, engineRpm, roadSpeedUnit }, look),
    [positions, shifts, travel, engineRpm, roadSpeedUnit],
  )
  return (
    <figure className="flex min-h-[15rem] min-w-0 flex-1 flex-col">
      <figcaption className="font-semibold">
        Engine speed, rev/min, against{' '}
        {travel.kind === 'road'
          ? `road speed, ${ROAD_SPEED_UNIT_NAMES[roadSpeedUnit]}`
          : 'output speed, rev/min'}
      </figcaption>
      <div className="min-h-0 flex-1">
        <Zoomable>
          <Chart optionOf={chartOf} theme={theme} className="h-full" />
        </Zoomable>
      </div>
    </figure>
  )
}

function optionOf(
  { positions, shifts, travel, engineRpm, roadSpeedUnit }: Omit<ShiftChartProps, 'theme'>,
  { ink, rule }: ChartLook,
) {
  const text = { color: ink, fontSize: 16 }
  const along = (value: number): number =>
    travel.kind === 'road' ? roadSpeedIn(value, roadSpeedUnit) : value
  const tops = positions.map(({ ratio }) => along(travel.at(engineRpm, ratio)))
  const farthest = tops.at(-1) ?? 0
  const axis = {
    type: 'value' as const,
    min: 0,
    axisLabel: text,
    axisLine: { lineStyle: { color: ink } },
    splitLine: { lineStyle: { color: rule } },
  }
  const line = (data: unknown[], width: number) => ({
    type: 'line' as const,
    symbol: 'none' as const,
    data,
    lineStyle: { color: width > 1 ? ink : rule, width },
  })
  /** Shown beside a point of the way; points have no mark of their own. */
  const labelled = (
    value: readonly [number, number],
    formatter: string,
    position: string,
    offset: readonly [number, number] = [0, 0],
  ) => ({
    value,
    symbol: 'circle',
    symbolSize: 1,
    label: { show: true, position, offset, formatter, ...text, fontWeight: 700 },
  })
  const way = positions.flatMap(({ label }, at) => {
    const top = tops[at] ?? 0
    const shift = shifts[at]
    return [
      labelled([top, engineRpm], label, 'top'),
      ...(shift
        ? [labelled([top, shift.toRpm], formatNumber(shift.toRpm, 0), 'bottom', BELOW)]
        : []),
    ]
  })
  return {
    grid: { left: 62, right: 24, top: 28, bottom: 32 },
    xAxis: { ...axis, max: farthest, axisLabel: { ...text, showMaxLabel: false } },
    yAxis: { ...axis, max: engineRpm },
    series: [
      ...tops.map((top) =>
        line(
          [
            [0, 0],
            [top, engineRpm],
          ],
          1,
        ),
      ),
      { ...line([[0, 0], ...way], 2.5), showSymbol: true, symbolSize: 0 },
    ],
  }
}
