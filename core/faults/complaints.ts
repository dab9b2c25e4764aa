/**
 * What people complain of while shifting: each kind with the parts that can bring it about, and where
 * this box shows it.
 */
import type { BoxDraft, BoxPosition, CouplerPosition } from '../box/types.ts'
import { couplersWithRings } from '../box/couplers.ts'
import { oncePer } from '../box/oncePer.ts'
import { pathTo, pathToRing } from '../box/partPath.ts'
import type { UnitPartKind } from '../job/index.ts'
import type { Look, Measure } from '../measure/index.ts'
import { toNumber } from '../number/rational.ts'
import type { Engageable, Match, MovedRod, OpenSet, RingWork } from '../shift/index.ts'
import {
  dogWork,
  engageables,
  gearChange,
  greatestSlip,
  proveInterlock,
  reducedInertia,
  ringFigures,
  ringWork,
} from '../shift/index.ts'
import type { Solver } from '../train/index.ts'
import { analyse, fullPlaces } from '../train/index.ts'

/** The speed of the engine at which a change is looked at. */
export const CHANGE_RPM = 3_000

/** What of a box shows a complaint. */
export type ComplaintScene =
  /** A change between two positions; with a drag, or at a speed of the input, that is not the usual one. */
  | {
      readonly on: 'change'
      readonly from: BoxPosition
      readonly into: BoxPosition
      readonly dragNm?: number
      readonly inputRpm?: number
    }
  /** A place of a coupler, part of its way in, under load. */
  | {
      readonly on: 'engagement'
      readonly of: Engageable
      readonly wayPercent: number
      readonly loadNm: number
    }
  /** Rods that move where a part of the interlock is out. */
  | { readonly on: 'interlock'; readonly out: string; readonly moved: readonly MovedRod[] }

/** What each complaint says besides where it is seen. */
interface Told {
  /** Crunches on a fast change: how long its ring takes; null where figures are missing. */
  readonly fast: {
    readonly from: BoxPosition
    readonly into: BoxPosition
    readonly takesS: number | null
  }
  /** Crunches into a gear when standing. */
  readonly standing: { readonly into: BoxPosition; readonly hasRing: boolean }
  /** Balks with cold oil. */
  readonly cold: {
    readonly into: BoxPosition
    readonly dragNm: number
    readonly warmS: number | null
    /** Null where the ring cannot at all. */
    readonly coldS: number | null
  }
  /** Jumps out on the overrun. */
  readonly 'jumps-out': {
    readonly place: CouplerPosition
    readonly loadNm: number
    /** Below 0 pushed out; null without figures of dogs. */
    readonly drawsInN: number | null
  }
  /** Stuck in two. */
  readonly 'two-in': { readonly set: OpenSet; readonly parts: number }
}

/** The kinds of complaint. */
export type ComplaintKind = keyof Told

type ComplaintOf<K extends ComplaintKind> = Told[K] & { readonly kind: K }

/** A complaint, with what this box has to do with it. */
export type Complaint = { [K in ComplaintKind]: ComplaintOf<K> }[ComplaintKind]

/** A complaint and where this box shows it. */
export type ShownComplaint = Complaint & { readonly scene: ComplaintScene }

/** What of a part tells a complaint. */
export type Suspects = Readonly<Partial<Record<UnitPartKind, readonly (Measure | Look)[]>>>

interface ComplaintDefinition<K extends ComplaintKind> {
  /** The parts that can bring it about, and by what of them it is told (common practice). */
  readonly suspects: Suspects
  /** What this box has to do with it; undefined where it cannot show it. */
  readonly find: (solver: Solver) => (Told[K] & { readonly scene: ComplaintScene }) | undefined
  /** Paths of the parts that it names by itself, which come before their like. */
  readonly names?: (draft: BoxDraft, complaint: ComplaintOf<K>) => readonly string[]
}

const RAD_PER_S = (2 * Math.PI) / 60
/** Cold oil against a ring, and a load on the overrun, as they are looked at (common practice). */
const COLD_DRAG_NM = 5
const LOAD_NM = 60
const IDLE_RPM = 800

interface RingChange {
  readonly from: BoxPosition
  readonly into: BoxPosition
  readonly match: Match
  readonly place: CouplerPosition
  readonly slip: number
}

/** The change into each next lower gear by a ring, with what the ring has to take away. */
function ringChanges(solver: Solver): readonly RingChange[] {
  const { draft } = solver.box
  const positions = draft.positions.filter(({ isHidden }) => isHidden !== true)
  return positions.flatMap((from, at): readonly RingChange[] => {
    const into = positions[at - 1]
    if (!into) return []
    const places = fullPlaces(draft.couplers, into.couplers)
    const { matches, inputSpeed } = gearChange(solver, from, into, 'clutch')
    // Both have to drive, the same way round.
    if (!inputSpeed || inputSpeed.sign() <= 0) return []
    return matches.flatMap((match) => {
      const place = match.coupler.positions.find(({ id }) => id === places[match.coupler.id])
      const slip = greatestSlip(match)
      return place &&
        slip &&
        match.brought.size > 0 &&
        couplersWithRings(draft).has(match.coupler.id)
        ? [{ from, into, match, place, slip: Math.abs(toNumber(slip)) }]
        : []
    })
  })
}

function workOf(
  solver: Solver,
  { match, place, slip }: RingChange,
  dragNm: number,
): RingWork | null {
  const result = ringWork(ringFigures(solver.box.draft, match.coupler, place), {
    slipRadPerS: slip * CHANGE_RPM * RAD_PER_S,
    inertiaKgM2: reducedInertia(solver.box, match.brought).kgM2,
    dragNm,
  })
  return result.ok ? result.work : null
}

/** The change that a ring has most to do in. */
const hardestChange = oncePer(
  (solver: Solver): RingChange | undefined =>
    [...ringChanges(solver)].sort((one, other) => other.slip - one.slip)[0],
)

const ringsInto = (_: BoxDraft, { into }: { readonly into: BoxPosition }): readonly string[] =>
  Object.entries(into.couplers).map(([id, place]) => pathToRing(id, place))

/** Everything about each kind of complaint, in the order in which they are told. */
export const COMPLAINTS: { readonly [K in ComplaintKind]: ComplaintDefinition<K> } = {
  fast: {
    suspects: {
      ring: ['ring-gap', 'grooves', 'tooth-tips', 'crack'],
      gear: ['cone-contact', 'cone-feel', 'tooth-tips'],
      sleeve: ['dog-corners'],
      'hub-key': ['thickness', 'step-wear'],
    },
    find: (solver) => {
      const hardest = hardestChange(solver)
      if (!hardest) return undefined
      const { from, into } = hardest
      const takesS = workOf(solver, hardest, 0)?.timeS ?? null
      return { from, into, takesS, scene: { on: 'change', from, into } }
    },
    names: ringsInto,
  },
  cold: {
    suspects: {
      ring: ['ring-gap', 'grooves', 'crack'],
      gear: ['cone-contact', 'cone-feel'],
    },
    find: (solver) => {
      const hardest = hardestChange(solver)
      if (!hardest) return undefined
      const { from, into } = hardest
      const [warm, cold] = [workOf(solver, hardest, 0), workOf(solver, hardest, COLD_DRAG_NM)]
      return {
        into,
        dragNm: COLD_DRAG_NM,
        warmS: warm?.timeS ?? null,
        coldS: warm && cold ? cold.timeS : null,
        scene: { on: 'change', from, into, dragNm: COLD_DRAG_NM },
      }
    },
    names: ringsInto,
  },
  standing: {
    suspects: {
      'clutch-disc': ['run-out', 'thickness', 'burnt'],
      'clutch-fork': ['bent', 'step-wear', 'crack'],
      'release-bearing': ['bearing-feel'],
      'pilot-bearing': ['bearing-feel', 'pitting'],
    },
    find: (solver) => {
      const standing = standingStart(solver)
      if (!standing) return undefined
      const { neutral, into } = standing
      const { draft } = solver.box
      const places = fullPlaces(draft.couplers, into.couplers)
      const hasRing = draft.couplers.some(
        ({ id, positions }) =>
          couplersWithRings(draft).has(id) &&
          positions.some((place) => place.id === places[id] && place.engages.length > 0),
      )
      return { into, hasRing, scene: { on: 'change', from: neutral, into, inputRpm: IDLE_RPM } }
    },
  },
  'jumps-out': {
    suspects: {
      sleeve: ['dog-engagement', 'dog-corners', 'fork-clearance', 'spline-rock'],
      gear: ['end-play', 'running-clearance'],
      hub: ['spline-rock', 'step-wear', 'crack'],
      fork: ['thickness', 'step-wear', 'bent', 'crack'],
      detent: ['free-length', 'scoring'],
      rod: ['bent', 'scoring'],
      'thrust-washer': ['thickness', 'scoring'],
    },
    // Teeth that taper the wrong way come before others, and dogs before those with a ring.
    find: (solver) => {
      const all = engageables(solver.box.draft)
      const loose = all.find(({ place }) => (place.dogs?.backTaperDeg ?? 0) < 0)
      const shown = loose ?? all.find(({ hasRing }) => !hasRing) ?? all[0]
      if (!shown) return undefined
      const { place, hasRing } = shown
      const work = dogWork(place.dogs ?? {}, {
        slipRadPerS: 0,
        speedMPerS: 1,
        inertiaKgM2: 0,
        torqueNm: LOAD_NM,
      })
      return {
        place,
        loadNm: LOAD_NM,
        drawsInN: work.ok && !hasRing ? work.work.drawsInN : null,
        scene: { on: 'engagement', of: shown, wayPercent: 70, loadNm: LOAD_NM },
      }
    },
    names: ({ couplers }, { place }) =>
      couplers
        .filter(({ positions }) => positions.includes(place))
        .map(({ id }) => pathTo('sleeve', id)),
  },
  'two-in': {
    suspects: {
      'interlock-ball': ['missing', 'scoring'],
      'interlock-pin': ['missing', 'scoring'],
      'interlock-plate': ['missing', 'scoring', 'bent'],
      detent: ['free-length', 'scoring'],
      rod: ['bent', 'scoring'],
    },
    find: (solver) => {
      const { without } = proveInterlock(solver)
      const [first] = without.flatMap(({ part, opened }) =>
        opened.filter(({ isLocked }) => isLocked).map((set) => ({ out: part.id, set })),
      )
      if (!first) return undefined
      const { out, set } = first
      return { set, parts: without.length, scene: { on: 'interlock', out, moved: set.moved } }
    },
  },
}

/** Every complaint that this box can show. */
export function complaintsOf(solver: Solver): readonly ShownComplaint[] {
  return (Object.keys(COMPLAINTS) as readonly ComplaintKind[]).flatMap((kind) => {
    const found = COMPLAINTS[kind].find(solver)
    // What a kind finds is of that kind.
    return found ? [{ kind, ...found } as ShownComplaint] : []
  })
}

/** Paths of the parts that a complaint names by itself. */
export function namedBy(draft: BoxDraft, complaint: Complaint): ReadonlySet<string> {
  const { names } = COMPLAINTS[complaint.kind] as ComplaintDefinition<typeof complaint.kind>
  return new Set(names?.(draft, complaint))
}

/** Neutral, and what is taken from it when standing: a gear the other way round, or else the first. */
function standingStart(
  solver: Solver,
): { readonly neutral: BoxPosition; readonly into: BoxPosition } | undefined {
  const traced = solver.box.draft.positions.map((position) => ({
    position,
    analysis: analyse(solver, position.couplers),
  }))
  const neutral = traced.find(({ analysis }) => analysis.state === 'neutral')
  const driving = traced.flatMap(({ position, analysis }) =>
    analysis.state === 'drive' ? [{ position, sign: analysis.ratio.sign() }] : [],
  )
  const [first] = driving
  const into = driving.find(({ sign }) => sign !== first?.sign) ?? first
  return neutral && into ? { neutral: neutral.position, into: into.position } : undefined
}
