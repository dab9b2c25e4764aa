import type { Stage, Waiting } from 'core'

/** A job in a line: how far it is and what waits for the person. */
export interface JobSummary {
  readonly number: number
  readonly isClosed: boolean
  /** Null where it cannot be told: the drawing does not hang together, or a newer version wrote the log. */
  readonly stage: Stage | null
  readonly waiting: readonly Waiting[]
}
