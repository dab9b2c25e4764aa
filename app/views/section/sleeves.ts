/** Where what moves on its hub is drawn, and its name. */
import type { Coupler, Section, SectionCoupler } from 'core'
import { COUPLER_DEFINITIONS, SHAFT_RADIUS_MM, SLEEVE_RADIUS_MM, isClutch } from 'core'

import type { Naming } from '~/words/names.ts'
import { couplerLabel } from '~/words/names.ts'

import { outwards } from './layout.ts'
import type { Rectangle } from './rectangles.ts'
import { CHARACTER, lineOf } from './rectangles.ts'
import type { Scale } from './scale.ts'

/** How far a sleeve, and the plates of a clutch, stand out from what they sit on. */
export const SLEEVE_MM = SLEEVE_RADIUS_MM - SHAFT_RADIUS_MM
export const PLATES_MM = 24
/** How far a hub stands out from what it sits on, and how deep the groove for the fork goes. */
export const HUB_MM = 6
export const GROOVE_MM = (SLEEVE_MM - HUB_MM) / 2

/** Whether a coupler is drawn; a sliding gear shows by itself where it stands, teeth on a sleeve move with it. */
export function isDrawn({ kind, gears, positions }: Coupler): boolean {
  const moves = positions.some(({ engages }) => engages.some((each) => each.kind !== 'mesh'))
  return moves && (gears === undefined || COUPLER_DEFINITIONS[kind].hasTeethOnSleeve)
}

/** How far it reaches from the axis that it is on. */
export function couplerEdgeMm({ coupler, baseRadiusMm }: SectionCoupler): number {
  return baseRadiusMm + (isClutch(coupler) ? PLATES_MM : SLEEVE_MM)
}

/** The base line of its name: above, or where teeth on it do not carry their count. */
export function couplerNameY(drawn: SectionCoupler, section: Section, scale: Scale): number {
  const { coupler, yMm } = drawn
  const edge = couplerEdgeMm(drawn) * scale.perMmY
  const isBelow = coupler.gears !== undefined && outwards(section, yMm) < 0
  return scale.y(yMm) + (isBelow ? edge + 20 : -edge - 8)
}

/** What the names of sleeves and clutches cover while these stand at their centres. */
export function couplerNames(section: Section, scale: Scale, naming: Naming): readonly Rectangle[] {
  return section.couplers
    .filter(({ coupler }) => isDrawn(coupler))
    .map((drawn) => {
      const width = couplerLabel(naming, drawn.coupler).length * CHARACTER
      const x = scale.x(drawn.coupler.stationMm) - width / 2
      return lineOf(x, couplerNameY(drawn, section, scale), width)
    })
}
