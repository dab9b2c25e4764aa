import type { Stage, Waiting } from 'core'

/** A job in a line: how far it is and what waits for the person. */
export interface JobSummary {
  readonly number: number
  readonly isClosed: boolean
  readonly stage: Stage
  readonly waiting: readonly Waiting[]
}
