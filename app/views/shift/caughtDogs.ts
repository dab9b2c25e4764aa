/** Whether the dogs of a change catch, at the speeds that it is tried with. */
import type { BoxIndex, DogFigures, Gear, Match } from 'core'
import { dogWork, greatestSlip, reducedInertia, toNumber } from 'core'

const RAD_PER_S_OF_RPM = (2 * Math.PI) / 60

interface Tried {
  readonly inputRpm: number
  /** With which the coupler moves. */
  readonly speedMPerS: number
  /** What the dogs bear. */
  readonly torqueNm: number
}

interface Caught {
  readonly result: ReturnType<typeof dogWork>
  /** Gears of which no inertia is known, which are left out. */
  readonly missing: readonly Gear[]
  readonly slipRpm: number
  /** Speeds of the input between which they catch; null where none is known. */
  readonly bandRpm: readonly [least: number, most: number] | null
}

export function caughtDogs(
  box: BoxIndex,
  match: Match,
  dogs: DogFigures,
  { inputRpm, speedMPerS, torqueNm }: Tried,
): Caught {
  const slip = greatestSlip(match)
  const slipRpm = slip === null ? 0 : Math.abs(toNumber(slip)) * inputRpm
  const { kgM2, missing } = reducedInertia(box, match.brought)
  const result = dogWork(dogs, {
    slipRadPerS: slipRpm * RAD_PER_S_OF_RPM,
    speedMPerS,
    inertiaKgM2: kgM2,
    torqueNm,
  })
  const ofInput = match.brought.get(box.draft.input)
  if (!result.ok || !ofInput || !match.inputSpeed)
    return { result, missing, slipRpm, bandRpm: null }
  const middle = Math.abs(toNumber(match.inputSpeed) * inputRpm)
  const half = Math.abs((result.work.mostSlipRadPerS / RAD_PER_S_OF_RPM) * toNumber(ofInput))
  return { result, missing, slipRpm, bandRpm: [middle - half, middle + half] }
}
