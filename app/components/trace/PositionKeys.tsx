import clsx from 'clsx'

import type { Analysis, PositionAnalysis } from 'core'

import { formatRatio } from '~/format.ts'

/** What a key says of its position, in the room that it has. */
export function shortResult(analysis: Analysis): string {
  switch (analysis.state) {
    case 'drive':
      return formatRatio(analysis.ratio)
    case 'uncounted':
      return `${analysis.gears.length} to count`
    case 'neutral':
      return 'neutral'
    case 'locked':
      return 'locked'
    case 'input-locked':
      return 'input locked'
    case 'output-locked':
      return 'output locked'
    case 'undetermined':
      return 'not settled'
  }
}

interface PositionKeysProps {
  readonly positions: readonly PositionAnalysis[]
  readonly selected: string
  readonly hrefOf: (index: number) => string
  readonly onSelect: (index: number) => void
}

/** One large key a position, with what it makes. */
export function PositionKeys({ positions, selected, hrefOf, onSelect }: PositionKeysProps) {
  return (
    <nav aria-label="Positions" className="no-print flex flex-wrap gap-1.5">
      {positions.map(({ position, analysis }, index) => {
        const isSelected = position.id === selected
        return (
          <a
            key={position.id}
            href={hrefOf(index)}
            onClick={(event) => {
              if (event.metaKey || event.ctrlKey) return
              event.preventDefault()
              onSelect(index)
            }}
            aria-current={isSelected ? 'page' : undefined}
            className={clsx(
              'flex min-h-[64px] min-w-[5.2rem] flex-1 flex-col items-center justify-center border-2 leading-tight',
              isSelected
                ? 'border-accent bg-accent text-accent-ink'
                : 'border-steel bg-sheet text-ink hover:bg-accent-wash',
            )}
          >
            <span className="text-[1.5rem] font-bold">{position.label}</span>
            <span className="text-[0.84rem] whitespace-nowrap">{shortResult(analysis)}</span>
          </a>
        )
      })}
    </nav>
  )
}
