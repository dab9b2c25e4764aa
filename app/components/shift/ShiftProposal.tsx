import type { BoxDraft } from 'core'
import { withSelectors } from 'core'

import { useBecome } from '~/components/box/useBecome.ts'

/** Offers what usually moves the couplers of a box that says nothing of it. */
export function ShiftProposal({ draft }: { readonly draft: BoxDraft }) {
  const become = useBecome()
  const take = (by: 'lever' | 'drum'): void => {
    become(withSelectors(draft, by))
  }
  return (
    <div className="bg-sheet border-rule flex flex-wrap items-center gap-2 border p-3">
      <p className="grow">
        This box does not say yet what moves its forks. Start from what is usual, and change what is
        otherwise.
      </p>
      <button
        type="button"
        className="button"
        onClick={() => {
          take('lever')
        }}
      >
        Rods and a gate
      </button>
      <button
        type="button"
        className="button"
        onClick={() => {
          take('drum')
        }}
      >
        A drum
      </button>
    </div>
  )
}

/** Whether a box says what moves its couplers. */
export function saysWhatMoves({ selectors = [], drums = [] }: BoxDraft): boolean {
  return selectors.length > 0 || drums.length > 0
}
