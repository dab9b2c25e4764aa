import type { BoxDraft } from 'core'
import { hasPedal } from 'core'

import type { Address } from '~/views/addresses.ts'
import type { RoadSpeedUnit, TorqueUnit } from '~/words/format.ts'
import { torqueUnitNm } from '~/words/format.ts'
import type { Settings } from '~/settings.ts'

/** What is put into the box, as the page's address keeps it. */
export interface TraceInput {
  /** 0 with the pedal down. */
  readonly torqueNm: number
  readonly isPedalDown: boolean
  readonly speedRpm: number
  readonly torqueUnit: TorqueUnit
  readonly roadSpeedUnit: RoadSpeedUnit
  /** The figures as typed; the torque is in `torqueUnit`. */
  readonly torqueText: string
  readonly speedText: string
  readonly torqueProblem: string | undefined
  readonly speedProblem: string | undefined
}

const MOST_TORQUE = 100_000
const MOST_SPEED_RPM = 30_000
const USUAL_TORQUE = 100
const USUAL_SPEED_RPM = 1000

function readFigure(text: string, most: number): number | undefined {
  const value = Number(text.trim().replace(',', '.'))
  return text.trim() !== '' && value > 0 && value <= most ? value : undefined
}

/** Whether the pedal is down, in a box that has one. */
export function isDown(
  { pedal }: Partial<Pick<Address<'trace'>, 'pedal'>>,
  draft?: BoxDraft,
): boolean {
  return pedal === 'down' && draft !== undefined && hasPedal(draft)
}

/** The torque of the slider as it was typed, in the unit shown, whatever the pedal takes away. */
export function typedTorque({ torqueText }: TraceInput): number {
  return readFigure(torqueText, MOST_TORQUE) ?? USUAL_TORQUE
}

/** Reads torque and speed from the address; what cannot be used leaves the usual figure in place. */
export function readTraceInput(
  search: Partial<Pick<Address<'trace'>, 'torque' | 'speed' | 'pedal'>>,
  { torqueUnit, roadSpeedUnit }: Settings,
  draft?: BoxDraft,
): TraceInput {
  const isPedalDown = isDown(search, draft)
  const torqueText = search.torque ?? `${USUAL_TORQUE}`
  const speedText = search.speed ?? `${USUAL_SPEED_RPM}`
  const torque = readFigure(torqueText, MOST_TORQUE)
  const speed = readFigure(speedText, MOST_SPEED_RPM)
  return {
    torqueNm: isPedalDown ? 0 : (torque ?? USUAL_TORQUE) * torqueUnitNm(torqueUnit),
    isPedalDown,
    speedRpm: speed ?? USUAL_SPEED_RPM,
    torqueUnit,
    roadSpeedUnit,
    torqueText,
    speedText,
    torqueProblem:
      torque === undefined
        ? `Enter a torque over 0, up to ${MOST_TORQUE}. ${USUAL_TORQUE} is shown until then.`
        : undefined,
    speedProblem:
      speed === undefined
        ? `Enter a speed over 0, up to ${MOST_SPEED_RPM} rev/min. ${USUAL_SPEED_RPM} is shown until then.`
        : undefined,
  }
}

/** The torque slider goes from 10 to 5000 of the unit in equal ratios. */
const SLIDER = { least: 10, decades: Math.log10(500) }
export const SLIDER_STEPS = 200

/** Two significant figures are as fine as a thumb on a slider can be set. */
export function torqueOfSlider(step: number): number {
  return Number((SLIDER.least * 10 ** ((SLIDER.decades * step) / SLIDER_STEPS)).toPrecision(2))
}

/** The nearest step to a torque in the unit shown; the last one for whatever lies beyond. */
export function sliderOfTorque(torque: number): number {
  const step = (SLIDER_STEPS * Math.log10(torque / SLIDER.least)) / SLIDER.decades
  return Math.round(Math.min(Math.max(step, 0), SLIDER_STEPS))
}

export const SPEED_SLIDER = { least: 50, most: 8000, step: 50 }
