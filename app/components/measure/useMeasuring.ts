/** The readings of one measurement while they are entered, and what they come to. */
import { useState } from 'react'

import type {
  ConeCount,
  EnteredLimit,
  EntryBody,
  Judgement,
  KnownLimits,
  Measure,
  ReadingUnit,
} from 'core'
import { MEASURE_RULES, limitFor, parseReading } from 'core'

import { entryBodySchema } from '~/files/jobEntry.ts'
import { readingIssueWords } from '~/words/measures.ts'
import { judged } from '~/views/measure/judged.ts'
import { isTooFineForThou } from '~/views/measure/thousandths.ts'

/** When it was measured: as it came, or after it was worked on. */
export type Phase = 'found' | 'after'

interface Measured {
  readonly limits: KnownLimits
  readonly part: string
  readonly measure: Measure
  readonly unit: ReadingUnit
  readonly tool: string
  readonly onKeep: (body: EntryBody) => void
}

/** What is entered, what it comes to, and what keeps it. Figures are in the unit that was chosen. */
export interface Measuring {
  readonly rule: (typeof MEASURE_RULES)[Measure]
  readonly readings: readonly string[]
  /** Those that are not empty. */
  readonly written: readonly string[]
  readonly limit: EnteredLimit | null
  /** Undefined while there is nothing to judge. */
  readonly judgement: Judgement | undefined
  readonly beside: string
  readonly cones: ConeCount
  readonly phase: Phase
  readonly problems: readonly string[]
  /** Asked before figures are kept that look like inches; undefined otherwise. */
  readonly question:
    | {
        readonly doubtful: readonly string[]
        readonly close: () => void
        readonly meanThousandths: () => void
      }
    | undefined
  readonly setReadings: (readings: readonly string[]) => void
  readonly setBeside: (text: string) => void
  readonly setCones: (cones: ConeCount) => void
  readonly setPhase: (phase: Phase) => void
  /** Keeps the measurement; false where something is to be answered or mended first. */
  readonly keep: () => boolean
}

export function useMeasuring({ limits, part, measure, unit, tool, onKeep }: Measured): Measuring {
  const rule = MEASURE_RULES[measure]
  const noReadings = Array.from({ length: rule.soundReadings ?? rule.leastReadings }, () => '')
  const [readings, setReadings] = useState<readonly string[]>(noReadings)
  const [beside, setBeside] = useState('')
  const [cones, setCones] = useState<ConeCount>(1)
  const [phase, setPhase] = useState<Phase>('found')
  const [problems, setProblems] = useState<readonly string[]>([])
  const [isAsked, setIsAsked] = useState(false)
  const [isFineMeant, setIsFineMeant] = useState(false)
  const limit = limitFor(limits, part, measure, unit)
  const written = readings.filter((text) => text.trim() !== '')
  const { judgement, impossible, besideUnit } = judged({ measure, unit, written, beside, limit })
  const doubtful = unit === 'thou' ? written.filter(isTooFineForThou) : []
  const keep = (): boolean => {
    const isDoubted = doubtful.length > 0 && !isFineMeant
    setIsAsked(isDoubted)
    if (isDoubted) return false
    const parsed = entryBodySchema.safeParse({
      ...{ kind: 'measurement', part, measure, readings: written, unit, tool, limit, phase },
      ...(rule.beside !== null &&
        parseReading(beside).ok && { [rule.beside]: { text: beside, unit: besideUnit } }),
      ...(measure === 'ring-gap' && { cones }),
    })
    if (!parsed.success) {
      setProblems([...new Set(parsed.error.issues.map(({ message }) => message))])
      return false
    }
    setProblems([])
    setIsFineMeant(false)
    onKeep(parsed.data)
    setReadings(noReadings)
    return true
  }
  const close = (): void => {
    setIsAsked(false)
  }
  const meanThousandths = (): void => {
    setIsFineMeant(true)
    close()
  }
  return {
    rule,
    ...{ readings, written, limit, judgement, beside, cones, phase },
    problems:
      problems.length > 0 ? problems : impossible.map((issue) => readingIssueWords(issue, unit)),
    question: isAsked && doubtful.length > 0 ? { doubtful, close, meanThousandths } : undefined,
    setReadings: (next) => {
      setReadings(next)
      setProblems([])
    },
    ...{ setBeside, setCones, setPhase, keep },
  }
}
