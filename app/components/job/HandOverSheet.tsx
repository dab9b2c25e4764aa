import { useMemo } from 'react'

import { lineStateName } from '~/words/measures.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { Table } from '~/components/Table.tsx'
import type { HandOver } from '~/views/job/handOver.ts'
import { handOverOf } from '~/views/job/handOver.ts'
import { HAND_OVER_CAUTION } from '~/words/cautions.ts'
import { formatWhen, moneyHeading } from '~/words/format.ts'
import type { Shelf } from '~/files/shelf.ts'
import { totalsOf, totalsWords } from '~/views/order/orderLines.ts'

import { MissingOfJob } from '~/components/shift/MissingOfJob.tsx'

import { SheetPhotos } from './SheetPhotos.tsx'
import { useOpenJob } from './jobContext.ts'

/** Short lines, each with what it is about. */
function Said({ lines }: { readonly lines: readonly (readonly [string, string])[] }) {
  return (
    <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4">
      {lines.map(([what, text], at) => (
        <div key={at} className="contents">
          <dt className="text-graphite">{what}</dt>
          <dd className="break-words">{text}</dd>
        </div>
      ))}
    </dl>
  )
}

function FoundTable({ rows }: Pick<HandOver, 'rows'>) {
  return (
    <Table
      caption="What was found, and measured after"
      isCaptionShown
      rows={rows}
      keyOf={({ part, what }) => `${part} ${what}`}
      columns={[
        {
          heading: 'Part',
          isName: true,
          className: 'font-semibold!',
          cell: ({ part }) => part,
        },
        { heading: 'Looked at', cell: ({ what }) => what },
        {
          heading: 'Found',
          cell: ({ found, verdict }) => (verdict ? `${found}: ${verdict}` : found),
        },
        {
          heading: 'After',
          cell: ({ after, afterVerdict }) => (afterVerdict ? `${after}: ${afterVerdict}` : after),
        },
        { heading: 'Limit', cell: ({ limit }) => limit },
      ]}
    />
  )
}

function PartsTable({ parts, currency }: Pick<HandOver, 'parts'> & Pick<Shelf, 'currency'>) {
  return (
    <section aria-label="Parts">
      <Table
        caption="Parts"
        isCaptionShown
        rows={parts}
        keyOf={({ key }) => key}
        columns={[
          {
            heading: 'Part',
            isName: true,
            className: 'font-semibold!',
            cell: ({ what }) => what,
          },
          { heading: 'Why', cell: ({ why }) => why },
          { heading: 'Quantity', isRight: true, cell: ({ quantity }) => quantity },
          {
            heading: moneyHeading('Price each', currency),
            isRight: true,
            cell: ({ price }) => price ?? '–',
          },
          { heading: 'Part number', cell: ({ partNumber }) => partNumber ?? '' },
          {
            heading: 'State',
            cell: ({ state, isLabour, takenFrom }) =>
              takenFrom ? `taken from ${takenFrom}` : lineStateName(state, isLabour === true),
          },
        ]}
      />
      <p>{totalsWords(totalsOf(parts), currency)}</p>
    </section>
  )
}

function WhatWasDone({ sheet }: { readonly sheet: HandOver }) {
  return (
    <section aria-label="What was done">
      <h3 className="text-[1.15rem]">What was done</h3>
      {sheet.done.length > 0 && <p>{sheet.done.join('. ')}.</p>}
      {sheet.fitted.map((fitted) => (
        <p key={fitted}>{fitted}</p>
      ))}
      {sheet.checked.map((checked) => (
        <p key={checked}>{checked}.</p>
      ))}
      {sheet.notDone.length > 0 && (
        <p>
          <b>Not done:</b> {sheet.notDone.join('. ')}.{' '}
          {sheet.leftOut !== '' && `Left out: ${sheet.leftOut}`}
        </p>
      )}
    </section>
  )
}

/** What an owner is handed with the unit. Nothing on it is a control. */
export function HandOverSheet() {
  const { draft, words } = useOpenBox()
  const { box, job, shelf, current } = useOpenJob()
  const sheet = useMemo(() => box && handOverOf(box, words, job), [box, words, job])
  if (!sheet || !current)
    return (
      <p>There is no job to hand over yet, or the drawing of the box does not hang together.</p>
    )
  return (
    <div className="grid gap-3 max-sm:text-[0.8rem]">
      <div className="border-ink flex flex-wrap items-baseline gap-x-6 border-b-2 pb-1">
        <h2 className="text-[1.5rem]">{draft.name}</h2>
        <p>
          Job {current.number}, opened{' '}
          <span suppressHydrationWarning>{formatWhen(new Date(current.openedAt))}</span>
          {job.isClosed ? ', closed' : ', not closed yet'}
        </p>
      </div>
      <section aria-label="What came in">
        <h3 className="text-[1.15rem]">What came in</h3>
        {sheet.cameIn.length === 0 ? (
          <p>Nothing was written down.</p>
        ) : (
          <Said lines={sheet.cameIn} />
        )}
      </section>
      {sheet.rows.length > 0 && <FoundTable rows={sheet.rows} />}
      {sheet.parts.length > 0 && <PartsTable parts={sheet.parts} currency={shelf.currency} />}
      <WhatWasDone sheet={sheet} />
      {sheet.figures.length > 0 && (
        <section aria-label="Figures of the unit">
          <h3 className="text-[1.15rem]">Figures of the unit</h3>
          <Said lines={sheet.figures} />
        </section>
      )}
      <SheetPhotos />
      <section aria-label="Cautions">
        <h3 className="text-[1.15rem]">Before it goes on the road</h3>
        {box && <MissingOfJob box={box} words={words} job={job} />}
        <p>{HAND_OVER_CAUTION}</p>
      </section>
    </div>
  )
}
