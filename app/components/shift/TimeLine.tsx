import type { GearChange, Selector } from 'core'
import { slotsOf, switchedOf } from 'core'

import type { Moment } from '~/views/shift/moment.ts'
import { PARTS_OF_A_STEP } from '~/views/shift/moment.ts'
import type { Naming } from '~/words/names.ts'
import { SWITCH_NAMES, changeStepWords, rodName, rodPlaceName } from '~/words/shift.ts'

import { Gates } from './Gates.tsx'

interface TimeLineProps {
  readonly naming: Naming
  readonly rods: readonly Selector[]
  readonly gear: GearChange
  readonly moment: Moment
  /** In parts of steps. */
  readonly at: number
  readonly inputRpm: number
  readonly onMove: (at: number) => void
  /** A lever is dragged: goes to the moment in which it is nearest to there. */
  readonly onLever: (distance: (moment: Moment) => number) => void
  /** What plays it. */
  readonly children: React.ReactNode
}

/** The levers in their gates, and the change along its steps, to be stopped anywhere. */
export function TimeLine(props: TimeLineProps) {
  const { naming, rods, gear, moment, at, inputRpm, onMove, onLever, children } = props
  const { steps, from, to } = gear
  const slots = slotsOf(rods)
  const step = steps[moment.done]
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <Gates naming={naming} slots={slots} moment={moment} onLever={onLever} />
      <div className="min-w-[16rem] flex-[3_1_16rem]">
        <SwitchedList naming={naming} rods={rods} moment={moment} />
        <label htmlFor="moment" className="font-semibold">
          {at === 0
            ? `In ${from.label}`
            : step === undefined
              ? `In ${to.label}`
              : `${moment.done + 1} of ${steps.length}: ${changeStepWords(naming, step, inputRpm)}`}
        </label>
        <input
          id="moment"
          type="range"
          className="accent-accent h-[44px] w-full"
          min={0}
          max={steps.length * PARTS_OF_A_STEP}
          value={Math.round(at)}
          aria-valuetext={step ? changeStepWords(naming, step, inputRpm) : `in ${to.label}`}
          onChange={(event) => {
            onMove(Number(event.target.value))
          }}
        />
        {children}
      </div>
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
  readonly rods: readonly Selector[]
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
