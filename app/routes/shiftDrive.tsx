import { Suspense, lazy, useMemo, useState } from 'react'

import type { DriveWay } from 'core'
import { CHANGE_SCHOOLS, analyse, findPreselections } from 'core'

import { keepCourse, useOwnCourse } from '~/client/courseStore.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { COURSES } from '~/components/drive/courses.ts'
import { ChangeTable, EnergyTable, WayTable } from '~/components/drive/DriveTables.tsx'
import { SaveButton } from '~/components/drive/SaveButton.tsx'
import { FigureFields } from '~/components/drive/FigureFields.tsx'
import { useDrive } from '~/components/drive/useDrive.ts'
import { SelectField } from '~/components/Fields.tsx'
import { FileButton } from '~/components/FileButton.tsx'
import { PrintButton } from '~/components/PrintButton.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { useViewState } from '~/components/useViewState.ts'
import { Warning } from '~/components/Warning.tsx'
import { MOST_CSV_BYTES, TOO_LONG, formatDriveCsv, parseDriveCsv } from '~/files/driveCsv.ts'
import {
  CAR_FIELDS,
  ENGINE_FIELDS,
  RULE_FIELDS,
  TIME_FIELDS,
  carOf,
  placesOf,
  rulesOf,
  sampleAt,
  timesOf,
  topRatioOf,
  unknownAsks,
  usualCar,
} from '~/views/drive/driveView.ts'
import { WAY_NAMES, formatSeconds, momentWords, notDrivenWords } from '~/words/drive.ts'
import { listed } from '~/words/sentences.ts'

const DriveChart = lazy(() => import('~/components/drive/DriveChart.tsx'))

const OWN = 'own'
/** Shown before and after a change that was picked. */
const AROUND_S = 0.7

/** The box driven over a course, and what its changes of gear do to clutches, rings and torque. */
export default function ShiftDrive() {
  const { settings } = useOpenBox()
  const { draft, naming, positions, solver, issues } = useShift()
  const [search, change] = useViewState()
  const own = useOwnCourse()
  const [problems, setProblems] = useState<readonly string[]>([])
  const asked = search.get('drive')
  const chosen = COURSES.find(({ id }) => id === asked) ?? COURSES[0]
  const isOwn = asked === OWN && own !== null
  const csv = isOwn ? own.csv : chosen.csv
  const parsed = useMemo(() => parseDriveCsv(csv), [csv])
  const course = parsed.ok ? parsed.rows : undefined
  const ways = useMemo((): readonly DriveWay[] => {
    const canWait =
      solver !== undefined &&
      positions.some((position) => findPreselections(solver, position).length > 0)
    return canWait ? ['ready', ...CHANGE_SCHOOLS] : CHANGE_SCHOOLS
  }, [solver, positions])
  const usual = (draft.drums ?? []).length > 0 ? 'without-clutch' : ways[0]
  const way = ways.find((each) => each === search.get('way')) ?? usual ?? 'clutch'
  const settingsText = search.toString()
  const topRatio = useMemo(() => solver && topRatioOf(solver), [solver])
  const figures = useMemo(() => {
    const from = new URLSearchParams(settingsText)
    return {
      car: carOf(from, usualCar(draft, topRatio)),
      rules: rulesOf(from),
      times: timesOf(from),
    }
  }, [settingsText, draft, topRatio])
  const { car, rules, times } = figures
  const told = JSON.stringify(figures)
  const job = useMemo(
    () =>
      solver && course
        ? {
            draft,
            course,
            way,
            others: ways.filter((each) => each !== way),
            ...(JSON.parse(told) as typeof figures),
          }
        : undefined,
    [solver, draft, course, way, ways, told],
  )
  const { answer, isRunning, hasFailed } = useDrive(job)
  const endS = course?.at(-1)?.timeS ?? 0
  const atS = Math.min(Math.max(Number(search.get('at') ?? '') || 0, 0), endS)
  const zoom = Number(search.get('change') ?? '')
  const result = answer?.ok ? answer.result : undefined
  const picked = result?.changes[zoom - 1]
  const [fromS, toS] = picked
    ? [Math.max(picked.startS - AROUND_S, 0), Math.min(picked.endS + AROUND_S, endS)]
    : [0, endS]
  const sample = result && sampleAt(result, atS)
  const places = useMemo(
    () => solver && result && sample && placesOf(solver, result.labels, sample),
    [solver, result, sample],
  )
  const state = useMemo(() => solver && places && analyse(solver, places), [solver, places])
  if (!solver)
    return (
      <main className="p-6">
        <title>{`${draft.name} · Drive · Udrix`}</title>
        <IssueList draft={draft} issues={issues} words={naming.words} />
      </main>
    )
  const unknown = unknownAsks(course ?? [], positions)
  const choose = async (file: File): Promise<void> => {
    if (file.size > MOST_CSV_BYTES) {
      setProblems([TOO_LONG])
      return
    }
    const text = await file.text()
    const read = parseDriveCsv(text)
    setProblems(read.ok ? [] : read.problems)
    if (!read.ok) return
    const course = { name: file.name, csv: text }
    if (!keepCourse(course))
      setProblems([
        'It is driven, but this browser keeps nothing: choose the file again next time.',
      ])
    change({ drive: OWN, at: '', change: '' })
  }
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_24rem] xl:grid-cols-[minmax(0,1fr)_29rem]">
      <title>{`${draft.name} · Drive · Udrix`}</title>
      <section
        aria-label="The drive"
        aria-busy={isRunning}
        className="flex min-h-0 flex-col gap-1 px-4 pt-2 pb-3 lg:overflow-auto"
      >
        <h2 className="hidden text-[1.3rem] print:block">
          {draft.name}, {isOwn ? own.name : chosen.title}, {WAY_NAMES[way]}
        </h2>
        {answer?.ok === false && <Warning>{notDrivenWords(naming, answer)}</Warning>}
        {hasFailed && (
          <Warning>
            The drive could not be worked out in this browser. Reload the page to try again.
          </Warning>
        )}
        <div className="h-[21rem] min-h-[21rem] flex-[3]">
          {result ? (
            <Suspense>
              <DriveChart
                result={result}
                fromS={fromS}
                toS={toS}
                atS={atS}
                roadSpeedUnit={settings.roadSpeedUnit}
                theme={settings.theme}
                onPick={(timeS) => {
                  change({ at: timeS.toFixed(2) })
                }}
              />
            </Suspense>
          ) : (
            isRunning && <p className="text-graphite p-6">Driving…</p>
          )}
        </div>
        {result && sample && (
          <>
            <div className="no-print flex flex-wrap items-center gap-x-3">
              <label htmlFor="drive-moment" className="font-semibold">
                {momentWords(result, sample, settings.roadSpeedUnit)}
              </label>
              {picked && (
                <button
                  type="button"
                  className="button ml-auto"
                  onClick={() => {
                    change({ change: '' })
                  }}
                >
                  Whole drive
                </button>
              )}
            </div>
            <input
              id="drive-moment"
              type="range"
              className="accent-accent no-print h-[40px] w-full flex-none"
              min={fromS}
              max={toS}
              step={0.02}
              value={atS}
              aria-valuetext={momentWords(result, sample, settings.roadSpeedUnit)}
              onChange={(event) => {
                change({ at: event.target.value })
              }}
            />
            <div className="min-h-[11rem] flex-[2]">
              <SectionDrawing
                draft={draft}
                words={naming.words}
                state={state}
                drive={state?.state === 'drive' ? state : undefined}
                title={`Section along the shafts of ${draft.name} after ${formatSeconds(sample.timeS)}`}
              />
            </div>
          </>
        )}
      </section>
      <aside
        aria-label="Course, changes and figures"
        className="border-rule bg-sheet flex min-h-0 flex-col gap-3 border-l-2 p-4 lg:overflow-auto"
        tabIndex={0}
      >
        <div className="no-print grid grid-cols-2 gap-2">
          <SelectField
            label="Course"
            value={isOwn ? OWN : chosen.id}
            options={[
              ...COURSES.map(({ id, title }) => [id as string, title] as const),
              ...(own ? [[OWN, own.name] as const] : []),
            ]}
            onChange={(drive) => {
              setProblems([])
              change({ drive, at: '', change: '' })
            }}
          />
          <SelectField
            label="Gears changed"
            value={way}
            options={ways.map((each) => [each, WAY_NAMES[each]] as const)}
            onChange={(next) => {
              change({ way: next, change: '' })
            }}
          />
        </div>
        <div className="no-print flex flex-wrap gap-2">
          <FileButton
            title="CSV"
            accept=".csv,text/csv"
            onChoose={(file) => {
              void choose(file)
            }}
          />
          <SaveButton title="Course" name="course.csv" textOf={() => csv} />
          {result && (
            <SaveButton title="Result" name="drive.csv" textOf={() => formatDriveCsv(result)} />
          )}
        </div>
        {[...problems, ...(parsed.ok ? [] : parsed.problems)].map((problem) => (
          <Warning key={problem}>{problem}</Warning>
        ))}
        {unknown.length > 0 && (
          <p className="text-graphite">
            The course asks for {listed(unknown)}, which this box has not: there the rules decide.
          </p>
        )}
        {answer?.ok && (
          <div className="flex max-w-full flex-col gap-3 overflow-x-auto" tabIndex={0}>
            <ChangeTable
              changes={answer.result.changes}
              onPick={(each) => {
                change({
                  change: `${answer.result.changes.indexOf(each) + 1}`,
                  at: each.startS.toFixed(2),
                })
              }}
            />
            <WayTable figures={answer.figures} />
            <EnergyTable result={answer.result} />
          </div>
        )}
        <FigureFields
          title="Rules of changing"
          fields={RULE_FIELDS}
          figures={rules}
          change={change}
        />
        <FigureFields
          title="How long hands and feet take"
          fields={TIME_FIELDS}
          figures={times}
          change={change}
        />
        <FigureFields title="Engine" fields={ENGINE_FIELDS} figures={car.engine} change={change} />
        <FigureFields
          title="Car, clutch and rings"
          fields={CAR_FIELDS}
          figures={car}
          change={change}
        />
        <div className="no-print">
          <PrintButton />
        </div>
        <p className="text-graphite text-[0.9rem]">
          Worked out with a made-up engine and car until you enter yours; teeth and bearings lose
          nothing here. The ratios are this box’s own.
        </p>
      </aside>
    </main>
  )
}
