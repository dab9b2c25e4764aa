/**
 * A stack of parts between two stops: the end play that is left, and how far it may be from
 * it. In the worst case all deviations add up; where many parts are made independently the
 * root of the sum of their squares is what is to be expected (the two usual ways of adding
 * tolerances, textbooks of dimensioning).
 */

/** A length and how far it may be from it, both ways. */
export interface Toleranced {
  readonly mm: number
  readonly plusMinusMm: number
}

/** What is left of a room when its stack is in, and how far that may be off. */
export interface EndPlay {
  /** Below 0 is preload. */
  readonly mm: number
  /** The largest deviation either way, in the worst case and as the root of squares. */
  readonly worstMm: number
  readonly rootMm: number
}

/** The end play of a stack in its room. */
export function endPlayOf(room: Toleranced, stack: readonly Toleranced[]): EndPlay {
  const all = [room, ...stack]
  return {
    mm: room.mm - stack.reduce((sum, { mm }) => sum + mm, 0),
    worstMm: all.reduce((sum, { plusMinusMm }) => sum + plusMinusMm, 0),
    rootMm: Math.hypot(...all.map(({ plusMinusMm }) => plusMinusMm)),
  }
}

/** The thicknesses of a shim that bring an end play between two limits, as measured; null where none does. */
export function shimRange(
  { mm }: Pick<EndPlay, 'mm'>,
  leastMm: number,
  mostMm: number,
): { readonly leastMm: number; readonly mostMm: number } | null {
  return mm < leastMm ? null : { leastMm: Math.max(0, mm - mostMm), mostMm: mm - leastMm }
}
