import type { Slip } from 'core'
import { toNumber } from 'core'

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
    `${isHeld ? 'past the case' : 'past the hub'} at the ${couplerName(naming, coupler)}, towards ${placeName(naming, coupler, place)}`,
  ]
}

/** How fast parts that could be one turn past each other. */
export function SlipTable({ naming, slips, speedRpm }: SlipTableProps) {
  if (slips.length === 0) return null
  return (
    <table className="mt-4 w-full border-collapse text-left">
      <caption className="text-left text-[1.05rem] font-semibold">
        Slip of free gears and open couplers
      </caption>
      <tbody>
        {slips.map((slip, at) => {
          const [what, past] = words(naming, slip)
          return (
            <tr key={at} className="border-rule border-b">
              <th scope="row" className="py-0.5 pr-3 font-normal">
                {what}
              </th>
              <td className="px-3">{past}</td>
              <td className="px-3 text-right font-semibold whitespace-nowrap">
                {formatSpeed(Math.abs(toNumber(slip.speed)) * speedRpm)}
              </td>
              <td className="px-3 whitespace-nowrap">
                {slip.speed.isZero() ? '' : senseWords(slip.speed)}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
