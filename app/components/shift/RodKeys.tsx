import type { MovedRod, Selector } from 'core'

import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'
import { rodName, rodPlaceName } from '~/words/shift.ts'

interface RodKeysProps {
  readonly naming: Naming
  readonly rods: readonly Selector[]
  readonly moved: readonly MovedRod[]
  /** Null is the middle. */
  readonly onSet: (rod: Selector, place: MovedRod['place'] | null) => void
}

/** Each rod with a key for its middle and for each of its places. */
export function RodKeys({ naming, rods, moved, onSet }: RodKeysProps) {
  return (
    <div className="flex flex-col gap-1">
      {rods.map((rod) => {
        const title = capitalize(rodName(naming, rod))
        const here = moved.find(({ selector }) => selector.id === rod.id)?.place.id
        return (
          <div
            key={rod.id}
            role="group"
            aria-label={title}
            className="flex flex-wrap items-center gap-1"
          >
            <span className="w-[9rem]">{title}</span>
            {[null, ...rod.places].map((place) => (
              <button
                key={place?.id ?? ''}
                type="button"
                aria-pressed={here === place?.id}
                className="button aria-pressed:bg-accent-wash min-w-[44px]"
                onClick={() => {
                  onSet(rod, place)
                }}
              >
                {place ? rodPlaceName(naming, { place }) : 'middle'}
              </button>
            ))}
          </div>
        )
      })}
    </div>
  )
}
