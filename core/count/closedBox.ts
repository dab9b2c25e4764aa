/**
 * A closed box: tooth counts from turns alone. Every turn check says that a product of
 * pairs lies within what was read,
 *
 *   (T − e)/N ≤ Π driven / driving ≤ (T + e)/N,
 *
 * where `driven` and `driving` are tooth counts, or sums of them in a planetary set
 * (Willis: with the ring held, 1 + zr/zs = (zs + zr)/zs). Unknown counts lie between
 * limits, and so do the sums of pairs, since both axes are a fixed distance apart.
 *
 * The gears form a graph: two are joined when one condition names both. A gear is
 * given each of its counts in turn; what is left then falls into parts that have
 * nothing to do with one another, each of which is solved by itself, and the sets of
 * counts are the products of theirs (search on an AND/OR tree: Dechter and Mateescu,
 * "AND/OR search spaces for graphical models", from memory). Nothing is left out: every
 * set is counted, and the likeliest are listed.
 *
 * Floats only pass over what lies outside by more than rounding; whatever is taken in
 * is compared exactly, on whole numbers.
 */
import type { Drive } from '../train/analysis.ts'
import { analyse, prepareSolver } from '../train/analysis.ts'
import { checkBox } from '../box/check.ts'
import { countedTogether } from '../box/counting.ts'
import { pairsOf, ringGears } from '../box/links/index.ts'
import type { PathEnd, PathStep } from '../train/path.ts'
import type { TurnCheck } from './turnCheck.ts'
import { ratioRange, readAtBody } from './turnCheck.ts'
import type { Rational } from '../number/rational.ts'
import type { BoxDraft, Gear } from '../box/types.ts'

interface CountRange {
  readonly gear: string
  readonly least: number
  readonly most: number
}

/** The teeth of two gears together. */
interface SumRange {
  readonly a: string
  readonly b: string
  readonly least: number
  readonly most: number
}

/** What a turn check says: a product of sums of counts over another lies in a range. */
interface ProductRange {
  /** Gears whose counts are added, of each factor. */
  readonly driven: readonly (readonly string[])[]
  readonly driving: readonly (readonly string[])[]
  /** Numerator and denominator, whole and positive. */
  readonly least: readonly [number, number]
  readonly most: readonly [number, number]
}

/** Plain data, so that a worker can be handed it. */
export interface CountSearch {
  readonly gears: readonly CountRange[]
  readonly sums: readonly SumRange[]
  readonly products: readonly ProductRange[]
}

/** One set of counts that fits. */
export interface CountSet {
  /** In the order of the gears searched. */
  readonly counts: readonly number[]
  /** The logarithm of how likely it is; 0 where every reading and sum is in the middle of its range. */
  readonly score: number
}

/** The sets of counts that explain every turn check: how many there are, and the likeliest. */
export interface FoundCounts {
  /** How many sets fit; exact up to 2⁵³. */
  readonly total: number
  /** The likeliest, best first, at most as many as asked for. */
  readonly likeliest: readonly CountSet[]
  /** Sets of counts within the limits of the gears alone. */
  readonly combinations: number
}

/** Sets of counts within the limits of the gears alone: how large a search is. */
export function countSets({ gears }: CountSearch): number {
  return gears.reduce((product, { least, most }) => product * Math.max(0, most - least + 1), 1)
}

/** Sets that are listed where nothing else is asked for. */
export const USUAL_LISTED = 50

/** Relative slack of the float comparisons that come before the exact ones. */
const SLACK = 1e-9

/** A condition with what is needed to test it fast. */
interface Condition {
  readonly gears: readonly number[]
  readonly isMet: (counts: Int32Array) => boolean
  /** Whether it can still be met once the gears in `known` have their counts. */
  readonly canBeMet: (counts: Int32Array, known: Uint8Array) => boolean
  readonly score: (counts: Int32Array) => number
}

/** A partial set of counts: that of one gear, and of the parts below it. */
interface PartialCounts {
  readonly score: number
  readonly gear: number
  readonly count: number
  readonly below: readonly PartialCounts[]
}

interface Part {
  readonly total: number
  readonly likeliest: readonly PartialCounts[]
}

/** A gear, the conditions that are settled once it is known, and the parts left below. */
interface Branch {
  readonly gear: number
  readonly settled: readonly Condition[]
  readonly open: readonly Condition[]
  readonly sums: readonly {
    readonly other: number
    readonly least: number
    readonly most: number
  }[]
  readonly below: readonly Branch[]
}

/**
 * All sets of counts that fit, the likeliest listed. `onProgress` hears the part done,
 * 0 to 1, now and then.
 */
export function searchCounts(
  search: CountSearch,
  listed = USUAL_LISTED,
  onProgress?: (done: number) => void,
): FoundCounts {
  const at = new Map(search.gears.map(({ gear }, index) => [gear, index]))
  const place = (gear: string): number => {
    const index = at.get(gear)
    if (index === undefined) throw new Error(`a condition names "${gear}", which is not searched`)
    return index
  }
  const conditions = [
    ...search.sums.map((sum) => sumCondition(sum, place)),
    ...search.products.map((product) => productCondition(product, place, search.gears)),
  ]
  const trees = branchesOf(
    search.gears.map((_, index) => index),
    conditions,
    search.sums.map(({ a, b, least, most }) => ({ a: place(a), b: place(b), least, most })),
    new Set(),
  )
  const solve = branchSolver(search.gears, listed, onProgress)
  const { ways, sets } = together(trees, (tree) => solve(tree, 0), listed)
  onProgress?.(1)
  return {
    total: ways,
    combinations: countSets(search),
    likeliest: sets.map((set) => countSetOf(set, search.gears.length)),
  }
}

/** Solves one tree after another; gears that are known so far have their counts in `counts`. */
function branchSolver(
  gears: CountSearch['gears'],
  listed: number,
  onProgress: ((done: number) => void) | undefined,
): (branch: Branch, depth: number) => Part {
  const counts = new Int32Array(gears.length)
  const known = new Uint8Array(gears.length)
  const rangeOf = ({ gear, sums }: Branch): readonly [least: number, most: number] => {
    let { least = 0, most = 0 } = gears[gear] ?? {}
    for (const sum of sums) {
      least = Math.max(least, sum.least - (counts[sum.other] ?? 0))
      most = Math.min(most, sum.most - (counts[sum.other] ?? 0))
    }
    return [least, most]
  }
  const solve = (branch: Branch, depth: number): Part => {
    const { gear, settled, open, below } = branch
    const [least, most] = rangeOf(branch)
    let total = 0
    let likeliest: PartialCounts[] = []
    known[gear] = 1
    for (let count = least; count <= most; count++) {
      if (depth === 0) onProgress?.((count - least) / (most - least + 1))
      counts[gear] = count
      if (!settled.every((condition) => condition.isMet(counts))) continue
      if (!open.every((condition) => condition.canBeMet(counts, known))) continue
      const { ways, sets } = together(below, (part) => solve(part, depth + 1), listed)
      if (ways === 0) continue
      total += ways
      const own = settled.reduce((sum, condition) => sum + condition.score(counts), 0)
      for (const set of sets) likeliest.push({ score: scoreOf(set, own), gear, count, below: set })
      if (likeliest.length > 4 * listed) likeliest = bestOf(likeliest, listed)
    }
    known[gear] = 0
    return { total, likeliest: bestOf(likeliest, listed) }
  }
  return solve
}

/** Parts that have nothing to do with one another: how many sets of all of them, and the likeliest. */
function together(
  parts: readonly Branch[],
  solve: (part: Branch) => Part,
  listed: number,
): { readonly ways: number; readonly sets: readonly (readonly PartialCounts[])[] } {
  let [ways, sets]: [number, readonly (readonly PartialCounts[])[]] = [1, [[]]]
  for (const part of parts) {
    const found = solve(part)
    ways *= found.total
    if (ways === 0) return { ways, sets: [] }
    sets = likeliestProducts(sets, found.likeliest, listed)
  }
  return { ways, sets }
}

function scoreOf(set: readonly PartialCounts[], own = 0): number {
  return set.reduce((sum, { score }) => sum + score, own)
}

/** The count of each gear, in the order of the gears searched. */
function countSetOf(set: readonly PartialCounts[], gearCount: number): CountSet {
  const counts = Array.from({ length: gearCount }, () => 0)
  const fill = ({ gear, count, below }: PartialCounts): void => {
    counts[gear] = count
    below.forEach(fill)
  }
  set.forEach(fill)
  return { counts, score: scoreOf(set) }
}

function bestOf(partials: readonly PartialCounts[], listed: number): PartialCounts[] {
  return [...partials].sort((one, other) => other.score - one.score).slice(0, listed)
}

/** The likeliest of all ways to put one of `more` to one of `sets`; both come best first. */
function likeliestProducts(
  sets: readonly (readonly PartialCounts[])[],
  more: readonly PartialCounts[],
  listed: number,
): readonly (readonly PartialCounts[])[] {
  if (sets.length === 1 && sets[0]?.length === 0) return more.slice(0, listed).map((one) => [one])
  const products: { readonly score: number; readonly set: readonly PartialCounts[] }[] = []
  sets.forEach((set, first) => {
    const score = set.reduce((sum, each) => sum + each.score, 0)
    more.forEach((one, second) => {
      // Whatever has this many better ones on both sides cannot be listed.
      if ((first + 1) * (second + 1) <= listed)
        products.push({ score: score + one.score, set: [...set, one] })
    })
  })
  return products
    .sort((one, other) => other.score - one.score)
    .slice(0, listed)
    .map(({ set }) => set)
}

/** Trees of the gears, one for each part that no condition joins to the others. */
function branchesOf(
  gears: readonly number[],
  conditions: readonly Condition[],
  sums: readonly {
    readonly a: number
    readonly b: number
    readonly least: number
    readonly most: number
  }[],
  above: ReadonlySet<number>,
): readonly Branch[] {
  return partsOf(gears, conditions, above).map((part): Branch => {
    const gear = bestToKnow(part, conditions, above)
    const known = new Set([...above, gear])
    const mine = conditions.filter((condition) => condition.gears.includes(gear))
    const isSettled = (condition: Condition): boolean =>
      condition.gears.every((each) => known.has(each))
    return {
      gear,
      settled: mine.filter(isSettled),
      open: mine.filter((condition) => !isSettled(condition)),
      sums: sums.flatMap(({ a, b, least, most }) => {
        const other = a === gear ? b : b === gear ? a : undefined
        return other !== undefined && above.has(other) ? [{ other, least, most }] : []
      }),
      below: branchesOf(
        part.filter((each) => each !== gear),
        conditions,
        sums,
        known,
      ),
    }
  })
}

/** The gears in groups that no condition joins but through gears known already. */
function partsOf(
  gears: readonly number[],
  conditions: readonly Condition[],
  known: ReadonlySet<number>,
): readonly (readonly number[])[] {
  const left = new Set(gears)
  const parts: number[][] = []
  for (const first of gears) {
    if (!left.delete(first)) continue
    const part = [first]
    for (const gear of part)
      for (const condition of conditions)
        if (condition.gears.includes(gear))
          for (const other of condition.gears)
            if (!known.has(other) && left.delete(other)) part.push(other)
    parts.push(part.sort((one, other) => one - other))
  }
  return parts
}

/** The gear whose count leaves the smallest parts behind; among equals, the one in most conditions. */
function bestToKnow(
  part: readonly number[],
  conditions: readonly Condition[],
  known: ReadonlySet<number>,
): number {
  let best: { readonly gear: number; readonly largest: number; readonly named: number } | undefined
  for (const gear of part) {
    const rest = part.filter((each) => each !== gear)
    const parts = partsOf(rest, conditions, new Set([...known, gear]))
    const largest = Math.max(0, ...parts.map(({ length }) => length))
    const named = conditions.filter((condition) => condition.gears.includes(gear)).length
    if (!best || largest < best.largest || (largest === best.largest && named > best.named))
      best = { gear, largest, named }
  }
  if (!best) throw new Error('a part of a search has no gear')
  return best.gear
}

function sumCondition({ a, b, least, most }: SumRange, place: (gear: string) => number): Condition {
  const [one, other] = [place(a), place(b)]
  const middle = (least + most) / 2
  // The limits are taken to lie two standard deviations off the middle.
  const deviation = Math.max((most - least) / 4, 0.5)
  const sumOf = (counts: Int32Array): number => (counts[one] ?? 0) + (counts[other] ?? 0)
  return {
    gears: [one, other],
    isMet: (counts) => sumOf(counts) >= least && sumOf(counts) <= most,
    // The range of the second gear is cut to the sum, which is the same thing.
    canBeMet: () => true,
    score: (counts) => -(((sumOf(counts) - middle) / deviation) ** 2) / 2,
  }
}

/** Gears by their places: the sums of the teeth of each list, multiplied. */
type Factors = readonly (readonly number[])[]

function productOf(factors: Factors, counts: Int32Array): number {
  let product = 1
  for (const gears of factors) {
    let sum = 0
    for (const gear of gears) sum += counts[gear] ?? 0
    product *= sum
  }
  return product
}

function exactProductOf(factors: Factors, counts: Int32Array): bigint {
  return factors.reduce(
    (product, gears) => product * BigInt(gears.reduce((sum, gear) => sum + (counts[gear] ?? 0), 0)),
    1n,
  )
}

function productCondition(
  { driven, driving, least, most }: ProductRange,
  place: (gear: string) => number,
  ranges: readonly CountRange[],
): Condition {
  const [over, under] = [driven, driving].map((factors) => factors.map((gears) => gears.map(place)))
  if (!over || !under) throw new Error('a product has two sides')
  const lowest = least[0] / least[1]
  const highest = most[0] / most[1]
  const middle = (lowest + highest) / 2
  const deviation = Math.max((highest - lowest) / 4, Number.EPSILON)
  /** The least or greatest that a product can become. */
  const bound = (
    factors: Factors,
    counts: Int32Array,
    known: Uint8Array,
    side: 'least' | 'most',
  ): number => {
    let product = 1
    for (const gears of factors) {
      let sum = 0
      for (const gear of gears)
        sum += known[gear] ? (counts[gear] ?? 0) : (ranges[gear]?.[side] ?? 0)
      product *= sum
    }
    return product
  }
  return {
    gears: [...new Set([...over, ...under].flat())],
    isMet: (counts) => {
      const [upper, lower] = [productOf(over, counts), productOf(under, counts)]
      const ratio = upper / lower
      if (ratio < lowest * (1 - SLACK) || ratio > highest * (1 + SLACK)) return false
      const [leastSide, mostSide] = [lower * least[0], lower * most[0]]
      const [lowSide, highSide] = [upper * least[1], upper * most[1]]
      if (Math.max(leastSide, mostSide, lowSide, highSide) <= Number.MAX_SAFE_INTEGER)
        return lowSide >= leastSide && highSide <= mostSide
      const [wide, deep] = [exactProductOf(over, counts), exactProductOf(under, counts)]
      return (
        wide * BigInt(least[1]) >= deep * BigInt(least[0]) &&
        wide * BigInt(most[1]) <= deep * BigInt(most[0])
      )
    },
    canBeMet: (counts, known) =>
      bound(over, counts, known, 'most') / bound(under, counts, known, 'least') >=
        lowest * (1 - SLACK) &&
      bound(over, counts, known, 'least') / bound(under, counts, known, 'most') <=
        highest * (1 + SLACK),
    score: (counts) =>
      -(((productOf(over, counts) / productOf(under, counts) - middle) / deviation) ** 2) / 2,
  }
}

/** What a person knows of a closed box besides its turns. */
export interface CountLimits {
  readonly leastTeeth: number
  readonly mostTeeth: number
  /** Teeth of any two gears in mesh between two axes, together. */
  readonly leastSum: number
  readonly mostSum: number
}

/** A search that can be run, or why the checks ask for none. */
export type PosedSearch =
  | { readonly ok: true; readonly search: CountSearch; readonly untold: readonly Gear[] }
  | { readonly ok: false; readonly code: 'no-checks' | 'not-well-formed' }
  | {
      readonly ok: false
      readonly code: 'not-a-product' | 'does-not-drive' | 'read-too-coarsely'
      /** The position of the check at fault. */
      readonly position: string
    }

/**
 * The ratio of a drive as gears over gears, by the gears whose counts serve for them and
 * without what stands on both sides; undefined where it is no product of pairs.
 */
function productOfPairs(
  { factors, path }: Drive,
  counted: (gear: string) => string,
): Pick<ProductRange, 'driven' | 'driving'> | undefined {
  if (!factors) return undefined
  const [driven, driving]: [string[][], string[][]] = [[], []]
  for (const { law } of factors) {
    const step = path.find((each) => each.law === law)
    const sides = step && sidesOf(step)
    if (!sides) return undefined
    driven.push(sides.driven.map(counted))
    driving.push(sides.driving.map(counted))
  }
  cancelCommon(driven, driving)
  return { driven, driving }
}

/** Gears that roll on each other from outside, by the gears whose counts serve for them; each pair once. */
function pairsCounted(
  draft: BoxDraft,
  counted: (gear: string) => string,
): readonly (readonly [string, string])[] {
  const pairs = draft.links
    .flatMap(pairsOf)
    .filter(({ touch }) => touch === 'outside')
    .map(({ a, b }) => [counted(a), counted(b)] as const)
  return pairs.filter(
    ([a, b], at) => pairs.findIndex(([one, other]) => one === a && other === b) === at,
  )
}

/**
 * The search for the counts of a box whose structure is known: gears that have been
 * counted keep their counts, the others lie within the limits. `untold` are gears
 * whose counts the turns have nothing to do with, such as a reverse idler. A position
 * in which power joins at several speeds has no product of pairs: `not-a-product`.
 */
export function poseSearch(
  draft: BoxDraft,
  checks: readonly TurnCheck[],
  limits: CountLimits,
): PosedSearch {
  if (checks.length === 0) return { ok: false, code: 'no-checks' }
  // Which gears bear the torque does not hang on their counts: any that fit the box will do.
  const checked = checkBox(placeholderCounts(draft))
  if (!checked.ok) return { ok: false, code: 'not-well-formed' }
  // What one count serves is searched once.
  const served = new Map(draft.gears.map((gear) => [gear.id, countedTogether(draft, gear)[0]?.id]))
  const counted = (id: string): string => served.get(id) ?? id
  const products: ProductRange[] = []
  for (const check of checks) {
    const position = draft.positions.find(({ id }) => id === check.position)
    const solver = prepareSolver(readAtBody(checked.box, check.at))
    const analysis = position && analyse(solver, position.couplers)
    if (analysis?.state !== 'drive')
      return { ok: false, code: 'does-not-drive', position: check.position }
    const product = productOfPairs(analysis, counted)
    if (!product) return { ok: false, code: 'not-a-product', position: check.position }
    const { least, most } = ratioRange(check)
    if (!most) return { ok: false, code: 'read-too-coarsely', position: check.position }
    products.push({ ...product, least: partsOfRational(least), most: partsOfRational(most) })
  }
  const named = new Set(products.flatMap((each) => [...each.driven, ...each.driving].flat()))
  const gears = draft.gears.filter(({ id }) => named.has(id))
  const sums = pairsCounted(draft, counted)
    .filter(([a, b]) => named.has(a) && named.has(b))
    .map(([a, b]): SumRange => ({ a, b, least: limits.leastSum, most: limits.mostSum }))
  return {
    ok: true,
    search: {
      gears: gears.map(({ id, toothCount }) => ({
        gear: id,
        least: toothCount ?? limits.leastTeeth,
        most: toothCount ?? limits.mostTeeth,
      })),
      sums,
      products,
    },
    untold: draft.gears.filter(
      ({ id, toothCount }) => toothCount === null && !named.has(counted(id)),
    ),
  }
}

/** Counts that any arrangement accepts: twins alike, rings larger than what runs in them. */
function placeholderCounts(draft: BoxDraft): BoxDraft {
  const rings = ringGears(draft.links)
  // Gears at one station of axes on both sides are twins of one another, so counts go by station.
  const count = ({ id, stationMm }: Gear): number =>
    (rings.has(id) ? 90 : 20) + (Math.round(stationMm) % 7)
  return { ...draft, gears: draft.gears.map((gear) => ({ ...gear, toothCount: count(gear) })) }
}

/**
 * The counts in the speed of what drives over what is driven, in one link: each body's
 * coefficient in the law of the link, as the sum of counts that it is.
 */
function sidesOf({
  law,
  from,
  to,
}: PathStep): { readonly driven: string[]; readonly driving: string[] } | undefined {
  const countsOf = (end: PathEnd | undefined): string[] | undefined => {
    const term = law.terms.find(({ body, gear }) => body === end?.body && gear === end.gear)
    const signs = new Set(term?.counted.map(({ sign }) => sign))
    // A difference of counts is no factor of a product, and neither is a number of starts.
    return signs.size === 1 ? term?.counted.map(({ gear }) => gear.id) : undefined
  }
  const [driving, driven] = [countsOf(from[0]), countsOf(to[0])]
  return driving && driven ? { driven, driving } : undefined
}

/** What stands on both sides, such as an idler, has nothing to do with the product. */
function cancelCommon(driven: string[][], driving: string[][]): void {
  const key = (gears: readonly string[]): string => gears.join('\n')
  for (const factor of [...driven]) {
    const at = driving.findIndex((other) => key(other) === key(factor))
    if (at < 0) continue
    driving.splice(at, 1)
    driven.splice(driven.indexOf(factor), 1)
  }
}

function partsOfRational(value: Rational): readonly [number, number] {
  const [numerator = '0', denominator = '1'] = value.toString().split('/')
  return [Math.max(0, Number(numerator)), Number(denominator)]
}
