/** The table of ratios as CSV (RFC 4180). */
import Papa from 'papaparse'

import type { RatioRow } from 'core'
import { formatFraction } from 'core'

const DECIMALS = 6

/** One line a position, exact and in decimals; empty where it does not drive. */
export function formatRatiosCsv(rows: readonly RatioRow[]): string {
  const data = rows.map(({ position, analysis, ratio, factors, stepToNext, overall }) => [
    position.label,
    position.lever ?? '',
    analysis.state,
    ratio ? formatFraction(ratio) : '',
    ratio ? ratio.toFixed(DECIMALS) : '',
    ratio ? ratio.inverse().toFixed(DECIMALS) : '',
    stepToNext ? stepToNext.toFixed(DECIMALS) : '',
    overall ? overall.toFixed(DECIMALS) : '',
    factors
      ? factors
          .map(({ pair, ratio: factor }) =>
            pair
              ? `${pair.driven.toothCount ?? '?'}/${pair.driving.toothCount ?? '?'}`
              : formatFraction(factor.abs()),
          )
          .join(' x ')
      : '',
  ])
  const fields = [
    'position',
    'lever',
    'state',
    'ratio exact',
    'ratio',
    'inverse',
    'step to next',
    'overall',
    'driven over driving',
  ]
  return `${Papa.unparse({ fields, data }, { escapeFormulae: true })}\r\n`
}
