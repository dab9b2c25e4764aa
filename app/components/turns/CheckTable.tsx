import { Check, CircleHelp, TriangleAlert, Undo2 } from 'lucide-react'

import type { Entry, JudgedCheck, Job } from 'core'

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
    <table className="w-full text-left">
      <caption className="sr-only">Turn checks of this job</caption>
      <thead>
        <tr className="border-ink border-b-2">
          <th scope="col" className="pr-3">
            Position
          </th>
          <th scope="col" className="pr-3">
            Turned
          </th>
          <th scope="col">By the counts</th>
          <th scope="col">
            <span className="sr-only">Take back</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {judged.map((each) => {
          const { check, isAgreed } = each
          const position = naming.box.draft.positions.find(({ id }) => id === check.position)
          return (
            <tr key={check.id} className="border-rule border-b align-top">
              <th scope="row" className="pr-3 text-[1.15rem]">
                {position?.label ?? check.position}
              </th>
              <td className="pr-3">{turnsOf(naming, entries.get(check.id))}</td>
              <td className={isAgreed === false ? 'trouble' : 'flex gap-1'}>
                {isAgreed === false ? (
                  <TriangleAlert aria-hidden className="size-5 flex-none" />
                ) : isAgreed ? (
                  <Check aria-hidden className="mt-0.5 size-5 flex-none" />
                ) : (
                  <CircleHelp aria-hidden className="mt-0.5 size-5 flex-none" />
                )}
                <span>
                  <b>{isAgreed === false ? 'Disagrees' : isAgreed ? 'Agrees' : 'Not yet'}.</b>{' '}
                  {checkWords(each)}
                </span>
              </td>
              <td>
                <button
                  type="button"
                  className="button-quiet"
                  onClick={() => {
                    onWithdraw(check.id)
                  }}
                >
                  <Undo2 aria-hidden /> Take back
                </button>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
