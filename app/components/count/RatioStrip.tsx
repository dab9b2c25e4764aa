import { Link } from 'react-router'

import type { Gear, PositionAnalysis } from 'core'

import { shortResult } from '~/words/results.ts'
import type { Naming } from '~/words/names.ts'
import { gearName } from '~/words/names.ts'

interface RatioStripProps {
  readonly positions: readonly PositionAnalysis[]
  readonly naming: Naming
  readonly hrefOf: (positionId: string) => string
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

/** The ratios as far as the counts go, and for the rest what is missing. */
export function RatioStrip({ positions, naming, hrefOf }: RatioStripProps) {
  return (
    <ul
      className="grid grid-cols-[repeat(auto-fit,minmax(4.8rem,1fr))] gap-1"
      aria-label="Ratios so far"
    >
      {positions.map(({ position, analysis }) => {
        const missing = analysis.state === 'uncounted' ? analysis.gears : undefined
        return (
          <li key={position.id} className="border-rule bg-sheet border-2 leading-tight">
            <Link
              to={hrefOf(position.id)}
              title={missing?.map((gear) => gearName(naming, gear)).join('; ')}
              className="hover:bg-accent-wash block h-full min-h-[52px] px-1.5 py-1"
            >
              <span className="text-[1.15rem] font-bold">{position.label}</span>{' '}
              {missing && <span className="text-graphite text-[0.86rem]">needs</span>}
              <span
                className={missing ? 'text-graphite block text-[0.82rem]' : 'block font-semibold'}
                data-testid={`strip-${position.id}`}
              >
                {missing ? shortList(missing) : shortResult(analysis)}
              </span>
            </Link>
          </li>
        )
      })}
    </ul>
  )
}
