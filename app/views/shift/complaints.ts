/** What goes wrong while shifting, as people tell it, and where this box shows it. */
import type { BoxPosition, CouplerPosition, Match, RingWork, Solver } from 'core'
import {
  couplersWithRings,
  analyse,
  dogWork,
  fullPlaces,
  gearChange,
  greatestSlip,
  proveInterlock,
  reducedInertia,
  ringWork,
  toNumber,
} from 'core'

import type { Complaint } from '~/words/complaints.ts'
import { CHANGE_RPM } from '~/words/complaints.ts'

import { engageables } from './contactView.ts'
import { formatMoved } from './rodsView.ts'

/** A complaint, and the page of this box on which it is seen, below the address of the box. */
export type ShownComplaint = Complaint & { readonly to: string }

const RAD_PER_S = (2 * Math.PI) / 60
const COLD_DRAG_NM = 5
const LOAD_NM = 60

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
  const result = ringWork(place.ring ?? {}, {
    slipRadPerS: slip * CHANGE_RPM * RAD_PER_S,
    inertiaKgM2: reducedInertia(solver.box, match.brought).kgM2,
    dragNm,
  })
  return result.ok ? result.work : null
}

const address = (path: string, params: Readonly<Record<string, string>>): string =>
  `${path}?${new URLSearchParams(params).toString()}`

/** Every complaint that this box can show. */
export function complaintsOf(solver: Solver): readonly ShownComplaint[] {
  return [ofRings, standingStill, jumpingOut, twoIn].flatMap((find) => find(solver))
}

/** Changes that a ring has most to do in, fast and with cold oil. */
function ofRings(solver: Solver): readonly ShownComplaint[] {
  const hardest = [...ringChanges(solver)].sort((one, other) => other.slip - one.slip)[0]
  if (!hardest) return []
  const { from, into } = hardest
  const ends = { from: from.id, to: into.id }
  const warm = workOf(solver, hardest, 0)
  const cold = workOf(solver, hardest, COLD_DRAG_NM)
  return [
    { kind: 'fast', from, into, takesS: warm?.timeS ?? null, to: address('shift', ends) },
    {
      kind: 'cold',
      into,
      dragNm: COLD_DRAG_NM,
      warmS: warm?.timeS ?? null,
      coldS: warm && cold ? cold.timeS : null,
      to: address('shift', { ...ends, drag: `${COLD_DRAG_NM}` }),
    },
  ]
}

/** Going in while the vehicle stands. */
function standingStill(solver: Solver): readonly ShownComplaint[] {
  const standing = standingStart(solver)
  if (!standing) return []
  const { neutral, into } = standing
  const { couplers } = solver.box.draft
  const places = fullPlaces(couplers, into.couplers)
  return [
    {
      kind: 'standing',
      into,
      hasRing: couplers.some(
        ({ id, positions }) =>
          couplersWithRings(solver.box.draft).has(id) &&
          positions.some((place) => place.id === places[id] && place.engages.length > 0),
      ),
      to: address('shift', { from: neutral.id, to: into.id, speed: '800' }),
    },
  ]
}

/** Teeth that do not hold under load: those that taper the wrong way, before others. */
function jumpingOut(solver: Solver): readonly ShownComplaint[] {
  const all = engageables(solver.box.draft)
  const loose = all.find(({ place }) => (place.dogs?.backTaperDeg ?? 0) < 0)
  const shown = loose ?? all.find(({ hasRing }) => !hasRing) ?? all[0]
  if (!shown) return []
  const work = dogWork(shown.place.dogs ?? {}, {
    slipRadPerS: 0,
    speedMPerS: 1,
    inertiaKgM2: 0,
    torqueNm: LOAD_NM,
  })
  return [
    {
      kind: 'jumps-out',
      place: shown.place,
      loadNm: LOAD_NM,
      drawsInN: work.ok && !shown.hasRing ? work.work.drawsInN : null,
      to: address('shift/engage', { at: shown.key, way: '70', load: `${LOAD_NM}` }),
    },
  ]
}

/** Two gears at once, where a part of the interlock is left out. */
function twoIn(solver: Solver): readonly ShownComplaint[] {
  const { without } = proveInterlock(solver)
  const [first] = without.flatMap(({ part, opened }) =>
    opened.filter(({ isLocked }) => isLocked).map((set) => ({ out: part.id, set })),
  )
  if (!first) return []
  const { out, set } = first
  return [
    {
      kind: 'two-in',
      set,
      parts: without.length,
      to: address('shift/interlock', { out, moved: formatMoved(set.moved) }),
    },
  ]
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
