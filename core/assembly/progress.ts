/**
 * How far a unit has come apart or together: what is off, what comes next, and what was left
 * out on the way up.
 */
import type { Taken } from '../job/job.ts'

import type { Assembly, AssemblyPart } from './assembly.ts'
import type { Order, Step } from './order.ts'
import { MOST_LOOKS, leastToReach, openWay } from './removal.ts'

/** The two directions of the work. */
export type Direction = 'down' | 'up'

/** How far a unit is apart or together. */
export interface Progress {
  /** Ids of the parts that are off. */
  readonly off: ReadonlySet<string>
  /** What is done next that way; undefined where nothing is left, or nothing can be done. */
  readonly next: Step | undefined
  /** Parts that are off although what keeps them from going in is in already. */
  readonly forgotten: readonly Forgotten[]
  /** Parts that are told of and are not in the unit any more, by reference. */
  readonly lost: readonly string[]
}

/** A part that was left out, and what it costs to put it in. */
interface Forgotten {
  readonly part: AssemblyPart
  /** The fewest parts that have to come off again so that it goes in, in that order. */
  readonly undo: readonly string[]
}

/** What is off, by ids of the assembly. */
export function partsOff({ parts }: Assembly, { isApart, moved }: Taken): ReadonlySet<string> {
  return new Set(
    parts
      .filter(({ refs }) => {
        const said = refs.flatMap((ref) => moved.get(ref) ?? [])
        return said.length > 0 ? said.includes('off') : isApart
      })
      .map(({ id }) => id),
  )
}

/** How far the unit has come, and what comes next in a direction. */
export function progressOf(
  assembly: Assembly,
  order: Order,
  taken: Taken,
  direction: Direction,
): Progress {
  const off = partsOff(assembly, taken)
  const isIn = (id: string): boolean => !off.has(id)
  const canGo = ({ part }: Step): boolean => openWay(part, isIn) !== undefined
  const waiting = order.down.filter(({ part }) => off.has(part.id) === (direction === 'up'))
  const next = direction === 'down' ? waiting.find(canGo) : waiting.findLast(canGo)
  return {
    off,
    next,
    forgotten: direction === 'up' ? forgottenOf(assembly, order, off) : [],
    lost: [...taken.moved.keys()].filter((ref) => !assembly.byRef.has(ref)),
  }
}

/** What is still on the bench and cannot go in as things stand, with the least to undo for it. */
function forgottenOf(
  { parts }: Assembly,
  { down }: Order,
  off: ReadonlySet<string>,
): readonly Forgotten[] {
  const kept = down.filter(({ part }) => off.has(part.id) && !openWay(part, (id) => !off.has(id)))
  const mostLooks = Math.ceil(MOST_LOOKS / kept.length)
  return kept.flatMap(({ part }): Forgotten[] => {
    const others = new Set([...off].filter((id) => id !== part.id))
    const least = leastToReach(parts, [part.id], others, mostLooks)
    return least ? [{ part, undo: least.ids.filter((id) => id !== part.id) }] : []
  })
}
