/** Work on archives, as the server tells of it and pages show it. */

export interface Named {
  readonly count: number
  /** The first of them. */
  readonly names: readonly string[]
}

export interface ArchiveSummary {
  /** Boxes that are not here yet, that are here as they are, and that differ. */
  readonly fresh: Named
  readonly same: Named
  readonly differing: Named
  /** Jobs that are not here yet, and jobs here that gain entries or photographs. */
  readonly freshJobs: number
  readonly grownJobs: number
  /** What jobs gain, kind by kind: how many, and what they are called. */
  readonly gained: readonly { readonly count: number; readonly what: string }[]
  /** What of the shop comes in, and what stays as it is here though it differs. */
  readonly freshShop: number
  readonly keptShop: number
}

export type ArchiveOutcome =
  | { readonly ok: true; readonly summary: ArchiveSummary }
  | { readonly ok: false; readonly problems: readonly string[] }

export type ArchiveTask =
  /** Boxes, jobs and photographs done, of all there are. */
  | { readonly state: 'running'; readonly done: number; readonly total: number }
  /** `outcome` is null where an archive was written. */
  | { readonly state: 'done'; readonly outcome: ArchiveOutcome | null }
  | { readonly state: 'failed' }
