import type { ReactNode } from 'react'

import type { LineState, PartLine } from 'core'
import { LINE_STATES } from 'core'

import { Table } from '~/components/Table.tsx'
import type { OrderLine } from '~/views/order/orderLines.ts'
import { lineStateName } from '~/words/measures.ts'

interface OrderTableProps {
  readonly lines: readonly OrderLine[]
  readonly isDisabled: boolean
  readonly onKeep: (line: PartLine) => void
}

/** The parts list, to be written into; on paper what stands in it. */
export function OrderTable({ lines, isDisabled, onKeep }: OrderTableProps) {
  const field = (
    line: OrderLine,
    key: 'partNumber' | 'supplier' | 'takenFrom' | 'reason' | 'price' | 'core',
    label: string,
    width: string,
  ) => {
    const value = line[key] ?? ''
    return (
      <Written printed={value === '' ? '–' : value}>
        <input
          key={value}
          className={`field ${width}`}
          inputMode={key === 'price' || key === 'core' ? 'decimal' : undefined}
          aria-label={`${label} ${line.what}`}
          placeholder={key === 'reason' ? 'why it is left out' : undefined}
          defaultValue={value}
          disabled={isDisabled}
          onBlur={(event) => {
            const text = event.target.value.trim()
            const empty = key === 'price' || key === 'core' ? null : undefined
            if (text !== value) onKeep({ ...line, [key]: text === '' ? empty : text })
          }}
        />
      </Written>
    )
  }
  return (
    <Table
      caption="Parts, why, from where, how many, at what price and how far"
      rows={lines}
      keyOf={({ key }) => key}
      columns={[
        {
          heading: 'Part, and why',
          isName: true,
          className: 'font-normal!',
          cell: (line) => (
            <>
              <span className="font-semibold">{line.what}</span>
              <span className="text-graphite block text-[0.86rem]">{line.why}</span>
              {line.state === 'left-out' && field(line, 'reason', 'Why is left out:', 'w-full')}
            </>
          ),
        },
        {
          heading: 'Part number',
          cell: (line) => field(line, 'partNumber', 'Part number of', 'w-[7rem]'),
        },
        { heading: 'Supplier', cell: (line) => field(line, 'supplier', 'Supplier of', 'w-[7rem]') },
        {
          heading: 'Taken from',
          cell: (line) => field(line, 'takenFrom', 'Taken from instead of bought:', 'w-[7rem]'),
        },
        {
          heading: 'Quantity',
          cell: (line) => (
            <Written printed={line.quantity}>
              <input
                key={line.quantity}
                className="field w-[4rem]"
                inputMode="numeric"
                aria-label={`Quantity of ${line.what}`}
                defaultValue={line.quantity}
                disabled={isDisabled}
                onBlur={(event) => {
                  const quantity = Number(event.target.value)
                  if (quantity !== line.quantity) onKeep({ ...line, quantity })
                }}
              />
            </Written>
          ),
        },
        {
          heading: 'Price each',
          cell: (line) => field(line, 'price', 'Price of one', 'w-[5.5rem]'),
        },
        {
          heading: 'Core back',
          cell: (line) => field(line, 'core', 'Back for the old', 'w-[5.5rem]'),
        },
        {
          heading: 'State',
          cell: (line) => (
            <Written printed={lineStateName(line.state, line.isLabour === true)}>
              <select
                className="field"
                aria-label={`State of ${line.what}`}
                value={line.state}
                disabled={isDisabled}
                onChange={(event) => {
                  // The options are the states.
                  onKeep({ ...line, state: event.target.value as LineState })
                }}
              >
                {LINE_STATES.filter((state) => line.isLabour !== true || state !== 'ordered').map(
                  (state) => (
                    <option key={state} value={state}>
                      {lineStateName(state, line.isLabour === true)}
                    </option>
                  ),
                )}
              </select>
            </Written>
          ),
        },
      ]}
    />
  )
}

/** A field on the screen; on paper what stands in it. */
function Written({
  printed,
  children,
}: {
  readonly printed: string | number
  readonly children: ReactNode
}) {
  return (
    <>
      <span className="print:hidden">{children}</span>
      <span className="hidden print:inline">{printed}</span>
    </>
  )
}
