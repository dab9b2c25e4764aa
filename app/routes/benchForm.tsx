import { useMemo } from 'react'

import { countedGears, indexBox, unitParts } from 'core'

import { PrintButton } from '~/components/PrintButton.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import type { Column } from '~/components/Table.tsx'
import { Table } from '~/components/Table.tsx'
import { DEFERENCE } from '~/words/cautions.ts'
import { unitPartName } from '~/words/jobs.ts'
import { MEASURE_NAMES } from '~/words/measures.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, countedName } from '~/words/names.ts'

/** A column to write in by hand. */
function empty<Row>(heading: string): Column<Row> {
  return { heading, className: 'border-rule h-[1.9rem] w-[6rem] border-l', cell: () => '' }
}

/** Room for every count, twice, and for the turns of every position. */
function CountsAndTurns({ naming }: { readonly naming: Naming }) {
  const { draft } = naming.box
  return (
    <div className="grid items-start gap-x-8 gap-y-3 sm:grid-cols-2 print:grid-cols-2">
      <Table
        caption="Teeth"
        isCaptionShown
        rows={countedGears(draft)}
        keyOf={({ id }) => id}
        columns={[
          {
            heading: 'Gear',
            isName: true,
            cell: (gear) => capitalize(countedName(naming, gear)),
          },
          empty('First count'),
          empty('Second count'),
        ]}
      />
      <Table
        caption="Turns by hand"
        isCaptionShown
        rows={draft.positions}
        keyOf={({ id }) => id}
        columns={[
          {
            heading: 'Position',
            isName: true,
            cell: ({ label, lever }) => (lever ? `${label} (${lever})` : label),
          },
          empty('Of the input'),
          empty('Of the output'),
        ]}
      />
    </div>
  )
}

/** This box on paper, with room for what is counted, turned and measured at the bench. */
export default function BenchForm() {
  const { draft, words } = useOpenBox()
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const parts = useMemo(
    () => unitParts(draft).filter(({ measures }) => measures.length > 0),
    [draft],
  )
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto" tabIndex={0}>
      <title>{`${draft.name} · Bench form · Udrix`}</title>
      <div className="mx-auto grid max-w-[64rem] gap-3">
        <p className="no-print flex flex-wrap items-center gap-3">
          <PrintButton />
          To write on by hand where no screen should lie; what is written goes in afterwards.
        </p>
        <h2 className="border-ink border-b-2 text-[1.5rem]">{draft.name}</h2>
        <p className="flex flex-wrap gap-x-10">
          {['Owner', 'Date', 'By', 'Distance (km or miles)', 'Oil found'].map((what) => (
            <span key={what} className="border-rule min-w-[11rem] flex-1 border-b pt-2">
              {what}
            </span>
          ))}
        </p>
        <div className="h-[17rem]">
          <SectionDrawing
            isFixed
            draft={draft}
            words={words}
            title={`Section along the shafts of ${draft.name}`}
          />
        </div>
        <CountsAndTurns naming={naming} />
        <Table
          caption="Measured (write the unit with each figure)"
          isCaptionShown
          rows={parts.flatMap(({ ref, measures }) => measures.map((measure) => ({ ref, measure })))}
          keyOf={({ ref, measure }) => `${ref} ${measure}`}
          columns={[
            {
              heading: 'Part',
              isName: true,
              cell: ({ ref }) => capitalize(unitPartName(naming, ref)),
            },
            { heading: 'Measure', cell: ({ measure }) => MEASURE_NAMES[measure] },
            empty('1'),
            empty('2'),
            empty('3'),
            empty('Limit'),
          ]}
        />
        <p className="text-[0.86rem]">{DEFERENCE}</p>
      </div>
    </main>
  )
}
