import type { EnteredLimit, MeasuredStack } from 'core'
import { limitFor, measuredOn, pathTo } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import type { Group } from '~/views/build/buildView.ts'
import type { StackAnswer, StackRow } from '~/views/build/stack.ts'
import { EMPTY_STACK, questionOf, stackAnswer, stackRows } from '~/views/build/stack.ts'
import type { LengthUnit } from '~/words/format.ts'

import { useBuild } from './useBuild.ts'

/** The stack of one shaft as the job knows it, with what follows. */
export interface OpenStack {
  /** The shaft, by its reference. */
  readonly shaft: string
  readonly stack: MeasuredStack
  readonly rows: readonly StackRow[]
  /** Whether the room is measured, so that there is something to work out. */
  readonly isAsked: boolean
  readonly answer: StackAnswer | undefined
  readonly limit: EnteredLimit | null
  /** The end play as it was measured last, where it was. */
  readonly measuredMm: number | undefined
  readonly unit: LengthUnit
  readonly isDisabled: boolean
  /** Whether there is a job to keep it in. */
  readonly isInJob: boolean
  readonly keep: (next: Partial<MeasuredStack>) => void
}

/** The stack of a row of parts, kept in the job that is open; an empty one where there is no row. */
export function useStack(group: Group | undefined): OpenStack {
  const { draft, words } = useOpenBox()
  const { job, current, rules, record } = useOpenJob()
  const { naming } = useBuild()
  const shaft = pathTo('shaft', group?.bench ?? '')
  const stack = job.stacks.get(shaft) ?? EMPTY_STACK
  const rows = group ? stackRows(naming.box, group, stack.turned) : []
  const question = questionOf(stack)
  const limits = { limits: job.limits, sheet: draft.sheet ?? [], rules }
  return {
    shaft,
    stack,
    rows,
    isAsked: question !== undefined,
    answer: question && stackAnswer(rows, question),
    limit: limitFor(limits, shaft, 'end-play', words.lengthUnit),
    measuredMm: measuredOn(job, shaft, 'end-play').at(-1)?.judgement.figures.figure,
    unit: words.lengthUnit,
    isDisabled: current === undefined || job.isClosed,
    isInJob: current !== undefined,
    keep: (next) => {
      record({ kind: 'stack', shaft, stack: { ...stack, ...next } })
    },
  }
}
