/** Couplers between two of their places, and how far they and the gears that slide with them stand. */
import type { CouplerPosition, CouplerWay, Section, SectionCoupler } from 'core'
import { couplerShift, slidShiftsMm, sleeveShiftMm } from 'core'

export const AT_THEIR_PLACES: readonly CouplerWay[] = []

const between = (from: number, to: number, part: number): number => from + (to - from) * part

/** How far a sleeve stands from its station. */
export function sleeveOnTheWayMm({ from, to, part }: CouplerWay): number {
  return between(sleeveShiftMm(from), sleeveShiftMm(to), part)
}

/** How far what a coupler moves stands from where it rests, whatever that is. */
export function couplerShiftMm(
  section: Section,
  { coupler }: SectionCoupler,
  place: CouplerPosition | undefined,
  onTheWay: readonly CouplerWay[],
): number {
  const way = onTheWay.find((each) => each.coupler === coupler.id)
  const at = (where: CouplerPosition | undefined): number =>
    couplerShift(section, coupler, where).shiftMm
  return way ? between(at(way.from), at(way.to), way.part) : at(place)
}

/** How far each sliding gear stands from where it rests; those of couplers on their way in between. */
export function slidOnTheWay(
  section: Section,
  places: ReadonlyMap<string, CouplerPosition>,
  onTheWay: readonly CouplerWay[],
): ReadonlyMap<string, number> {
  const shifts = new Map(slidShiftsMm(section, places))
  for (const way of onTheWay) {
    const drawn = section.couplers.find(({ coupler }) => coupler.id === way.coupler)
    if (!drawn) continue
    const ends = [way.from, way.to].map((place) => couplerShift(section, drawn.coupler, place))
    const shiftMm = couplerShiftMm(section, drawn, undefined, [way])
    for (const gear of new Set(ends.flatMap(({ gears }) => gears))) shifts.set(gear, shiftMm)
  }
  return shifts
}
