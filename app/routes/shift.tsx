import { useMemo } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'

import type { BoxDraft } from 'core'
import {
  CHANGE_SCHOOLS,
  analyse,
  diffDrafts,
  fullPlaces,
  gearChange,
  isLocked,
  rodsOf,
  selectorFaults,
} from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { PrintButton } from '~/components/PrintButton.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { ChangeControls } from '~/components/shift/ChangeControls.tsx'
import { EngagePanels } from '~/components/shift/EngagePanels.tsx'
import { MatchTable } from '~/components/shift/MatchTable.tsx'
import { Outcome } from '~/components/shift/Outcome.tsx'
import { PositionRow } from '~/components/shift/PositionRow.tsx'
import { ShiftProposal, saysWhatMoves } from '~/components/shift/ShiftProposal.tsx'
import { StepList } from '~/components/shift/StepList.tsx'
import { TimeLine } from '~/components/shift/TimeLine.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { useViewState } from '~/components/useViewState.ts'
import { Warning } from '~/components/Warning.tsx'
import { PARTS_OF_A_STEP, chosenPositions, momentOf, slipLeft } from '~/views/shift/changeView.ts'
import { spentRings } from '~/views/shift/contactView.ts'
import { MOST_RPM, figureWithin, rollingSpeed } from '~/views/shift/shiftInput.ts'
import { selectorFaultWords } from '~/words/shift.ts'

const USUAL_RPM = 3_000

/** Digits choose on the time line too, and nowhere else where something is typed. */
const DIGITS = {
  enableOnFormTags: ['input' as const],
  ignoreEventWhen: ({ target }: KeyboardEvent) =>
    target instanceof HTMLInputElement && target.type !== 'range',
}

/** A change from one position to another, step by step, with what has to match. */
export default function Shift() {
  const { id, draft, words, edit } = useOpenBox()
  const { naming, positions, solver, issues } = useShift()
  const [search, change] = useViewState()
  const chosen = chosenPositions(positions, search.get('from'), search.get('to'))
  const school = CHANGE_SCHOOLS.find((each) => each === search.get('school')) ?? 'clutch'
  const inputRpm = figureWithin(search.get('speed'), USUAL_RPM, [1, MOST_RPM])
  const [from, to] = chosen ?? []
  const outputRpm = figureWithin(search.get('rolls'), 0, [0, MOST_RPM])
  const { job } = useOpenJob()
  const gear = useMemo(
    () =>
      solver && from && to
        ? gearChange(solver, from, to, school, {
            outputSpeed: rollingSpeed(solver, outputRpm, inputRpm),
            spentRings: spentRings(job, draft),
          })
        : undefined,
    [solver, from, to, school, outputRpm, inputRpm, job, draft],
  )
  const last = (gear?.steps.length ?? 0) * PARTS_OF_A_STEP
  const asked = Number(search.get('at') ?? '')
  const at = Number.isFinite(asked) ? Math.min(Math.max(asked, 0), last) : 0
  const moment = useMemo(() => gear && momentOf(draft, gear, at), [draft, gear, at])
  useHotkeys(
    '*',
    ({ key, ctrlKey, metaKey, altKey }) => {
      const position = positions.find(({ label }) => label.toLowerCase() === key.toLowerCase())
      if (position && !ctrlKey && !metaKey && !altKey)
        change({ from: to?.id, to: position.id, at: '' })
    },
    DIGITS,
  )
  if (!solver || !from || !to || !gear || !moment)
    return (
      <main className="p-6">
        <title>{`${draft.name} · Shift · Udrix`}</title>
        <h2 className="mb-3 text-xl">This box cannot change gear yet</h2>
        <IssueList draft={draft} issues={issues} words={words} />
      </main>
    )
  const isDriven = analyse(solver, fullPlaces(draft.couplers, from.couplers)).state !== 'neutral'
  const rods = rodsOf(draft)
  const faults = selectorFaults(draft)
  const state = analyse(solver, moment.places)
  const keep = (next: BoxDraft): void => {
    const changes = diffDrafts(draft, next)
    if (changes.length > 0) edit({ kind: 'change', changes })
  }
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1fr)_22rem] xl:grid-cols-[minmax(0,1fr)_27rem]">
      <title>{`${from.label} to ${to.label} · ${draft.name} · Shift · Udrix`}</title>
      <section
        aria-label="The change"
        className="flex min-h-0 flex-col gap-2 px-4 pt-2 pb-3 lg:overflow-auto"
      >
        <h2 className="hidden text-[1.3rem] print:block">{`${draft.name}, from ${from.label} to ${to.label}`}</h2>
        {!saysWhatMoves(draft) && <ShiftProposal draft={draft} />}
        {faults.map((fault) => {
          const sentence = selectorFaultWords(naming, fault)
          return <Warning key={sentence}>{sentence}</Warning>
        })}
        <div className="min-h-[15rem] flex-1">
          <SectionDrawing
            draft={draft}
            words={words}
            state={state}
            onTheWay={moment.onTheWay}
            drive={state.state === 'drive' && !moment.isUnloaded ? state : undefined}
            title={`Section along the shafts of ${draft.name}, between ${from.label} and ${to.label}`}
          />
        </div>
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
          <PositionRow
            title="From"
            positions={positions}
            selected={from.id}
            onSelect={(id) => {
              change({ from: id, at: '' })
            }}
          />
          <PositionRow
            title="To"
            positions={positions}
            selected={to.id}
            onSelect={(id) => {
              change({ to: id, at: '' })
            }}
          />
        </div>
      </section>
      <aside
        aria-label={`From ${from.label} to ${to.label}`}
        className="border-rule bg-sheet flex min-h-0 flex-col gap-3 border-l-2 p-4 lg:overflow-auto"
      >
        <ChangeControls
          school={school}
          inputRpm={inputRpm}
          outputRpm={isDriven ? null : outputRpm}
          change={change}
        />
        <Outcome
          naming={naming}
          gear={gear}
          inputRpm={inputRpm}
          outputRpm={isDriven ? null : outputRpm}
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
          keep={keep}
        />
        <div className="no-print">
          <PrintButton />
        </div>
        <p className="text-graphite text-[0.9rem]">
          Speeds follow from the counts, with the wheels turning on as before. How a unit is to be
          shifted is in its maker’s manual.
        </p>
      </aside>
    </main>
  )
}
