/** The lines of a unit's data sheet: those that are known, and empty places for those that are not. */
import type { BoxDraft, Measure, SheetKind, SheetLine, UnitPart } from 'core'
import {
  checkBounds,
  figureOf,
  fitOf,
  freshId,
  kindsWhere,
  parseReading,
  unitParts,
  LARGEST,
  pathTo,
} from 'core'
import type { ReadingUnit } from 'core'

import { readingIssueWords } from '~/words/measures.ts'

export const SHEET_SECTIONS = ['identity', 'oil', 'fasteners', 'limits', 'other'] as const
export type SheetSection = (typeof SHEET_SECTIONS)[number]

/** One line of the sheet: what it is of, and what is known of it. */
export interface SheetRow {
  readonly section: SheetSection
  /** What a line says of itself before anything is written into it. */
  readonly asked: Omit<SheetLine, 'id'>
  /** Undefined while nothing is written there. */
  readonly line: SheetLine | undefined
}

/** As long as a line may be. */
const LONGEST_SHEET_TEXT = 200

const OF_THE_UNIT: readonly (readonly [SheetSection, SheetKind])[] = [
  ['identity', 'serial'],
  ['identity', 'part-number'],
  ['oil', 'oil-kind'],
  ['oil', 'oil-quantity'],
]

const WITH_CASTING_NUMBER = kindsWhere(({ hasCastingNumber }) => hasCastingNumber === true)

function askedLimit(measure: Measure, of?: string): Omit<SheetLine, 'id'> {
  return { kind: 'limit', measure, ...(of !== undefined && { of }) }
}

/** The limits that a maker gives: of all alike where one serves, of each shaft and free gear its own. */
function askedLimits(
  draft: BoxDraft,
  parts: readonly UnitPart[],
): readonly Omit<SheetLine, 'id'>[] {
  const has = (is: (part: UnitPart) => boolean): boolean => parts.some(is)
  const bearingsOn = new Set(
    (draft.pieces ?? []).filter(({ kind }) => kind.endsWith('-bearing')).map(({ on }) => on),
  )
  const isTurned = ({ kind, id }: UnitPart): boolean =>
    kind === 'shaft' && (draft.pieces === undefined || bearingsOn.has(id))
  const tapers = new Set(
    (draft.pieces ?? []).filter(({ kind }) => kind === 'taper-bearing').map(({ on }) => on),
  )
  return [
    ...(has(({ kind }) => kind === 'ring') ? [askedLimit('ring-gap')] : []),
    ...(has(({ kind }) => kind === 'sleeve') ? [askedLimit('fork-clearance')] : []),
    askedLimit('backlash'),
    ...parts
      .filter(isTurned)
      .map(({ ref, id }) => askedLimit(tapers.has(id) ? 'preload' : 'end-play', ref)),
    ...parts
      .filter(({ kind, measures }) => kind === 'gear' && measures.includes('end-play'))
      .map(({ ref }) => askedLimit('end-play', ref)),
    ...(has(({ kind }) => kind === 'friction-plate')
      ? [askedLimit('stack-height'), askedLimit('pack-clearance')]
      : []),
  ]
}

function isOf(asked: Omit<SheetLine, 'id'>, line: SheetLine): boolean {
  return line.kind === asked.kind && line.of === asked.of && line.measure === asked.measure
}

/** The sheet of a unit: what a sheet of its kind asks for, then whatever else was written down. */
export function sheetRows(draft: BoxDraft): readonly SheetRow[] {
  const pieces = draft.pieces ?? []
  const asked: readonly Omit<SheetRow, 'line'>[] = [
    ...OF_THE_UNIT.map(([section, kind]) => ({ section, asked: { kind } })),
    ...pieces
      .filter(({ kind }) => WITH_CASTING_NUMBER.has(kind))
      .map(({ id }) => ({
        section: 'identity' as const,
        asked: { kind: 'casting-number' as const, of: pathTo('piece', id) },
      })),
    ...pieces
      .filter((piece) => fitOf(piece) === 'threaded')
      .map(({ id }) => ({
        section: 'fasteners' as const,
        asked: { kind: 'fastener' as const, of: pathTo('piece', id) },
      })),
    ...askedLimits(draft, unitParts(draft)).map((each) => ({
      section: 'limits' as const,
      asked: each,
    })),
  ]
  const left = new Set(draft.sheet ?? [])
  const rows = asked.map((row): SheetRow => {
    const line = [...left].find((each) => isOf(row.asked, each))
    if (line) left.delete(line)
    return { ...row, line }
  })
  // What belongs to nothing that the sheet asks for stays to be seen, also when its part is gone.
  const others = [...left].map(({ id: _id, ...rest }, at): SheetRow => ({
    section: rest.kind === 'limit' ? 'limits' : 'other',
    asked: rest,
    line: [...left][at],
  }))
  return [...rows, ...others]
}

/** What is changed in a line; undefined takes a field out. */
export type SheetChange = Partial<Pick<SheetLine, 'text' | 'least' | 'most' | 'unit' | 'from'>>

function isEmpty({ text, least, most, from, what }: Omit<SheetLine, 'id'>): boolean {
  return [text, least, most, from, what].every((each) => each === undefined)
}

/**
 * An id that follows from what the line is about, so that two people who each write a line
 * take nothing from one another, and meet where they write the same one.
 */
export function lineId(
  draft: BoxDraft,
  { kind, of, measure, what }: Omit<SheetLine, 'id'>,
): string {
  const id = [kind, of, measure, what].filter((each) => each !== undefined).join(' ')
  const isTaken = draft.sheet?.some((line) => line.id === id) === true
  return isTaken || id.length > LARGEST.idLength ? freshId(draft, 'line') : id
}

/** The box with a line of its sheet changed, written for the first time, or taken out where nothing is left of it. */
export function withSheetChange(draft: BoxDraft, row: SheetRow, change: SheetChange): BoxDraft {
  const sheet = draft.sheet ?? []
  if (!row.line) {
    const line = { id: lineId(draft, row.asked), ...row.asked, ...change }
    return isEmpty(line) ? draft : { ...draft, sheet: [...sheet, line] }
  }
  const { id } = row.line
  const changed = { ...row.line, ...change }
  return {
    ...draft,
    sheet: isEmpty(changed)
      ? sheet.filter((each) => each.id !== id)
      : sheet.map((each) => (each.id === id ? changed : each)),
  }
}

type ParsedSheetText =
  | { readonly ok: true; readonly text: string | undefined }
  | { readonly ok: false; readonly sentence: string }

/** What is typed into a line; none where nothing is. */
export function parseSheetText(typed: string): ParsedSheetText {
  const text = typed.trim()
  return text.length > LONGEST_SHEET_TEXT
    ? {
        ok: false,
        sentence: `This has ${text.length} characters; a line has ${LONGEST_SHEET_TEXT} at most. Make two lines of it.`,
      }
    : { ok: true, text: text === '' ? undefined : text }
}

/** One end of a limit as it is typed, beside the other. */
export function parseSheetLimit(
  typed: string,
  end: 'least' | 'most',
  { least, most }: Pick<SheetLine, 'least' | 'most'>,
  unit: ReadingUnit,
): ParsedSheetText {
  const parsed = parseSheetText(typed)
  if (!parsed.ok || parsed.text === undefined) return parsed
  if (!parseReading(parsed.text).ok)
    return { ok: false, sentence: `“${parsed.text}” is no number. Write it as 0.05 or 3 7/8.` }
  const ends = { least, most, [end]: parsed.text }
  const bounds = {
    least: ends.least === undefined ? undefined : figureOf(ends.least, unit),
    most: ends.most === undefined ? undefined : figureOf(ends.most, unit),
  }
  const [issue] = checkBounds(bounds)
  return issue ? { ok: false, sentence: readingIssueWords(issue, unit) } : parsed
}
