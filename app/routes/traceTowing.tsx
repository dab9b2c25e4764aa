import { useMemo } from 'react'

import { couplersAway, onTheRoad, spin } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { ToggleRow } from '~/components/ToggleRow.tsx'
import { useAddress } from '~/components/useAddress.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { neutralPlaces } from '~/views/trace/spinState.ts'
import type { Towing } from '~/views/trace/towing.ts'
import { towingOf } from '~/views/trace/towing.ts'
import { useOpenTrace } from '~/components/trace/traceContext.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize, partName } from '~/words/names.ts'
import { listed } from '~/words/sentences.ts'
import { Warning } from '~/components/Warning.tsx'
import { WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'

/** What turns while the unit is towed, what does not, and what runs with little oil. */
function TowedParts({ naming, towing }: { readonly naming: Naming; readonly towing: Towing }) {
  const lists = [
    ['Turns', 'with the wheels.', towing.turning],
    ['Is not driven', 'so it stands, or drifts, and throws no oil.', towing.standing],
    [
      'Runs on its shaft',
      'one turns in the other with only the oil that happens to be there.',
      towing.running,
    ],
  ] as const
  return lists.map(([title, rest, parts]) => (
    <section key={title}>
      <h3 className="text-[1.05rem]">
        {title} <span className="text-graphite font-normal">{rest}</span>
      </h3>
      {parts.length === 0 ? (
        <p>Nothing.</p>
      ) : (
        <ul className="list-disc pl-5">
          {parts.map((part) => (
            <li key={part}>{capitalize(partName(naming, part))}</li>
          ))}
        </ul>
      )}
    </section>
  ))
}

export default function TraceTowing() {
  const { draft, words } = useOpenBox()
  const { naming, positions, layers, pace, solver } = useOpenTrace()
  const [search, change] = useAddress('trace')
  const { outputs } = draft
  // One wheel off the ground turns by itself; with all of them on it they turn together.
  const alone = outputs.length > 1 ? outputs.find((id) => id === search.on) : undefined
  const { state, towing } = useMemo(() => {
    const places = neutralPlaces(draft, positions)
    const result = spin(
      solver.box,
      alone === undefined
        ? onTheRoad(solver, positions, places)
        : { places, held: [], turned: alone },
    )
    return {
      state: { engaged: couplersAway(draft.couplers, places), motions: result.motions },
      towing: towingOf(solver.box, result),
    }
  }, [draft, positions, solver, alone])
  const turned = (alone === undefined ? outputs : [alone]).map(
    (id) => `the ${bodyName(naming, id)}`,
  )
  return (
    <WorkArea title={`${draft.name} · Towing and oil`} panel="wide" isWithin>
      <WorkMain label="Towing">
        {outputs.length > 1 && (
          <ToggleRow
            label="Wheels on the road"
            options={[
              ['', 'All wheels on the road'],
              ...outputs.map((id) => [id, `${capitalize(bodyName(naming, id))} alone`] as const),
            ]}
            selected={alone ?? ''}
            onSelect={(on) => {
              change({ on })
            }}
          />
        )}
        <h2 className="text-[1.2rem]">In neutral, the wheels turn {listed(turned)}</h2>
        <div className="min-h-[16rem] flex-1">
          <SectionDrawing
            draft={draft}
            words={words}
            state={state}
            layers={layers}
            pace={pace}
            title={`Section along the shafts of ${draft.name}, towed in neutral`}
          />
        </div>
        <p className="text-graphite text-[0.86rem]">
          Dashed, paler parts are not driven while the wheels turn the output.
        </p>
      </WorkMain>
      <WorkPanel label="What turns and what is oiled" isForReading>
        <Warning>
          Oil is mostly thrown by gears that dip into it. Where those stand while the output turns,
          gears and bearings run dry and can seize: do not tow with the driven wheels on the road
          unless the maker’s manual says so; lift them, or take the propeller shaft or the axle
          shafts out.
        </Warning>
        <TowedParts naming={naming} towing={towing} />
        <p className="text-graphite text-[0.86rem]">
          Where the oil stands, and which gears reach into it, is the maker’s to say. With a{' '}
          {words.couplers.synchronizer} engaged the wheels turn the input too: that is not towing
          but driving.
        </p>
      </WorkPanel>
    </WorkArea>
  )
}
