import clsx from 'clsx'
import type { Key, ReactNode } from 'react'

export interface Column<Row> {
  readonly heading: string
  /** Read out, not shown. */
  readonly isHeadingHidden?: boolean
  /** Whether its cells name their row. */
  readonly isName?: boolean
  readonly isRight?: boolean
  /** A sentence, which gets a line of its own on a phone. */
  readonly isLong?: boolean
  /** Of all its cells, or of one row's. */
  readonly className?: string | ((row: Row) => string)
  readonly cell: (row: Row) => ReactNode
}

interface TableProps<Row> {
  readonly caption: ReactNode
  /** Without this the caption is read out only. */
  readonly isCaptionShown?: boolean
  readonly columns: readonly Column<Row>[]
  readonly rows: readonly Row[]
  readonly keyOf: (row: Row, at: number) => Key
  readonly rowClassName?: (row: Row) => string | undefined
  /** What a row is of, for whoever looks for it in the page (`data-row`). */
  readonly rowOf?: (row: Row) => string
  /** Whether its headings stay in view while it scrolls, and its rows are read out as they change. */
  readonly isLive?: boolean
  readonly className?: string
}

/** One row's line, a cell a column. */
function Cells<Row>({ columns, row }: Pick<TableProps<Row>, 'columns'> & { readonly row: Row }) {
  return columns.map((column, at) => {
    const { heading, isHeadingHidden, isName, isRight, isLong, className: own, cell } = column
    const Cell = isName ? 'th' : 'td'
    return (
      <Cell
        key={at}
        scope={isName ? 'row' : undefined}
        data-label={isHeadingHidden ? undefined : heading}
        className={clsx(
          'py-0.5 pr-4 last:pr-0 max-sm:pr-2',
          isName && 'font-normal',
          isRight && 'text-right whitespace-nowrap',
          isLong && 'is-long',
          typeof own === 'function' ? own(row) : own,
        )}
      >
        {cell(row)}
      </Cell>
    )
  })
}

/** A table of so many columns, or of sentences, has a card for each of its rows where the screen is that of a phone. */
const LEAST_COLUMNS_OF_CARDS = 4

/** A table for reading: a heading a column, a line a row. Sorted and edited ones build their own. */
export function Table<Row>({
  caption,
  isCaptionShown = false,
  columns,
  rows,
  keyOf,
  rowClassName,
  rowOf,
  isLive = false,
  className = 'w-full',
}: TableProps<Row>) {
  const hasCards =
    columns.length >= LEAST_COLUMNS_OF_CARDS || columns.some(({ isLong }) => isLong === true)
  return (
    <table
      className={clsx('border-collapse text-left', hasCards && 'cards', className)}
      aria-live={isLive ? 'polite' : undefined}
    >
      <caption className={isCaptionShown ? 'text-left text-[1.05rem] font-semibold' : 'sr-only'}>
        {caption}
      </caption>
      <thead>
        <tr className={clsx('border-ink border-b-2', isLive && 'bg-paper sticky top-0')}>
          {columns.map(({ heading, isHeadingHidden, isRight }, at) => (
            <th
              key={at}
              scope="col"
              className={clsx('pr-4 align-bottom last:pr-0', isRight && 'text-right')}
            >
              {isHeadingHidden ? <span className="sr-only">{heading}</span> : heading}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, rowAt) => (
          <tr
            key={keyOf(row, rowAt)}
            data-row={rowOf?.(row)}
            className={clsx('border-rule border-b align-baseline', rowClassName?.(row))}
          >
            <Cells columns={columns} row={row} />
          </tr>
        ))}
      </tbody>
    </table>
  )
}
