import clsx from 'clsx'
import { useMemo } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link } from 'react-router'

import type { BoxDraft, ChangeSchool, GearChange } from 'core'
import {
  CHANGE_SCHOOLS,
  analyse,
  diffDrafts,
  gearChange,
  isLocked,
  rational,
  rodsOf,
  selectorFaults,
  slotsOf,
  switchedOf,
  toNumber,
} from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { PrintButton } from '~/components/PrintButton.tsx'
import { EntryField, SelectField } from '~/components/Fields.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { GateFigure } from '~/components/shift/GateFigure.tsx'
import { MatchTable } from '~/components/shift/MatchTable.tsx'
import { EngagePanels } from '~/components/shift/EngagePanels.tsx'
import { PositionRow } from '~/components/shift/PositionRow.tsx'
import { ShiftProposal, saysWhatMoves } from '~/components/shift/ShiftProposal.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { useViewState } from '~/components/useViewState.ts'
import { Warning } from '~/components/Warning.tsx'
import type { Moment } from '~/views/shift/changeView.ts'
import { PARTS_OF_A_STEP, chosenPositions, momentOf, slipLeft } from '~/views/shift/changeView.ts'
import { parseWithin } from '~/views/layout/numbers.ts'
import { formatPercent, formatSpeed } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { countedName } from '~/words/names.ts'
import { listed } from '~/words/sentences.ts'
import {
  SCHOOL_NAMES,
  SWITCH_NAMES,
  changeStepWords,
  rodName,
  rodPlaceName,
  selectorFaultWords,
} from '~/words/shift.ts'

const USUAL_RPM = 3_000
const MOST_RPM = 30_000

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
  const typed = Number(search.get('speed') ?? '')
  const inputRpm = typed > 0 && typed <= MOST_RPM ? typed : USUAL_RPM
  const [from, to] = chosen ?? []
  const gear = useMemo(
    () => (solver && from && to ? gearChange(solver, from, to, school) : undefined),
    [solver, from, to, school],
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
  const rods = rodsOf(draft)
  const slots = slotsOf(rods)
  const faults = selectorFaults(draft)
  const state = analyse(solver, moment.places)
  const keep = (next: BoxDraft): void => {
    const changes = diffDrafts(draft, next)
    if (changes.length > 0) edit({ kind: 'change', changes })
  }
  const goTo = (step: number): void => {
    change({ at: step <= 0 ? '' : `${Math.min(step * PARTS_OF_A_STEP, last)}` })
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
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          {slots.length > 0 && (
            <div className="w-[13rem] max-w-full flex-none">
              <GateFigure
                naming={naming}
                slots={slots}
                lever={moment.lever}
                leverTo={moment.leverTo}
                part={moment.part}
                title="Gate"
              />
            </div>
          )}
          <div className="min-w-[16rem] flex-1">
            <SwitchedList naming={naming} rods={rods} moment={moment} />
            <label htmlFor="moment" className="font-semibold">
              {moment.done === 0 && moment.part === 0
                ? `In ${from.label}`
                : moment.done === gear.steps.length
                  ? `In ${to.label}`
                  : `Step ${Math.min(moment.done + 1, gear.steps.length)} of ${gear.steps.length}`}
            </label>
            <input
              id="moment"
              type="range"
              className="accent-accent h-[44px] w-full"
              min={0}
              max={last}
              value={at}
              aria-valuetext={
                moment.done >= gear.steps.length
                  ? `in ${to.label}`
                  : changeStepWords(naming, gear.steps[moment.done] ?? { kind: 'lift' }, inputRpm)
              }
              onChange={(event) => {
                change({ at: event.target.value === '0' ? '' : event.target.value })
              }}
            />
          </div>
        </div>
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
        <div className="grid grid-cols-[minmax(0,1fr)_8rem] gap-2">
          <SelectField
            label="How"
            value={school}
            options={CHANGE_SCHOOLS.map((each): readonly [ChangeSchool, string] => [
              each,
              SCHOOL_NAMES[each],
            ])}
            onChange={(value) => {
              change({ school: value === 'clutch' ? '' : value, at: '' })
            }}
          />
          <EntryField
            key={inputRpm}
            label="Engine"
            unit="rev/min"
            inputMode="decimal"
            value={`${inputRpm}`}
            onCommit={(text) => {
              const speed = parseWithin(text, 1, MOST_RPM, 'The speed')
              if (!speed.ok) return speed.sentence
              change({ speed: `${speed.value}` })
              return null
            }}
          />
        </div>
        <Outcome naming={naming} gear={gear} inputRpm={inputRpm} countHref={`/boxes/${id}/count`} />
        {isLocked(state) && (
          <Warning>Here the box is locked: nothing turns. Do not drive it like that.</Warning>
        )}
        <ol className="flex flex-col" aria-label="Steps">
          {gear.steps.map((step, index) => (
            <li key={index}>
              <button
                type="button"
                aria-current={index === moment.done ? 'step' : undefined}
                className={clsx(
                  'flex min-h-[40px] w-full items-baseline gap-2 border-l-4 px-2 py-1 text-left',
                  index === moment.done ? 'border-accent bg-accent-wash' : 'border-transparent',
                  index < moment.done && 'text-graphite',
                )}
                onClick={() => {
                  goTo(index + 1)
                }}
              >
                <b className="tabular-nums">{index + 1}</b>
                <span>{changeStepWords(naming, step, inputRpm)}</span>
              </button>
            </li>
          ))}
        </ol>
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

/** What the engine does, in one line. */
function Outcome({
  naming,
  gear,
  inputRpm,
  countHref,
}: {
  readonly naming: Naming
  readonly gear: GearChange
  readonly inputRpm: number
  readonly countHref: string
}) {
  const { from, to, inputSpeed, isWithoutGap, uncounted } = gear
  const [first] = uncounted
  if (first)
    return (
      <p className="text-[1.1rem]">
        To say how fast anything turns, count{' '}
        <Link to={`${countHref}?gear=${first.id}`} className="text-accent underline">
          {listed(uncounted.map((each) => `the ${countedName(naming, each)}`))}
        </Link>
        .
      </p>
    )
  if (from.id === to.id) return <p className="text-[1.1rem]">It stays in {from.label}.</p>
  if (!inputSpeed)
    return (
      <p className="text-[1.1rem]">
        From {from.label} to {to.label} no speed follows for the engine: one of the two does not
        drive.
      </p>
    )
  const after = toNumber(inputSpeed) * inputRpm
  const isBackwards = after < 0
  return (
    <div>
      <p className="text-[1.15rem]">
        The engine goes from {formatSpeed(inputRpm)} to{' '}
        <b className={isBackwards ? 'text-trouble' : undefined}>{formatSpeed(after)}</b>
        {!isBackwards && (
          <span className="text-graphite"> ({formatPercent(inputSpeed.sub(rational(1)))})</span>
        )}
        .
      </p>
      {isBackwards && (
        <Warning>
          {to.label} turns the wheels the other way: stop first. Going in while it rolls breaks
          teeth.
        </Warning>
      )}
      {isWithoutGap && <p>The torque is handed over from clutch to clutch, without a gap.</p>}
    </div>
  )
}

/** What the lever does not move, and where it stands. */
function SwitchedList({
  naming,
  rods,
  moment,
}: {
  readonly naming: Naming
  readonly rods: ReturnType<typeof rodsOf>
  readonly moment: Moment
}) {
  const switched = [...switchedOf(rods, moment.places)]
  if (switched.length === 0) return null
  return (
    <ul aria-label="Moved by something else" className="flex flex-wrap gap-x-4 text-[0.92rem]">
      {switched.map(([selector, place]) => (
        <li key={selector.id}>
          {rodName(naming, selector)}: <b>{place ? rodPlaceName(naming, { place }) : 'centre'}</b>{' '}
          <span className="text-graphite">
            ({selector.switched && SWITCH_NAMES[selector.switched]})
          </span>
        </li>
      ))}
    </ul>
  )
}
