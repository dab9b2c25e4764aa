/** What every part does, and the forces, as CSV (RFC 4180), for a spreadsheet. */
import Papa from 'papaparse'

import type { Forces } from 'core'

import { PART_STATE_WORDS } from '../views/trace/partRows.ts'
import type { PartRow } from '../views/trace/partRows.ts'
import { kilowatts } from '../words/format.ts'
import type { Naming } from '../words/names.ts'
import { bodyName, gearName } from '../words/names.ts'

const PARTS = 1000

/** To a thousandth, as a number: text that begins with a minus would be taken for a formula. */
function rounded(value: number): number {
  return Math.round(value * PARTS) / PARTS
}

/**
 * One line a part, in the order of the rows; figures to a thousandth of the unit in the heading.
 * What was taken for granted stands in each, since a line goes its own way in a spreadsheet.
 */
export function formatPartsCsv(rows: readonly PartRow[], takenToBe: string): string {
  const data = rows.map(({ id, name, on, speedRpm, sense, torqueNm, state }) => [
    id,
    name,
    on,
    speedRpm === null ? '' : rounded(speedRpm),
    sense,
    rounded(torqueNm),
    rounded(kilowatts(torqueNm, speedRpm ?? 0)),
    PART_STATE_WORDS[state],
    takenToBe,
  ])
  const fields = [
    'id',
    'part',
    'on',
    'speed rev/min',
    'sense',
    'torque N·m',
    'power kW',
    'state',
    'taken to be',
  ]
  return `${Papa.unparse({ fields, data }, { escapeFormulae: true })}\r\n`
}

/** One line a loaded gear, then one a shaft; axial forces and thrust are positive towards the output end. */
export function formatForcesCsv(naming: Naming, { teeth, shafts }: Forces): string {
  const fields = [
    'part',
    'tangential N',
    'radial N',
    'axial N',
    'first bearing mm',
    'first bearing N',
    'second bearing mm',
    'second bearing N',
    'taken to be',
  ]
  const data = [
    ...teeth.map(({ gear, tangentialN, radialN, axialN }) => [
      gearName(naming, gear),
      ...[tangentialN, radialN, axialN].map(rounded),
      ...Array<string>(5).fill(''),
    ]),
    ...shafts.map(({ member, thrustN, bearings, areBearingsAssumed }) => [
      bodyName(naming, member),
      '',
      '',
      rounded(thrustN),
      ...bearings.flatMap(({ stationMm, radialN }) => [stationMm, rounded(radialN)]),
      `${areBearingsAssumed ? 'bearings at the ends of the shaft; ' : ''}all shafts in one plane`,
    ]),
  ]
  return `${Papa.unparse({ fields, data }, { escapeFormulae: true })}\r\n`
}
