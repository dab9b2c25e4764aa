/** Where what is written on a gear and beside it stands, in viewBox units. */
import type { Gear, Section, SectionGear } from 'core'
import { SLEEVE_WIDTH_MM } from 'core'

import type { Layout } from './layout.ts'
import type { Rectangle } from './rectangles.ts'
import { CHARACTER, LINE, isApart, lineOf } from './rectangles.ts'
import { metalMm } from './toothMarks.ts'

/** A name keeps this far from gears that are none of its own. */
const NAME_SLACK_MM = 4
/** A sleeve and its name reach so far beyond what it sits on. */
const SLEEVE_ROOM_MM = 24
/** The height of a figure written on a gear. */
const FIGURE_HEIGHT = 24
/** How many lines farther out a name may stand that has no room beside another. */
const MOST_LINES_OUT = 2

export interface GearFigurePlaces {
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
}

export interface GearName {
  readonly text: string
  readonly x: number
  /** The base line. */
  readonly y: number
  readonly textAnchor: 'start' | 'middle'
  readonly covers: Rectangle
}

/** Where the metal of a gear is, from its axis, and on which side it carries its figures. */
function metalOf(drawn: SectionGear, { section, scale, seats, shifts }: Layout) {
  const { gear, yMm, widthMm, isInternal } = drawn
  const memberRadiusMm = seats.radiusMm(gear.member)
  const outside = outwards(section, yMm)
  const isTurned = isInternal && isFilled(section, drawn, outside)
  const [innerMm, outerMm] = metalMm(drawn, memberRadiusMm, seats.isOnSleeve(gear.id))
  const fromMm = Math.max(innerMm, memberRadiusMm)
  return {
    side: isTurned ? (outside < 0 ? 1 : -1) : outside,
    x: scale.x(gear.stationMm + (shifts.get(gear.id) ?? 0)),
    y: scale.y(yMm),
    half: (widthMm / 2) * scale.perMmX,
    outerMm,
    inner: innerMm * scale.perMmY,
    outer: outerMm * scale.perMmY,
    middle: ((outerMm + fromMm) / 2) * scale.perMmY,
    thickness: (outerMm - fromMm) * scale.perMmY,
  } as const
}

/** A count on the outer side of its shaft, the speed on the inner one. */
export function placeGearFigures(drawn: SectionGear, layout: Layout): GearFigurePlaces {
  const { side, x, y, half, inner, outer, middle, thickness } = metalOf(drawn, layout)
  // A figure that has no room on its side of the shaft goes across the shaft's middle.
  const isBeside = thickness > FIGURE_HEIGHT * 0.8 || drawn.isInternal
  // The rim of a ring is thin: its count stands inside it, over the planets.
  const countAt = drawn.isInternal ? inner - FIGURE_HEIGHT / 2 : middle
  return {
    x,
    frame: { x: x - half, width: 2 * half, y: y - outer, height: 2 * outer },
    countY: y + (isBeside ? side * countAt : 0) + 8,
    speedY: y + (isBeside ? -side * middle : side * 26) + 5,
  }
}

/** What is written beside a gear, and which way it has slid. */
function labelOf({ label }: Gear, shiftMm: number): string {
  const short = label.replace(/ (gear|idler)$/, '').replace(/^(chain|primary) sprocket$/, '$1')
  return shiftMm < 0 ? `◀ ${short}` : shiftMm > 0 ? `${short} ▶` : short
}

/**
 * Names of gears by their ids: beyond the teeth, or beside the rim of a ring, which is thin.
 * Where two would run into one another the second stands a line or two farther out. One that
 * finds no room is left out, and told by pointing.
 */
export function placeGearNames(layout: Layout): ReadonlyMap<string, GearName> {
  const { section, scale, shifts } = layout
  const placed = new Map<string, GearName>()
  for (const drawn of section.gears) {
    const { id } = drawn.gear
    const { side, x, y, half, outer, outerMm, middle } = metalOf(drawn, layout)
    const text = labelOf(drawn.gear, shifts.get(id) ?? 0)
    const width = text.length * CHARACTER
    for (let out = 0; out <= MOST_LINES_OUT; out++) {
      const reachMm = outerMm + (out * LINE) / scale.perMmY
      if (isCovered(section, { ...drawn, radiusMm: reachMm }, side, shifts)) break
      const at = drawn.isInternal
        ? { x: x + half + 8, y: y + side * (middle + out * LINE) + 5 }
        : { x, y: side < 0 ? y - outer - 8 - out * LINE : y + outer + 20 + out * LINE }
      const covers = lineOf(drawn.isInternal ? at.x : at.x - width / 2, at.y, width)
      if (![...placed.values()].every((other) => isApart(covers, other.covers))) continue
      placed.set(id, { text, ...at, textAnchor: drawn.isInternal ? 'start' : 'middle', covers })
      break
    }
  }
  return placed
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
