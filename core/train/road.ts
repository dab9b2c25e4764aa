/**
 * Road speed. A wheel that turns n times a minute rolls 2π·r each turn, so
 *
 *   v = 60·2π·r·n / 1000 = 0.12π·r·n   (v in km/h, r in m, n in rev/min of the wheel)
 *
 * which is the 0.377·r·n of the Bosch Automotive Handbook (from memory).
 */
import { toNumber } from '../number/rational.ts'
import { finalDriveRatio } from './ratios.ts'
import type { FinalDrive } from '../box/types.ts'

const MM_PER_M = 1000

/**
 * Speed in km/h at `outputRpm` turns a minute of the output. Without a final drive
 * the output is taken to turn the wheels. Never negative.
 */
export function roadSpeedKmh(
  outputRpm: number,
  rollingRadiusMm: number,
  finalDrive: FinalDrive | null,
): number {
  const wheelRpm = outputRpm / (finalDrive ? toNumber(finalDriveRatio(finalDrive)) : 1)
  return 0.12 * Math.PI * (rollingRadiusMm / MM_PER_M) * Math.abs(wheelRpm)
}
