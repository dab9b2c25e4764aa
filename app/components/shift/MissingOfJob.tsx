import { useMemo } from 'react'

import type { Box, Job } from 'core'
import { missingParts, missingRefs, prepareSolver } from 'core'

import type { Vocabulary } from '~/words/vocabulary.ts'

import MissingParts from './MissingParts.tsx'

interface MissingOfJobProps {
  readonly box: Box
  readonly words: Vocabulary
  readonly job: Job
}

/** What the job found missing of the interlock, where no other page's solver is at hand. */
export function MissingOfJob({ box, words, job }: MissingOfJobProps) {
  const missing = useMemo(() => missingParts(box, missingRefs(job)), [box, job])
  const solver = useMemo(
    () => (missing.length > 0 ? prepareSolver(box) : undefined),
    [box, missing.length],
  )
  return solver && <MissingParts naming={{ box, words }} solver={solver} missing={missing} />
}
