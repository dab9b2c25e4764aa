import { Check, CircleHelp, TriangleAlert, Undo2 } from 'lucide-react'

import type { Entry, JudgedCheck, Job } from 'core'

import { Table } from '~/components/Table.tsx'
import type { Naming } from '~/words/names.ts'
import { checkWords, turnedWords } from '~/words/turns.ts'

interface CheckTableProps {
  readonly job: Job
  readonly judged: readonly JudgedCheck[]
  readonly naming: Naming
  readonly onWithdraw: (entry: string) => void
}

function turnsOf(naming: Naming, entry: Entry | undefined): string {
  return entry?.body.kind === 'turn-check' ? turnedWords(naming, entry.body) : ''
}

/** Every turn check of the job, and whether the counts agree. */
export function CheckTable({ job, judged, naming, onWithdraw }: CheckTableProps) {
  const entries = new Map(job.entries.map((entry) => [entry.id, entry]))
  if (judged.length === 0)
    return (
      <p className="py-2 text-[1.05rem]">
        Mark input and output, select a position, and turn the input until the output has made its
        turns. Ten turns of the output show a miscount ten times better than one.
      </p>
    )
  return (
    <Table
      caption="Turn checks of this job"
      rows={judged}
      keyOf={({ check }) => check.id}
      columns={[
        {
          heading: 'Position',
          isName: true,
          className: 'text-[1.15rem] font-bold!',
          cell: ({ check: { position } }) =>
            naming.box.draft.positions.find(({ id }) => id === position)?.label ?? position,
        },
        { heading: 'Turned', cell: ({ check }) => turnsOf(naming, entries.get(check.id)) },
        { heading: 'By the counts', isLong: true, cell: (each) => <Agreement judged={each} /> },
        {
          heading: 'Take back',
          isHeadingHidden: true,
          cell: ({ check }) => (
            <button
              type="button"
              className="button-quiet"
              onClick={() => {
                onWithdraw(check.id)
              }}
            >
              <Undo2 aria-hidden /> Take back
            </button>
          ),
        },
      ]}
    />
  )
}

function Agreement({ judged }: { readonly judged: JudgedCheck }) {
  const { isAgreed } = judged
  const [Icon, word] =
    isAgreed === false
      ? ([TriangleAlert, 'Disagrees'] as const)
      : isAgreed
        ? ([Check, 'Agrees'] as const)
        : ([CircleHelp, 'Not yet'] as const)
  return (
    <span className={isAgreed === false ? 'trouble' : 'flex gap-1'}>
      <Icon aria-hidden className="mt-0.5 size-5 flex-none" />
      <span>
        <b>{word}.</b> {checkWords(judged)}
      </span>
    </span>
  )
}
