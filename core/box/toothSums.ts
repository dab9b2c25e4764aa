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
  draft.links.forEach((link, at) => {
    for (const pair of pairsOf(link)) {
      if (pair.touch !== 'outside') continue
      const [a, b] = [gears.get(pair.a), gears.get(pair.b)]
      if (!a || !b || a.toothCount === null || b.toothCount === null) continue
      const [one, other] = [axes.get(a.member) ?? '', axes.get(b.member) ?? '']
      const between = one < other ? `${one}\n${other}` : `${other}\n${one}`
      const size = `${a.moduleMm ?? b.moduleMm ?? ''}\n${a.helixAngleDeg ?? b.helixAngleDeg ?? ''}`
      const key = `${between}\n${size}`
      const sum = { link, a: a.id, b: b.id, at, sum: a.toothCount + b.toothCount }
      const group = groups.get(key)
      if (group) group.push(sum)
      else groups.set(key, [sum])
    }
  })
  return [...groups.values()]
}

/** The middle value, the upper one of an even number; undefined of none. */
export function median(values: readonly number[]): number | undefined {
  const sorted = [...values].sort((one, other) => one - other)
  return sorted[Math.floor(sorted.length / 2)]
}
