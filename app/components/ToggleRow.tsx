import clsx from 'clsx'

interface ToggleRowProps<T extends string> {
  /** What the row chooses, for a screen reader. */
  readonly label: string
  readonly options: readonly (readonly [value: T, title: string])[]
  readonly selected: T
  readonly onSelect: (value: T) => void
}

/** One of a few, as a row of keys. */
export function ToggleRow<T extends string>(props: ToggleRowProps<T>) {
  const { label, options, selected, onSelect } = props
  return (
    <div role="group" aria-label={label} className="flex flex-wrap gap-1.5">
      {options.map(([value, title]) => (
        <button
          key={value}
          type="button"
          aria-pressed={value === selected}
          className={clsx('button', value === selected && 'button-main')}
          onClick={() => {
            onSelect(value)
          }}
        >
          {title}
        </button>
      ))}
    </div>
  )
}
