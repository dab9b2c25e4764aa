/** Shafts and what else turns: tubes, rings, cases, planets. */
import { memo } from 'react'

import type {
  BodyMotion,
  Section,
  SectionDifferential,
  SectionMember,
  SectionPlanetary,
  SectionWorm,
} from 'core'
import { SHAFT_RADIUS_MM } from 'core'

import { ARM_MM, PLANET_WIDTH_MM } from '~/views/section/obstacles.ts'
import { memberOutline } from '~/views/section/outlines.ts'
import { restClass } from '~/views/section/rest.ts'
import type { Scale } from '~/views/section/scale.ts'

/** A worm's thread as it is drawn. */
const THREAD_MM = 2
const THREAD_TURNS = 4
const THREAD_PITCH_MM = 6
/** Size of the bevel gears in a differential. */
const BEVEL_MM = 13

export function Lanes({ section, scale }: { readonly section: Section; readonly scale: Scale }) {
  return section.lanes.map(({ axis, yMm }) => {
    const along = section.members.filter(({ member }) => member.axis === axis.id)
    const from = Math.min(...along.map(({ member }) => member.fromMm))
    const to = Math.max(...along.map(({ member }) => member.toMm))
    return along.length > 0 ? (
      <line
        key={axis.id}
        className="centre-line"
        x1={scale.x(from) - 10}
        x2={scale.x(to) + 10}
        y1={scale.y(yMm)}
        y2={scale.y(yMm)}
      />
    ) : null
  })
}

/** A member in section: a solid bar, or the walls of what goes round another one. */
export const MemberShapeOf = memo(function MemberShapeOf({
  drawn,
  scale,
  motion,
}: {
  readonly drawn: SectionMember
  readonly scale: Scale
  /** How it moves, where parts that do not turn are to be told from the others. */
  readonly motion?: BodyMotion | undefined
}) {
  return (
    <g className={restClass(motion)} data-member={drawn.member.id}>
      <path {...memberOutline(drawn, scale)} />
    </g>
  )
})

/** Planets between sun and ring, and the arm that carries them. */
export function PlanetaryShape({
  drawn,
  scale,
}: {
  readonly drawn: SectionPlanetary
  readonly scale: Scale
}) {
  const { yMm, stationMm, sunRadiusMm, ringRadiusMm, planetsBetween, carrierAtMm } = drawn
  const pinMm = (sunRadiusMm + ringRadiusMm) / 2
  const planetMm = (ringRadiusMm - sunRadiusMm) / 2 / planetsBetween
  const x = scale.x(stationMm - PLANET_WIDTH_MM / 2)
  const width = PLANET_WIDTH_MM * scale.perMmX
  return [-1, 1].map((half) => {
    const pinY = scale.y(yMm + half * pinMm)
    const shaftY = scale.y(yMm + half * SHAFT_RADIUS_MM)
    return (
      <g key={half}>
        {Array.from({ length: planetsBetween }, (_, planet) => (
          <rect
            key={planet}
            className="open"
            x={x}
            width={width}
            y={pinY + (planet * 2 - planetsBetween) * planetMm * scale.perMmY}
            height={2 * planetMm * scale.perMmY}
          />
        ))}
        <path
          className="arm"
          strokeWidth={ARM_MM * scale.perMmY}
          d={`M${scale.x(stationMm)} ${pinY}H${scale.x(carrierAtMm)}V${shaftY}`}
        />
      </g>
    )
  })
}

/** A thread on its shaft, and the way to the wheel that crosses it. */
export function WormShape({
  drawn,
  scale,
}: {
  readonly drawn: SectionWorm
  readonly scale: Scale
}) {
  const { yMm, stationMm, radiusMm, wheel } = drawn
  const [top, bottom] = [scale.y(yMm - radiusMm), scale.y(yMm + radiusMm)]
  const turns = Array.from({ length: THREAD_TURNS }, (_, turn) => {
    const x = scale.x(stationMm + (turn - THREAD_TURNS / 2) * THREAD_PITCH_MM)
    return `M${x} ${bottom}L${scale.x(stationMm + (turn - THREAD_TURNS / 2 + 1) * THREAD_PITCH_MM)} ${top}`
  })
  const away = Math.sign(wheel.yMm - yMm)
  return (
    <>
      <path className="arm" strokeWidth={THREAD_MM * scale.perMmY} d={turns.join('')} />
      <path
        className="apart"
        d={`M${scale.x(stationMm)} ${scale.y(yMm + away * radiusMm)}V${scale.y(wheel.yMm - away * wheel.radiusMm)}`}
      />
    </>
  )
}

/** The bevel gears in a differential's case. */
export function DifferentialShape({
  drawn,
  scale,
}: {
  readonly drawn: SectionDifferential
  readonly scale: Scale
}) {
  const x = scale.x(drawn.stationMm)
  const y = scale.y(drawn.yMm)
  const [w, h] = [BEVEL_MM * scale.perMmX, BEVEL_MM * scale.perMmY]
  const side = (way: 1 | -1) =>
    `M${x + way * w} ${y - h}L${x + way * w * 0.45} ${y - h * 0.5}V${y + h * 0.5}L${x + way * w} ${y + h}Z`
  const pinion = (way: 1 | -1) =>
    `M${x - w * 0.9} ${y + way * h * 1.25}L${x - w * 0.4} ${y + way * h * 0.62}H${x + w * 0.4}L${x + w * 0.9} ${y + way * h * 1.25}Z`
  return <path className="open" d={`${side(1)}${side(-1)}${pinion(1)}${pinion(-1)}`} />
}
