import type { Address, ChangeAddress } from '~/views/addresses.ts'
import { useHotkeys } from 'react-hotkeys-hook'

import type { Analysis, BoxPosition } from 'core'
import { analyse, fullPlaces, isLocked, rodsOf, selectorFaults } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { PrintButton } from '~/components/PrintButton.tsx'
import { RibbonSwitch, ScaledSection } from '~/components/section/ScaledSection.tsx'
import { ChangeControls } from '~/components/shift/ChangeControls.tsx'
import { EngagePanels } from '~/components/shift/EngagePanels.tsx'
import { MatchTable } from '~/components/shift/MatchTable.tsx'
import { Outcome } from '~/components/shift/Outcome.tsx'
import { PositionRow } from '~/components/shift/PositionRow.tsx'
import { ShiftProposal, saysWhatMoves } from '~/components/shift/ShiftProposal.tsx'
import { StepList } from '~/components/shift/StepList.tsx'
import { TimeLine } from '~/components/shift/TimeLine.tsx'
import type { AskedChange, ChangeOfGear } from '~/components/shift/useChangeOfGear.ts'
import { useChangeOfGear } from '~/components/shift/useChangeOfGear.ts'
import type { OpenShift } from '~/components/shift/useShift.ts'
import { useShift } from '~/components/shift/useShift.ts'
import { useAddress } from '~/components/useAddress.ts'
import { Warning } from '~/components/Warning.tsx'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { PARTS_OF_A_STEP, slipLeft } from '~/views/shift/changeView.ts'
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
        leftOf={({ coupler }) => slipLeft(gear, moment, coupler.id)}
      />
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

/** A change from one position to another, step by step, with what has to match. */
export default function Shift() {
  const { words } = useOpenBox()
  const open = useShift()
  const { draft, naming, positions, solver, issues } = open
  const [search, change] = useAddress('shift')
  const asked = useChangeOfGear(open, search)
  const { inputRpm, shown } = asked
  usePositionKeys(positions, (to) => {
    change({ from: shown?.to.id, to, at: '' })
  })
  if (!solver || !shown)
    return (
      <NothingToShow title={`${draft.name} · Shift`}>
        <h2 className="text-xl">This box cannot change gear yet</h2>
        <IssueList draft={draft} issues={issues} words={words} />
      </NothingToShow>
    )
  const { from, to, gear, moment, at } = shown
  const rods = rodsOf(draft)
  const state = analyse(solver, moment.places)
  return (
    <WorkArea title={`${from.label} to ${to.label} · ${draft.name} · Shift`}>
      <WorkMain label="The change">
        <h2 className="hidden text-[1.3rem] print:block">{`${draft.name}, from ${from.label} to ${to.label}`}</h2>
        {!saysWhatMoves(draft) && <ShiftProposal draft={draft} />}
        <SelectorFaults draft={draft} naming={naming} />
        <ScaledSection
          draft={draft}
          words={words}
          state={state}
          onTheWay={moment.onTheWay}
          isLoaded={!moment.isUnloaded}
          scale={search.ribbon}
          title={`Section along the shafts of ${draft.name}, between ${from.label} and ${to.label}`}
        />
        <RibbonSwitch scale={search.ribbon} change={change} />
        <TimeLine
          naming={naming}
          rods={rods}
          gear={gear}
          moment={moment}
          at={at}
          inputRpm={inputRpm}
          onMove={(to) => {
            change({ at: to === 0 ? '' : `${to}` })
          }}
        />
        <div className="no-print flex flex-col gap-1">
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
                change({ [end]: id, at: '' }, 'after-paint')
              }}
            />
          ))}
        </div>
      </WorkMain>
      <WorkPanel label={`From ${from.label} to ${to.label}`}>
        <AsideOfChange asked={asked} shown={shown} state={state} search={search} change={change} />
        <div className="no-print">
          <PrintButton />
        </div>
        <p className="text-graphite text-[0.9rem]">
          Speeds follow from the counts, with the wheels turning on as before. How a unit is to be
          shifted is in its maker’s manual.
        </p>
      </WorkPanel>
    </WorkArea>
  )
}
