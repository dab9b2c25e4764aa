/** One figure a job of the same measurement on the same part, over the distance run. */
import type { Job, Measure, TrendPoint } from 'core'
import { figureOf, measuredOn } from 'core'

/** As found in each job that states its distance; the latest where it was measured twice. */
export function trendPoints(
  jobs: readonly Job[],
  part: string,
  measure: Measure,
): readonly TrendPoint[] {
  return jobs.flatMap((job): readonly TrendPoint[] => {
    const { intake } = job
    const distanceKm = intake.distance && figureOf(intake.distance.text, intake.distance.unit)
    const asFound = measuredOn(job, part, measure).filter(
      ({ measured }) => measured.phase === 'found',
    )
    const figure = asFound.at(-1)?.judgement.figures.figure
    return typeof distanceKm === 'number' && figure !== undefined ? [{ distanceKm, figure }] : []
  })
}
