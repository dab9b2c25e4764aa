import { Link } from 'react-router'

import type { Forces, ToothDatum } from 'core'

import { formatForce, formatLength } from '~/words/format.ts'
import type { LengthUnit } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize, gearName } from '~/words/names.ts'
import { travelWords } from '~/words/vocabulary.ts'

const DATUM_WORDS: Readonly<Record<ToothDatum, string>> = {
  module: 'module',
  'helix-angle': 'helix angle',
  hand: 'hand of the helix',
  'pressure-angle': 'pressure angle',
  'face-width': 'face width',
  'lead-angle': 'lead angle of its worm',
}

interface ForceTablesProps {
  readonly naming: Naming
  readonly forces: Forces
  readonly lengthUnit: LengthUnit
  /** Where the data of a gear are entered. */
  readonly gearHref: (gearId: string) => string
}

/** Forces at the teeth, thrust and bearing loads; and what is missing for them. */
export function ForceTables({ naming, forces, lengthUnit, gearHref }: ForceTablesProps) {
  const { teeth, shafts, missing } = forces
  /** "1250 N towards the output end". */
  const along = (forceN: number): string =>
    Math.round(forceN) === 0
      ? 'none'
      : `${formatForce(forceN)} ${travelWords(naming.words, forceN < 0 ? 'towards-input' : 'towards-output')}`
  return (
    <div className="flex flex-col gap-4">
      {shafts.length > 0 && (
        <table className="w-full border-collapse text-left">
          <caption className="text-left text-[1.05rem] font-semibold">
            Thrust that each shaft has to take, and loads on its bearings
          </caption>
          <thead>
            <tr className="border-ink border-b-2">
              <th scope="col" className="pr-3">
                Shaft
              </th>
              <th scope="col" className="px-3">
                Thrust
              </th>
              <th scope="col" className="px-3">
                Bearing loads, across the shaft
              </th>
            </tr>
          </thead>
          <tbody>
            {shafts.map(({ member, thrustN, bearings }) => (
              <tr key={member} className="border-rule border-b" data-shaft-forces={member}>
                <th scope="row" className="py-0.5 pr-3 font-normal">
                  {capitalize(bodyName(naming, member))}
                </th>
                <td className="px-3 font-semibold whitespace-nowrap">{along(thrustN)}</td>
                <td className="px-3">
                  {bearings
                    .map(
                      ({ stationMm, radialN }) =>
                        `${formatForce(radialN)} at ${formatLength(stationMm, lengthUnit)}`,
                    )
                    .join(', ')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {teeth.length > 0 && (
        <table className="w-full border-collapse text-left">
          <caption className="text-left text-[1.05rem] font-semibold">Forces at the teeth</caption>
          <thead>
            <tr className="border-ink border-b-2">
              <th scope="col" className="pr-3">
                Gear
              </th>
              <th scope="col" className="px-3 text-right">
                Tangential
              </th>
              <th scope="col" className="px-3 text-right">
                Radial
              </th>
              <th scope="col" className="px-3">
                Axial
              </th>
            </tr>
          </thead>
          <tbody>
            {teeth.map(({ gear, law, tangentialN, radialN, axialN }) => (
              <tr key={`${gear.id} ${law.source}`} className="border-rule border-b">
                <th scope="row" className="py-0.5 pr-3 font-normal">
                  {capitalize(gearName(naming, gear))}
                </th>
                <td className="px-3 text-right font-semibold">{formatForce(tangentialN)}</td>
                <td className="px-3 text-right font-semibold">{formatForce(radialN)}</td>
                <td className="px-3 font-semibold">{along(axialN)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {missing.length > 0 && (
        <section>
          <h2 className="text-[1.05rem]">Missing for the forces</h2>
          <ul className="list-disc pl-5">
            {missing.map(({ gear, data }) => (
              <li key={gear.id}>
                <Link to={gearHref(gear.id)} className="text-accent underline">
                  {capitalize(gearName(naming, gear))}
                </Link>
                : {data.map((datum) => DATUM_WORDS[datum]).join(', ')}
              </li>
            ))}
          </ul>
          <p className="text-graphite text-[0.86rem]">
            A shaft is left out as long as one of its loaded gears is not known.
          </p>
        </section>
      )}
      <p className="text-graphite text-[0.86rem]">
        Without losses; all shafts taken to lie in one plane
        {shafts.some(({ areBearingsAssumed }) => areBearingsAssumed) &&
          ', bearings that are not entered under Lay out at the ends of their shaft'}
        . Which bearing takes thrust, and how much it may take, is the maker’s to say.
      </p>
    </div>
  )
}
