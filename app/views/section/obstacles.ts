/** Parts that nothing may be written over. */
import type { SectionPlanetary } from 'core'
import { USUAL_TRAVEL_MM, SLEEVE_WIDTH_MM } from 'core'

import type { Layout } from './layout.ts'
import { memberMetalMm } from './outlines.ts'
import type { Rectangle } from './rectangles.ts'
import type { Scale } from './scale.ts'
import { couplerEdgeMm, isDrawn } from './sleeves.ts'
import { metalMm } from './toothMarks.ts'

/** Width drawn for a planet, and for the arm of a carrier. */
export const PLANET_WIDTH_MM = 12
export const ARM_MM = 4
/** How far from the middle of a sprocket its chain is drawn, as a share of its width. */
export const CHAIN_AT = 0.3
/** A name keeps so far from the end of a part, in viewBox units. */
const SLACK = 4

/** On both sides of an axis, between two distances from it. */
function bothSides(
  scale: Scale,
  yMm: number,
  [fromMm, toMm]: readonly [number, number],
  [innerMm, outerMm]: readonly [number, number],
): readonly Rectangle[] {
  const [left, right] = [scale.x(fromMm) - SLACK, scale.x(toMm) + SLACK]
  const [top, bottom] = [scale.y(yMm - outerMm), scale.y(yMm + outerMm)]
  if (innerMm <= 0) return [{ left, top, right, bottom }]
  return [
    { left, top, right, bottom: scale.y(yMm - innerMm) },
    { left, top: scale.y(yMm + innerMm), right, bottom },
  ]
}

/** The planets of a set that is drawn as one, and the arm that carries them. */
function planetsOf(drawn: SectionPlanetary, scale: Scale): readonly Rectangle[] {
  const { yMm, stationMm, sunRadiusMm, ringRadiusMm, carrierAtMm } = drawn
  const half = PLANET_WIDTH_MM / 2
  const pinMm = (sunRadiusMm + ringRadiusMm) / 2
  return [
    ...bothSides(scale, yMm, [stationMm - half, stationMm + half], [sunRadiusMm, ringRadiusMm]),
    ...bothSides(
      scale,
      yMm,
      [carrierAtMm - ARM_MM / 2, carrierAtMm + ARM_MM / 2],
      [0, pinMm + ARM_MM / 2],
    ),
  ]
}

/** What parts cover where their gears have slid to, with bearings and the like where these are drawn. */
export function coveredByParts({ section, scale, seats, shifts }: Layout): readonly Rectangle[] {
  const gears = section.gears.flatMap((drawn) => {
    const { gear, yMm, widthMm } = drawn
    const metal = metalMm(drawn, seats.radiusMm(gear.member), seats.isOnSleeve(gear.id))
    const atMm = gear.stationMm + (shifts.get(gear.id) ?? 0)
    const [fromMm, toMm] = [atMm - widthMm / 2, atMm + widthMm / 2]
    // Only a ring is open inside: between a free gear and its shaft nothing is written.
    return bothSides(scale, yMm, [fromMm, toMm], drawn.isInternal ? metal : [0, metal[1]])
  })
  const sleeveMm = SLEEVE_WIDTH_MM / 2 + USUAL_TRAVEL_MM
  const couplers = section.couplers
    .filter(({ coupler }) => isDrawn(coupler))
    .flatMap((drawn) => {
      const { stationMm } = drawn.coupler
      const ends = [stationMm - sleeveMm, stationMm + sleeveMm] as const
      return bothSides(scale, drawn.yMm, ends, [0, couplerEdgeMm(drawn)])
    })
  const members = section.members.flatMap((drawn) => {
    const { fromMm, toMm } = drawn.member
    const [innerMm, outerMm] = memberMetalMm(drawn)
    return bothSides(
      scale,
      drawn.yMm,
      [fromMm, toMm],
      [drawn.shape === 'ring' ? innerMm : 0, outerMm],
    )
  })
  const arms = section.arms.map(({ fromYMm, toYMm, stationMm }) => ({
    left: scale.x(stationMm - ARM_MM / 2) - SLACK,
    top: scale.y(Math.min(fromYMm, toYMm)),
    right: scale.x(stationMm + ARM_MM / 2) + SLACK,
    bottom: scale.y(Math.max(fromYMm, toYMm)),
  }))
  const chains = section.meshes
    .filter(({ touch, isTouching }) => touch === 'sprockets' && !isTouching)
    .map(({ a, b, stationMm }) => {
      const halfMm = CHAIN_AT * Math.max(a.widthMm, b.widthMm)
      return {
        left: scale.x(stationMm - halfMm) - SLACK,
        top: scale.y(Math.min(a.yMm, b.yMm)),
        right: scale.x(stationMm + halfMm) + SLACK,
        bottom: scale.y(Math.max(a.yMm, b.yMm)),
      }
    })
  const planets = section.planetaries.flatMap((drawn) => planetsOf(drawn, scale))
  const pieces = section.pieces.map(({ yMm, fromMm, toMm, outerMm }) => ({
    left: scale.x(fromMm) - 2,
    top: scale.y(yMm - outerMm) - 2,
    right: scale.x(toMm) + 2,
    bottom: scale.y(yMm + outerMm) + 2,
  }))
  return [...gears, ...couplers, ...members, ...arms, ...chains, ...planets, ...pieces]
}
