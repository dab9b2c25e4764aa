/**
 * Tooth counts as CSV (RFC 4180), for a spreadsheet. Counts come back by
 * the id of their gear; the other columns are for the person and are not read.
 */
import Papa from 'papaparse'

import type { BoxDraft, Gear } from 'core'
import { countingOrder, indexBox, isToothCount } from 'core'

import type { CsvBounds, CsvRow } from './csv.ts'
import { parseCsv } from './csv.ts'
import { TOOTH_COUNT_ADVICE } from '../words/issues.ts'
import type { Naming } from '../words/names.ts'
import { bodyName, gearName } from '../words/names.ts'
import type { Vocabulary } from '../words/vocabulary.ts'

const BOUNDS: CsvBounds = {
  mostCharacters: 200_000,
  mostRows: 5_000,
  tooLong: 'This file is over 200 kB. Counts take a few: is it the right file?',
}
const MOST_PROBLEMS = 20

const COUNT_COLUMNS = ['id', 'shaft', 'gear', 'mount', 'teeth', 'second count'] as const

export function formatCountsCsv(draft: BoxDraft, words: Vocabulary): string {
  const naming = { box: indexBox(draft), words }
  const rows = countingOrder(draft).map((gear) => [
    gear.id,
    bodyName(naming, gear.member),
    gear.label,
    words.mounts[gear.mount],
    gear.toothCount ?? '',
    gear.recount ?? '',
  ])
  return `${Papa.unparse({ fields: [...COUNT_COLUMNS], data: rows }, { escapeFormulae: true })}\r\n`
}

export interface ChangedCount {
  readonly gear: Gear
  readonly toothCount: number | null
  readonly recount: number | null
}

export type ParsedCountsCsv =
  | { readonly ok: true; readonly draft: BoxDraft; readonly changed: readonly ChangedCount[] }
  | { readonly ok: false; readonly problems: readonly string[] }

interface EnteredCounts {
  readonly toothCount: number | null
  readonly recount: number | null
}

/** A count as somebody wrote it, null where nothing is; what is no count is told of that place. */
function countIn(cell: string | undefined, place: string, problems: string[]): number | null {
  const trimmed = cell?.trim() ?? ''
  if (trimmed === '') return null
  const value = Number(trimmed)
  if (!isToothCount(value))
    problems.push(`${place}: “${trimmed}” is no tooth count. ${TOOTH_COUNT_ADVICE}`)
  return value
}

/** The counts that the rows tell for each gear, and what is wrong with them. */
function readRows(
  naming: Naming,
  rows: readonly CsvRow[],
  fields: readonly string[],
): { readonly entered: ReadonlyMap<string, EnteredCounts>; readonly problems: readonly string[] } {
  const problems: string[] = []
  const entered = new Map<string, EnteredCounts>()
  const count = (cell: string | undefined, line: number, gear: Gear): number | null =>
    countIn(cell, `Line ${line}, ${gearName(naming, gear)}`, problems)
  rows.forEach((row, at) => {
    const line = at + 2
    const id = row.id?.trim().replace(/^'/, '') ?? ''
    const gear = naming.box.gears.get(id)
    if (!gear) problems.push(`Line ${line}: this box has no gear with the id “${id}”.`)
    else if (entered.has(id)) problems.push(`Line ${line}: ${gearName(naming, gear)} stands twice.`)
    else
      entered.set(id, {
        toothCount: count(row.teeth, line, gear),
        recount: fields.includes('second count')
          ? count(row['second count'], line, gear)
          : (gear.recount ?? null),
      })
  })
  return { entered, problems }
}

/** Reads counts back into the box they came from: all of them, or none with every reason. */
export function parseCountsCsv(draft: BoxDraft, text: string, words: Vocabulary): ParsedCountsCsv {
  const parsed = parseCsv(text, BOUNDS)
  if (!parsed.ok) return { ok: false, problems: [parsed.problem] }
  const { fields } = parsed
  const missing = (['id', 'teeth'] as const).filter((field) => !fields.includes(field))
  if (missing.length > 0)
    return {
      ok: false,
      problems: [
        `There is no column ${missing.map((field) => `"${field}"`).join(' and ')}. Export the counts, edit that file, and keep its first line.`,
      ],
    }
  const { entered, problems } = readRows({ box: indexBox(draft), words }, parsed.rows, fields)
  return withEntered(draft, entered, problems)
}

/** The box with what was entered, where nothing is wrong with any of it. */
function withEntered(
  draft: BoxDraft,
  entered: ReadonlyMap<string, EnteredCounts>,
  problems: readonly string[],
): ParsedCountsCsv {
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_PROBLEMS) }
  const changed = draft.gears.flatMap((gear): ChangedCount[] => {
    const counts = entered.get(gear.id)
    const isSame =
      !counts ||
      (counts.toothCount === gear.toothCount && counts.recount === (gear.recount ?? null))
    return isSame ? [] : [{ gear, ...counts }]
  })
  const byId = new Map(changed.map((each) => [each.gear.id, each]))
  const gears = draft.gears.map((gear) => {
    const next = byId.get(gear.id)
    return next
      ? { ...gear, toothCount: next.toothCount, recount: next.recount ?? undefined }
      : gear
  })
  return { ok: true, draft: { ...draft, gears }, changed }
}

/** More lines than any box has gears are no column of counts. */
const MOST_PASTED_CHARACTERS = 20_000

interface PastePlace {
  /** The gears that a column goes to, one after another: from the one in hand on. */
  readonly gears: readonly Gear[]
  readonly into: 'toothCount' | 'recount'
}

/** Reads a column of counts as a spreadsheet copies it; an empty cell leaves its gear as it is. */
export function parsePastedCounts(
  draft: BoxDraft,
  text: string,
  words: Vocabulary,
  { gears, into }: PastePlace,
): ParsedCountsCsv {
  const refuse = (problem: string): ParsedCountsCsv => ({ ok: false, problems: [problem] })
  if (text.length > MOST_PASTED_CHARACTERS) return refuse('That is more than a column of counts.')
  const lines = text.trimEnd().split(/\r\n|\r|\n/)
  const wide = lines.findIndex((line) => line.trim().includes('\t'))
  if (wide >= 0)
    return refuse(`Line ${wide + 1} has several cells. Copy the column of counts alone.`)
  if (lines.length > gears.length)
    return refuse(
      `${lines.length} lines were copied, and from here on there are ${gears.length} gears.`,
    )
  const naming = { box: indexBox(draft), words }
  const problems: string[] = []
  const entered = new Map<string, EnteredCounts>()
  for (const [at, line] of lines.entries()) {
    const gear = gears[at]
    const count = gear && countIn(line, `Line ${at + 1}, ${gearName(naming, gear)}`, problems)
    if (gear && typeof count === 'number') {
      const { toothCount, recount = null } = gear
      entered.set(gear.id, { toothCount, recount, [into]: count })
    }
  }
  return withEntered(draft, entered, problems)
}
