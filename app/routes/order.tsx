import { Download, Plus } from 'lucide-react'
import type { ReactNode } from 'react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { v7 as uuidv7 } from 'uuid'

import type { LineState } from 'core'
import { LINE_STATES, indexBox } from 'core'

import { Table } from '~/components/Table.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import type { OrderLine } from '~/views/order/orderLines.ts'
import { orderLines, totalsOf } from '~/views/order/orderLines.ts'
import { formatNumber } from '~/words/format.ts'
import { entryBodySchema } from '~/files/jobEntry.ts'
import { LINE_STATE_NAMES } from '~/words/measures.ts'
import { Warning } from '~/components/Warning.tsx'

/** What is replaced, what goes with it, what it costs, and what has arrived. */
export default function Order() {
  const { id, draft, words } = useOpenBox()
  const { job, current, record } = useOpenJob()
  const [problem, setProblem] = useState<string>()
  const [added, setAdded] = useState('')
  const lines = useMemo(() => orderLines({ box: indexBox(draft), words }, job), [draft, words, job])
  const totals = totalsOf(lines)
  const isDisabled = current === undefined || job.isClosed
  const keep = (line: Omit<OrderLine, 'why' | 'isWritten'>): void => {
    const { key, what, quantity, price, state } = line
    const parsed = entryBodySchema.safeParse({
      kind: 'line',
      line: { key, what, quantity, price, state },
    })
    setProblem(parsed.error?.issues[0]?.message)
    if (parsed.success) record(parsed.data)
  }
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto">
      <title>{`${draft.name} · Parts · Udrix`}</title>
      <h2 className="hidden text-[1.35rem] print:block">{draft.name}</h2>
      <h2 className="text-[1.35rem]">Parts to order</h2>
      {lines.length === 0 ? (
        <p className="py-2 text-[1.05rem]">
          Nothing is to be replaced yet. Parts come here by their verdicts:{' '}
          <Link to={`/boxes/${id}/measure`} className="text-accent underline">
            measure first
          </Link>
          , or add a part yourself.
        </p>
      ) : (
        <>
          <p className="py-1" role="status">
            {LINE_STATES.map((state) => `${totals.byState[state]} ${LINE_STATE_NAMES[state]}`).join(
              ', ',
            )}
            . Cost so far <b>{formatNumber(totals.cost, 2)}</b> in the shop’s money
            {totals.withoutPrice > 0 && `, ${totals.withoutPrice} without a price`}.
          </p>
          <div className="overflow-x-auto">
            <OrderTable lines={lines} isDisabled={isDisabled} onKeep={keep} />
          </div>
        </>
      )}
      {problem && (
        <Warning role="alert" className="mt-2">
          {problem}
        </Warning>
      )}
      <form
        className="no-print mt-3 flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          keep({ key: `own:${uuidv7()}`, what: added, quantity: 1, price: null, state: 'needed' })
          if (added.trim() !== '') setAdded('')
        }}
      >
        <label className="font-semibold">
          Another part
          <input
            className="field mt-1 block w-[20rem] font-normal"
            value={added}
            maxLength={200}
            disabled={isDisabled}
            onChange={(event) => {
              setAdded(event.target.value)
            }}
          />
        </label>
        <button className="button" disabled={isDisabled}>
          <Plus aria-hidden /> Add
        </button>
        {lines.length > 0 && current && (
          <a className="button" href={`/boxes/${id}/order.csv?job=${current.id}`} download>
            <Download aria-hidden /> Parts as CSV
          </a>
        )}
      </form>
    </main>
  )
}

interface OrderTableProps {
  readonly lines: readonly OrderLine[]
  readonly isDisabled: boolean
  readonly onKeep: (line: OrderLine) => void
}

function OrderTable({ lines, isDisabled, onKeep }: OrderTableProps) {
  return (
    <Table
      caption="Parts, why, how many, at what price and how far"
      rows={lines}
      keyOf={({ key }) => key}
      columns={[
        {
          heading: 'Part',
          isName: true,
          className: 'font-semibold!',
          cell: ({ what }) => what,
        },
        { heading: 'Why', className: 'text-graphite', cell: ({ why }) => why },
        {
          heading: 'Quantity',
          cell: (line) => (
            <Editable printed={line.quantity}>
              <input
                key={line.quantity}
                className="field w-[5rem]"
                inputMode="numeric"
                aria-label={`Quantity of ${line.what}`}
                defaultValue={line.quantity}
                disabled={isDisabled}
                onBlur={(event) => {
                  const quantity = Number(event.target.value)
                  if (quantity !== line.quantity) onKeep({ ...line, quantity })
                }}
              />
            </Editable>
          ),
        },
        {
          heading: 'Price each',
          cell: (line) => (
            <Editable printed={line.price ?? '–'}>
              <input
                key={line.price}
                className="field w-[7rem]"
                inputMode="decimal"
                aria-label={`Price of one ${line.what}`}
                defaultValue={line.price ?? ''}
                disabled={isDisabled}
                onBlur={(event) => {
                  const text = event.target.value.trim()
                  const price = text === '' ? null : text
                  if (price !== line.price) onKeep({ ...line, price })
                }}
              />
            </Editable>
          ),
        },
        {
          heading: 'State',
          cell: (line) => (
            <Editable printed={LINE_STATE_NAMES[line.state]}>
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
                {LINE_STATES.map((state) => (
                  <option key={state} value={state}>
                    {LINE_STATE_NAMES[state]}
                  </option>
                ))}
              </select>
            </Editable>
          ),
        },
      ]}
    />
  )
}

/** A field on the screen; on paper what stands in it. */
function Editable({
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
