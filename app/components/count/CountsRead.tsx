import { Table } from '~/components/Table.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
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
      caption="Counts that were read"
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

interface CountsReadProps {
  /** Undefined where nothing was read, or it is done with. */
  readonly read: ParsedCountsCsv | undefined
  readonly onDone: () => void
}

/** Counts that came from elsewhere: what is wrong with them, or what will change before it does. */
export function CountsRead({ read, onDone }: CountsReadProps) {
  const { draft, words } = useOpenBox()
  const become = useBecome()
  const naming = { box: indexBox(draft), words }
  return (
    <>
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
          These are the counts that the box has.
        </p>
      )}
      {read?.ok && read.changed.length > 0 && (
        <Preview
          title={`Change ${read.changed.length} ${read.changed.length === 1 ? 'count' : 'counts'}?`}
          confirm="Change them"
          onCancel={onDone}
          onConfirm={() => {
            become(read.draft)
            onDone()
          }}
        >
          <ChangedCounts naming={naming} changed={read.changed} />
        </Preview>
      )}
    </>
  )
}
