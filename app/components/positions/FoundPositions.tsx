import { Ban, Eye, EyeOff, ListPlus, ListX } from 'lucide-react'
import { useMemo } from 'react'

import type { BoxDraft, BoxPosition, CouplerPlaces } from 'core'
import { ONE, POSITION, countCombinations, indexBox, namedPlace, removePart } from 'core'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { EntryField } from '~/components/Fields.tsx'
import { Table } from '~/components/Table.tsx'
import { parseWithin } from '~/views/layout/numbers.ts'
import type { Drafting } from '~/components/layout/useDrafting.ts'
import { withPart } from '~/views/layout/withPart.ts'
import { useAddress } from '~/components/useAddress.ts'
import { formatPercent, formatRatio } from '~/words/format.ts'
import { capitalize, couplerName, gearName, placeName } from '~/words/names.ts'
import type { Naming } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import type { FoundAll } from '~/views/positions/findAll.ts'
import type { ProposedRow } from '~/views/positions/proposals.ts'
import { barWords, forbidRow, listAll, listRow, proposeRows } from '~/views/positions/proposals.ts'

import { CombinationTrial } from './CombinationTrial.tsx'
import { useFoundPositions } from './useFoundPositions.ts'

const NEAR_PERCENT = 1
const MOST_NEAR_PERCENT = 50

interface FoundPositionsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
}

/** What every combination of couplers does, found out and set beside the list. */
export function FoundPositions({ drafting, words }: FoundPositionsProps) {
  const { draft } = drafting
  const { finding, stop } = useFoundPositions(draft)
  return (
    <div
      className="min-h-0 flex-1 overflow-auto pr-1"
      tabIndex={0}
      role="region"
      aria-label="Positions found"
    >
      {finding.kind === 'working' ? (
        <div className="flex items-center gap-3 py-3">
          <progress
            aria-label="Combinations judged"
            className="h-4 flex-1"
            max={finding.total}
            value={finding.done}
          />
          <span>
            {finding.done} of {finding.total} combinations
          </span>
          <button type="button" className="button" onClick={stop}>
            Stop
          </button>
        </div>
      ) : finding.kind === 'stopped' ? (
        <p className="py-3">Stopped. Any change of the box starts it again.</p>
      ) : (
        <Result drafting={drafting} words={words} found={finding.found} />
      )}
      <CombinationTrial draft={draft} words={words} />
    </div>
  )
}

function Result({ drafting, words, found }: FoundPositionsProps & { readonly found: FoundAll }) {
  const { draft } = drafting
  const [search, change] = useAddress('layout')
  const naming: Naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const asked = parseWithin(search.near ?? '', 0, MOST_NEAR_PERCENT, 'A share')
  const nearPercent = asked.ok ? asked.value : NEAR_PERCENT
  const rows = useMemo(
    () => (found.kind === 'found' ? proposeRows(draft, found.rows, nearPercent) : []),
    [draft, found, nearPercent],
  )
  if (found.kind === 'faulty')
    return <p className="py-2">Mend what is named on the right first; then positions are found.</p>
  if (found.kind === 'too-many')
    return (
      <p className="py-2">
        {found.combinations} combinations are more than the {found.most} that Udrix tabulates. Take
        out couplers that do nothing.
      </p>
    )
  if (found.kind === 'uncounted')
    return (
      <p className="py-2">
        Count first:{' '}
        {found.gears
          .slice(0, 6)
          .map((id) => {
            const gear = naming.box.gears.get(id)
            return gear ? gearName(naming, gear) : id
          })
          .join('; ')}
        {found.gears.length > 6 && ` and ${found.gears.length - 6} more`}. Then every combination of
        couplers is tried.
      </p>
    )
  return (
    <Tabulated
      drafting={drafting}
      naming={naming}
      found={found}
      rows={rows}
      nearPercent={nearPercent}
      onNear={(percent) => {
        change({ near: `${percent}` })
      }}
    />
  )
}

interface TabulatedProps {
  readonly drafting: Drafting
  readonly naming: Naming
  readonly found: Extract<FoundAll, { kind: 'found' }>
  readonly rows: readonly ProposedRow[]
  readonly nearPercent: number
  readonly onNear: (percent: number) => void
}

/** What was found, in figures and in ratio order, and what is barred. */
function Tabulated({ drafting, naming, found, rows, nearPercent, onNear }: TabulatedProps) {
  const { draft, become } = drafting
  const usable = rows.filter(({ barredBy }) => barredBy === null)
  const barred = rows.filter(({ barredBy }) => barredBy !== null)
  const unlisted = usable.filter(({ listed }) => !listed)
  const { counts } = found
  return (
    <>
      <p>
        Of {countCombinations(draft)} combinations {counts.drive} drive, {counts.neutral} are
        neutral, {counts.locked + counts['input-locked'] + counts['output-locked']} lock,{' '}
        {counts.undetermined} are not settled. <b>{usable.length} positions can be used</b>;{' '}
        {barred.length} are barred, {found.idleCount} have a coupler engaged to no effect
        {found.readyCount > 0 &&
          `, ${found.readyCount} have two gears in on two clutches, the next one held ready`}
        .
      </p>
      <div className="flex flex-wrap items-end gap-3 py-2">
        <button
          type="button"
          className="button button-main"
          onClick={() => {
            become(listAll(draft, rows))
          }}
        >
          <ListPlus aria-hidden />{' '}
          {unlisted.length > 0
            ? `List all, ${unlisted.length} new, in ratio order`
            : 'Put the list in ratio order'}
        </button>
        <NearField nearPercent={nearPercent} onNear={onNear} />
      </div>
      <FoundTable drafting={drafting} naming={naming} rows={usable} />
      {barred.length > 0 && (
        <details className="mt-2">
          <summary className="button-quiet -ml-2">{barred.length} barred combinations</summary>
          <ul>
            {barred.map((row) => (
              <li key={JSON.stringify(row.places)}>
                <b>{formatRatio(row.ratio)}</b> {placesText(naming, draft, row.places)}:{' '}
                {barWords(draft, row.places)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  )
}

/** How near a ratio has to be to another to be called a repeat of it. */
function NearField({ nearPercent, onNear }: Pick<TabulatedProps, 'nearPercent' | 'onNear'>) {
  return (
    <div className="w-[9.5rem]">
      <EntryField
        key={nearPercent}
        label="Near repeats within"
        unit="%"
        inputMode="decimal"
        value={`${nearPercent}`}
        onCommit={(text) => {
          const share = parseWithin(text, 0, MOST_NEAR_PERCENT, 'A share, in per cent,')
          if (!share.ok) return share.sentence
          onNear(share.value)
          return null
        }}
      />
    </div>
  )
}

function FoundTable({
  drafting: { draft, become },
  naming,
  rows,
}: Pick<TabulatedProps, 'drafting' | 'naming' | 'rows'>) {
  const nextOf = new Map(rows.map((row, at) => [row, rows[at + 1]]))
  const field = (listed: BoxPosition, name: 'label' | 'lever', title: string) => (
    <FieldEntries
      naming={naming}
      fields={POSITION}
      of={listed}
      names={[name]}
      shown={{ [name]: { label: <span className="sr-only">{title}</span> } }}
      onChange={(change: Partial<BoxPosition>): null => {
        become(withPart(draft, 'positions', { ...listed, ...change }))
        return null
      }}
    />
  )
  return (
    <Table
      caption="Positions found, in ratio order"
      rows={rows}
      keyOf={({ places }) => JSON.stringify(places)}
      columns={[
        {
          heading: 'Called',
          isName: true,
          className: 'w-[8rem]',
          cell: ({ listed, label }) =>
            listed ? (
              field(listed, 'label', `Name of ${listed.label}`)
            ) : (
              <span className="text-graphite">{label}, not listed</span>
            ),
        },
        { heading: 'Ratio', cell: (row) => <RatioFound row={row} /> },
        {
          heading: 'Step',
          cell: (row) => {
            const next = nextOf.get(row)
            const isOneWay = next?.ratio.sign() === row.ratio.sign()
            return next && isOneWay ? formatPercent(row.ratio.div(next.ratio).sub(ONE)) : '–'
          },
        },
        {
          heading: 'Engaged',
          isLong: true,
          className: 'text-[0.9rem]',
          cell: ({ places }) => placesText(naming, draft, places),
        },
        {
          heading: 'Lever or drum',
          isLong: true,
          className: 'w-[19rem]',
          cell: ({ listed }) => listed && field(listed, 'lever', `Lever of ${listed.label}`),
        },
        {
          heading: 'What to do',
          isHeadingHidden: true,
          className: 'whitespace-nowrap',
          cell: (row) => <RowKeys row={row} draft={draft} become={become} />,
        },
      ]}
    />
  )
}

function RatioFound({ row: { ratio, near } }: Pick<RowProps, 'row'>) {
  return (
    <>
      <b className="text-[1.15rem] whitespace-nowrap">{formatRatio(ratio)}</b>
      {ratio.sign() < 0 && <span className="text-graphite block text-[0.8rem]">against input</span>}
      {near && (
        <span className="text-trouble block text-[0.84rem] font-semibold">
          {near.isSame ? `repeats ${near.label}` : `near ${near.label}`}
        </span>
      )}
    </>
  )
}

/** "1–2 sleeve: 1; range: low": every coupler that does something. */
function placesText(naming: Naming, draft: BoxDraft, places: CouplerPlaces): string {
  return draft.couplers
    .flatMap((coupler) => {
      const place = coupler.positions.find(({ id }) => id === namedPlace(places, coupler.id))
      return place && place.engages.length > 0
        ? [`${capitalize(couplerName(naming, coupler))}: ${placeName(naming, coupler, place)}`]
        : []
    })
    .join('; ')
}

interface RowProps {
  readonly row: ProposedRow
  readonly draft: BoxDraft
  readonly become: (draft: BoxDraft) => void
}

/** Puts a position on the list, or hides it there and takes it off. */
function ListKeys({ row, draft, become }: RowProps) {
  const { listed, label } = row
  return listed ? (
    <>
      <button
        type="button"
        className="button-quiet"
        aria-label={`${listed.isHidden ? 'Show' : 'Hide'} ${listed.label}`}
        title={listed.isHidden ? 'Show' : 'Hide from keys and tables'}
        onClick={() => {
          const isHidden = listed.isHidden ? undefined : true
          become(withPart(draft, 'positions', { ...listed, isHidden }))
        }}
      >
        {listed.isHidden ? <Eye aria-hidden /> : <EyeOff aria-hidden />}
      </button>
      <button
        type="button"
        className="button-quiet"
        aria-label={`Take ${listed.label} off the list`}
        title="Take off the list"
        onClick={() => {
          become(removePart(draft, { list: 'positions', id: listed.id }))
        }}
      >
        <ListX aria-hidden />
      </button>
    </>
  ) : (
    <button
      type="button"
      className="button-quiet"
      aria-label={`List ${label}`}
      onClick={() => {
        become(listRow(draft, row))
      }}
    >
      <ListPlus aria-hidden /> List
    </button>
  )
}

function RowKeys({ row, draft, become }: RowProps) {
  return (
    <>
      <ListKeys row={row} draft={draft} become={become} />
      <button
        type="button"
        className="button-quiet"
        aria-label={`Forbid ${row.label}`}
        title="Forbid"
        onClick={() => {
          become(forbidRow(draft, row))
        }}
      >
        <Ban aria-hidden />
      </button>
    </>
  )
}
