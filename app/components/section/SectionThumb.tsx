import { useMemo } from 'react'

import type { BoxDraft } from 'core'
import { SHAFT_RADIUS_MM, layOutSection } from 'core'

import { scaleOf } from './scale.ts'

/** The section as a small picture: shafts and gears only. */
export function SectionThumb({ draft }: { readonly draft: BoxDraft }) {
  const section = useMemo(() => layOutSection(draft), [draft])
  const { x, y, perMm, width, height } = scaleOf(section)
  return (
    <svg className="section" viewBox={`0 0 ${width.toFixed(0)} ${height.toFixed(0)}`} aria-hidden>
      {section.members.map(({ member, yMm }) => (
        <rect
          key={member.id}
          className="shaft"
          x={x(member.fromMm)}
          width={(member.toMm - member.fromMm) * perMm}
          y={y(yMm - SHAFT_RADIUS_MM)}
          height={2 * SHAFT_RADIUS_MM * perMm}
        />
      ))}
      {section.gears.map(({ gear, yMm, widthMm, radiusMm, isCounted }) => (
        <rect
          key={gear.id}
          className={!isCounted ? 'guessed' : gear.mount === 'free' ? 'open' : 'solid'}
          strokeWidth={4}
          x={x(gear.stationMm - widthMm / 2)}
          width={widthMm * perMm}
          y={y(yMm - radiusMm)}
          height={2 * radiusMm * perMm}
        />
      ))}
    </svg>
  )
}
