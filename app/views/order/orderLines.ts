/** The parts list of a job: what the verdicts ask for, what goes with it, and what was added by hand. */
import type { Job, LineState, PartLine } from 'core'
import { companionsOf, inspectionsOf, needsOf, parseReading, piecesOfKey } from 'core'

import { companionWords, needWords, unitPartName } from '~/words/jobs.ts'
import { formatMoney } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'
import { inWords } from '~/words/vocabulary.ts'

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

/** The part number of what is ordered by a key, where all of it has one and the same. */
function partNumberOf({ box }: Naming, key: string): string | undefined {
  const [number, ...others] = new Set(piecesOfKey(box, key).map(({ partNumber }) => partNumber))
  return others.length === 0 ? number : undefined
}

/** Lines in the order of the verdicts, then what goes with them, then those added by hand. */
export function orderLines(naming: Naming, job: Job): readonly OrderLine[] {
  const written = new Map(job.lines.map((line) => [line.key, line]))
  const needs = needsOf(naming.box.draft, job)
  const line = (key: string, why: string): OrderLine => {
    const known = written.get(key)
    written.delete(key)
    // What was written is kept in the words of whoever wrote it.
    const partNumber = partNumberOf(naming, key)
    if (known)
      return { partNumber, ...known, what: inWords(naming.words, known.what), why, isWritten: true }
    return {
      key,
      what: capitalize(unitPartName(naming, key)),
      quantity: quantityOf(naming, key),
      price: null,
      state: 'needed',
      partNumber,
      why,
      isWritten: false,
    }
  }
  const lines = [
    ...needs.map((need) => line(need.key, needWords(naming, need))),
    ...companionsOf(
      naming.box.draft,
      needs.map(({ key }) => key),
    ).map((each) => line(each.key, companionWords(each))),
  ]
  const byHand = [...written.values()].map(({ key, isLabour }) =>
    line(key, isLabour === true ? 'labour' : 'added by hand'),
  )
  return [...lines, ...byHand]
}

/** What to look at beside what is replaced, in words. */
export function inspectionWords(naming: Naming, job: Job): readonly string[] {
  const replaced = needsOf(naming.box.draft, job).map(({ key }) => key)
  return inspectionsOf(naming.box.draft, replaced).map(
    ({ part, because }) =>
      `${unitPartName(naming, part)}, because of the ${unitPartName(naming, because)}`,
  )
}

/** A price as a number; null where none is written. */
export function priceOf(price: string | null): number | null {
  const reading = parseReading(price ?? '')
  return reading.ok ? reading.value.toNumber() : null
}

interface OrderTotals {
  /** What is ordered or arrived, and what is still to be ordered or done, in the shop's money. */
  readonly soFar: number
  readonly toCome: number
  /** Of both, what is work. */
  readonly labour: number
  /** What comes back for old parts that are returned. */
  readonly coresBack: number
  /** Lines without a price that are neither left out nor taken from what the shop has. */
  readonly withoutPrice: number
  readonly byState: Readonly<Record<LineState, number>>
}

export function totalsOf(lines: readonly OrderLine[]): OrderTotals {
  const byState = { needed: 0, ordered: 0, arrived: 0, 'left-out': 0 }
  let [soFar, toCome, labour, coresBack, withoutPrice] = [0, 0, 0, 0, 0]
  for (const { state, price, quantity, core, isLabour, takenFrom } of lines) {
    byState[state]++
    if (state === 'left-out') continue
    const each = priceOf(price)
    const cost = (each ?? 0) * quantity
    if (each === null && !takenFrom) withoutPrice++
    if (state === 'needed') toCome += cost
    else soFar += cost
    if (isLabour === true) labour += cost
    coresBack += (priceOf(core ?? null) ?? 0) * quantity
  }
  return { soFar, toCome, labour, coresBack, withoutPrice, byState }
}

/** The totals in a sentence; without a currency in the shop's money. */
export function totalsWords(totals: OrderTotals, currency: string): string {
  const money = (amount: number): string => formatMoney(amount, currency)
  const rest = [
    ...(totals.labour > 0 ? [`${money(totals.labour)} of it labour`] : []),
    ...(totals.coresBack > 0 ? [`${money(totals.coresBack)} comes back for old parts`] : []),
    ...(totals.withoutPrice > 0 ? [`${totals.withoutPrice} without a price`] : []),
  ]
  const cost = `Cost so far ${money(totals.soFar)}, to come ${money(totals.toCome)}${currency === '' ? ' in the shop’s money' : ''}`
  return `${[cost, ...rest].join('; ')}.`
}
