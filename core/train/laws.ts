/**
 * The laws of motion of a gearbox with its couplers at given places.
 *
 * Every link is one linear law Σ cᵢ·ωᵢ = 0 between the angular speeds ωᵢ of the
 * bodies it touches, with whole coefficients cᵢ:
 *
 *   external mesh     za·ωa + zb·ωb = 0          pitch-line speeds are opposite
 *   internal, chain   za·ωa − zb·ωb = 0
 *   planetary set     zs·ωs + zr·ωr − (zs + zr)·ωc = 0      Willis's equation
 *   differential      ωl + ωr − 2·ω_case = 0
 *   lock, joined      ωa − ωb = 0
 *   held to the case  ω = 0
 */
import type { Box, BoxIndex, CouplerPlaces } from '../box/box.ts'
import { bodyOfGear, placeOf } from '../box/box.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, rational } from '../number/rational.ts'
import { meshStationMm } from '../box/mesh.ts'
import type { Coupler, Differential, Gear, Link, MeshKind } from '../box/types.ts'

const MINUS_ONE = rational(-1)
const MINUS_TWO = rational(-2)

export interface Term {
  readonly body: string
  /** The gear through which the body takes part, where there is one. */
  readonly gear: Gear | undefined
  /** A whole number. */
  readonly coefficient: Rational
  /** Where along its axis the body is touched. */
  readonly stationMm: number
}

export type LawKind =
  | MeshKind
  | 'planetary'
  | 'differential'
  | 'joined'
  | 'held'
  | 'lock'
  /** The load at an output: its multiplier is the torque that the output puts on the box. */
  | 'load'
  /** The sides of an open differential turning alike: an assumption that bears no torque. */
  | 'alike'

export interface Law {
  /** One of its own among all laws of a box: a coupler can bring in several. */
  readonly id: string
  /** The link's id, or the coupler's when a lock or a hold is its doing. */
  readonly source: string
  readonly kind: LawKind
  readonly terms: readonly Term[]
  /** Gears whose counts the law needs and does not have; its coefficients then mean nothing. */
  readonly uncounted: readonly Gear[]
}

function count(gear: Gear): Rational {
  return gear.toothCount === null ? ONE : rational(gear.toothCount)
}

function gearTerm(gear: Gear, coefficient: Rational, stationMm = gear.stationMm): Term {
  return { body: bodyOfGear(gear), gear, coefficient, stationMm }
}

function found<P>(map: ReadonlyMap<string, P>, id: string): P {
  const part = map.get(id)
  if (part === undefined) throw new Error(`a checked box has no part "${id}"`)
  return part
}

/** Where along its axis a body is, as far as one number can say: the middle of it. */
function middleMm(box: Pick<BoxIndex, 'gears' | 'members'>, body: string): number {
  const gear = box.gears.get(body)
  if (gear) return gear.stationMm
  const member = found(box.members, body)
  return (member.fromMm + member.toMm) / 2
}

/** The station at which a body comes nearest to `towardsMm`. */
function nearestMm(
  box: Pick<BoxIndex, 'gears' | 'members'>,
  body: string,
  towardsMm: number,
): number {
  const member = box.members.get(body)
  if (!member) return middleMm(box, body)
  return Math.min(Math.max(towardsMm, member.fromMm), member.toMm)
}

function uncountedOf(gears: readonly Gear[]): readonly Gear[] {
  return gears.filter((gear) => gear.toothCount === null)
}

/** The law of one link of a checked box, which may have got other counts. */
export function lawOfLink(box: Pick<BoxIndex, 'gears' | 'members'>, link: Link): Law {
  const { id, kind } = link
  switch (kind) {
    case 'external-mesh':
    case 'internal-mesh':
    case 'chain': {
      const a = found(box.gears, link.a)
      const b = found(box.gears, link.b)
      const teethOfB = kind === 'external-mesh' ? count(b) : count(b).neg()
      const stationMm = meshStationMm(a, b)
      return {
        id,
        source: id,
        kind,
        terms: [gearTerm(a, count(a), stationMm), gearTerm(b, teethOfB, stationMm)],
        uncounted: uncountedOf([a, b]),
      }
    }
    case 'planetary': {
      const sun = found(box.gears, link.sun)
      const ring = found(box.gears, link.ring)
      const carrier = bodyTerm(link.carrier, count(sun).add(count(ring)).neg(), sun.stationMm)
      return {
        id,
        source: id,
        kind,
        terms: [gearTerm(sun, count(sun)), gearTerm(ring, count(ring)), carrier],
        uncounted: uncountedOf([sun, ring]),
      }
    }
    case 'differential': {
      const stationMm = middleMm(box, link.case)
      return {
        id,
        source: id,
        kind,
        terms: [
          bodyTerm(link.left, ONE, stationMm),
          bodyTerm(link.right, ONE, stationMm),
          bodyTerm(link.case, MINUS_TWO, stationMm),
        ],
        uncounted: [],
      }
    }
    case 'joined':
      return {
        id,
        source: id,
        kind,
        terms: equalSpeeds(
          link.a,
          nearestMm(box, link.a, middleMm(box, link.b)),
          link.b,
          nearestMm(box, link.b, middleMm(box, link.a)),
        ),
        uncounted: [],
      }
    case 'held':
      return {
        id,
        source: id,
        kind,
        terms: [bodyTerm(link.body, ONE, middleMm(box, link.body))],
        uncounted: [],
      }
  }
}

/** ωl − ωr = 0, which settles an open differential. */
export function balancingLaw({ id: source, left, right }: Differential): Law {
  return {
    id: `alike ${source}`,
    source,
    kind: 'alike',
    terms: equalSpeeds(left, 0, right, 0),
    uncounted: [],
  }
}

/** The torque that whatever hangs on an output puts on it, at the output's end. */
export function loadLaw(output: string, stationMm: number): Law {
  return {
    id: `load ${output}`,
    source: output,
    kind: 'load',
    terms: [bodyTerm(output, ONE, stationMm)],
    uncounted: [],
  }
}

function bodyTerm(body: string, coefficient: Rational, stationMm: number): Term {
  return { body, gear: undefined, coefficient, stationMm }
}

function equalSpeeds(a: string, aMm: number, b: string, bMm: number): readonly Term[] {
  return [bodyTerm(a, ONE, aMm), bodyTerm(b, MINUS_ONE, bMm)]
}

function lawsOfCoupler(box: Box, coupler: Coupler, places: CouplerPlaces): readonly Law[] {
  const position = placeOf(coupler, places)
  if (!position) throw new Error(`coupler "${coupler.id}" has no place "${places[coupler.id]}"`)
  const { stationMm } = coupler
  return position.engages.map((engagement): Law => {
    switch (engagement.kind) {
      case 'mesh':
        return lawOfLink(box, found(box.links, engagement.link))
      case 'lock':
        return {
          id: `${coupler.id} ${engagement.body}`,
          source: coupler.id,
          kind: 'lock',
          terms: equalSpeeds(engagement.body, stationMm, coupler.hub, stationMm),
          uncounted: [],
        }
      case 'hold':
        return {
          id: `${coupler.id} ${engagement.body} held`,
          source: coupler.id,
          kind: 'held',
          terms: [bodyTerm(engagement.body, ONE, stationMm)],
          uncounted: [],
        }
    }
  })
}

/** The laws that hold wherever the couplers stand. */
export function standingLaws(box: Box): readonly Law[] {
  return box.draft.links
    .filter((link) => !box.slidingLinks.has(link.id))
    .map((link) => lawOfLink(box, link))
}

/** The laws that the couplers, or some of them, add at the given places. */
export function engagedLaws(
  box: Box,
  places: CouplerPlaces,
  couplers: readonly Coupler[] = box.draft.couplers,
): readonly Law[] {
  return couplers.flatMap((coupler) => lawsOfCoupler(box, coupler, places))
}

/**
 * The laws that can bear load between the input and the outputs. A body that a
 * single law touches, and that is neither input nor output, can only follow: it
 * takes no torque, so that law bears none, and both fall away; and so on until
 * nothing more falls. What is left over is the load-bearing part of the box.
 */
export function bearingLaws(
  laws: readonly Law[],
  input: string,
  outputs: readonly string[],
): readonly Law[] {
  const ends = new Set([input, ...outputs])
  const lawsAt = new Map<string, number>()
  for (const law of laws)
    for (const { body } of law.terms) lawsAt.set(body, (lawsAt.get(body) ?? 0) + 1)
  let bearing = laws
  for (;;) {
    const kept = bearing.filter((law) =>
      law.terms.every(({ body }) => ends.has(body) || (lawsAt.get(body) ?? 0) > 1),
    )
    if (kept.length === bearing.length) return bearing
    const stays = new Set(kept)
    for (const law of bearing)
      if (!stays.has(law))
        for (const { body } of law.terms) lawsAt.set(body, (lawsAt.get(body) ?? 0) - 1)
    bearing = kept
  }
}

/** The bodies that laws connect, directly or in steps, with `start`. */
export function connectedBodies(laws: readonly Law[], start: string): ReadonlySet<string> {
  const reached = new Set([start])
  let grew = true
  while (grew) {
    grew = false
    for (const law of laws) {
      if (!law.terms.some(({ body }) => reached.has(body))) continue
      for (const { body } of law.terms) {
        if (reached.has(body)) continue
        reached.add(body)
        grew = true
      }
    }
  }
  return reached
}
