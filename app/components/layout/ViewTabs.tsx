import clsx from 'clsx'

const TITLES: Readonly<Record<string, string>> = {
  drawing: 'Drawing',
  parts: 'Parts',
  positions: 'Positions',
}

interface ViewTabsProps<T extends string> {
  readonly views: readonly T[]
  readonly selected: T
  readonly onSelect: (view: T) => void
}

/** Ways of looking at one box, as a row of keys. */
export function ViewTabs<T extends string>({ views, selected, onSelect }: ViewTabsProps<T>) {
  return (
    <div role="group" aria-label="View" className="flex gap-1.5">
      {views.map((view) => (
        <button
          key={view}
          type="button"
          aria-pressed={view === selected}
          className={clsx('button', view === selected && 'button-main')}
          onClick={() => {
            onSelect(view)
          }}
        >
          {TITLES[view] ?? view}
        </button>
      ))}
    </div>
  )
}
