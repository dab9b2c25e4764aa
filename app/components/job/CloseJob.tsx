import { FileText } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'

import type { EntryBody, StageState } from 'core'

import { useWords } from '~/components/useWords.ts'
import { LONGEST_TEXT, tooLongWords } from '~/words/lengths.ts'
import { stageName } from '~/words/measures.ts'

interface CloseJobProps {
  readonly boxId: string
  readonly stages: readonly StageState[]
  readonly isClosed: boolean
  readonly leftOut: string
  readonly onRecord: (body: EntryBody) => void
}

/** Closing asks only for what is missing. */
export function CloseJob({ boxId, stages, isClosed, leftOut, onRecord }: CloseJobProps) {
  const [reason, setReason] = useState('')
  const words = useWords()
  const tooLong = tooLongWords(reason, LONGEST_TEXT)
  const missing = stages.filter(({ stage, isDone }) => !isDone && stage !== 'hand-over')
  if (isClosed)
    return (
      <section aria-label="Closing the job">
        <p className="py-2">This job is closed{leftOut === '' ? '.' : `. Left out: ${leftOut}`}</p>
        <Link to={`/boxes/${boxId}/hand-over`} className="button button-main mr-2">
          <FileText aria-hidden /> Hand-over sheet
        </Link>
        <button
          type="button"
          className="button"
          onClick={() => {
            onRecord({ kind: 'reopen' })
          }}
        >
          Open it again
        </button>
      </section>
    )
  return (
    <section aria-label="Closing the job">
      <h2 className="text-[1.2rem]">Hand over</h2>
      {missing.length > 0 && (
        <label className="block">
          Not done: {missing.map(({ stage }) => stageName(words, stage).toLowerCase()).join('; ')}.
          Do these first, or say why they are left out:
          <textarea
            className="field mt-1 block w-full"
            rows={2}
            value={reason}
            aria-invalid={tooLong !== null}
            onChange={(event) => {
              setReason(event.target.value)
            }}
          />
          {tooLong && (
            <span role="alert" className="text-trouble block text-[0.86rem] font-semibold">
              {tooLong}
            </span>
          )}
        </label>
      )}
      <button
        type="button"
        className="button mt-2"
        disabled={(missing.length > 0 && reason.trim() === '') || tooLong !== null}
        onClick={() => {
          onRecord({ kind: 'close', leftOut: reason.trim() })
        }}
      >
        Close the job
      </button>
    </section>
  )
}
