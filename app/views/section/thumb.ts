/** The section as a small picture: shafts and gears only, and few shapes. */
import type { BoxDraft } from 'core'
import { SHAFT_RADIUS_MM, layOutSection, oncePer } from 'core'

import type { Outline } from './outlines.ts'
import { gearOutline, memberOutline } from './outlines.ts'
import { scaleOf } from './scale.ts'

export interface Thumb {
  /** Of its viewBox. */
  readonly width: number
  readonly height: number
  /** One of a class, the lowest first. */
  readonly outlines: readonly Outline[]
}

/** The picture of a box. It goes to the browser in the box's place, so it is short. */
export const thumbOf: (draft: BoxDraft) => Thumb = oncePer((draft) => {
  const section = layOutSection(draft)
  const scale = scaleOf(section)
  const paths = new Map<string, string[]>()
  for (const { className, d } of [
    ...section.members.map((drawn) => memberOutline(drawn, scale)),
    ...section.gears.map((drawn) => gearOutline(drawn, SHAFT_RADIUS_MM, false, scale)),
  ]) {
    const alike = paths.get(className)
    if (alike) alike.push(d)
    else paths.set(className, [d])
  }
  return {
    width: Math.round(scale.width),
    height: Math.round(scale.height),
    outlines: [...paths].map(([className, of]) => ({ className, d: of.join('') })),
  }
})
