/** The shop's own feeler leaves, shims and people, as they are kept and as they are typed. */
import { z } from 'zod'

import type { Piece, ReadingUnit } from 'core'
import { MOST_PIECES, STACK_UNITS_PER_MM, figureOf, toUnit } from 'core'

const piece = z.strictObject({
  thickness: z.int().min(1).max(200_000),
  quantity: z.int().min(1).max(99),
})

export const shelfSchema = z.strictObject({
  initials: z.array(z.string().regex(/^\p{L}{1,4}$/u)).max(40),
  leaves: z.array(piece).max(MOST_PIECES),
  shims: z.array(piece).max(MOST_PIECES),
})
export type Shelf = z.infer<typeof shelfSchema>

/** Leaves of 0.05 to 1.00 mm as they come in a set, and no shims; common practice. */
export const USUAL_SHELF: Shelf = {
  initials: [],
  leaves: [
    0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.35, 0.4, 0.45, 0.5, 0.55, 0.6, 0.65, 0.7, 0.75, 0.8, 0.85,
    0.9, 0.95, 1,
  ].map((mm) => ({ thickness: Math.round(mm * STACK_UNITS_PER_MM), quantity: 1 })),
  shims: [],
}

export type ParsedPieces =
  | { readonly ok: true; readonly pieces: Piece[] }
  | { readonly ok: false; readonly sentence: string }

/** Thicknesses with spaces or semicolons between them; "0.10 x3" is three of one. */
export function parsePieces(text: string, unit: ReadingUnit): ParsedPieces {
  const pieces: Piece[] = []
  for (const [, size = '', times] of text.matchAll(/([^\s;x×]+)(?:\s*[x×]\s*(\d+))?/g)) {
    const mm = figureOf(size, unit)
    if (mm === undefined)
      return { ok: false, sentence: `“${size}” is no thickness. Write such as 0.10 0.15 0.20 x2.` }
    if (mm <= 0 || mm > 20)
      return {
        ok: false,
        sentence: `${size} ${unit} is no thickness of a leaf or shim. Look at the unit.`,
      }
    pieces.push({
      thickness: Math.round(mm * STACK_UNITS_PER_MM),
      quantity: times === undefined ? 1 : Number(times),
    })
  }
  return pieces.length > MOST_PIECES
    ? { ok: false, sentence: `${MOST_PIECES} sizes at most.` }
    : { ok: true, pieces }
}

/** The thickness of one in a unit, without needless zeros: "0.15", "31". */
export function formatThickness(thickness: number, unit: ReadingUnit): string {
  return `${Number(toUnit(thickness / STACK_UNITS_PER_MM, unit).toFixed(4))}`
}

export function formatPieces(pieces: readonly Piece[], unit: ReadingUnit): string {
  return pieces
    .map(
      ({ thickness, quantity }) =>
        `${formatThickness(thickness, unit)}${quantity > 1 ? ` x${quantity}` : ''}`,
    )
    .join('  ')
}
