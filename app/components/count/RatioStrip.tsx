import { Link } from 'react-router'

import type { Gear, PositionAnalysis } from 'core'
import { countsFor } from 'core'

import type { CountFirst } from '~/views/count/countFirst.ts'
import { shortResult } from '~/words/results.ts'
import type { Naming } from '~/words/names.ts'
import { gearName } from '~/words/names.ts'

interface RatioStripProps {
  readonly positions: readonly PositionAnalysis[]
  readonly naming: Naming
  readonly traceHref: (positionId: string) => string
  readonly first: CountFirst
  /** Asks for the counts that a position waits for before all others. */
  readonly onFirst: (first: CountFirst) => void
}

/** "1st gear ×2": the missing gears in the little room of a key. */
function shortList(gears: readonly Gear[]): string {
  const labels = gears.map(({ label }) => label)
  return [...new Set(labels)]
    .map((label) => {
      const times = labels.filter((other) => other === label).length
      return times > 1 ? `${label} ×${times}` : label
    })
    .join(', ')
}

/**
 * The ratios as far as the counts go, and for the rest what is missing. A position that is whole
 * leads to its trace; another asks for what it waits for.
 */
export function RatioStrip({ positions, naming, traceHref, first, onFirst }: RatioStripProps) {
  const look = 'hover:bg-accent-wash block h-full min-h-[52px] w-full px-1.5 py-1 text-left'
  return (
    <ul
      className="grid grid-cols-[repeat(auto-fit,minmax(4.8rem,1fr))] gap-1"
      aria-label="Ratios so far"
    >
      {positions.map((each) => {
        const { position, analysis } = each
        const missing = countsFor(naming.box.draft, each)
        const isFirst = first.kind === 'position' && first.position.position.id === position.id
        return (
          <li
            key={position.id}
            className={`bg-sheet border-2 leading-tight ${isFirst ? 'border-accent' : 'border-rule'}`}
          >
            {missing.length > 0 ? (
              <button
                type="button"
                aria-pressed={isFirst}
                title={`Count first what ${position.label} needs: ${missing.map((gear) => gearName(naming, gear)).join('; ')}`}
                className={`${look} cursor-pointer`}
                onClick={() => {
                  onFirst({ kind: 'position', position: each })
                }}
              >
                <span className="text-[1.15rem] font-bold">{position.label}</span>{' '}
                <span className="text-graphite text-[0.86rem]">needs</span>
                <span
                  className="text-graphite block text-[0.82rem]"
                  data-testid={`strip-${position.id}`}
                >
                  {shortList(missing)}
                </span>
              </button>
            ) : (
              <Link to={traceHref(position.id)} className={look}>
                <span className="text-[1.15rem] font-bold">{position.label}</span>
                <span className="block font-semibold" data-testid={`strip-${position.id}`}>
                  {shortResult(analysis)}
                </span>
              </Link>
            )}
          </li>
        )
      })}
    </ul>
  )
}
