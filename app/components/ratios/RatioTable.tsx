import { TriangleAlert } from 'lucide-react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'

import type { BoxDraft, RatioRow, Rational } from 'core'
import { indexBox } from 'core'

import type { Column } from '~/components/Table.tsx'
import { Table } from '~/components/Table.tsx'
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

type Rated = RatioRow & { readonly ratio: Rational }

/** A figure of the positions that have a ratio. */
function figure(heading: string, of: (row: Rated) => ReactNode, className = ''): Column<RatioRow> {
  return {
    heading,
    isRight: true,
    className,
    cell: (row) => (row.ratio ? of({ ...row, ratio: row.ratio }) : null),
  }
}

function StepToNext({ step }: { readonly step: Rational | null }) {
  if (!step) return '–'
  return (
    <>
      {formatPercent(step)}
      {step.sign() < 0 && (
        <span className="trouble text-[0.86rem]">
          <TriangleAlert aria-hidden /> steps backwards
        </span>
      )}
    </>
  )
}

/** All positions side by side. */
export function RatioTable({ rows, words, draft, hrefOf }: RatioTableProps) {
  const naming = { box: indexBox(draft), words }
  return (
    <>
      <Table
        caption="Ratios of every position"
        rows={rows}
        keyOf={({ position }) => position.id}
        columns={[
          {
            heading: 'Position',
            isName: true,
            cell: ({ position, analysis, ratio }) => (
              <span className="flex flex-wrap items-center gap-x-3">
                <Link
                  to={hrefOf(position.id)}
                  className="button-quiet -ml-2 text-[1.3rem] font-bold"
                >
                  {position.label}
                </Link>
                {!ratio && (
                  <span className="text-graphite">
                    {analysis.state === 'uncounted'
                      ? `Needs the count of ${analysis.gears.map((gear) => gearName(naming, gear)).join('; ')}`
                      : shortResult(analysis)}
                  </span>
                )}
              </span>
            ),
          },
          figure('Ratio', ({ ratio }) => formatRatio(ratio), 'text-[1.25rem] font-bold'),
          figure('Exact', ({ ratio }) => formatExact(ratio)),
          figure('Inverse', ({ ratio }) => formatInverse(ratio)),
          figure('Pairs, driven / driving', pairsText, 'max-lg:whitespace-normal'),
          figure('Step to next', ({ stepToNext }) => <StepToNext step={stepToNext} />),
          figure('Overall', ({ overall }) => (overall ? formatRatio(overall) : '–')),
          {
            heading: 'Output turns',
            cell: ({ ratio }) =>
              ratio && (ratio.sign() < 0 ? 'against the input' : 'with the input'),
          },
        ]}
      />
      <p className="text-graphite mt-1 text-right text-[0.86rem]">
        Senses of rotation are {viewpoint(words)}.{' '}
        {balanceSentences(
          naming,
          rows.map(({ analysis }) => analysis),
        )}
      </p>
    </>
  )
}
