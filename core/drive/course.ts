/** What a driver and the road ask for, over time. */

export interface CourseRow {
  readonly timeS: number
  /** Of the way to the floor, 0 to 1. */
  readonly pedal: number
  readonly brake: number
  /** Rise over run. */
  readonly grade: number
  /** The label of a gear that is asked for from here on; empty leaves it to the rules. */
  readonly ask: string
}

export type Moment = Omit<CourseRow, 'timeS'>

const NOTHING: Moment = { pedal: 0, brake: 0, grade: 0, ask: '' }

/**
 * Reads a course along its time: between two rows pedal, brake and grade go evenly from one to the
 * other. Meant to be asked for later and later times.
 */
export function courseReader(rows: readonly CourseRow[]): (timeS: number) => Moment {
  let at = 0
  return (timeS) => {
    if ((rows[at]?.timeS ?? 0) > timeS) at = 0
    while (at + 1 < rows.length && (rows[at + 1]?.timeS ?? 0) <= timeS) at++
    const [row, next] = [rows[at], rows[at + 1]]
    if (!row) return NOTHING
    if (!next || timeS <= row.timeS) return row
    const part = (timeS - row.timeS) / (next.timeS - row.timeS)
    const between = (one: number, other: number): number => one + (other - one) * part
    return {
      pedal: between(row.pedal, next.pedal),
      brake: between(row.brake, next.brake),
      grade: between(row.grade, next.grade),
      ask: row.ask,
    }
  }
}
