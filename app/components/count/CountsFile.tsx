import { Download } from 'lucide-react'
import { useState } from 'react'

import { Table } from '~/components/Table.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { FileButton } from '~/components/FileButton.tsx'
import { Preview } from '~/components/Preview.tsx'
import type { ChangedCount, ParsedCountsCsv } from '~/files/countsCsv.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, gearName } from '~/words/names.ts'
import { Warning } from '~/components/Warning.tsx'
import { indexBox } from 'core'

interface ChangedCountsProps {
  readonly naming: Naming
  readonly changed: readonly ChangedCount[]
}

function ChangedCounts({ naming, changed }: ChangedCountsProps) {
  return (
    <Table
      caption="Counts in the file"
      rows={changed}
      keyOf={({ gear }) => gear.id}
      columns={[
        {
          heading: 'Gear',
          isName: true,
          className: 'font-semibold!',
          cell: ({ gear }) => capitalize(gearName(naming, gear)),
        },
        { heading: 'Teeth', cell: ({ gear }) => gear.toothCount ?? 'none' },
        {
          heading: 'becomes',
          className: 'font-bold',
          cell: ({ toothCount }) => toothCount ?? 'none',
        },
        { heading: 'Second count', cell: ({ gear }) => gear.recount ?? 'none' },
        { heading: 'becomes', className: 'font-bold', cell: ({ recount }) => recount ?? 'none' },
      ]}
    />
  )
}

/** Counts to a spreadsheet and back, with what will change shown before it does. */
export function CountsFile() {
  const { id, draft, words } = useOpenBox()
  const become = useBecome()
  const [read, setRead] = useState<ParsedCountsCsv>()
  const naming = { box: indexBox(draft), words }
  return (
    <section aria-label="Counts as a file" className="border-rule mt-3 border-t-2 pt-3">
      <div className="flex flex-wrap gap-2">
        <a className="button" href={`/boxes/${id}/counts.csv`} download>
          <Download aria-hidden /> Counts as CSV
        </a>
        <FileButton
          title="Read counts back"
          accept=".csv,text/csv"
          onChoose={(file) => {
            void Promise.all([file.text(), import('~/files/countsCsv.ts')]).then(([text, csv]) => {
              setRead(csv.parseCountsCsv(draft, text, words))
            })
          }}
        />
      </div>
      {read && !read.ok && (
        <div role="alert" className="mt-2">
          <Warning>Nothing was read in.</Warning>
          <ul className="list-disc pl-6">
            {read.problems.map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </div>
      )}
      {read?.ok && read.changed.length === 0 && (
        <p role="status" className="mt-2">
          The file holds the same counts as the box.
        </p>
      )}
      {read?.ok && read.changed.length > 0 && (
        <Preview
          title={`Change ${read.changed.length} ${read.changed.length === 1 ? 'count' : 'counts'}?`}
          confirm="Change them"
          onCancel={() => {
            setRead(undefined)
          }}
          onConfirm={() => {
            become(read.draft)
            setRead(undefined)
          }}
        >
          <ChangedCounts naming={naming} changed={read.changed} />
        </Preview>
      )}
    </section>
  )
}
