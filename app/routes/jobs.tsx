import { ClipboardPlus } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { Form, Link, Outlet, useSearchParams } from 'react-router'

import type { ShopRule } from 'core'
import { checkBox, indexBox } from 'core'

import type { Route } from './+types/jobs'
import { leaveOnEnter } from '~/components/Fields.tsx'
import { withDatabase } from '~/.server/answers.ts'
import { jobsOfBox } from '~/.server/jobs.ts'
import { readRules, readShelf } from '~/.server/shelf.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import type { JobOutbox, LoadedJob } from '~/components/job/jobContext.ts'
import {
  JobOutboxProvider,
  OpenJobProvider,
  useKeptJob,
  useOpenJob,
} from '~/components/job/jobContext.ts'
import { OutboxNotices } from '~/components/outbox/OutboxNotices.tsx'
import { useChangeSettings } from '~/components/useChangeSettings.ts'
import { Warning } from '~/components/Warning.tsx'
import { isAnswered } from '~/client/away.ts'
import { staysOpen, unlessSamePage } from '~/client/staysOpen.ts'
import type { Shelf } from '~/files/shelf.ts'
import { areInitials } from '~/settings.ts'
import { entryWords } from '~/words/jobs.ts'
import { capitalize } from '~/words/names.ts'
import { readAddress } from '~/views/addresses.ts'

export interface LoadedJobs {
  readonly jobs: readonly LoadedJob[]
  readonly shelf: Shelf
  readonly rules: readonly ShopRule[]
  /** Whether they could not be had, so that there may be more. */
  readonly isAway?: boolean
}

export async function loader({ params }: Route.LoaderArgs): Promise<LoadedJobs> {
  const [jobs, shelf, rules] = await withDatabase(() =>
    Promise.all([jobsOfBox(params.boxId), readShelf(), readRules()]),
  )
  return { jobs, shelf, rules }
}

const open = staysOpen<LoadedJobs>()

const WITHOUT: LoadedJobs = {
  jobs: [],
  shelf: { initials: [], leaves: [], shims: [], stock: [] },
  rules: [],
  isAway: true,
}

/** Pages go on without the jobs where they cannot be had and were not looked at before. */
export async function clientLoader({
  params,
  serverLoader,
}: Route.ClientLoaderArgs): Promise<LoadedJobs> {
  try {
    return await open.load(params.boxId, serverLoader)
  } catch (error) {
    if (isAnswered(error)) throw error
    return WITHOUT
  }
}

export const shouldRevalidate = unlessSamePage

interface JobInHandProps {
  /** The server did not say which jobs there are. */
  readonly isAway: boolean
  readonly outbox: Pick<JobOutbox, 'isWaiting' | 'pending'>
}

/** Which job is entered into, by whom, and whether all of it is kept. */
function JobInHand({ isAway, outbox }: JobInHandProps) {
  const { settings } = useOpenBox()
  const { current, job, shelf } = useOpenJob()
  return (
    <section
      aria-label="The job in hand"
      className="border-rule no-print flex flex-wrap items-center gap-x-4 gap-y-1 border-b px-4 py-1"
    >
      {current ? (
        <>
          <p>
            <b>Job {current.number}</b>
            {job.isClosed && ' (closed)'}
            {job.intake.reference !== '' && ` · ${job.intake.reference}`}
          </p>
          <Initials value={settings.initials} known={shelf.initials} />
          <p role="status" className="text-graphite text-[0.86rem]">
            {outbox.isWaiting
              ? ''
              : outbox.pending.length > 0
                ? 'Keeping the entry…'
                : 'All entries kept'}
          </p>
        </>
      ) : isAway ? (
        <p role="status">
          Udrix does not answer: what was entered in a job of this unit is not reckoned with here.
        </p>
      ) : (
        <OpenTheFirst />
      )}
    </section>
  )
}

/** The pages that belong to a job share what is entered in it. */
export default function Jobs({ loaderData }: { readonly loaderData: LoadedJobs }) {
  const { id, draft, settings, words, setIsJobWaiting } = useOpenBox()
  useEffect(() => {
    if (loaderData.isAway !== true) open.remember(id, loaderData)
  }, [id, loaderData])
  const [search] = useSearchParams()
  const { shelf, rules, isAway = false } = loaderData
  const beside = useMemo(() => ({ sheet: draft.sheet ?? [], rules }), [draft.sheet, rules])
  const { opened: kept, outbox } = useKeptJob(
    id,
    loaderData.jobs,
    readAddress('box', search).job,
    settings.initials,
    beside,
  )
  useEffect(() => {
    setIsJobWaiting(outbox.isWaiting)
  }, [setIsJobWaiting, outbox.isWaiting])
  const box = useMemo(() => {
    const checked = checkBox(draft)
    return checked.ok ? checked.box : undefined
  }, [draft])
  const opened = useMemo(
    () => ({ ...kept, box, shelf, rules, beside, isAway }),
    [kept, box, shelf, rules, beside, isAway],
  )
  const { newer } = kept
  return (
    <OpenJobProvider value={opened}>
      <JobInHand isAway={isAway} outbox={outbox} />
      {newer && (
        <p role="status" className="bg-accent-wash flex items-center gap-3 px-4 py-1">
          Job {newer.number} of this unit is open. What you enter here goes to job{' '}
          {kept.current?.number}.
          <Link to={`/boxes/${id}/job?job=${newer.id}`} className="text-accent underline">
            Go to job {newer.number}
          </Link>
        </p>
      )}
      <OutboxNotices
        outbox={outbox}
        wordsOf={({ entry }) => [capitalize(entryWords({ box: indexBox(draft), words }, entry))]}
      />
      <JobOutboxProvider value={outbox}>
        <Outlet />
      </JobOutboxProvider>
    </OpenJobProvider>
  )
}

function OpenTheFirst() {
  const { id } = useOpenBox()
  return (
    <Form method="post" action={`/boxes/${id}/job`} className="flex flex-wrap items-center gap-3">
      <p>No job is open for this unit yet. What you measure is kept in a job.</p>
      <button className="button button-main">
        <ClipboardPlus aria-hidden /> Open a job
      </button>
    </Form>
  )
}

/** Who is entering things on this device; stays until it is changed. */
function Initials({
  value,
  known,
}: {
  readonly value: string
  /** The people of the shop. */
  readonly known: readonly string[]
}) {
  const { change, trouble } = useChangeSettings()
  const [isMistyped, setIsMistyped] = useState(false)
  const problem = isMistyped ? 'One to four letters.' : trouble
  return (
    <div className="flex flex-wrap items-center gap-2">
      <label className="flex items-center gap-2">
        Entered by
        <input
          className="field w-[5.5rem] text-center uppercase placeholder:normal-case"
          defaultValue={value}
          maxLength={4}
          placeholder="initials"
          autoComplete="off"
          list="people"
          aria-invalid={isMistyped}
          aria-describedby={problem === undefined ? undefined : 'initials-problem'}
          onKeyDown={leaveOnEnter}
          onBlur={(event) => {
            const initials = event.target.value.trim().toUpperCase()
            const isRight = areInitials(initials)
            setIsMistyped(!isRight)
            if (isRight && initials !== value) change({ initials })
          }}
        />
      </label>
      <datalist id="people">
        {known.map((initials) => (
          <option key={initials} value={initials} />
        ))}
      </datalist>
      {problem !== undefined && (
        <Warning role="alert" id="initials-problem">
          {problem}
        </Warning>
      )}
    </div>
  )
}
