/** The parts list of a job: what the verdicts ask for, what goes with it, and what was added by hand. */
import type { Job, LineState, PartLine } from 'core'
import { companionsOf, needsOf, parseReading, piecesOfKey } from 'core'

import { companionWords, needWords, unitPartName } from '~/words/jobs.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'

export interface OrderLine extends PartLine {
  readonly why: string
  /** Whether somebody has written anything down for it. */
  readonly isWritten: boolean
}

/** How many a unit has of what is ordered by a key; one where it is not listed. */
function quantityOf({ box }: Naming, key: string): number {
  const pieces = piecesOfKey(box, key)
  return pieces.reduce((sum, { quantity = 1 }) => sum + quantity, 0) || 1
}

/** Lines in the order of the verdicts, then what goes with them, then those added by hand. */
export function orderLines(naming: Naming, job: Job): readonly OrderLine[] {
  const written = new Map(job.lines.map((line) => [line.key, line]))
  const needs = needsOf(naming.box.draft, job)
  const line = (key: string, why: string): OrderLine => {
    const known = written.get(key)
    written.delete(key)
    return {
      key,
      what: known?.what ?? capitalize(unitPartName(naming, key)),
      quantity: known?.quantity ?? quantityOf(naming, key),
      price: known?.price ?? null,
      state: known?.state ?? 'needed',
      why,
      isWritten: known !== undefined,
    }
  }
  const lines = [
    ...needs.map((need) => line(need.key, needWords(naming, need))),
    ...companionsOf(
      naming.box.draft,
      needs.map(({ key }) => key),
    ).map((each) => line(each.key, companionWords(each))),
  ]
  return [...lines, ...[...written.keys()].map((key) => line(key, 'added by hand'))]
}

/** A price as a number; null where none is written. */
export function priceOf(price: string | null): number | null {
  const reading = parseReading(price ?? '')
  return reading.ok ? reading.value.toNumber() : null
}

export interface OrderTotals {
  /** Of all lines that are not left out and have a price, in the shop's money. */
  readonly cost: number
  readonly withoutPrice: number
  readonly byState: Readonly<Record<LineState, number>>
}

export function totalsOf(lines: readonly OrderLine[]): OrderTotals {
  const byState = { needed: 0, ordered: 0, arrived: 0, 'left-out': 0 }
  let cost = 0
  let withoutPrice = 0
  for (const { state, price, quantity } of lines) {
    byState[state]++
    if (state === 'left-out') continue
    const each = priceOf(price)
    if (each === null) withoutPrice++
    else cost += each * quantity
  }
  return { cost, withoutPrice, byState }
}
