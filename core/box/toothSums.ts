/** Sums of teeth of pairs in mesh: at one centre distance they are nearly the same. */
import { pairsOf } from './links/index.ts'
import type { BoxDraft, Gear, Link } from './types.ts'

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

/** Two gears that an idler bridges, and what two on their shafts that mesh have together. */
export interface BridgedPair {
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
  const sums = sumsBetweenAxes(draft).map((pairs) => ({
    usual: median(pairs.map(({ sum }) => sum)) ?? 0,
    shafts: pairs.map(({ a, b }) => [gears.get(a), gears.get(b)]),
  }))
  const meshes = draft.links.flatMap((link, at) =>
    pairsOf(link).flatMap(({ a, b, touch }) =>
      touch === 'outside'
        ? [
            { of: a, other: b, at },
            { of: b, other: a, at },
          ]
        : [],
    ),
  )
  return meshes.flatMap(({ of: idler, other, at }): readonly BridgedPair[] => {
    const [one, two] = [meshes.find((each) => each.of === idler && each.at < at)?.other, other].map(
      (id) => gears.get(id ?? ''),
    )
    if (!one || !two || axisOf(one) === axisOf(two)) return []
    if (one.toothCount === null || two.toothCount === null) return []
    const isSideBySide =
      2 * Math.abs(one.stationMm - two.stationMm) <= (one.faceWidthMm ?? 0) + (two.faceWidthMm ?? 0)
    const between = sums.find(({ shafts: [first] }) => {
      const [a, b] = first ?? []
      const ends = [a, b].map((gear) => gear && axisOf(gear))
      const isOfOneSize = [one, two].every(
        (gear) => gear.moduleMm === a?.moduleMm && gear.helixAngleDeg === a?.helixAngleDeg,
      )
      return isOfOneSize && ends.includes(axisOf(one)) && ends.includes(axisOf(two))
    })
    if (!isSideBySide || !between) return []
    const toothSum = one.toothCount + two.toothCount
    return [{ idler, gears: [one, two], toothSum, at, meshingSum: between.usual }]
  })
}

/** The middle value, the upper one of an even number; undefined of none. */
export function median(values: readonly number[]): number | undefined {
  const sorted = [...values].sort((one, other) => one - other)
  return sorted[Math.floor(sorted.length / 2)]
}
