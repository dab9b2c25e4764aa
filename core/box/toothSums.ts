/** Sums of teeth of pairs in mesh: at one centre distance they are nearly the same. */
import type { BoxDraft, Mesh } from './types.ts'

export interface PairSum {
  readonly link: Mesh
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
  draft.links.forEach((link, at) => {
    if (link.kind !== 'external-mesh') return
    const [a, b] = [gears.get(link.a), gears.get(link.b)]
    if (!a || !b || a.toothCount === null || b.toothCount === null) return
    const between = [axes.get(a.member), axes.get(b.member)].sort()
    const size = [a.moduleMm ?? b.moduleMm ?? '', a.helixAngleDeg ?? b.helixAngleDeg ?? '']
    const key = [...between, ...size].join('\n')
    const group = groups.get(key) ?? []
    group.push({ link, at, sum: a.toothCount + b.toothCount })
    groups.set(key, group)
  })
  return [...groups.values()]
}

/** The middle value, the upper one of an even number; undefined of none. */
export function median(values: readonly number[]): number | undefined {
  const sorted = [...values].sort((one, other) => one - other)
  return sorted[Math.floor(sorted.length / 2)]
}
