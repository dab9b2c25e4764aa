import clsx from 'clsx'

import type { PositionAnalysis } from 'core'

import { shortResult } from '~/words/results.ts'

interface PositionKeysProps {
  readonly positions: readonly PositionAnalysis[]
  readonly selected: string
  readonly hrefOf: (index: number) => string
  readonly onSelect: (index: number) => void
}

/** Classes for so many keys in a row. */
const COLUMNS = [
  '',
  'sm:grid-cols-1',
  'sm:grid-cols-2',
  'sm:grid-cols-3',
  'sm:grid-cols-4',
  'sm:grid-cols-5',
  'sm:grid-cols-6',
  'sm:grid-cols-7',
  'sm:grid-cols-8',
  'sm:grid-cols-9',
  'sm:grid-cols-10',
  'sm:grid-cols-11',
]
const MOST_IN_A_ROW = COLUMNS.length - 1
/** With more keys in a row a ratio over 10 needs smaller figures. */
const ROOMY_COLUMNS = 8

/** One large key a position, with what it makes. */
export function PositionKeys({ positions, selected, hrefOf, onSelect }: PositionKeysProps) {
  const rows = Math.ceil(positions.length / MOST_IN_A_ROW)
  const columns = Math.ceil(positions.length / rows)
  return (
    <nav
      aria-label="Positions"
      className={clsx('no-print grid grid-cols-4 gap-1.5', COLUMNS[columns])}
    >
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
              'flex min-h-[52px] flex-col items-center justify-center border-2 leading-tight',
              isSelected
                ? 'border-accent bg-accent text-accent-ink'
                : 'border-steel bg-sheet text-ink hover:bg-accent-wash',
            )}
          >
            <span className="text-[1.5rem] leading-none font-bold">{position.label}</span>
            <span
              className={clsx(
                'whitespace-nowrap',
                columns > ROOMY_COLUMNS ? 'text-[0.76rem]' : 'text-[0.84rem]',
              )}
            >
              {shortResult(analysis)}
            </span>
          </a>
        )
      })}
    </nav>
  )
}
