import { Download, TriangleAlert } from 'lucide-react'
import { useState } from 'react'
import { Link, data, useFetcher } from 'react-router'

import { OUTAGE_SENTENCE, unlessOutage } from '~/.server/answers.ts'
import { LARGEST_ARCHIVE_BYTES, previewArchive, readArchive } from '~/.server/archive.ts'
import type { ArchiveSummary } from '~/.server/archive.ts'
import { FileButton } from '~/components/FileButton.tsx'
import { HelpButton } from '~/components/HelpButton.tsx'
import { Preview } from '~/components/Preview.tsx'

import type { Route } from './+types/archive'

export function loader() {
  return { largestBytes: LARGEST_ARCHIVE_BYTES }
}

export async function action({ request }: Route.ActionArgs) {
  const form = await request.formData()
  const file = form.get('file')
  const isPreview = form.get('intent') === 'preview'
  if (!(file instanceof File) || file.size === 0)
    return data({
      kind: 'refused' as const,
      problems: ['No file came with that. Choose an archive.'],
    })
  const bytes = new Uint8Array(await file.arrayBuffer())
  const outcome = await unlessOutage(() => (isPreview ? previewArchive(bytes) : readArchive(bytes)))
  if (!outcome) return data({ kind: 'refused' as const, problems: [OUTAGE_SENTENCE] })
  return outcome.ok
    ? { kind: isPreview ? ('preview' as const) : ('read' as const), summary: outcome.summary }
    : data({ kind: 'refused' as const, problems: outcome.problems })
}

export default function ArchivePage({ loaderData }: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const [file, setFile] = useState<File>()
  const [isTooLarge, setIsTooLarge] = useState(false)
  const send = (chosen: File, intent: 'preview' | 'read') => {
    const form = new FormData()
    form.set('intent', intent)
    form.set('file', chosen)
    void fetcher.submit(form, { method: 'post', encType: 'multipart/form-data' })
  }
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined
  const problems = isTooLarge
    ? [`An archive is ${loaderData.largestBytes / 1_000_000} MB at most.`]
    : answer?.kind === 'refused'
      ? answer.problems
      : []
  return (
    <div className="mx-auto flex min-h-screen max-w-[60rem] flex-col px-5 pb-6">
      <title>Archive · Udrix</title>
      <header className="border-ink flex items-center gap-4 border-b-2 py-1">
        <Link to="/" className="button-quiet -ml-2 font-bold">
          Bench
        </Link>
        <h1 className="text-[1.15rem]">Archive</h1>
        <div className="ml-auto">
          <HelpButton />
        </div>
      </header>
      <main className="flex flex-col gap-6 py-5 text-[1.05rem]">
        <section aria-label="Take out">
          <h2 className="mb-1 text-[1.2rem]">Take everything out</h2>
          <p className="mb-3">
            All boxes with their counts and their whole history, deleted ones too, in one file that
            another Udrix reads back.
          </p>
          <a className="button button-main" href="/archive.zip" download>
            <Download aria-hidden /> Take out the archive
          </a>
        </section>
        <section aria-label="Read in">
          <h2 className="mb-1 text-[1.2rem]">Read an archive in</h2>
          <p className="mb-3">
            You see first what would come in. Nothing that is here is written over: a box that is
            here but differs comes in beside it.
          </p>
          <FileButton
            title="Choose an archive"
            accept=".zip,application/zip"
            onChoose={(chosen) => {
              const tooLarge = chosen.size > loaderData.largestBytes
              setIsTooLarge(tooLarge)
              if (tooLarge) return
              setFile(chosen)
              send(chosen, 'preview')
            }}
          />
          {fetcher.state !== 'idle' && (
            <p role="status" className="mt-3">
              Reading {file?.name}…
            </p>
          )}
          {problems.length > 0 && (
            <div role="alert" className="mt-3">
              <p className="trouble">
                <TriangleAlert aria-hidden /> Nothing was read in.
              </p>
              <ul className="list-disc pl-6">
                {problems.map((problem) => (
                  <li key={problem}>{problem}</li>
                ))}
              </ul>
            </div>
          )}
          {answer?.kind === 'read' && (
            <p role="status" className="mt-3 font-semibold">
              {answer.summary.fresh.length + answer.summary.differing.length} boxes came in;{' '}
              {answer.summary.same.length} were here already.{' '}
              <Link to="/" className="text-accent underline">
                To the bench
              </Link>
            </p>
          )}
        </section>
      </main>
      {answer?.kind === 'preview' && file && (
        <Preview
          title={`Read ${file.name} in?`}
          confirm="Read it in"
          onCancel={() => {
            setFile(undefined)
            fetcher.reset()
          }}
          onConfirm={() => {
            send(file, 'read')
          }}
        >
          <Summary summary={answer.summary} />
        </Preview>
      )}
    </div>
  )
}

const PARTS = [
  ['fresh', 'come in whole, with their history'],
  ['differing', 'are here but differ: they come in beside, as “(from archive)”'],
  ['same', 'are here already, and stay as they are'],
] as const

function Summary({ summary }: { readonly summary: ArchiveSummary }) {
  return PARTS.map(([key, sentence]) => (
    <div key={key} className="mb-2">
      <p className="font-semibold">
        {summary[key].length} {sentence}
      </p>
      {summary[key].length > 0 && (
        <p className="text-graphite text-[0.9rem]">{summary[key].slice(0, 30).join(' · ')}</p>
      )}
    </div>
  ))
}
