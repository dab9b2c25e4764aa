import type { Box, BoxIndex, CouplerPlaces } from './box.ts'
import { centreOf, indexBox, namedPlace, placeOf } from './box.ts'
import { checkIds } from './checkIds.ts'
import type { BoxIssue, BoxIssueCode } from './issues.ts'
import { definitionOf, endsOf, pairsOf } from './links/index.ts'
import { pitchRadiusOfModuleMm } from './mesh.ts'
import { oncePer } from './oncePer.ts'
import { checkPieces } from './pieces/check.ts'
import { LEAST_TOOTH_COUNT, MOST_TOOTH_COUNT, isToothCount } from './toothCount.ts'
import { bridgedPairs, median, sumsBetweenAxes } from './toothSums.ts'
import type { BoxDraft, Coupler, Gear, LeftWarning, Path, Rule } from './types.ts'

/**
 * How far, in teeth, the sum of a pair may be from that of the other pairs between
 * the same two axes before it is pointed out. Helix and profile shift move a
 * centre distance by up to about one module, which is two teeth in the sum
 * (common practice).
 */
const TOOTH_SUM_TOLERANCE = 2
/**
 * The same where all the others, three at the least, have one sum to the tooth: such a box was made
 * without profile shift, and two teeth more are another distance of its shafts.
 */
const EVEN_TOOTH_SUM_TOLERANCE = 1
const EVEN_PAIRS = 3

/**
 * How far two centre distances between the same axes may be apart, in millimetres.
 * Profile shift moves a pair by about half a module at most (common practice).
 */
const CENTRE_DISTANCE_TOLERANCE_MM = 1.5

/** Issues that leave the box solvable; the rest do not. */
const WARNING_CODES: ReadonlySet<BoxIssueCode> = new Set([
  'gear-without-mesh',
  'gear-off-its-member',
  'tooth-sum-differs',
  'tooth-sums-differ',
  'gears-touch',
  'twins-differ',
  'position-repeats',
  'position-interlocked',
  'position-forbidden',
  'modules-differ',
  'centre-distance-differs',
  'piece-nowhere',
  'bore-over-outside',
  'bore-under-shaft',
  'piece-trapped',
  'piece-off-its-shaft',
  'piece-doubled',
  'pieces-overlap',
  'stack-longer-than-shaft',
])

/**
 * A warning with its figures as one text: what somebody who leaves a warning leaves. It is
 * empty for an issue that is no warning, which nobody can leave.
 */
export function warningKey({ path: _path, ...issue }: BoxIssue): string {
  if (!WARNING_CODES.has(issue.code)) return ''
  const { code, ...figures } = issue
  return [code, ...Object.values(figures).flat().map(String)].join(' ')
}

/** What somebody said of a warning that is left as it is; undefined where it stands. */
export function leftWarning({ leftWarnings }: BoxDraft, issue: BoxIssue): LeftWarning | undefined {
  const key = warningKey(issue)
  return leftWarnings?.find(({ id }) => id === key)
}

type CheckedBox =
  | { readonly ok: true; readonly box: Box; readonly warnings: readonly BoxIssue[] }
  | { readonly ok: false; readonly issues: readonly BoxIssue[] }

/**
 * Says whether a draft hangs together. Every problem is reported, with the path
 * to its culprit; gears without a count are not a problem. A draft whose ids lead
 * nowhere is checked no further, since nothing else could be said of it.
 */
export const checkBox: (draft: BoxDraft) => CheckedBox = oncePer((draft) => check(indexBox(draft)))

function check(index: BoxIndex): CheckedBox {
  const { draft } = index
  const idIssues = checkIds(index)
  if (idIssues.length > 0) return { ok: false, issues: idIssues }
  const meshed = new Set(
    draft.links.flatMap((link) =>
      endsOf(link).flatMap(({ id, expected }) => (expected === 'gear' ? [id] : [])),
    ),
  )
  const found = [
    ...checkEnds(index),
    ...draft.gears.flatMap((gear, at) => checkGear(index, meshed, gear, ['gears', at])),
    ...draft.links.flatMap((link, at) => definitionOf(link).check(index, link, ['links', at])),
    ...draft.couplers.flatMap((coupler, at) => checkCoupler(coupler, ['couplers', at])),
    ...checkPositions(index),
    ...checkToothSums(index),
    ...checkBridged(index),
    ...checkCentreDistances(index),
    ...checkPieces(index),
  ]
  const issues = found.filter((issue) => !WARNING_CODES.has(issue.code))
  return issues.length > 0
    ? { ok: false, issues: found }
    : // The one place where an index becomes a checked box.
      { ok: true, box: index as Box, warnings: found }
}

function checkEnds(index: BoxIndex): BoxIssue[] {
  const { input, outputs, members } = index.draft
  const issues: BoxIssue[] = []
  outputs.forEach((output, at) => {
    if (output === input)
      issues.push({ code: 'output-is-input', path: ['outputs', at], body: output })
  })
  members.forEach(({ id, fromMm, toMm }, at) => {
    if (fromMm >= toMm)
      issues.push({ code: 'ends-reversed', path: ['members', at], member: id, fromMm, toMm })
  })
  return issues
}

function checkGear(
  index: BoxIndex,
  meshed: ReadonlySet<string>,
  gear: Gear,
  path: Path,
): BoxIssue[] {
  const issues: BoxIssue[] = []
  for (const key of ['toothCount', 'recount'] as const) {
    const toothCount = gear[key]
    if (toothCount === null || toothCount === undefined || isToothCount(toothCount)) continue
    const culprit = { path: [...path, key], gear: gear.id, toothCount }
    issues.push(
      Number.isInteger(toothCount)
        ? {
            code: 'tooth-count-out-of-range',
            ...culprit,
            least: LEAST_TOOTH_COUNT,
            most: MOST_TOOTH_COUNT,
          }
        : { code: 'tooth-count-not-whole', ...culprit },
    )
  }
  const twin = gear.twinOf === undefined ? undefined : index.gears.get(gear.twinOf)
  if (twin && (twin.id === gear.id || twin.twinOf !== undefined))
    issues.push({
      code: 'twin-of-a-twin',
      path: [...path, 'twinOf'],
      gear: gear.id,
      twin: twin.id,
    })
  else if (twin && gear.toothCount !== null && twin.toothCount !== null)
    if (gear.toothCount !== twin.toothCount)
      issues.push({
        code: 'twins-differ',
        path,
        gear: gear.id,
        toothCount: gear.toothCount,
        twin: twin.id,
        twinToothCount: twin.toothCount,
      })
  if (!meshed.has(gear.id)) issues.push({ code: 'gear-without-mesh', path, gear: gear.id })
  const member = index.members.get(gear.member)
  if (member && (gear.stationMm < member.fromMm || gear.stationMm > member.toMm))
    issues.push({
      code: 'gear-off-its-member',
      path: [...path, 'stationMm'],
      gear: gear.id,
      stationMm: gear.stationMm,
      fromMm: member.fromMm,
      toMm: member.toMm,
    })
  return issues
}

function axisOf(index: BoxIndex, gear: Gear): string {
  return index.members.get(gear.member)?.axis ?? ''
}

function checkCoupler(coupler: Coupler, path: Path): BoxIssue[] {
  const issues: BoxIssue[] = []
  coupler.positions.forEach((position, place) => {
    position.engages.forEach((engagement, which) => {
      if (engagement.kind === 'lock' && engagement.body === coupler.hub)
        issues.push({
          code: 'coupler-engages-own-hub',
          path: [...path, 'positions', place, 'engages', which],
          coupler: coupler.id,
          body: coupler.hub,
        })
    })
    if (position.engages.length === 0 && position !== centreOf(coupler))
      issues.push({
        code: 'coupler-has-two-centres',
        path: [...path, 'positions', place],
        coupler: coupler.id,
      })
  })
  return issues
}

function checkPositions({ draft }: BoxIndex): BoxIssue[] {
  const issues: BoxIssue[] = []
  const seen = new Map<string, string>()
  draft.positions.forEach((position, at) => {
    const places = draft.couplers.map((coupler) => {
      const place = namedPlace(position.couplers, coupler.id) ?? centreOf(coupler)?.id
      if (place === undefined)
        issues.push({
          code: 'coupler-place-not-named',
          path: ['positions', at, 'couplers'],
          position: position.id,
          coupler: coupler.id,
        })
      return place ?? null
    })
    const key = places.join('\n')
    const other = seen.get(key)
    if (other === undefined) seen.set(key, position.id)
    else
      issues.push({
        code: 'position-repeats',
        path: ['positions', at],
        position: position.id,
        other,
      })
    const path: Path = ['positions', at]
    const held = brokenInterlock(draft, position.couplers)
    if (held) issues.push({ code: 'position-interlocked', path, position: position.id, ...held })
    const rule = brokenRule(draft, position.couplers)
    if (rule)
      issues.push({ code: 'position-forbidden', path, position: position.id, rule: rule.id })
  })
  return issues
}

/** The interlock that keeps a lever from these places, and two couplers that it holds apart. */
export function brokenInterlock(
  draft: BoxDraft,
  places: CouplerPlaces,
  areFreed: (one: string, other: string) => boolean = () => false,
): { readonly interlock: string; readonly couplers: readonly [string, string] } | undefined {
  for (const interlock of draft.interlocks ?? []) {
    const away = interlock.couplers.filter((id) => {
      const coupler = draft.couplers.find((candidate) => candidate.id === id)
      const place = coupler && placeOf(coupler, places)
      return place !== undefined && place.engages.length > 0
    })
    for (const [at, one] of away.entries()) {
      const other = away.slice(at + 1).find((each) => !areFreed(one, each))
      if (other !== undefined) return { interlock: interlock.id, couplers: [one, other] }
    }
  }
  return undefined
}

/** The rule that forbids these places. */
export function brokenRule(draft: BoxDraft, places: CouplerPlaces): Rule | undefined {
  return draft.rules?.find(({ forbids }) =>
    Object.entries(forbids).every(([id, placeId]) => {
      const coupler = draft.couplers.find((candidate) => candidate.id === id)
      return coupler !== undefined && placeOf(coupler, places)?.id === placeId
    }),
  )
}

/**
 * Pairs between the same two axes share one centre distance, so their tooth sums
 * are nearly equal where module and helix are: pairs that state another module or
 * helix are compared among themselves. Of two pairs neither is the usual one: they
 * may be off the sum between them by as much, each to its side.
 */
function checkToothSums({ draft }: BoxIndex): BoxIssue[] {
  const issues: BoxIssue[] = []
  for (const pairs of sumsBetweenAxes(draft)) {
    const [first, second, ...more] = pairs
    if (!first || !second) continue
    if (more.length === 0) {
      if (Math.abs(first.sum - second.sum) > 2 * TOOTH_SUM_TOLERANCE)
        issues.push({
          code: 'tooth-sums-differ',
          path: ['links', second.at],
          link: second.link.id,
          toothSum: second.sum,
          other: first.link.id,
          otherToothSum: first.sum,
        })
      continue
    }
    const usualToothSum = median(pairs.map(({ sum }) => sum)) ?? 0
    const evenCount = pairs.filter(({ sum }) => sum === usualToothSum).length
    const isEven = evenCount >= EVEN_PAIRS && evenCount === pairs.length - 1
    const tolerance = isEven ? EVEN_TOOTH_SUM_TOLERANCE : TOOTH_SUM_TOLERANCE
    for (const { link, at, sum } of pairs)
      if (Math.abs(sum - usualToothSum) > tolerance)
        issues.push({
          code: 'tooth-sum-differs',
          path: ['links', at],
          link: link.id,
          toothSum: sum,
          usualToothSum,
        })
  }
  return issues
}

/**
 * Teeth that two gears side by side have too many of together to stand clear of one another: a
 * tooth reaches one module past the pitch circle (ISO 53), so tips meet at a sum of four less than
 * that of a pair in mesh, where their teeth are of one size.
 */
const TIPS_IN_TEETH = 4

function checkBridged({ draft }: BoxIndex): BoxIssue[] {
  return bridgedPairs(draft)
    .filter(({ toothSum, meshingSum }) => toothSum + TIPS_IN_TEETH > meshingSum)
    .map(({ at, gears: [one, other], ...figures }) => ({
      code: 'gears-touch',
      path: ['links', at],
      gears: [one.id, other.id],
      ...figures,
    }))
}

/**
 * Where both gears of a pair state a module, the pair's centre distance is the sum
 * of the pitch radii, m·(z1 + z2)/(2·cos β) (ISO 21771), or their difference for a
 * ring gear, and it must be that of the other pairs between the same two axes.
 */
function checkCentreDistances(index: BoxIndex): BoxIssue[] {
  const issues: BoxIssue[] = []
  const firstByAxes = new Map<string, { link: string; distanceMm: number }>()
  const pairs = index.draft.links.flatMap((link, at) =>
    pairsOf(link).map((pair) => ({ link, pair, path: ['links', at] satisfies Path })),
  )
  for (const { link, pair, path } of pairs) {
    const [a, b] = [index.gears.get(pair.a), index.gears.get(pair.b)]
    if (!a || !b || a.moduleMm === undefined || b.moduleMm === undefined) continue
    if (pair.touch === 'sprockets') continue
    if (a.moduleMm !== b.moduleMm) {
      issues.push({
        code: 'modules-differ',
        path,
        link: link.id,
        moduleMm: [a.moduleMm, b.moduleMm],
      })
      continue
    }
    if (pair.touch === 'cones' || a.toothCount === null || b.toothCount === null) continue
    const radii = [a, b].map((gear) =>
      pitchRadiusOfModuleMm(gear, gear.toothCount ?? 0, a.moduleMm ?? 0),
    )
    const distanceMm =
      pair.touch === 'outside'
        ? (radii[0] ?? 0) + (radii[1] ?? 0)
        : (radii[1] ?? 0) - (radii[0] ?? 0)
    const key = [axisOf(index, a), axisOf(index, b)].sort().join('\n')
    const first = firstByAxes.get(key)
    if (!first) firstByAxes.set(key, { link: link.id, distanceMm })
    else if (Math.abs(distanceMm - first.distanceMm) > CENTRE_DISTANCE_TOLERANCE_MM)
      issues.push({
        code: 'centre-distance-differs',
        path,
        link: link.id,
        centreDistanceMm: distanceMm,
        other: first.link,
        otherCentreDistanceMm: first.distanceMm,
      })
  }
  return issues
}
