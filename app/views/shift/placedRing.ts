/** Where hub, sleeve, ring and gear are drawn for a part of the way, in units of the figure. */
import type { Approach, Contact } from 'core'
import { GEAR_TEETH_FROM, NEW_RING_GAP_MM, RING_TEETH_FROM, ringTeethFrom } from 'core'

/** Where the hub stands, half of its width, and half of the sleeve’s. */
export const HUB = { at: 200, half: 44 }
export const SLEEVE_HALF = 86
/** What the whole way in is in the drawing: a millimetre is as long as it has to be for that. */
export const WAY = 86
/** The tip of the sleeve at rest, and the teeth of the gear. */
export const TIP = HUB.at + SLEEVE_HALF
export const GEAR_AT = TIP + GEAR_TEETH_FROM * WAY
/** How long the teeth of ring and gear are, and the points of all. */
export const TEETH = { ring: (GEAR_TEETH_FROM - RING_TEETH_FROM) * WAY, gear: 26, point: 9 }
/** How far a key goes until it presses on its ring. */
const KEY_WAY = 0.1 * WAY
/** A ring, its coupler and the gear as they stand for a part of the way. */
export function placedRing(approach: Approach, contact: Contact) {
  const { part, gapMm, travelMm } = approach
  const from = ringTeethFrom(approach)
  // What waits, waits where it is held up, whatever the hand would have.
  const shown = contact === 'blocking' ? from : contact === 'grinding' ? GEAR_TEETH_FROM : part
  const gap = Math.max(0, gapMm ?? NEW_RING_GAP_MM) * (WAY / Math.max(travelMm, 1))
  const newGap = NEW_RING_GAP_MM * (WAY / Math.max(travelMm, 1))
  const length = TEETH.ring - newGap
  const isLoose = contact === 'free'
  const face = GEAR_AT - gap - (isLoose ? 2 : 0)
  return {
    tip: TIP + shown * WAY,
    /** From the points of its teeth to its face towards the gear. */
    ring: { from: face - length, face },
    key: Math.min(shown * WAY, KEY_WAY),
    isKeyDown: shown * WAY > KEY_WAY + 2,
  }
}
