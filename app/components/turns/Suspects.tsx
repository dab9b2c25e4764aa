import { Link } from 'react-router'

import type { NextCheck, Suspect } from 'core'

import { formatShare } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, gearName } from '~/words/names.ts'
import { evidenceWords, formatTurns, nextCheckWords, suspectWords } from '~/words/turns.ts'

/** More than these are unlikely enough to wait until the first are out of the way. */
const MOST_SHOWN = 6

interface SuspectsProps {
  readonly suspects: readonly Suspect[]
  readonly next: NextCheck | undefined
  readonly checkCount: number
  readonly naming: Naming
  /** What the output is called. */
  readonly output: string
  /** Where a gear is counted again. */
  readonly countHref: (gearId: string) => string
  readonly onTakeNext: (next: NextCheck) => void
}

/** What may be wrong where turns and counts disagree, the likeliest first, and what to do next. */
export function Suspects(props: SuspectsProps) {
  const { suspects, next, checkCount, naming, output, countHref, onTakeNext } = props
  const shown = suspects.slice(0, MOST_SHOWN)
  const first = suspects.find(({ miscounts }) => miscounts.length > 0)?.miscounts[0]
  return (
    <section aria-label="What may be wrong" className="border-trouble border-l-4 pl-3">
      <h2 className="text-[1.2rem]">What may be wrong</h2>
      {first && (
        <p className="py-1">
          <Link to={countHref(first.gear.id)} className="button">
            Count again: {gearName(naming, first.gear)}
          </Link>
        </p>
      )}
      <ol className="grid gap-2">
        {shown.map((suspect, at) => (
          <li key={at}>
            <b>{capitalize(suspectWords(naming, suspect))}</b>
            <span className="text-graphite block text-[0.92rem]">
              {formatShare(suspect.share)} likely. {evidenceWords(suspect, checkCount)}
              {next?.expectedTurns[at] && ` Next check: ${formatTurns(next.expectedTurns[at])}.`}
            </span>
          </li>
        ))}
      </ol>
      {suspects.length > shown.length && (
        <p className="text-graphite">
          {suspects.length - shown.length} more explain it and are less likely.
        </p>
      )}
      <h3 className="mt-2 font-semibold">The cheapest next check</h3>
      {next ? (
        <>
          <p>{nextCheckWords(next, output)}</p>
          <button
            type="button"
            className="button mt-1"
            onClick={() => {
              onTakeNext(next)
            }}
          >
            Do this check
          </button>
        </>
      ) : (
        <p>
          {first
            ? 'No turning tells these apart: mark a tooth and count the first gear again.'
            : 'No count one or two teeth off explains it: turn it again and read it anew.'}
        </p>
      )}
    </section>
  )
}
