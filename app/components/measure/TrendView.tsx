import type { ReadingUnit, TrendPoint } from 'core'
import { trendOf } from 'core'

import type { Theme } from '~/settings.ts'
import { formatFigure } from '~/words/measures.ts'

import { TrendChart } from './TrendChart.tsx'

interface TrendViewProps {
  readonly points: readonly TrendPoint[]
  readonly limit: number
  readonly unit: ReadingUnit
  readonly distanceUnit: 'km' | 'mi'
  readonly theme: Theme
}

/** How a figure went over the jobs of the unit, and where it meets its limit. */
export function TrendView({ points, limit, unit, distanceUnit, theme }: TrendViewProps) {
  const trend = trendOf(points, limit)
  if (!trend) return null
  const { limitKm, earliestKm, latestKm } = trend
  const run = (km: number): string => formatFigure(Math.round(km / 1000) * 1000, distanceUnit)
  return (
    <section aria-label="Trend over distance" className="border-rule border-t-2 pt-2">
      <h3 className="font-semibold">Over the jobs of this unit</h3>
      <TrendChart
        points={points}
        trend={trend}
        limit={limit}
        unit={unit}
        distanceUnit={distanceUnit}
        theme={theme}
      />
      <p>
        {points
          .map(({ distanceKm, figure }) => `${formatFigure(figure, unit)} at ${run(distanceKm)}`)
          .join(', ')}
        .{' '}
        {limitKm === null
          ? 'It does not run towards its limit.'
          : `It meets the limit of ${formatFigure(limit, unit)} at about ${run(limitKm)}.`}{' '}
        {limitKm !== null &&
          (points.length < 3
            ? 'Two figures make a line and do not say how sure it is: a third will.'
            : earliestKm === null || latestKm === null
              ? 'The figures scatter too much to say between which distances.'
              : `With 90 % confidence between ${run(earliestKm)} and ${run(latestKm)}.`)}
      </p>
    </section>
  )
}
