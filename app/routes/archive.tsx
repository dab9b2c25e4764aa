import { Download, X } from 'lucide-react'
import { Link } from 'react-router'

import type { ArchiveSummary, Named } from '~/files/archiveTask.ts'
import type { Step } from '~/components/archive/useArchive.ts'
import { useArchive } from '~/components/archive/useArchive.ts'
import { FileButton } from '~/components/FileButton.tsx'
import { Preview } from '~/components/Preview.tsx'
import { formatShare } from '~/words/format.ts'
import { Warning } from '~/components/Warning.tsx'
import { PageHead } from '~/components/PageHead.tsx'

export default function ArchivePage() {
  const { step, takeOut, lookThrough, readIn, cancel } = useArchive()
  const isBusy = step.kind === 'sending' || step.kind === 'working'
  return (
    <div className="mx-auto flex min-h-screen max-w-[60rem] flex-col px-5 pb-6">
      <PageHead title="Archive" />
      <main className="flex flex-col gap-6 py-5 text-[1.05rem]">
        <section aria-label="Take out">
          <h2 className="mb-1 text-[1.2rem]">Take everything out</h2>
          <p className="mb-3">
            All boxes with their counts and their whole history, deleted ones too, all jobs with
            their logs and photographs, the shelf and the shop’s limits: in one file that another
            Udrix reads back. What each person chose for themselves, such as units and theme, stays
            in their browser.
          </p>
          <button type="button" className="button button-main" disabled={isBusy} onClick={takeOut}>
            <Download aria-hidden /> Take out the archive
          </button>
        </section>
        <section aria-label="Read in">
          <h2 className="mb-1 text-[1.2rem]">Read an archive in</h2>
          <p className="mb-3">
            You see first what would come in. Nothing that is here is written over: a box that is
            here but differs comes in beside it, and a job here gains what its log lacks.
          </p>
          {!isBusy && (
            <FileButton
              title="Choose an archive"
              accept=".zip,application/zip"
              onChoose={lookThrough}
            />
          )}
        </section>
        <StepLine step={step} onCancel={cancel} />
      </main>
      {step.kind === 'asked' && (
        <Preview
          title={`Read ${step.name} in?`}
          confirm="Read it in"
          onCancel={cancel}
          onConfirm={() => {
            readIn(step.upload)
          }}
        >
          <Summary summary={step.summary} />
        </Preview>
      )}
    </div>
  )
}

const WORK = {
  out: 'Taking out',
  preview: 'Looking through the archive',
  read: 'Reading in',
} as const

/** How far it is, and how it ended. */
function StepLine({ step, onCancel }: { readonly step: Step; readonly onCancel: () => void }) {
  switch (step.kind) {
    case 'idle':
    case 'asked':
      return null
    case 'sending':
      return (
        <p role="status">
          Sending {step.name}: {formatShare(step.share)} <progress value={step.share} max={1} />
        </p>
      )
    case 'working': {
      const { work, done, total } = step
      return (
        <div role="status" className="flex flex-wrap items-center gap-3">
          {WORK[work]}
          {total > 0 ? `: ${done} of ${total} boxes, jobs and photographs` : '…'}
          <progress value={total > 0 ? done : undefined} max={Math.max(total, 1)} />
          <button type="button" className="button-quiet" onClick={onCancel}>
            <X aria-hidden /> Cancel
          </button>
        </div>
      )
    }
    case 'taken-out':
      return (
        <p role="status" className="font-semibold">
          Taken out. The file is among your browser’s downloads.
        </p>
      )
    case 'read': {
      const { fresh, differing, same, gained } = step.summary
      return (
        <p role="status" className="font-semibold">
          {fresh.count + differing.count} boxes came in; {same.count} were here already. Of jobs
          came in: {gainedWords(gained)}.{' '}
          <Link to="/" className="text-accent underline">
            To the bench
          </Link>
        </p>
      )
    }
    case 'refused':
      return (
        <div role="alert">
          <Warning>
            {step.work === 'out'
              ? 'The archive was not taken out. If a file came of it, it is not whole.'
              : 'Nothing was read in.'}
          </Warning>
          <ul className="list-disc pl-6">
            {step.problems.map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </div>
      )
  }
}

function Boxes({ named, sentence }: { readonly named: Named; readonly sentence: string }) {
  const more = named.count - named.names.length
  return (
    <div className="mb-2">
      <p className="font-semibold">
        {named.count} {sentence}
      </p>
      {named.count > 0 && (
        <p className="text-graphite text-[0.9rem]">
          {named.names.join(' · ')}
          {more > 0 && ` and ${more} more`}
        </p>
      )}
    </div>
  )
}

/** "5 entries, 1 photograph". */
function gainedWords(gained: ArchiveSummary['gained']): string {
  return gained.map(({ count, what }) => `${count} ${what}`).join(', ')
}

/** What reading it in would do. */
function Summary({ summary }: { readonly summary: ArchiveSummary }) {
  const { freshJobs, grownJobs, gained, freshShop, keptShop } = summary
  return (
    <>
      <Boxes named={summary.fresh} sentence="come in whole, with their history" />
      <Boxes
        named={summary.differing}
        sentence="are here but differ: they come in beside, as “(from archive)”"
      />
      <Boxes named={summary.same} sentence="are here already, and stay as they are" />
      <p className="mb-2">
        <b>
          {freshJobs} jobs come in, {grownJobs} here gain something
        </b>
        : {gainedWords(gained)} that are not here yet.
      </p>
      <p>
        {freshShop} {freshShop === 1 ? 'part' : 'parts'} of the shelf and the shop’s limits come in
        {keptShop > 0 && `; ${keptShop} differ and stay as they are here`}.
      </p>
    </>
  )
}
