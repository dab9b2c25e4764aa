import type { ChangeAddress } from '~/views/addresses.ts'
import { EntryField, TorqueField } from '~/components/Fields.tsx'
import type { DriveField } from '~/views/drive/driveFields.ts'
import { parseWithin } from '~/views/layout/numbers.ts'
import type { TorqueUnit } from '~/words/format.ts'
import { TORQUE_UNIT_NAMES } from '~/words/format.ts'

interface FigureFieldsProps<Figures> {
  readonly title: string
  readonly fields: { readonly [Key in keyof Figures]: DriveField }
  readonly figures: NoInfer<Figures>
  readonly torqueUnit: TorqueUnit
  readonly change: ChangeAddress<'drive'>
}

/** Figures of one kind, to be read and set; they stand in the address. */
export function FigureFields<Figures extends object>(props: FigureFieldsProps<Figures>) {
  const { title, fields, figures, torqueUnit, change } = props
  return (
    <details className="no-print">
      <summary className="font-semibold">{title}</summary>
      <div className="grid grid-cols-2 items-end gap-2">
        {(Object.entries(fields) as [keyof Figures, DriveField][]).map(([name, field]) => {
          const { key, title: label, unit, least, most, scale = 1 } = field
          if (unit === TORQUE_UNIT_NAMES.Nm)
            return (
              <TorqueField
                key={key}
                label={label}
                unit={torqueUnit}
                valueNm={Number(figures[name])}
                leastNm={least}
                mostNm={most}
                onKeep={(torqueNm) => {
                  change({ [key]: `${torqueNm}` })
                }}
                onEmpty={() => {
                  change({ [key]: '' })
                }}
              />
            )
          const shown = Number((Number(figures[name]) / scale).toPrecision(6))
          return (
            <EntryField
              key={`${key} ${shown}`}
              label={label}
              unit={unit}
              inputMode="decimal"
              value={`${shown}`}
              onCommit={(text) => {
                if (text.trim() === '') {
                  change({ [key]: '' })
                  return null
                }
                const figure = parseWithin(text, least, most, label)
                if (!figure.ok) return figure.sentence
                change({ [key]: `${figure.value}` })
                return null
              }}
            />
          )
        })}
      </div>
    </details>
  )
}
