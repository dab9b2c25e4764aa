import { Undo2 } from 'lucide-react'
import { memo, useState } from 'react'

import type { Entry, Job } from 'core'

import { logRows } from '~/views/job/logRows.ts'
import { formatWhen } from '~/words/format.ts'
import { entryWords } from '~/words/jobs.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'

/** Entries shown before more are asked for. */
const PAGE = 20

interface JobLogProps {
  readonly job: Job
  readonly naming: Naming
  readonly isDisabled: boolean
  readonly onWithdraw: (entry: string) => void
}

const canBeWithdrawn = ({ body }: Entry): boolean =>
  body.kind !== 'withdraw' && body.kind !== 'close' && body.kind !== 'reopen'

/** Everything entered, the latest first. */
export const JobLog = memo(function JobLog(props: JobLogProps) {
  const { job, naming, isDisabled, onWithdraw } = props
  const [shown, setShown] = useState(PAGE)
  const latest = [...logRows(job.entries)].reverse()
  const intakes = job.entries.flatMap(({ id, body }) =>
    body.kind === 'intake' ? [{ id, intake: body.intake }] : [],
  )
  const wordsOf = (entry: Entry): string =>
    entryWords(naming, entry, intakes[intakes.findIndex(({ id }) => id === entry.id) - 1]?.intake)
  if (latest.length === 0) return <p>Nothing has been entered in this job yet.</p>
  return (
    <>
      <ol aria-label="Log of the job">
        {latest.slice(0, shown).map(({ entry, ids }) => (
          <li key={entry.id} className="border-rule flex items-start gap-2 border-b py-1">
            <span className="text-graphite w-[9.5rem] flex-none text-[0.92rem]">
              <time dateTime={entry.at} suppressHydrationWarning>
                {formatWhen(new Date(entry.at))}
              </time>
              {entry.by !== '' && <b className="text-ink"> {entry.by}</b>}
            </span>
            <span className="min-w-0 flex-1 break-words">{capitalize(wordsOf(entry))}</span>
            {canBeWithdrawn(entry) && (
              <button
                type="button"
                className="button-quiet"
                disabled={isDisabled}
                aria-label={`Take back: ${wordsOf(entry)}`}
                onClick={() => {
                  ids.forEach(onWithdraw)
                }}
              >
                <Undo2 aria-hidden /> Take back
              </button>
            )}
          </li>
        ))}
      </ol>
      {latest.length > shown && (
        <button
          type="button"
          className="button mt-2"
          onClick={() => {
            setShown(shown + 5 * PAGE)
          }}
        >
          Show older entries ({latest.length - shown} more)
        </button>
      )}
    </>
  )
})
