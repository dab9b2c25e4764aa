import { Clock, TriangleAlert } from 'lucide-react'

import type { Waiting } from 'core'

import { isTrouble, waitingWords } from '~/words/jobs.ts'

/** What waits for the person: what is wrong stands out from what is only still to come. */
export function WaitingList({ waiting }: { readonly waiting: readonly Waiting[] }) {
  return (
    <span className="flex flex-wrap gap-x-4">
      {waiting.map((each) => {
        const Icon = isTrouble(each) ? TriangleAlert : Clock
        return (
          <span
            key={each.code}
            className={isTrouble(each) ? 'trouble items-center' : 'flex items-center gap-2'}
          >
            <Icon aria-hidden className="size-5 flex-none" /> {waitingWords(each)}
          </span>
        )
      })}
    </span>
  )
}
