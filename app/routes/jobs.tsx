import { ClipboardPlus } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { Form, Link, Outlet, useSearchParams } from 'react-router'

import type { ShopRule } from 'core'
import { checkBox, indexBox } from 'core'

import type { Route } from './+types/jobs'
import { leaveOnEnter } from '~/components/Fields.tsx'
import { withDatabase } from '~/.server/answers.ts'
import { jobsOfBox } from '~/.server/jobs.ts'
import { readSettings } from '~/.server/settings.ts'
import { readRules, readShelf } from '~/.server/shelf.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { NextLink } from '~/components/box/Way.tsx'
import type { LoadedJob } from '~/components/job/jobContext.ts'
import {
  PEOPLE_LIST,
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

export async function loader({ params, request }: Route.LoaderArgs): Promise<LoadedJobs> {
  const { lengthUnit } = await readSettings(request)
  const [jobs, shelf, rules] = await withDatabase(() =>
    Promise.all([jobsOfBox(params.boxId), readShelf(lengthUnit), readRules()]),
  )
  return { jobs, shelf, rules }
}

const open = staysOpen<LoadedJobs>()

const WITHOUT: LoadedJobs = {
  jobs: [],
  shelf: { initials: [], leaves: [], shims: [], stock: [], currency: '' },
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

/** Which job is entered into, and by whom; `isAway` where the server did not say which there are. */
function JobInHand({ isAway }: { readonly isAway: boolean }) {
  const { settings } = useOpenBox()
  const { current, job, shelf } = useOpenJob()
  return (
    <section
      aria-label="The job in hand"
      className="border-rule no-print flex items-center gap-x-4 border-b pl-4 pr-2 max-sm:gap-x-2 max-sm:pl-3"
    >
      {current ? (
        <>
          <p className="flex-none">
            <b>Job {current.number}</b>
            {job.intake.assignee && ` of ${job.intake.assignee}`}
            {job.isClosed && ' (closed)'}
            {job.intake.reference !== '' && (
              <span className="max-sm:sr-only">{` · ${job.intake.reference}`}</span>
            )}
          </p>
          <Initials value={settings.initials} known={shelf.initials} />
        </>
      ) : isAway ? (
        <p role="status">
          Udrix does not answer: what was entered in a job of this unit is not reckoned with here.
        </p>
      ) : (
        <OpenTheFirst />
      )}
      {(current !== undefined || isAway) && <NextLink />}
    </section>
  )
}

/** The pages that belong to a job share what is entered in it. */
export default function Jobs({ loaderData }: { readonly loaderData: LoadedJobs }) {
  const { id, draft, settings, words, setEntries } = useOpenBox()
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
  const isOnItsWay = outbox.pending.length > 0
  useEffect(() => {
    setEntries(outbox.isWaiting ? 'waiting' : isOnItsWay ? 'on-their-way' : 'kept')
    return () => {
      // A page of no job hears of no answer; what waits is still told.
      setEntries((entries) => (entries === 'waiting' ? entries : 'kept'))
    }
  }, [setEntries, outbox.isWaiting, isOnItsWay])
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
      <JobInHand isAway={isAway} />
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
    <Form method="post" action={`/boxes/${id}/job`} className="flex flex-1 items-center gap-3">
      <p>
        No job is open for this unit yet.
        <span className="max-sm:hidden"> What you measure is kept in a job.</span>
      </p>
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
        <span>
          <span className="max-sm:sr-only">Entered</span> by
        </span>
        <input
          className="field w-[5.2rem] text-center max-sm:w-[4.2rem] max-sm:px-0 uppercase placeholder:normal-case"
          defaultValue={value}
          maxLength={4}
          placeholder="initials"
          autoComplete="off"
          list={PEOPLE_LIST}
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
      <datalist id={PEOPLE_LIST}>
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
