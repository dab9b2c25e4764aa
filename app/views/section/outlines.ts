/** The outlines of shafts and gears in section, as paths in viewBox units. */
import type { SectionGear, SectionMember, ShaftEnd } from 'core'
import { HOLLOW_WALL_MM, RIM_MM, SHAFT_RADIUS_MM } from 'core'

import type { Scale } from './scale.ts'
import { metalMm } from './toothMarks.ts'

export interface Outline {
  /** Says in the style sheet what it is. */
  readonly className: string
  readonly d: string
}

/** A block from one height to another. */
export function blockPath(x: number, width: number, from: number, to: number): string {
  return `M${x.toFixed(1)} ${from.toFixed(1)}h${width.toFixed(1)}V${to.toFixed(1)}h${(-width).toFixed(1)}Z`
}

/** What goes round an axis, cut along it: a block on either side. */
function wallsPath(x: number, width: number, y: number, inner: number, outer: number): string {
  return blockPath(x, width, y - outer, y - inner) + blockPath(x, width, y + inner, y + outer)
}

/** Where the metal of a member is, from its axis: a solid bar, or the walls of what goes round another one. */
export function memberMetalMm({
  shape,
  radiusMm,
}: SectionMember): readonly [innerMm: number, outerMm: number] {
  switch (shape) {
    case 'hollow':
      return [SHAFT_RADIUS_MM + 1, SHAFT_RADIUS_MM + HOLLOW_WALL_MM]
    case 'ring':
      return [radiusMm - RIM_MM, radiusMm]
    case 'shaft':
    case 'case':
      return [0, radiusMm]
  }
}

/** A member in section. */
export function memberOutline(drawn: SectionMember, scale: Scale): Outline {
  const { member, yMm, shape, radiusMm } = drawn
  const [x, y] = [scale.x(member.fromMm), scale.y(yMm)]
  const width = (member.toMm - member.fromMm) * scale.perMmX
  const high = radiusMm * scale.perMmY
  switch (shape) {
    case 'shaft':
      return {
        className: 'shaft',
        d:
          drawn.stretches.length > 1
            ? steppedPath(drawn, scale)
            : blockPath(x, width, y - high, y + high),
      }
    case 'hollow':
    case 'ring': {
      const [inner, outer] = memberMetalMm(drawn).map((mm) => mm * scale.perMmY)
      return { className: 'shaft', d: wallsPath(x, width, y, inner ?? 0, outer ?? 0) }
    }
    case 'case':
      return {
        className: member.isHollow ? 'case outer' : 'case',
        d: blockPath(x, width, y - high, y + high),
      }
  }
}

/** A shaft with its seats and shoulders, as one outline. */
function steppedPath({ yMm, stretches }: SectionMember, scale: Scale): string {
  const edge = (side: -1 | 1) => (diameterMm: number) =>
    scale.y(yMm + (side * diameterMm) / 2).toFixed(1)
  const [above, below] = [edge(-1), edge(1)]
  const x = (mm: number): string => scale.x(mm).toFixed(1)
  const there = stretches.map(({ toMm, diameterMm }) => `V${above(diameterMm)}H${x(toMm)}`)
  const back = [...stretches]
    .reverse()
    .map(({ fromMm, diameterMm }) => `V${below(diameterMm)}H${x(fromMm)}`)
  const from = `M${x(stretches[0]?.fromMm ?? 0)} ${scale.y(yMm).toFixed(1)}`
  return `${from}${there.join('')}${back.join('')}Z`
}

/** How a gear's block is drawn that nothing is meant by. */
function gearClass({ gear, isCounted }: SectionGear): string {
  if (!isCounted) return 'guessed'
  return gear.mount === 'free' ? 'open' : 'solid'
}

/** The block of a gear; with a bore where it turns on its shaft, narrowing where it is a cone. */
export function gearOutline(
  drawn: SectionGear,
  memberRadiusMm: number,
  isOnSleeve: boolean,
  scale: Scale,
): Outline {
  const { gear, widthMm, yMm, narrows } = drawn
  const [innerMm, outerMm] = metalMm(drawn, memberRadiusMm, isOnSleeve)
  const [x, y] = [scale.x(gear.stationMm - widthMm / 2), scale.y(yMm)]
  const width = widthMm * scale.perMmX
  const [inner, outer] = [innerMm * scale.perMmY, outerMm * scale.perMmY]
  return {
    className: gearClass(drawn),
    d:
      inner > 0
        ? wallsPath(x, width, y, inner, outer)
        : narrows
          ? conePath(x, width, y, outer, narrows)
          : blockPath(x, width, y - outer, y + outer),
  }
}

/** A cone narrows to so much of its height. */
const NARROW_END = 0.6

/** A block whose height falls away towards its narrow end. */
function conePath(x: number, width: number, y: number, outer: number, narrows: ShaftEnd): string {
  const narrow = outer * NARROW_END
  const [from, to] = narrows === 'input-end' ? [narrow, outer] : [outer, narrow]
  const [left, right] = [x.toFixed(1), (x + width).toFixed(1)]
  return `M${left} ${(y - from).toFixed(1)}L${right} ${(y - to).toFixed(1)}V${(y + to).toFixed(1)}L${left} ${(y + from).toFixed(1)}Z`
}
