import type { Section, SectionGear } from 'core'
import { COUPLER_DEFINITIONS, RIM_MM, SHAFT_RADIUS_MM, SLEEVE_RADIUS_MM } from 'core'

import type { Scale } from './scale.ts'

/** Air drawn between a free gear and its shaft. */
const FREE_GAP_MM = 3

/** Distances from the axis at which the metal of a gear begins and ends. */
export function metalMm(
  drawn: SectionGear,
  memberRadiusMm: number,
  isOnSleeve: boolean,
): readonly [innerMm: number, outerMm: number] {
  const { gear, radiusMm, isInternal } = drawn
  if (isInternal) return [radiusMm, radiusMm + RIM_MM]
  if (isOnSleeve) return [SLEEVE_RADIUS_MM - 2, Math.max(radiusMm, SLEEVE_RADIUS_MM + 2)]
  return [gear.mount === 'free' ? memberRadiusMm + FREE_GAP_MM : 0, radiusMm]
}

/** The block of a gear on which teeth are marked, in viewBox units. */
interface MarkedBlock {
  readonly toothCount: number
  readonly x: number
  readonly width: number
  readonly y: number
  readonly radius: number
  /** Distance from the axis within which no marks are drawn. */
  readonly inner: number
}

/** A block whose teeth drift. */
export interface MovingBlock extends MarkedBlock {
  readonly gear: string
  /** Turns for one turn of the input; positive where the near side goes down. */
  readonly downwards: number
  readonly isSolid: boolean
}

/** Undefined for what shows no teeth from the side: rings, and gears that are not counted. */
export function markedBlock(
  drawn: SectionGear,
  scale: Scale,
  memberRadiusMm: number,
  isOnSleeve: boolean,
  shiftMm: number,
): MarkedBlock | undefined {
  const { gear, widthMm, yMm, isCounted, isInternal, narrows } = drawn
  if (!isCounted || isInternal || narrows || gear.toothCount === null) return undefined
  const [innerMm, outerMm] = metalMm(drawn, memberRadiusMm, isOnSleeve)
  return {
    toothCount: gear.toothCount,
    x: scale.x(gear.stationMm + shiftMm - widthMm / 2),
    width: widthMm * scale.perMmX,
    y: scale.y(yMm),
    radius: outerMm * scale.perMmY,
    inner: innerMm * scale.perMmY,
  }
}

/**
 * The heights at which the teeth on the near half of a gear are seen from the side,
 * when the gear has turned by `phase` teeth so that they drift down.
 */
export function toothHeights(
  { toothCount, y, radius, inner }: MarkedBlock,
  phase: number,
): number[] {
  const step = (2 * Math.PI) / toothCount
  const first = (0.5 + phase - Math.floor(phase + 0.5)) * step
  const heights: number[] = []
  for (let angle = first - Math.PI / 2; angle < Math.PI / 2; angle += step) {
    const height = radius * Math.sin(angle)
    if (Math.abs(height) > inner) heights.push(y + height)
  }
  return heights
}

/** The teeth of a gear that stands, as one path: a line across the face for each. */
export function toothMarks(block: MarkedBlock): string {
  return toothHeights(block, 0)
    .map((height) => `M${block.x.toFixed(0)} ${height.toFixed(1)}h${block.width.toFixed(0)}`)
    .join('')
}

/** Radii of the members and the gears on sleeves: what the blocks of gears depend on. */
export interface GearSeats {
  readonly radiusMm: (memberId: string) => number
  readonly isOnSleeve: (gearId: string) => boolean
}

export function gearSeats(section: Section): GearSeats {
  const radii = new Map(
    section.members.map(({ member, radiusMm, shape }) => [
      member.id,
      shape === 'ring' ? SHAFT_RADIUS_MM : radiusMm,
    ]),
  )
  const onSleeves = new Set(
    section.couplers.flatMap(({ coupler }) =>
      COUPLER_DEFINITIONS[coupler.kind].hasTeethOnSleeve ? (coupler.gears ?? []) : [],
    ),
  )
  return {
    radiusMm: (memberId) => radii.get(memberId) ?? SHAFT_RADIUS_MM,
    isOnSleeve: (gearId) => onSleeves.has(gearId),
  }
}
