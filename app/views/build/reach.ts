/** What it takes to get at parts, and what it costs. */
import type { Assembly, AssemblyPart, BoxIndex, Order, Step } from 'core'
import { handlingOf, leastToReach, openWay } from 'core'

export interface Reach {
  /** What comes off, in the order in which it can; the parts asked for among it. */
  readonly steps: readonly Step[]
  /** Of these, those that are pressed, and those that go in once. */
  readonly pressed: readonly AssemblyPart[]
  readonly once: readonly AssemblyPart[]
  /** False where the search was broken off: fewer might do. */
  readonly isLeast: boolean
}

/** Undefined where one of the parts never comes off. */
export function reachOf(
  index: BoxIndex,
  { parts, byRef }: Assembly,
  { down }: Order,
  targets: readonly AssemblyPart[],
  off: ReadonlySet<string>,
): Reach | undefined {
  /** The parts one by one, each by a way that is open by then; undefined where one has none. */
  const stepsFor = (ids: readonly string[]): readonly Step[] | undefined => {
    const gone = new Set(off)
    const steps = ids.flatMap((id): readonly Step[] => {
      const part = byRef.get(id)
      const way = part && openWay(part, (each) => byRef.has(each) && !gone.has(each))
      gone.add(id)
      return part && way ? [{ part, way, face: way.face }] : []
    })
    return steps.length === ids.length ? steps : undefined
  }
  const found = leastToReach(
    parts,
    targets.map(({ id }) => id),
    off,
  )
  if (!found) return undefined
  const { ids: least, isLeast } = found
  const usual = down.map(({ part }) => part.id).filter((id) => least.includes(id))
  const steps = stepsFor(usual) ?? stepsFor(least) ?? []
  const taken = steps.map(({ part }) => part)
  return {
    steps,
    pressed: taken.filter((part) => handlingOf(index, part).fit === 'pressed'),
    once: taken.filter((part) => handlingOf(index, part).isNewEachTime),
    isLeast,
  }
}

/** So few steps are read at a glance. */
const FEWEST_FOLDED = 3

/**
 * The steps before the first that is wanted, or that stands on a shaft: what opens the case. None
 * where they are too few to be worth folding.
 */
export function openingOf(
  steps: readonly Step[],
  targets: readonly AssemblyPart[],
): readonly Step[] {
  const end = steps.findIndex(({ part }) => part.bench !== null || targets.includes(part))
  const opening = end < 0 ? steps : steps.slice(0, end)
  return opening.length < FEWEST_FOLDED ? [] : opening
}
