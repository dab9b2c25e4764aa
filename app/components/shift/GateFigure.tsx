/** The gate of one lever from above, as the driver sees it, with the lever where it stands. */
import type { Slot } from 'core'

import type { LeverAt } from '~/views/shift/changeView.ts'
import { END_WORDS, GUARD_NAMES, rodPlaceName } from '~/words/shift.ts'
import type { Naming } from '~/words/names.ts'

const ROW = 46
const REACH = 34
const MARGIN = 26
const NEUTRAL = 62
const HEIGHT = 2 * NEUTRAL

interface GateFigureProps {
  readonly naming: Naming
  readonly slots: readonly Slot[]
  readonly lever: LeverAt | null
  /** Where the lever is going, and how much of that way it has gone. */
  readonly leverTo?: LeverAt | null
  readonly part?: number | undefined
  readonly title: string
}

export function GateFigure(props: GateFigureProps) {
  const { naming, slots, lever, leverTo, part = 0, title } = props
  const rows = [...new Set(slots.map(({ row }) => row))].sort((one, other) => one - other)
  const xOf = (row: number): number => MARGIN + Math.max(0, rows.indexOf(row)) * ROW
  const yOf = (end: LeverAt['end']): number =>
    end === 'forward' ? NEUTRAL - REACH : end === 'back' ? NEUTRAL + REACH : NEUTRAL
  const width = 2 * MARGIN + Math.max(0, rows.length - 1) * ROW
  return (
    <svg
      className="gate"
      viewBox={`0 -12 ${width} ${HEIGHT + 24}`}
      role="img"
      aria-label={`${title}. ${slots
        .map(
          (slot) =>
            `${rodPlaceName(naming, slot)}: row ${slot.row}, ${END_WORDS[slot.end]}${slot.guard === null ? '' : `, ${GUARD_NAMES[slot.guard]}`}`,
        )
        .join('; ')}`}
    >
      <path
        className="gate-slot"
        d={[
          rows.length > 1 ? `M${xOf(rows[0] ?? 0)} ${NEUTRAL}H${xOf(rows.at(-1) ?? 0)}` : '',
          ...slots.map(({ row, end }) => `M${xOf(row)} ${NEUTRAL}V${yOf(end)}`),
        ].join('')}
      />
      {slots.map((slot) => {
        const [x, y] = [xOf(slot.row), yOf(slot.end)]
        const isForward = slot.end === 'forward'
        return (
          <g key={`${slot.row} ${slot.end} ${slot.selector.id}`}>
            <text className="gate-name" x={x} y={isForward ? y - 13 : y + 24}>
              {rodPlaceName(naming, slot)}
            </text>
            {slot.guard !== null && (
              <path
                className="gate-guard"
                d={`M${x - 9} ${(y + NEUTRAL) / 2}h18`}
                aria-hidden="true"
              />
            )}
          </g>
        )
      })}
      {lever && (
        <circle
          className="gate-lever"
          cx={xOf(lever.row) + part * (xOf(leverTo?.row ?? lever.row) - xOf(lever.row))}
          cy={yOf(lever.end) + part * (yOf((leverTo ?? lever).end) - yOf(lever.end))}
          r={9}
        />
      )}
    </svg>
  )
}
