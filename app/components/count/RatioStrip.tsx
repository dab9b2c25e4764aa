import { Link } from 'react-router'

import type { BoxDraft, PositionAnalysis } from 'core'
import { indexBox } from 'core'

import { shortResult } from '~/components/trace/PositionKeys.tsx'
import { gearName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

interface RatioStripProps {
  readonly positions: readonly PositionAnalysis[]
  readonly draft: BoxDraft
  readonly words: Vocabulary
  readonly hrefOf: (positionId: string) => string
}

/** The ratios as far as the counts go, and for the rest what is missing. */
export function RatioStrip({ positions, draft, words, hrefOf }: RatioStripProps) {
  const naming = { box: indexBox(draft), words }
  return (
    <ul
      className="grid grid-cols-[repeat(auto-fit,minmax(5.4rem,1fr))] gap-1.5"
      aria-label="Ratios so far"
    >
      {positions.map(({ position, analysis }) => {
        const missing =
          analysis.state === 'uncounted'
            ? `Needs ${analysis.gears.map((gear) => gearName(naming, gear)).join('; ')}`
            : undefined
        return (
          <li key={position.id} className="border-rule bg-sheet border-2">
            <Link
              to={hrefOf(position.id)}
              title={missing}
              className="hover:bg-accent-wash block px-2 py-1"
            >
              <span className="text-[1.2rem] font-bold">{position.label}</span>{' '}
              <span
                className={missing ? 'text-graphite' : 'font-semibold whitespace-nowrap'}
                data-testid={`strip-${position.id}`}
              >
                {missing ? 'needs' : shortResult(analysis)}
              </span>
              {analysis.state === 'uncounted' && (
                <span className="text-graphite block text-[0.8rem] leading-tight">
                  {analysis.gears
                    .slice(0, 2)
                    .map((gear) => gearName(naming, gear))
                    .join('; ')}
                  {analysis.gears.length > 2 && `; ${analysis.gears.length - 2} more`}
                </span>
              )}
            </Link>
          </li>
        )
      })}
    </ul>
  )
}
