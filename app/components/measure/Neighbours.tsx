import { ArrowLeft, ArrowRight } from 'lucide-react'

import type { UnitPart } from 'core'

import { unitPartName } from '~/words/jobs.ts'
import type { Naming } from '~/words/names.ts'

/** The parts before and after the one in hand, in the order in which they stand on the shafts. */
export function Neighbours({
  along,
  part,
  naming,
  onChoose,
}: {
  readonly along: readonly UnitPart[]
  readonly part: UnitPart
  readonly naming: Naming
  readonly onChoose: (ref: string) => void
}) {
  const at = along.findIndex(({ ref }) => ref === part.ref)
  return (
    <div role="group" aria-label="Along the shaft" className="flex flex-none gap-1">
      {(
        [
          [-1, 'Before it', ArrowLeft],
          [1, 'After it', ArrowRight],
        ] as const
      ).map(([by, title, Icon]) => {
        const next = along[at + by]
        const label = next
          ? `${title} on the shaft: ${unitPartName(naming, next.ref)}`
          : `Nothing ${by < 0 ? 'before' : 'after'} it`
        return (
          <button
            key={title}
            type="button"
            className="button"
            aria-label={label}
            title={label}
            disabled={!next}
            onClick={() => {
              if (next) onChoose(next.ref)
            }}
          >
            <Icon aria-hidden />
          </button>
        )
      })}
    </div>
  )
}
