/** The gate of one lever from above, as the driver sees it, with the lever where it stands. */
import type { Slot } from 'core'

import { useDrag } from '~/components/section/useDrag.ts'
import type { LeverAt, LeverWay } from '~/views/shift/moment.ts'
import { END_WORDS, GUARD_NAMES, rodPlaceName } from '~/words/shift.ts'
import type { Naming } from '~/words/names.ts'

const ROW = 46
const REACH = 34
const MARGIN = 26
const NEUTRAL = 62
const HEIGHT = 2 * NEUTRAL

const along = (from: number, to: number, part: number): number => from + (to - from) * part

interface GateFigureProps {
  readonly naming: Naming
  readonly slots: readonly Slot[]
  /** Where the lever is; it is not drawn where nobody says. */
  readonly lever: LeverWay | null
  readonly title: string
  /** The lever is dragged; what is given tells how far one is from there. */
  readonly onDrag?: ((distance: (lever: LeverWay | undefined) => number) => void) | undefined
}

export function GateFigure(props: GateFigureProps) {
  const { naming, slots, lever, title, onDrag } = props
  const rows = [...new Set(slots.map(({ row }) => row))].sort((one, other) => one - other)
  const xOf = (row: number): number => MARGIN + Math.max(0, rows.indexOf(row)) * ROW
  const yOf = (end: LeverAt['end']): number =>
    end === 'forward' ? NEUTRAL - REACH : end === 'back' ? NEUTRAL + REACH : NEUTRAL
  const leverAt = ({ from, to, part }: LeverWay) => ({
    x: along(xOf(from.row), xOf(to.row), part),
    y: along(yOf(from.end), yOf(to.end), part),
  })
  const drag = useDrag(
    () => null,
    onDrag &&
      ((_gone, _start, hand) => {
        onDrag((each) => {
          const at = each && leverAt(each)
          return at ? Math.hypot(at.x - hand.x, at.y - hand.y) : Infinity
        })
      }),
  )
  const at = lever && leverAt(lever)
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
      {at && (
        <g {...drag}>
          <circle className="gate-knob" cx={at.x} cy={at.y} r={24} />
          <circle className="gate-lever" cx={at.x} cy={at.y} r={9} />
        </g>
      )}
    </svg>
  )
}
