/** Where the names of members stand: where nothing else is in the way. */
import type { Section, SectionMember } from 'core'

import type { Rectangle } from './rectangles.ts'
import { CHARACTER, LINE, isApart, lineOf } from './rectangles.ts'
import type { Scale } from './scale.ts'

/** Clear of the centre line that runs on beyond a member's end. */
const OFFSET = 14
/** How far bearings and flanges stand out over their shaft. */
const OVER_PIECES_MM = 17
/** Room over a sleeve for its name. */
const SLEEVE_ROOM_MM = 24

export interface PlacedName {
  readonly member: string
  readonly x: number
  /** The base line. */
  readonly y: number
  readonly covers: Rectangle
}

/** Parts that a name must not cover, with the names of gears and sleeves beside them. */
function obstacles(section: Section, scale: Scale): Rectangle[] {
  const gears = section.gears.map(({ gear, yMm, widthMm, radiusMm }) => ({
    left: scale.x(gear.stationMm - widthMm / 2) - 4,
    right: scale.x(gear.stationMm + widthMm / 2) + 4,
    top: scale.y(yMm - radiusMm) - LINE - 4,
    bottom: scale.y(yMm + radiusMm) + LINE + 4,
  }))
  const sleeves = section.couplers.map(({ coupler, yMm, baseRadiusMm }) => ({
    left: scale.x(coupler.stationMm - 17),
    right: scale.x(coupler.stationMm + 17),
    top: scale.y(yMm - baseRadiusMm - SLEEVE_ROOM_MM),
    bottom: scale.y(yMm + baseRadiusMm + 16),
  }))
  const members = section.members.map(({ member, yMm, radiusMm }) => ({
    left: scale.x(member.fromMm) - 4,
    right: scale.x(member.toMm) + 4,
    top: scale.y(yMm - radiusMm),
    bottom: scale.y(yMm + radiusMm),
  }))
  const arms = section.arms.map(({ fromYMm, toYMm, stationMm }) => ({
    left: scale.x(stationMm) - 6,
    right: scale.x(stationMm) + 6,
    top: scale.y(Math.min(fromYMm, toYMm)),
    bottom: scale.y(Math.max(fromYMm, toYMm)),
  }))
  const pieces = section.pieces.map(({ yMm, fromMm, toMm, outerMm }) => ({
    left: scale.x(fromMm) - 2,
    right: scale.x(toMm) + 2,
    top: scale.y(yMm - outerMm) - 2,
    bottom: scale.y(yMm + outerMm) + 2,
  }))
  return [...gears, ...sleeves, ...members, ...arms, ...pieces]
}

/** Where a name of this width could stand, best first, by its left end and its base line. */
function candidates(
  { member, yMm, radiusMm }: SectionMember,
  width: number,
  scale: Scale,
): readonly (readonly [x: number, y: number])[] {
  const [from, to] = [scale.x(member.fromMm), scale.x(member.toMm)]
  const above = scale.y(yMm - radiusMm) - 8
  // Over what stands on a shaft, where nothing else is free.
  const high = scale.y(yMm - radiusMm - OVER_PIECES_MM) - 8
  const below = scale.y(yMm + radiusMm) + LINE
  const middle = scale.y(yMm) + 6
  const along = [
    from,
    to - width,
    ...Array.from({ length: 12 }, (_, at) => from + (at * (to - width - from)) / 12),
  ]
  return [
    ...along.slice(0, 2).map((x) => [x, above] as const),
    [to + OFFSET, middle],
    [from - OFFSET - width, middle],
    ...along.map((x) => [x, above] as const),
    ...along.map((x) => [x, below] as const),
    ...along.map((x) => [x, high] as const),
  ]
}

/** Steps in which the drawing is searched for room, in viewBox units. */
const SEARCH_STEP = { x: 20, y: 10 }

/**
 * Where something of this size can stand, its left top corner, nearest to the lower left; null
 * where nowhere. `written` is what names of gears and members cover.
 */
export function findRoom(
  section: Section,
  scale: Scale,
  written: readonly Rectangle[],
  size: { readonly width: number; readonly height: number },
): { readonly x: number; readonly y: number } | null {
  const taken = [...obstacles(section, scale), ...written]
  for (let y = scale.height - size.height; y >= 0; y -= SEARCH_STEP.y)
    for (let x = 2; x + size.width <= scale.width; x += SEARCH_STEP.x) {
      const here = { left: x, right: x + size.width, top: y, bottom: y + size.height }
      if (taken.every((other) => isApart(here, other))) return { x, y }
    }
  return null
}

/**
 * Names that find room beside what names of gears cover, in the order of the members; the others
 * are told by pointing.
 */
export function placeMemberNames(
  section: Section,
  scale: Scale,
  gearNames: readonly Rectangle[],
  nameOf: (memberId: string) => string,
): readonly PlacedName[] {
  const taken = [...obstacles(section, scale), ...gearNames]
  const placed: PlacedName[] = []
  for (const drawn of section.members) {
    const width = nameOf(drawn.member.id).length * CHARACTER
    for (const [x, y] of candidates(drawn, width, scale)) {
      const here = lineOf(x, y, width)
      const isInside = here.left >= 0 && here.right <= scale.width && here.bottom <= scale.height
      if (!isInside || here.top < 0 || !taken.every((other) => isApart(here, other))) continue
      taken.push(here)
      placed.push({ member: drawn.member.id, x, y, covers: here })
      break
    }
  }
  return placed
}
