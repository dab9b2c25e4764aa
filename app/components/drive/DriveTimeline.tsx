import type { Address, ChangeAddress } from '~/views/addresses.ts'
import { memo, useMemo } from 'react'

import type { DriveResult, Solver } from 'core'
import { analyse } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { RibbonSwitch, ScaledSection } from '~/components/section/ScaledSection.tsx'
import { flowAt, mostInputNm, placesOf, sampleAt } from '~/views/drive/driveView.ts'
import { formatSeconds, momentWords } from '~/words/drive.ts'

import { DriveChart } from './DriveChart.tsx'

/** Shown before and after a change that was picked. */
const AROUND_S = 0.7

interface DriveTimelineProps {
  readonly solver: Solver
  readonly result: DriveResult
  readonly endS: number
  readonly search: Address<'drive'>
  readonly change: ChangeAddress<'drive'>
}

interface MomentSliderProps {
  /** What is told of the moment. */
  readonly moment: string
  readonly fromS: number
  readonly toS: number
  readonly atS: number
  /** Whether a part of the drive is shown only. */
  readonly isPart: boolean
  readonly scale: string | null
  readonly change: DriveTimelineProps['change']
}

function MomentSlider(props: MomentSliderProps) {
  const { moment, fromS, toS, atS, isPart, scale, change } = props
  return (
    <>
      <div className="no-print flex flex-wrap items-center gap-x-3">
        <label htmlFor="drive-moment" className="mr-auto font-semibold">
          {moment}
        </label>
        <RibbonSwitch scale={scale} change={change} />
        {isPart && (
          <button
            type="button"
            className="button"
            onClick={() => {
              change({ change: '' })
            }}
          >
            Whole drive
          </button>
        )}
      </div>
      <input
        id="drive-moment"
        type="range"
        className="accent-accent no-print h-[44px] w-full flex-none"
        min={fromS}
        max={toS}
        step={0.02}
        value={atS}
        aria-valuetext={moment}
        onChange={(event) => {
          change({ at: event.target.value })
        }}
      />
    </>
  )
}

/** The charts of a drive with a moment that can be moved, and the box as it stands then. */
export const DriveTimeline = memo(function DriveTimeline(props: DriveTimelineProps) {
  const { solver, result, endS, search, change } = props
  const { draft, words, settings } = useOpenBox()
  const picked = result.changes[Number(search.change ?? '') - 1]
  const [fromS, toS] = picked
    ? [Math.max(picked.startS - AROUND_S, 0), Math.min(picked.endS + AROUND_S, endS)]
    : [0, endS]
  const atS = Math.min(Math.max(Number(search.at ?? '') || 0, fromS), toS)
  const sample = sampleAt(result, atS)
  const mostNm = useMemo(() => mostInputNm(result), [result])
  const flow = sample && flowAt(sample, mostNm)
  const isOverrun = flow?.isOverrun === true
  const state = useMemo(
    () => sample && analyse(solver, placesOf(solver, result.labels, sample), { isOverrun }),
    [solver, result, sample, isOverrun],
  )
  const moment = sample ? momentWords(result, sample, settings.roadSpeedUnit) : ''
  return (
    <>
      <div className="h-[17rem] min-h-[17rem] flex-[2]">
        <DriveChart
          result={result}
          fromS={fromS}
          toS={toS}
          atS={atS}
          roadSpeedUnit={settings.roadSpeedUnit}
          torqueUnit={settings.torqueUnit}
          theme={settings.theme}
          onPick={(timeS) => {
            change({ at: timeS.toFixed(2) })
          }}
        />
      </div>
      <MomentSlider
        moment={moment}
        fromS={fromS}
        toS={toS}
        atS={atS}
        isPart={picked !== undefined}
        scale={search.ribbon}
        change={change}
      />
      <ScaledSection
        draft={draft}
        words={words}
        state={state}
        isLoaded={flow !== undefined}
        part={flow?.part}
        scale={search.ribbon}
        input={
          flow
            ? {
                torqueNm: flow.part * mostNm,
                speedRpm: sample.engineRpm,
                torqueUnit: settings.torqueUnit,
              }
            : undefined
        }
        title={`Section along the shafts of ${draft.name} after ${formatSeconds(sample?.timeS ?? 0)}`}
      />
    </>
  )
})
