import { useMemo } from 'react'

import { couplersAway, diffDrafts, findDisagreements, findMends, spin } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { formatPlaces } from '~/components/trace/movedPlaces.ts'
import { SpinFindings } from '~/components/trace/SpinFindings.tsx'
import { SpinSetupFields } from '~/components/trace/SpinSetupFields.tsx'
import { readSpin, spinRecords, tick } from '~/components/trace/spinState.ts'
import { SpinTicks } from '~/components/trace/SpinTicks.tsx'
import { useOpenTrace } from '~/components/trace/traceContext.ts'

export default function TraceSpin() {
  const { draft, words, edit } = useOpenBox()
  const { naming, positions, search, change, layers, pace, solver } = useOpenTrace()
  const { box } = solver
  const state = useMemo(() => readSpin(draft, positions, search), [draft, positions, search])
  const setup = state.setups[state.test]
  const result = useMemo(() => spin(box, setup), [box, setup])
  const { records, disagreements, mends } = useMemo(() => {
    const all = spinRecords(state)
    return {
      records: all,
      disagreements: findDisagreements(box, all),
      mends: findMends(box, all),
    }
  }, [box, state])
  const shown = useMemo(
    () => ({ engaged: couplersAway(draft.couplers, setup.places), motions: result.motions }),
    [draft, setup, result],
  )
  return (
    <div className="grid min-h-0 flex-1 lg:grid-cols-[minmax(0,1fr)_27rem]">
      <title>{`${draft.name} · Spin test · Udrix`}</title>
      <section aria-label="Spin test" className="flex min-h-0 flex-col gap-2 px-4 pt-2 pb-3">
        <SpinSetupFields naming={naming} state={state} result={result} onChange={change} />
        <div className="min-h-[16rem] flex-1">
          <SectionDrawing
            draft={draft}
            words={words}
            state={shown}
            layers={layers}
            pace={pace}
            title={`Section along the shafts of ${draft.name}, as the spin test moves it`}
          />
        </div>
        <p className="text-graphite text-[0.86rem]">
          Pale parts stand still as drawn; dashed ones are not driven and free to coast. By hand and
          slowly, fingers clear of open gears.
        </p>
      </section>
      <aside
        aria-label="What moved on the bench"
        className="border-rule bg-sheet flex min-h-0 flex-col gap-3 border-l-2 p-4 lg:overflow-auto"
      >
        <SpinFindings
          naming={naming}
          records={records}
          disagreements={disagreements}
          mends={mends}
          onMend={(mend) => {
            if (mend.kind === 'coupler')
              change({ at: formatPlaces(draft, { ...setup.places, [mend.coupler]: mend.place }) })
            else edit({ kind: 'change', changes: diffDrafts(draft, mend.draft) })
          }}
          onChange={change}
        />
        <SpinTicks
          naming={naming}
          result={result}
          seen={state.seen[state.test]}
          onTick={(part, what) => {
            change(tick(state, part, what))
          }}
        />
      </aside>
    </div>
  )
}
