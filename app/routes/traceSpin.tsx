import { useMemo } from 'react'

import { couplersAway, diagnoseSpin, spin } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { formatPlaces } from '~/views/trace/movedPlaces.ts'
import { SpinFindings } from '~/components/trace/SpinFindings.tsx'
import { SpinSetupFields } from '~/components/trace/SpinSetupFields.tsx'
import { readSpin, shownSetup, testOf } from '~/views/trace/spinState.ts'
import { SpinTicks } from '~/components/trace/SpinTicks.tsx'
import { useOpenTrace } from '~/components/trace/traceContext.ts'
import { useSpinTicks } from '~/components/trace/useSpinTicks.ts'
import { WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'

export default function TraceSpin() {
  const { draft, words } = useOpenBox()
  const become = useBecome()
  const { naming, positions, search, change, layers, pace, solver } = useOpenTrace()
  const { box } = solver
  const state = useMemo(() => readSpin(draft, positions, search), [draft, positions, search])
  const setup = state.setups[state.test]
  const result = useMemo(() => spin(box, setup), [box, setup])
  const ticking = useSpinTicks(state)
  const { records } = ticking
  const { input, output } = state.setups
  const diagnosis = useMemo(
    () => diagnoseSpin(box, records, [input, output]),
    [box, records, input, output],
  )
  const shown = useMemo(
    () => ({ engaged: couplersAway(draft.couplers, setup.places), motions: result.motions }),
    [draft, setup, result],
  )
  return (
    <WorkArea title={`${draft.name} · Spin test`} panel="wide" isWithin>
      <WorkMain label="Spin test">
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
      </WorkMain>
      <WorkPanel label="What moved on the bench">
        <SpinFindings
          naming={naming}
          ticking={ticking}
          diagnosis={diagnosis}
          testOf={(of) => testOf(draft, state, of)}
          onShow={(of) => {
            change(shownSetup(draft, positions, of))
          }}
          onMend={(mend) => {
            if (mend.kind === 'coupler') {
              ticking.move(mend.coupler, mend.place)
              change({ at: formatPlaces(draft, { ...setup.places, [mend.coupler]: mend.place }) })
            } else become(mend.draft)
          }}
        />
        <SpinTicks
          naming={naming}
          result={result}
          seen={ticking.seen}
          isDisabled={ticking.isClosed}
          onTick={ticking.tick}
        />
      </WorkPanel>
    </WorkArea>
  )
}
