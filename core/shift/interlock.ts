/**
 * What balls, pins and plates between rods leave possible. A rod away from its middle pushes
 * the ball beside it into the notch of its neighbour; a pin in that one hands the push on to
 * the ball on its other side. Two rods keep one another in the middle where balls lie all the
 * way between them with a pin in every rod on that way, or where one plate serves both.
 */
import type { BoxDraft, InterlockPart, Selector, SelectorPlace } from '../box/types.ts'
import { rodsOf } from './lever.ts'
import type { CouplerPlaces } from '../box/box.ts'
import { placesAtRest } from '../box/box.ts'
import type { Solver } from '../train/analysis.ts'
import { analyse } from '../train/analysis.ts'
import type { LockCause } from '../train/lock.ts'
import { explainLock, isLocked } from '../train/lock.ts'

/** A rod away from its middle. */
export interface MovedRod {
  readonly selector: Selector
  readonly place: SelectorPlace
}

/** Rods that can be away from their middles together, and what the box does then. */
export interface OpenSet {
  /** Two rods; or more, where they lock and none of them could be left out for that. */
  readonly moved: readonly MovedRod[]
  readonly isLocked: boolean
  readonly cause: LockCause | undefined
}

/** Whether parts keep two rods from being away from their middles together. */
export function areHeldApart(parts: readonly InterlockPart[], one: string, other: string): boolean {
  if (
    parts.some(
      ({ kind, selectors }) =>
        kind === 'plate' && selectors.includes(one) && selectors.includes(other),
    )
  )
    return true
  const pinned = new Set(parts.flatMap(({ kind, selectors }) => (kind === 'pin' ? selectors : [])))
  const reached = new Set([one])
  const next = [one]
  for (let rod = next.pop(); rod !== undefined; rod = next.pop()) {
    // From the first rod the push goes on to its neighbours; from any other through its pin.
    if (rod !== one && !pinned.has(rod)) continue
    for (const { kind, selectors } of parts) {
      if (kind !== 'ball' || !selectors.includes(rod)) continue
      for (const beside of selectors) {
        if (beside === other) return true
        if (reached.has(beside)) continue
        reached.add(beside)
        next.push(beside)
      }
    }
  }
  return false
}

/** The couplers with these rods away from their middles, everything else at rest; undefined where two move one coupler apart. */
export function placesWith(draft: BoxDraft, moved: readonly MovedRod[]): CouplerPlaces | undefined {
  const places: Record<string, string> = {}
  for (const { place } of moved)
    for (const [coupler, at] of Object.entries(place.couplers)) {
      if (places[coupler] !== undefined && places[coupler] !== at) return undefined
      places[coupler] = at
    }
  return { ...placesAtRest(draft.couplers), ...places }
}

/** Rods of the lever, and those of a control unit that something keeps apart. */
function rodsAway(draft: BoxDraft): readonly MovedRod[] {
  const tied = new Set(draft.interlockParts?.flatMap((part) => part.selectors))
  return rodsOf(draft)
    .filter(({ id, switched }) => switched === undefined || tied.has(id))
    .flatMap((selector) => selector.places.map((place) => ({ selector, place })))
}

/**
 * Every two rods of the lever away from their middles, and every larger set that locks although
 * no smaller one in it does, whatever would keep them apart.
 */
function everySet(solver: Solver): readonly OpenSet[] {
  const { draft } = solver.box
  const away = rodsAway(draft)
  const found: OpenSet[] = []
  let grown: readonly (readonly MovedRod[])[] = [[]]
  while (grown.length > 0) {
    const next: (readonly MovedRod[])[] = []
    for (const moved of grown)
      for (const rod of away.slice(moved.length === 0 ? 0 : away.indexOf(last(moved)) + 1)) {
        if (moved.some(({ selector }) => selector === rod.selector)) continue
        const set = [...moved, rod]
        const places = placesWith(draft, set)
        if (!places) continue
        const isSingle = set.length === 1
        const locks = !isSingle && isLocked(analyse(solver, places))
        if (locks || set.length === 2)
          found.push({
            moved: set,
            isLocked: locks,
            cause: locks ? explainLock(solver, places) : undefined,
          })
        // What locks already locks whatever comes in besides.
        if (!locks) next.push(set)
      }
    grown = next
  }
  return found.filter(
    ({ moved }) =>
      moved.length === 2 ||
      !found.some(
        (other) =>
          other.isLocked &&
          other.moved.length < moved.length &&
          other.moved.every((rod) => moved.includes(rod)),
      ),
  )
}

function last(moved: readonly MovedRod[]): MovedRod {
  const rod = moved.at(-1)
  if (!rod) throw new Error('no rod')
  return rod
}

/** What taking one part out makes possible that was not. */
export interface PartOut {
  readonly part: InterlockPart
  readonly opened: readonly OpenSet[]
}

/** Which couplers an interlock lets in at once, and what each of its parts keeps from happening. */
export interface InterlockProof {
  /** What is possible with every part in. */
  readonly open: readonly OpenSet[]
  /** For each part, what only it keeps from happening. */
  readonly without: readonly PartOut[]
}

/** What the interlock of a box keeps apart, with all of its parts and without each. */
export function proveInterlock(solver: Solver): InterlockProof {
  const parts = solver.box.draft.interlockParts ?? []
  const every = everySet(solver)
  const possible = (left: readonly InterlockPart[]): readonly OpenSet[] =>
    every.filter(({ moved }) => isPossible(left, moved))
  const open = possible(parts)
  return {
    open,
    without: parts.map((part) => ({
      part,
      opened: possible(parts.filter((each) => each !== part)).filter((set) => !open.includes(set)),
    })),
  }
}

/** Whether no two of these rods are kept apart. */
function isPossible(parts: readonly InterlockPart[], moved: readonly MovedRod[]): boolean {
  return moved.every((one, at) =>
    moved.slice(at + 1).every((other) => !areHeldApart(parts, one.selector.id, other.selector.id)),
  )
}
