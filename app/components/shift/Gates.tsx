import type { Slot } from 'core'

import type { Moment } from '~/views/shift/moment.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'
import { gateTitle, leverName } from '~/words/shift.ts'

import { GateFigure } from './GateFigure.tsx'

interface GatesProps {
  readonly naming: Naming
  readonly slots: readonly Slot[]
  /** Where the levers stand; they are not drawn where nobody says. */
  readonly moment?: Moment
  /** A lever is dragged: goes to the moment in which it is nearest to there. */
  readonly onLever?: (distance: (moment: Moment) => number) => void
}

/** The gate of each lever, side by side. */
export function Gates({ naming, slots, moment, onLever }: GatesProps) {
  const levers = [...new Set(slots.map(({ lever }) => lever))].sort((one, other) => one - other)
  return levers.map((lever) => {
    const title = gateTitle(naming, lever)
    return (
      <figure key={lever} className="max-w-[13rem] min-w-[7rem] flex-[1_1_7rem]">
        <GateFigure
          naming={naming}
          slots={slots.filter((slot) => slot.lever === lever)}
          lever={moment?.levers.get(lever) ?? null}
          title={title}
          onDrag={
            onLever &&
            ((distance) => {
              onLever(({ levers }) => distance(levers.get(lever)))
            })
          }
        />
        {levers.length > 1 && (
          <figcaption aria-hidden="true" className="text-center text-[0.92rem]">
            {capitalize(leverName(naming, lever))}
          </figcaption>
        )}
      </figure>
    )
  })
}
