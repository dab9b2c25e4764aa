/** Levers, each in its gate: rows side by side, each with an end forward and an end back. */
import type { BoxDraft, GateEnd, GateGuard, Selector, SelectorPlace } from '../box/types.ts'
import type { CouplerPlaces } from '../box/box.ts'
import { outerRod } from '../box/selectors/rods.ts'

/** One move of the hand, with the number of the lever. */
export type LeverMove = { readonly lever: number } &
  /** Out of an end into the neutral plane, or out of that into an end. */
  (
    | { readonly kind: 'out'; readonly row: number; readonly end: GateEnd }
    | {
        readonly kind: 'in'
        readonly row: number
        readonly end: GateEnd
        readonly guard: GateGuard | null
      }
    /** Along the neutral plane. */
    | { readonly kind: 'across'; readonly row: number; readonly to: number }
  )

/** The lever that moves a rod, where nothing else does. */
export function leverOf({ lever = FIRST_LEVER }: Pick<Selector, 'lever'>): number {
  return lever
}

/** The lever of a rod that names none, and the one whose neutral a range waits for. */
export const FIRST_LEVER = 1

/** A place of a rod and the end of the gate that brings it there. */
export interface Slot {
  readonly selector: Selector
  readonly place: SelectorPlace
  readonly lever: number
  readonly row: number
  readonly end: GateEnd
  readonly guard: GateGuard | null
}

/** Every end of the gates that something lies at. */
export function slotsOf(selectors: readonly Selector[]): readonly Slot[] {
  return selectors.flatMap((selector) =>
    selector.switched === undefined
      ? selector.places.flatMap((place): Slot[] =>
          place.gate
            ? [
                {
                  selector,
                  place,
                  lever: leverOf(selector),
                  row: place.gate.row,
                  end: place.gate.end,
                  guard: place.gate.guard ?? null,
                },
              ]
            : [],
        )
      : [],
  )
}

/** Whether a place of a rod is what these couplers stand in; a rod that moves none is in none. */
function isIn({ couplers }: SelectorPlace, places: CouplerPlaces): boolean {
  const moved = Object.entries(couplers)
  return moved.length > 0 && moved.every(([id, place]) => places[id] === place)
}

/** Where each lever stands for these places, the first lever first: an end, or null in neutral. */
export function standingOf(
  slots: readonly Slot[],
  places: CouplerPlaces,
): ReadonlyMap<number, Slot | null> {
  const levers = [...new Set(slots.map(({ lever }) => lever))].sort((one, other) => one - other)
  return new Map(
    levers.map((lever) => [
      lever,
      slots.find((slot) => slot.lever === lever && isIn(slot.place, places)) ?? null,
    ]),
  )
}

/** The places of rods that a switch or a control unit moves which these couplers stand in. */
export function switchedOf(
  selectors: readonly Selector[],
  places: CouplerPlaces,
): ReadonlyMap<Selector, SelectorPlace | null> {
  return new Map(
    selectors
      .filter(({ switched }) => switched !== undefined)
      .map((selector) => [selector, selector.places.find((place) => isIn(place, places)) ?? null]),
  )
}

/** The moves of one lever from an end to another; null is neutral, in the row that it came from. */
export function leverMoves(from: Slot | null, to: Slot | null): readonly LeverMove[] {
  if (from === to) return []
  const row = from?.row ?? to?.row ?? 0
  return [
    ...(from ? [{ kind: 'out' as const, lever: from.lever, row: from.row, end: from.end }] : []),
    ...(to && to.row !== row
      ? [{ kind: 'across' as const, lever: to.lever, row, to: to.row }]
      : []),
    ...(to
      ? [{ kind: 'in' as const, lever: to.lever, row: to.row, end: to.end, guard: to.guard }]
      : []),
  ]
}

/** The rods of a box, moving what there is: somebody may have taken a coupler or a place out. */
export function rodsOf({ selectors = [], couplers }: BoxDraft): readonly Selector[] {
  return selectors.map((selector) => ({
    ...selector,
    ...(selector.inside !== undefined && { inside: outerRod(selectors, selector)?.id }),
    ...(selector.passes && {
      passes: selector.passes.filter((id) => couplers.some((coupler) => coupler.id === id)),
    }),
    places: selector.places.map((place) => ({
      ...place,
      couplers: Object.fromEntries(
        Object.entries(place.couplers).filter(([id, at]) =>
          couplers.some(
            (coupler) => coupler.id === id && coupler.positions.some((each) => each.id === at),
          ),
        ),
      ),
    })),
  }))
}

/** Something that a gate or its rods contradict themselves in. */
export type SelectorFault =
  | { readonly code: 'moves-nothing'; readonly selector: string; readonly place: string }
  /** One end of the gate for two places. */
  | {
      readonly code: 'slot-twice'
      readonly lever: number
      readonly row: number
      readonly end: GateEnd
      readonly selectors: readonly [string, string]
    }
  /** Two places of one rod at one travel. */
  | { readonly code: 'travel-twice'; readonly selector: string; readonly travelMm: number }

/** What is wrong with the rods and the gate, each at its place. */
export function selectorFaults(draft: BoxDraft): readonly SelectorFault[] {
  const faults: SelectorFault[] = []
  const taken = new Map<string, string>()
  for (const selector of rodsOf(draft)) {
    const travels = new Set<number>()
    for (const place of selector.places) {
      if (Object.keys(place.couplers).length === 0)
        faults.push({ code: 'moves-nothing', selector: selector.id, place: place.id })
      const { travelMm, gate } = place
      if (travelMm !== undefined && travels.has(travelMm))
        faults.push({ code: 'travel-twice', selector: selector.id, travelMm })
      if (travelMm !== undefined) travels.add(travelMm)
      // What has a switch of its own is in nobody's way in the gate.
      if (!gate || selector.switched !== undefined) continue
      const key = `${leverOf(selector)} ${gate.row} ${gate.end}`
      const other = taken.get(key)
      if (other !== undefined)
        faults.push({
          code: 'slot-twice',
          lever: leverOf(selector),
          row: gate.row,
          end: gate.end,
          selectors: [other, selector.id],
        })
      taken.set(key, selector.id)
    }
  }
  return faults
}
