import clsx from 'clsx'

import type { CompareRow } from '~/views/trace/compare.ts'

interface CompareTableProps {
  readonly titles: readonly [string, string]
  readonly rows: readonly CompareRow[]
}

/** Both sides figure by figure; what differs is bold and marked. */
export function CompareTable({ titles, rows }: CompareTableProps) {
  return (
    <table className="w-full border-collapse text-left">
      <caption className="sr-only">What both have and where they differ</caption>
      <thead>
        <tr className="border-ink border-b-2">
          <th scope="col" className="w-8">
            <span className="sr-only">Differs</span>
          </th>
          <th scope="col" className="pr-3">
            Figure
          </th>
          {titles.map((title) => (
            <th key={title} scope="col" className="w-[38%] px-3">
              {title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, values, differs }) => (
          <tr key={name} className={clsx('border-rule border-b', !differs && 'text-graphite')}>
            <td className="text-center">
              {differs && <span title="differs">≠</span>}
              {differs && <span className="sr-only"> differs</span>}
            </td>
            <th scope="row" className="py-0.5 pr-3 font-normal">
              {name}
            </th>
            {values.map((value, at) => (
              <td key={at} className={clsx('px-3', differs && 'font-bold')}>
                {value}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
