/** How far a piece of work is, in whatever it counts. */
export interface Progress {
  readonly done: number
  readonly total: number
}
