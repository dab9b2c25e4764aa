import { CircleCheck, Eye, TriangleAlert, Wrench } from 'lucide-react'

import type { Mend, SpinDiagnosis, SpinSetup } from 'core'

import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'
import {
  disagreementSentence,
  mendAction,
  mendSentence,
  nextLookSentence,
  setupWords,
} from '~/words/spin.ts'

import type { SpinTest } from '~/views/trace/spinKeys.ts'
import type { SpinTicking } from './useSpinTicks.ts'

/** So many causes of one kind are named, so that those of another kind are seen as well. */
const MOST_OF_A_KIND = 2

function mostLikely(mends: readonly Mend[]): readonly Mend[] {
  return mends.filter(
    ({ kind }, at) =>
      mends.slice(0, at).filter((other) => other.kind === kind).length < MOST_OF_A_KIND,
  )
}

const TEST_WORDS: Readonly<Record<SpinTest, string>> = {
  input: 'Test 1',
  output: 'Test 2',
  own: 'Own test',
}

interface SpinFindingsProps {
  readonly naming: Naming
  readonly ticking: SpinTicking
  readonly diagnosis: SpinDiagnosis
  /** Which of the tests on the page a setup is. */
  readonly testOf: (setup: SpinSetup) => SpinTest | undefined
  readonly onShow: (setup: SpinSetup) => void
  readonly onMend: (mend: Mend) => void
}

/** Where the bench contradicts the drawing, what would explain it, and one press that mends it. */
export function SpinFindings(props: SpinFindingsProps) {
  const { naming, ticking, diagnosis, testOf } = props
  const { records, strayCount } = ticking
  const ticked = records.reduce((sum, { seen }) => sum + seen.size, 0)
  const testName = (setup: SpinSetup): string => {
    const test = testOf(setup)
    return test ? TEST_WORDS[test] : capitalize(setupWords(naming, setup))
  }
  return (
    <>
      {strayCount > 0 && (
        <p role="status">
          {strayCount === 1 ? 'One tick stands' : `${strayCount} ticks stand`} in the address of
          this page and not in the job.{' '}
          <button
            type="button"
            className="button"
            disabled={ticking.isClosed}
            onClick={ticking.keepStray}
          >
            Keep in the job
          </button>
        </p>
      )}
      {ticked === 0 ? (
        <p>
          Turn the box as the test says and tick what each part did. Where the bench and the drawing
          disagree, the likeliest cause is named here.
        </p>
      ) : (
        <section aria-label="What the test says" aria-live="polite" className="flex flex-col gap-2">
          {diagnosis.disagreements.length === 0 ? (
            <p className="flex items-center gap-2 font-semibold">
              <CircleCheck aria-hidden className="size-5 flex-none" />
              {ticked === 1 ? 'The tick agrees' : `All ${ticked} ticks agree`} with the drawing.
            </p>
          ) : (
            <Contradicted {...props} testName={testName} />
          )}
          <Tests {...props} testName={testName} />
          <button
            type="button"
            className="button-quiet -ml-2 self-start"
            disabled={ticking.isClosed}
            onClick={ticking.clear}
          >
            Take all ticks out
          </button>
        </section>
      )}
    </>
  )
}

interface Named {
  readonly testName: (setup: SpinSetup) => string
}

interface MendLineProps extends Pick<SpinFindingsProps, 'naming' | 'onMend'> {
  readonly mend: Mend
  /** Of the ticks that disagree with the drawing. */
  readonly tickCount: number
  readonly isDisabled: boolean
}

/** One difference that would explain the ticks, and what makes it so. */
function MendLine({ naming, mend, tickCount, isDisabled, onMend }: MendLineProps) {
  return (
    <>
      <p>
        {mendSentence(naming, mend)}{' '}
        <span className="text-graphite">
          {mend.left.length === 0
            ? 'That explains all of it.'
            : `That leaves ${mend.left.length} of ${tickCount} ticks unexplained.`}
        </span>
      </p>
      <button
        type="button"
        className="button mt-1"
        disabled={isDisabled}
        onClick={() => {
          onMend(mend)
        }}
      >
        <Wrench aria-hidden /> {mendAction(mend)}
      </button>
    </>
  )
}

function Contradicted(props: SpinFindingsProps & Named) {
  const { naming, ticking, diagnosis, testName, onMend, onShow } = props
  const { disagreements, mends, next } = diagnosis
  const named = mostLikely(mends)
  return (
    <>
      <ul className="flex flex-col gap-1">
        {disagreements.map((disagreement) => {
          const setup = ticking.records[disagreement.record]?.setup
          return (
            <li key={`${disagreement.record} ${disagreement.part}`} className="trouble">
              <TriangleAlert aria-hidden />
              <span data-testid="disagreement">
                {setup && `${testName(setup)}: `}
                {disagreementSentence(naming, disagreement)}
              </span>
            </li>
          )
        })}
      </ul>
      {next && (
        <p className="border-accent bg-accent-wash flex items-start gap-2 border-l-4 p-2 font-semibold">
          <Eye aria-hidden className="mt-0.5 size-5 flex-none" />
          <span data-testid="next-look">
            {testName(next.setup)}: {nextLookSentence(naming, next)}{' '}
            <button
              type="button"
              className="cursor-pointer underline"
              onClick={() => {
                onShow(next.setup)
              }}
            >
              Show the test
            </button>
          </span>
        </p>
      )}
      <h2 className="text-[1.05rem]">Likeliest first</h2>
      {mends.length === 0 && (
        <p>No single difference explains it. Look at the ticks again, then at the drawing.</p>
      )}
      <ol className="flex flex-col gap-2">
        {named.map((mend) => (
          <li
            key={JSON.stringify({ ...mend, draft: undefined, left: undefined })}
            data-testid="mend"
          >
            <MendLine
              naming={naming}
              mend={mend}
              tickCount={disagreements.length}
              isDisabled={mend.kind === 'coupler' && ticking.isClosed}
              onMend={onMend}
            />
          </li>
        ))}
      </ol>
      {mends.length > named.length && (
        <p className="text-graphite">
          And {mends.length - named.length} more like these: more ticks tell them apart.
        </p>
      )}
    </>
  )
}

/** The tests that were made with the sleeves elsewhere, each a press away. */
function Tests({ naming, ticking, testOf, onShow }: SpinFindingsProps & Named) {
  const others = ticking.records.filter(({ setup }) => !testOf(setup))
  if (others.length === 0) return null
  return (
    <ul aria-label="Other tests ticked" className="flex flex-col gap-1">
      {others.map(({ setup, seen }, at) => (
        <li key={at}>
          {capitalize(setupWords(naming, setup))}:{' '}
          {seen.size === 1 ? '1 tick' : `${seen.size} ticks`}.{' '}
          <button
            type="button"
            className="text-accent cursor-pointer underline"
            onClick={() => {
              onShow(setup)
            }}
          >
            Show the test
          </button>
        </li>
      ))}
    </ul>
  )
}
