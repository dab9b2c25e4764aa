/** What every part does in one state of a box, for the table and its file. */
import type { Analysis, BodyMotion } from 'core'
import { bodyOfGear, toNumber } from 'core'

import { formatSpeed } from '~/words/format.ts'
import { bodyName, capitalize } from '~/words/names.ts'
import type { Naming } from '~/words/names.ts'
import type { Input } from '~/words/sentences.ts'
import { senseWords } from '~/words/sentences.ts'

const PART_STATES = ['carries', 'holds', 'idles', 'stands', 'coasts', 'unknown'] as const
type PartState = (typeof PART_STATES)[number]

export const PART_STATE_WORDS: Readonly<Record<PartState, string>> = {
  carries: 'carries power',
  holds: 'holds, stands still',
  idles: 'turns, carries nothing',
  stands: 'stands still',
  coasts: 'free to coast',
  unknown: 'not counted yet',
}

export interface PartRow {
  readonly id: string
  readonly name: string
  /** The member that a gear is on; empty for a member. */
  readonly on: string
  /** Null where the input does not settle it. */
  readonly speedRpm: number | null
  /** "with the input" or "against the input"; empty for what does not turn. */
  readonly sense: string
  /** The most that any stretch of it, or any mesh on it, carries; 0 for none. */
  readonly torqueNm: number
  readonly state: PartState
}

/** Members in the order of the box, each followed by its gears from the input end. */
export function partRows(naming: Naming, analysis: Analysis, input: Input): readonly PartRow[] {
  const { draft } = naming.box
  const torques = new Map<string, number>()
  const carry = (part: string, torque: number): void => {
    torques.set(part, Math.max(torques.get(part) ?? 0, Math.abs(torque)))
  }
  if (analysis.state === 'drive') {
    for (const { body, torque } of analysis.stretches) carry(body, toNumber(torque))
    for (const [{ terms }, multiplier] of analysis.multipliers)
      for (const { gear, coefficient } of terms)
        if (gear) carry(gear.id, toNumber(multiplier.mul(coefficient)))
  }
  const row = (id: string, body: string, name: string, on: string): PartRow => {
    const motion = analysis.motions.get(body)
    const torque = torques.get(id) ?? 0
    return {
      id,
      name: capitalize(name),
      on,
      ...speedOf(motion, input.speedRpm),
      torqueNm: torque * input.torqueNm,
      state: stateOf(motion, torque !== 0),
    }
  }
  return draft.members.flatMap((member) => [
    row(member.id, member.id, bodyName(naming, member.id), ''),
    ...draft.gears
      .filter((gear) => gear.member === member.id)
      .sort((one, other) => one.stationMm - other.stationMm)
      .map((gear) => row(gear.id, bodyOfGear(gear), gear.label, bodyName(naming, member.id))),
  ])
}

function speedOf(
  motion: BodyMotion | undefined,
  inputRpm: number,
): Pick<PartRow, 'speedRpm' | 'sense'> {
  switch (motion?.kind) {
    case 'turns':
      return {
        speedRpm: Math.abs(toNumber(motion.speed)) * inputRpm,
        sense: senseWords(motion.speed),
      }
    case 'still':
      return { speedRpm: 0, sense: '' }
    default:
      return { speedRpm: null, sense: '' }
  }
}

function stateOf(motion: BodyMotion | undefined, isLoaded: boolean): PartState {
  switch (motion?.kind) {
    case 'turns':
      return isLoaded ? 'carries' : 'idles'
    case 'still':
      return isLoaded ? 'holds' : 'stands'
    case 'coasts':
      return 'coasts'
    default:
      return 'unknown'
  }
}

/** "649 rev/min against the input", "0 rev/min"; empty where the speed is not settled. */
export function speedWords({ speedRpm, sense }: PartRow): string {
  return speedRpm === null ? '' : `${formatSpeed(speedRpm)} ${sense}`.trim()
}
