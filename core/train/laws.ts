/** The laws of motion of a gearbox with its couplers at given places. */
import type { Box, BoxIndex, CouplerPlaces } from '../box/box.ts'
import { placeOf } from '../box/box.ts'
import type { Term } from '../box/links/index.ts'
import { balancedBy, definitionOf, equalSpeeds, plain } from '../box/links/index.ts'
import type { Rational } from '../number/rational.ts'
import type { Coupler, Gear, Link, LinkKind } from '../box/types.ts'

export type { Term } from '../box/links/index.ts'

type LawKind =
  | LinkKind
  | 'lock'
  /** The load at an output: its multiplier is the torque that the output puts on the box. */
  | 'load'
  /** The sides of an open differential turning alike: an assumption that bears no torque. */
  | 'alike'

/** A linear law Σ cᵢ·ωᵢ = 0 between the angular speeds of bodies. */
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

function found<P>(map: ReadonlyMap<string, P>, id: string): P {
  const part = map.get(id)
  if (part === undefined) throw new Error(`a checked box has no part "${id}"`)
  return part
}

/** The laws of one link of a checked box, which may have got other counts. */
export function lawsOfLink(box: Pick<BoxIndex, 'gears' | 'members'>, link: Link): readonly Law[] {
  const { id: source, kind } = link
  return definitionOf(link)
    .laws(box, link)
    .map(({ part, terms }) => ({
      id: part === '' ? source : `${source} ${part}`,
      source,
      kind,
      terms,
      uncounted: uncountedOf(terms),
    }))
}

function uncountedOf(terms: readonly Term[]): readonly Gear[] {
  const uncounted = new Set<Gear>()
  for (const { counted } of terms)
    for (const { gear } of counted) if (gear.toothCount === null) uncounted.add(gear)
  return [...uncounted]
}

/** The speed of a body so many times, in a law without counts. */
export function timesSpeed(body: string, coefficient: Rational): Term {
  return { ...plain(body, 1, 0), coefficient }
}

/** A link of which two bodies may be taken to turn alike, and the law that says so. */
export interface Balancing {
  readonly link: Link
  readonly sides: readonly [string, string]
  readonly law: Law
}

/** What links can be balanced by, such as an open differential. */
export function balancings(links: readonly Link[]): readonly Balancing[] {
  return links.flatMap((link): readonly Balancing[] => {
    const sides = balancedBy(link)
    if (!sides) return []
    const [left, right] = sides
    return [
      {
        link,
        sides,
        law: {
          id: `alike ${link.id}`,
          source: link.id,
          kind: 'alike',
          terms: equalSpeeds(left, 0, right, 0),
          uncounted: [],
        },
      },
    ]
  })
}

/** The torque that whatever hangs on an output puts on it, at the output's end. */
export function loadLaw(output: string, stationMm: number): Law {
  return {
    id: `load ${output}`,
    source: output,
    kind: 'load',
    terms: [plain(output, 1, stationMm)],
    uncounted: [],
  }
}

function lawsOfCoupler(box: Box, coupler: Coupler, places: CouplerPlaces): readonly Law[] {
  const position = placeOf(coupler, places)
  if (!position) throw new Error(`coupler "${coupler.id}" has no place "${places[coupler.id]}"`)
  const { stationMm } = coupler
  return position.engages.flatMap((engagement): Law | readonly Law[] => {
    switch (engagement.kind) {
      case 'mesh':
        return lawsOfLink(box, found(box.links, engagement.link))
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
          terms: [plain(engagement.body, 1, stationMm)],
          uncounted: [],
        }
    }
  })
}

/** The laws that hold wherever the couplers stand. */
export function standingLaws(box: Box): readonly Law[] {
  return box.draft.links
    .filter((link) => !box.slidingLinks.has(link.id))
    .flatMap((link) => lawsOfLink(box, link))
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
  const isFollowing = ({ body }: Term): boolean => !ends.has(body) && lawsAt.get(body) === 1
  let bearing = laws
  for (;;) {
    const kept: Law[] = []
    for (const law of bearing)
      if (law.terms.some(isFollowing))
        for (const { body } of law.terms) lawsAt.set(body, (lawsAt.get(body) ?? 0) - 1)
      else kept.push(law)
    if (kept.length === bearing.length) return bearing
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
