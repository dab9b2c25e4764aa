import { TriangleAlert } from 'lucide-react'
import { Link } from 'react-router'

import { WaitingList } from '~/components/job/WaitingList.tsx'
import { SectionThumb } from '~/components/section/SectionThumb.tsx'
import type { BoxGlance, Touched } from '~/views/bench/glance.ts'
import type { JobSummary } from '~/views/job/summary.ts'
import { formatDay, formatWhen } from '~/words/format.ts'
import { stageName } from '~/words/measures.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { BoxMenu } from './BoxMenu.tsx'

interface BoxRowProps {
  readonly box: {
    readonly id: string
    readonly isDemo: boolean
    readonly glance: BoxGlance
    /** The latest job of the unit. */
    readonly job: JobSummary | null
    readonly touched: Touched
  }
  readonly words: Vocabulary
}

/** The ratios of a box beside one another. */
function RatioLine({ ratios }: Pick<BoxGlance, 'ratios'>) {
  return (
    <span className="text-graphite flex flex-wrap gap-x-3">
      {ratios.map(({ label, ratio }, at) => (
        <span key={at} className="whitespace-nowrap">
          {label} <b className="text-ink">{ratio}</b>
        </span>
      ))}
    </span>
  )
}

/** When the unit came, and went where it did, and who had it in hand last. */
function Times({ job, touched }: Pick<BoxRowProps['box'], 'job' | 'touched'>) {
  const day = (at: string): string => formatDay(new Date(at))
  const here =
    job &&
    (job.closedAt === null
      ? `Here since ${day(job.openedAt)}, touched`
      : `Here from ${day(job.openedAt)} to ${day(job.closedAt)}, touched`)
  return (
    <span className="text-graphite block text-[0.86rem]" suppressHydrationWarning>
      {`${here ?? 'Touched'} ${formatWhen(new Date(touched.at))}${touched.by && ` by ${touched.by}`}`}
    </span>
  )
}

/** One box: what it is, how far it is, what waits for the person. */
export function BoxRow({ box, words }: BoxRowProps) {
  const { id, isDemo, glance, job, touched } = box
  const { name, counting, disputed, ratios, thumb } = glance
  return (
    <li className="border-rule flex items-center gap-4 border-b py-1">
      <Link
        to={`/boxes/${id}`}
        className="hover:bg-accent-wash flex min-w-0 flex-1 items-center gap-4 p-1"
      >
        <span className="hidden h-[92px] w-[170px] flex-none sm:block">
          <SectionThumb thumb={thumb} />
        </span>
        <span>
          <span className="block text-[1.3rem] leading-tight font-bold">
            {name}
            {isDemo && (
              <span className="border-steel text-graphite ml-2 border px-1.5 align-middle text-[0.8rem] font-semibold">
                demo
              </span>
            )}
          </span>
          <span className="block">
            {job && (
              <b>
                Job {job.number}
                {job.assignee && ` of ${job.assignee}`}
                {job.isClosed
                  ? ', closed. '
                  : job.stage === null
                    ? ', open. '
                    : `, at: ${stageName(words, job.stage).toLowerCase()}. `}
              </b>
            )}
            {counting}
          </span>
          {job && (
            <WaitingList waiting={job.waiting.filter(({ code }) => code !== 'counts-disagree')} />
          )}
          {disputed && (
            <span className="trouble items-center">
              <TriangleAlert aria-hidden /> Two counts disagree: {disputed}
            </span>
          )}
          <RatioLine ratios={ratios} />
          <Times job={job} touched={touched} />
        </span>
      </Link>
      <BoxMenu id={id} name={name} />
    </li>
  )
}
