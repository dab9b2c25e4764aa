/** What the address of a page of Shift says. */
import type { Rational, Solver } from 'core'
import { directionAhead, rational } from 'core'

/** A figure of the address, or the usual one where it says none within limits. */
export function figureWithin(
  text: string | null,
  usual: number,
  [least, most]: readonly [number, number],
): number {
  const figure = Number(text ?? '')
  return text !== null && text.trim() !== '' && figure >= least && figure <= most ? figure : usual
}

const STEPS_PER_RPM = 1_000

/** Turns of the output for one of the input while the vehicle rolls ahead, from two speeds. */
export function rollingSpeed(solver: Solver, outputRpm: number, inputRpm: number): Rational {
  return rational(
    directionAhead(solver) * Math.round(outputRpm * STEPS_PER_RPM),
    Math.round(inputRpm * STEPS_PER_RPM),
  )
}

/** No shaft of a gearbox turns faster. */
export const MOST_RPM = 30_000
/** Of a coupler on its way, pushed by hand or by a piston. */
export const COUPLER_M_S = [0.005, 5] as const
export const MOST_DRAG_NM = 1_000
export const USUAL_LOAD_NM = 100
export const MOST_LOAD_NM = 20_000
