import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { CourseControls } from '~/components/drive/CourseControls.tsx'
import { ChangeTable, EnergyTable, WayTable } from '~/components/drive/DriveTables.tsx'
import { DriveTimeline } from '~/components/drive/DriveTimeline.tsx'
import { FigureFields } from '~/components/drive/FigureFields.tsx'
import { useDrive } from '~/components/drive/useDrive.ts'
import { useDriveTask } from '~/components/drive/useDriveTask.ts'
import { PrintButton } from '~/components/PrintButton.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { useViewState } from '~/components/useViewState.ts'
import { Warning } from '~/components/Warning.tsx'
import { CAR_FIELDS, ENGINE_FIELDS, RULE_FIELDS, TIME_FIELDS } from '~/views/drive/driveView.ts'
import { WAY_NAMES, notDrivenWords } from '~/words/drive.ts'

/** The box driven over a course, and what its changes of gear do to clutches, rings and torque. */
export default function ShiftDrive() {
  const { settings } = useOpenBox()
  const { draft, naming, positions, solver, issues } = useShift()
  const [search, change] = useViewState()
  const task = useDriveTask({ draft, positions, solver }, search)
  const { course, way, figures } = task
  const { answer, isRunning, hasFailed } = useDrive(task.job)
  const result = answer?.ok ? answer.result : undefined
  if (!solver)
    return (
      <main className="p-6">
        <title>{`${draft.name} · Drive · Udrix`}</title>
        <IssueList draft={draft} issues={issues} words={naming.words} />
      </main>
    )
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_24rem] xl:grid-cols-[minmax(0,1fr)_29rem]">
      <title>{`${draft.name} · Drive · Udrix`}</title>
      <section
        aria-label="The drive"
        aria-busy={isRunning}
        className="flex min-h-0 flex-col gap-1 px-4 pt-2 pb-3 lg:overflow-auto"
      >
        <h2 className="hidden text-[1.3rem] print:block">
          {draft.name}, {course.title}, {WAY_NAMES[way]}
        </h2>
        {answer?.ok === false && <Warning>{notDrivenWords(naming, answer)}</Warning>}
        {hasFailed && (
          <Warning>
            The drive could not be worked out in this browser. Reload the page to try again.
          </Warning>
        )}
        {result ? (
          <DriveTimeline
            solver={solver}
            result={result}
            endS={course.rows?.at(-1)?.timeS ?? 0}
            search={search}
            change={change}
          />
        ) : (
          isRunning && <p className="text-graphite p-6">Driving…</p>
        )}
      </section>
      <aside
        aria-label="Course, changes and figures"
        className="border-rule bg-sheet flex min-h-0 flex-col gap-3 border-l-2 p-4 lg:overflow-auto"
        tabIndex={0}
      >
        <CourseControls task={task} positions={positions} result={result} change={change} />
        {answer?.ok && (
          <div className="flex max-w-full flex-none flex-col gap-3 overflow-x-auto" tabIndex={0}>
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
          figures={figures.rules}
          torqueUnit={settings.torqueUnit}
          change={change}
        />
        <FigureFields
          title="How long hands and feet take"
          fields={TIME_FIELDS}
          figures={figures.times}
          torqueUnit={settings.torqueUnit}
          change={change}
        />
        <FigureFields
          title="Engine"
          fields={ENGINE_FIELDS}
          figures={figures.car.engine}
          torqueUnit={settings.torqueUnit}
          change={change}
        />
        <FigureFields
          title="Car, clutch and rings"
          fields={CAR_FIELDS}
          figures={figures.car}
          torqueUnit={settings.torqueUnit}
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
