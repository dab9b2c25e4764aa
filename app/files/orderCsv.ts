/** The parts list as a spreadsheet has it. */
import Papa from 'papaparse'

import type { OrderLine } from '../views/order/orderLines.ts'
import { priceOf } from '../views/order/orderLines.ts'
import { lineStateName } from '../words/measures.ts'

const COLUMNS = [
  'part',
  'why',
  'part number',
  'supplier',
  'taken from',
  'quantity',
  'price each',
  'core back',
  'state',
  'reason',
] as const

export function formatOrderCsv(lines: readonly OrderLine[]): string {
  const data = lines.map((line) => [
    line.what,
    line.why,
    line.partNumber ?? '',
    line.supplier ?? '',
    line.takenFrom ?? '',
    line.quantity,
    priceOf(line.price) ?? '',
    priceOf(line.core ?? null) ?? '',
    lineStateName(line.state, line.isLabour === true),
    line.reason ?? '',
  ])
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { escapeFormulae: true })}\r\n`
}
