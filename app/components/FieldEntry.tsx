/** The fields of a thing in a box, each entered as its type asks. */
import type { Field, FieldsOf, NumberField, TextField } from 'core'

import { parseText } from '~/views/layout/names.ts'
import { figureText, parseFigure } from '~/views/layout/numbers.ts'
import { choicesOf, fieldTitle, idsToChoose, unitName } from '~/words/fields.ts'
import type { Naming } from '~/words/names.ts'

import { CheckField, EntryField, SelectField } from './Fields.tsx'

/** How a field is shown, where it is not as its own word and type have it. */
interface Shown {
  readonly label?: React.ReactNode
  /** What can be chosen, where that is not everything that there is. */
  readonly options?: readonly (readonly [value: string, title: string])[]
  /** What is said where nothing is chosen. */
  readonly unsaid?: string
}

interface EntryProps<V, F = Field> extends Shown {
  readonly naming: Naming
  readonly field: F
  readonly value: V | null | undefined
  /** Null keeps it; a sentence refuses it. Undefined is what is left out. */
  readonly onKeep: (value: V | undefined) => string | null
}

/** The keys of a phone for figures have no sign; a station is hardly ever below 0. */
function inputModeOf({ type, least, unit }: NumberField): 'numeric' | 'text' | 'decimal' {
  if (type === 'whole') return 'numeric'
  return least < 0 && unit !== 'length' ? 'text' : 'decimal'
}

function FigureEntry(props: EntryProps<number, Field & NumberField>) {
  const { naming, field, label = fieldTitle(field), value, onKeep } = props
  const { words } = naming
  return (
    <EntryField
      key={`${value ?? ''} ${words.lengthUnit}`}
      label={label}
      unit={unitName(words, field)}
      inputMode={inputModeOf(field)}
      value={figureText(field, value ?? field.usual, words.lengthUnit)}
      onCommit={(text) => {
        const figure = parseFigure(field, text, words.lengthUnit)
        return figure.ok ? onKeep(figure.value) : figure.sentence
      }}
    />
  )
}

function TextEntry(props: EntryProps<string, Field & TextField>) {
  const { field, label = fieldTitle(field), value, onKeep } = props
  return (
    <EntryField
      key={value}
      label={label}
      value={value ?? ''}
      onCommit={(text) => {
        const parsed = parseText(text, field.most)
        if (!parsed.ok) return parsed.sentence
        return parsed.text === undefined && field.isOptional !== true
          ? 'This cannot be empty.'
          : onKeep(parsed.text)
      }}
    />
  )
}

function ChoiceEntry(props: EntryProps<string, Extract<Field, { type: 'choice' | 'id' }>>) {
  const { naming, field, label = fieldTitle(field), unsaid = 'not known', value, onKeep } = props
  const isChoice = field.type === 'choice'
  const known = isChoice ? choicesOf(naming.words, field) : idsToChoose(naming, field.of)
  const options = props.options ?? known
  const usual = isChoice ? field.usual : undefined
  return (
    <SelectField
      label={label}
      value={value ?? usual ?? ''}
      options={
        field.isOptional === true && usual === undefined ? [['', unsaid], ...options] : options
      }
      onChange={(chosen) => {
        onKeep(chosen === '' ? undefined : chosen)
      }}
    />
  )
}

/** One field, by its type; those that hold several things have components of their own. */
function AnyEntry({ field, value, onKeep, ...shown }: EntryProps<unknown>) {
  switch (field.type) {
    // What a field holds is of its type.
    case 'number':
    case 'whole':
      return <FigureEntry {...shown} field={field} value={value as number | null} onKeep={onKeep} />
    case 'text':
      return <TextEntry {...shown} field={field} value={value as string | null} onKeep={onKeep} />
    case 'choice':
    case 'id':
      return <ChoiceEntry {...shown} field={field} value={value as string | null} onKeep={onKeep} />
    case 'flag':
      return (
        <CheckField
          label={fieldTitle(field)}
          isChecked={value === true}
          onChange={(isChecked) => {
            // What is not so is left out.
            onKeep(isChecked || undefined)
          }}
        />
      )
    default:
      return null
  }
}

interface FieldEntriesProps<T, K extends keyof T & string> {
  readonly naming: Naming
  readonly fields: FieldsOf<T>
  readonly of: T
  readonly names: readonly K[]
  readonly shown?: Readonly<Partial<Record<K, Shown>>>
  /** Told of one property that is another; null keeps it, a sentence refuses it. */
  readonly onChange: (change: Partial<T>) => string | null
}

/** Some fields of a thing, in the order of their names. */
export function FieldEntries<T, K extends keyof T & string>(props: FieldEntriesProps<T, K>) {
  const { naming, fields, of, names, shown, onChange } = props
  return names.map((name) => {
    const own: Shown | undefined = shown?.[name]
    return (
      <AnyEntry
        key={name}
        {...own}
        naming={naming}
        // The value of a field is of its type.
        field={fields[name] as unknown as Field}
        value={of[name]}
        onKeep={(value) => onChange({ [name]: value } as Partial<T>)}
      />
    )
  })
}
