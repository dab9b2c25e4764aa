import { TriangleAlert } from 'lucide-react'
import { useMemo } from 'react'
import { Link } from 'react-router'

import type { BoxDraft, CountingProgress } from 'core'
import { checkBox, countingProgress, indexBox, surveyBox } from 'core'

import { WaitingList } from '~/components/job/WaitingList.tsx'
import { SectionThumb } from '~/components/section/SectionThumb.tsx'
import type { JobSummary } from '~/views/job/summary.ts'
import { formatRatioFigure } from '~/words/format.ts'
import { stageName } from '~/words/measures.ts'
import { gearName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { BoxMenu } from './BoxMenu.tsx'

interface BoxRowProps {
  readonly box: {
    readonly id: string
    readonly isDemo: boolean
    readonly draft: BoxDraft
    /** The latest job of the unit. */
    readonly job: JobSummary | null
  }
  readonly words: Vocabulary
}

/** How far the counting is, and what comes next. */
function stageOf({ counted, confirmed, total }: CountingProgress): string {
  if (counted === 0) return `Nothing counted yet: ${total} gears to count`
  if (counted < total) return `${counted} of ${total} gears counted, ${total - counted} to go`
  if (confirmed < total)
    return confirmed === 0
      ? `All ${total} gears counted once. Count again to confirm`
      : `All ${total} gears counted, ${confirmed} confirmed by a second count`
  return `All ${total} gears counted twice and confirmed`
}

/** The ratios of a box beside one another; of positions that are not hidden and have one. */
function RatioLine({ draft }: { readonly draft: BoxDraft }) {
  const positions = useMemo(() => {
    const checked = checkBox(draft)
    return checked.ok ? surveyBox(checked.box) : []
  }, [draft])
  return (
    <span className="text-graphite flex flex-wrap gap-x-3">
      {positions.map(({ position, ratio }) =>
        ratio && !position.isHidden ? (
          <span key={position.id} className="whitespace-nowrap">
            {position.label} <b className="text-ink">{formatRatioFigure(ratio)}</b>
          </span>
        ) : null,
      )}
    </span>
  )
}

/** One box: what it is, how far it is, what waits for the person. */
export function BoxRow({ box, words }: BoxRowProps) {
  const { id, isDemo, draft, job } = box
  const progress = countingProgress(draft)
  const [disputed] = progress.disputed
  const stage = stageOf(progress)
  return (
    <li className="border-rule flex items-center gap-4 border-b py-1">
      <Link
        to={`/boxes/${id}`}
        className="hover:bg-accent-wash flex min-w-0 flex-1 items-center gap-4 p-1"
      >
        <span className="hidden h-[92px] w-[170px] flex-none sm:block">
          <SectionThumb draft={draft} />
        </span>
        <span>
          <span className="block text-[1.3rem] leading-tight font-bold">
            {draft.name}
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
                {job.isClosed
                  ? ', closed. '
                  : `, at: ${stageName(words, job.stage).toLowerCase()}. `}
              </b>
            )}
            {stage}
          </span>
          {job && (
            <WaitingList waiting={job.waiting.filter(({ code }) => code !== 'counts-disagree')} />
          )}
          {disputed && (
            <span className="trouble items-center">
              <TriangleAlert aria-hidden /> Two counts disagree:{' '}
              {gearName({ box: indexBox(draft), words }, disputed)}
            </span>
          )}
          <RatioLine draft={draft} />
        </span>
      </Link>
      <BoxMenu id={id} name={draft.name} />
    </li>
  )
}
