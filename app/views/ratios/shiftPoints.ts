/** Engine speed against road speed, and what it falls to at each shift up. */
import type { FinalDrive, Rational, RatioRow } from 'core'
import { roadSpeedKmh, toNumber } from 'core'

/** Turns a minute of the engine at a shift: usual, and what can be asked for. */
export const USUAL_SHIFT_RPM = 3000
export const LEAST_SHIFT_RPM = 100
export const MOST_SHIFT_RPM = 20_000

/** As the address has it; the usual speed where it names none that can be. */
export function parseShiftRpm(text: string | null): number {
  const rpm = Number(text)
  const isUsable =
    text !== null && Number.isInteger(rpm) && rpm >= LEAST_SHIFT_RPM && rpm <= MOST_SHIFT_RPM
  return isUsable ? rpm : USUAL_SHIFT_RPM
}

/** What lies along the chart: the speed of the road, or of the output where the wheels are not known. */
export interface Travel {
  readonly kind: 'road' | 'output'
  /** At an engine speed, in a position with this ratio: km/h, or turns a minute. */
  readonly at: (engineRpm: number, ratio: Rational) => number
}

export function travelOf(
  finalDrive: FinalDrive | null,
  rollingRadiusMm: number | undefined,
): Travel {
  const outputRpm = (engineRpm: number, ratio: Rational): number =>
    engineRpm / Math.abs(toNumber(ratio))
  return rollingRadiusMm === undefined
    ? { kind: 'output', at: outputRpm }
    : {
        kind: 'road',
        at: (engineRpm, ratio) =>
          roadSpeedKmh(outputRpm(engineRpm, ratio), rollingRadiusMm, finalDrive),
      }
}

export interface Shift {
  readonly from: string
  readonly to: string
  /** Where it is made, as `Travel` has it. */
  readonly at: number
  /** Turns a minute of the engine after it. */
  readonly toRpm: number
}

/** A position in which the car goes forward. */
export interface ForwardPosition {
  readonly label: string
  readonly ratio: Rational
}

/**
 * The positions that most of them turn the output the same way as, lowest gear first; one
 * of each ratio, since a second one is nothing to shift to.
 */
export function forwardPositions(rows: readonly RatioRow[]): readonly ForwardPosition[] {
  const driving = rows.flatMap(({ position, ratio }) =>
    ratio ? [{ label: position.label, ratio }] : [],
  )
  const positive = driving.filter(({ ratio }) => ratio.sign() > 0).length
  const sense = 2 * positive >= driving.length ? 1 : -1
  return driving
    .filter(({ ratio }) => ratio.sign() === sense)
    .sort((one, other) => Math.abs(toNumber(other.ratio)) - Math.abs(toNumber(one.ratio)))
    .filter(({ ratio }, at, all) => !all[at - 1]?.ratio.equals(ratio))
}

/** Every shift up at an engine speed, from each position to the next. */
export function shiftsUp(
  positions: readonly ForwardPosition[],
  travel: Travel,
  engineRpm: number,
): readonly Shift[] {
  return positions.slice(1).flatMap((to, at): Shift[] => {
    const from = positions[at]
    return from
      ? [
          {
            from: from.label,
            to: to.label,
            at: travel.at(engineRpm, from.ratio),
            toRpm: engineRpm * Math.abs(toNumber(to.ratio) / toNumber(from.ratio)),
          },
        ]
      : []
  })
}
