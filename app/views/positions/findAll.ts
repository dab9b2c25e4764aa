/** All positions of a box as plain data, which a worker can hand over. */
import type { BoxDraft, CombinationState, Coupler, CouplerPlaces } from 'core'
import {
  checkBox,
  classifyCombinations,
  countStates,
  findPositions,
  formatFraction,
  isClutch,
  namedPlace,
  prepareSolver,
} from 'core'

/** More than these are not listed; the counts still speak of all. */
const MOST_ROWS = 400

export interface FoundRow {
  readonly places: CouplerPlaces
  /** Exact, such as "1258/315". */
  readonly ratio: string
  readonly idle: readonly string[]
  readonly barredBy: string | null
}

export type FoundAll =
  | {
      readonly kind: 'found'
      readonly counts: Readonly<Record<CombinationState, number>>
      /** Usable ones, then barred ones; those with idle couplers are only counted. */
      readonly rows: readonly FoundRow[]
      /** With two gears in on two clutches, of which one is open. */
      readonly readyCount: number
      readonly idleCount: number
    }
  | { readonly kind: 'uncounted'; readonly gears: readonly string[] }
  | { readonly kind: 'too-many'; readonly combinations: number; readonly most: number }
  /** The box does not hang together yet. */
  | { readonly kind: 'faulty' }

/** Judges every combination, telling now and then how many are done. */
function* findAll(draft: BoxDraft): Generator<number, FoundAll> {
  const checked = checkBox(draft)
  if (!checked.ok) return { kind: 'faulty' }
  const classified = yield* classifyCombinations(prepareSolver(checked.box))
  if (classified.kind === 'uncounted')
    return { kind: 'uncounted', gears: classified.gears.map(({ id }) => id) }
  if (classified.kind === 'too-many') return classified
  const all = findPositions(draft, classified.table)
  const rows = all.filter(({ idle }) => idle.length === 0)
  const clutches = draft.couplers.filter(isClutch)
  const isOpen = (coupler: Coupler, places: CouplerPlaces): boolean =>
    coupler.positions.find(({ id }) => id === namedPlace(places, coupler.id))?.engages.length === 0
  const ready = all.filter(
    ({ idle, barredBy, places }) =>
      idle.length > 0 &&
      barredBy === null &&
      clutches.length > 1 &&
      clutches.some((clutch) => isOpen(clutch, places)),
  )
  return {
    kind: 'found',
    counts: countStates(classified.table),
    rows: rows.slice(0, MOST_ROWS).map(({ places, ratio, idle, barredBy }) => ({
      places,
      ratio: formatFraction(ratio),
      idle,
      barredBy,
    })),
    readyCount: ready.length,
    idleCount: all.length - rows.length - ready.length,
  }
}

/** Judges every combination of the draft in one go, telling `onProgress` how many are done. */
export function findAllAtOnce(draft: BoxDraft, onProgress?: (done: number) => void): FoundAll {
  const steps = findAll(draft)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
    onProgress?.(step.value)
  }
}
