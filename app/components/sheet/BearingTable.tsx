import { Table } from '~/components/Table.tsx'
import { formatLength } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'
import { pieceName } from '~/words/pieces.ts'

/** Bearings with their sizes, as far as they were measured. */
export function BearingTable({ naming }: { readonly naming: Naming }) {
  const bearings = (naming.box.draft.pieces ?? []).filter(({ kind }) => kind.endsWith('-bearing'))
  if (bearings.length === 0) return null
  const length = (mm: number | undefined): string =>
    mm === undefined ? '' : formatLength(mm, naming.words.lengthUnit)
  return (
    <section aria-label="Bearings">
      <h3 className="text-[1.15rem]">Bearings</h3>
      <p className="text-graphite no-print text-[0.92rem]">
        Sizes are entered at each bearing on Lay out.
      </p>
      <Table
        caption="Bearings and their sizes"
        rows={bearings}
        keyOf={({ id }) => id}
        columns={[
          {
            heading: 'Bearing',
            isName: true,
            className: 'font-normal!',
            cell: (piece) => capitalize(pieceName(naming, piece)),
          },
          { heading: 'Bore', isRight: true, cell: ({ boreMm }) => length(boreMm) },
          { heading: 'Outside', isRight: true, cell: ({ outsideMm }) => length(outsideMm) },
          { heading: 'Width', isRight: true, cell: ({ lengthMm }) => length(lengthMm) },
          { heading: 'Part number', cell: ({ partNumber }) => partNumber ?? '' },
        ]}
      />
    </section>
  )
}
