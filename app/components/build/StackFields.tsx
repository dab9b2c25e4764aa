import type { BoxDraft, BoxIndex, Entered } from 'core'
import { pieceOfRef } from 'core'

import { CheckField, EntryField } from '~/components/Fields.tsx'
import type { StackRow } from '~/views/build/stack.ts'
import { mmOf, withLength } from '~/views/build/stack.ts'
import { lengthText, parseLength } from '~/views/layout/numbers.ts'
import type { LengthUnit } from '~/words/format.ts'
import { capitalize } from '~/words/names.ts'

interface StackLengthProps {
  readonly label: string
  readonly unit: LengthUnit
  readonly value: Entered | null
  readonly isDisabled: boolean
  /** Nothing where the field was emptied. */
  readonly onKeep: (length: Entered | null) => void
}

/** A length of the stack; where nothing is typed it is as nobody had said it. */
export function StackLength({ label, unit, value, isDisabled, onKeep }: StackLengthProps) {
  const shown = value === null ? '' : lengthText(mmOf(value), unit)
  return (
    <EntryField
      key={`${label} ${shown}`}
      label={label}
      unit={unit}
      inputMode="decimal"
      value={shown}
      isDisabled={isDisabled}
      onCommit={(text) => {
        if (text.trim() === '') {
          onKeep(null)
          return null
        }
        const length = parseLength(text, unit, 0)
        if (!length.ok) return length.sentence
        onKeep({ text: lengthText(length.value, unit), unit })
        return null
      }}
    />
  )
}

interface StackPartsProps {
  readonly index: BoxIndex
  readonly rows: readonly StackRow[]
  readonly unit: LengthUnit
  readonly isDisabled: boolean
  readonly nameOf: (part: StackRow['part']) => string
  /** Takes a part into the stack, or out of it. */
  readonly onTurn: (part: string) => void
  readonly onChange: (draft: BoxDraft) => void
}

/** The parts on the shaft: which of them bear on one another, and how long each is. */
export function StackParts(props: StackPartsProps) {
  const { index, rows, unit, isDisabled, nameOf, onTurn, onChange } = props
  return (
    <ul aria-label="Parts of the stack">
      {rows.map(({ part, lengthMm, isIn }) => (
        <li
          key={part.id}
          className="border-rule grid grid-cols-[minmax(0,1fr)_8rem] items-end gap-2 border-t py-0.5"
        >
          <CheckField
            label={capitalize(nameOf(part))}
            isChecked={isIn}
            isDisabled={isDisabled}
            onChange={() => {
              onTurn(part.id)
            }}
          />
          {isIn && (
            <EntryField
              key={`${lengthMm} ${unit}`}
              label={<span className="sr-only">{`Length of ${nameOf(part)}`}</span>}
              unit={unit}
              inputMode="decimal"
              value={lengthMm === undefined ? '' : lengthText(lengthMm, unit)}
              onCommit={(text) => {
                const length = text.trim() === '' ? undefined : parseLength(text, unit, 0.001)
                if (length && !length.ok) return length.sentence
                const piece = pieceOfRef(index, part.part.ref)
                onChange(withLength(index, part, length?.value, piece))
                return null
              }}
            />
          )}
        </li>
      ))}
    </ul>
  )
}
