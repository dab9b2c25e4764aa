/** What is said of a drive. */
import type { DriveResult, DriveSample, DriveWay, DrivenChange, PowertrainResult } from 'core'
import { ONE, reducedInertia } from 'core'

import type { RoadSpeedUnit } from './format.ts'
import { formatNumber, formatRoadSpeed, formatSpeed, NBSP } from './format.ts'
import type { Naming } from './names.ts'
import { countedName } from './names.ts'
import { listed } from './sentences.ts'

export const WAY_NAMES: Readonly<Record<DriveWay, string>> = {
  ready: 'clutch to clutch',
  clutch: 'with the clutch',
  'without-clutch': 'throttle lifted',
  'double-declutch': 'double-declutching',
}

export function formatSeconds(timeS: number): string {
  return `${formatNumber(timeS, 2)}${NBSP}s`
}

/** A heat or work in joules, or in kilojoules where it is much. */
export function formatWork(workJ: number): string {
  return Math.abs(workJ) < 10_000
    ? `${formatNumber(workJ, 0)}${NBSP}J`
    : `${formatNumber(workJ / 1_000, 1)}${NBSP}kJ`
}

/** Less is not told, in joules. */
const LEAST_TOLD_J = 0.5

/** What the rings of a change took up, and what was lost where they did nothing. */
export function ringHeatWords({
  ringJ,
  betweenJ,
  knockJ,
}: Pick<DrivenChange, 'ringJ' | 'betweenJ' | 'knockJ'>): string {
  const between = betweenJ > LEAST_TOLD_J ? ` (${formatWork(betweenJ)} between)` : ''
  return [
    `${formatWork(ringJ + betweenJ)}${between}`,
    ...(knockJ > LEAST_TOLD_J ? [`knock ${formatWork(knockJ)}`] : []),
  ].join(', ')
}

/** Gears that nothing is known of, and what that does to the heat of rings; nothing where there is none. */
export function weightlessWords({ box }: Naming): string | null {
  const { missing } = reducedInertia(box, new Map(box.bodies.map((body) => [body, ONE])))
  if (missing.length === 0) return null
  const many =
    missing.length === box.gears.size ? 'All gears weigh' : `${missing.length} gears weigh`
  return `${missing.length === 1 ? 'One gear weighs' : many} nothing here, since module, face width or count is not known: rings take up more than is told.`
}

/** What was ready for a change, and what that did to it. */
export function readyWords({ wasReady, waitedS, gapS }: DrivenChange): string {
  if (wasReady === null) return gapS > 0 ? 'through neutral' : 'clutch not needed'
  if (wasReady) return 'was ready'
  return waitedS > 0 ? `guessed wrong, waited ${formatSeconds(waitedS)}` : 'just ready'
}

/** Why a box cannot be driven. */
export function notDrivenWords(
  naming: Naming,
  result: Extract<PowertrainResult, { ok: false }>,
): string {
  switch (result.kind) {
    case 'uncounted':
      return `To drive it, count ${listed(result.gears.map((gear) => `the ${countedName(naming, gear)}`))}.`
    case 'two-clutches':
      return `Position ${result.position.label} closes two friction clutches at once. What is driven here goes through one of them at a time.`
    case 'none-drives':
      return 'No position of this box drives its output. List some on Lay out, under Positions.'
  }
}

const KMH_PER_M_S = 3.6

/** One instant of a drive in a line. */
export function momentWords(
  { labels }: DriveResult,
  { timeS, mPerS, engineRpm, selected, ready }: DriveSample,
  unit: RoadSpeedUnit,
): string {
  const gear = labels[selected]
  const waiting = labels[ready]
  return [
    formatSeconds(timeS),
    gear === undefined
      ? 'between gears'
      : `in ${gear}${waiting === undefined ? '' : `, ${waiting} ready`}`,
    formatRoadSpeed(mPerS * KMH_PER_M_S, unit),
    `engine ${formatSpeed(engineRpm)}`,
  ].join(' · ')
}
