/** Where what is written on a gear and beside it stands, in viewBox units. */
import type { Section, SectionGear } from 'core'

import type { Layout } from './layout.ts'
import { outwards } from './layout.ts'
import type { Rectangle } from './rectangles.ts'
import { LINE, isApart, lineOf } from './rectangles.ts'
import { metalMm } from './toothMarks.ts'

/** Width of a character of a name; those of gears stand closer to one another than those of shafts. */
const CHARACTER = 7.4
/** The height of a figure written on a gear. */
const FIGURE_HEIGHT = 24
/** How many lines farther out a name may stand that has no room beside another. */
const MOST_LINES_OUT = 2

interface GearFigurePlaces {
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

/** A gear that stands so near to where it meets its mate is in mesh with it. */
const IN_MESH_MM = 0.5

/** Whether a gear has slid into mesh, and did not only ride along with what did. */
function isSlidIn({ meshes }: Section, { gear }: SectionGear, shiftMm: number): boolean {
  return meshes.some(
    ({ a, b, stationMm }) =>
      (a.gear === gear || b.gear === gear) &&
      Math.abs(stationMm - gear.stationMm - shiftMm) < IN_MESH_MM,
  )
}

/** What is written beside a gear, and which way it has slid into mesh. */
function labelOf(section: Section, drawn: SectionGear, slidMm: number): string {
  const { label } = drawn.gear
  const shiftMm = isSlidIn(section, drawn, slidMm) ? slidMm : 0
  const short = label.replace(/ (gear|idler)$/, '').replace(/^(chain|primary) sprocket$/, '$1')
  return shiftMm < 0 ? `◀ ${short}` : shiftMm > 0 ? `${short} ▶` : short
}

/** Where a name could stand: by its middle or its start, and its base line. */
type Line = Pick<GearName, 'x' | 'y' | 'textAnchor'>

/** Lines for the name of a gear, from its teeth outwards: where it stands best, then elsewhere. */
function linesFor(drawn: SectionGear, layout: Layout): readonly (readonly Line[])[] {
  const { side, x, y, half, outer, middle } = metalOf(drawn, layout)
  const steps = Array.from({ length: MOST_LINES_OUT + 1 }, (_, out) => out * LINE)
  const above = steps.map((out): Line => ({ x, y: y - outer - 8 - out, textAnchor: 'middle' }))
  const below = steps.map((out): Line => ({ x, y: y + outer + 20 + out, textAnchor: 'middle' }))
  const beyond = side < 0 ? [above, below] : [below, above]
  if (!drawn.isInternal) return beyond
  // The rim of a ring is too thin for it.
  const beside = steps.map((out): Line => ({
    x: x + half + 8,
    y: y + side * (middle + out) + 5,
    textAnchor: 'start',
  }))
  return [beside, ...beyond]
}

/** The first line that is free; undefined where there is none. */
function freeLine(
  text: string,
  sides: readonly (readonly Line[])[],
  parts: readonly Rectangle[],
  names: readonly Rectangle[],
  height: number,
): GearName | undefined {
  const width = text.length * CHARACTER
  for (const lines of sides)
    for (const line of lines) {
      const left = line.textAnchor === 'middle' ? line.x - width / 2 : line.x
      const covers = lineOf(left, line.y, width)
      const hit = parts.filter((part) => !isApart(covers, part))
      const isInside = covers.top >= 0 && covers.bottom <= height
      if (hit.length === 0 && isInside && names.every((name) => isApart(covers, name)))
        return { ...line, text, covers }
      // Beyond another part it would be taken for the name of that one.
      if (hit.some((part) => part.left < line.x && line.x < part.right)) break
    }
  return undefined
}

/**
 * Names of gears by their ids: beyond the teeth, or beside the rim of a ring; elsewhere where
 * something of `parts` is in the way. Where it would run into what stands beside it, it stands
 * a line or two farther out. One that finds no room is left out, and told by pointing.
 */
export function placeGearNames(
  layout: Layout,
  parts: readonly Rectangle[],
): ReadonlyMap<string, GearName> {
  const { section, scale, shifts } = layout
  const placed = new Map<string, GearName>()
  const names: Rectangle[] = []
  for (const drawn of section.gears) {
    const { id } = drawn.gear
    const text = labelOf(section, drawn, shifts.get(id) ?? 0)
    const found = freeLine(text, linesFor(drawn, layout), parts, names, scale.height)
    if (!found) continue
    names.push(found.covers)
    placed.set(id, found)
  }
  return placed
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
