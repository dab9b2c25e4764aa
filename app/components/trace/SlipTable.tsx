import type { Slip } from 'core'
import { toNumber } from 'core'

import { Table } from '~/components/Table.tsx'
import { formatSpeed } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize, couplerName, gearName, placeName } from '~/words/names.ts'
import { senseWords } from '~/words/sentences.ts'

interface SlipTableProps {
  readonly naming: Naming
  readonly slips: readonly Slip[]
  readonly speedRpm: number
}

function words(naming: Naming, slip: Slip): readonly [what: string, past: string] {
  if (slip.kind === 'free-gear')
    return [capitalize(gearName(naming, slip.gear)), `on the ${bodyName(naming, slip.gear.member)}`]
  const { coupler, place, body } = slip
  const isHeld = place.engages.some(({ kind }) => kind === 'hold')
  return [
    capitalize(bodyName(naming, body)),
    `past the ${isHeld ? 'case' : bodyName(naming, coupler.hub)}, to which the ${couplerName(naming, coupler)} would ${isHeld ? 'hold' : 'lock'} it for ${placeName(naming, coupler, place)}`,
  ]
}

/** How fast parts that could be one turn past each other. */
export function SlipTable({ naming, slips, speedRpm }: SlipTableProps) {
  if (slips.length === 0) return null
  return (
    <Table
      caption="Slip of free gears and open couplers"
      isCaptionShown
      className="mt-4 w-full"
      rows={slips.map((slip) => ({ ...slip, words: words(naming, slip) }))}
      keyOf={(_, at) => at}
      columns={[
        { heading: 'Turns', isName: true, cell: (slip) => slip.words[0] },
        { heading: 'On or past', cell: (slip) => slip.words[1] },
        {
          heading: 'Slip',
          isRight: true,
          className: 'font-semibold',
          cell: ({ speed }) => formatSpeed(Math.abs(toNumber(speed)) * speedRpm),
        },
        {
          heading: 'Sense',
          className: 'whitespace-nowrap',
          cell: ({ speed }) => (speed.isZero() ? '' : senseWords(speed)),
        },
      ]}
    />
  )
}
