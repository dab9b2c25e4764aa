import { ArrowRightLeft } from 'lucide-react'

import { carryingSentence, changeSentence, waitingSentence } from '~/words/preselection.ts'

import type { OpenTrace } from './traceContext.ts'

/** Which clutch carries, which position waits behind the other, and the change from one to the other. */
export default function Waiting({ trace }: { readonly trace: OpenTrace }) {
  const { naming, preselections, waiting, selected, input, change } = trace
  const [first] = preselections
  if (!first) return null
  return (
    <section aria-label="What waits">
      <h3 className="text-[1.05rem]">What waits</h3>
      <p>{carryingSentence(naming, first)}</p>
      <div role="group" aria-label="Put in to wait" className="my-1.5 flex flex-wrap gap-1.5">
        {preselections.map(({ position }) => {
          const isIn = position === waiting?.position
          return (
            <button
              key={position.id}
              type="button"
              aria-pressed={isIn}
              className="button aria-pressed:bg-accent aria-pressed:text-accent-ink min-w-[44px] px-2"
              onClick={() => {
                change({ waits: isIn ? '' : position.id })
              }}
            >
              {position.label}
            </button>
          )
        })}
      </div>
      {waiting && (
        <>
          <p>{waitingSentence(naming, waiting, selected.analysis, input.speedRpm)}</p>
          <p className="mt-1">{changeSentence(naming, waiting)}</p>
          <button
            type="button"
            className="button mt-1.5"
            onClick={() => {
              change({ position: waiting.position.id, waits: selected.position.id })
            }}
          >
            <ArrowRightLeft aria-hidden /> Change to {waiting.position.label}
          </button>
        </>
      )}
    </section>
  )
}
