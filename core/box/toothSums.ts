/** Sums of teeth of pairs in mesh: at one centre distance they are nearly the same. */
import { pairsOf } from './links/index.ts'
import { oncePer } from './oncePer.ts'
import type { BoxDraft, Gear, Link } from './types.ts'

interface PairSum {
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
export const sumsBetweenAxes: (draft: BoxDraft) => readonly (readonly PairSum[])[] = oncePer(
  (draft) => {
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
  },
)

/** Two gears that an idler bridges, and what two on their shafts that mesh have together. */
interface BridgedPair {
  readonly idler: string
  readonly gears: readonly [Gear, Gear]
  readonly toothSum: number
  /** Where the second of the two links stands among the links of the draft. */
  readonly at: number
  readonly meshingSum: number
}

/** Counted gears side by side that only an idler links, between shafts that have pairs of alike teeth. */
export function bridgedPairs(draft: BoxDraft): readonly BridgedPair[] {
  const gears = new Map(draft.gears.map((gear) => [gear.id, gear]))
  const axes = new Map(draft.members.map(({ id, axis }) => [id, axis]))
  const axisOf = ({ member }: Gear): string => axes.get(member) ?? ''
  /** The first that each gear meshes with. */
  const first = new Map<string, string>()
  const bridged: { readonly idler: string; readonly ends: readonly string[]; at: number }[] = []
  draft.links.forEach((link, at) => {
    for (const { a, b, touch } of pairsOf(link)) {
      if (touch !== 'outside') continue
      for (const [idler, other] of [
        [a, b],
        [b, a],
      ] as const) {
        const before = first.get(idler)
        if (before === undefined) first.set(idler, other)
        else bridged.push({ idler, ends: [before, other], at })
      }
    }
  })
  return bridged.flatMap(({ idler, ends, at }): readonly BridgedPair[] => {
    const [one, two] = ends.map((id) => gears.get(id))
    if (!one || !two || axisOf(one) === axisOf(two)) return []
    if (one.toothCount === null || two.toothCount === null) return []
    const isSideBySide =
      2 * Math.abs(one.stationMm - two.stationMm) <= (one.faceWidthMm ?? 0) + (two.faceWidthMm ?? 0)
    const between = sumsBetweenAxes(draft).find(([pair]) => {
      const [a, b] = [gears.get(pair?.a ?? ''), gears.get(pair?.b ?? '')]
      const shafts = [a, b].map((gear) => gear && axisOf(gear))
      const isOfOneSize = [one, two].every(
        (gear) => gear.moduleMm === a?.moduleMm && gear.helixAngleDeg === a?.helixAngleDeg,
      )
      return isOfOneSize && shafts.includes(axisOf(one)) && shafts.includes(axisOf(two))
    })
    const meshingSum = between && median(between.map(({ sum }) => sum))
    if (!isSideBySide || meshingSum === undefined) return []
    return [{ idler, gears: [one, two], toothSum: one.toothCount + two.toothCount, at, meshingSum }]
  })
}

/** The middle value, the upper one of an even number; undefined of none. */
export function median(values: readonly number[]): number | undefined {
  const sorted = [...values].sort((one, other) => one - other)
  return sorted[Math.floor(sorted.length / 2)]
}
