import { CheckCheck, X } from 'lucide-react'
import { useState } from 'react'

import type { BoxDraft, Gear } from 'core'
import { countedGears, countedTogether, withTrialCounts } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { CountField } from '~/components/Fields.tsx'
import { Preview } from '~/components/Preview.tsx'
import { Table } from '~/components/Table.tsx'
import { ratioChanges } from '~/views/ratios/ratioChanges.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, countedName } from '~/words/names.ts'

interface TrialCountsProps {
  readonly naming: Naming
  /** Other counts, by the gear that is counted. */
  readonly counts: ReadonlyMap<string, number>
  readonly onChange: (counts: ReadonlyMap<string, number>) => void
}

interface TrialCountProps {
  readonly name: string
  readonly gear: Gear
  /** The other count, where there is one. */
  readonly tried: number | undefined
  readonly onCount: (count: number | null) => void
}

function TrialCount({ name, gear, tried, onCount }: TrialCountProps) {
  return (
    <div
      className={`border-rule grid grid-cols-[minmax(0,1fr)_4.5rem] items-center gap-2 border-b py-0.5 ${tried === undefined ? '' : 'bg-accent-wash'}`}
    >
      <span className="leading-tight">
        {name}
        {tried !== undefined && (
          <span className="text-graphite block text-[0.86rem]">
            {gear.toothCount ?? 'not counted'} in the box
          </span>
        )}
      </span>
      <CountField
        label={<span className="sr-only">{`Teeth to try: ${name}`}</span>}
        toothCount={tried ?? gear.toothCount}
        onCount={onCount}
      />
    </div>
  )
}

/** Other counts for any of the gears, to be looked at together and taken over in one step. */
export function TrialCounts({ naming, counts, onChange }: TrialCountsProps) {
  const { draft } = useOpenBox()
  const become = useBecome()
  const [isAsked, setIsAsked] = useState(false)
  const tried = withTrialCounts(draft, counts)
  return (
    <section aria-label="Counts on trial" className="no-print">
      <div className="grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-x-4 gap-y-1">
        {countedGears(draft).map((gear) => (
          <TrialCount
            key={gear.id}
            name={capitalize(countedName(naming, gear))}
            gear={gear}
            tried={counts.get(gear.id)}
            onCount={(count) => {
              const next = new Map(counts)
              for (const { id } of countedTogether(draft, gear)) next.delete(id)
              if (count !== null && count !== gear.toothCount) next.set(gear.id, count)
              onChange(next)
            }}
          />
        ))}
      </div>
      {counts.size > 0 && (
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <button
            type="button"
            className="button button-main"
            onClick={() => {
              setIsAsked(true)
            }}
          >
            <CheckCheck aria-hidden /> Take over {counts.size}{' '}
            {counts.size === 1 ? 'count' : 'counts'}
          </button>
          <button
            type="button"
            className="button"
            onClick={() => {
              onChange(new Map())
            }}
          >
            <X aria-hidden /> End the trial
          </button>
          <p className="text-graphite">
            The box stays as it is until then. The trial is in the address, and kept on this device.
          </p>
        </div>
      )}
      {isAsked && (
        <Preview
          title="Take the trial over into the box?"
          confirm="Take it over"
          onCancel={() => {
            setIsAsked(false)
          }}
          onConfirm={() => {
            become(tried)
            setIsAsked(false)
            onChange(new Map())
          }}
        >
          <TakenOver naming={naming} draft={draft} tried={tried} counts={counts} />
        </Preview>
      )}
    </section>
  )
}

interface TakenOverProps extends Omit<TrialCountsProps, 'onChange'> {
  readonly draft: BoxDraft
  readonly tried: BoxDraft
}

/** What the box will have then. */
function TakenOver({ naming, draft, tried, counts }: TakenOverProps) {
  const changed = countedGears(draft).filter(({ id }) => counts.has(id))
  const isRecounted = changed.some(({ recount }) => recount !== undefined && recount !== null)
  return (
    <>
      <Table
        caption="Counts that change"
        rows={changed}
        keyOf={({ id }) => id}
        columns={[
          { heading: 'Gear', isName: true, cell: (gear) => capitalize(countedName(naming, gear)) },
          { heading: 'Teeth', cell: ({ toothCount }) => toothCount ?? 'none' },
          { heading: 'becomes', className: 'font-bold', cell: ({ id }) => counts.get(id) },
        ]}
      />
      <Table
        caption="Ratios that change"
        className="mt-3 w-full"
        rows={ratioChanges(draft, tried).filter(({ before, after }) => before !== after)}
        keyOf={({ label }) => label}
        columns={[
          { heading: 'Position', isName: true, cell: ({ label }) => label },
          { heading: 'Ratio', cell: ({ before }) => before },
          { heading: 'becomes', className: 'font-bold', cell: ({ after }) => after },
        ]}
      />
      <p className="mt-3">
        {isRecounted && 'The second counts of these gears no longer hold and are taken out. '}
        One step back (Ctrl Z) undoes all of it.
      </p>
    </>
  )
}
