/** Rods beside one another in their case, with the balls between them and the pins in them. */
import type { InterlockPart, MovedRod, Selector } from 'core'
import { USUAL_TRAVEL_MM } from 'core'

import { rodName } from '~/words/shift.ts'
import type { Naming } from '~/words/names.ts'

const WIDTH = 640
const ROD = 22
const GAP = 26
const MARGIN = 14
/** What a millimetre of travel is in the drawing. */
const PER_MM = 3.2
const NOTCH = WIDTH * 0.62
const BALL = GAP / 2 + 4

interface RodsFigureProps {
  readonly naming: Naming
  readonly rods: readonly Selector[]
  readonly parts: readonly InterlockPart[]
  /** Parts that are taken out. */
  readonly out: ReadonlySet<string>
  readonly moved: readonly MovedRod[]
  readonly title: string
}

interface PartBetweenProps {
  readonly part: InterlockPart
  readonly className: string
  readonly yOf: (rod: string) => number
  readonly shiftOf: (rod: string) => number
}

/** A ball or pin between rods, or a plate over them. */
function PartBetween({ part, className, yOf, shiftOf }: PartBetweenProps) {
  const ys = part.selectors.map((id) => yOf(id) + ROD / 2)
  const middle = ys.reduce((sum, y) => sum + y, 0) / Math.max(1, ys.length)
  if (part.kind === 'ball') {
    // A ball goes with the rod that stands still, into its notch.
    const [one = '', other = ''] = part.selectors
    const push = (shiftOf(one) === 0 ? 0 : 1) - (shiftOf(other) === 0 ? 0 : 1)
    const sign = yOf(other) > yOf(one) ? 1 : -1
    return <circle className={className} cx={NOTCH} cy={middle + push * sign * 4} r={BALL} />
  }
  if (part.kind === 'pin') {
    const x = NOTCH + shiftOf(part.selectors[0] ?? '') - 3
    return <path className={className} d={`M${x} ${middle - 5}h6v10h-6Z`} />
  }
  const [top, bottom] = [Math.min(...ys) - ROD, Math.max(...ys) + ROD]
  return <path className={className} d={`M${NOTCH + 60} ${top}h14V${bottom}h-14Z`} />
}

export function RodsFigure({ naming, rods, parts, out, moved, title }: RodsFigureProps) {
  const yOf = (rod: string): number => {
    const at = rods.findIndex(({ id }) => id === rod)
    return MARGIN + Math.max(0, at) * (ROD + GAP)
  }
  const shiftOf = (rod: string): number => {
    const place = moved.find(({ selector }) => selector.id === rod)?.place
    return place ? (place.travelMm ?? USUAL_TRAVEL_MM) * PER_MM : 0
  }
  const height = 2 * MARGIN + rods.length * ROD + (rods.length - 1) * GAP
  return (
    <svg
      className="rods flex-none"
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={title}
    >
      {rods.map((rod) => {
        const [x, y] = [shiftOf(rod.id), yOf(rod.id)]
        return (
          <g key={rod.id}>
            <path
              className="rod"
              d={`M${40 + x} ${y}H${NOTCH - 9 + x}l9 7l9 -7H${WIDTH - 60 + x}V${y + ROD}H${NOTCH + 9 + x}l-9 -7l-9 7H${40 + x}Z`}
            />
            <text className="rod-name" x={52 + x} y={y + ROD - 6}>
              {rodName(naming, rod)}
            </text>
          </g>
        )
      })}
      {parts.map((part) => (
        <PartBetween
          key={part.id}
          part={part}
          className={out.has(part.id) ? 'rod-part is-out' : 'rod-part'}
          yOf={yOf}
          shiftOf={shiftOf}
        />
      ))}
    </svg>
  )
}
