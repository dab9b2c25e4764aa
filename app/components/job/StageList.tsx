import { Circle, CircleCheck, CircleDot } from 'lucide-react'
import { Link } from 'react-router'

import type { Stage, StageState } from 'core'

import { PAGE_OF_STAGE } from '~/views/box/way.ts'
import { stageWords } from '~/words/jobs.ts'
import { useWords } from '~/components/useWords.ts'
import { stageName } from '~/words/measures.ts'

interface StageListProps {
  readonly boxId: string
  readonly stages: readonly StageState[]
  readonly now: Stage
  readonly isDisabled: boolean
  readonly onMark: (stage: Stage, isDone: boolean) => void
}

/** The work in its order: stages fill as figures come in, and can be called done or opened again. */
export function StageList({ boxId, stages, now, isDisabled, onMark }: StageListProps) {
  const words = useWords()
  return (
    <ol aria-label="Stages of the job" className="border-ink border-t-2">
      {stages.map((state) => {
        const { stage, isDone } = state
        const isNow = stage === now
        const Icon = isDone ? CircleCheck : isNow ? CircleDot : Circle
        return (
          <li
            key={stage}
            aria-current={isNow ? 'step' : undefined}
            className={`border-rule flex items-center gap-3 border-b px-2 ${isNow ? 'bg-accent-wash' : ''}`}
          >
            <Icon aria-hidden className="size-5 flex-none" />
            <span className="min-w-0 flex-1 py-1 leading-tight">
              <Link
                to={`/boxes/${boxId}/${PAGE_OF_STAGE[stage]}`}
                className="text-accent font-semibold underline"
              >
                {stageName(words, stage)}
              </Link>
              <span className="text-graphite block text-[0.92rem]">
                {isDone ? 'Done' : isNow ? 'Now' : 'To come'}: {stageWords(state)}
              </span>
            </span>
            {stage !== 'hand-over' && (
              <button
                type="button"
                className="button-quiet flex-none"
                disabled={isDisabled}
                aria-label={`${isDone ? 'Open again' : 'Mark as done'}: ${stageName(words, stage)}`}
                onClick={() => {
                  onMark(stage, !isDone)
                }}
              >
                {isDone ? 'Open again' : 'Mark as done'}
              </button>
            )}
          </li>
        )
      })}
    </ol>
  )
}
