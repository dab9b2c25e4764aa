/**
 * What can come off when. A part comes off by one of its ways, each of which is open once
 * all that is in its way is off. Taking a part off never closes a way of another, so that
 * whatever can come off may come off at once, and an order exists exactly where taking off
 * all that can come off leaves nothing. Putting together is the same turned round.
 */

import { oncePer } from '../box/oncePer.ts'

/** A way off; open once everything in it is off. */
export interface Way {
  readonly blockedBy: readonly string[]
}

/** A part with its ways off; one that has none never comes off. */
export interface Removable<W extends Way = Way> {
  readonly id: string
  readonly ways: readonly W[]
}

/** Parts by number, with the ways by numbers too; what is not among the parts is in nobody's way. */
interface Numbered {
  readonly ids: readonly string[]
  readonly at: ReadonlyMap<string, number>
  readonly ways: readonly (readonly (readonly number[])[])[]
}

const numbered = oncePer((parts: readonly Removable[]): Numbered => {
  const at = new Map(parts.map(({ id }, which) => [id, which]))
  const ways = parts.map((part) =>
    part.ways.map(({ blockedBy }) => [...new Set(blockedBy.flatMap((id) => at.get(id) ?? []))]),
  )
  return { ids: parts.map(({ id }) => id), at, ways }
})

/** The first way of a part that is open once `off` are off. */
export function openWay<W extends Way>(
  part: Removable<W>,
  isThere: (id: string) => boolean,
): W | undefined {
  return part.ways.find(({ blockedBy }) => !blockedBy.some(isThere))
}

/** Takes off what can come off of `these`, each once. What is left is stuck. */
function takeOff(
  ways: Numbered['ways'],
  these: readonly number[],
  isOff: Uint8Array,
): { readonly order: readonly number[]; readonly stuck: readonly number[] } {
  const order: number[] = []
  let left = these
  for (;;) {
    const stay: number[] = []
    for (const part of left)
      if (ways[part]?.some((way) => way.every((each) => isOff[each] === 1)) === true) {
        isOff[part] = 1
        order.push(part)
      } else stay.push(part)
    if (stay.length === left.length || stay.length === 0) return { order, stuck: stay }
    left = stay
  }
}

/** What never comes off, whatever else does; empty where there is an order. */
export function stuckParts(parts: readonly Removable[]): readonly string[] {
  const { ids, ways } = numbered(parts)
  const { stuck } = takeOff(ways, [...ids.keys()], new Uint8Array(ids.length))
  return stuck.map((part) => ids[part] ?? '')
}

/** The parts of a search so far, to know it again. */
function keyOf(these: readonly number[]): string {
  return [...these].sort((one, other) => one - other).join(' ')
}

/**
 * Ways that a search looks at before it stops and takes what it has. Sets that have to come off,
 * or hold one another, grow in number as powers of the choices among them; of real units none
 * comes near this, and it takes a tenth of a second.
 */
export const MOST_LOOKS = 120_000

/** What a search may still look at. */
class Budget {
  #left: number

  constructor(mostLooks: number) {
    this.#left = mostLooks
  }

  /** Spends so many looks; false once there are none left. */
  spend(looks: number): boolean {
    this.#left -= looks
    return !this.isSpent
  }

  get isSpent(): boolean {
    return this.#left <= 0
  }
}

/** A set of parts, and whether it was found to be the smallest of its kind. */
interface LeastSet {
  readonly ids: readonly string[]
  readonly isLeast: boolean
}

/** Leaves out of a set whatever can be left out of it, one after another. */
function lessened(
  set: readonly number[],
  keep: (rest: readonly number[]) => readonly number[] | undefined,
): readonly number[] {
  let least = set
  for (const part of set) {
    const without = least.includes(part) ? keep(least.filter((each) => each !== part)) : undefined
    if (without) least = without
  }
  return least
}

/**
 * The fewest parts that have to come off so that `targets` do, they among them, in an order
 * in which they can. Undefined where one of them never comes off.
 *
 * Every part that is in needs all that one of its ways asks for; where it has several the
 * search tries each, and gives up what is no better than what it has. One that has looked at
 * too much is answered with a set out of which nothing can be left, which need not be the least.
 */
export function leastToReach(
  parts: readonly Removable[],
  targets: readonly string[],
  off: ReadonlySet<string> = new Set(),
  mostLooks = MOST_LOOKS,
): LeastSet | undefined {
  const { ids, at, ways } = numbered(parts)
  const before = new Uint8Array(ids.length)
  for (const id of off) {
    const part = at.get(id)
    if (part !== undefined) before[part] = 1
  }
  const first = [...new Set(targets.flatMap((id) => at.get(id) ?? []))].filter(
    (part) => before[part] === 0,
  )
  let best: readonly number[] | undefined
  const budget = new Budget(mostLooks)
  const seen = new Set<string>()
  const search = (these: readonly number[]): void => {
    if (best && these.length >= best.length) return
    if (!budget.spend(these.length)) return
    const key = keyOf(these)
    if (seen.has(key)) return
    seen.add(key)
    const isOff = before.slice()
    const { order, stuck } = takeOff(ways, these, isOff)
    if (stuck.length === 0) {
      best = order
      return
    }
    const isIn = new Uint8Array(before)
    for (const part of these) isIn[part] = 1
    const missing = (way: readonly number[]): readonly number[] =>
      way.filter((each) => isIn[each] === 0)
    // A part none of whose ways is within these needs one of them whole. Where each has one
    // they wait for one another, and some part has to come off by another way.
    const needy = stuck.find((part) => ways[part]?.every((way) => missing(way).length > 0) === true)
    const branches = (needy === undefined ? stuck : [needy])
      .flatMap((part) => ways[part] ?? [])
      .map(missing)
      .filter((added) => added.length > 0)
      .sort((one, other) => one.length - other.length)
    for (const added of branches) search([...these, ...added])
  }
  if (stuckOf(ways, before, first)) return undefined
  search(first)
  if (budget.isSpent) best = fewer(best, withoutSearch(ways, before, first))
  return best && { ids: best.map((part) => ids[part] ?? ''), isLeast: !budget.isSpent }
}

function fewer(one: readonly number[] | undefined, other: readonly number[]): readonly number[] {
  return one && one.length <= other.length ? one : other
}

/** Parts that come off so that `targets` do, none of which can be left on. */
function withoutSearch(
  ways: Numbered['ways'],
  before: Uint8Array,
  targets: readonly number[],
): readonly number[] {
  const all = [...ways.keys()].filter((part) => before[part] === 0)
  const comesOff = (these: readonly number[]): readonly number[] | undefined => {
    const { order, stuck } = takeOff(ways, these, before.slice())
    return targets.some((part) => stuck.includes(part) || !these.includes(part)) ? undefined : order
  }
  return lessened(comesOff(all) ?? [], comesOff)
}

/** Whether one of `targets` stays, whatever comes off. */
function stuckOf(ways: Numbered['ways'], before: Uint8Array, targets: readonly number[]): boolean {
  const isOff = before.slice()
  takeOff(
    ways,
    [...ways.keys()].filter((part) => before[part] === 0),
    isOff,
  )
  return targets.some((part) => isOff[part] === 0)
}

/**
 * The fewest parts that hold one another: each of their ways has one of them in it. Empty
 * where everything comes off. A part without any way is such a circle by itself. A search that
 * has looked at too much gives a circle out of which no part can be left.
 */
export function smallestCircle(parts: readonly Removable[]): LeastSet {
  const { ids, ways } = numbered(parts)
  const { stuck } = takeOff(ways, [...ids.keys()], new Uint8Array(ids.length))
  let best = lessened(stuck, (rest) => holding(ways, rest))
  const isStuck = new Set(stuck)
  const budget = new Budget(MOST_LOOKS)
  const seen = new Set<string>()
  const search = (these: readonly number[], isIn: ReadonlySet<number>): void => {
    if (!budget.spend(these.length)) return
    const key = keyOf(these)
    if (seen.has(key)) return
    seen.add(key)
    const open = these
      .flatMap((part) => ways[part] ?? [])
      .find((way) => !way.some((each) => isIn.has(each)))
    if (!open) {
      if (these.length < best.length) best = these
      return
    }
    if (these.length + 1 >= best.length) return
    for (const next of open)
      if (isStuck.has(next)) search([...these, next], new Set([...isIn, next]))
  }
  for (const part of stuck) search([part], new Set([part]))
  return { ids: best.map((part) => ids[part] ?? ''), isLeast: !budget.isSpent }
}

/** The parts of a set that hold one another while all others are off; undefined where none do. */
function holding(ways: Numbered['ways'], set: readonly number[]): readonly number[] | undefined {
  const isOff = new Uint8Array(ways.length).fill(1)
  for (const part of set) isOff[part] = 0
  const { stuck } = takeOff(ways, set, isOff)
  return stuck.length > 0 ? stuck : undefined
}
