import { useMemo } from 'react'

import type { MissingPart, Solver } from 'core'
import { openedByMissing } from 'core'

import { Warning } from '~/components/Warning.tsx'
import type { Naming } from '~/words/names.ts'
import { missingWords } from '~/words/missing.ts'

interface MissingPartsProps {
  readonly naming: Naming
  readonly solver: Solver
  readonly missing: readonly MissingPart[]
}

/** What the job found missing of the interlock, and what can be in together for want of it. */
export default function MissingParts({ naming, solver, missing }: MissingPartsProps) {
  const said = useMemo(
    () => missing.map((each) => missingWords(naming, each, openedByMissing(solver, each))),
    [naming, solver, missing],
  )
  return said.map((sentence) => <Warning key={sentence}>{sentence}</Warning>)
}
