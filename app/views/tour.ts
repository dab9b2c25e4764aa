/** What Udrix does, shown on a demo box in five steps. */
import type { Vocabulary } from '~/words/vocabulary.ts'
import { inWords } from '~/words/vocabulary.ts'

interface TourStep {
  /** Below the address of the box. */
  readonly path: string
  readonly title: string
  readonly sentence: string
}

const STEPS: readonly [TourStep, ...TourStep[]] = [
  {
    path: 'trace?position=3',
    title: 'Every gear, exactly',
    sentence:
      'Third is in. The drawing shows which sleeve stands where, and the band the way of the torque. Press 1 to 9, R or N, or pull a sleeve: ratio, torque and speeds follow.',
  },
  {
    path: 'count',
    title: 'It rests on counted teeth',
    sentence:
      'Type a count, Enter, and the next gear asks. A second count confirms it. The key of a position asks only for the gears that it needs.',
  },
  {
    path: 'turns',
    title: 'Turning finds a miscount',
    sentence:
      'Turn the input by hand, count the turns of the output, and Udrix says which counts agree with them and which gear is the likely miscount.',
  },
  {
    path: 'measure',
    title: 'Measured, and judged',
    sentence:
      'Rings, clearances, run-out: each figure stands beside its limit and where that came from, and the verdict says what to replace. You can overrule it, with a reason.',
  },
  {
    path: 'job',
    title: 'A job holds it together',
    sentence:
      'What came in, what was found, what was ordered, and a sheet to hand over at the end. Everything is kept as it is entered, and can be taken back.',
  },
]

export const TOUR_LENGTH = STEPS.length

/** Where a step is shown, below the address of the box. */
export function tourPath(at: number): string {
  const { path } = STEPS[at - 1] ?? STEPS[0]
  return `${path}${path.includes('?') ? '&' : '?'}tour=${at}`
}

/** The step that an address asks for, counted from 1; null where it asks for none. */
export function tourStep(
  words: Vocabulary,
  asked: string | null,
): (TourStep & { readonly at: number }) | null {
  const at = Number(asked)
  const step = Number.isInteger(at) ? STEPS[at - 1] : undefined
  return step ? { ...step, at, sentence: inWords(words, step.sentence) } : null
}
