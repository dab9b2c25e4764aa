import { useCallback } from 'react'

import type { DriveResult, DriveSample } from 'core'

import type { ChartLook } from '~/components/chart/Chart.tsx'
import { Chart } from '~/components/chart/Chart.tsx'
import { Zoomable } from '~/components/section/Zoomable.tsx'
import type { Theme } from '~/settings.ts'
import type { RoadSpeedUnit, TorqueUnit } from '~/words/format.ts'
import {
  ROAD_SPEED_UNIT_NAMES,
  TORQUE_UNIT_NAMES,
  roadSpeedIn,
  torqueUnitNm,
} from '~/words/format.ts'

interface DriveChartProps {
  readonly result: DriveResult
  /** The stretch of time that is shown. */
  readonly fromS: number
  readonly toS: number
  readonly atS: number
  readonly roadSpeedUnit: RoadSpeedUnit
  readonly torqueUnit: TorqueUnit
  /** Colours are read from the page, again whenever this changes. */
  readonly theme: Theme
  readonly onPick: (timeS: number) => void
}

/** More points than a screen is wide say nothing more. */
const MOST_POINTS = 900
/** Of the height: where each of the four begins and how high it is. */
const PANELS = [
  { top: 8, height: 14 },
  { top: 31, height: 12 },
  { top: 52, height: 12 },
  { top: 73, height: 18 },
] as const
const LEFT_PX = 62
const RIGHT_PX = 54
/** Units across the line of the moment. */
const WIDE = 10_000

/** Speed and engine, torque of the clutches, torque at the wheels and gears, over time. */
export function DriveChart(props: DriveChartProps) {
  const { result, fromS, toS, atS, roadSpeedUnit, torqueUnit, theme, onPick } = props
  const chartOf = useCallback(
    (look: ChartLook) => optionOf({ result, fromS, toS, roadSpeedUnit, torqueUnit }, look),
    [result, fromS, toS, roadSpeedUnit, torqueUnit],
  )
  const x = ((atS - fromS) / (toS - fromS)) * WIDE
  return (
    <Zoomable>
      <div
        aria-hidden
        className="relative h-full min-h-0 w-full cursor-crosshair"
        onClick={(event) => {
          const { left, width } = event.currentTarget.getBoundingClientRect()
          const part = (event.clientX - left - LEFT_PX) / (width - LEFT_PX - RIGHT_PX)
          onPick(fromS + Math.min(Math.max(part, 0), 1) * (toS - fromS))
        }}
      >
        <Chart optionOf={chartOf} theme={theme} className="h-full min-h-0 w-full" />
        {/* The moment moves by itself, so that nothing is drawn anew but a line. */}
        <div className="pointer-events-none absolute inset-y-0 right-[54px] left-[62px]">
          <svg
            className="h-full w-full overflow-hidden"
            preserveAspectRatio="none"
            viewBox={`0 0 ${WIDE} 100`}
          >
            {/* Through the panels, and not through what is written between them. */}
            {PANELS.map(({ top, height }) => (
              <line
                key={top}
                x1={x}
                x2={x}
                y1={top}
                y2={top + height}
                className="stroke-accent"
                strokeWidth={2}
                vectorEffect="non-scaling-stroke"
              />
            ))}
          </svg>
        </div>
      </div>
    </Zoomable>
  )
}

type Shown = Omit<DriveChartProps, 'theme' | 'onPick' | 'atS'>

/** The samples in the stretch that is shown, as many as a screen can tell apart. */
function samplesIn({ result: { samples }, fromS, toS }: Shown): readonly DriveSample[] {
  const within = samples.filter(({ timeS }) => timeS >= fromS && timeS <= toS)
  const every = Math.max(1, Math.ceil(within.length / MOST_POINTS))
  return within.filter((_, at) => at % every === 0)
}

function textOf({ ink }: ChartLook) {
  return { color: ink, fontSize: 14 }
}

/** Time under each panel, written under the lowest alone. */
function timeAxis(at: number, { fromS, toS }: Shown, look: ChartLook) {
  return {
    type: 'value' as const,
    gridIndex: at,
    min: Number(fromS.toFixed(2)),
    max: Number(toS.toFixed(2)),
    axisLabel: {
      ...textOf(look),
      show: at === PANELS.length - 1,
      formatter: '{value} s',
    },
    axisLine: { lineStyle: { color: look.ink }, onZero: false },
    splitLine: { lineStyle: { color: look.rule } },
  }
}

function valueAxis(at: number, name: string, look: ChartLook, more: object = {}) {
  const text = textOf(look)
  return {
    type: 'value' as const,
    gridIndex: at,
    name,
    nameTextStyle: { ...text, align: 'left' as const },
    // Clear of the figure at the top of its axis.
    nameGap: 11,
    splitNumber: 2,
    axisLabel: { ...text, hideOverlap: true, showMaxLabel: true },
    axisLine: { lineStyle: { color: look.ink } },
    splitLine: { lineStyle: { color: look.rule } },
    ...more,
  }
}

/** What each panel measures; the last is the engine’s, to the right of the first panel. */
function valueAxes(
  { result: { labels }, roadSpeedUnit, torqueUnit }: Shown,
  gears: readonly number[],
  hasTwoClutches: boolean,
  look: ChartLook,
) {
  const torque = TORQUE_UNIT_NAMES[torqueUnit]
  const axis = (at: number, name: string, more?: object) => valueAxis(at, name, look, more)
  return [
    axis(0, `${ROAD_SPEED_UNIT_NAMES[roadSpeedUnit]} ——    engine, rev/min - - - (right)`),
    axis(1, hasTwoClutches ? `First clutch, ${torque} ——    second - - -` : `Clutch, ${torque}`),
    axis(2, `Wheels, ${torque}`),
    axis(3, hasTwoClutches ? 'Gear ——    made ready - - -' : 'Gear', {
      type: 'category' as const,
      boundaryGap: false,
      // Free above and below, as the lines would else lie on the frame.
      data: ['', ...gears.map((gear) => labels[gear] ?? ''), ''],
      splitLine: { show: true, lineStyle: { color: look.rule } },
      axisTick: { show: false },
      axisLabel: { ...textOf(look), fontSize: 12, interval: 0, hideOverlap: true },
    }),
    { ...axis(0, ''), position: 'right' as const, splitLine: { show: false } },
  ]
}

function optionOf(chart: Shown, look: ChartLook) {
  const { result, roadSpeedUnit, torqueUnit } = chart
  const shown = samplesIn(chart)
  // Only gears that come up have a line of their own.
  const gears = [...new Set(shown.flatMap(({ selected, ready }) => [selected, ready]))]
    .filter((at) => at >= 0)
    .sort((one, other) => one - other)
  const lineOf = (gear: number): number | null => (gear < 0 ? null : gears.indexOf(gear) + 1)
  const unitNm = torqueUnitNm(torqueUnit)
  const clutchCount = result.samples[0]?.clutchNm.length ?? 1
  const line = (at: number, of: (sample: DriveSample) => number | null, more: object = {}) => ({
    type: 'line' as const,
    symbol: 'none' as const,
    xAxisIndex: at,
    yAxisIndex: at,
    data: shown.map((sample) => [sample.timeS, of(sample)]),
    lineStyle: { color: look.ink, width: 2 },
    ...more,
  })
  const dashed = { color: look.ink, width: 2, type: 'dashed' as const }
  return {
    grid: PANELS.map(({ top, height }) => ({
      left: LEFT_PX,
      right: RIGHT_PX,
      top: `${top}%`,
      height: `${height}%`,
    })),
    xAxis: PANELS.map((_, at) => timeAxis(at, chart, look)),
    yAxis: valueAxes(chart, gears, clutchCount > 1, look),
    series: [
      line(0, ({ mPerS }) => roadSpeedIn(mPerS * 3.6, roadSpeedUnit)),
      line(0, ({ engineRpm }) => engineRpm, { yAxisIndex: 4, lineStyle: dashed }),
      ...Array.from({ length: clutchCount }, (_, at) =>
        line(
          1,
          ({ clutchNm }) => (clutchNm[at] ?? 0) / unitNm,
          at > 0 ? { lineStyle: dashed } : {},
        ),
      ),
      line(2, ({ wheelNm }) => wheelNm / unitNm),
      line(3, ({ selected }) => lineOf(selected), { step: 'end' }),
      line(3, ({ ready }) => lineOf(ready), {
        step: 'end',
        lineStyle: { ...dashed, width: 1.5 },
      }),
    ],
  }
}
