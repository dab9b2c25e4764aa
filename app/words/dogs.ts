/** What dogs do, in sentences. */
import type { DogFigures, DogWork, NeededDogFigure } from 'core'

import type { TorqueUnit } from './format.ts'
import { formatForce, formatNumber, formatSpeed, formatTorque, NBSP } from './format.ts'
import { listed } from './sentences.ts'

const RPM_OF_RAD_PER_S = 60 / (2 * Math.PI)

const NEEDED_NAMES: Readonly<Record<NeededDogFigure, string>> = {
  count: 'how many there are',
  freeAngleDeg: 'the angle free between them',
  depthMm: 'how deep they go',
}

/** What has to be measured before anything can be said. */
export function neededDogWords(missing: readonly NeededDogFigure[]): string {
  return `To say whether the dogs catch, enter ${listed(missing.map((key) => NEEDED_NAMES[key]))}.`
}

/** Dogs that leave no room for themselves: why, in a sentence; null where they fit. */
export function dogsFault({ count, freeAngleDeg }: DogFigures): string | null {
  if (count === undefined || freeAngleDeg === undefined || count * freeAngleDeg < 360) return null
  return `${count} dogs come round every ${Number((360 / count).toFixed(2))}°: the angle free between them is less than that.`
}

interface DogSaying {
  readonly work: DogWork
  readonly slipRpm: number
  readonly torqueNm: number
  /** Speeds of the engine between which they go in; null where the engine changes nothing of the slip. */
  readonly bandRpm: readonly [from: number, to: number] | null
  readonly unit: TorqueUnit
}

/** Whether they catch and how long that takes, what it knocks, and what holds them in. */
export function dogSentences({
  work,
  slipRpm,
  torqueNm,
  bandRpm,
  unit,
}: DogSaying): readonly string[] {
  const { chance, meanS, longestS, mostSlipRadPerS, knockJ, backlashJ } = work
  const most = formatSpeed(mostSlipRadPerS * RPM_OF_RAD_PER_S)
  const catching =
    slipRpm < 0.5
      ? `With nothing to turn them a dog stands before a gap ${formatNumber(100 * chance, 0)}${NBSP}% of the time; otherwise it stays out. Let it roll a little, or select before it stops.`
      : meanS === null || longestS === null
        ? `At ${formatSpeed(slipRpm)} apart they only bounce: over ${most} no dog finds the time to go in.`
        : `At ${formatSpeed(slipRpm)} apart a dog finds its gap at once ${formatNumber(100 * chance, 0)}${NBSP}% of the time. It takes ${formatMs(meanS)} on average and ${formatMs(longestS)} at most; over ${most} they only bounce.`
  const band = bandRpm
    ? [
        `They go in with the engine at ${formatNumber(Math.max(bandRpm[0], 0), 0)} to ${formatSpeed(bandRpm[1])}.`,
      ]
    : []
  return [
    catching,
    ...band,
    `Going in knocks with ${formatJoule(knockJ)}. Each time ${formatTorque(torqueNm, unit)} change their side, they cross the free angle and strike with ${formatJoule(backlashJ)}.`,
    ...holdingSentence(work, torqueNm, unit),
  ]
}

function holdingSentence(
  { drawsInN }: DogWork,
  torqueNm: number,
  unit: TorqueUnit,
): readonly string[] {
  if (drawsInN === null) return []
  const load = formatTorque(torqueNm, unit)
  if (drawsInN > 0)
    return [`Under ${load} their back-taper draws them in with ${formatForce(drawsInN)}.`]
  if (drawsInN < 0)
    return [
      `Under ${load} their faces push them out with ${formatForce(-drawsInN)}: more than the detent holds, and it jumps out of gear.`,
    ]
  return [
    `Under ${load} friction holds them, and nothing draws them in: shaking, end play or a weak detent lets them out.`,
  ]
}

function formatMs(timeS: number): string {
  return `${formatNumber(timeS * 1_000, 0)}${NBSP}ms`
}

function formatJoule(workJ: number): string {
  return `${formatNumber(workJ, workJ < 10 ? 1 : 0)}${NBSP}J`
}
