/**
 * Tables as CSV (RFC 4180) that any spreadsheet writes. How long a file, a line and a table may
 * be is looked at before anything is read, so that none keeps a page busy.
 */
import Papa from 'papaparse'

const LONGEST_LINE = 1_000

export interface CsvBounds {
  readonly mostCharacters: number
  readonly mostRows: number
  /** What is said of more. */
  readonly tooLong: string
}

export type CsvRow = Readonly<Record<string, string | undefined>>

type ParsedCsv =
  | { readonly ok: true; readonly fields: readonly string[]; readonly rows: readonly CsvRow[] }
  | { readonly ok: false; readonly problem: string }

/** Reads a table by the headings of its first line, which are alike in capitals and small letters. */
export function parseCsv(
  text: string,
  { mostCharacters, mostRows, tooLong }: CsvBounds,
): ParsedCsv {
  if (text.length > mostCharacters) return { ok: false, problem: tooLong }
  const lines = text.split('\n')
  const long = lines.findIndex(({ length }) => length > LONGEST_LINE)
  if (long !== -1)
    return {
      ok: false,
      problem: `Line ${long + 1} has ${lines[long]?.length ?? 0} characters; ${LONGEST_LINE} are read at most. Is it the right file?`,
    }
  // Empty lines count for nothing.
  if (lines.filter((line) => line.trim() !== '').length > mostRows + 1)
    return { ok: false, problem: tooLong }
  const rows: CsvRow[] = []
  let fields: readonly string[] = []
  let broken: number | undefined
  Papa.parse<CsvRow>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (heading) => heading.trim().toLowerCase(),
    step: ({ data, errors, meta }, parser) => {
      fields = meta.fields ?? []
      rows.push(data)
      if (!errors.some(({ type }) => type === 'Quotes')) return
      broken = rows.length + 1
      parser.abort()
    },
    complete: ({ meta }) => {
      // A table without rows has headings all the same.
      fields = meta.fields ?? fields
    },
  })
  return broken === undefined
    ? { ok: true, fields, rows }
    : {
        ok: false,
        problem: `Line ${broken}: a quotation mark stands where none can. Write the file anew with the spreadsheet.`,
      }
}
