import { EntryField } from '~/components/Fields.tsx'

interface QuantityFieldProps {
  /** Read out only: the row says what they are. */
  readonly label: string
  readonly quantity: number
  readonly most: number
  readonly onQuantity: (quantity: number) => void
}

/** How many there are of one thing on the shelf. */
export function QuantityField({ label, quantity, most, onQuantity }: QuantityFieldProps) {
  return (
    <EntryField
      key={quantity}
      label={<span className="sr-only">{label}</span>}
      inputMode="numeric"
      value={`${quantity}`}
      onCommit={(text) => {
        const next = Number(text.trim())
        if (!Number.isInteger(next) || next < 1 || next > most) return `1 to ${most}.`
        onQuantity(next)
        return null
      }}
    />
  )
}
