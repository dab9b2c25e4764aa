import type { BoxDraft, Job } from 'core'

import { Table } from '~/components/Table.tsx'
import type { BenchCheckRow } from '~/views/build/benchCheck.ts'
import { turnedOutcome } from '~/views/build/benchCheck.ts'

const EMPTY = '____________'

/** The check before it leaves the bench: what it should turn, what it turned, and what else is tried. */
export function BenchCheckTable({
  draft,
  job,
  rows,
}: {
  readonly draft: BoxDraft
  readonly job: Job
  readonly rows: readonly BenchCheckRow[]
}) {
  const others = [
    'In neutral the input turns and the output stands.',
    ...(rows.some(({ isReverse }) => isReverse)
      ? ['In reverse the output turns against the input.']
      : []),
    'One position at a time: with one in, the lever finds no other.',
    ...((draft.interlocks ?? []).length > 0
      ? ['Interlock: with one rod moved, each of the others stays in its neutral.']
      : []),
    'No drag and no bind over a whole turn of the output in every position.',
  ]
  return (
    <section aria-label="Check at the bench" className="break-inside-avoid">
      <h3 className="text-[1.15rem]">Check it before it leaves the bench</h3>
      <div className="overflow-x-auto" tabIndex={0}>
        <Table
          caption="What each position should turn, and what it turned"
          rows={rows}
          keyOf={({ label }) => label}
          className="w-full"
          columns={[
            { heading: 'Position', isName: true, cell: ({ label }) => label },
            { heading: 'Ratio', isRight: true, cell: ({ ratio }) => ratio },
            {
              heading: 'In for 10 out',
              isRight: true,
              cell: ({ inputTurns, isReverse }) =>
                inputTurns
                  ? `${inputTurns.toFixed(2)} turns${isReverse ? ', against' : ''}`
                  : 'none',
            },
            { heading: 'Turned', cell: (row) => turnedOutcome(row) ?? EMPTY },
          ]}
        />
      </div>
      <ul className="mt-1">
        {others.map((each) => (
          <li key={each} className="flex items-center gap-2">
            <span aria-hidden className="border-ink size-4 flex-none border-2" />
            {each}
          </li>
        ))}
      </ul>
      {job.spins.length > 0 && (
        <p className="text-graphite">Spin tests written down in this job: {job.spins.length}.</p>
      )}
    </section>
  )
}
