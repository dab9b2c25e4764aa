import { EntryField } from '~/components/Fields.tsx'
import { parseWithin } from '~/views/layout/numbers.ts'

interface NumberOfViewProps {
  readonly label: string
  readonly unit: string
  readonly value: number
  readonly least: number
  readonly most: number
  readonly what: string
  readonly onChange: (value: number) => void
}

/** A figure of what is looked at, not of the box. */
export function NumberOfView(props: NumberOfViewProps) {
  const { label, unit, value, least, most, what, onChange } = props
  return (
    <EntryField
      key={`${label} ${value}`}
      label={label}
      unit={unit}
      inputMode="decimal"
      value={`${value}`}
      onCommit={(text) => {
        const figure = parseWithin(text, least, most, what)
        if (!figure.ok) return figure.sentence
        onChange(figure.value)
        return null
      }}
    />
  )
}
