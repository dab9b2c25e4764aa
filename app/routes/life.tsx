import { useMemo } from 'react'
import { Link } from 'react-router'

import { indexBox, readJob } from 'core'

import { PrintButton } from '~/components/PrintButton.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { VerdictSign } from '~/components/measure/VerdictMarks.tsx'
import { Table } from '~/components/Table.tsx'
import type { Life, LifeFinding } from '~/views/job/life.ts'
import { lifeOf } from '~/views/job/life.ts'
import { formatNumber, formatWhen, moneyHeading } from '~/words/format.ts'

/** The visits of the unit, each with what was complained of, replaced and paid. */
function JobsTable({ jobs }: Pick<Life, 'jobs'>) {
  const { id } = useOpenBox()
  const { currency } = useOpenJob().shelf
  return (
    <Table
      caption="Jobs of the unit"
      isCaptionShown
      rows={jobs}
      keyOf={(each) => each.id}
      columns={[
        {
          heading: 'Job',
          isName: true,
          className: 'whitespace-nowrap',
          cell: (each) => {
            const title = `${each.number}, ${each.isClosed ? 'closed' : 'open'}`
            return (
              <>
                <Link
                  to={`/boxes/${id}/job?job=${each.id}`}
                  className="text-accent underline print:hidden"
                >
                  {title}
                </Link>
                <span className="hidden print:inline">{title}</span>
              </>
            )
          },
        },
        {
          heading: 'Opened',
          cell: ({ openedAt }) => (
            <time dateTime={openedAt} suppressHydrationWarning>
              {formatWhen(new Date(openedAt))}
            </time>
          ),
        },
        { heading: 'Distance', cell: ({ distance }) => distance },
        { heading: 'Complaint', isLong: true, cell: ({ complaint }) => complaint },
        { heading: 'Replaced', isLong: true, cell: ({ replaced }) => replaced.join(', ') },
        {
          heading: moneyHeading('Cost', currency || 'shop’s money'),
          isRight: true,
          cell: ({ cost }) => formatNumber(cost, 2),
        },
      ]}
    />
  )
}

/** All jobs of a unit on one page: what was done in each, and how what was measured went. */
export default function LifePage() {
  const { draft, words } = useOpenBox()
  const { jobs, job, beside, current } = useOpenJob()
  const life = useMemo(() => {
    const lived = jobs.map((each) => ({
      ...each,
      // The job on the page as it is here, with what has not reached the server.
      job: each.id === current?.id ? job : readJob(each.entries, beside),
    }))
    return lifeOf({ box: indexBox(draft), words }, lived)
  }, [draft, words, jobs, job, beside, current])
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto" tabIndex={0}>
      <title>{`${draft.name} · Life · Udrix`}</title>
      <div className="mx-auto grid max-w-[72rem] gap-4 print:text-[0.82rem]">
        <div className="border-ink flex flex-wrap items-baseline justify-between gap-x-6 border-b-2 pb-1">
          <h2 className="text-[1.5rem]">{draft.name}: its life</h2>
          <PrintButton />
        </div>
        {life.jobs.length === 0 ? (
          <p>No job was opened for this unit yet. Its life begins with the first.</p>
        ) : (
          <div className="overflow-x-auto">
            <JobsTable jobs={life.jobs} />
          </div>
        )}
        {life.rows.length > 0 && (
          <div className="overflow-x-auto">
            <Table
              caption="What was found, job by job"
              isCaptionShown
              rows={life.rows}
              keyOf={({ part, what }) => `${part} ${what}`}
              columns={[
                { heading: 'Part', isName: true, cell: ({ part }) => part },
                { heading: 'Looked at', cell: ({ what }) => what },
                ...life.jobs.map(({ number }, at) => ({
                  heading: `Job ${number}`,
                  cell: ({ found }: (typeof life.rows)[number]) => (
                    <FoundCell found={found[at] ?? null} />
                  ),
                })),
              ]}
            />
          </div>
        )}
      </div>
    </main>
  )
}

function FoundCell({ found }: { readonly found: LifeFinding | null }) {
  if (!found) return null
  return (
    <span className="flex items-baseline gap-1">
      {found.verdict && (
        <span className="flex self-center">
          <VerdictSign verdict={found.verdict} />
        </span>
      )}
      <span>
        {found.text}
        {found.says && <span className="sr-only">: {found.says}</span>}
      </span>
    </span>
  )
}
