import { useEffect, useMemo } from 'react'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { mostTorque } from '~/views/box/analysis.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import type { Side } from '~/views/trace/compare.ts'
import {
  compareCounts,
  comparePositions,
  compareRatiosOf,
  compareRows,
  formatCounts,
  parseCounts,
} from '~/views/trace/compare.ts'
import { CompareTable } from '~/components/trace/CompareTable.tsx'
import { TrialCounts } from '~/components/trace/TrialCounts.tsx'
import { keepTrial, readTrial } from '~/client/trialStore.ts'
import { SelectField } from '~/components/Fields.tsx'
import { ToggleRow } from '~/components/ToggleRow.tsx'
import { useOpenTrace } from '~/components/trace/traceContext.ts'

const COMPARISONS = [
  ['positions', 'Two positions'],
  ['counts', 'Other counts'],
] as const

/** Counts that are tried: in the address, and on this device until the trial is ended. */
function useTrial(isOfCounts: boolean) {
  const { id: boxId, draft } = useOpenBox()
  const { search, change } = useOpenTrace()
  const countsText = search.counts
  const counts = useMemo(() => parseCounts(draft, countsText), [draft, countsText])
  const setCounts = (next: ReadonlyMap<string, number>): void => {
    const text = formatCounts(next)
    keepTrial(boxId, text)
    change({ counts: text })
  }
  // A trial that was left comes back, unless the address brings one of its own.
  useEffect(() => {
    if (!isOfCounts || countsText !== null) return
    const left = readTrial(boxId)
    if (left !== '') change({ counts: left })
  }, [isOfCounts, countsText, boxId, change])
  return { counts, setCounts }
}

/** What is compared, one drawing beside the other, with ribbons to one scale. */
function BothSides({ sides }: { readonly sides: readonly [Side, Side] }) {
  const { words } = useOpenBox()
  const { fullTorque, input, layers, pace } = useOpenTrace()
  return (
    <div className="grid gap-4 md:grid-cols-2">
      {sides.map((side) => {
        const { analysis } = side.selected
        return (
          <section key={side.title} aria-label={side.title}>
            <h2 className="text-[1.1rem]">{side.title}</h2>
            <div className="h-[19rem]">
              <SectionDrawing
                draft={side.naming.box.draft}
                words={words}
                state={analysis}
                drive={analysis.state === 'drive' ? analysis : undefined}
                ribbonFullTorque={Math.max(
                  fullTorque,
                  ...sides.map((each) => mostTorque(each.selected.analysis)),
                )}
                input={input}
                layers={layers}
                pace={pace}
                title={`Section along the shafts, ${side.title}`}
              />
            </div>
          </section>
        )
      })}
    </div>
  )
}

export default function TraceCompare() {
  const { draft, words } = useOpenBox()
  const trace = useOpenTrace()
  const { naming, positions, search, change, selected, input } = trace
  const isOfCounts = search.compare === 'counts'
  const { counts, setCounts } = useTrial(isOfCounts)
  const other =
    positions.find(({ position }) => position.id === search.with) ??
    positions[(trace.at + 1) % positions.length] ??
    selected
  const sides = useMemo(
    () =>
      isOfCounts
        ? compareCounts(naming, words, selected, counts)
        : comparePositions(naming, selected, other),
    [isOfCounts, naming, words, selected, counts, other],
  )
  const options = positions.map(({ position }) => [position.id, position.label] as const)
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2 overflow-auto px-4 pt-2 pb-3" tabIndex={0}>
      <title>{`${draft.name} · Compare · Udrix`}</title>
      <div className="no-print flex flex-wrap items-end gap-3">
        <ToggleRow
          label="Compare"
          options={COMPARISONS}
          selected={isOfCounts ? 'counts' : 'positions'}
          onSelect={(compare) => {
            change({ compare: compare === 'counts' ? compare : '' })
          }}
        />
        <SelectField
          label="Position"
          value={selected.position.id}
          options={options}
          onChange={(position) => {
            change({ position, moved: '', waits: '' })
          }}
        />
        {!isOfCounts && (
          <SelectField
            label="beside"
            value={other.position.id}
            options={options}
            onChange={(position) => {
              change({ with: position })
            }}
          />
        )}
      </div>
      {isOfCounts && <TrialCounts naming={naming} counts={counts} onChange={setCounts} />}
      {sides ? (
        <>
          <BothSides sides={sides} />
          <CompareTable
            titles={[sides[0].title, sides[1].title]}
            rows={[...(isOfCounts ? compareRatiosOf(sides) : []), ...compareRows(sides, input)]}
          />
        </>
      ) : (
        <p className="text-trouble font-semibold">
          With these counts the box does not hang together. Take one of them out.
        </p>
      )}
    </div>
  )
}
