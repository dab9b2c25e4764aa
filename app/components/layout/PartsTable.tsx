import {
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import type { ColumnDef } from '@tanstack/react-table'
import clsx from 'clsx'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { useMemo, useState } from 'react'

import type { BoxDraft, Gear, PartRef } from 'core'
import { indexBox, memberOfPiece } from 'core'

import type { LengthUnit } from '~/words/format.ts'
import { formatLength } from '~/words/format.ts'
import { bodyName, capitalize } from '~/words/names.ts'
import { pieceKindWords } from '~/words/pieces.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { LINK_WORDS, WORDS } from '~/words/vocabulary.ts'
import { partTitle } from '~/views/layout/partTitle.ts'

import { PastedCounts } from '~/components/count/PastedCounts.tsx'
import { CountField } from '~/components/Fields.tsx'
import { SearchField } from '~/components/SearchField.tsx'
import type { Drafting } from './useDrafting.ts'

interface PartRow {
  readonly part: PartRef
  readonly name: string
  readonly kind: string
  readonly place: string
  readonly teeth: number | null
  readonly stationMm: number | null
  /** All that the part may be called, in any vocabulary. */
  readonly search: string
}

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric },
})

const COLUMNS: readonly ColumnDef<typeof features, PartRow>[] = [
  { id: 'name', header: 'Part', accessorFn: ({ name }) => name },
  { id: 'kind', header: 'Kind', accessorFn: ({ kind }) => kind },
  { id: 'place', header: 'On', accessorFn: ({ place }) => place },
  { id: 'teeth', header: 'Teeth', accessorFn: ({ teeth }) => teeth ?? -1 },
  { id: 'stationMm', header: 'Station', accessorFn: ({ stationMm }) => stationMm ?? -1 },
]

/** Makes rows of the parts of a box, each found by its words in any vocabulary. */
function rowMaker(draft: BoxDraft, words: Vocabulary) {
  const vocabularies = Object.values(WORDS).map((trade): Vocabulary => ({ ...words, ...trade }))
  return (
    part: PartRef,
    kindIn: (vocabulary: Vocabulary) => string,
    place: string,
    figures: { readonly teeth?: number | null; readonly stationMm?: number } = {},
  ): PartRow => ({
    part,
    name: partTitle(draft, words, part).replace(/: .* teeth, .*$|: not counted, .*$/, ''),
    kind: kindIn(words),
    place,
    teeth: figures.teeth ?? null,
    stationMm: figures.stationMm ?? null,
    search: [
      place,
      ...vocabularies.flatMap((vocabulary) => [
        partTitle(draft, vocabulary, part),
        kindIn(vocabulary),
      ]),
    ]
      .join(' ')
      .toLowerCase(),
  })
}

function rowsOf(draft: BoxDraft, words: Vocabulary): readonly PartRow[] {
  const box = indexBox(draft)
  const nameOf = (id: string): string => capitalize(bodyName({ box, words }, id))
  const lineOf = (axis: string): string =>
    `line ${draft.axes.findIndex(({ id }) => id === axis) + 1}`
  const row = rowMaker(draft, words)
  return [
    ...draft.members.map(({ id, kind, axis }) =>
      row({ list: 'members', id }, (vocabulary) => vocabulary.members[kind], lineOf(axis)),
    ),
    ...draft.gears.map(({ id, mount, member, toothCount, stationMm }) =>
      row(
        { list: 'gears', id },
        (vocabulary) => `${vocabulary.mounts[mount]} gear`,
        nameOf(member),
        {
          teeth: toothCount,
          stationMm,
        },
      ),
    ),
    ...draft.couplers.map(({ id, kind, hub, stationMm }) =>
      row({ list: 'couplers', id }, (vocabulary) => vocabulary.couplers[kind], nameOf(hub), {
        stationMm,
      }),
    ),
    ...(draft.pieces ?? []).map((piece) => {
      const member = memberOfPiece(box, piece)
      const { id, kind, stationMm, partNumber = '' } = piece
      return row(
        { list: 'pieces', id },
        (vocabulary) => `${pieceKindWords(vocabulary, kind)} ${partNumber}`.trim(),
        member ? nameOf(member.id) : '',
        { ...(stationMm !== undefined && { stationMm }) },
      )
    }),
    ...draft.links.map(({ id, kind }) => row({ list: 'links', id }, () => LINK_WORDS[kind], '')),
    ...draft.axes.map(({ id }) => row({ list: 'axes', id }, () => 'line', '')),
    ...(draft.interlocks ?? []).map(({ id }) =>
      row({ list: 'interlocks', id }, () => 'interlock', ''),
    ),
    ...(draft.rules ?? []).map(({ id }) => row({ list: 'rules', id }, () => 'rule', '')),
  ]
}

function ariaSort(sorted: false | 'asc' | 'desc'): 'ascending' | 'descending' | 'none' {
  return sorted === false ? 'none' : sorted === 'asc' ? 'ascending' : 'descending'
}

interface PartsTableProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly onCount: (gearId: string, toothCount: number | null) => void
}

interface PartLineProps extends Pick<PartsTableProps, 'onCount'> {
  readonly row: PartRow
  readonly lengthUnit: LengthUnit
  readonly isSelected: boolean
  readonly onSelect: (part: PartRef) => void
}

function PartLine({ row, lengthUnit, isSelected, onSelect, onCount }: PartLineProps) {
  return (
    <tr
      data-gear={row.part.list === 'gears' ? row.part.id : undefined}
      className={clsx('border-rule border-b', isSelected && 'bg-accent-wash')}
    >
      <th scope="row">
        <button
          type="button"
          className="button-quiet -ml-2 text-left whitespace-normal"
          aria-pressed={isSelected}
          onClick={() => {
            onSelect(row.part)
          }}
        >
          {row.name}
        </button>
      </th>
      <td className="pr-3" data-label="Kind">
        {row.kind}
      </td>
      <td className="pr-3" data-label="On">
        {row.place}
      </td>
      <td className="w-[5.5rem] pr-3" data-label={row.part.list === 'gears' ? 'Teeth' : undefined}>
        {row.part.list === 'gears' && (
          <CountField
            label={<span className="sr-only">{`Teeth of ${row.name}`}</span>}
            toothCount={row.teeth}
            onCount={(toothCount) => {
              onCount(row.part.id, toothCount)
            }}
          />
        )}
      </td>
      <td className="pr-3" data-label="Station">
        {row.stationMm === null ? '' : formatLength(row.stationMm, lengthUnit)}
      </td>
    </tr>
  )
}

/** The gears of these rows, in their order. */
function gearsOf(draft: BoxDraft, rows: readonly PartRow[]): readonly Gear[] {
  return rows.flatMap(({ part }) => {
    const gear = part.list === 'gears' && draft.gears.find(({ id }) => id === part.id)
    return gear ? [gear] : []
  })
}

/** Every part of the box, to sort, to search in any of the vocabularies, and to choose. */
export function PartsTable({
  drafting: { draft, selected, select },
  words,
  onCount,
}: PartsTableProps) {
  const [wanted, setWanted] = useState('')
  const rows = useMemo(() => rowsOf(draft, words), [draft, words])
  const shown = useMemo(() => {
    const terms = wanted.toLowerCase().split(/\s+/).filter(Boolean)
    return rows.filter(({ search }) => terms.every((term) => search.includes(term)))
  }, [rows, wanted])
  const table = useTable({
    features,
    data: shown,
    columns: COLUMNS,
    getRowId: ({ part }) => `${part.list}:${part.id}`,
  })
  const gears = gearsOf(
    draft,
    table.getRowModel().rows.map(({ original }) => original),
  )
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="mb-2">
        <SearchField
          label="Search the parts"
          placeholder={`Search: ${words.members.countershaft}, ${words.couplers.synchronizer}, 3rd…`}
          value={wanted}
          onChange={setWanted}
        />
      </div>
      <div className="min-h-0 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Parts">
        <PastedCounts
          gearsFrom={(field) => {
            const from = gears.findIndex(({ id }) => id === field.closest('tr')?.dataset.gear)
            return from < 0 ? [] : gears.slice(from)
          }}
          into="toothCount"
        >
          <table className="cards w-full border-collapse text-left">
            <caption className="sr-only">Parts of the box</caption>
            <thead className="bg-paper sticky top-0">
              {table.getHeaderGroups().map((group) => (
                <tr key={group.id} className="border-ink border-b-2">
                  {group.headers.map((header) => (
                    <th
                      key={header.id}
                      scope="col"
                      aria-sort={ariaSort(header.column.getIsSorted())}
                    >
                      <button
                        type="button"
                        className="button-quiet -ml-2 font-semibold"
                        onClick={header.column.getToggleSortingHandler()}
                      >
                        <table.FlexRender header={header} />
                        {header.column.getIsSorted() === 'asc' && <ArrowUp aria-hidden />}
                        {header.column.getIsSorted() === 'desc' && <ArrowDown aria-hidden />}
                      </button>
                    </th>
                  ))}
                </tr>
              ))}
            </thead>
            <tbody>
              {table.getRowModel().rows.map(({ id, original: row }) => (
                <PartLine
                  key={id}
                  row={row}
                  lengthUnit={words.lengthUnit}
                  isSelected={selected?.list === row.part.list && selected.id === row.part.id}
                  onSelect={select}
                  onCount={onCount}
                />
              ))}
            </tbody>
          </table>
          {shown.length === 0 && <p className="text-graphite py-3">No part is called that.</p>}
        </PastedCounts>
      </div>
    </div>
  )
}
