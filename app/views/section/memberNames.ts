/** Where the names of members stand: where nothing else is in the way. */
import type { Section, SectionMember } from 'core'

import type { Rectangle } from './rectangles.ts'
import { CHARACTER, LINE, isApart, lineOf } from './rectangles.ts'
import type { Scale } from './scale.ts'

/** Clear of the centre line that runs on beyond a member's end. */
const OFFSET = 14
/** How far bearings and flanges stand out over their shaft. */
const OVER_PIECES_MM = 17

export interface MemberName {
  readonly member: string
  readonly x: number
  /** The base line. */
  readonly y: number
  readonly covers: Rectangle
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

/** Where something of this size can stand, its left top corner, nearest to the lower left; null where nowhere. */
export function findRoom(
  scale: Scale,
  taken: readonly Rectangle[],
  size: { readonly width: number; readonly height: number },
): { readonly x: number; readonly y: number } | null {
  for (let y = scale.height - size.height; y >= 0; y -= SEARCH_STEP.y)
    for (let x = 2; x + size.width <= scale.width; x += SEARCH_STEP.x) {
      const here = { left: x, right: x + size.width, top: y, bottom: y + size.height }
      if (taken.every((other) => isApart(here, other))) return { x, y }
    }
  return null
}

/**
 * Names of members that find room beside what is taken, in their order; the others are told by
 * pointing. A name of null is not wanted.
 */
export function placeMemberNames(
  section: Section,
  scale: Scale,
  taken: readonly Rectangle[],
  nameOf: (memberId: string) => string | null,
): readonly MemberName[] {
  const inTheWay = [...taken]
  const placed: MemberName[] = []
  for (const drawn of section.members) {
    const name = nameOf(drawn.member.id)
    if (name === null) continue
    const width = name.length * CHARACTER
    for (const [x, y] of candidates(drawn, width, scale)) {
      const here = lineOf(x, y, width)
      const isInside = here.left >= 0 && here.right <= scale.width && here.bottom <= scale.height
      if (!isInside || here.top < 0 || !inTheWay.every((other) => isApart(here, other))) continue
      inTheWay.push(here)
      placed.push({ member: drawn.member.id, x, y, covers: here })
      break
    }
  }
  return placed
}
