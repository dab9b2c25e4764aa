import type { ReactNode } from 'react'
import { Link } from 'react-router'

import type { LineState, PartLine } from 'core'
import { LINE_STATES } from 'core'

import { leaveOnEnter } from '~/components/Fields.tsx'
import { Table } from '~/components/Table.tsx'
import type { StockItem } from '~/files/shelf.ts'
import { atHand } from '~/files/shelf.ts'
import { measureAddress } from '~/views/measure/measureAddress.ts'
import type { OrderLine } from '~/views/order/orderLines.ts'
import { moneyHeading } from '~/words/format.ts'
import { lineStateName } from '~/words/measures.ts'

/** Parts of a unit that is kept for its parts, alike with one that is needed. */
interface SpareFound {
  readonly key: string
  readonly box: string
  readonly boxName: string
  readonly names: readonly { readonly ref: string; readonly name: string }[]
}

interface OrderTableProps {
  readonly lines: readonly OrderLine[]
  readonly spares: readonly SpareFound[]
  readonly stock: readonly StockItem[]
  /** Of all prices; empty where the shop did not say. */
  readonly currency: string
  readonly isDisabled: boolean
  readonly onKeep: (line: PartLine) => void
}

/** What is written of a line as text. */
type TextKey = 'partNumber' | 'supplier' | 'takenFrom' | 'reason' | 'price' | 'core'

interface FieldOfLineProps extends Pick<OrderTableProps, 'isDisabled' | 'onKeep'> {
  readonly line: OrderLine
}

interface LineFieldProps extends FieldOfLineProps {
  readonly of: TextKey
  readonly label: string
  readonly width: string
}

function LineField({ line, of: key, label, width, isDisabled, onKeep }: LineFieldProps) {
  const value = line[key] ?? ''
  const isMoney = key === 'price' || key === 'core'
  return (
    <Written printed={value === '' ? '–' : value}>
      <input
        key={value}
        className={`field ${width}`}
        inputMode={isMoney ? 'decimal' : undefined}
        aria-label={`${label} ${line.what}`}
        placeholder={key === 'reason' ? 'why it is left out' : undefined}
        defaultValue={value}
        disabled={isDisabled}
        onKeyDown={leaveOnEnter}
        onBlur={(event) => {
          const text = event.target.value.trim()
          const empty = isMoney ? null : undefined
          if (text !== value) onKeep({ ...line, [key]: text === '' ? empty : text })
        }}
      />
    </Written>
  )
}

function QuantityField({ line, isDisabled, onKeep }: FieldOfLineProps) {
  return (
    <Written printed={line.quantity}>
      <input
        key={line.quantity}
        className="field w-[4rem]"
        inputMode="numeric"
        aria-label={`Quantity of ${line.what}`}
        defaultValue={line.quantity}
        disabled={isDisabled}
        onKeyDown={leaveOnEnter}
        onBlur={(event) => {
          const quantity = Number(event.target.value)
          if (quantity !== line.quantity) onKeep({ ...line, quantity })
        }}
      />
    </Written>
  )
}

function StateField({ line, isDisabled, onKeep }: FieldOfLineProps) {
  return (
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
  )
}

/** The parts list, to be written into; on paper what stands in it. */
export function OrderTable(props: OrderTableProps) {
  const { lines, spares, stock, currency, isDisabled, onKeep } = props
  const field = (line: OrderLine, key: TextKey, label: string, width: string) => (
    <LineField
      line={line}
      of={key}
      label={label}
      width={width}
      isDisabled={isDisabled}
      onKeep={onKeep}
    />
  )
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
              <AtHand
                line={line}
                spares={spares.filter(({ key }) => key === line.key)}
                onShelf={atHand(stock, line.partNumber)}
                isDisabled={isDisabled}
                onTake={(takenFrom) => {
                  onKeep({ ...line, takenFrom })
                }}
              />
              {line.state === 'left-out' && field(line, 'reason', 'Why is left out:', 'w-full')}
            </>
          ),
        },
        {
          heading: 'Part number',
          cell: (line) => field(line, 'partNumber', 'Part number of', 'w-[7rem] max-lg:w-[5.3rem]'),
        },
        {
          heading: 'Supplier',
          cell: (line) => field(line, 'supplier', 'Supplier of', 'w-[7rem] max-lg:w-[5.3rem]'),
        },
        {
          heading: 'Taken from',
          cell: (line) =>
            field(line, 'takenFrom', 'Taken from instead of bought:', 'w-[7rem] max-lg:w-[5.3rem]'),
        },
        {
          heading: 'Quantity',
          cell: (line) => <QuantityField line={line} isDisabled={isDisabled} onKeep={onKeep} />,
        },
        {
          heading: moneyHeading('Price each', currency),
          cell: (line) => field(line, 'price', 'Price of one', 'w-[5.5rem] max-lg:w-[4.6rem]'),
        },
        {
          heading: moneyHeading('Core back', currency),
          cell: (line) => field(line, 'core', 'Back for the old', 'w-[5.5rem] max-lg:w-[4.6rem]'),
        },
        {
          heading: 'State',
          cell: (line) => <StateField line={line} isDisabled={isDisabled} onKeep={onKeep} />,
        },
      ]}
    />
  )
}

/** What the shop has of a part without buying it: on the shelf, or in a spare unit. */
function AtHand({
  line,
  spares,
  onShelf,
  isDisabled,
  onTake,
}: {
  readonly line: OrderLine
  readonly spares: readonly SpareFound[]
  readonly onShelf: number
  readonly isDisabled: boolean
  readonly onTake: (from: string) => void
}) {
  const take = (from: string) => (
    <button
      type="button"
      className="button-quiet px-1"
      disabled={isDisabled}
      aria-label={`Take ${line.what} from ${from}`}
      onClick={() => {
        onTake(from)
      }}
    >
      Take it
    </button>
  )
  if (line.takenFrom || line.state !== 'needed') return null
  return (
    <div className="no-print text-[0.86rem]">
      {onShelf > 0 && (
        <p>
          {onShelf} on the shelf {take('the shelf')}
        </p>
      )}
      {spares.map(({ box, boxName, names }) => (
        <p key={box}>
          In {boxName}:{' '}
          {names.slice(0, MOST_NAMED).map(({ ref, name }, at) => (
            <span key={ref}>
              {at > 0 && ', '}
              <Link to={measureAddress(box, ref)} className="text-accent underline">
                {name}
              </Link>
            </span>
          ))}{' '}
          {take(boxName)}
        </p>
      ))}
    </div>
  )
}

/** More like parts of one unit than this say nothing more. */
const MOST_NAMED = 3

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
