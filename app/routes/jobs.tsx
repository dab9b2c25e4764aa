import { ClipboardPlus, TriangleAlert, X } from 'lucide-react'
import { useMemo } from 'react'
import { Form, NavLink, Outlet, useFetcher, useSearchParams } from 'react-router'

import { checkBox } from 'core'

import type { Route } from './+types/jobs'
import { withDatabase } from '~/.server/answers.ts'
import { jobsOfBox } from '~/.server/jobs.ts'
import { readShelf } from '~/.server/shelf.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { OpenJobProvider, useKeptJob } from '~/components/job/jobContext.ts'

export async function loader({ params }: Route.LoaderArgs) {
  const [jobs, shelf] = await withDatabase(() =>
    Promise.all([jobsOfBox(params.boxId), readShelf()]),
  )
  return { jobs, shelf }
}

/** The pages that belong to a job share what is entered in it. */
export default function Jobs({ loaderData }: Route.ComponentProps) {
  const { id, draft, settings } = useOpenBox()
  const [search] = useSearchParams()
  const kept = useKeptJob(id, loaderData.jobs, search.get('job'), settings.initials)
  const box = useMemo(() => {
    const checked = checkBox(draft)
    return checked.ok ? checked.box : undefined
  }, [draft])
  const { shelf } = loaderData
  const open = useMemo(() => ({ ...kept, box, shelf }), [kept, box, shelf])
  return (
    <OpenJobProvider value={open}>
      <section
        aria-label="The job in hand"
        className="border-rule no-print flex flex-wrap items-center gap-x-4 gap-y-1 border-b px-4 py-1"
      >
        {kept.current ? (
          <>
            <p>
              <b>Job {kept.current.number}</b>
              {kept.job.isClosed && ' (closed)'}
              {kept.job.intake.reference !== '' && ` · ${kept.job.intake.reference}`}
            </p>
            <nav aria-label="Pages of this job" className="flex">
              {(
                [
                  ['job', 'Stages and log'],
                  ['order', 'Parts to order'],
                ] as const
              ).map(([page, title]) => (
                <NavLink
                  key={page}
                  to={page}
                  className={({ isActive }) =>
                    `button-quiet ${isActive ? 'text-ink underline' : ''}`
                  }
                >
                  {title}
                </NavLink>
              ))}
            </nav>
            <Initials value={settings.initials} known={shelf.initials} />
            <p role="status" className="text-graphite text-[0.86rem]">
              {kept.isWaiting
                ? ''
                : kept.pendingCount > 0
                  ? 'Keeping the entry…'
                  : 'All entries kept'}
            </p>
          </>
        ) : (
          <OpenTheFirst />
        )}
      </section>
      {kept.isWaiting && (
        <p role="alert" className="trouble bg-trouble-wash px-4 py-2">
          <TriangleAlert aria-hidden />
          <span>
            Not yet kept: Udrix does not answer.{' '}
            {kept.pendingCount === 1
              ? 'Your entry stays'
              : `Your ${kept.pendingCount} entries stay`}{' '}
            on this page, also through a reload, and {kept.pendingCount === 1 ? 'is' : 'are'} sent
            as soon as it does.
          </span>
        </p>
      )}
      {kept.refusals.length > 0 && (
        <div role="alert" className="trouble bg-trouble-wash items-center px-4 py-1">
          <TriangleAlert aria-hidden />
          <ul className="flex-1">
            {kept.refusals.map((sentence, at) => (
              <li key={at}>{sentence}</li>
            ))}
          </ul>
          <button type="button" className="button-quiet" onClick={kept.dismissRefusals}>
            <X aria-hidden /> Understood
          </button>
        </div>
      )}
      <Outlet />
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
  const fetcher = useFetcher()
  return (
    <label className="flex items-center gap-2">
      Entered by
      <input
        className="field w-[5.5rem] text-center uppercase placeholder:normal-case"
        defaultValue={value}
        maxLength={4}
        placeholder="initials"
        autoComplete="off"
        list="people"
        onBlur={(event) => {
          const initials = event.target.value.trim().toUpperCase()
          if (initials !== value)
            void fetcher.submit({ initials }, { method: 'post', action: '/settings' })
        }}
      />
      <datalist id="people">
        {known.map((initials) => (
          <option key={initials} value={initials} />
        ))}
      </datalist>
    </label>
  )
}
