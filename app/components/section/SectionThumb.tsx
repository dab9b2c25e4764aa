import { useMemo } from 'react'

import type { BoxDraft } from 'core'
import { SHAFT_RADIUS_MM, layOutSection } from 'core'

import { scaleOf } from '~/views/section/scale.ts'

import { GearBlock } from './Gears.tsx'
import { MemberShapeOf } from './Members.tsx'

/** The section as a small picture: shafts and gears only. */
export function SectionThumb({ draft }: { readonly draft: BoxDraft }) {
  const section = useMemo(() => layOutSection(draft), [draft])
  const scale = useMemo(() => scaleOf(section), [section])
  return (
    <svg
      className="section thumb"
      viewBox={`0 0 ${scale.width.toFixed(0)} ${scale.height.toFixed(0)}`}
      aria-hidden
    >
      {section.members.map((drawn) => (
        <MemberShapeOf key={drawn.member.id} drawn={drawn} scale={scale} />
      ))}
      {section.gears.map((drawn) => (
        <GearBlock
          key={drawn.gear.id}
          drawn={drawn}
          memberRadiusMm={SHAFT_RADIUS_MM}
          isOnSleeve={false}
          shiftMm={0}
          scale={scale}
        />
      ))}
    </svg>
  )
}
