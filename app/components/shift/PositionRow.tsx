import clsx from 'clsx'

import type { BoxPosition } from 'core'

interface PositionRowProps {
  readonly title: string
  readonly positions: readonly BoxPosition[]
  readonly selected: string
  readonly onSelect: (id: string) => void
}

/** Keys for one end of a change. */
export function PositionRow({ title, positions, selected, onSelect }: PositionRowProps) {
  return (
    <div role="group" aria-label={title} className="flex items-center gap-1">
      <span className="w-[3rem] flex-none font-semibold">{title}</span>
      <div className="flex flex-wrap gap-1">
        {positions.map(({ id, label }) => (
          <button
            key={id}
            type="button"
            aria-pressed={id === selected}
            className={clsx(
              'min-h-[44px] min-w-[44px] border-2 px-2 text-[1.2rem] leading-none font-bold',
              id === selected
                ? 'border-accent bg-accent text-accent-ink'
                : 'border-steel bg-sheet text-ink hover:bg-accent-wash',
            )}
            onClick={() => {
              onSelect(id)
            }}
          >
            {label}
          </button>
        ))}
      </div>
    </div>
  )
}
