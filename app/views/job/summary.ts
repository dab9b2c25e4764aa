import type { Stage, Waiting } from 'core'

/** A job in a line: how far it is and what waits for the person. */
export interface JobSummary {
  readonly number: number
  readonly isClosed: boolean
  /** Null where it cannot be told: the drawing does not hang together, or a newer version wrote the log. */
  readonly stage: Stage | null
  readonly waiting: readonly Waiting[]
  /** Initials of whose job it is; empty where nobody was named. */
  readonly assignee: string
  /** References of parts that were looked for and are not there. */
  readonly missing: readonly string[]
  /** From when to when, as ISO times; `closedAt` is null while it is open. */
  readonly openedAt: string
  readonly closedAt: string | null
  /** What was entered last, when and by whom; null where nothing was. */
  readonly last: { readonly at: string; readonly by: string } | null
}
