/**
 * The order in which a unit comes apart, and goes together the other way round: first what is
 * taken out of the case and off it, turning it over as little as can be, then every shaft on
 * the bench, one after another and along it. Whatever can come off may come off at once
 * (`removal.ts`), so that the fewest turns are found by taking off all that a side allows
 * before the next is turned up.
 */
import { oncePer } from '../box/oncePer.ts'
import type { ClosingSide } from '../box/types.ts'
import { CLOSING_SIDES } from '../box/types.ts'

import type { Assembly, AssemblyPart } from './assembly.ts'
import type { AssemblyWay } from './lookup.ts'
import { smallestCircle, stuckParts } from './removal.ts'

/** One part taken off, and how. */
export interface Step {
  readonly part: AssemblyPart
  readonly way: AssemblyWay
  /** Which side of the case is turned to the person for it; null where none has to be. */
  readonly face: ClosingSide | null
}

/** The steps in which a unit comes apart. */
export interface Order {
  /** Coming apart; together they go from the last to the first. */
  readonly down: readonly Step[]
  /** How often the case is turned over. */
  readonly turns: number
  /** What never comes off, whatever else does; no step is for it. */
  readonly stuck: readonly AssemblyPart[]
  /** Of these the fewest that hold one another, by reference; one that passes nowhere by itself. */
  readonly circle: readonly string[]
  /** False where the search for it was broken off: there may be a smaller one. */
  readonly isCircleLeast: boolean
}

/** The order of a unit; worked out once. */
export const orderOf: (assembly: Assembly) => Order = oncePer(order)

function order({ parts }: Assembly): Order {
  const held = new Set(stuckParts(parts))
  const left = new Set(parts.map(({ id }) => id))
  const steps: Step[] = []
  let turns = -1
  while (left.size > held.size) {
    const inCase = fewestTurns(parts, left)
    for (const face of inCase.faces) {
      turns++
      steps.push(...allOnSide(parts, left, face))
    }
    if (inCase.faces.length === 0) steps.push(...allOnSide(parts, left, null))
    steps.push(...onBench(parts, left))
  }
  const { ids, isLeast } = held.size === 0 ? { ids: [], isLeast: true } : smallestCircle(parts)
  return {
    down: steps,
    turns: Math.max(0, turns),
    stuck: parts.filter(({ id }) => held.has(id)),
    circle: ids,
    isCircleLeast: isLeast,
  }
}

/** The first way that is open from a side. */
function wayFrom(
  part: AssemblyPart,
  left: ReadonlySet<string>,
  face: ClosingSide | null,
): AssemblyWay | undefined {
  return part.ways.find(
    (way) => (way.face === null || way.face === face) && !way.blockedBy.some((id) => left.has(id)),
  )
}

/** The order in which parts are reached for, where several could come off: from outside inwards. */
const REACHED_FIRST = ['clutch', 'case', 'washers', 'selectors', 'bearings', 'shafts'] as const

function reach({ part }: AssemblyPart): number {
  const at = REACHED_FIRST.findIndex((family) => family === part.family)
  return at < 0 ? REACHED_FIRST.length : at
}

/** Takes off what is in the case or on it while one side of it is up; `left` grows shorter. */
function allOnSide(
  parts: readonly AssemblyPart[],
  left: Set<string>,
  face: ClosingSide | null,
): readonly Step[] {
  const waiting = parts
    .filter(({ bench, id }) => bench === null && left.has(id))
    .sort((one, other) => reach(one) - reach(other))
  const steps: Step[] = []
  for (;;) {
    const next = waiting.find((part) => left.has(part.id) && wayFrom(part, left, face))
    const way = next && wayFrom(next, left, face)
    if (!next || !way) return steps
    left.delete(next.id)
    steps.push({ part: next, way, face: way.face === null ? null : face })
  }
}

/** What is left of the case after all that one side allows. */
function afterSide(
  parts: readonly AssemblyPart[],
  left: ReadonlySet<string>,
  face: ClosingSide,
): ReadonlySet<string> {
  const rest = new Set(left)
  let isMore = true
  while (isMore) {
    isMore = false
    for (const part of parts)
      if (part.bench === null && rest.has(part.id) && wayFrom(part, rest, face)) {
        rest.delete(part.id)
        isMore = true
      }
  }
  return rest
}

/** The fewest sides to turn up, one after another, until no more of the case comes off. */
function fewestTurns(
  parts: readonly AssemblyPart[],
  left: ReadonlySet<string>,
): { readonly faces: readonly ClosingSide[] } {
  const sides = CLOSING_SIDES.filter((side) =>
    parts.some(({ id, ways }) => left.has(id) && ways.some(({ face }) => face === side)),
  )
  interface Turned {
    readonly faces: readonly ClosingSide[]
    readonly left: ReadonlySet<string>
  }
  let reached: readonly Turned[] = [{ faces: [], left }]
  let best: Turned = { faces: [], left }
  while (reached.length > 0) {
    const next = reached.flatMap((turned) =>
      sides
        .filter((side) => side !== turned.faces.at(-1))
        .map((side): Turned => ({
          faces: [...turned.faces, side],
          left: afterSide(parts, turned.left, side),
        }))
        .filter((each) => each.left.size < turned.left.size),
    )
    for (const turned of next) if (turned.left.size < best.left.size) best = turned
    // Of two that took off as much, one is enough to go on from.
    const kept = new Map(next.map((turned) => [[...turned.left].join('\n'), turned]))
    reached = best.left.size === 0 ? [] : [...kept.values()]
  }
  return best
}

/** Strips one shaft after another, along it from where it was last worked on. */
function onBench(parts: readonly AssemblyPart[], left: Set<string>): readonly Step[] {
  const onBenches = parts.filter(({ bench }) => bench !== null)
  const steps: Step[] = []
  let last: AssemblyPart | undefined
  let over: AssemblyWay['over'] | undefined
  for (;;) {
    const open = onBenches.flatMap((part) => {
      const way = left.has(part.id) ? wayFrom(part, left, null) : undefined
      return way ? [{ part, way }] : []
    })
    const cost = ({ part, way }: (typeof open)[number]): number =>
      !last
        ? 0
        : (part.bench === last.bench ? 0 : 1e6) +
          (way.over === over || way.over === 'sideways' ? 0 : 1e4) +
          Math.abs((part.atMm ?? 0) - (last.atMm ?? 0))
    const next = open.sort((one, other) => cost(one) - cost(other))[0]
    if (!next) return steps
    left.delete(next.part.id)
    steps.push({ ...next, face: null })
    last = next.part
    if (next.way.over !== 'sideways') over = next.way.over
  }
}
