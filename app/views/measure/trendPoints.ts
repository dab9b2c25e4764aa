/** One figure a job of the same measurement on the same part, over the distance run. */
import type { Job, Measure, TrendPoint } from 'core'
import { figureOf } from 'core'

/** As found in each job that states its distance; the latest where it was measured twice. */
export function trendPoints(
  jobs: readonly Job[],
  part: string,
  measure: Measure,
): readonly TrendPoint[] {
  return jobs.flatMap(({ intake, findings }): readonly TrendPoint[] => {
    const distanceKm = intake.distance && figureOf(intake.distance.text, intake.distance.unit)
    const latest = findings.filter(
      (finding) =>
        finding.part === part && finding.what === measure && finding.measured?.phase === 'found',
    )
    const figure = latest.at(-1)?.judgement?.figures.figure
    return typeof distanceKm === 'number' && figure !== undefined ? [{ distanceKm, figure }] : []
  })
}
