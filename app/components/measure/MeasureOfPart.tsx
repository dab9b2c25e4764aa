import { useMemo } from 'react'

import type { Measure, ReadingUnit, SheetLine } from 'core'
import { MEASURE_RULES, boundsOf, limitFor, measuredOn, readJob, unitsOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { trendPoints } from '~/views/measure/trendPoints.ts'
import { shownUnit } from '~/words/measures.ts'

import { ConeWear } from './ConeWear.tsx'
import { LimitEntry } from './LimitEntry.tsx'
import { MeasureEntry } from './MeasureEntry.tsx'
import { ShimPlanner } from './ShimPlanner.tsx'
import { TrendView } from './TrendView.tsx'

interface MeasureOfPartProps {
  readonly part: string
  readonly partName: string
  readonly measure: Measure
  /** What was read with last. */
  readonly tool: string
  readonly onTool: (tool: string) => void
  /** The unit that was chosen for this measure last; without one, what the person's settings say. */
  readonly unit: ReadingUnit | undefined
  readonly onUnit: (unit: ReadingUnit) => void
}

const NO_SHEET: readonly SheetLine[] = []

/** One measure of one part: its entry, its course over the jobs, what it asks for, its limit. */
export function MeasureOfPart({
  part,
  partName,
  measure,
  tool,
  onTool,
  unit: chosen,
  onUnit,
}: MeasureOfPartProps) {
  const { id, settings, draft } = useOpenBox()
  const { sheet = NO_SHEET } = draft
  const { job, jobs, shelf, rules, beside, current, record } = useOpenJob()
  const past = useMemo(
    () => jobs.map(({ id, entries }) => ({ id, job: readJob(entries, beside) })),
    [jobs, beside],
  )
  const isDisabled = current === undefined || job.isClosed
  const readable = unitsOf(MEASURE_RULES[measure].reads)
  const usual = readable.find((each) => each === (settings.lengthUnit === 'in' ? 'thou' : 'mm'))
  const asked = readable.find((each) => each === chosen)
  const unit = asked ?? usual ?? readable[0] ?? 'mm'
  const limits = { limits: job.limits, sheet, rules }
  const limit = limitFor(limits, part, measure, unit)
  const bounds = boundsOf(limit)
  const limitFigure = bounds?.least ?? bounds?.most
  const latest = measuredOn(job, part, measure).at(-1)
  const latestMm = latest?.judgement.figures.figure
  // The job on the page as it is here, with what has not reached the server.
  const points = trendPoints(
    past.map((each) => (each.id === current?.id ? job : each.job)),
    part,
    measure,
  )
  return (
    <>
      <MeasureEntry
        limits={limits}
        part={part}
        measure={measure}
        partName={partName}
        unit={unit}
        tool={tool}
        shelf={shelf}
        isDisabled={isDisabled}
        latest={job.findings.findLast((each) => each.part === part && each.what === measure)}
        onUnit={onUnit}
        onTool={onTool}
        onKeep={record}
      />
      {points.length > 1 && limitFigure !== undefined && (
        <TrendView
          points={points}
          limit={limitFigure}
          unit={shownUnit(MEASURE_RULES[measure].judges, unit)}
          distanceUnit={job.intake.distance?.unit === 'mi' ? 'mi' : 'km'}
          theme={settings.theme}
        />
      )}
      {measure === 'end-play' && (
        <ShimPlanner
          shelf={shelf}
          limit={limit}
          unit={unit}
          measuredMm={latestMm}
          done={job.shims.get(part)}
          isDisabled={isDisabled}
          onFit={(thicknesses, expected) => {
            record({ kind: 'shims', part, thicknesses, expected })
          }}
        />
      )}
      {measure === 'ring-gap' && (
        <ConeWear gapMm={latestMm} cones={latest?.measured.cones ?? 1} unit={unit} />
      )}
      <LimitEntry
        boxId={id}
        part={part}
        measure={measure}
        unit={unit}
        isDisabled={isDisabled}
        onKeep={record}
      />
    </>
  )
}
