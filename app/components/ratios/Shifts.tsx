import { useMemo } from 'react'

import type { FinalDrive, RatioRow } from 'core'

import { EntryField } from '~/components/Fields.tsx'
import { Table } from '~/components/Table.tsx'
import type { Settings } from '~/settings.ts'
import {
  LEAST_SHIFT_RPM,
  MOST_SHIFT_RPM,
  USUAL_SHIFT_RPM,
  forwardPositions,
  shiftsUp,
  travelOf,
} from '~/views/ratios/shiftPoints.ts'
import { formatRoadSpeed, formatSpeed } from '~/words/format.ts'

import { ShiftChart } from './ShiftChart.tsx'

interface ShiftsProps {
  readonly rows: readonly RatioRow[]
  readonly finalDrive: FinalDrive | null
  /** Undefined where the wheels are not known, or another output is looked at. */
  readonly rollingRadiusMm: number | undefined
  readonly engineRpm: number
  readonly settings: Settings
}

/** Where each next position is taken, and what the engine falls to. */
export function Shifts(props: ShiftsProps) {
  const { rows, finalDrive, rollingRadiusMm, engineRpm, settings } = props
  const { positions, travel, shifts } = useMemo(() => {
    const forward = forwardPositions(rows)
    const along = travelOf(finalDrive, rollingRadiusMm)
    return { positions: forward, travel: along, shifts: shiftsUp(forward, along, engineRpm) }
  }, [rows, finalDrive, rollingRadiusMm, engineRpm])
  if (positions.length === 0) return null
  return (
    <section aria-label="Shifts" className="flex min-w-0 flex-col gap-2">
      <ShiftChart
        positions={positions}
        shifts={shifts}
        travel={travel}
        engineRpm={engineRpm}
        roadSpeedUnit={settings.roadSpeedUnit}
        theme={settings.theme}
      />
      {shifts.length > 0 && (
        <div
          className="max-h-[16rem] overflow-auto"
          tabIndex={0}
          role="region"
          aria-label="Shifts up"
        >
          <Table
            caption={`Shifts up at ${formatSpeed(engineRpm)}`}
            rows={shifts}
            keyOf={({ to }) => to}
            columns={[
              { heading: 'Shift', isName: true, cell: ({ from, to }) => `${from} to ${to}` },
              {
                heading: 'at',
                isRight: true,
                cell: ({ at }) =>
                  travel.kind === 'road'
                    ? formatRoadSpeed(at, settings.roadSpeedUnit)
                    : `${formatSpeed(at)} out`,
              },
              {
                heading: 'Engine falls to',
                isRight: true,
                className: 'font-bold',
                cell: ({ toRpm }) => formatSpeed(toRpm),
              },
              {
                heading: 'by',
                isRight: true,
                cell: ({ toRpm }) => formatSpeed(engineRpm - toRpm),
              },
            ]}
          />
        </div>
      )}
    </section>
  )
}

interface ShiftSpeedFieldProps {
  readonly engineRpm: number
  readonly onChange: (text: string) => void
}

/** The engine speed at which the next position is taken. */
export function ShiftSpeedField({ engineRpm, onChange }: ShiftSpeedFieldProps) {
  return (
    <EntryField
      key={engineRpm}
      label="Shift up at"
      unit="rev/min"
      inputMode="numeric"
      value={`${engineRpm}`}
      onCommit={(text) => {
        const rpm = Number(text.trim())
        if (!Number.isInteger(rpm) || rpm < LEAST_SHIFT_RPM || rpm > MOST_SHIFT_RPM)
          return `A whole number from ${LEAST_SHIFT_RPM} to ${MOST_SHIFT_RPM}.`
        onChange(rpm === USUAL_SHIFT_RPM ? '' : `${rpm}`)
        return null
      }}
    />
  )
}
