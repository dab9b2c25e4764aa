/** A coupler between two of its places, and how far it and the gears that slide with it stand. */
import type { CouplerPosition, Section } from 'core'
import { slidShiftsMm, sleeveShiftMm } from 'core'

export interface OnTheWay {
  /** Its id. */
  readonly coupler: string
  readonly from: CouplerPosition
  readonly to: CouplerPosition
  /** Of the way, 0 to 1. */
  readonly part: number
}

const between = (from: number, to: number, part: number): number => from + (to - from) * part

export function sleeveOnTheWayMm({ from, to, part }: OnTheWay): number {
  return between(sleeveShiftMm(from), sleeveShiftMm(to), part)
}

/** How far each sliding gear stands from where it rests; those of the coupler on its way in between. */
export function slidOnTheWay(
  section: Section,
  places: ReadonlyMap<string, CouplerPosition>,
  onTheWay: OnTheWay | undefined,
): ReadonlyMap<string, number> {
  if (!onTheWay) return slidShiftsMm(section, places)
  const { coupler, from, to, part } = onTheWay
  const [before, after] = [from, to].map((place) =>
    slidShiftsMm(section, new Map([...places, [coupler, place]])),
  )
  const gears = new Set([...(before?.keys() ?? []), ...(after?.keys() ?? [])])
  return new Map(
    [...gears].map((gear) => [gear, between(before?.get(gear) ?? 0, after?.get(gear) ?? 0, part)]),
  )
}
