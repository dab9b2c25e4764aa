import { Trash2 } from 'lucide-react'

import { LARGEST } from 'core'

import type { StockItem } from '~/files/shelf.ts'
import { MOST_STOCK, parseStock, withStock } from '~/files/shelf.ts'

import { AddField } from './AddField.tsx'
import { QuantityField } from './QuantityField.tsx'

interface StockCellsProps {
  readonly item: StockItem
  readonly onQuantity: (quantity: number) => void
  readonly onTakeOff: () => void
}

function StockCells({ item, onQuantity, onTakeOff }: StockCellsProps) {
  return (
    <>
      <th scope="row" className="py-0.5 pr-2 font-normal!">
        <b>{item.partNumber}</b> {item.what}
      </th>
      <td className="w-[30%] pr-2">
        <QuantityField
          label={`How many of ${item.partNumber}`}
          quantity={item.quantity}
          most={LARGEST.quantity}
          onQuantity={onQuantity}
        />
      </td>
      <td>
        <button
          type="button"
          className="button-quiet"
          aria-label={`Take ${item.partNumber} off the shelf`}
          onClick={onTakeOff}
        >
          <Trash2 aria-hidden />
        </button>
      </td>
    </>
  )
}

/** Parts on the shelf, by their numbers; the parts list of a job says how many are at hand. */
export function StockTable({
  stock,
  onChange,
}: {
  readonly stock: readonly StockItem[]
  readonly onChange: (stock: StockItem[]) => void
}) {
  return (
    <section aria-label="Parts on the shelf" className="grid content-start gap-1.5">
      <h2 className="text-[1.2rem]">Parts on the shelf</h2>
      <AddField
        label="Add parts"
        hint="Number, what it is, how many: RB 15-35, roller bearing, 3."
        onAdd={(text) => {
          const parsed = parseStock(text)
          if (!parsed.ok) return parsed.sentence
          const next = withStock(stock, parsed.item)
          if (next.length > MOST_STOCK) return `${MOST_STOCK} part numbers at most.`
          const crowded = next.find(({ quantity }) => quantity > LARGEST.quantity)
          if (crowded)
            return `That makes ${crowded.quantity} of ${crowded.partNumber}; ${LARGEST.quantity} are kept at most.`
          onChange(next)
          return null
        }}
      />
      {stock.length > 0 && (
        <table className="border-rule w-full border-y text-left">
          <caption className="sr-only">Parts on the shelf</caption>
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col">How many</th>
              <th scope="col">
                <span className="sr-only">Take off</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {stock.map((item, at) => (
              <tr key={item.partNumber} className="border-rule border-t">
                <StockCells
                  item={item}
                  onQuantity={(quantity) => {
                    onChange(stock.with(at, { ...item, quantity }))
                  }}
                  onTakeOff={() => {
                    onChange(stock.toSpliced(at, 1))
                  }}
                />
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  )
}
