/**
 * A course to be driven, as CSV (RFC 4180) that any spreadsheet writes: seconds, pedal and brake in
 * percent of their way, grade in percent, and the gear asked for, if any; and what came of it.
 */
import Papa from 'papaparse'

import type { CourseRow, DriveResult } from 'core'

import { parseCsv } from './csv.ts'

export const MOST_CSV_BYTES = 1_000_000
const MOST_ROWS = 10_000
const LONGEST_S = 3_600
const MOST_PROBLEMS = 10

const COLUMNS = ['seconds', 'pedal %', 'brake %', 'grade %', 'gear'] as const
type Column = (typeof COLUMNS)[number]

export type ParsedCourse =
  | { readonly ok: true; readonly rows: readonly CourseRow[] }
  | { readonly ok: false; readonly problems: readonly string[] }

/** What is said of a file that is too long to be looked into. */
export const TOO_LONG = `This file is over 1 MB. A course has at most ${MOST_ROWS.toLocaleString('en')} lines: leave out what lies evenly between two others.`

/** Reads a course: all of it, or none with every reason. */
export function parseDriveCsv(text: string): ParsedCourse {
  const parsed = parseCsv(text, {
    mostCharacters: MOST_CSV_BYTES,
    mostRows: MOST_ROWS,
    tooLong: TOO_LONG,
  })
  if (!parsed.ok) return { ok: false, problems: [parsed.problem] }
  const { fields, rows: data } = parsed
  const missing = COLUMNS.slice(0, 2).filter((column) => !fields.includes(column))
  if (missing.length > 0)
    return {
      ok: false,
      problems: [
        `There is no column ${missing.map((column) => `“${column}”`).join(' and ')}. The first line of a course is: ${COLUMNS.join(',')}`,
      ],
    }
  if (data.length < 2)
    return { ok: false, problems: ['A course has at least two lines: where it begins and ends.'] }
  const problems: string[] = []
  const rows = data.map((row, at): CourseRow => {
    const figure = (column: Column, least: number, most: number): number => {
      const cell = row[column]?.trim() ?? ''
      const value = cell === '' && column !== 'seconds' ? 0 : Number(cell.replace(',', '.'))
      if (cell === '' && column === 'seconds') problems.push(`Line ${at + 2}: it has no seconds.`)
      else if (!(value >= least && value <= most))
        problems.push(`Line ${at + 2}: ${column} is ${least} to ${most}, not “${cell}”.`)
      return value
    }
    return {
      timeS: figure('seconds', 0, LONGEST_S),
      pedal: figure('pedal %', 0, 100) / 100,
      brake: figure('brake %', 0, 100) / 100,
      grade: figure('grade %', -40, 40) / 100,
      ask: (row.gear ?? '').trim().replace(/^'/, ''),
    }
  })
  rows.forEach(({ timeS }, at) => {
    const before = rows[at - 1]
    if (before && timeS <= before.timeS)
      problems.push(
        `Line ${at + 2}: its time, ${timeS} s, is not after the ${before.timeS} s of the line before it.`,
      )
  })
  return problems.length === 0
    ? { ok: true, rows }
    : { ok: false, problems: problems.slice(0, MOST_PROBLEMS) }
}

/** What came of a drive, instant by instant. */
export function formatDriveCsv({ labels, samples }: DriveResult): string {
  const clutches = samples[0]?.clutchNm ?? []
  const data = samples.map((sample) => [
    sample.timeS.toFixed(2),
    (sample.mPerS * 3.6).toFixed(2),
    sample.engineRpm.toFixed(0),
    ...sample.clutchNm.map((torqueNm) => torqueNm.toFixed(1)),
    sample.wheelNm.toFixed(0),
    labels[sample.selected] ?? '',
    labels[sample.ready] ?? '',
  ])
  const fields = [
    'seconds',
    'km/h',
    'engine rev/min',
    ...clutches.map((_, at) => `clutch ${at + 1} N·m`),
    'wheels N·m',
    'gear',
    'ready',
  ]
  return `${Papa.unparse({ fields, data }, { escapeFormulae: true })}\r\n`
}
