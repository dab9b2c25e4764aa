/** A ring on its cone between its sleeve and its gear: in section, and its teeth rolled out flat. */
import clsx from 'clsx'

import type { Approach, Contact, DogFigures } from 'core'
import { NEW_RING_GAP_MM } from 'core'

import { GEAR_AT, HUB, SLEEVE_HALF, TEETH, TIP, WAY, placedRing } from '~/views/shift/placedRing.ts'
import type { LengthUnit } from '~/words/format.ts'
import { formatLength } from '~/words/format.ts'

export interface ContactFigureProps {
  readonly approach: Approach
  readonly contact: Contact
  readonly dogs: DogFigures
  readonly title: string
  readonly lengthUnit: LengthUnit
  /** How much of the difference of both sides is left. */
  readonly slip: number
  /** By how many teeth the gear has turned past the sleeve. */
  readonly turned?: number | undefined
  /** Cones of the ring that act together. */
  readonly coneCount?: number | undefined
  readonly names: { readonly hub: string; readonly coupler: string; readonly ring: string }
}

/** Of the whole figure, in its own units. */
export const CONTACT_WIDTH = 640

/** Heights: outside of the sleeve, bottom of its groove, its teeth, cone and shaft. */
const Y = { outside: 62, groove: 82, top: 100, root: 126, cone: 158, coneEnd: 186, shaft: 236 }
/** Teeth that are rolled out flat under the section. */
const FLAT = { top: 282, first: 48, pitch: 40, thick: 18, count: 3 }

/** Upper half, along the shaft: hub with its key, sleeve, ring on its cone, gear; the teeth flat below. */
export function RingSection(props: ContactFigureProps) {
  const { approach, contact, lengthUnit, names, coneCount = 1 } = props
  const at = placedRing(approach, contact)
  const isPressed = contact === 'braking' || contact === 'blocking'
  const isIn = approach.isRingOut !== true
  const { tip, ring } = at
  const sleeve = tip - 2 * SLEEVE_HALF
  return (
    <>
      <rect className="contact-shaft" x={20} y={Y.shaft} width={CONTACT_WIDTH - 40} height={24} />
      <path
        className="contact-gear"
        d={`M${GEAR_AT - 62} ${Y.coneEnd}L${GEAR_AT - 2} ${Y.cone}V${Y.root}H${GEAR_AT}V${Y.top}H${GEAR_AT + TEETH.gear}V${Y.root}H${GEAR_AT + 34}V70H${GEAR_AT + 170}V${Y.shaft}H${GEAR_AT - 62}Z`}
      />
      <text className="on-dark" x={GEAR_AT + 104} y={150}>
        gear
      </text>
      <path
        className="contact-hub"
        d={`M${HUB.at - HUB.half} ${Y.root}h${2 * HUB.half}V${Y.shaft}h${-2 * HUB.half}Z`}
      />
      <text x={HUB.at} y={212}>
        {names.hub}
      </text>
      {isIn && (
        <RingOnCone face={ring.face} from={ring.from} isPressed={isPressed} cones={coneCount} />
      )}
      <KeyUnderSleeve shift={at.key} isDown={at.isKeyDown} />
      <path
        className="contact-coupler"
        d={`M${sleeve} ${Y.outside}H${tip - SLEEVE_HALF - 16}V${Y.groove}h32V${Y.outside}H${tip}V${Y.root}H${sleeve}Z`}
      />
      <path className="contact-fork" d={`M${tip - SLEEVE_HALF - 14} ${Y.groove - 2}h28V30h-28Z`} />
      <text className="on-accent" x={sleeve + 36} y={Y.top + 4}>
        {names.coupler}
      </text>
      {isIn && (
        <>
          <path className="contact-way" d={`M${ring.face - 6} ${Y.top}V50H${ring.face + 30}`} />
          <text className="contact-start" x={ring.face + 34} y={54}>
            {names.ring}, gap{' '}
            {formatLength(Math.max(0, approach.gapMm ?? NEW_RING_GAP_MM), lengthUnit)}
            {approach.gapMm === null ? ' (usual)' : ''}
          </text>
        </>
      )}
      <path className="contact-way" d={`M${TIP} 22h${WAY}m0 -6v12M${TIP} 16v12`} />
      <text className="contact-start" x={TIP + WAY + 10} y={27}>
        way in, {formatLength(approach.travelMm, lengthUnit)}
      </text>
      <FlatTeeth {...props} at={at} />
    </>
  )
}

interface RingOnConeProps {
  readonly from: number
  readonly face: number
  readonly isPressed: boolean
  readonly cones: number
}

/** How far apart cones that act together lie. */
const CONE_STEP = 11

/** A ring on its cone, with the cones between where several act together. */
function RingOnCone({ from, face, isPressed, cones }: RingOnConeProps) {
  const lift = isPressed ? 1 : 3
  const slope = (Y.coneEnd - Y.cone) / 60
  const coneY = (x: number): number => Y.cone + (GEAR_AT - 2 - x) * slope - lift
  const [left, right] = [face - 52, face - 2]
  const bands = Array.from({ length: Math.max(0, cones - 1) }, (_, at) => at)
  const inner = (x: number): number => coneY(x) - bands.length * CONE_STEP
  return (
    <>
      {bands.map((at) => (
        <path
          key={at}
          className={at % 2 === 0 ? 'contact-gear' : 'contact-ring'}
          d={`M${left} ${coneY(left) - at * CONE_STEP}L${right} ${coneY(right) - at * CONE_STEP}v${2 - CONE_STEP}L${left} ${coneY(left) - (at + 1) * CONE_STEP + 2}Z`}
        />
      ))}
      <path
        className={clsx('contact-ring', isPressed && 'is-braking')}
        d={`M${from} ${Y.top}H${face}V${inner(face)}L${left} ${inner(left)}V${Y.root + 4}H${from}Z`}
      />
    </>
  )
}

/** A key in its slot of the hub, its bump in the sleeve until the sleeve has pushed it down. */
function KeyUnderSleeve({ shift, isDown }: { readonly shift: number; readonly isDown: boolean }) {
  const [x, y] = [HUB.at + shift, Y.root + (isDown ? 10 : 2)]
  return (
    <>
      <path className="contact-key" d={`M${x - 40} ${y + 4}h26l6 -10h16l6 10h26v14h-80Z`} />
      <path
        className="contact-spring"
        d={`M${HUB.at} ${y + 18}l-7 4l14 5l-14 5l14 5l-7 4V${Y.root + 52}`}
      />
    </>
  )
}

/** The teeth of sleeve, ring and gear rolled out flat: along the shaft to the right, round it downwards. */
function FlatTeeth({
  approach,
  contact,
  names,
  turned = 0,
  slip,
  at: { tip, ring },
}: ContactFigureProps & { readonly at: ReturnType<typeof placedRing> }) {
  const teeth = Array.from(
    { length: FLAT.count },
    (_, at) => FLAT.top + FLAT.first + at * FLAT.pitch,
  )
  const half = FLAT.thick / 2
  const isThrough = contact === 'entering' || contact === 'in'
  const isIndexed = contact === 'braking' || contact === 'blocking'
  // Dragged aside by its cone, a ring stands with its points before those of the sleeve.
  const index = isThrough ? FLAT.pitch / 2 : isIndexed ? half * 0.7 : FLAT.pitch / 2 - 5
  const gearOff = contact === 'in' || contact === 'entering' ? FLAT.pitch / 2 : turned * FLAT.pitch
  const tooth = (from: number, to: number, y: number, points: 'left' | 'right'): string =>
    points === 'right'
      ? `M${from} ${y - half}H${to - TEETH.point}L${to} ${y}L${to - TEETH.point} ${y + half}H${from}Z`
      : `M${to} ${y - half}H${from + TEETH.point}L${from} ${y}L${from + TEETH.point} ${y + half}H${to}Z`
  const wrap = (y: number): number => {
    const [first, span] = [FLAT.top + FLAT.first - FLAT.pitch / 2, FLAT.count * FLAT.pitch]
    return first + ((((y - first) % span) + span) % span)
  }
  const bottom = FLAT.top + FLAT.first - 6 + FLAT.count * FLAT.pitch
  return (
    <>
      <path className="contact-frame" d={`M20 ${FLAT.top + 4}H${CONTACT_WIDTH - 20}`} />
      <text className="contact-start" x={20} y={FLAT.top + 24}>
        Teeth, rolled out flat
      </text>
      {teeth.map((y) => (
        <g key={y}>
          <path className="contact-coupler" d={tooth(tip - SLEEVE_HALF, tip, y, 'right')} />
          {approach.isRingOut !== true && (
            <path
              className={clsx('contact-ring', isIndexed && 'is-braking')}
              d={tooth(ring.from, ring.face, wrap(y + index), 'left')}
            />
          )}
          <path
            className="contact-gear"
            d={tooth(GEAR_AT, GEAR_AT + TEETH.gear + 14, wrap(y + gearOff), 'left')}
          />
        </g>
      ))}
      {contact === 'grinding' && (
        <path className="contact-grind" d={`M${GEAR_AT + 2} ${FLAT.top + 14}V${bottom}`} />
      )}
      {slip > 0 && (
        <>
          <path
            className="contact-slip"
            d={`M${GEAR_AT + 78} ${FLAT.top + 30}v${(slip * 80).toFixed(1)}m-7 -9l7 10l7 -10`}
          />
          <text className="contact-start" x={GEAR_AT + 94} y={FLAT.top + 60}>
            turns past the {names.coupler}
          </text>
        </>
      )}
      {slip === 0 && (
        <text className="contact-start" x={GEAR_AT + 72} y={FLAT.top + 60}>
          one speed
        </text>
      )}
    </>
  )
}
