import { CircleCheck, TriangleAlert, Wrench } from 'lucide-react'

import type { Disagreement, Mend } from 'core'

import type { ViewChanges } from '~/components/useViewState.ts'
import type { Naming } from '~/words/names.ts'
import { disagreementSentence, mendAction, mendSentence } from '~/words/spin.ts'

import type { spinRecords } from './spinState.ts'
import { noTicks } from './spinState.ts'

/** So many causes of one kind are named, so that those of another kind are seen as well. */
const MOST_OF_A_KIND = 2

function mostLikely(mends: readonly Mend[]): readonly Mend[] {
  return mends.filter(
    ({ kind }, at) =>
      mends.slice(0, at).filter((other) => other.kind === kind).length < MOST_OF_A_KIND,
  )
}

const TEST_WORDS = { input: 'Test 1', output: 'Test 2', own: 'Own test' } as const

interface SpinFindingsProps {
  readonly naming: Naming
  readonly records: ReturnType<typeof spinRecords>
  readonly disagreements: readonly Disagreement[]
  /** The likeliest first. */
  readonly mends: readonly Mend[]
  readonly onMend: (mend: Mend) => void
  readonly onChange: (changes: ViewChanges) => void
}

/** Where the bench contradicts the drawing, what would explain it, and one press that mends it. */
export function SpinFindings(props: SpinFindingsProps) {
  const { naming, records, disagreements, mends, onMend, onChange } = props
  const named = mostLikely(mends)
  const ticked = records.reduce((sum, { seen }) => sum + seen.size, 0)
  if (ticked === 0)
    return (
      <p>
        Turn the box as the test says and tick what each part did. Where the bench and the drawing
        disagree, the likeliest cause is named here.
      </p>
    )
  return (
    <section aria-label="What the test says" aria-live="polite" className="flex flex-col gap-2">
      {disagreements.length === 0 ? (
        <p className="flex items-center gap-2 font-semibold">
          <CircleCheck aria-hidden className="size-5 flex-none" /> All {ticked} ticks agree with the
          drawing.
        </p>
      ) : (
        <>
          <ul className="flex flex-col gap-1">
            {disagreements.map((disagreement) => {
              const test = records[disagreement.record]?.test ?? 'own'
              return (
                <li key={`${disagreement.record} ${disagreement.part}`} className="trouble">
                  <TriangleAlert aria-hidden />
                  <span data-testid="disagreement">
                    {TEST_WORDS[test]}: {disagreementSentence(naming, disagreement)}
                  </span>
                </li>
              )
            })}
          </ul>
          <h2 className="text-[1.05rem]">Likeliest first</h2>
          {mends.length === 0 && (
            <p>No single difference explains it. Look at the ticks again, then at the drawing.</p>
          )}
          <ol className="flex flex-col gap-2">
            {named.map((mend) => (
              <li key={JSON.stringify({ ...mend, draft: undefined })} data-testid="mend">
                <p>
                  {mendSentence(naming, mend)}{' '}
                  <span className="text-graphite">
                    {mend.left === 0
                      ? 'That explains all of it.'
                      : `That leaves ${mend.left} of ${disagreements.length}.`}
                  </span>
                </p>
                <button
                  type="button"
                  className="button mt-1"
                  onClick={() => {
                    onMend(mend)
                  }}
                >
                  <Wrench aria-hidden /> {mendAction(mend)}
                </button>
              </li>
            ))}
          </ol>
          {mends.length > named.length && (
            <p className="text-graphite">
              And {mends.length - named.length} more like these: more ticks tell them apart.
            </p>
          )}
        </>
      )}
      <button
        type="button"
        className="button-quiet -ml-2 self-start"
        onClick={() => {
          onChange(noTicks())
        }}
      >
        Take all ticks out
      </button>
    </section>
  )
}
