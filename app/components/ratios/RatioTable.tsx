import { TriangleAlert } from 'lucide-react'
import { Link } from 'react-router'

import type { BoxDraft, RatioRow, Rational } from 'core'
import { indexBox } from 'core'

import { shortResult } from '~/words/results.ts'
import { formatExact, formatInverse, formatPercent, formatRatio } from '~/words/format.ts'
import { gearName } from '~/words/names.ts'
import { balanceSentences } from '~/words/sentences.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { viewpoint } from '~/words/vocabulary.ts'

interface RatioTableProps {
  readonly rows: readonly RatioRow[]
  readonly words: Vocabulary
  readonly draft: BoxDraft
  readonly hrefOf: (positionId: string) => string
}

const HEADINGS = [
  'Ratio',
  'Exact',
  'Inverse',
  'Pairs, driven / driving',
  'Step to next',
  'Overall',
  'Output turns',
]

function pairsText({ factors }: RatioRow): string {
  if (factors === undefined) return 'power splits'
  if (factors.length === 0) return 'direct'
  return factors
    .map(({ pair, ratio }) =>
      pair
        ? `${pair.driven.toothCount ?? '?'}/${pair.driving.toothCount ?? '?'}`
        : formatExact(ratio),
    )
    .join(' × ')
}

function RatioCells({ row, ratio }: { readonly row: RatioRow; readonly ratio: Rational }) {
  const { stepToNext, overall } = row
  return (
    <>
      <td className="px-3 text-[1.25rem] font-bold whitespace-nowrap">{formatRatio(ratio)}</td>
      <td className="px-3">{formatExact(ratio)}</td>
      <td className="px-3">{formatInverse(ratio)}</td>
      <td className="px-3 whitespace-nowrap">{pairsText(row)}</td>
      <td className="px-3">
        {stepToNext ? formatPercent(stepToNext) : '–'}
        {stepToNext && stepToNext.sign() < 0 && (
          <span className="trouble text-[0.86rem]">
            <TriangleAlert aria-hidden /> steps backwards
          </span>
        )}
      </td>
      <td className="px-3">{overall ? formatRatio(overall) : '–'}</td>
      <td className="px-3">{ratio.sign() < 0 ? 'against the input' : 'with the input'}</td>
    </>
  )
}

/** All positions side by side. */
export function RatioTable({ rows, words, draft, hrefOf }: RatioTableProps) {
  const naming = { box: indexBox(draft), words }
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse text-right">
        <caption className="sr-only">Ratios of every position</caption>
        <thead>
          <tr className="border-ink border-b-2">
            <th scope="col" className="py-1 pr-3 text-left">
              Position
            </th>
            {HEADINGS.map((heading) => (
              <th key={heading} scope="col" className="px-3 py-1 align-bottom font-semibold">
                {heading}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => {
            const { position, analysis, ratio } = row
            return (
              <tr key={position.id} className="border-rule border-b">
                <th scope="row" className="py-0 pr-3 text-left">
                  <Link
                    to={hrefOf(position.id)}
                    className="button-quiet -ml-2 text-[1.3rem] font-bold"
                  >
                    {position.label}
                  </Link>
                </th>
                {ratio ? (
                  <RatioCells row={row} ratio={ratio} />
                ) : (
                  <td colSpan={HEADINGS.length} className="text-graphite px-3 text-left">
                    {analysis.state === 'uncounted'
                      ? `Needs the count of ${analysis.gears.map((gear) => gearName(naming, gear)).join('; ')}`
                      : shortResult(analysis)}
                  </td>
                )}
              </tr>
            )
          })}
        </tbody>
      </table>
      <p className="text-graphite mt-1 text-right text-[0.86rem]">
        Senses of rotation are {viewpoint(words)}.{' '}
        {balanceSentences(
          naming,
          rows.map(({ analysis }) => analysis),
        )}
      </p>
    </div>
  )
}
