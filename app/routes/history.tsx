import clsx from 'clsx'
import { RotateCcw } from 'lucide-react'
import { useEffect, useMemo, useRef } from 'react'
import { Link, useRevalidator } from 'react-router'

import type { BoxDraft } from 'core'
import { diffDrafts } from 'core'

import { opensAway } from '~/client/opensAway.ts'
import { withDatabase } from '~/.server/answers.ts'
import type { Revision } from '~/.server/history.ts'
import { HISTORY_PAGE_SIZE, draftBefore, listRevisions } from '~/.server/history.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { Comparison } from '~/components/history/Comparison.tsx'
import { formatWhen } from '~/words/format.ts'
import { editWords, originWords } from '~/words/changes.ts'
import { readAddress } from '~/views/addresses.ts'

import type { Route } from './+types/history'

/** Lines of one revision that are shown before the rest is only counted. */
const MOST_LINES = 4

function numberOf(text: string | null): number | null {
  return text !== null && /^\d{1,15}$/.test(text) ? Number(text) : null
}

export async function loader({ params, request }: Route.LoaderArgs) {
  const { compare, before } = readAddress('history', request)
  const compareId = numberOf(compare)
  return withDatabase(async () => {
    const [revisions, compared] = await Promise.all([
      listRevisions(params.boxId, numberOf(before)),
      compareId === null ? null : draftBefore(params.boxId, compareId),
    ])
    return {
      revisions: revisions.slice(0, HISTORY_PAGE_SIZE),
      hasOlder: revisions.length > HISTORY_PAGE_SIZE,
      compared: compared && compareId !== null ? { id: compareId, ...compared } : null,
    }
  })
}

export const clientLoader = opensAway<Awaited<ReturnType<typeof loader>>>()

interface RevisionLineProps {
  readonly revision: Revision
  /** What was done, in words. */
  readonly lines: readonly string[]
}

/** When and by whom a box was edited, and how. */
function RevisionLine({ revision: { at, origin, isApplied }, lines }: RevisionLineProps) {
  return (
    <>
      <div className="text-graphite w-[9.5rem] flex-none">
        <time dateTime={new Date(at).toISOString()} suppressHydrationWarning>
          {formatWhen(at)}
        </time>{' '}
        <span className="block text-[0.86rem]">{originWords(origin)}</span>
      </div>
      <div className="min-w-0 flex-1">
        {lines.slice(0, MOST_LINES).map((line, at) => (
          <p key={at}>{line}</p>
        ))}
        {lines.length > MOST_LINES && (
          <p className="text-graphite">and {lines.length - MOST_LINES} more</p>
        )}
        {!isApplied && (
          <p className="text-trouble font-semibold">
            Not placed: somebody else had changed the same thing.
          </p>
        )}
      </div>
    </>
  )
}

interface ComparedProps {
  readonly compared: { readonly at: Date; readonly draft: BoxDraft }
}

/** What the box was, what differs from now, and a way back to it. */
function Compared({ compared: { at, draft: then } }: ComparedProps) {
  const { draft, words, edit } = useOpenBox()
  const changes = useMemo(() => diffDrafts(draft, then), [draft, then])
  return (
    <>
      <h2 className="text-[1.2rem]" suppressHydrationWarning>
        The box before {formatWhen(at)}
      </h2>
      <Comparison now={draft} then={then} words={words} />
      <button
        type="button"
        className="button self-start"
        disabled={changes.length === 0}
        onClick={() => {
          edit({ kind: 'change', changes })
        }}
      >
        <RotateCcw aria-hidden /> Make it so again
      </button>
      <p className="text-graphite text-[0.86rem]">
        That is a change like any other: it can be undone, and nothing is lost from the history.
      </p>
    </>
  )
}

export default function History({ loaderData }: Route.ComponentProps) {
  const { draft, words, outbox } = useOpenBox()
  const pendingCount = outbox.pending.length
  const { revisions, hasOlder, compared } = loaderData
  const { revalidate } = useRevalidator()
  const known = useRef(draft)
  useEffect(() => {
    if (pendingCount > 0 || known.current === draft) return
    known.current = draft
    void revalidate()
  }, [draft, pendingCount, revalidate])
  const last = revisions.at(-1)
  return (
    <main className="work-area lg:grid-cols-2">
      <title>{`${draft.name} · History · Udrix`}</title>
      <section aria-label="History" className="min-h-0 overflow-auto p-4" tabIndex={0}>
        <h2 className="mb-2 text-[1.2rem]">What was done, latest first</h2>
        {revisions.length === 0 && (
          <p>Nothing has been changed yet. Every count and every change is written down here.</p>
        )}
        <ol>
          {revisions.map((revision) => {
            const lines = editWords(draft, words, revision.edit)
            return (
              <li
                key={revision.id}
                className={clsx(
                  'border-rule flex items-start gap-3 border-b py-1.5',
                  revision.id === compared?.id && 'bg-accent-wash',
                )}
              >
                <RevisionLine revision={revision} lines={lines} />
                <Link
                  to={`?compare=${revision.id}`}
                  preventScrollReset
                  className="button-quiet"
                  aria-label={`Compare with before ${lines[0] ?? 'this'}`}
                >
                  Compare
                </Link>
              </li>
            )
          })}
        </ol>
        {hasOlder && last && (
          <Link to={`?before=${last.id}`} className="button mt-3">
            Older changes
          </Link>
        )}
      </section>
      <section
        aria-label="Comparison"
        className="border-rule bg-sheet flex min-h-0 flex-col gap-3 overflow-auto border-l-2 p-4"
        tabIndex={0}
      >
        {compared ? (
          <Compared compared={compared} />
        ) : revisions.length === 0 ? null : (
          <p className="text-graphite">
            Choose “Compare” beside a change to see the box as it was before it, and what differs
            from now.
          </p>
        )}
      </section>
    </main>
  )
}
