import { EntryField } from '~/components/Fields.tsx'
import type { CouplerFigure } from '~/files/couplerFigures.ts'
import { parseWithin } from '~/views/layout/numbers.ts'

interface CouplerFiguresProps<Figures> {
  /** One of its own among all that are on the page. */
  readonly id: string
  readonly fields: readonly CouplerFigure<Figures>[]
  readonly figures: Figures
  readonly onChange: (figures: Figures) => string | null
}

/** The figures of a ring or of dogs, to be entered; an empty field is not known. */
export function CouplerFigures<Figures extends object>(props: CouplerFiguresProps<Figures>) {
  const { id, fields, figures, onChange } = props
  return fields.map(({ key, title, unit, least, most }) => {
    const known = figures[key] as number | undefined
    return (
      <EntryField
        key={`${id} ${String(key)} ${known}`}
        label={title}
        unit={unit.trim() === '' ? undefined : unit.trim()}
        inputMode="decimal"
        value={known === undefined ? '' : `${known}`}
        onCommit={(text) => {
          if (text.trim() === '') return onChange({ ...figures, [key]: undefined })
          const figure = parseWithin(text, least, most, title)
          return figure.ok ? onChange({ ...figures, [key]: figure.value }) : figure.sentence
        }}
      />
    )
  })
}

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
