/** The shop's own feeler leaves, shims and people, as they are kept and as they are typed. */
import { z } from 'zod'

import type { EnteredLimit, ReadingUnit, ShopRule, SizedPiece } from 'core'
import {
  LARGEST,
  MEASURES,
  MOST_PIECES,
  MOST_THICKNESS,
  READING_UNITS,
  STACK_UNITS_PER_MM,
  figureOf,
  fromUnit,
  toUnit,
} from 'core'

import type { LengthUnit } from '../words/format.ts'
import { tooLongWords } from '../words/lengths.ts'
import { UNIT_NAMES, UNIT_WORDS } from '../words/measures.ts'

import { limitSchema } from './jobEntry.ts'
import { writtenText } from './text.ts'

/** A piece with what is written on it: 0.05 mm stays 0.05 mm in a shop that works in inches. */
export interface ShelfPiece extends SizedPiece {
  readonly written?: { readonly text: string; readonly unit: ReadingUnit } | undefined
}

/** Of one size. */
export const MOST_OF_A_SIZE = 99

const piece = z.strictObject({
  thickness: z.int().min(1).max(MOST_THICKNESS),
  quantity: z.int().min(1).max(MOST_OF_A_SIZE),
  written: z.strictObject({ text: z.string().max(24), unit: z.enum(READING_UNITS) }).optional(),
})

/** A part that the shop has, by its number. */
const stockItem = z.strictObject({
  partNumber: z.string().trim().min(1).max(LARGEST.partNumberLength),
  what: z.string().trim().max(LARGEST.nameLength),
  quantity: z.int().min(1).max(LARGEST.quantity),
})
export type StockItem = z.infer<typeof stockItem>

/** Part numbers on one shelf. */
export const MOST_STOCK = 500

/** "EUR", "£". */
export const LONGEST_CURRENCY = 4

export const shelfSchema = z.strictObject({
  initials: z.array(z.string().regex(/^\p{L}{1,4}$/u)).max(40),
  leaves: z.array(piece).max(MOST_PIECES),
  shims: z.array(piece).max(MOST_PIECES),
  stock: z.array(stockItem).max(MOST_STOCK).default([]),
  /** In which all prices are, as it is written behind them; empty where nobody said. */
  currency: writtenText().trim().max(LONGEST_CURRENCY).default(''),
})
export type Shelf = z.infer<typeof shelfSchema>

/** A rule of the shop; its limit says so. */
export const ruleSchema = z.strictObject({
  measure: z.enum(MEASURES),
  limit: limitSchema.refine(({ source }) => source === 'shop', 'This is a rule of the shop.'),
}) satisfies z.ZodType<ShopRule>

/** What a form of the shop's limit of a measure hands back, to say which one it has seen. */
export function ruleBase(limit: EnteredLimit | undefined): string {
  const { least = '', most = '', unit = '' } = limit ?? {}
  return [least, most, unit].join(' ')
}

/** Leaves as they come in a set, as what is written on them; common practice. */
const USUAL_LEAVES: Readonly<Record<LengthUnit, readonly string[]>> = {
  mm: Array.from({ length: 20 }, (_, at) => (0.05 * (at + 1)).toFixed(2)),
  in: [
    '0.0015',
    ...Array.from({ length: 24 }, (_, at) => (0.001 * (at + 2)).toFixed(3)),
    ...['0.028', '0.030', '0.032', '0.035'],
  ],
}

/** Before a shop has said what it has: a usual set of leaves in the unit it works in, and no shims. */
export function usualShelf(unit: LengthUnit): Shelf {
  const leaves = USUAL_LEAVES[unit].map((text) => ({
    thickness: Math.round(fromUnit(Number(text), unit) * STACK_UNITS_PER_MM),
    quantity: 1,
    written: { text, unit },
  }))
  return { initials: [], leaves, shims: [], stock: [], currency: '' }
}

type ParsedPieces =
  | { readonly ok: true; readonly pieces: ShelfPiece[] }
  | { readonly ok: false; readonly sentence: string }

/** What may stand behind a thickness, and which unit it means. */
const SUFFIXES: readonly (readonly [suffix: string, unit: ReadingUnit])[] = [
  ['mm', 'mm'],
  ['thou', 'thou'],
  ['in', 'in'],
  ['"', 'in'],
]

/** "0.05mm" is 0.05 in millimetres, whatever the page works in. */
function sizeOf(token: string, unit: ReadingUnit): { text: string; unit: ReadingUnit } {
  const [suffix, of] = SUFFIXES.find(([end]) => token.toLowerCase().endsWith(end)) ?? ['', unit]
  return { text: token.slice(0, token.length - suffix.length), unit: of }
}

/** Characters that sizes are typed in: more than as many as are kept, with their units and counts, come to. */
const LONGEST_PIECES = 4_000

/**
 * Thicknesses with spaces or semicolons between them, in `unit` where they say no other:
 * "0.10 x3" is three of one, "0.05mm" is in millimetres.
 */
export function parsePieces(text: string, unit: ReadingUnit): ParsedPieces {
  const tooLong = tooLongWords(text, LONGEST_PIECES)
  if (tooLong !== null) return { ok: false, sentence: tooLong }
  const pieces: ShelfPiece[] = []
  const joined = text.replace(/\s+/g, ' ').replace(/ (mm|thou|in|")(?=[ ;x×]|$)/gi, '$1')
  for (const [, token = '', times] of joined.matchAll(/([^\s;x×]+)(?:\s*[x×]\s*(\d+))?/g)) {
    const written = sizeOf(token, unit)
    const mm = figureOf(written.text, written.unit)
    if (mm === undefined)
      return { ok: false, sentence: `“${token}” is no thickness. Write such as 0.10 0.15 0.20 x2.` }
    if (mm <= 0 || mm > 20)
      return {
        ok: false,
        sentence: `${written.text} ${UNIT_WORDS[written.unit]} is no thickness of a leaf or shim. Look at the unit.`,
      }
    const quantity = times === undefined ? 1 : Number(times)
    if (quantity < 1 || quantity > MOST_OF_A_SIZE)
      return {
        ok: false,
        sentence: `Of one size there are 1 to ${MOST_OF_A_SIZE}, not ${quantity}.`,
      }
    pieces.push({
      thickness: Math.round(mm * STACK_UNITS_PER_MM),
      quantity,
      written,
    })
  }
  return pieces.length > MOST_PIECES
    ? { ok: false, sentence: `${MOST_PIECES} sizes at most.` }
    : { ok: true, pieces }
}

/** Pieces with others put to them, by thickness; those of one size as written are one row. */
export function withPieces(
  pieces: readonly ShelfPiece[],
  others: readonly ShelfPiece[],
): ShelfPiece[] {
  const rows = new Map<string, ShelfPiece>()
  for (const each of [...pieces, ...others]) {
    const key = JSON.stringify([each.thickness, each.written?.text, each.written?.unit])
    const quantity = each.quantity + (rows.get(key)?.quantity ?? 0)
    rows.set(key, { ...each, quantity })
  }
  return [...rows.values()].sort((one, other) => one.thickness - other.thickness)
}

/** Decimals that tell one leaf or shim from the next in each unit. */
const THICKNESS_DECIMALS: Readonly<Partial<Record<ReadingUnit, number>>> = {
  mm: 3,
  in: 4,
  thou: 1,
  um: 0,
}

/** A thickness in a unit, without needless zeros: "0.15", "31". */
export function formatThickness(thickness: number, unit: ReadingUnit): string {
  const figure = toUnit(thickness / STACK_UNITS_PER_MM, unit)
  return `${Number(figure.toFixed(THICKNESS_DECIMALS[unit] ?? 4))}`
}

/** What is written on a piece, with its unit where that is not the one at hand. */
function pieceText({ thickness, written }: ShelfPiece, unit: ReadingUnit): string {
  const { text, unit: of } = written ?? { text: formatThickness(thickness, 'mm'), unit: 'mm' }
  return of === unit ? text : `${text}${UNIT_NAMES[of]}`
}

/** The pieces as they are typed where the page works in `unit`. */
export function formatPieces(pieces: readonly ShelfPiece[], unit: ReadingUnit): string {
  return pieces
    .map((each) => `${pieceText(each, unit)}${each.quantity > 1 ? ` x${each.quantity}` : ''}`)
    .join('  ')
}

/**
 * A stack as somebody picks it from the shelf: "0.015 + 0.016 = 0.031 in". Each piece goes by
 * what is written on it; where those are of several units, each says its own.
 */
export function stackText(
  pieces: readonly ShelfPiece[],
  thicknesses: readonly number[],
  unit: ReadingUnit,
): string {
  const found = thicknesses.map(
    (thickness): ShelfPiece =>
      pieces.find((each) => each.thickness === thickness) ?? {
        thickness,
        quantity: 1,
        written: { text: formatThickness(thickness, unit), unit },
      },
  )
  const units = new Set(found.map(({ written }) => written?.unit ?? 'mm'))
  const [shared] = units
  const total = thicknesses.reduce((sum, thickness) => sum + thickness, 0)
  if (units.size === 1 && shared !== undefined) {
    const each = found.map((one) => pieceText(one, shared)).join(' + ')
    const sum = found.length > 1 ? ` = ${formatThickness(total, shared)}` : ''
    return `${each}${sum} ${UNIT_NAMES[shared]}`
  }
  const each = found.map((one) => {
    const of = one.written?.unit ?? 'mm'
    return `${pieceText(one, of)} ${UNIT_NAMES[of]}`
  })
  return `${each.join(' + ')} = ${formatThickness(total, unit)} ${UNIT_NAMES[unit]}`
}

type ParsedStock =
  | { readonly ok: true; readonly item: StockItem }
  | { readonly ok: false; readonly sentence: string }

/** "RB 15-35, roller bearing, 3": a part number, what it is, how many; one where it is not said. */
export function parseStock(text: string): ParsedStock {
  const [partNumber = '', what = '', quantity = '1', ...more] = text
    .split(/[,;]/)
    .map((each) => each.trim())
  const tooLong =
    tooLongWords(partNumber, LARGEST.partNumberLength) ?? tooLongWords(what, LARGEST.nameLength)
  if (tooLong !== null) return { ok: false, sentence: tooLong }
  const item = stockItem.safeParse({ partNumber, what, quantity: Number(quantity) })
  return item.success && more.length === 0
    ? { ok: true, item: item.data }
    : {
        ok: false,
        sentence: `Write the part number, what it is, and how many: RB 15-35, roller bearing, 3. At most ${LARGEST.quantity} of one.`,
      }
}

/** Part numbers are alike whatever their spaces and letters: "rb15-35" is "RB 15-35". */
function plainNumber(partNumber: string): string {
  return partNumber.replace(/\s+/g, '').toUpperCase()
}

/** How many of a part number are on the shelf. */
export function atHand(stock: readonly StockItem[], partNumber: string | undefined): number {
  if (partNumber === undefined || partNumber.trim() === '') return 0
  return stock
    .filter((item) => plainNumber(item.partNumber) === plainNumber(partNumber))
    .reduce((sum, { quantity }) => sum + quantity, 0)
}

/** The stock with one more item; more of a number that is there are counted to it. */
export function withStock(stock: readonly StockItem[], item: StockItem): StockItem[] {
  const at = stock.findIndex(
    (each) => plainNumber(each.partNumber) === plainNumber(item.partNumber),
  )
  const there = stock[at]
  if (!there) return [...stock, item]
  const what = item.what === '' ? there.what : item.what
  return stock.map((each) =>
    each === there ? { ...there, what, quantity: there.quantity + item.quantity } : each,
  )
}
