/** The table of ratios as CSV (RFC 4180). */
import Papa from 'papaparse'

import type { RatioRow } from 'core'
import { formatFraction } from 'core'

import type { Naming } from '../words/names.ts'
import { balanceSentences } from '../words/sentences.ts'
import { handWords } from '../words/shift.ts'

const DECIMALS = 6

/** One line a position, exact and in decimals; empty where it does not drive. */
export function formatRatiosCsv(naming: Naming, rows: readonly RatioRow[]): string {
  const data = rows.map(({ position, analysis, ratio, factors, stepToNext, overall }) => [
    position.label,
    handWords(naming, position),
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
    balanceSentences(naming, [analysis]),
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
    'taken to be',
  ]
  return `${Papa.unparse({ fields, data }, { escapeFormulae: true })}\r\n`
}
