/**
 * A drum through a whole turn, exactly. A groove is straight between its points, so that the
 * angles at which a fork passes a depth are fractions; between two such angles of any groove
 * nothing changes, and one look in the middle says what the box does all the way.
 */
import type { CouplerPlaces } from '../box/box.ts'
import { centreOf, placesAtRest } from '../box/box.ts'
import type {
  BoxPosition,
  Coupler,
  CouplerPosition,
  Drum,
  DrumStop,
  DrumTrack,
} from '../box/types.ts'
import type { Rational } from '../number/rational.ts'
import { ZERO, rational } from '../number/rational.ts'
import type { Analysis, Solver } from '../train/analysis.ts'
import { analyse } from '../train/analysis.ts'
import { fullPlaces } from '../train/combinations.ts'
import { isLocked } from '../train/lock.ts'

import type { StarRest } from './star.ts'
import { drumByStar, edgeAfter, starRests } from './star.ts'

const TURN = rational(360)
const HALF = rational(1, 2)
/** Angles and travels are taken to so many parts of a degree or a millimetre. */
const PARTS = 1_000_000

/** An angle or a travel as it is taken. */
export function exact(value: number): Rational {
  return rational(Math.round(value * PARTS), PARTS)
}

/** How deep the dogs of one fork are in, and on which side of its middle. */
export interface Depth {
  readonly coupler: string
  /** −1 towards the input end, 1 towards the output end, 0 in the middle. */
  readonly side: -1 | 0 | 1
  readonly isDeep: boolean
}

/** What the box does over a stretch of the turn. */
export interface DrumStretch {
  readonly fromDeg: Rational
  /** Beyond 360 where it goes on over the end of the turn. */
  readonly toDeg: Rational
  readonly depths: readonly Depth[]
  readonly state: Analysis['state'] | 'half-engaged'
  /** The listed position that it is, where it is one. */
  readonly position: BoxPosition | null
  /** Couplers whose grooves are at fault where it locks. */
  readonly atFault: readonly string[]
}

/** A stop of the star wheel, and from where the roller falls into it. */
export interface StarStop {
  readonly stop: DrumStop
  readonly fromDeg: Rational
  readonly toDeg: Rational
  /** What the box does there. */
  readonly stretch: DrumStretch | undefined
  /** Whether that is what the stop is for. */
  readonly isAsNamed: boolean
}

/** A stretch in neutral without a stop of neutral. */
export interface FalseNeutral {
  readonly stretch: DrumStretch
  readonly canRest: boolean
  /** Where no stop lies in it, what holds the drum there, if only balanced on a tip. */
  readonly heldBy: StarRest | undefined
}

/** What holds at every angle of a drum. */
export interface DrumProof {
  readonly stretches: readonly DrumStretch[]
  readonly stops: readonly StarStop[]
  /** Where the star can come to rest; nothing where it cannot be as it was entered. */
  readonly rests: readonly StarRest[]
  /** Stretches in neutral in which no stop of neutral lies, and whether the star can rest there. */
  readonly falseNeutrals: readonly FalseNeutral[]
}

interface Knot {
  readonly at: Rational
  readonly mm: Rational
}

/** The points of a groove, with the first once more a turn later. */
function knotsOf({ points }: DrumTrack): readonly Knot[] {
  const knots = points.map(({ angleDeg, travelMm }) => ({
    at: exact(angleDeg),
    mm: exact(travelMm),
  }))
  const [first] = knots
  return first ? [...knots, { at: first.at.add(TURN), mm: first.mm }] : []
}

/** An angle within a turn from another on. */
function within(angle: Rational, from: Rational): Rational {
  let turned = angle
  while (from.isGreaterThan(turned)) turned = turned.add(TURN)
  while (!from.add(TURN).isGreaterThan(turned)) turned = turned.sub(TURN)
  return turned
}

/** How far a fork stands from its middle at an angle, in millimetres; its middle where the groove has no point. */
export function travelAt(track: DrumTrack, angleDeg: Rational): Rational {
  return between(knotsOf(track), angleDeg)
}

function between(knots: readonly Knot[], angleDeg: Rational): Rational {
  const [first] = knots
  if (!first) return ZERO
  const at = within(angleDeg, first.at)
  const after = knots.findIndex((knot) => knot.at.isGreaterThan(at))
  const [one, other] = [knots[after - 1] ?? first, knots[after] ?? first]
  const span = other.at.sub(one.at)
  return span.isZero() ? one.mm : one.mm.add(other.mm.sub(one.mm).mul(at.sub(one.at)).div(span))
}

/** The angles at which a groove passes a depth on either side. */
function crossings(track: DrumTrack, knots: readonly Knot[]): readonly Rational[] {
  const [touches, carries] = [exact(track.touchesFromMm), exact(track.carriesFromMm)]
  const depths = [touches, carries, touches.neg(), carries.neg()]
  return knots.slice(1).flatMap((other, index) => {
    const one = knots[index]
    if (!one || one.mm.equals(other.mm)) return []
    return depths.flatMap((depth) => {
      const share = depth.sub(one.mm).div(other.mm.sub(one.mm))
      const isOn = share.sign() >= 0 && !share.isGreaterThan(rational(1))
      return isOn ? [one.at.add(share.mul(other.at.sub(one.at)))] : []
    })
  })
}

function depthAt(track: DrumTrack, mm: Rational): Depth {
  const isNegative = mm.sign() < 0
  const size = isNegative ? mm.neg() : mm
  const isPast = (limit: number): boolean => !exact(limit).isGreaterThan(size)
  return {
    coupler: track.coupler,
    side: isPast(track.touchesFromMm) ? (isNegative ? -1 : 1) : 0,
    isDeep: isPast(track.carriesFromMm),
  }
}

/** Where a coupler stands when its fork is on one side. */
function placeOn(coupler: Coupler, side: Depth['side']): string | undefined {
  const travel = side < 0 ? 'towards-input' : side > 0 ? 'towards-output' : 'centre'
  return coupler.positions.find((each) => each.travel === travel)?.id ?? centreOf(coupler)?.id
}

function placesOf(
  couplers: readonly Coupler[],
  depths: readonly Depth[],
  counts: (depth: Depth) => boolean,
): CouplerPlaces {
  const places: Record<string, string> = { ...placesAtRest(couplers) }
  for (const depth of depths) {
    const coupler = couplers.find(({ id }) => id === depth.coupler)
    const place = coupler && placeOn(coupler, counts(depth) ? depth.side : 0)
    if (place !== undefined) places[depth.coupler] = place
  }
  return places
}

/** Where the couplers stand over a stretch; what only touches is not in. */
export function placesOver(
  couplers: readonly Coupler[],
  { depths }: Pick<DrumStretch, 'depths'>,
): CouplerPlaces {
  return placesOf(couplers, depths, ({ isDeep }) => isDeep)
}

/** A coupler between two of its places, or at one of them. */
export interface CouplerWay {
  /** Its id. */
  readonly coupler: string
  readonly from: CouplerPosition
  readonly to: CouplerPosition
  /** Of the way, 0 to 1. */
  readonly part: number
}

/** Where the forks of a drum stand at an angle, as it is drawn. */
function travelsAt({ tracks }: Drum, angleDeg: number) {
  const angle = exact(angleDeg)
  return tracks.map((track) => ({ track, mm: travelAt(track, angle) }))
}

/** Where a drum at an angle has its couplers; what only touches is not in. */
export function drumPlaces(
  couplers: readonly Coupler[],
  drum: Drum,
  angleDeg: number,
): CouplerPlaces {
  const depths = travelsAt(drum, angleDeg).map(({ track, mm }) => depthAt(track, mm))
  const places = placesOf(couplers, depths, ({ isDeep }) => isDeep)
  return Object.fromEntries(
    drum.tracks.flatMap(({ coupler }) => {
      const place = places[coupler]
      return place === undefined ? [] : [[coupler, place]]
    }),
  )
}

/** How far each coupler of a drum is from its centre, as a part of what its groove brings it to. */
export function drumWays(
  couplers: readonly Coupler[],
  drum: Drum,
  angleDeg: number,
): readonly CouplerWay[] {
  return travelsAt(drum, angleDeg).flatMap(({ track, mm }): CouplerWay[] => {
    const coupler = couplers.find(({ id }) => id === track.coupler)
    const from = coupler && centreOf(coupler)
    const side = mm.sign() < 0 ? -1 : mm.sign() > 0 ? 1 : 0
    const to = coupler?.positions.find(({ id }) => id === placeOn(coupler, side))
    if (!coupler || !from || !to) return []
    const most = Math.max(0, ...track.points.map(({ travelMm }) => travelMm * side))
    return [{ coupler: coupler.id, from, to, part: most > 0 ? Math.abs(mm.toNumber()) / most : 0 }]
  })
}

type Look = Omit<DrumStretch, 'fromDeg' | 'toDeg' | 'depths'>

/** What the box does with its forks so deep. */
function lookAt(solver: Solver, depths: readonly Depth[]): Look {
  const { couplers, positions } = solver.box.draft
  const carried = placesOf(couplers, depths, ({ isDeep }) => isDeep)
  const touched = placesOf(couplers, depths, () => true)
  const isHalf = depths.some(({ side, isDeep }) => side !== 0 && !isDeep)
  // Teeth that only touch hold as well as those that are in.
  const worst = analyse(solver, touched)
  const key = (places: CouplerPlaces): string =>
    Object.values(fullPlaces(couplers, places)).join('\n')
  if (isLocked(worst))
    return {
      state: worst.state,
      position: null,
      atFault: depths.filter(({ side }) => side !== 0).map(({ coupler }) => coupler),
    }
  return {
    state: isHalf ? 'half-engaged' : worst.state,
    position: isHalf
      ? null
      : (positions.find((position) => key(position.couplers) === key(carried)) ?? null),
    atFault: [],
  }
}

/** What a drum does at every angle of a whole turn. */
export function proveDrum(solver: Solver, drum: Drum): DrumProof {
  const grooves = drum.tracks.map((track) => ({ track, knots: knotsOf(track) }))
  const angles = [
    ZERO,
    ...grooves.flatMap(({ track, knots }) =>
      crossings(track, knots).map((angle) => within(angle, ZERO)),
    ),
  ]
    .sort((one, other) => one.sub(other).sign())
    .filter((angle, at, all) => at === 0 || !angle.equals(all[at - 1] ?? angle))
  const looks = new Map<string, Look>()
  const found: DrumStretch[] = []
  angles.forEach((fromDeg, at) => {
    const toDeg = angles[at + 1] ?? TURN
    const middle = fromDeg.add(toDeg).mul(HALF)
    const depths = grooves.map(({ track, knots }) => depthAt(track, between(knots, middle)))
    const key = keyOf({ depths })
    const before = found.at(-1)
    if (before && keyOf(before) === key) {
      found[found.length - 1] = { ...before, toDeg }
      return
    }
    const look = looks.get(key) ?? lookAt(solver, depths)
    looks.set(key, look)
    found.push({ fromDeg, toDeg, depths, ...look })
  })
  const stretches = joinedEnds(found)
  const stops = starStops(drum, stretches)
  const rests = starRests(drum)
  return {
    stretches,
    stops,
    rests,
    falseNeutrals: stretches
      .filter(({ state }) => state === 'neutral')
      .flatMap((stretch) => {
        const inside = stops.filter((each) => each.stretch === stretch)
        return inside.some(({ stop }) => stop.position === undefined)
          ? []
          : [falseNeutral(stretch, inside.length > 0, rests)]
      }),
  }
}

function keyOf({ depths }: Pick<DrumStretch, 'depths'>): string {
  return depths.map(({ side, isDeep }) => `${side}${isDeep}`).join()
}

function falseNeutral(
  stretch: DrumStretch,
  hasStop: boolean,
  rests: readonly StarRest[],
): FalseNeutral {
  const within = hasStop
    ? []
    : rests.filter((rest) =>
        isHeldWithin(rest, stretch.fromDeg.toNumber(), stretch.toDeg.toNumber()),
      )
  const heldBy = within.find(({ holds }) => holds) ?? within[0]
  return { stretch, canRest: hasStop || heldBy?.holds === true, heldBy }
}

/** Whether friction holds the drum somewhere between two angles, or at one. */
function isHeldWithin(rest: StarRest, fromDeg: number, toDeg: number): boolean {
  return [-360, 0, 360].some(
    (turn) => Math.min(toDeg, rest.toDeg + turn) >= Math.max(fromDeg, rest.fromDeg + turn),
  )
}

/** What goes on over the end of the turn is one stretch. */
function joinedEnds(found: readonly DrumStretch[]): readonly DrumStretch[] {
  const [first] = found
  const end = found.at(-1)
  if (!first || !end || first === end || keyOf(first) !== keyOf(end)) return found
  return [...found.slice(1, -1), { ...end, toDeg: first.toDeg.add(TURN) }]
}

function holds({ fromDeg, toDeg }: DrumStretch, angle: Rational): boolean {
  return !within(angle, fromDeg).isGreaterThan(toDeg)
}

/** Where the roller falls from one notch into the next, as the drum turns. */
function edgeBetween(
  one: DrumStop,
  other: DrumStop,
  drumDeg: (starDeg: number) => number,
): Rational {
  const gapDeg = (other.angleDeg - one.angleDeg + 360) % 360 || 360
  return exact(drumDeg(one.angleDeg + edgeAfter(one, gapDeg, other)))
}

function starStops(drum: Drum, stretches: readonly DrumStretch[]): readonly StarStop[] {
  const { stops } = drum
  const drumDeg = drumByStar(drum)
  return stops.map((stop, at) => {
    const before = stops[(at + stops.length - 1) % stops.length] ?? stop
    const after = stops[(at + 1) % stops.length] ?? stop
    const angle = exact(stop.angleDeg)
    const stretch = stretches.find((each) => holds(each, angle))
    const fromDeg = edgeBetween(before, stop, drumDeg)
    return {
      stop,
      fromDeg: within(fromDeg, angle).sub(TURN),
      toDeg: edgeBetween(stop, after, drumDeg),
      stretch,
      isAsNamed:
        stop.position === undefined
          ? stretch?.state === 'neutral'
          : stretch?.position?.id === stop.position,
    }
  })
}

/** What friction alone holds a drum in at an angle, outside the bottom of a notch too. */
export function heldAt(rests: readonly StarRest[], angleDeg: number): StarRest | undefined {
  return rests.find((rest) => isHeldWithin(rest, angleDeg, angleDeg))
}

/** The stop that the star settles at from an angle. */
export function settlesAt(stops: readonly StarStop[], angleDeg: Rational): StarStop | undefined {
  return stops.find(({ fromDeg, toDeg }) => !within(angleDeg, fromDeg).isGreaterThan(toDeg))
}
