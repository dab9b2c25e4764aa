import type { TorqueUnit } from '~/format.ts'
import { NM_PER_LBFT } from '~/format.ts'

/** What is put into the box, as the page's address keeps it. */
export interface TraceInput {
  readonly torqueNm: number
  readonly speedRpm: number
  readonly torqueUnit: TorqueUnit
  /** The figures as typed; the torque is in `torqueUnit`. */
  readonly torqueText: string
  readonly speedText: string
  readonly torqueProblem: string | undefined
  readonly speedProblem: string | undefined
}

const MOST_TORQUE = 100_000
const MOST_SPEED_RPM = 30_000

function readFigure(text: string, most: number): number | undefined {
  const value = Number(text.trim().replace(',', '.'))
  return text.trim() !== '' && value > 0 && value <= most ? value : undefined
}

/** Reads torque and speed from the address; what cannot be used leaves the usual figure in place. */
export function readTraceInput(search: URLSearchParams, unit: TorqueUnit): TraceInput {
  const torqueText = search.get('torque') ?? '100'
  const speedText = search.get('speed') ?? '1000'
  const torque = readFigure(torqueText, MOST_TORQUE)
  const speed = readFigure(speedText, MOST_SPEED_RPM)
  return {
    torqueNm: (torque ?? 100) * (unit === 'Nm' ? 1 : NM_PER_LBFT),
    speedRpm: speed ?? 1000,
    torqueUnit: unit,
    torqueText,
    speedText,
    torqueProblem:
      torque === undefined
        ? `Enter a torque over 0, up to ${MOST_TORQUE}. 100 is shown until then.`
        : undefined,
    speedProblem:
      speed === undefined
        ? `Enter a speed over 0, up to ${MOST_SPEED_RPM} rev/min. 1000 is shown until then.`
        : undefined,
  }
}
