/** Sums of teeth of pairs in mesh: at one centre distance they are nearly the same. */
import { pairsOf } from './links/index.ts'
import type { BoxDraft, Link } from './types.ts'

export interface PairSum {
  readonly link: Link
  /** Gear ids. */
  readonly a: string
  readonly b: string
  /** Where the link stands among the links of the draft. */
  readonly at: number
  readonly sum: number
}

/**
 * Sums of teeth of the counted external pairs between the same two axes, where module
 * and helix are alike or not known: teeth of another size have another sum at one
 * centre distance.
 */
export function sumsBetweenAxes(draft: BoxDraft): readonly (readonly PairSum[])[] {
  const gears = new Map(draft.gears.map((gear) => [gear.id, gear]))
  const axes = new Map(draft.members.map(({ id, axis }) => [id, axis]))
  const groups = new Map<string, PairSum[]>()
  const pairs = draft.links.flatMap((link, at) =>
    pairsOf(link).flatMap((pair) => (pair.touch === 'outside' ? [{ ...pair, link, at }] : [])),
  )
  for (const { link, at, ...pair } of pairs) {
    const [a, b] = [gears.get(pair.a), gears.get(pair.b)]
    if (!a || !b || a.toothCount === null || b.toothCount === null) continue
    const between = [axes.get(a.member), axes.get(b.member)].sort()
    const size = [a.moduleMm ?? b.moduleMm ?? '', a.helixAngleDeg ?? b.helixAngleDeg ?? '']
    const key = [...between, ...size].join('\n')
    const group = groups.get(key) ?? []
    group.push({ link, a: a.id, b: b.id, at, sum: a.toothCount + b.toothCount })
    groups.set(key, group)
  }
  return [...groups.values()]
}

/** The middle value, the upper one of an even number; undefined of none. */
export function median(values: readonly number[]): number | undefined {
  const sorted = [...values].sort((one, other) => one - other)
  return sorted[Math.floor(sorted.length / 2)]
}
