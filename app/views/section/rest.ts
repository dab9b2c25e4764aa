import type { BodyMotion } from 'core'

/** How a part is drawn that the input does not turn. */
export function restClass(motion: BodyMotion | undefined): string | undefined {
  return motion?.kind === 'still' ? 'stands' : motion?.kind === 'coasts' ? 'coasts' : undefined
}
