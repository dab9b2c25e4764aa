/** A coupler that goes in by itself: to its ring, while that brakes, and through. */
import type { Approach } from 'core'
import { contactOf, isBraking, ringTeethFrom } from 'core'

/** Of the whole way in, in a second, and how long a ring brakes, as it is shown. */
const WAY_PER_S = 0.35
const BRAKES_S = 1.6
/** Teeth that pass in a second while nothing has been braked. */
const TEETH_PER_S = 2.2

/** What is shown at a moment. */
export interface Engaging {
  readonly part: number
  /** Of the difference of both sides, what is left. */
  readonly slip: number
  /** Teeth of the gear that have passed. */
  readonly turned: number
}

/** What is left of the difference where somebody stopped on the way. */
export function slipAt(approach: Approach): number {
  const contact = contactOf(approach)
  return contact === 'entering' || contact === 'in' || contact === 'shallow' ? 0 : 1
}

/** A little later. */
export function engagingAfter(now: Engaging, approach: Approach, seconds: number): Engaging {
  const waitsAt = approach.hasRing && isBraking(approach) ? ringTeethFrom(approach) : null
  const turned = now.turned + now.slip * TEETH_PER_S * seconds
  if (waitsAt !== null && now.part >= waitsAt && now.slip > 0)
    return { part: waitsAt, slip: Math.max(0, now.slip - seconds / BRAKES_S), turned }
  const gone = now.part + WAY_PER_S * seconds
  const part = Math.min(1, waitsAt !== null && now.slip > 0 ? Math.min(gone, waitsAt) : gone)
  const isIn = contactOf({ ...approach, part }) === 'in'
  return { part, slip: isIn ? 0 : now.slip, turned }
}
