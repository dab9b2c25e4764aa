/** The parts list as a spreadsheet has it. */
import Papa from 'papaparse'

import type { OrderLine } from '../views/order/orderLines.ts'
import { priceOf } from '../views/order/orderLines.ts'
import { LINE_STATE_NAMES } from '../words/measures.ts'

const COLUMNS = ['part', 'why', 'quantity', 'price each', 'state'] as const

export function formatOrderCsv(lines: readonly OrderLine[]): string {
  const data = lines.map(({ what, why, quantity, price, state }) => [
    what,
    why,
    quantity,
    priceOf(price) ?? '',
    LINE_STATE_NAMES[state],
  ])
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { escapeFormulae: true })}\r\n`
}
