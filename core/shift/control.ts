/**
 * A control unit and what it has to see. It moves what a channel of it is named for, or all rods
 * where no lever moves any. Without the place of a rod it does not move that rod: a position can
 * then be chosen only where it comes out the same wherever that rod stands. What goes in is brought
 * to one speed first, so that the speed of both its sides has to be known; a clutch is closed by its
 * pressure or travel (common practice of automated boxes).
 */
import type { CouplerPlaces } from '../box/box.ts'
import { centreOf } from '../box/box.ts'
import { isClutch } from '../box/couplers.ts'
import type { BoxPosition, Coupler, Drum, Selector } from '../box/types.ts'
import { ZERO } from '../number/rational.ts'
import type { PositionSurvey, Solver } from '../train/analysis.ts'
import { couplersAway, surveyPosition } from '../train/analysis.ts'
import { fullPlaces } from '../train/combinations.ts'
import { connectedBodies, engagedLaws } from '../train/laws.ts'
import { isLocked } from '../train/lock.ts'
import { rodsOf } from './lever.ts'

/** What a sensor tells. */
export type Sensed =
  | { readonly kind: 'rod'; readonly selector: Selector }
  | { readonly kind: 'drum'; readonly drum: Drum }
  /** Of a body. */
  | { readonly kind: 'speed'; readonly body: string }
  /** Pressure or travel. */
  | { readonly kind: 'clutch'; readonly clutch: Coupler }

/**
 * Why a position cannot be chosen: its rod may not come to where it belongs, may lock the box from
 * where it is, the speeds cannot be brought together, the clutch cannot be closed by feel, or teeth
 * have to be counted before anything can be said.
 */
export type LostBecause = 'not-there' | 'may-lock' | 'no-speed' | 'no-pressure' | 'not-counted'

/** What goes when one sensor is dead. */
export interface DeadSensor {
  readonly seen: Sensed
  readonly lost: readonly { readonly position: BoxPosition; readonly because: LostBecause }[]
}

/** The rods that a control unit moves. */
function rodsOfUnit({ box: { draft } }: Solver): readonly Selector[] {
  const rods = rodsOf(draft)
  const isAutomated = rods.every(({ switched }) => switched !== undefined)
  return rods.filter(({ channel }) => channel !== undefined || isAutomated)
}

/** Everywhere that a rod can stand, by what it moves. */
function standsOf({ draft }: Solver['box'], { places }: Selector): readonly CouplerPlaces[] {
  const moved = new Set(places.flatMap(({ couplers }) => Object.keys(couplers)))
  const middle = Object.fromEntries(
    draft.couplers.flatMap((coupler) => {
      const centre = moved.has(coupler.id) ? centreOf(coupler) : undefined
      return centre ? [[coupler.id, centre.id]] : []
    }),
  )
  return [middle, ...places.map(({ couplers }) => ({ ...middle, ...couplers }))]
}

type Survey = (couplers: CouplerPlaces) => Pick<PositionSurvey, 'state' | 'ratio'>

/** What the box does with its couplers at given places, each set of places looked at once. */
function surveyOf(solver: Solver): Survey {
  const { couplers } = solver.box.draft
  const found = new Map<string, ReturnType<Survey>>()
  return (places) => {
    const full = fullPlaces(couplers, places)
    const key = JSON.stringify(couplers.map(({ id }) => full[id]))
    const known = found.get(key) ?? surveyPosition(solver, { id: '', label: '', couplers: full })
    found.set(key, known)
    return known
  }
}

/** What a position comes to with a rod anywhere; null where it is the same everywhere. */
function lostTo(
  survey: Survey,
  { couplers }: BoxPosition,
  stands: readonly CouplerPlaces[],
): LostBecause | null {
  const asked = survey(couplers)
  const found = stands.map((stand) => survey({ ...couplers, ...stand }))
  const isSame = ({ state, ratio }: ReturnType<Survey>): boolean =>
    state === asked.state && (ratio ?? ZERO).equals(asked.ratio ?? ZERO)
  if (found.some((each) => isLocked(each) && !isLocked(asked))) return 'may-lock'
  if (!found.every(isSame)) return 'not-there'
  return asked.state === 'uncounted' ? 'not-counted' : null
}

/** What turns with the two sides of a coupler while it is out and no friction clutch is closed. */
function sidesOf(solver: Solver, couplers: CouplerPlaces, coupler: Coupler) {
  const { box } = solver
  const others = box.draft.couplers.filter((each) => each !== coupler && !isClutch(each))
  const laws = [...solver.standing, ...engagedLaws(box, couplers, others)]
  const place = coupler.positions.find(({ id }) => id === couplers[coupler.id])
  const targets = (place?.engages ?? []).flatMap((each) =>
    each.kind === 'lock' ? [each.body] : [],
  )
  return targets.length === 0
    ? []
    : [coupler.hub, ...targets].map((body) => connectedBodies(laws, body))
}

/** Whether the speeds of both sides of everything that a unit brings in are known from some bodies. */
function areSpeedsKnown(
  solver: Solver,
  { couplers }: BoxPosition,
  moved: ReadonlySet<string>,
  known: readonly string[],
): boolean {
  const full = fullPlaces(solver.box.draft.couplers, couplers)
  return couplersAway(solver.box.draft.couplers, couplers)
    .filter(({ coupler }) => moved.has(coupler.id) || isClutch(coupler))
    .every(({ coupler }) =>
      sidesOf(solver, full, coupler).every((side) => known.some((body) => side.has(body))),
    )
}

/** The bodies whose speed a unit sees: where power comes in and goes out, and behind each clutch. */
function seenBodies({ box: { draft } }: Solver): readonly string[] {
  const behind = draft.couplers
    .filter(isClutch)
    .flatMap(({ positions }) => positions)
    .flatMap(({ engages }) => engages)
    .flatMap((each) => (each.kind === 'lock' ? [each.body] : []))
  return [...new Set([draft.input, ...behind, ...draft.outputs.slice(0, 1)])]
}

/** Every sensor of a control unit with the positions that go with it; none where no unit moves anything. */
export function deadSensors(solver: Solver): readonly DeadSensor[] {
  const { draft } = solver.box
  const rods = rodsOfUnit(solver)
  const drums = (draft.drums ?? []).filter(({ channel }) => channel !== undefined)
  if (rods.length === 0 && drums.length === 0) return []
  const lost = (because: (position: BoxPosition) => LostBecause | null): DeadSensor['lost'] =>
    draft.positions.flatMap((position) => {
      const found = because(position)
      return found ? [{ position, because: found }] : []
    })
  const moved = new Set([
    ...rods.flatMap(({ places }) => places.flatMap(({ couplers }) => Object.keys(couplers))),
    ...drums.flatMap(({ tracks }) => tracks.map(({ coupler }) => coupler)),
  ])
  const survey = surveyOf(solver)
  const bodies = seenBodies(solver)
  const driven = draft.positions.filter((position) =>
    areSpeedsKnown(solver, position, moved, bodies),
  )
  return [
    ...rods.map((selector): DeadSensor => {
      const stands = standsOf(solver.box, selector)
      return {
        seen: { kind: 'rod', selector },
        lost: lost((position) => lostTo(survey, position, stands)),
      }
    }),
    ...drums.map((drum): DeadSensor => {
      const stands = drum.stops.map(({ position }) => {
        const at = draft.positions.find(({ id }) => id === position)
        return fullPlaces(draft.couplers, at?.couplers ?? {})
      })
      return { seen: { kind: 'drum', drum }, lost: lost((at) => lostTo(survey, at, stands)) }
    }),
    ...bodies.map((body): DeadSensor => {
      const known = bodies.filter((each) => each !== body)
      return {
        seen: { kind: 'speed', body },
        lost: lost((position) =>
          driven.includes(position) && !areSpeedsKnown(solver, position, moved, known)
            ? 'no-speed'
            : null,
        ),
      }
    }),
    ...draft.couplers.filter(isClutch).map((clutch): DeadSensor => ({
      seen: { kind: 'clutch', clutch },
      lost: lost(({ couplers }) =>
        couplersAway([clutch], couplers).length > 0 ? 'no-pressure' : null,
      ),
    })),
  ]
}
