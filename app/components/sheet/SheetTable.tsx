import type { BoxDraft, Measure, ReadingUnit } from 'core'
import { MEASURES, MEASURE_RULES, READING_UNITS, unitsOf } from 'core'

import { EntryField, SelectField } from '~/components/Fields.tsx'
import { Table } from '~/components/Table.tsx'
import type { SheetChange, SheetRow } from '~/views/sheet/sheetRows.ts'
import { parseSheetLimit, parseSheetText, withSheetChange } from '~/views/sheet/sheetRows.ts'
import { UNIT_NAMES } from '~/words/measures.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'
import { sheetLineName } from '~/words/sheet.ts'

interface SheetTableProps {
  readonly draft: BoxDraft
  readonly naming: Naming
  readonly rows: readonly SheetRow[]
  readonly title: string
  readonly isInInches: boolean
  readonly onBecome: (next: BoxDraft) => void
}

/** The lines of one section of the sheet, each with what it says and where it was read. */
export function SheetTable({ draft, naming, rows, title, isInInches, onBecome }: SheetTableProps) {
  const put = (row: SheetRow, change: SheetChange): null => {
    onBecome(withSheetChange(draft, row, change))
    return null
  }
  const nameOf = (row: SheetRow): string => capitalize(sheetLineName(naming, row.line ?? row.asked))
  return (
    <Table
      caption={title}
      className="w-full table-fixed"
      rows={rows}
      keyOf={({ asked }, at) => [asked.kind, asked.of, asked.measure, at].join(' ')}
      columns={[
        { heading: 'What', isName: true, className: 'font-normal!', cell: nameOf },
        {
          heading: 'Says',
          isLong: true,
          cell: (row) =>
            row.asked.kind === 'limit' ? (
              <LimitFields row={row} name={nameOf(row)} isInInches={isInInches} onPut={put} />
            ) : (
              <TextField
                label={nameOf(row)}
                value={row.line?.text}
                onKeep={(text) => put(row, { text })}
              />
            ),
        },
        {
          heading: 'Read from',
          isLong: true,
          cell: (row) => (
            <TextField
              label={`Where it was read: ${nameOf(row)}`}
              value={row.line?.from}
              onKeep={(from) => put(row, { from })}
            />
          ),
        },
      ]}
    />
  )
}

/** A place to write; on paper what stands in it, or a line to write on. */
function TextField({
  label,
  value,
  onKeep,
}: {
  readonly label: string
  readonly value: string | undefined
  readonly onKeep: (text: string | undefined) => null
}) {
  return (
    <>
      <div className="print:hidden">
        <EntryField
          key={value}
          label={<span className="sr-only">{label}</span>}
          value={value ?? ''}
          onCommit={(typed) => {
            const parsed = parseSheetText(typed)
            return parsed.ok ? onKeep(parsed.text) : parsed.sentence
          }}
        />
      </div>
      <Printed text={value} />
    </>
  )
}

function Printed({ text }: { readonly text: string | undefined }) {
  return (
    <span className="border-rule hidden min-h-[1.3rem] min-w-[9rem] border-b print:inline-block">
      {text ?? ''}
    </span>
  )
}

/** The unit of a line; before one is chosen, what the person works in. */
function unitOf({ line }: SheetRow, measure: Measure, isInInches: boolean): ReadingUnit {
  const units = unitsOf(MEASURE_RULES[measure].judges)
  const usual = isInInches ? units.find((each) => each === 'in') : undefined
  return READING_UNITS.find((each) => each === line?.unit) ?? usual ?? units[0] ?? 'mm'
}

/** The least and the most of a measure, in a unit. */
function LimitFields({
  row,
  name,
  isInInches,
  onPut,
}: {
  readonly row: SheetRow
  readonly name: string
  readonly isInInches: boolean
  readonly onPut: (row: SheetRow, change: SheetChange) => null
}) {
  const measure = MEASURES.find((each) => each === row.asked.measure)
  if (!measure) return null
  const unit = unitOf(row, measure, isInInches)
  const { least, most } = row.line ?? {}
  const printed = [least ?? '', most ?? ''].some(Boolean)
    ? `${least ?? '–'} to ${most ?? '–'} ${UNIT_NAMES[unit]}`
    : undefined
  return (
    <>
      <div className="flex items-start gap-1 print:hidden">
        {(['least', 'most'] as const).map((end) => (
          <div key={end} className="w-[5.5rem]">
            <EntryField
              key={row.line?.[end]}
              label={<span className="sr-only">{`${name}, ${end}`}</span>}
              inputMode="decimal"
              placeholder={end}
              value={row.line?.[end] ?? ''}
              onCommit={(typed) => {
                const parsed = parseSheetLimit(typed, end, { least, most }, unit)
                return parsed.ok ? onPut(row, { [end]: parsed.text, unit }) : parsed.sentence
              }}
            />
          </div>
        ))}
        <SelectField
          label={<span className="sr-only">{`Unit of ${name}`}</span>}
          value={unit}
          options={unitsOf(MEASURE_RULES[measure].judges).map((each) => [each, UNIT_NAMES[each]])}
          onChange={(chosen) => onPut(row, { unit: chosen })}
        />
      </div>
      <Printed text={printed} />
    </>
  )
}
