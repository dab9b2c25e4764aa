import clsx from 'clsx'

import { formatPower, formatSpeed, formatTorque } from '~/words/format.ts'

import type { PartRow } from '~/views/trace/partRows.ts'
import { PART_STATE_WORDS } from '~/views/trace/partRows.ts'
import type { TraceInput } from '~/views/trace/traceInput.ts'

interface PartsSheetProps {
  readonly rows: readonly PartRow[]
  readonly input: TraceInput
}

const HEADINGS = ['Speed', 'Sense', 'Torque', 'Power', 'State'] as const

/** Every part with what it does; read out when it changes. */
export function PartsSheet({ rows, input }: PartsSheetProps) {
  return (
    <table className="w-full border-collapse text-left" aria-live="polite">
      <caption className="sr-only">What every part does</caption>
      <thead>
        <tr className="border-ink bg-paper sticky top-0 border-b-2">
          <th scope="col" className="pr-3">
            Part
          </th>
          {HEADINGS.map((heading) => (
            <th
              key={heading}
              scope="col"
              className={clsx('px-3', heading !== 'Sense' && heading !== 'State' && 'text-right')}
            >
              {heading}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ id, name, on, speedRpm, sense, torqueNm, state }) => (
          <tr
            key={id}
            data-part-row={id}
            className={clsx(
              'border-rule border-b',
              (state === 'stands' || state === 'coasts') && 'text-graphite',
            )}
          >
            <th
              scope="row"
              className={clsx('py-0.5 pr-3', on === '' ? 'font-bold' : 'pl-4 font-normal')}
            >
              {name}
            </th>
            <td className="px-3 text-right whitespace-nowrap">
              {speedRpm === null ? '–' : formatSpeed(speedRpm)}
            </td>
            <td className="px-3 whitespace-nowrap">{sense || '–'}</td>
            <td className="px-3 text-right font-semibold whitespace-nowrap">
              {torqueNm === 0 ? '–' : formatTorque(torqueNm, input.torqueUnit)}
            </td>
            <td className="px-3 text-right whitespace-nowrap">
              {torqueNm === 0 || !speedRpm ? '–' : formatPower(torqueNm, speedRpm)}
            </td>
            <td className="px-3 whitespace-nowrap">{PART_STATE_WORDS[state]}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
