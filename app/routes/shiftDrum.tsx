import { useMemo } from 'react'

import type { Drum, DrumPoint } from 'core'
import { analyse, diffDrafts, placesOver, proveDrum, rational, settlesAt } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { EntryField, SelectField } from '~/components/Fields.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { DrumFigure } from '~/components/shift/DrumFigure.tsx'
import { DrumPoints } from '~/components/shift/DrumPoints.tsx'
import { ShiftProposal, saysWhatMoves } from '~/components/shift/ShiftProposal.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { useViewState } from '~/components/useViewState.ts'
import { Warning } from '~/components/Warning.tsx'
import { parseWithin } from '~/views/layout/numbers.ts'
import { stretchAt, withPoints } from '~/views/shift/drumView.ts'
import {
  drumFaults,
  falseNeutralWords,
  formatAngle,
  settleWords,
  stretchWords,
} from '~/words/drum.ts'
import { capitalize, couplerName } from '~/words/names.ts'
import { stopName } from '~/words/shift.ts'

/** The drum unrolled, what it does at every angle, and its grooves to change. */
export default function ShiftDrum() {
  const { words, edit } = useOpenBox()
  const { draft, naming, solver, issues } = useShift()
  const [search, change] = useViewState()
  const drum = draft.drums?.[0]
  const proof = useMemo(
    () => (solver && drum ? proveDrum(solver, drum) : undefined),
    [solver, drum],
  )
  const asked = Number(search.get('angle') ?? '')
  const angleDeg = Number.isFinite(asked) ? Math.min(Math.max(asked, 0), 359.9) : 0
  const keep = (next: Drum): void => {
    const changes = diffDrafts(draft, { ...draft, drums: [next] })
    if (changes.length > 0) edit({ kind: 'change', changes })
  }
  if (!solver || !drum || !proof)
    return (
      <main className="flex flex-col gap-3 p-4">
        <title>{`${draft.name} · Drum · Udrix`}</title>
        <h2 className="text-[1.35rem]">No drum</h2>
        {solver ? (
          saysWhatMoves(draft) ? (
            <p>Rods move the forks of this box. A drum is found in motorcycles and racing boxes.</p>
          ) : (
            <ShiftProposal draft={draft} />
          )
        ) : (
          <IssueList draft={draft} issues={issues} words={words} />
        )}
      </main>
    )
  const stretch = stretchAt(proof.stretches, angleDeg)
  const star = settlesAt(proof.stops, rational(Math.round(angleDeg * 10), 10))
  const state = stretch && analyse(solver, placesOver(draft.couplers, stretch))
  const groove = Math.max(
    0,
    drum.tracks.findIndex(({ coupler }) => coupler === search.get('groove')),
  )
  const track = drum.tracks[groove]
  const turnTo = (angle: number): void => {
    change({ angle: angle === 0 ? '' : `${angle}` })
  }
  const setPoints = (at: number, points: readonly DrumPoint[]): void => {
    keep(withPoints(drum, at, points))
  }
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_22rem]">
      <title>{`${draft.name} · Drum · Udrix`}</title>
      <section
        aria-label="Drum, unrolled"
        className="flex min-h-0 flex-col gap-2 px-4 pt-2 pb-3 lg:overflow-auto"
      >
        {drumFaults(naming, proof).map((sentence) => (
          <Warning key={sentence}>{sentence}</Warning>
        ))}
        <div className="min-h-[12rem] flex-1">
          <SectionDrawing
            draft={draft}
            words={words}
            state={state}
            drive={state?.state === 'drive' ? state : undefined}
            title={`Section along the shafts of ${draft.name} with the drum at ${formatAngle(angleDeg)}`}
          />
        </div>
        <DrumFigure
          naming={naming}
          drum={drum}
          proof={proof}
          angleDeg={angleDeg}
          title={`Drum of ${draft.name} unrolled: ${drum.tracks.length} grooves over one turn, with the state of the box under them`}
          onAngle={turnTo}
          onPoints={setPoints}
        />
        <label htmlFor="angle" className="sr-only">
          Angle of the drum
        </label>
        <input
          id="angle"
          type="range"
          className="accent-accent h-[44px] w-full"
          min={0}
          max={359.5}
          step={0.5}
          value={angleDeg}
          aria-valuetext={`${formatAngle(angleDeg)}: ${stretch ? stretchWords(naming, stretch) : ''}`}
          onChange={(event) => {
            turnTo(Number(event.target.value))
          }}
        />
      </section>
      <aside
        aria-label="What the drum does"
        className="border-rule bg-sheet flex min-h-0 flex-col gap-3 border-l-2 p-4 lg:overflow-auto"
      >
        <div role="status">
          <p className="text-[1.35rem] font-semibold tabular-nums">{formatAngle(angleDeg)}</p>
          {stretch && <p>{stretchWords(naming, stretch)}</p>}
          <p>{settleWords(naming, star)}</p>
        </div>
        <div role="group" aria-label="Stops of the star" className="flex flex-wrap gap-1">
          {proof.stops.map(({ stop }) => (
            <button
              key={stop.angleDeg}
              type="button"
              className="button min-w-[44px]"
              aria-pressed={Math.abs(stop.angleDeg - angleDeg) < 0.3}
              onClick={() => {
                turnTo(stop.angleDeg)
              }}
            >
              {stopName(naming, stop.position)}
            </button>
          ))}
        </div>
        <div>
          <h2 className="text-[1.15rem] font-semibold">False neutrals</h2>
          {proof.falseNeutrals.length === 0 ? (
            <p>None.</p>
          ) : (
            <ul className="list-disc pl-5">
              {proof.falseNeutrals.map((each) => (
                <li key={each.stretch.fromDeg.toString()}>{falseNeutralWords(each)}</li>
              ))}
            </ul>
          )}
        </div>
        {track && (
          <div className="flex flex-col gap-2">
            <SelectField
              label="Groove"
              value={track.coupler}
              options={drum.tracks.map(({ coupler }): readonly [string, string] => {
                const found = naming.box.couplers.get(coupler)
                return [coupler, found ? capitalize(couplerName(naming, found)) : coupler]
              })}
              onChange={(coupler) => {
                change({ groove: coupler })
              }}
            />
            <div className="grid grid-cols-2 gap-2">
              {(['touchesFromMm', 'carriesFromMm'] as const).map((key) => (
                <EntryField
                  key={`${track.coupler} ${key} ${track[key]}`}
                  label={key === 'touchesFromMm' ? 'Dogs touch from' : 'Deep enough from'}
                  unit="mm"
                  inputMode="decimal"
                  value={`${track[key]}`}
                  onCommit={(text) => {
                    const value = parseWithin(text, 0.1, 60, 'A depth in millimetres')
                    if (!value.ok) return value.sentence
                    const next = { ...track, [key]: value.value }
                    if (next.carriesFromMm < next.touchesFromMm)
                      return 'Dogs touch before they are deep enough to carry.'
                    keep({
                      ...drum,
                      tracks: drum.tracks.map((each) => (each === track ? next : each)),
                    })
                    return null
                  }}
                />
              ))}
            </div>
            <DrumPoints
              key={track.coupler}
              track={track}
              onPoints={(points) => {
                setPoints(groove, points)
              }}
            />
          </div>
        )}
      </aside>
    </main>
  )
}
