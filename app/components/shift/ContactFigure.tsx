/** A coupler large, half way in: a ring with its cone in section, or dogs unrolled. */
import clsx from 'clsx'

import { dogDepthMm } from 'core'

import type { ContactFigureProps } from './RingSection.tsx'
import { CONTACT_WIDTH, RingSection } from './RingSection.tsx'

/** Of the dogs, for 1 mm. */
const SCALE = 14
const HEIGHT = { ring: 456, dogs: 330 }

export function ContactFigure(props: ContactFigureProps) {
  const { approach, contact, title } = props
  return (
    <svg
      className="contact h-full w-full"
      viewBox={`0 0 ${CONTACT_WIDTH} ${approach.hasRing ? HEIGHT.ring : HEIGHT.dogs}`}
      role="img"
      aria-label={title}
    >
      {approach.hasRing ? <RingSection {...props} /> : <DogsUnrolled {...props} />}
      {(contact === 'grinding' || contact === 'unbraked') && (
        <text className="contact-trouble" x={CONTACT_WIDTH - 16} y={24}>
          {contact === 'grinding' ? 'grinds' : 'not braked'}
        </text>
      )}
    </svg>
  )
}

const PITCH_PX = 92
const DOGS_SHOWN = [0, 1, 2]
const FACE_AT = 430

/** As if rolled out flat: along the shaft to the right, round it downwards. */
function DogsUnrolled({ approach, contact, dogs, names, turned = 0 }: ContactFigureProps) {
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
  const offset = isTogether ? tooth : tooth + ((freePx / PITCH_PX / 2 + turned) % 1) * PITCH_PX
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
