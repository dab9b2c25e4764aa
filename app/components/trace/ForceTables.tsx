import { Link } from 'react-router'

import type { Forces, ToothDatum } from 'core'

import { Table } from '~/components/Table.tsx'
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

/** "1250 N towards the output end". */
function along(naming: Naming, forceN: number): string {
  if (Math.round(forceN) === 0) return 'none'
  const way = forceN < 0 ? 'towards-input' : 'towards-output'
  return `${formatForce(forceN)} ${travelWords(naming.words, way)}`
}

type ShaftTableProps = Pick<ForceTablesProps, 'naming' | 'lengthUnit'> & Pick<Forces, 'shafts'>

function ShaftTable({ naming, shafts, lengthUnit }: ShaftTableProps) {
  return (
    <Table
      caption="Thrust that each shaft has to take, and loads on its bearings"
      isCaptionShown
      rows={shafts}
      keyOf={({ member }) => member}
      rowOf={({ member }) => member}
      columns={[
        {
          heading: 'Shaft',
          isName: true,
          cell: ({ member }) => capitalize(bodyName(naming, member)),
        },
        {
          heading: 'Thrust',
          className: 'font-semibold sm:whitespace-nowrap',
          cell: ({ thrustN }) => along(naming, thrustN),
        },
        {
          heading: 'Bearing loads, across the shaft',
          isLong: true,
          cell: ({ bearings }) =>
            bearings
              .map(
                ({ stationMm, radialN }) =>
                  `${formatForce(radialN)} at ${formatLength(stationMm, lengthUnit)}`,
              )
              .join(', '),
        },
      ]}
    />
  )
}

type ToothTableProps = Pick<ForceTablesProps, 'naming'> & Pick<Forces, 'teeth'>

function ToothTable({ naming, teeth }: ToothTableProps) {
  return (
    <Table
      caption="Forces at the teeth"
      isCaptionShown
      rows={teeth}
      keyOf={({ gear, law }) => `${gear.id} ${law.source}`}
      columns={[
        {
          heading: 'Gear',
          isName: true,
          cell: ({ gear }) => capitalize(gearName(naming, gear)),
        },
        {
          heading: 'Tangential',
          isRight: true,
          className: 'font-semibold',
          cell: ({ tangentialN }) => formatForce(tangentialN),
        },
        {
          heading: 'Radial',
          isRight: true,
          className: 'font-semibold',
          cell: ({ radialN }) => formatForce(radialN),
        },
        {
          heading: 'Axial',
          className: 'font-semibold',
          cell: ({ axialN }) => along(naming, axialN),
        },
      ]}
    />
  )
}

/** Forces at the teeth, thrust and bearing loads; and what is missing for them. */
export function ForceTables({ naming, forces, lengthUnit, gearHref }: ForceTablesProps) {
  const { teeth, shafts, missing } = forces
  return (
    <div className="flex flex-col gap-4">
      {shafts.length > 0 && <ShaftTable naming={naming} shafts={shafts} lengthUnit={lengthUnit} />}
      {teeth.length > 0 && <ToothTable naming={naming} teeth={teeth} />}
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
