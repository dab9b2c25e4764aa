import clsx from 'clsx'

import { Table } from '~/components/Table.tsx'
import type { CompareRow } from '~/views/trace/compare.ts'

interface CompareTableProps {
  readonly titles: readonly [string, string]
  readonly rows: readonly CompareRow[]
}

/** Both sides figure by figure; what differs is bold and marked. */
export function CompareTable({ titles, rows }: CompareTableProps) {
  const side = (at: 0 | 1) => ({
    heading: titles[at],
    className: ({ differs }: CompareRow) => clsx('w-[38%]', differs && 'font-bold'),
    cell: ({ values }: CompareRow) => values[at],
  })
  return (
    <Table
      caption="What both have and where they differ"
      rows={rows}
      keyOf={({ name }) => name}
      rowClassName={({ differs }) => (differs ? undefined : 'text-graphite')}
      columns={[
        {
          heading: 'Differs',
          isHeadingHidden: true,
          className: 'w-8 text-center',
          cell: ({ differs }) =>
            differs && (
              <>
                <span title="differs">≠</span>
                <span className="sr-only"> differs</span>
              </>
            ),
        },
        { heading: 'Figure', isName: true, cell: ({ name }) => name },
        side(0),
        side(1),
      ]}
    />
  )
}
