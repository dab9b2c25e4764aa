import { Trash2 } from 'lucide-react'

import { EntryField } from '~/components/Fields.tsx'
import type { ShelfPiece } from '~/files/shelf.ts'
import { MOST_OF_A_SIZE, formatPieces, parsePieces, withPieces } from '~/files/shelf.ts'
import type { LengthUnit } from '~/words/format.ts'

import { AddField } from './AddField.tsx'
import { QuantityField } from './QuantityField.tsx'

interface PieceTableProps {
  /** "Feeler leaves": what they are, as a heading and in the names of the fields. */
  readonly title: string
  /** "leaf", of one of them. */
  readonly one: string
  readonly hint: string
  readonly pieces: readonly ShelfPiece[]
  readonly unit: LengthUnit
  readonly onChange: (pieces: ShelfPiece[]) => void
}

/** The thickness alone, however many there are of it. */
function formatSize(piece: ShelfPiece, unit: LengthUnit): string {
  return formatPieces([{ ...piece, quantity: 1 }], unit)
}

interface PieceCellsProps extends Pick<PieceTableProps, 'one' | 'unit'> {
  readonly number: number
  readonly piece: ShelfPiece
  /** By another piece, or by none. */
  readonly onReplace: (...by: readonly ShelfPiece[]) => void
}

function PieceCells({ one, number, piece, unit, onReplace }: PieceCellsProps) {
  const size = formatSize(piece, unit)
  return (
    <>
      <td className="w-[45%] py-0.5 pr-2">
        <EntryField
          label={<span className="sr-only">{`Thickness of ${one} ${number}`}</span>}
          value={size}
          onCommit={(text) => {
            const parsed = parsePieces(text, unit)
            if (!parsed.ok) return parsed.sentence
            const [only] = parsed.pieces
            if (!only || parsed.pieces.length > 1) return 'One thickness, such as 0.15.'
            onReplace({ ...only, quantity: piece.quantity })
            return null
          }}
        />
      </td>
      <td className="w-[30%] pr-2">
        <QuantityField
          label={`How many of ${size} (${one})`}
          quantity={piece.quantity}
          most={MOST_OF_A_SIZE}
          onQuantity={(quantity) => {
            onReplace({ ...piece, quantity })
          }}
        />
      </td>
      <td>
        <button
          type="button"
          className="button-quiet"
          aria-label={`Take ${one} ${size} off the shelf`}
          onClick={() => {
            onReplace()
          }}
        >
          <Trash2 aria-hidden />
        </button>
      </td>
    </>
  )
}

/** Leaves or shims, one size a row, edited where they stand; new ones are typed over them. */
export function PieceTable({ title, one, hint, pieces, unit, onChange }: PieceTableProps) {
  // A size that was written twice is one row.
  const rows = withPieces(pieces, [])
  const replace = (at: number, ...by: readonly ShelfPiece[]): void => {
    onChange(withPieces(rows.toSpliced(at, 1), by))
  }
  return (
    <section aria-label={title} className="grid content-start gap-1.5">
      <h2 className="text-[1.2rem]">{title}</h2>
      <AddField
        label={`Add to them, in ${unit}`}
        hint={hint}
        onAdd={(text) => {
          const parsed = parsePieces(text, unit)
          if (!parsed.ok) return parsed.sentence
          const next = withPieces(pieces, parsed.pieces)
          const crowded = next.find(({ quantity }) => quantity > MOST_OF_A_SIZE)
          if (crowded)
            return `That makes ${crowded.quantity} of ${formatSize(crowded, unit)}; ${MOST_OF_A_SIZE} are kept at most.`
          onChange(next)
          return null
        }}
      />
      <div
        className="border-rule max-h-[26rem] overflow-auto border-y"
        tabIndex={0}
        role="region"
        aria-label={`${title}, one by one`}
      >
        <table className="w-full text-left">
          <caption className="sr-only">{title}</caption>
          <thead className="bg-paper sticky top-0">
            <tr>
              <th scope="col">Thickness, {unit}</th>
              <th scope="col">How many</th>
              <th scope="col">
                <span className="sr-only">Take off</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((piece, at) => (
              <tr
                key={`${formatSize(piece, unit)} ${piece.quantity}`}
                className="border-rule border-t"
              >
                <PieceCells
                  one={one}
                  number={at + 1}
                  piece={piece}
                  unit={unit}
                  onReplace={(...by) => {
                    replace(at, ...by)
                  }}
                />
              </tr>
            ))}
          </tbody>
        </table>
        {pieces.length === 0 && <p className="text-graphite py-2">None yet.</p>}
      </div>
    </section>
  )
}
