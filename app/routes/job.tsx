import { ClipboardPlus } from 'lucide-react'
import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import { Form, Link, redirect, useLocation } from 'react-router'

import type { StageState } from 'core'
import { indexBox, stageAt, stagesOf, waitingOf } from 'core'

import type { Route } from './+types/job'
import { EntryField, TypedField } from '~/components/Fields.tsx'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { openJob } from '~/.server/jobs.ts'
import { AWAY_SENTENCE, unlessAway } from '~/client/away.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { CloseJob } from '~/components/job/CloseJob.tsx'
import { HandOverSheet } from '~/components/job/HandOverSheet.tsx'
import { HowToBegin } from '~/components/job/HowToBegin.tsx'
import { IntakeForm } from '~/components/job/IntakeForm.tsx'
import { JobLog } from '~/components/job/JobLog.tsx'
import type { LoadedJob } from '~/components/job/jobContext.ts'
import { OpenJobProvider, useJobOutbox, useOpenJob } from '~/components/job/jobContext.ts'
import { Photos } from '~/components/job/Photos.tsx'
import { StageList } from '~/components/job/StageList.tsx'
import { WaitingList } from '~/components/job/WaitingList.tsx'
import { Warning } from '~/components/Warning.tsx'
import { orderLines, totalsOf, totalsWords } from '~/views/order/orderLines.ts'
import { formatWhen } from '~/words/format.ts'
import { LONGEST_LINE, LONGEST_TEXT, tooLongWords } from '~/words/lengths.ts'
import type { Naming } from '~/words/names.ts'

/** Opens the next job of the box. */
export async function action({ params }: Route.ActionArgs) {
  const job = await withDatabase(() => openJob(params.boxId))
  if (!job) throw noSuchBox()
  return redirect(`/boxes/${params.boxId}/job?job=${job.id}`)
}

/** A job that cannot be opened now is said on the page, which stays. */
export function clientAction({ serverAction }: Route.ClientActionArgs) {
  return unlessAway(serverAction, { sentence: AWAY_SENTENCE })
}

/** The visits of the unit, and a way to open the next. */
function JobsOfUnit() {
  const { job, jobs, current } = useOpenJob()
  // Until the server has the end of this job, the next one is still this one to it.
  const isEnding = useJobOutbox().pending.length > 0
  return (
    <section aria-label="Jobs of this unit" className="mt-3">
      <h2 className="text-[1.2rem]">Jobs of this unit</h2>
      <ul>
        {jobs.map(({ id: jobId, number, openedAt }) => (
          <li key={jobId}>
            <Link
              to={`?job=${jobId}`}
              aria-current={jobId === current?.id ? 'true' : undefined}
              className="text-accent flex min-h-[44px] items-center gap-2 underline aria-[current]:font-bold"
            >
              Job {number}, opened{' '}
              <time dateTime={openedAt} suppressHydrationWarning>
                {formatWhen(new Date(openedAt))}
              </time>
            </Link>
          </li>
        ))}
      </ul>
      {job.isClosed && (
        <Form method="post" className="mt-1">
          <button className="button" disabled={isEnding}>
            <ClipboardPlus aria-hidden /> Open the next job
          </button>
        </Form>
      )}
    </section>
  )
}

const SHEET = (
  <div className="hidden print:block">
    <HandOverSheet />
  </div>
)

/** Only paper shows it: it follows what is entered once that has been painted. */
function PrintedSheet() {
  return <OpenJobProvider value={useDeferredValue(useOpenJob())}>{SHEET}</OpenJobProvider>
}

interface WhatWasEnteredProps {
  readonly current: LoadedJob
  readonly naming: Naming
  readonly stages: readonly StageState[]
}

/** What came in, what was noted and shown, the log, and the end of the job. */
function WhatWasEntered({ current, naming, stages }: WhatWasEnteredProps) {
  const { id } = useOpenBox()
  const { job, record } = useOpenJob()
  const isDisabled = job.isClosed
  // A long log is no reason to wait for what was pressed.
  const logged = useDeferredValue(job)
  const onWithdraw = useCallback(
    (entry: string) => {
      record({ kind: 'withdraw', entry })
    },
    [record],
  )
  return (
    <div className="no-print grid grid-cols-[minmax(0,1fr)] content-start gap-4">
      <IntakeForm key={current.id} intake={job.intake} isDisabled={isDisabled} onKeep={record} />
      <Jotting
        waitingFor={job.waitingFor}
        isDisabled={isDisabled}
        onNote={(text) => {
          record({ kind: 'note', text })
        }}
        onWait={(text) => {
          record({ kind: 'waiting', for: text })
        }}
      />
      <Photos boxId={id} />
      <section aria-label="Log">
        <h2 className="text-[1.2rem]">Log</h2>
        <JobLog job={logged} naming={naming} isDisabled={isDisabled} onWithdraw={onWithdraw} />
      </section>
      <CloseJob
        boxId={id}
        stages={stages}
        isClosed={job.isClosed}
        leftOut={job.leftOut}
        onRecord={record}
      />
    </div>
  )
}

/** What came in, how far the work is, and everything entered. */
export default function JobPage({ actionData }: Route.ComponentProps) {
  const { id, draft, words } = useOpenBox()
  const { job, jobs, box, shelf, isAway, current, record } = useOpenJob()
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const stages = useMemo(() => (box ? stagesOf(box, job) : []), [box, job])
  const waiting = useMemo(() => (box && current ? waitingOf(box, job) : []), [box, job, current])
  const lines = useMemo(() => (current ? orderLines(naming, job) : []), [naming, current, job])
  const { search } = useLocation()
  const isDisabled = current === undefined || job.isClosed
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)] content-start gap-x-8 gap-y-4 px-4 py-3 lg:min-h-0 lg:grid-cols-[25rem_minmax(0,1fr)] lg:overflow-auto print:block">
      <title>{`${draft.name} · Job · Udrix`}</title>
      <PrintedSheet />
      <div className="no-print">
        {actionData && <Warning role="alert">{actionData.sentence}</Warning>}
        <h2 className="text-[1.2rem]">Waits for you</h2>
        {waiting.length === 0 ? (
          <p className="py-1">
            {current ? 'Nothing.' : isAway ? 'Not known for now.' : 'No job is open.'}
          </p>
        ) : (
          <WaitingList waiting={waiting} />
        )}
        {lines.length > 0 && (
          <p className="mt-1">
            {totalsWords(totalsOf(lines), shelf.currency)}{' '}
            <Link to={`/boxes/${id}/order${search}`} className="text-accent underline">
              Parts to order
            </Link>
          </p>
        )}
        <h2 className="mt-2 text-[1.2rem]">The work in its order</h2>
        <StageList
          boxId={id}
          stages={stages}
          now={stageAt(stages)}
          isDisabled={isDisabled}
          onMark={(stage, isDone) => {
            record({ kind: 'stage', stage, isDone })
          }}
        />
        {jobs.length > 0 && <JobsOfUnit />}
      </div>
      {current ? (
        <WhatWasEntered current={current} naming={naming} stages={stages} />
      ) : (
        !isAway && jobs.length === 0 && <HowToBegin boxId={id} />
      )}
    </main>
  )
}

interface JottingProps {
  readonly waitingFor: string
  readonly isDisabled: boolean
  readonly onNote: (text: string) => void
  readonly onWait: (text: string) => void
}

/** A note, and what the job waits for. */
function Jotting({ waitingFor, isDisabled, onNote, onWait }: JottingProps) {
  const [note, setNote] = useState('')
  const isKept = note.trim() !== '' && tooLongWords(note, LONGEST_TEXT) === null
  return (
    <section aria-label="Notes" className="grid gap-2 sm:grid-cols-2">
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (!isKept) return
          onNote(note.trim())
          setNote('')
        }}
      >
        <TypedField
          label="Note"
          isGrowing
          value={note}
          longest={LONGEST_TEXT}
          isDisabled={isDisabled}
          onType={setNote}
        />
        <button className="button" disabled={isDisabled || !isKept}>
          Keep
        </button>
      </form>
      <EntryField
        key={waitingFor}
        label="Waits for"
        value={waitingFor}
        longest={LONGEST_LINE}
        isDisabled={isDisabled}
        placeholder="a bearing, the owner’s word"
        onCommit={(text) => {
          if (text.trim() !== waitingFor) onWait(text.trim())
          return null
        }}
      />
    </section>
  )
}
