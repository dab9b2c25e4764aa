/** What a ring can do, in sentences. */
import type { Coupler, ForkWay, Gear, NeededFigure, RingWork } from 'core'
import { USUAL_RING } from 'core'

import { formatNumber, formatSpeed, formatTorque, NBSP } from './format.ts'
import type { TorqueUnit } from './format.ts'
import type { Naming } from './names.ts'
import { couplerName, gearName } from './names.ts'
import { listed } from './sentences.ts'

const NEEDED_NAMES: Readonly<Record<NeededFigure, readonly [name: string, unit: string]>> = {
  meanDiameterMm: ['a mean diameter of the cone of', `${NBSP}mm`],
  halfAngleDeg: ['a half angle of', '°'],
  leverForceN: ['a force at the knob of', `${NBSP}N`],
  leverRatio: ['a fork force for one at the knob of', ''],
}

/** Which figures nobody entered, and what is taken for them. */
export function takenWords(taken: readonly NeededFigure[]): string {
  const figures = taken.map((key) => {
    const [name, unit] = NEEDED_NAMES[key]
    return `${name} ${USUAL_RING[key]}${unit}`
  })
  return `With usual figures of a car’s gearbox for what is not entered: ${listed(figures)}. Enter this ring’s own to be sure.`
}

/** What a force at the knob comes to on its way to a coupler, and how far each goes. */
export function forkWayWords(
  naming: Naming,
  coupler: Coupler,
  { knobN, rodN, sleeveN, knobMm, rodMm, sleeveMm }: ForkWay,
  isUsual: boolean,
): string {
  const newtons = (force: number): string => `${formatNumber(force, 0)}${NBSP}N`
  const mm = (travel: number): string => `${formatNumber(travel, 1)}${NBSP}mm`
  const ways =
    knobMm === null || rodMm === null || sleeveMm === null
      ? ''
      : ` For that the knob goes ${mm(knobMm)}, the rod ${mm(rodMm)} and the fork ${mm(sleeveMm)}.`
  return `${newtons(knobN)} at the knob${isUsual ? ', as is usual,' : ''} is ${newtons(rodN)} on the rod and ${newtons(sleeveN)} from the fork on the ${couplerName(naming, coupler)}, by the lengths of the lever and without friction.${ways}`
}

/** What the ring does with its task, or why it cannot. */
export function ringSentences(
  work: RingWork,
  task: { readonly slipRpm: number; readonly inertiaKgM2: number; readonly dragNm: number },
  unit: TorqueUnit,
): readonly string[] {
  const { coneTorqueNm, timeS, sleeveForceN, slipMPerS, heatJ, heatJPerCm2 } = work
  const has = `With ${formatNumber(sleeveForceN, 0)}${NBSP}N at the fork the ring has ${formatTorque(coneTorqueNm, unit)}`
  if (timeS === null)
    return [
      `${has}, and ${formatTorque(task.dragNm, unit)} drag against it: it cannot bring the speeds together. Find what drags, or push harder.`,
    ]
  const heat =
    heatJ === null
      ? ''
      : ` ${formatNumber(heatJ, 0)}${NBSP}J go into heat${heatJPerCm2 === null ? '' : `, ${formatNumber(heatJPerCm2, 1)}${NBSP}J/cm²`}.`
  return [
    `${has}. It brings ${formatNumber(task.inertiaKgM2, 5)}${NBSP}kg·m² along and takes ${formatSpeed(task.slipRpm)} away in ${formatNumber(timeS, 2)}${NBSP}s.`,
    `At first its faces slip at ${formatNumber(slipMPerS, 1)}${NBSP}m/s.${heat}`,
    ...blockingSentence(work, unit),
  ]
}

function blockingSentence(
  { openingTorqueNm, coneTorqueNm, isBlocking }: RingWork,
  unit: TorqueUnit,
): readonly string[] {
  if (openingTorqueNm === null) return []
  return [
    isBlocking === true
      ? `The pointed teeth push it aside with ${formatTorque(openingTorqueNm, unit)}, less than the cone has: they wait until the speeds are equal.`
      : `The pointed teeth push it aside with ${formatTorque(openingTorqueNm, unit)}, and the cone has ${formatTorque(coneTorqueNm, unit)}: they give way before the speeds are equal, and it crunches.`,
  ]
}

/** Gears that no inertia is known of. */
export function leftOutWords(naming: Naming, missing: readonly Gear[]): string {
  return `Left out, since module, face width or count is not known: ${listed(missing.map((gear) => gearName(naming, gear)))}.`
}
