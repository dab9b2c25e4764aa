/**
 * The spin test: hold some parts, turn another, and see what moves. Mostly that needs no
 * counts, since pairs in mesh turn together whatever their ratio. Where it does depend on
 * them, as in a planetary set driven at two places, or where two ways lead to one shaft,
 * several sets of counts tell, and no answer is given that one of them contradicts.
 */
import type { BodyMotion, PositionAnalysis, Solver } from './analysis.ts'
import { checkBox } from '../box/check.ts'
import { countedTogether } from '../box/counting.ts'
import type { Box, BoxIndex, CouplerPlaces } from '../box/box.ts'
import { bodyOfGear, indexBox, namedPlace, placesAtRest } from '../box/box.ts'
import { setMount } from '../box/drafting/change.ts'
import { gearsOf, pairsOf, plain } from '../box/links/index.ts'
import type { Law } from './laws.ts'
import {
  bearingLaws,
  connectedBodies,
  engagedLaws,
  lawsOfLink,
  standingLaws,
  timesSpeed,
} from './laws.ts'
import type { SpeedSum } from './motion.ts'
import { freeMotions, restrictMotions } from './motion.ts'
import type { Rational } from '../number/rational.ts'
import { ONE } from '../number/rational.ts'
import type { BoxDraft, Coupler, Gear, GearMount } from '../box/types.ts'

/** A spin test: where the couplers stand, what is held by hand and what is turned. */
export interface SpinSetup {
  /** Couplers that are not named, or have no such place, stand at rest. */
  readonly places: CouplerPlaces
  /** Bodies that are kept from turning. */
  readonly held: readonly string[]
  /** The body that is turned. */
  readonly turned: string
  /** Bodies that are turned with it, as the road turns several wheels: turns for one of its own. */
  readonly together?: readonly { readonly body: string; readonly speed: Rational }[]
}

/** How every body moves in a spin test. */
export interface Spin {
  /** What is turned cannot turn. */
  readonly isBlocked: boolean
  /**
   * Every body, for one turn of what is turned; what coasts is not driven, and free to move.
   * What is `uncounted` may do one or the other, as the counts have it.
   */
  readonly motions: ReadonlyMap<string, BodyMotion>
  /**
   * Of what coasts, the bodies among which the turn divides as friction has it, such as the case
   * and the other side of an open differential; holding one more of them settles it.
   */
  readonly dividing: ReadonlySet<string>
  /** Whether speeds are known; without all counts only what moves and what stands is. */
  readonly isCounted: boolean
  /** The gears to count first where something is `uncounted`; of twins one. */
  readonly needed: readonly Gear[]
}

/** What happens when one body is turned by hand and others are held. */
export function spin(box: Box, setup: SpinSetup): Spin {
  const isCounted = box.draft.gears.every(({ toothCount }) => toothCount !== null)
  const trials = isCounted
    ? [spinBy(box, setup)]
    : TRIALS.map((sizes) => spinBy(withSizes(box, sizes), setup))
  const [first, ...others] = trials.map((trial) => trial.motions)
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
    dividing: trials[0]?.dividing ?? new Set(),
    isCounted,
    needed: neededGears(box, setup, depending),
  }
}

/**
 * Turning one output as the road does where all driven wheels are on it: the others turn as they
 * do beside it when the box drives, or alike where no position drives both.
 */
export function onTheRoad(
  { box }: Solver,
  positions: readonly PositionAnalysis[],
  places: CouplerPlaces,
): SpinSetup {
  const [turned = box.draft.input, ...others] = box.draft.outputs
  const speedsIn = ({ analysis }: PositionAnalysis): ReadonlyMap<string, Rational> =>
    new Map(
      analysis.state === 'drive' ? analysis.outputs.map(({ body, speed }) => [body, speed]) : [],
    )
  const driven = positions.map(speedsIn)
  const together = others.map((body) => {
    const both = driven.find((speeds) => speeds.has(body) && speeds.has(turned))
    const [speed, of] = [both?.get(body), both?.get(turned)]
    return { body, speed: speed && of ? speed.div(of) : ONE }
  })
  return { places, held: [], turned, together }
}

/** The laws of a setup, with what is held by hand. */
function lawsOf(box: Box, setup: SpinSetup): readonly Law[] {
  const holds = setup.held.map((body): Law => ({
    id: `held ${body}`,
    source: body,
    kind: 'held',
    terms: [plain(body, 1, 0)],
    uncounted: [],
  }))
  const together = (setup.together ?? []).map(({ body, speed }): Law => ({
    id: `together ${body}`,
    source: body,
    kind: 'held',
    terms: [timesSpeed(body, ONE), timesSpeed(setup.turned, speed.neg())],
    uncounted: [],
  }))
  const places = fullPlacesOf(box.draft.couplers, setup)
  return [...standingLaws(box), ...engagedLaws(box, places), ...holds, ...together]
}

/** Where every coupler stands. */
function fullPlacesOf(couplers: readonly Coupler[], { places }: SpinSetup): CouplerPlaces {
  const atRest = placesAtRest(couplers)
  return Object.fromEntries(
    couplers.map((coupler) => {
      const named = namedPlace(places, coupler.id)
      const wanted = coupler.positions.find(({ id }) => id === named)
      return [coupler.id, wanted?.id ?? atRest[coupler.id] ?? '']
    }),
  )
}

function spinBy(box: Box, setup: SpinSetup): Pick<Spin, 'motions' | 'dividing'> {
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
  const sums = [...speeds]
  const divided = new Set(
    sums.flatMap(([, sum]) => (sum.size > 1 && sum.has(turned) ? [...sum.keys()] : [])),
  )
  const dividing = sums.flatMap(([body, sum]) =>
    body !== turned && motions.get(body)?.kind === 'coasts' && isWithin(sum, divided) ? [body] : [],
  )
  return { motions, dividing: new Set(dividing) }
}

function isWithin(sum: SpeedSum, freedoms: ReadonlySet<string>): boolean {
  return [...sum.keys()].every((freedom) => freedoms.has(freedom))
}

/** The fewest uncounted gears that settle what one of the bodies that depend on counts does. */
function neededGears(box: Box, setup: SpinSetup, depending: readonly string[]): readonly Gear[] {
  const laws = lawsOf(box, setup)
  let fewest: readonly Gear[] = []
  for (const body of depending) {
    const bearing = bearingLaws(laws, setup.turned, [body])
    const reached = connectedBodies(bearing, setup.turned)
    const needed = new Set(
      bearing
        .filter(({ terms }) => terms.some((term) => reached.has(term.body)))
        .flatMap(({ uncounted }) => uncounted)
        // One count serves twins.
        .map((gear) => countedTogether(box.draft, gear)[0] ?? gear),
    )
    if (needed.size > 0 && (fewest.length === 0 || needed.size < fewest.length))
      fewest = [...needed]
  }
  return fewest
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
    box.draft.links
      .filter((link) => lawsOfLink(box, link).some(({ terms }) => terms.length > 2))
      .flatMap((link) => gearsOf(box, link).map(({ id }) => id)),
  )
  const gears = new Map(
    box.draft.gears.map((gear, at): [string, Gear] => {
      const size = inSet.has(gear.id) ? ofSetGear(at) : ofBody(box.bodies.indexOf(bodyOfGear(gear)))
      return [gear.id, { ...gear, toothCount: Math.abs(size) + 1 }]
    }),
  )
  return { ...box, gears }
}

/** What a person can see a part do. */
export const SEEN = ['moved', 'stood'] as const
/** See `SEEN`. */
export type Seen = (typeof SEEN)[number]

/** A spin test with what was seen in it. */
export interface SpinRecord {
  readonly setup: SpinSetup
  readonly seen: ReadonlyMap<string, Seen>
}

/** Ticks of one test as they were made, one after another; null takes a tick out. */
export interface SpinTicks {
  readonly setup: SpinSetup
  readonly ticks: readonly { readonly part: string; readonly seen: Seen | null }[]
}

/** Whether two tests are one and the same: the same part turned, the same held, all couplers alike. */
export function isSameSetup({ couplers }: BoxDraft, one: SpinSetup, other: SpinSetup): boolean {
  const atRest = placesAtRest(couplers)
  const standing = ({ places }: SpinSetup, id: string): string | undefined =>
    namedPlace(places, id) ?? atRest[id]
  return (
    one.turned === other.turned &&
    one.held.length === other.held.length &&
    one.held.every((body) => other.held.includes(body)) &&
    couplers.every(({ id }) => standing(one, id) === standing(other, id))
  )
}

/**
 * The tests that ticks tell of, in the order in which they were begun; the last tick of a part
 * stands. What the box does not have, or has no longer, is left out.
 */
export function spinRecordsOf(box: BoxIndex, ticked: readonly SpinTicks[]): readonly SpinRecord[] {
  const { draft, bodies, members, gears } = box
  const isThere = ({ turned, held, places }: SpinSetup): boolean =>
    [turned, ...held].every((body) => bodies.includes(body)) &&
    draft.couplers.every((coupler) => {
      const named = namedPlace(places, coupler.id)
      return named === undefined || coupler.positions.some(({ id }) => id === named)
    })
  const records: { setup: SpinSetup; seen: Map<string, Seen> }[] = []
  for (const { setup, ticks } of ticked) {
    if (!isThere(setup)) continue
    let record = records.find((each) => isSameSetup(draft, each.setup, setup))
    if (!record) records.push((record = { setup, seen: new Map() }))
    for (const { part, seen } of ticks)
      if (seen === null) record.seen.delete(part)
      else if (members.has(part) || gears.has(part)) record.seen.set(part, seen)
  }
  return records.filter(({ seen }) => seen.size > 0)
}

/** What the drawing says that a part does; undefined where it may do either. */
export function expectedOf(box: BoxIndex, { motions }: Spin, part: string): Seen | undefined {
  const gear = box.gears.get(part)
  const motion = motions.get(gear ? bodyOfGear(gear) : part)
  return motion?.kind === 'turns' ? 'moved' : motion?.kind === 'still' ? 'stood' : undefined
}

/** A part that did not do what the drawing says. */
export interface Disagreement {
  /** Which of the records. */
  readonly record: number
  readonly part: string
  readonly expected: Seen
  readonly seen: Seen
}

/** Every part that did not do what the drawing says. */
function findDisagreements(box: Box, records: readonly SpinRecord[]): readonly Disagreement[] {
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
type MendKind =
  | { readonly kind: 'mount'; readonly gear: string; readonly mount: GearMount }
  /** A coupler that was not where the test wanted it. */
  | { readonly kind: 'coupler'; readonly coupler: string; readonly place: string }
  | { readonly kind: 'member'; readonly gear: string; readonly member: string }

/** One change of the drawing that would explain what was seen. */
export type Mend = MendKind & {
  /** What is left unexplained if it is so. */
  readonly left: readonly Disagreement[]
  readonly draft: BoxDraft
}

/** What to look at next. */
export interface NextLook {
  /** The test in which to look. */
  readonly setup: SpinSetup
  readonly part: string
  /** Whether it was ticked already, and is to be tried again. */
  readonly isAgain: boolean
}

/** What the tests disagree with, what would explain it, and what to try next. */
export interface SpinDiagnosis {
  readonly disagreements: readonly Disagreement[]
  /** The likeliest first. */
  readonly mends: readonly Mend[]
  /** Undefined where one cause explains all, or nothing more can be seen. */
  readonly next: NextLook | undefined
}

/** A single difference, with what it makes of the tests. */
interface Trial {
  readonly mend: Mend
  readonly box: Box
  readonly records: readonly SpinRecord[]
}

/**
 * The single differences that explain some of what was seen, the one that leaves the
 * fewest disagreements first; among equals, how a gear sits comes before a coupler
 * out of place, and that before a gear on the wrong shaft (common practice). Among
 * those again, a gear that did other than drawn, or meshes with one, comes first.
 *
 * Where none explains all, the tick to try again is that one without which a single
 * difference, likelier ones before rarer, leaves the fewest unexplained. Where several
 * explain all, the part to look at is the one that tells most of them apart, in a test
 * that was begun or in one of those `offered`.
 */
export function diagnoseSpin(
  box: Box,
  records: readonly SpinRecord[],
  offered: readonly SpinSetup[] = [],
): SpinDiagnosis {
  const disagreements = findDisagreements(box, records)
  if (disagreements.length === 0) return { disagreements, mends: [], next: undefined }
  const trials = trialsOf(box, records).sort(likelierFirst(box, disagreements))
  const helping = trials.filter(({ mend }) => mend.left.length < disagreements.length)
  const explaining = helping.filter(({ mend }) => mend.left.length === 0)
  return {
    disagreements,
    mends: helping.map(({ mend }) => mend),
    next:
      explaining.length === 0
        ? tickToTryAgain(records, disagreements, trials)
        : lookThatTells(box.draft, records, offered, explaining),
  }
}

function trialsOf(box: Box, records: readonly SpinRecord[]): Trial[] {
  const { draft } = box
  const trials: Trial[] = []
  const consider = (what: MendKind, changed: BoxDraft, changedRecords = records): void => {
    const checked = checkBox(changed)
    if (!checked.ok) return
    const left = findDisagreements(checked.box, changedRecords)
    trials.push({
      mend: { ...what, left, draft: changed },
      box: checked.box,
      records: changedRecords,
    })
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
  return trials
}

function likelierFirst(
  { draft }: Box,
  disagreements: readonly Disagreement[],
): (one: Trial, other: Trial) => number {
  const disagreeing = new Set(disagreements.map(({ part }) => part))
  const near = new Set(disagreeing)
  for (const link of draft.links)
    for (const { a, b } of pairsOf(link))
      if (disagreeing.has(a) || disagreeing.has(b)) near.add(a).add(b)
  const rank = ({ mend }: Trial): readonly number[] => [
    mend.left.length,
    MEND_KINDS.indexOf(mend.kind),
    mend.kind === 'coupler' || near.has(mend.gear) ? 0 : 1,
  ]
  return (one, other) => {
    const others = rank(other)
    return rank(one).reduce((order, value, at) => order || value - (others[at] ?? 0), 0)
  }
}

/** `trials` has the likelier first. */
function tickToTryAgain(
  records: readonly SpinRecord[],
  disagreements: readonly Disagreement[],
  trials: readonly Trial[],
): NextLook | undefined {
  const lefts = [disagreements, ...trials.map(({ mend }) => mend.left)]
  const fewest = Math.min(...lefts.map((left) => left.length))
  const [first] = lefts.find((left) => left.length === fewest) ?? []
  const setup = first && records[first.record]?.setup
  return setup && { setup, part: first.part, isAgain: true }
}

/**
 * Only looks that tell two of the trials apart are worth it; the evenest split tells most.
 * A part that is free to do either by one trial and not by the other tells half as much.
 */
function lookThatTells(
  draft: BoxDraft,
  records: readonly SpinRecord[],
  offered: readonly SpinSetup[],
  trials: readonly Trial[],
): NextLook | undefined {
  const others = offered.filter(
    (setup) => !records.some((record) => isSameSetup(draft, record.setup, setup)),
  )
  let best: { readonly look: NextLook; readonly told: number } | undefined
  const consider = (
    setup: SpinSetup,
    seen: ReadonlyMap<string, Seen>,
    setupOf: (trial: Trial) => SpinSetup,
  ): void => {
    const outcomes = trials.map((trial) => ({
      box: trial.box,
      result: spin(trial.box, setupOf(trial)),
    }))
    for (const { id: part } of [...draft.members, ...draft.gears]) {
      if (seen.has(part)) continue
      const expected = outcomes.map(({ box, result }) => expectedOf(box, result, part))
      const [moving, standing] = (['moved', 'stood'] as const).map(
        (what) => expected.filter((each) => each === what).length,
      )
      const sure = (moving ?? 0) + (standing ?? 0)
      const told = (moving ?? 0) * (standing ?? 0) + (sure * (trials.length - sure)) / 2
      if (told > (best?.told ?? 0)) best = { look: { setup, part, isAgain: false }, told }
    }
  }
  records.forEach(({ setup, seen }, at) => {
    consider(setup, seen, (trial) => trial.records[at]?.setup ?? setup)
  })
  for (const setup of others)
    consider(setup, new Map(), ({ mend }) =>
      mend.kind === 'coupler'
        ? { ...setup, places: { ...setup.places, [mend.coupler]: mend.place } }
        : setup,
    )
  return best?.look
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
