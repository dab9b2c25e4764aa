/** Fields with their labels, which look and behave alike wherever they stand. */
import { useId, useState } from 'react'

import clsx from 'clsx'

import { parseCount } from '~/views/count/parseCount.ts'
import { parseTorque, torqueText } from '~/views/layout/numbers.ts'
import type { TorqueUnit } from '~/words/format.ts'
import { TORQUE_UNIT_NAMES } from '~/words/format.ts'
import { tooLongWords } from '~/words/lengths.ts'

/** For a field that keeps what was typed when it is left: Enter leaves it. */
export function leaveOnEnter({ key, currentTarget }: React.KeyboardEvent<HTMLInputElement>): void {
  if (key === 'Enter') currentTarget.blur()
}

interface TypedFieldProps extends Pick<
  React.ComponentProps<'input'>,
  'name' | 'inputMode' | 'placeholder' | 'onBlur' | 'onFocus' | 'onKeyDown'
> {
  readonly label: React.ReactNode
  readonly unit?: string | undefined
  readonly value: string
  /** Told of every key. */
  readonly onType: (text: string) => void
  readonly isDisabled?: boolean | undefined
  /** Characters that are kept. What has more is not cut: it says so, and stays. */
  readonly longest?: number | undefined
  /** Why what was typed is refused; it stands under the field. */
  readonly problem?: string | null | undefined
  /** Whether it is refused with no sentence of its own. */
  readonly isWrong?: boolean
  /** Whether it takes the room that is left beside others. */
  readonly isGrowing?: boolean
  /** Its width and its letters, where they are not the usual ones. */
  readonly className?: string
}

/** One line of text or one number, with its label over it, as it is typed. */
export function TypedField(props: TypedFieldProps) {
  const {
    label,
    unit,
    onType,
    isDisabled,
    isGrowing,
    className,
    longest = Infinity,
    ...rest
  } = props
  const { problem: told = null, isWrong = false, ...input } = rest
  const problem = tooLongWords(input.value, longest) ?? told
  const id = useId()
  return (
    <div className={clsx('min-w-0', isGrowing && 'flex-1')}>
      <label htmlFor={id} className="block text-[0.9rem] font-semibold">
        {label} {unit && <span className="text-graphite font-normal">({unit})</span>}
      </label>
      <input
        {...input}
        id={id}
        className={clsx('field', className)}
        autoComplete="off"
        disabled={isDisabled}
        aria-invalid={isWrong || problem !== null}
        aria-describedby={problem === null ? undefined : `${id}-problem`}
        onChange={(event) => {
          onType(event.target.value)
        }}
      />
      {problem !== null && (
        <p
          id={`${id}-problem`}
          role="alert"
          className="text-trouble mt-1 w-0 min-w-full text-[0.86rem] font-semibold"
        >
          {problem}
        </p>
      )}
    </div>
  )
}

interface EntryFieldProps extends Pick<
  TypedFieldProps,
  'label' | 'value' | 'unit' | 'inputMode' | 'placeholder' | 'longest' | 'isDisabled'
> {
  /** Null keeps it; a sentence refuses it and leaves it in the field. */
  readonly onCommit: (text: string) => string | null
}

/**
 * What is kept when it is left, or on Enter; Escape takes back what was typed. A new value
 * from outside needs a new key.
 */
export function EntryField({ value, onCommit, ...field }: EntryFieldProps) {
  const [text, setText] = useState(value)
  const [problem, setProblem] = useState<string | null>(null)
  const commit = () => {
    if (text === value) setProblem(null)
    else if (tooLongWords(text, field.longest ?? Infinity) === null) setProblem(onCommit(text))
  }
  return (
    <TypedField
      {...field}
      value={text}
      problem={problem}
      onType={setText}
      onBlur={commit}
      onKeyDown={({ key }) => {
        if (key === 'Enter') commit()
        if (key === 'Escape') {
          setText(value)
          setProblem(null)
        }
      }}
    />
  )
}

/** The teeth of a gear; nothing typed takes the count back. */
export function CountField({
  label,
  toothCount,
  onCount,
}: {
  readonly label: React.ReactNode
  readonly toothCount: number | null
  readonly onCount: (toothCount: number | null) => void
}) {
  return (
    <EntryField
      key={toothCount}
      label={label}
      value={toothCount === null ? '' : `${toothCount}`}
      inputMode="numeric"
      onCommit={(text) => {
        const entry = parseCount(text)
        if (!entry.ok) return entry.sentence
        onCount(entry.toothCount)
        return null
      }}
    />
  )
}

interface SelectFieldProps<T extends string> {
  readonly label: React.ReactNode
  readonly value: T
  readonly options: readonly (readonly [value: T, title: string])[]
  readonly onChange: (value: T) => void
  readonly isDisabled?: boolean
}

/** One of many. */
export function SelectField<T extends string>(props: SelectFieldProps<T>) {
  const { label, value, options, onChange, isDisabled } = props
  const id = useId()
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="block text-[0.9rem] font-semibold">
        {label}
      </label>
      <select
        id={id}
        className="field"
        value={value}
        disabled={isDisabled}
        onChange={(event) => {
          const chosen = options.find(([option]) => option === event.target.value)
          if (chosen) onChange(chosen[0])
        }}
      >
        {options.map(([option, title]) => (
          <option key={option} value={option}>
            {title}
          </option>
        ))}
      </select>
    </div>
  )
}

/** Yes or no. */
export function CheckField({
  label,
  isChecked,
  isDisabled,
  onChange,
}: {
  readonly label: string
  readonly isChecked: boolean
  readonly isDisabled?: boolean
  readonly onChange: (isChecked: boolean) => void
}) {
  return (
    <label className="flex min-h-[44px] cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="accent-accent size-5"
        checked={isChecked}
        disabled={isDisabled}
        onChange={(event) => {
          onChange(event.target.checked)
        }}
      />
      {label}
    </label>
  )
}

interface TorqueFieldProps {
  readonly label: string
  readonly unit: TorqueUnit
  readonly valueNm: number
  readonly leastNm: number
  readonly mostNm: number
  readonly onKeep: (torqueNm: number) => void
  /** What an emptied field does; it is refused where nothing is said. */
  readonly onEmpty?: () => void
}

/** A torque in the unit that was chosen; kept and bounded in newton-metres. */
export function TorqueField(props: TorqueFieldProps) {
  const { label, unit, valueNm, leastNm, mostNm, onKeep, onEmpty } = props
  return (
    <EntryField
      key={`${label} ${valueNm} ${unit}`}
      label={label}
      unit={TORQUE_UNIT_NAMES[unit]}
      inputMode="decimal"
      value={torqueText(valueNm, unit)}
      onCommit={(text) => {
        if (text.trim() === '' && onEmpty) {
          onEmpty()
          return null
        }
        const torque = parseTorque(text, unit, [leastNm, mostNm], label)
        if (!torque.ok) return torque.sentence
        onKeep(torque.value)
        return null
      }}
    />
  )
}
