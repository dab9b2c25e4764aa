import type { CountSearch, FoundCounts } from 'core'

import { Table } from '~/components/Table.tsx'
import { formatShare } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, gearName } from '~/words/names.ts'

type CountSet = FoundCounts['likeliest'][number]

interface FoundSetsProps {
  readonly naming: Naming
  readonly search: CountSearch
  /** The likeliest first. */
  readonly sets: readonly CountSet[]
  /** Which of them is drawn. */
  readonly shownAt: number
  readonly onShow: (at: number) => void
}

/** The sets of counts that fit, each to be drawn. */
export function FoundSets({ naming, search, sets, shownAt, onShow }: FoundSetsProps) {
  const best = sets[0]?.score ?? 0
  return (
    <div
      className="overflow-auto lg:max-h-[15rem] lg:flex-none"
      tabIndex={0}
      role="region"
      aria-label="Sets that fit"
    >
      <Table
        caption="Sets of counts that fit, the likeliest first"
        className=""
        rows={sets}
        keyOf={(_, at) => at}
        columns={[
          {
            heading: 'Set',
            cell: (set) => {
              const at = sets.indexOf(set)
              return (
                <button
                  type="button"
                  className="button-quiet aria-pressed:bg-accent-wash"
                  aria-pressed={at === shownAt}
                  onClick={() => {
                    onShow(at)
                  }}
                >
                  Draw {at + 1}
                </button>
              )
            },
          },
          {
            heading: 'Against the best',
            cell: ({ score }) => formatShare(Math.exp(score - best)),
          },
          ...search.gears.map(({ gear }, at) => {
            const named = naming.box.gears.get(gear)
            return {
              heading: named ? capitalize(gearName(naming, named)) : gear,
              className: 'text-[1.1rem] font-semibold',
              cell: ({ counts }: CountSet) => counts[at],
            }
          }),
        ]}
      />
    </div>
  )
}
