/** Where what is written on a gear and beside it stands, in viewBox units. */
import type { Section, SectionGear } from 'core'
import { SLEEVE_WIDTH_MM } from 'core'

import type { Layout } from './layout.ts'
import { metalMm } from './toothMarks.ts'

/** A name keeps this far from gears that are none of its own. */
const NAME_SLACK_MM = 4
/** A sleeve and its name reach so far beyond what it sits on. */
const SLEEVE_ROOM_MM = 24
/** The height of a figure written on a gear. */
const FIGURE_HEIGHT = 24

export interface GearLabelPlaces {
  /** The middle of the gear, at which its figures stand. */
  readonly x: number
  /** The block of the gear. */
  readonly frame: {
    readonly x: number
    readonly width: number
    readonly y: number
    readonly height: number
  }
  /** Base lines of its two figures. */
  readonly countY: number
  readonly speedY: number
  /** Null where something else stands there. */
  readonly name: {
    readonly x: number
    readonly y: number
    readonly textAnchor: 'start' | 'middle'
  } | null
}

/** A count on the outer side of its shaft, the speed on the inner one, the name beyond the teeth. */
export function placeGearLabels(
  drawn: SectionGear,
  { section, scale, seats, shifts }: Layout,
): GearLabelPlaces {
  const { gear, yMm, widthMm, isInternal } = drawn
  const memberRadiusMm = seats.radiusMm(gear.member)
  const outside = outwards(section, yMm)
  const isTurned = isInternal && isFilled(section, drawn, outside)
  const side = isTurned ? (outside < 0 ? 1 : -1) : outside
  const x = scale.x(gear.stationMm + (shifts.get(gear.id) ?? 0))
  const y = scale.y(yMm)
  const [innerMm, outerMm] = metalMm(drawn, memberRadiusMm, seats.isOnSleeve(gear.id))
  const outer = outerMm * scale.perMmY
  const half = (widthMm / 2) * scale.perMmX
  const fromMm = Math.max(innerMm, memberRadiusMm)
  const middle = ((outerMm + fromMm) / 2) * scale.perMmY
  const hasRoom = (outerMm - fromMm) * scale.perMmY > FIGURE_HEIGHT * 0.8
  // A figure that has no room on its side of the shaft goes across the shaft's middle.
  const isBeside = hasRoom || isInternal
  // The rim of a ring is thin: its count stands inside it, over the planets, and its name beside it.
  const countAt = isInternal ? innerMm * scale.perMmY - FIGURE_HEIGHT / 2 : middle
  const isNamed = !isCovered(section, { ...drawn, radiusMm: outerMm }, side, shifts)
  const name = isInternal
    ? ({ x: x + half + 8, y: y + side * middle + 5, textAnchor: 'start' } as const)
    : ({ x, y: side < 0 ? y - outer - 8 : y + outer + 20, textAnchor: 'middle' } as const)
  return {
    x,
    frame: { x: x - half, width: 2 * half, y: y - outer, height: 2 * outer },
    countY: y + (isBeside ? side * countAt : 0) + 8,
    speedY: y + (isBeside ? -side * middle : side * 26) + 5,
    name: isNamed ? name : null,
  }
}

/** On which side of its axis a gear carries its figures: away from the middle of the drawing. */
function outwards(section: Section, yMm: number): -1 | 1 {
  return yMm < (section.topMm + section.bottomMm) / 2 ? -1 : 1
}

/** Whether a planet that is drawn as a gear stands within a ring on this side of its axis. */
function isFilled(section: Section, ring: SectionGear, side: -1 | 1): boolean {
  return section.gears.some(
    ({ gear, yMm }) =>
      Math.abs(gear.stationMm - ring.gear.stationMm) < ring.widthMm &&
      Math.abs(yMm - ring.yMm) < ring.radiusMm &&
      Math.sign(yMm - ring.yMm) === side,
  )
}

/** Whether something else stands where this gear's name would. */
function isCovered(
  section: Section,
  { gear, yMm, radiusMm }: SectionGear,
  side: -1 | 1,
  shifts: ReadonlyMap<string, number>,
): boolean {
  const edgeMm = yMm + side * radiusMm
  const stationMm = (id: string, restMm: number): number => restMm + (shifts.get(id) ?? 0)
  const own = stationMm(gear.id, gear.stationMm)
  return (
    section.gears.some(
      (other) =>
        other.gear.id !== gear.id &&
        Math.abs(stationMm(other.gear.id, other.gear.stationMm) - own) < other.widthMm &&
        (Math.sign(other.yMm - yMm) === side || other.yMm === yMm) &&
        Math.abs(other.yMm - edgeMm) < other.radiusMm + 2 * NAME_SLACK_MM,
    ) ||
    section.couplers.some(
      ({ coupler, yMm: laneMm, baseRadiusMm }) =>
        laneMm !== yMm &&
        Math.abs(coupler.stationMm - own) < SLEEVE_WIDTH_MM &&
        Math.abs(laneMm - edgeMm) < baseRadiusMm + SLEEVE_ROOM_MM,
    ) ||
    section.members.some(
      (other) =>
        other.yMm !== yMm &&
        other.member.fromMm < own &&
        other.member.toMm > own &&
        Math.abs(other.yMm - (edgeMm + side * NAME_SLACK_MM)) < other.radiusMm + NAME_SLACK_MM,
    )
  )
}
