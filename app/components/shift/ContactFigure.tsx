/** A coupler large, half way in: a ring with its cone in section, or dogs unrolled. */
import clsx from 'clsx'

import type { Approach, Contact, DogFigures } from 'core'
import { GEAR_TEETH_FROM, RING_TEETH_FROM, dogDepthMm } from 'core'

import type { LengthUnit } from '~/words/format.ts'
import { formatLength } from '~/words/format.ts'

interface ContactFigureProps {
  readonly approach: Approach
  readonly contact: Contact
  readonly dogs: DogFigures
  readonly title: string
  readonly lengthUnit: LengthUnit
  readonly names: { readonly hub: string; readonly coupler: string; readonly ring: string }
}

/** Of the drawing, for 1 mm. */
const SCALE = 14
const WIDTH = 640
const HEIGHT = 330

export function ContactFigure(props: ContactFigureProps) {
  const { approach, contact, title } = props
  return (
    <svg
      className="contact h-full w-full"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={title}
    >
      {approach.hasRing ? <RingSection {...props} /> : <DogsUnrolled {...props} />}
      {(contact === 'grinding' || contact === 'unbraked') && (
        <text className="contact-trouble" x={WIDTH - 16} y={24}>
          {contact === 'grinding' ? 'grinds' : 'not braked'}
        </text>
      )}
    </svg>
  )
}

/** x of the coupler’s tip at rest and of the gear’s teeth, and how long teeth are. */
const REST_AT = 232
const GEAR_AT = 372
const TOOTH = 40
const IN_AT = GEAR_AT + 34
/** Heights: of the teeth, the small and the large end of the cone, and the shaft. */
const [TOP, BOTTOM, SMALL, LARGE, SHAFT] = [92, 132, 216, 184, 290]
const MIDDLE = (TOP + BOTTOM) / 2

/** Between points of the way, by what is met there. */
function along(part: number, points: readonly (readonly [part: number, x: number])[]): number {
  for (const [at, [to, x]] of points.entries()) {
    const before = points[at - 1]
    if (part > to || !before) continue
    return before[1] + ((part - before[0]) / (to - before[0])) * (x - before[1])
  }
  return points.at(part <= 0 ? 0 : -1)?.[1] ?? 0
}

/** Upper half, along the shaft: hub, coupler, ring on its cone, gear. */
function RingSection({ approach, contact, lengthUnit, names }: ContactFigureProps) {
  const { part, gapMm, travelMm } = approach
  const seat = GEAR_AT - TOOTH - Math.min(Math.max(gapMm ?? 1.2, 0), 3) * SCALE
  const ring = contact === 'free' ? seat - 7 : seat
  const tip = along(part, [
    [0, REST_AT],
    [RING_TEETH_FROM, seat],
    [GEAR_TEETH_FROM, GEAR_AT],
    [1, IN_AT],
  ])
  const left = tip - 148
  const isBraking = contact === 'braking' || contact === 'blocking'
  const isOff = contact === 'free' || contact === 'unbraked' || contact === 'grinding'
  const lift = isOff ? 7 : 2
  return (
    <>
      <rect className="contact-shaft" x={20} y={SHAFT} width={WIDTH - 40} height={26} />
      <rect className="contact-hub" x={80} y={BOTTOM + 4} width={140} height={SHAFT - BOTTOM - 4} />
      <text x={150} y={222}>
        {names.hub}
      </text>
      <path
        className="contact-gear"
        d={`M${seat - 34} ${SMALL}L${GEAR_AT} ${LARGE}V${BOTTOM}L${GEAR_AT} ${MIDDLE}L${GEAR_AT + 14} ${TOP}H${GEAR_AT + 44}V50H560V${SHAFT}H${seat - 34}Z`}
      />
      <text className="on-dark" x={500} y={222}>
        gear
      </text>
      <path
        className={clsx('contact-ring', isBraking && 'is-braking')}
        d={`M${ring} ${MIDDLE}L${ring + 14} ${TOP}H${ring + TOOTH}V${LARGE + 2 - lift}L${ring - 24} ${SMALL - 4 - lift}V${BOTTOM + 22}H${ring + 8}Z`}
      />
      <path
        className="contact-coupler"
        d={`M${left} ${TOP}H${tip - 16}L${tip} ${MIDDLE}L${tip - 16} ${BOTTOM}H${left}Z`}
      />
      <text className="on-accent" x={left + 66} y={MIDDLE + 5}>
        {names.coupler}
      </text>
      <path className="contact-way" d={`M${ring + 24} ${TOP - 6}V${TOP - 20}`} />
      <text x={ring + 24} y={TOP - 26}>
        {names.ring}
      </text>
      {contact === 'grinding' && (
        <path className="contact-grind" d={`M${GEAR_AT + 2} ${TOP}V${BOTTOM}`} />
      )}
      <path
        className="contact-way"
        d={`M${REST_AT} 34h${IN_AT - REST_AT}m0 -6v12M${REST_AT} 28v12`}
      />
      <text x={(REST_AT + IN_AT) / 2} y={24}>
        way in, {formatLength(travelMm, lengthUnit)}
      </text>
    </>
  )
}

const PITCH_PX = 92
const DOGS_SHOWN = [0, 1, 2]
const FACE_AT = 430

/** As if rolled out flat: along the shaft to the right, round it downwards. */
function DogsUnrolled({ approach, contact, dogs, names }: ContactFigureProps) {
  const { part, travelMm, depthMm } = approach
  const { count = 6, freeAngleDeg = 180 / count, backTaperDeg = 0 } = dogs
  const scale = Math.min(SCALE, 150 / Math.max(travelMm, 1))
  const depth = depthMm * scale
  const face = FACE_AT - depth - (1 - part) * travelMm * scale
  const freePx = Math.min(freeAngleDeg / (360 / count), 0.95) * PITCH_PX
  const tooth = (PITCH_PX - freePx) / 2
  const lean = Math.tan((backTaperDeg * Math.PI) / 180) * depth
  const isTogether = dogDepthMm(approach) > 0
  // Apart they stand anywhere; together one face is on the other.
  const offset = isTogether ? tooth : tooth + freePx / 2
  const dog = (x: number, y: number, along: number) =>
    `M${x} ${y}L${x + along} ${y - lean}V${y + tooth + lean}L${x} ${y + tooth}Z`
  return (
    <>
      <rect className="contact-coupler" x={face - 90} y={40} width={90} height={270} />
      <text x={face - 45} y={30}>
        {names.coupler}
      </text>
      <rect className="contact-gear" x={FACE_AT} y={40} width={110} height={270} />
      <text x={FACE_AT + 55} y={30}>
        gear
      </text>
      {DOGS_SHOWN.map((at) => {
        const y = 52 + at * PITCH_PX
        return (
          <g key={at}>
            <path className="contact-gear" d={dog(FACE_AT, y, -depth)} />
            <path
              className={clsx('contact-coupler', contact === 'shallow' && 'is-shallow')}
              d={dog(face, y + offset, depth)}
            />
          </g>
        )
      })}
    </>
  )
}
