import type { Address, ChangeAddress } from '~/views/addresses.ts'
import { useMemo } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'

import type { Analysis, BoxPosition, CouplerPlaces, Solver } from 'core'
import {
  analyse,
  fullPlaces,
  isLocked,
  missingParts,
  missingRefs,
  positionsAhead,
  rodsOf,
  selectorFaults,
} from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { PrintButton } from '~/components/PrintButton.tsx'
import { RibbonSwitch } from '~/components/section/ScaledSection.tsx'
import { ChangeCautions, MostOfEngine } from '~/components/shift/ChangeCautions.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { CondemnedRings } from '~/components/shift/CondemnedRings.tsx'
import { ChangeControls } from '~/components/shift/ChangeControls.tsx'
import { EngagePanels } from '~/components/shift/EngagePanels.tsx'
import { LeverForces } from '~/components/shift/LeverForces.tsx'
import { LinkedSection } from '~/components/shift/LinkedSection.tsx'
import { MatchTable } from '~/components/shift/MatchTable.tsx'
import { Outcome } from '~/components/shift/Outcome.tsx'
import { PlayControls } from '~/components/shift/PlayControls.tsx'
import { PositionRow } from '~/components/shift/PositionRow.tsx'
import { ShiftProposal, saysWhatMoves } from '~/components/shift/ShiftProposal.tsx'
import { StepList } from '~/components/shift/StepList.tsx'
import { TimeLine } from '~/components/shift/TimeLine.tsx'
import type { AskedChange, ChangeOfGear } from '~/components/shift/useChangeOfGear.ts'
import { useChangeOfGear } from '~/components/shift/useChangeOfGear.ts'
import type { OpenShift } from '~/components/shift/useShift.ts'
import { usePlayer } from '~/components/shift/usePlayer.ts'
import { useShift } from '~/components/shift/useShift.ts'
import { useAddress } from '~/components/useAddress.ts'
import { Warning } from '~/components/Warning.tsx'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { slipLeft } from '~/views/shift/changeView.ts'
import { rodShift, standingAt } from '~/views/shift/linkage.ts'
import type { Moment } from '~/views/shift/moment.ts'
import { PARTS_OF_A_STEP, isPedalDownAt, nearestMoment } from '~/views/shift/moment.ts'
import { inRows } from '~/views/shift/rodsView.ts'
import { selectorFaultWords } from '~/words/shift.ts'

/** Digits choose on the time line too, and nowhere else where something is typed. */
const DIGITS = {
  enableOnFormTags: ['input' as const],
  ignoreEventWhen: ({ target }: KeyboardEvent) =>
    target instanceof HTMLInputElement && target.type !== 'range',
}

/** A key that is the label of a position changes into it. */
function usePositionKeys(positions: readonly BoxPosition[], onKey: (id: string) => void): void {
  useHotkeys(
    '*',
    ({ key, ctrlKey, metaKey, altKey }) => {
      const position = positions.find(({ label }) => label.toLowerCase() === key.toLowerCase())
      if (position && !ctrlKey && !metaKey && !altKey) onKey(position.id)
    },
    DIGITS,
  )
}

interface AsideOfChangeProps {
  readonly asked: AskedChange
  readonly shown: ChangeOfGear
  /** What the box does at the moment looked at. */
  readonly state: Analysis
  readonly search: Address<'shift'>
  readonly change: ChangeAddress<'shift'>
}

/** How it is changed, what comes of it, its steps, and what has to match. */
function AsideOfChange({ asked, shown, state, search, change }: AsideOfChangeProps) {
  const { id } = useOpenBox()
  const { draft, naming, solver } = useShift()
  const { school, inputRpm } = asked
  const { from, gear, moment, last } = shown
  const isDriven =
    solver !== undefined &&
    analyse(solver, fullPlaces(draft.couplers, from.couplers)).state !== 'neutral'
  const outputRpm = isDriven ? null : asked.outputRpm
  return (
    <>
      <ChangeControls school={school} inputRpm={inputRpm} outputRpm={outputRpm} change={change} />
      <Outcome
        naming={naming}
        gear={gear}
        inputRpm={inputRpm}
        outputRpm={outputRpm}
        countHref={`/boxes/${id}/count`}
      />
      <CondemnedRings
        naming={naming}
        of={gear.steps.flatMap((step) =>
          step.kind === 'in' ? [{ coupler: step.move.coupler, place: step.move.to }] : [],
        )}
      />
      {solver && <ChangeCautions naming={naming} solver={solver} gear={gear} inputRpm={inputRpm} />}
      {isLocked(state) && (
        <Warning>Here the box is locked: nothing turns. Do not drive it like that.</Warning>
      )}
      <StepList
        naming={naming}
        steps={gear.steps}
        done={moment.done}
        inputRpm={inputRpm}
        onStep={(step) => {
          change({ at: step <= 0 ? '' : `${Math.min(step * PARTS_OF_A_STEP, last)}` })
        }}
      />
      <MatchTable
        naming={naming}
        matches={gear.matches}
        inputRpm={inputRpm}
        isPedalDown={isPedalDownAt(gear, moment)}
        leftOf={({ coupler }) => slipLeft(gear, moment, coupler.id)}
      />
      <LeverForces naming={naming} gear={gear} />
      <MostOfEngine naming={naming} />
      <EngagePanels
        naming={naming}
        gear={gear}
        inputRpm={inputRpm}
        search={search}
        change={change}
      />
    </>
  )
}

function SelectorFaults({ draft, naming }: Pick<OpenShift, 'draft' | 'naming'>) {
  return selectorFaults(draft).map((fault) => {
    const sentence = selectorFaultWords(naming, fault)
    return <Warning key={sentence}>{sentence}</Warning>
  })
}

/** Every position ahead in order, and back to the first. */
function upAndDown(solver: Solver): readonly string[] {
  const ahead = positionsAhead(solver).map(({ position }) => position.id)
  return [...ahead, ...ahead.slice(0, -1).reverse()]
}

/** What the box does with its couplers at these places; the same as long as they stay there. */
function useStateAt(solver: Solver | undefined, places: CouplerPlaces | undefined) {
  const key = JSON.stringify(places)
  return useMemo(
    () => (solver && places ? analyse(solver, places) : undefined),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- by what they say, not by what they are
    [solver, key],
  )
}

interface PictureProps {
  readonly open: OpenShift
  readonly shown: ChangeOfGear
  readonly state: Analysis
  readonly inputRpm: number
  readonly search: Address<'shift'>
  readonly change: ChangeAddress<'shift'>
  /** What plays it. */
  readonly children: React.ReactNode
}

/** The change as it moves: rods, forks and shafts, the levers, and where on its way it is. */
function Picture(props: PictureProps) {
  const { open, shown, state, inputRpm, search, change, children } = props
  const { words } = useOpenBox()
  const { draft, naming } = open
  const { from, to, gear, course, moment, at } = shown
  const rods = useMemo(() => inRows(rodsOf(draft)), [draft])
  const { job } = useOpenJob()
  // Of several that are alike nobody knows which is missing.
  const out = useMemo(
    () =>
      new Set(
        missingParts(naming.box, missingRefs(job)).flatMap(({ mayBe: [one, ...others] }) =>
          one && others.length === 0 ? [one.id] : [],
        ),
      ),
    [naming, job],
  )
  const goTo = (distance: (moment: Moment) => number): void => {
    const near = nearestMoment(course, at, distance)
    if (near !== at) change({ at: near === 0 ? '' : `${near}` })
  }
  return (
    <>
      <LinkedSection
        draft={draft}
        words={words}
        naming={naming}
        rods={rods}
        out={out}
        drums={draft.drums}
        drumDegs={moment.drumDegs}
        levers={moment.levers}
        state={state}
        onTheWay={moment.onTheWay}
        isLoaded={!moment.isUnloaded}
        scale={search.ribbon}
        title={`Section along the shafts of ${draft.name}, with what moves its couplers, between ${from.label} and ${to.label}`}
        onDragRod={(id, shift, standing) => {
          const rod = rods.find((each) => each.id === id)
          if (rod)
            goTo((then) =>
              Math.abs(rodShift(rod, { ...standing, ...standingAt(draft, then) }) - shift),
            )
        }}
        onTurnDrum={(drum, angleDeg) => {
          goTo(({ drumDegs }) => Math.abs((drumDegs.get(drum) ?? 0) - angleDeg))
        }}
      />
      <TimeLine
        naming={naming}
        rods={rods}
        gear={gear}
        moment={moment}
        at={at}
        inputRpm={inputRpm}
        onMove={(next) => {
          change({ at: next === 0 ? '' : `${next}` })
        }}
        onLever={goTo}
      >
        {children}
      </TimeLine>
    </>
  )
}

/** The change that is shown: what the address says, or what is played of it. */
function usePlayedChange(open: OpenShift) {
  const [search, change] = useAddress('shift')
  const player = usePlayer(change)
  const { played } = player
  const asked = useChangeOfGear(
    open,
    played ? { ...search, from: played.from, to: played.to, at: `${played.at}` } : search,
  )
  player.setLast(asked.shown?.last ?? 0)
  return { search, change, player, asked }
}

/** A change from one position to another, step by step, with what has to match. */
export default function Shift() {
  const open = useShift()
  const { draft, naming, positions, solver, issues } = open
  const { words } = useOpenBox()
  const { search, change, player, asked } = usePlayedChange(open)
  const { inputRpm, shown } = asked
  const state = useStateAt(solver, shown?.moment.places)
  usePositionKeys(positions, (to) => {
    player.stop()
    change({ from: shown?.to.id, to, at: '' })
  })
  // What is beside the picture follows it in fifths of a step.
  const fifths = shown && Math.floor((shown.at * 5) / PARTS_OF_A_STEP)
  const aside = useMemo(
    () =>
      shown && state ? (
        <AsideOfChange asked={asked} shown={shown} state={state} search={search} change={change} />
      ) : null,
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `asked` is new in every frame that is played
    [fifths, shown?.course, state, search, change, asked.school, inputRpm, asked.outputRpm],
  )
  const faults = useMemo(() => <SelectorFaults draft={draft} naming={naming} />, [draft, naming])
  if (!solver || !shown || !state)
    return (
      <NothingToShow title={`${draft.name} · Shift`}>
        <h2 className="text-xl">This box cannot change gear yet</h2>
        <IssueList draft={draft} issues={issues} words={words} />
      </NothingToShow>
    )
  const { from, to, at, last } = shown
  return (
    <WorkArea title={`${from.label} to ${to.label} · ${draft.name} · Shift`}>
      <WorkMain label="The change">
        <h2 className="hidden text-[1.3rem] print:block">{`${draft.name}, from ${from.label} to ${to.label}`}</h2>
        {!saysWhatMoves(draft) && <ShiftProposal draft={draft} />}
        {faults}
        <Picture
          open={open}
          shown={shown}
          state={state}
          inputRpm={inputRpm}
          search={search}
          change={(changes, when) => {
            player.stop()
            change(changes, when)
          }}
        >
          <PlayControls
            player={player}
            onPlay={() => {
              player.play({ from: from.id, to: to.id, at: at >= last ? 0 : at, then: [] })
            }}
            onRun={() => {
              const [first, second, ...then] = upAndDown(solver)
              if (first !== undefined && second !== undefined)
                player.play({ from: first, to: second, at: 0, then })
            }}
          >
            <RibbonSwitch scale={search.ribbon} change={change} />
          </PlayControls>
        </Picture>
        <ChosenEnds positions={positions} shown={shown} onChoose={change} onStop={player.stop} />
      </WorkMain>
      <WorkPanel label={`From ${from.label} to ${to.label}`}>
        {aside}
        <div className="no-print">
          <PrintButton />
        </div>
        <p className="text-graphite text-[0.9rem]">
          Speeds follow from the counts, with the wheels turning on as before. Rods and forks are
          drawn by the rows of the gate, not where they lie in their case. How a unit is to be
          shifted is in its maker’s manual.
        </p>
      </WorkPanel>
    </WorkArea>
  )
}

interface ChosenEndsProps {
  readonly positions: readonly BoxPosition[]
  readonly shown: Pick<ChangeOfGear, 'from' | 'to'>
  readonly onChoose: ChangeAddress<'shift'>
  readonly onStop: () => void
}

/** Keys for both ends of the change. */
function ChosenEnds({ positions, shown, onChoose, onStop }: ChosenEndsProps) {
  return (
    <div className="no-print flex flex-wrap gap-x-4 gap-y-1">
      {(
        [
          ['From', 'from'],
          ['To', 'to'],
        ] as const
      ).map(([title, end]) => (
        <PositionRow
          key={end}
          title={title}
          positions={positions}
          selected={shown[end].id}
          onSelect={(id) => {
            onStop()
            onChoose({ [end]: id, at: '' }, 'after-paint')
          }}
        />
      ))}
    </div>
  )
}
