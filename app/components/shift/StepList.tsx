import clsx from 'clsx'

import type { ChangeStep } from 'core'

import type { Naming } from '~/words/names.ts'
import { changeStepWords } from '~/words/shift.ts'

interface StepListProps {
  readonly naming: Naming
  readonly steps: readonly ChangeStep[]
  /** How many of them are done at the moment shown. */
  readonly done: number
  readonly inputRpm: number
  /** Goes to where so many steps are done. */
  readonly onStep: (done: number) => void
}

/** The steps of a change as sentences, each a key to its end. */
export function StepList({ naming, steps, done, inputRpm, onStep }: StepListProps) {
  return (
    <ol className="flex flex-col" aria-label="Steps">
      {steps.map((step, index) => (
        <li key={index}>
          <button
            type="button"
            aria-current={index === done ? 'step' : undefined}
            className={clsx(
              'flex min-h-[44px] w-full items-baseline gap-2 border-l-4 px-2 py-1 text-left',
              index === done ? 'border-accent bg-accent-wash' : 'border-transparent',
              index < done && 'text-graphite',
            )}
            onClick={() => {
              onStep(index + 1)
            }}
          >
            <b className="tabular-nums">{index + 1}</b>
            <span>{changeStepWords(naming, step, inputRpm)}</span>
          </button>
        </li>
      ))}
    </ol>
  )
}
