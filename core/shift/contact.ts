/**
 * What a coupler touches on its way in. With a ring: the ring is pressed onto its cone, its teeth
 * stand in the way until the speeds agree, then those of the gear, then it is in. A ring whose face
 * has come to the gear, its gap being gone, presses on no cone and holds nothing up. Dogs without a
 * ring meet over the last part of the way, as deep as they are.
 */

export type Contact =
  /** Nothing touches. */
  | 'free'
  /** The ring is on its cone and brakes; its teeth are not reached. */
  | 'braking'
  /** Its teeth stand in the way, as long as it brakes. */
  | 'blocking'
  /** Nothing brakes: the teeth go through while both sides turn on their own. */
  | 'unbraked'
  /** At the teeth of the gear, speeds being equal. */
  | 'entering'
  /** At the teeth of the gear, speeds being what they were. */
  | 'grinding'
  /** Dogs that hold by less than half of their depth. */
  | 'shallow'
  | 'in'

/** Where a coupler stands, and what it has to do with. */
export interface Approach {
  /** Of its way from the centre, 0 to 1. */
  readonly part: number
  readonly hasRing: boolean
  /** Between ring and gear with the ring on its cone; null where nobody measured it. */
  readonly gapMm: number | null
  readonly travelMm: number
  /** Of dogs without a ring. */
  readonly depthMm: number
  /** Whether the ring was left out when it was put together. */
  readonly isRingOut?: boolean
}

/** Parts of the way from which a ring is pressed on its cone, and from which a coupler is in (common practice, roughly). */
const PRESSED_FROM = 0.1
const IN_FROM = 0.95
/** Part of the way at which the teeth of the ring are met (common practice, roughly). */
export const RING_TEETH_FROM = 0.35
/** Part of the way at which the teeth of the gear are met (common practice, roughly). */
export const GEAR_TEETH_FROM = 0.65

/** Between ring and gear where the ring is new (common practice, roughly). */
export const NEW_RING_GAP_MM = 1.2
/** Of the way, what a ring leaves at least between what goes before and after its teeth. */
const LEAST_BETWEEN = 0.08

/** The part of the way at which a ring's teeth are met: a worn one stands nearer to its gear. */
export function ringTeethFrom({ gapMm, travelMm }: Pick<Approach, 'gapMm' | 'travelMm'>): number {
  const nearerMm = NEW_RING_GAP_MM - (gapMm ?? NEW_RING_GAP_MM)
  const from = RING_TEETH_FROM + (travelMm > 0 ? nearerMm / travelMm : 0)
  return Math.min(Math.max(from, PRESSED_FROM + LEAST_BETWEEN), GEAR_TEETH_FROM - LEAST_BETWEEN)
}

/** Whether a ring on its way brings both sides to one speed. */
export function isBraking({ gapMm, isRingOut = false }: Approach): boolean {
  return !isRingOut && (gapMm === null || gapMm > 0)
}

/** By how much dogs reach into one another; below 0 they are still apart. */
export function dogDepthMm({ part, travelMm, depthMm }: Approach): number {
  return part * travelMm - (travelMm - depthMm)
}

/** What is touched at one place of the way. */
export function contactOf(approach: Approach): Contact {
  const { part, hasRing, depthMm } = approach
  if (!hasRing) {
    const depth = dogDepthMm(approach)
    if (depth <= 0) return 'free'
    return depth < depthMm / 2 ? 'shallow' : 'in'
  }
  const brakes = isBraking(approach)
  if (part < PRESSED_FROM) return 'free'
  if (part >= IN_FROM) return 'in'
  if (part >= GEAR_TEETH_FROM) return brakes ? 'entering' : 'grinding'
  if (!brakes) return 'unbraked'
  return part >= ringTeethFrom(approach) ? 'blocking' : 'braking'
}
