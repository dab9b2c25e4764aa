import { useMemo, useState } from 'react'

import type { Look, Measure, ReadingUnit, UnitPart, Verdict } from 'core'
import {
  MEASURES,
  MEASURE_RULES,
  VERDICTS,
  boundsOf,
  indexBox,
  limitFor,
  measuredOn,
  readJob,
  unitParts,
  unitsOf,
  verdictsByPart,
} from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { Photos } from '~/components/job/Photos.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { ConeWear } from '~/components/measure/ConeWear.tsx'
import { FindingList } from '~/components/measure/FindingList.tsx'
import { LimitEntry } from '~/components/measure/LimitEntry.tsx'
import { MeasureEntry } from '~/components/measure/MeasureEntry.tsx'
import { PartChooser } from '~/components/measure/PartChooser.tsx'
import { ShimPlanner } from '~/components/measure/ShimPlanner.tsx'
import { TrendView } from '~/components/measure/TrendView.tsx'
import { trendPoints } from '~/views/measure/trendPoints.ts'
import { VerdictMarks, VerdictSign } from '~/components/measure/VerdictMarks.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { useViewState } from '~/components/useViewState.ts'
import { unitPartName } from '~/words/jobs.ts'
import {
  LOOK_GRADES,
  LOOK_NAMES,
  MEASURE_NAMES,
  VERDICT_NAMES,
  shownUnit,
} from '~/words/measures.ts'
import { capitalize } from '~/words/names.ts'

/** Measurements and looks, part by part, with their verdicts in the drawing. */
export default function MeasurePage() {
  const { id, draft, words, settings } = useOpenBox()
  const { job, jobs, shelf, rules, current, record } = useOpenJob()
  const [search, change] = useViewState()
  const [units, setUnits] = useState<Readonly<Partial<Record<Measure, ReadingUnit>>>>({})
  const [tool, setTool] = useState('')
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const parts = useMemo(() => unitParts(draft), [draft])
  const verdicts = useMemo(() => verdictsByPart(job), [job])
  const past = useMemo(() => jobs.map(({ id, entries }) => ({ id, job: readJob(entries) })), [jobs])
  const part: UnitPart | undefined =
    parts.find(({ ref }) => ref === search.get('part')) ??
    parts.find(({ kind }) => kind === search.get('kind')) ??
    parts[0]
  const isDisabled = current === undefined || job.isClosed
  const choose = (ref: string): void => {
    change({ part: ref, measure: '', kind: '' })
  }
  if (!part)
    return (
      <main className="p-6">
        <title>{`${draft.name} · Measure · Udrix`}</title>
        <p className="text-lg">This box has no parts yet. Lay it out first.</p>
      </main>
    )
  const asked = MEASURES.find((each) => each === search.get('measure'))
  const measure = part.measures.find((each) => each === asked) ?? part.measures[0]
  const name = unitPartName(naming, part.ref)
  const readable = measure && unitsOf(MEASURE_RULES[measure].reads)
  const usual = readable?.find((unit) =>
    settings.lengthUnit === 'in' ? unit === 'thou' : unit === 'mm',
  )
  const unit: ReadingUnit = (measure && units[measure]) ?? usual ?? readable?.[0] ?? 'mm'
  const limit = measure ? limitFor(job, rules, part.ref, measure, unit) : null
  const bounds = boundsOf(limit)
  const limitFigure = bounds?.least ?? bounds?.most
  const latest = measure && measuredOn(job, part.ref, measure).at(-1)
  const latestMm = latest?.judgement.figures.figure
  // The job on the page as it is here, with what has not reached the server.
  const points = measure
    ? trendPoints(
        past.map((each) => (each.id === current?.id ? job : each.job)),
        part.ref,
        measure,
      )
    : []
  return (
    <main className="grid min-h-0 flex-1 lg:grid-cols-[minmax(0,1fr)_23rem] xl:grid-cols-[minmax(0,1fr)_28rem]">
      <title>{`${draft.name} · Measure · Udrix`}</title>
      <section
        aria-label="Section along the shafts, and parts"
        className="flex min-h-0 flex-col gap-1 overflow-auto px-4 pt-2 pb-3"
      >
        <div className="min-h-[17rem] flex-1">
          <SectionDrawing
            draft={draft}
            words={words}
            litGear={part.kind === 'gear' ? part.id : undefined}
            title={`Section along the shafts of ${draft.name} with the verdict on each part`}
            gearHref={(gear) => `?part=gear:${gear}`}
            onChooseGear={(gear) => {
              choose(`gear:${gear}`)
            }}
            overlay={(section, scale) => (
              <VerdictMarks
                section={section}
                scale={scale}
                naming={naming}
                verdicts={verdicts}
                hrefOf={(ref) => `?part=${encodeURIComponent(ref)}`}
                onChoose={choose}
              />
            )}
          />
        </div>
        <p className="flex flex-wrap gap-x-4">
          {VERDICTS.map((verdict) => (
            <span key={verdict} className="flex items-center gap-1">
              <VerdictSign verdict={verdict} /> {VERDICT_NAMES[verdict]}
            </span>
          ))}
          <span className="text-graphite">Choose a part below or in the drawing.</span>
        </p>
        <PartChooser
          job={job}
          naming={naming}
          parts={parts}
          part={part}
          verdicts={verdicts}
          onChoose={choose}
        />
      </section>
      <aside className="border-rule bg-sheet flex min-h-0 flex-col gap-3 overflow-auto border-l-2 p-4">
        <h2 className="text-[1.35rem] leading-tight">{capitalize(name)}</h2>
        {part.measures.length > 1 && (
          <div role="group" aria-label="What is measured" className="flex flex-wrap gap-1">
            {part.measures.map((each) => (
              <button
                key={each}
                type="button"
                aria-pressed={each === measure}
                className="button aria-pressed:bg-accent-wash"
                onClick={() => {
                  change({ part: part.ref, measure: each })
                }}
              >
                {capitalize(MEASURE_NAMES[each])}
              </button>
            ))}
          </div>
        )}
        {measure && (
          <>
            <MeasureEntry
              key={`${part.ref} ${measure}`}
              job={job}
              part={part.ref}
              measure={measure}
              partName={name}
              unit={unit}
              tool={tool}
              shelf={shelf}
              rules={rules}
              isDisabled={isDisabled}
              onUnit={(next) => {
                setUnits({ ...units, [measure]: next })
              }}
              onTool={setTool}
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
                done={job.shims.get(part.ref)}
                isDisabled={isDisabled}
                onFit={(thicknesses, expected) => {
                  record({ kind: 'shims', part: part.ref, thicknesses, expected })
                }}
              />
            )}
            {measure === 'ring-gap' && (
              <ConeWear
                key={`cone ${part.ref}`}
                gapMm={latestMm}
                cones={latest?.measured.cones ?? 1}
                unit={unit}
              />
            )}
            <LimitEntry
              key={`limit ${part.ref} ${measure}`}
              part={part.ref}
              measure={measure}
              unit={unit}
              isDisabled={isDisabled}
              onKeep={record}
            />
          </>
        )}
        {part.looks.map((look) => (
          <LookButtons
            key={look}
            look={look}
            isDisabled={isDisabled}
            onGrade={(grade) => {
              record({ kind: 'look', part: part.ref, look, grade })
            }}
          />
        ))}
        <Photos key={`photos ${part.ref}`} boxId={id} part={part.ref} />
        <FindingList
          boxId={id}
          findings={job.findings.filter((finding) => finding.part === part.ref)}
          isDisabled={isDisabled}
          onRecord={record}
        />
      </aside>
    </main>
  )
}

/** What a person sees who looks at a part, in three grades. */
function LookButtons({
  look,
  isDisabled,
  onGrade,
}: {
  readonly look: Look
  readonly isDisabled: boolean
  readonly onGrade: (grade: Verdict) => void
}) {
  return (
    <fieldset disabled={isDisabled}>
      <legend className="font-semibold">{capitalize(LOOK_NAMES[look])}</legend>
      <div className="flex flex-wrap gap-1">
        {VERDICTS.map((grade) => (
          <button
            key={grade}
            type="button"
            className="button"
            onClick={() => {
              onGrade(grade)
            }}
          >
            {LOOK_GRADES[look][grade]}
          </button>
        ))}
      </div>
    </fieldset>
  )
}
