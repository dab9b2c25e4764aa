/**
 * The spin test: hold some parts, turn another, and see what moves. Mostly that needs no
 * counts, since pairs in mesh turn together whatever their ratio. Where it does depend on
 * them, as in a planetary set driven at two places, or where two ways lead to one shaft,
 * several sets of counts tell, and no answer is given that one of them contradicts.
 */
import type { BodyMotion } from './analysis.ts'
import { checkBox } from './check.ts'
import type { Box, BoxIndex, CouplerPlaces } from './box.ts'
import { bodyOfGear, indexBox, namedPlace, placesAtRest } from './box.ts'
import { setMount } from './drafting.ts'
import type { Law } from './laws.ts'
import { bearingLaws, connectedBodies, engagedLaws, standingLaws } from './laws.ts'
import { freeMotions, restrictMotions } from './motion.ts'
import { ONE } from './rational.ts'
import type { BoxDraft, Gear, GearMount } from './types.ts'

export interface SpinSetup {
  /** Couplers that are not named, or have no such place, stand at rest. */
  readonly places: CouplerPlaces
  /** Bodies that are kept from turning. */
  readonly held: readonly string[]
  /** The body that is turned. */
  readonly turned: string
}

export interface Spin {
  /** What is turned cannot turn. */
  readonly isBlocked: boolean
  /**
   * Every body, for one turn of what is turned; what coasts is not driven, and free to move.
   * What is `uncounted` may do one or the other, as the counts have it.
   */
  readonly motions: ReadonlyMap<string, BodyMotion>
  /** Whether speeds are known; without all counts only what moves and what stands is. */
  readonly isCounted: boolean
  /** The gears to count where something is `uncounted`. */
  readonly needed: readonly Gear[]
}

export function spin(box: Box, setup: SpinSetup): Spin {
  const isCounted = box.draft.gears.every(({ toothCount }) => toothCount !== null)
  const [first, ...others] = isCounted
    ? [spinBy(box, setup)]
    : TRIALS.map((sizes) => spinBy(withSizes(box, sizes), setup))
  const motions = new Map<string, BodyMotion>()
  for (const [body, motion] of first ?? [])
    motions.set(
      body,
      others.every((other) => other.get(body)?.kind === motion.kind)
        ? motion
        : { kind: 'uncounted' },
    )
  const depending = [...motions].flatMap(([body, { kind }]) => (kind === 'uncounted' ? [body] : []))
  return {
    isBlocked: motions.get(setup.turned)?.kind === 'still',
    motions,
    isCounted,
    needed: neededGears(box, setup, depending),
  }
}

/** The laws of a setup, with what is held by hand. */
function lawsOf(box: Box, { places, held }: SpinSetup): readonly Law[] {
  const holds = held.map((body): Law => ({
    id: `held ${body}`,
    source: body,
    kind: 'held',
    terms: [{ body, gear: undefined, coefficient: ONE, stationMm: 0 }],
    uncounted: [],
  }))
  const { couplers } = box.draft
  const atRest = placesAtRest(couplers)
  const full = Object.fromEntries(
    couplers.map((coupler) => {
      const named = namedPlace(places, coupler.id)
      const wanted = coupler.positions.find(({ id }) => id === named)
      return [coupler.id, wanted?.id ?? atRest[coupler.id] ?? '']
    }),
  )
  return [...standingLaws(box), ...engagedLaws(box, full), ...holds]
}

function spinBy(box: Box, setup: SpinSetup): ReadonlyMap<string, BodyMotion> {
  const { turned } = setup
  const { speeds } = restrictMotions(freeMotions(box.bodies), lawsOf(box, setup), [turned])
  const motions = new Map<string, BodyMotion>()
  for (const [body, sum] of speeds) {
    const speed = sum.get(turned)
    motions.set(
      body,
      sum.size === 0
        ? { kind: 'still' }
        : sum.size === 1 && speed
          ? { kind: 'turns', speed }
          : { kind: 'coasts' },
    )
  }
  return motions
}

/** The uncounted gears between the turned body and those that depend on counts. */
function neededGears(box: Box, setup: SpinSetup, depending: readonly string[]): readonly Gear[] {
  if (depending.length === 0) return []
  const bearing = bearingLaws(lawsOf(box, setup), setup.turned, depending)
  const reached = connectedBodies(bearing, setup.turned)
  const needed = bearing
    .filter(({ terms }) => terms.some(({ body }) => reached.has(body)))
    .flatMap(({ uncounted }) => uncounted)
  return [...new Set(needed)]
}

/** Teeth by the number of a body, and of a gear that stands in a planetary set. */
interface Sizes {
  readonly ofBody: (at: number) => number
  readonly ofSetGear: (at: number) => number
}

/**
 * All alike; and twice sizes without common measure. Every body has one size for its pairs
 * in mesh, so that all ways from one body to another agree in ratio, as they do in a box
 * that turns; sets and couplers then show whether anything depends on the sizes.
 */
const TRIALS: readonly Sizes[] = [
  { ofBody: () => 1, ofSetGear: () => 1 },
  { ofBody: (at) => 101 + at * at + 7 * at, ofSetGear: (at) => 211 + at * at * at },
  { ofBody: (at) => 997 - at * at, ofSetGear: (at) => 53 + 17 * at * at },
]

/** The same box with such teeth; they are no counts that a gear could have. */
function withSizes(box: Box, { ofBody, ofSetGear }: Sizes): Box {
  const inSet = new Set(
    box.draft.links.flatMap((link) => (link.kind === 'planetary' ? [link.sun, link.ring] : [])),
  )
  const gears = new Map(
    box.draft.gears.map((gear, at): [string, Gear] => {
      const size = inSet.has(gear.id) ? ofSetGear(at) : ofBody(box.bodies.indexOf(bodyOfGear(gear)))
      return [gear.id, { ...gear, toothCount: Math.abs(size) + 1 }]
    }),
  )
  return { ...box, gears }
}

/** What a person saw a part do: a member or a gear, by id. */
export type Seen = 'moved' | 'stood'

export interface SpinRecord {
  readonly setup: SpinSetup
  readonly seen: ReadonlyMap<string, Seen>
}

/** What the drawing says that a part does; undefined where it may do either. */
export function expectedOf(box: BoxIndex, { motions }: Spin, part: string): Seen | undefined {
  const gear = box.gears.get(part)
  const motion = motions.get(gear ? bodyOfGear(gear) : part)
  return motion?.kind === 'turns' ? 'moved' : motion?.kind === 'still' ? 'stood' : undefined
}

export interface Disagreement {
  /** Which of the records. */
  readonly record: number
  readonly part: string
  readonly expected: Seen
  readonly seen: Seen
}

/** Every part that did not do what the drawing says. */
export function findDisagreements(
  box: Box,
  records: readonly SpinRecord[],
): readonly Disagreement[] {
  return records.flatMap(({ setup, seen }, record) => {
    const result = spin(box, setup)
    return [...seen].flatMap(([part, what]): Disagreement[] => {
      const expected = expectedOf(box, result, part)
      return expected && expected !== what ? [{ record, part, expected, seen: what }] : []
    })
  })
}

/** In the order of how often they happen. */
const MEND_KINDS: readonly MendKind['kind'][] = ['mount', 'coupler', 'member']

/** One thing that would be different from the drawing or from the setup of the tests. */
export type MendKind =
  | { readonly kind: 'mount'; readonly gear: string; readonly mount: GearMount }
  /** A coupler that was not where the test wanted it. */
  | { readonly kind: 'coupler'; readonly coupler: string; readonly place: string }
  | { readonly kind: 'member'; readonly gear: string; readonly member: string }

export type Mend = MendKind & {
  /** Disagreements left if it is so. */
  readonly left: number
  readonly draft: BoxDraft
}

/**
 * The single differences that explain some of what was seen, the one that leaves the
 * fewest disagreements first; among equals, how a gear sits comes before a coupler
 * out of place, and that before a gear on the wrong shaft (common practice). Among
 * those again, a gear that did other than drawn, or meshes with one, comes first.
 */
export function findMends(box: Box, records: readonly SpinRecord[]): readonly Mend[] {
  const disagreements = findDisagreements(box, records)
  const before = disagreements.length
  if (before === 0) return []
  const { draft } = box
  const disagreeing = new Set(disagreements.map(({ part }) => part))
  const near = new Set(disagreeing)
  for (const link of draft.links)
    if ('a' in link && (disagreeing.has(link.a) || disagreeing.has(link.b)))
      near.add(link.a).add(link.b)
  const mends: Mend[] = []
  const consider = (what: MendKind, changed: BoxDraft, changedRecords = records): void => {
    const checked = checkBox(changed)
    if (!checked.ok) return
    const left = findDisagreements(checked.box, changedRecords).length
    if (left < before) mends.push({ ...what, left, draft: changed })
  }
  for (const { id, mount } of draft.gears) {
    const other: GearMount = mount === 'free' ? 'fixed' : 'free'
    consider({ kind: 'mount', gear: id, mount: other }, setMount(draft, id, other))
  }
  for (const coupler of draft.couplers)
    for (const { id: place } of coupler.positions) {
      const moved = records.map(({ setup, seen }) => ({
        setup: { ...setup, places: { ...setup.places, [coupler.id]: place } },
        seen,
      }))
      consider({ kind: 'coupler', coupler: coupler.id, place }, draft, moved)
    }
  for (const gear of draft.gears) {
    const axis = box.members.get(gear.member)?.axis
    for (const member of draft.members)
      if (member.id !== gear.member && member.axis === axis)
        consider(
          { kind: 'member', gear: gear.id, member: member.id },
          {
            ...draft,
            gears: draft.gears.map((each) =>
              each.id === gear.id ? { ...each, member: member.id } : each,
            ),
          },
        )
  }
  const rank = (mend: Mend): readonly number[] => [
    mend.left,
    MEND_KINDS.indexOf(mend.kind),
    mend.kind === 'coupler' || near.has(mend.gear) ? 0 : 1,
  ]
  return mends.sort((one, other) => {
    const others = rank(other)
    return rank(one).reduce((order, value, at) => order || value - (others[at] ?? 0), 0)
  })
}

/** What the records alone say of how a gear sits: it was seen to do other than its member, or never. */
export function readMounts(
  draft: BoxDraft,
  records: readonly SpinRecord[],
): ReadonlyMap<string, 'free' | 'turns with its shaft'> {
  const { gears } = indexBox(draft)
  const mounts = new Map<string, 'free' | 'turns with its shaft'>()
  for (const { seen } of records)
    for (const [part, what] of seen) {
      const member = gears.get(part)?.member
      const onMember = member === undefined ? undefined : seen.get(member)
      if (onMember === undefined) continue
      if (onMember !== what) mounts.set(part, 'free')
      else if (!mounts.has(part)) mounts.set(part, 'turns with its shaft')
    }
  return mounts
}
