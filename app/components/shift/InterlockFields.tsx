import { X } from 'lucide-react'
import { useState } from 'react'

import type { InterlockPart, InterlockPartKind, Selector } from 'core'

import { SelectField } from '~/components/Fields.tsx'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'
import { interlockPartWords, rodName } from '~/words/shift.ts'

interface InterlockFieldsProps {
  readonly naming: Naming
  readonly rods: readonly Selector[]
  readonly parts: readonly InterlockPart[]
  readonly onAdd: (part: Omit<InterlockPart, 'id'>) => void
  readonly onRemove: (id: string) => void
}

type AddFieldsProps = Pick<InterlockFieldsProps, 'naming' | 'rods' | 'onAdd'>

/** A ball, pin or plate, and between or in which rods it goes. */
function AddFields({ naming, rods, onAdd }: AddFieldsProps) {
  const [kind, setKind] = useState<InterlockPartKind>('ball')
  const [one, setOne] = useState('')
  const [other, setOther] = useState('')
  const options = rods.map((rod): readonly [string, string] => [
    rod.id,
    capitalize(rodName(naming, rod)),
  ])
  const first = options.find(([id]) => id === one)?.[0] ?? options[0]?.[0] ?? ''
  const second =
    options.find(([id]) => id === other && id !== first)?.[0] ??
    options.find(([id]) => id !== first)?.[0] ??
    ''
  const selectors = { ball: [first, second], pin: [first], plate: rods.map(({ id }) => id) }[kind]
  return (
    <div className="flex flex-wrap items-end gap-2">
      <SelectField
        label="Add"
        value={kind}
        options={[
          ['ball', 'a ball between'],
          ['pin', 'a pin in'],
          ['plate', 'a plate over all rods'],
        ]}
        onChange={setKind}
      />
      {kind !== 'plate' && (
        <SelectField label="Rod" value={first} options={options} onChange={setOne} />
      )}
      {kind === 'ball' && (
        <SelectField
          label="and rod"
          value={second}
          options={options.filter(([id]) => id !== first)}
          onChange={setOther}
        />
      )}
      <button
        type="button"
        className="button"
        onClick={() => {
          onAdd({ kind, selectors })
        }}
      >
        Add
      </button>
    </div>
  )
}

/** The balls, pins and plates between rods. */
export function InterlockFields({ naming, rods, parts, onAdd, onRemove }: InterlockFieldsProps) {
  return (
    <section aria-label="Interlock" className="border-rule flex flex-col gap-2 border-t-2 pt-2">
      <h2 className="text-[1.35rem]">Interlock</h2>
      <ul>
        {parts.map((part) => (
          <li key={part.id} className="flex items-center gap-2">
            <button
              type="button"
              className="button-quiet min-h-[44px] min-w-[44px]"
              aria-label={`Take out the ${interlockPartWords(naming, part)}`}
              onClick={() => {
                onRemove(part.id)
              }}
            >
              <X aria-hidden />
            </button>
            {capitalize(interlockPartWords(naming, part))}
          </li>
        ))}
        {parts.length === 0 && <li>No ball, pin or plate is listed.</li>}
      </ul>
      {rods.length > 1 && <AddFields naming={naming} rods={rods} onAdd={onAdd} />}
    </section>
  )
}
