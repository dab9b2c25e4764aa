/** The fewest and most teeth that a count may have; outside them it is a slip of the finger. */
export const LEAST_TOOTH_COUNT = 5
/** See `LEAST_TOOTH_COUNT`. */
export const MOST_TOOTH_COUNT = 400

/** Whether a number may stand as a count of teeth. */
export function isToothCount(value: number): boolean {
  return Number.isInteger(value) && value >= LEAST_TOOTH_COUNT && value <= MOST_TOOTH_COUNT
}
