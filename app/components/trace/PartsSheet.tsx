import { Table } from '~/components/Table.tsx'
import type { PartRow } from '~/views/trace/partRows.ts'
import { PART_STATE_WORDS } from '~/views/trace/partRows.ts'
import type { TraceInput } from '~/views/trace/traceInput.ts'
import { formatPower, formatSpeed, formatTorque } from '~/words/format.ts'

interface PartsSheetProps {
  readonly rows: readonly PartRow[]
  readonly input: TraceInput
}

/** Every part with what it does; read out when it changes. */
export function PartsSheet({ rows, input }: PartsSheetProps) {
  return (
    <Table
      caption="What every part does"
      isLive
      rows={rows}
      keyOf={({ id }) => id}
      rowOf={({ id }) => id}
      rowClassName={({ state }) =>
        state === 'stands' || state === 'coasts' ? 'text-graphite' : undefined
      }
      columns={[
        {
          heading: 'Part',
          isName: true,
          className: ({ on }) => (on === '' ? 'font-bold!' : 'pl-4'),
          cell: ({ name }) => name,
        },
        {
          heading: 'Speed',
          isRight: true,
          cell: ({ speedRpm }) => (speedRpm === null ? '–' : formatSpeed(speedRpm)),
        },
        { heading: 'Sense', className: 'whitespace-nowrap', cell: ({ sense }) => sense || '–' },
        {
          heading: 'Torque',
          isRight: true,
          className: 'font-semibold',
          cell: ({ torqueNm }) => (torqueNm === 0 ? '–' : formatTorque(torqueNm, input.torqueUnit)),
        },
        {
          heading: 'Power',
          isRight: true,
          cell: ({ torqueNm, speedRpm }) =>
            torqueNm === 0 || !speedRpm ? '–' : formatPower(torqueNm, speedRpm),
        },
        {
          heading: 'State',
          className: 'whitespace-nowrap',
          cell: ({ state }) => PART_STATE_WORDS[state],
        },
      ]}
    />
  )
}
