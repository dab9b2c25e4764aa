import clsx from 'clsx'

interface ChoiceProps {
  readonly legend: string
  readonly name: string
  readonly value: string
  /** Values with what is written on their keys. */
  readonly options: readonly (readonly [string, string])[]
  readonly onChange: (value: string) => void
  /** Whether the legend stands over the keys, where there is little width. */
  readonly isStacked?: boolean
}

/** One of a few, as a row of large keys. */
export function Choice(props: ChoiceProps) {
  const { legend, name, value, options, onChange, isStacked = false } = props
  return (
    <fieldset>
      <legend
        className={clsx('font-semibold', isStacked ? 'text-[0.9rem]' : 'float-left mt-2 mr-3')}
      >
        {legend}
      </legend>
      <div className="flex flex-wrap gap-1.5">
        {options.map(([optionValue, title]) => (
          <label
            key={optionValue}
            className="button has-checked:bg-accent has-checked:text-accent-ink has-focus-visible:outline-3 flex-1 has-focus-visible:outline-offset-2"
          >
            <input
              type="radio"
              className="sr-only"
              name={name}
              value={optionValue}
              checked={optionValue === value}
              onChange={() => {
                onChange(optionValue)
              }}
            />
            {title}
          </label>
        ))}
      </div>
    </fieldset>
  )
}
