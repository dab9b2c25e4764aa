import type { ChangeAddress } from '~/views/addresses.ts'
import { memo, useEffect } from 'react'
import type { ShouldRevalidateFunctionArgs } from 'react-router'

import type { DriveWay } from 'core'
import { engageables } from 'core'

import type { Route } from './+types/shiftDrive'
import { withDatabase } from '~/.server/answers.ts'
import { unitsBeside, unitsToChoose } from '~/.server/besideUnits.ts'
import { staysOpen, unlessSamePage } from '~/client/staysOpen.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { CourseControls } from '~/components/drive/CourseControls.tsx'
import { BesidePanel } from '~/components/drive/BesidePanel.tsx'
import { ChangeTable, DrivesTable, EnergyTable } from '~/components/drive/DriveTables.tsx'
import { DriveTimeline } from '~/components/drive/DriveTimeline.tsx'
import { DriveFields } from '~/components/drive/DriveFields.tsx'
import { useDrive } from '~/components/drive/useDrive.ts'
import { useDriveTask } from '~/components/drive/useDriveTask.ts'
import { PrintButton } from '~/components/PrintButton.tsx'
import { CondemnedRings } from '~/components/shift/CondemnedRings.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { useAddress } from '~/components/useAddress.ts'
import { Warning } from '~/components/Warning.tsx'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import type { DriveAnswer } from '~/views/drive/driveJob.ts'
import { besideOf, formatBeside } from '~/views/drive/besideUnits.ts'
import { WAY_NAMES, notDrivenWords, weightlessWords } from '~/words/drive.ts'
import { formatShare } from '~/words/format.ts'
import { capitalize } from '~/words/names.ts'
import { readAddress } from '~/views/addresses.ts'

/** The units of the bench that can be put beside this one, and those that are. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const { beside: asked } = readAddress('drive', request)
  const [choices, units] = await withDatabase(() =>
    Promise.all([unitsToChoose(params.boxId), unitsBeside(asked)]),
  )
  return { asked, choices, units, isAway: false }
}

const open = staysOpen<Awaited<ReturnType<typeof loader>>>()

/** This box is driven in the browser; others have to have been asked for while the server was there. */
export function clientLoader({ params, request, serverLoader }: Route.ClientLoaderArgs) {
  const { beside: asked } = readAddress('drive', request)
  return open
    .load(`${params.boxId} ${asked}`, serverLoader)
    .catch(() => ({ asked, choices: [], units: [], isAway: true }))
}

/** The units are asked for anew only where others are named. */
export function shouldRevalidate(asked: ShouldRevalidateFunctionArgs) {
  const { currentUrl, nextUrl } = asked
  const isSame = readAddress('drive', currentUrl).beside === readAddress('drive', nextUrl).beside
  return !isSame || unlessSamePage(asked)
}

interface WhatItDoesProps {
  readonly answer: Extract<DriveAnswer, { readonly ok: true }>
  readonly way: DriveWay
  readonly loaderData: Route.ComponentProps['loaderData']
  readonly change: ChangeAddress<'drive'>
}

/** The changes of a drive one by one, and its figures beside those of other ways and units. */
const WhatItDoes = memo(function WhatItDoes(props: WhatItDoesProps) {
  const { answer, way, loaderData, change } = props
  const { draft, naming } = useShift()
  const { asked, choices, units, isAway } = loaderData
  const [own] = answer.figures
  return (
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
      <DrivesTable
        caption="The same drive, changed otherwise"
        heading="Changed"
        drives={answer.figures.map(([each, figures]) => ({
          key: each,
          name: capitalize(WAY_NAMES[each]),
          figures,
        }))}
      />
      {own && (
        <BesidePanel
          words={naming.words}
          own={{ name: draft.name, way, figures: own[1] }}
          answers={answer.beside}
          choices={choices}
          units={units}
          change={change}
        />
      )}
      {units.length < besideOf(asked).length && (
        <MissingUnits
          isAway={isAway}
          onLeaveOut={() => {
            change({ beside: formatBeside(units.map((unit) => unit.id)) })
          }}
        />
      )}
      <EnergyTable result={answer.result} />
    </div>
  )
})

/** The box driven over a course, and what its changes of gear do to clutches, rings and torque. */
export default function ShiftDrive({ loaderData }: Route.ComponentProps) {
  const { units } = loaderData
  const { id, settings } = useOpenBox()
  const { draft, naming, positions, solver, issues } = useShift()
  const [search, change] = useAddress('drive')
  useEffect(() => {
    if (!loaderData.isAway) open.remember(`${id} ${loaderData.asked}`, loaderData)
  }, [id, loaderData])
  const task = useDriveTask({ draft, solver }, units, search)
  const { course, way, figures } = task
  const { answer, isRunning, done, hasFailed } = useDrive(task.job)
  const result = answer?.ok ? answer.result : undefined
  if (!solver)
    return (
      <NothingToShow title={`${draft.name} · Drive`}>
        <IssueList draft={draft} issues={issues} words={naming.words} />
      </NothingToShow>
    )
  return (
    <WorkArea title={`${draft.name} · Drive`} panel="wide">
      <WorkMain label="The drive" isBusy={isRunning}>
        <h2 className="hidden text-[1.3rem] print:block">
          {draft.name}, {course.title}, {WAY_NAMES[way]}
        </h2>
        <CondemnedRings naming={naming} of={engageables(draft).filter(({ hasRing }) => hasRing)} />
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
          isRunning && (
            <p role="status" className="text-graphite p-6">
              Driving… {formatShare(done)} <progress value={done} max={1} />
            </p>
          )
        )}
      </WorkMain>
      <WorkPanel label="Course, changes and figures" isForReading>
        <CourseControls task={task} positions={positions} result={result} change={change} />
        {answer?.ok && isRunning && (
          <p role="status" className="text-graphite">
            {/* A text that changes would have the whole page laid out anew each time. */}
            Driving it otherwise… <progress value={done} max={1} />
          </p>
        )}
        {answer?.ok && (
          <WhatItDoes answer={answer} way={way} loaderData={loaderData} change={change} />
        )}
        <DriveFields figures={figures} torqueUnit={settings.torqueUnit} change={change} />
        <div className="no-print">
          <PrintButton />
        </div>
        <p className="text-graphite text-[0.9rem]">
          Worked out with a made-up engine and car until you enter yours; teeth and bearings lose
          nothing here. What hangs on neither engine nor wheels while a range changes turns on as it
          did until its ring takes it along: that heat is told with the change as “between”, and is
          not in the balance of the work. The ratios are this box’s own. {weightlessWords(naming)}
        </p>
      </WorkPanel>
    </WorkArea>
  )
}

/** Units that the address names and that are not beside this one. */
function MissingUnits({
  isAway,
  onLeaveOut,
}: {
  /** Whether the server could not be asked for them. */
  readonly isAway: boolean
  readonly onLeaveOut: () => void
}) {
  if (isAway)
    return (
      <p className="text-graphite">
        The other units cannot be had while the server does not answer.
      </p>
    )
  return (
    <p className="text-graphite">
      A unit that the address names is not on the bench, or is one too many.{' '}
      <button type="button" className="button-quiet text-accent underline" onClick={onLeaveOut}>
        Leave it out
      </button>
    </p>
  )
}
