import { useMemo } from 'react'

import type { BoxDraft, BoxIssue, BoxPosition, Solver } from 'core'
import { checkBox, indexBox, prepareSolver } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import type { Naming } from '~/words/names.ts'

/** What the pages of Shift need of the box; no solver while it does not hang together. */
export interface OpenShift {
  readonly id: string
  readonly draft: BoxDraft
  readonly naming: Naming
  readonly positions: readonly BoxPosition[]
  readonly solver: Solver | undefined
  readonly issues: readonly BoxIssue[]
}

export function useShift(): OpenShift {
  const { id, draft, words } = useOpenBox()
  return useMemo(() => {
    const checked = checkBox(draft)
    return {
      id,
      draft,
      naming: { box: indexBox(draft), words },
      positions: draft.positions.filter(({ isHidden }) => isHidden !== true),
      solver: checked.ok ? prepareSolver(checked.box) : undefined,
      issues: checked.ok ? [] : checked.issues,
    }
  }, [id, draft, words])
}
