import { useMemo } from 'react'

import type { Drum, DrumProof, DrumStretch, Selector } from 'core'
import { analyse, drumWays, heldAt, placesOver, proveDrum, rational, settlesAt } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useBecome } from '~/components/box/useBecome.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { RibbonSwitch } from '~/components/section/ScaledSection.tsx'
import { Zoomable } from '~/components/section/Zoomable.tsx'
import { LinkedSection } from '~/components/shift/LinkedSection.tsx'
import { DrumFigure } from '~/components/shift/DrumFigure.tsx'
import {
  FalseNeutrals,
  GrooveFields,
  StarFields,
  StarKeys,
} from '~/components/shift/DrumPanels.tsx'
import { DivideDrum, DrumDrive } from '~/components/shift/DrumDrive.tsx'
import { MakeDrum } from '~/components/shift/MakeDrum.tsx'
import { ShiftProposal, saysWhatMoves } from '~/components/shift/ShiftProposal.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { ToggleRow } from '~/components/ToggleRow.tsx'
import { useAddress } from '~/components/useAddress.ts'
import { Warning } from '~/components/Warning.tsx'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { stretchAt, withPoints } from '~/views/shift/drumView.ts'
import { drumFaults, formatAngle, settleWords, stretchWords } from '~/words/drum.ts'

const NO_RODS: readonly Selector[] = []
const NO_DRUMS: readonly Drum[] = []

/** Why there is no drum to show. */
function NoDrum() {
  const { words } = useOpenBox()
  const { draft, solver, issues } = useShift()
  return (
    <NothingToShow title={`${draft.name} · Drum`}>
      <h2 className="text-[1.35rem]">No drum</h2>
      {!solver ? (
        <IssueList draft={draft} issues={issues} words={words} />
      ) : saysWhatMoves(draft) ? (
        <>
          <p>Rods move the forks of this box. A drum is found in motorcycles and racing boxes.</p>
          <MakeDrum draft={draft} />
        </>
      ) : (
        <ShiftProposal draft={draft} />
      )}
    </NothingToShow>
  )
}

interface DrumPanelsProps {
  readonly drum: Drum
  readonly proof: DrumProof
  readonly angleDeg: number
  readonly stretch: DrumStretch | undefined
  readonly onAngle: (angleDeg: number) => void
  readonly onDrum: (drum: Drum) => void
  /** All of them, where one is divided or two are joined. */
  readonly onDrums: (drums: readonly Drum[]) => void
}

/** What the drum does at its angle, where its star settles, and a groove to change. */
function DrumPanels(props: DrumPanelsProps) {
  const { drum, proof, angleDeg, stretch, onAngle, onDrum, onDrums } = props
  const { draft, naming } = useShift()
  const [search, change] = useAddress('drum')
  const star = settlesAt(proof.stops, rational(Math.round(angleDeg * 10), 10))
  const groove = Math.max(
    0,
    drum.tracks.findIndex(({ coupler }) => coupler === search.groove),
  )
  return (
    <>
      <div role="status">
        <p className="text-[1.35rem] font-semibold tabular-nums">{formatAngle(angleDeg)}</p>
        {stretch && <p>{stretchWords(naming, stretch)}</p>}
        <p>{settleWords(naming, star, heldAt(proof.rests, angleDeg), angleDeg)}</p>
      </div>
      <StarKeys naming={naming} stops={proof.stops} angleDeg={angleDeg} onAngle={onAngle} />
      <DrumDrive naming={naming} drum={drum} onChange={onDrum} />
      <FalseNeutrals found={proof.falseNeutrals} />
      <StarFields naming={naming} drum={drum} angleDeg={angleDeg} onChange={onDrum} />
      <GrooveFields
        naming={naming}
        drum={drum}
        groove={groove}
        onGroove={(coupler) => {
          change({ groove: coupler })
        }}
        onChange={onDrum}
      />
      <DivideDrum draft={draft} drum={drum} groove={groove} onDrums={onDrums} />
    </>
  )
}

type UnrolledProps = Omit<DrumPanelsProps, 'onDrums'>

/** The drum unrolled, and its turn to be set. */
function Unrolled({ drum, proof, angleDeg, stretch, onAngle, onDrum }: UnrolledProps) {
  const { draft, naming } = useShift()
  return (
    <>
      <div className="flex-none">
        <Zoomable>
          {/* Clear of the key that enlarges it. */}
          <div className="pr-11">
            <DrumFigure
              naming={naming}
              drum={drum}
              proof={proof}
              angleDeg={angleDeg}
              title={`Drum of ${draft.name} unrolled: ${drum.tracks.length} grooves over one turn, with the state of the box under them`}
              onAngle={onAngle}
              onPoints={(at, points) => {
                onDrum(withPoints(drum, at, points))
              }}
            />
          </div>
        </Zoomable>
      </div>
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
          onAngle(Number(event.target.value))
        }}
      />
    </>
  )
}

/** The drum unrolled, what it does at every angle, and its grooves to change. */
export default function ShiftDrum() {
  const { words } = useOpenBox()
  const { draft, naming, solver } = useShift()
  const [search, change] = useAddress('drum')
  const drums = draft.drums ?? NO_DRUMS
  const drum = drums.find(({ id }) => id === search.drum) ?? drums[0]
  const proof = useMemo(
    () => (solver && drum ? proveDrum(solver, drum) : undefined),
    [solver, drum],
  )
  const asked = Number(search.angle ?? '')
  const angleDeg = Number.isFinite(asked) ? Math.min(Math.max(asked, 0), 359.9) : 0
  const become = useBecome()
  const keep = (next: Drum): void => {
    become({ ...draft, drums: drums.map((each) => (each === drum ? next : each)) })
  }
  if (!solver || !drum || !proof) return <NoDrum />
  const stretch = stretchAt(proof.stretches, angleDeg)
  const state = stretch && analyse(solver, placesOver(draft.couplers, stretch))
  const turnTo = (angle: number): void => {
    change({ angle: angle === 0 ? '' : `${angle}` })
  }
  return (
    <WorkArea title={`${draft.name} · Drum`} panel="slim">
      <WorkMain label="Drum, unrolled">
        {drums.length > 1 && (
          <ToggleRow
            label="Drum"
            options={drums.map(({ id }, at) => [id, `Drum ${at + 1}`] as const)}
            selected={drum.id}
            onSelect={(id) => {
              change({ drum: id, angle: '', groove: '' })
            }}
          />
        )}
        {drumFaults(naming, proof).map((sentence) => (
          <Warning key={sentence}>{sentence}</Warning>
        ))}
        <LinkedSection
          draft={draft}
          words={words}
          naming={naming}
          rods={NO_RODS}
          drums={[drum]}
          drumDegs={new Map([[drum.id, angleDeg]])}
          onTheWay={drumWays(draft.couplers, drum, angleDeg)}
          onTurnDrum={(_, angle) => {
            turnTo((Math.round((((angle % 360) + 360) % 360) * 2) / 2) % 360)
          }}
          state={state}
          scale={search.ribbon}
          title={`Section along the shafts of ${draft.name} with the drum at ${formatAngle(angleDeg)}`}
        />
        <RibbonSwitch scale={search.ribbon} change={change} />
        <Unrolled
          drum={drum}
          proof={proof}
          angleDeg={angleDeg}
          stretch={stretch}
          onAngle={turnTo}
          onDrum={keep}
        />
      </WorkMain>
      <WorkPanel label="What the drum does">
        <DrumPanels
          drum={drum}
          proof={proof}
          angleDeg={angleDeg}
          stretch={stretch}
          onAngle={turnTo}
          onDrum={keep}
          onDrums={(next) => {
            become({ ...draft, drums: next })
          }}
        />
      </WorkPanel>
    </WorkArea>
  )
}
