/** Thrust of each shaft and the loads on its two bearings. */
import type { Forces, Section } from 'core'

import { formatForce } from '~/words/format.ts'

import type { Scale } from '~/views/section/scale.ts'

/** Sizes in viewBox units. */
const ARROW = { length: 46, head: 9 }
const BEARING = 11
const LINE = 18

/** A figure near the edge of the drawing is written inwards. */
const NEAR_EDGE = 40

function anchorAt(x: number, { width }: Scale): 'start' | 'middle' | 'end' {
  return x < NEAR_EDGE ? 'start' : x > width - NEAR_EDGE ? 'end' : 'middle'
}

interface ForceMarksProps {
  readonly section: Section
  readonly scale: Scale
  readonly forces: Forces
}

export function ForceMarks({ section, scale, forces }: ForceMarksProps) {
  return forces.shafts.map(({ member, thrustN, bearings }) => {
    const drawn = section.members.find((each) => each.member.id === member)
    if (!drawn) return null
    const y = scale.y(drawn.yMm)
    const under = scale.y(drawn.yMm + drawn.radiusMm)
    const way = thrustN < 0 ? -1 : 1
    const middle = scale.x((drawn.member.fromMm + drawn.member.toMm) / 2)
    const tip = middle + way * ARROW.length
    return (
      <g key={member} className="forces" data-forces={member}>
        {bearings.map(({ stationMm, radialN }) => {
          const x = scale.x(stationMm)
          return (
            <g key={stationMm}>
              <path d={`M${x} ${under}l${BEARING} ${BEARING * 1.6}h${-2 * BEARING}Z`} />
              <text x={x} y={under + BEARING * 1.6 + LINE} textAnchor={anchorAt(x, scale)}>
                {formatForce(radialN)}
              </text>
            </g>
          )
        })}
        {Math.round(thrustN) !== 0 && (
          <>
            <path
              className="thrust"
              d={`M${middle} ${y}H${tip}M${tip - way * ARROW.head} ${y - ARROW.head}L${tip} ${y}L${tip - way * ARROW.head} ${y + ARROW.head}`}
            />
            <text x={middle} y={y - 8} textAnchor="middle">
              {formatForce(thrustN)}
            </text>
          </>
        )}
      </g>
    )
  })
}
