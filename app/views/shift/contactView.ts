/** A coupler half way in, as the address and the job have it. */
import type { BoxDraft, BoxIndex, Engageable, Finding, Job, PartPath, RingFigures } from 'core'
import {
  condemnedParts,
  coneWearMm,
  measuredOn,
  worstByPart,
  rodsOf,
  USUAL_TRAVEL_MM,
  pathToRing,
  engageables,
} from 'core'

/** Where nothing is said of it. */
const USUAL_DEPTH_MM = 4

/** How far a coupler goes from its centre to a place, as its rod says. */
export function travelOf(draft: BoxDraft, { coupler, place }: Engageable): number {
  const found = rodsOf(draft)
    .flatMap(({ places }) => places)
    .find(({ couplers, travelMm }) => couplers[coupler.id] === place.id && travelMm !== undefined)
  const travelMm = Math.abs(found?.travelMm ?? 0)
  return travelMm > 0 ? travelMm : USUAL_TRAVEL_MM
}

/** How deep the dogs of a place go, never deeper than the way is long. */
export function depthOf({ place: { dogs } }: Engageable, travelMm: number): number {
  return Math.min(dogs?.depthMm ?? USUAL_DEPTH_MM, travelMm)
}

type Of = Pick<Engageable, 'coupler' | 'place'>

/** The path of a place’s ring. */
export function ringOf({ coupler, place }: Of): PartPath {
  return pathToRing(coupler.id, place.id)
}

/** The gap of a place’s ring as the job has it: the least that was read last; null where nobody did. */
export function measuredGapMm(job: Job, at: Of): number | null {
  const latest = measuredOn(job, ringOf(at), 'ring-gap').at(-1)
  return latest ? latest.judgement.figures.figure : null
}

/** Whether the job has it that a place’s ring is to be replaced. */
export function isRingCondemned(box: BoxIndex, job: Job, at: Of): boolean {
  return condemnedParts(box, job).has(ringOf(at))
}

/** What condemns a place’s ring, as the job has it: the worst that was found of it. */
export function ringCondemnedBy(box: BoxIndex, job: Job, at: Of): Finding | undefined {
  return isRingCondemned(box, job, at) ? worstByPart(job).get(ringOf(at)) : undefined
}

/** The places whose ring stands on its gear, as the job has it, and brakes nothing. */
export function spentRings(job: Job, draft: BoxDraft): ReadonlySet<string> {
  return new Set(
    engageables(draft)
      .filter((each) => each.hasRing && (measuredGapMm(job, each) ?? Infinity) <= 0)
      .map(({ key }) => key),
  )
}

/** By how much each cone of a ring may still wear in radius until its face meets the gear; null without its angle. */
export function wearLeftMm(ring: RingFigures | undefined, gapMm: number): number | null {
  return ring?.halfAngleDeg === undefined
    ? null
    : coneWearMm(gapMm, 0, ring.halfAngleDeg) / (ring.coneCount ?? 1)
}
