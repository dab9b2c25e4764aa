/** What the laws of links are put together from. */
import { ONE, rational } from '../../number/rational.ts'
import { bodyOfGear } from '../box.ts'
import type { Gear } from '../types.ts'

import type { Counted, Parts, Term } from './kind.ts'

/** The part of this id. Throws where there is none: a checked box has all that it speaks of. */
export function partOf<P>(parts: ReadonlyMap<string, P>, id: string): P {
  const part = parts.get(id)
  if (part === undefined) throw new Error(`a checked box has no part "${id}"`)
  return part
}

/** A gear that takes part with its own teeth. */
export function toothed(gear: Gear, sign: 1 | -1, stationMm = gear.stationMm): Term {
  return counting(bodyOfGear(gear), gear, [{ gear, sign }], stationMm)
}

/** A body that takes part with the teeth of others. */
export function carrying(body: string, counted: readonly Counted[], stationMm: number): Term {
  return counting(body, undefined, counted, stationMm)
}

function counting(
  body: string,
  gear: Gear | undefined,
  counted: readonly Counted[],
  stationMm: number,
): Term {
  const sum = counted.reduce((total, each) => total + each.sign * (each.gear.toothCount ?? 1), 0)
  return { body, gear, coefficient: rational(sum), counted, stationMm }
}

/** A body that takes part whatever the teeth are. */
export function plain(body: string, times: number, stationMm: number): Term {
  return {
    body,
    gear: undefined,
    coefficient: times === 1 ? ONE : rational(times),
    counted: [],
    stationMm,
  }
}

/** Two bodies of one speed. */
export function equalSpeeds(a: string, aMm: number, b: string, bMm: number): readonly Term[] {
  return [plain(a, 1, aMm), plain(b, -1, bMm)]
}

/** Where along its axis a body is, as far as one number can say: the middle of it. */
export function middleMm(box: Parts, body: string): number {
  const gear = box.gears.get(body)
  if (gear) return gear.stationMm
  const member = partOf(box.members, body)
  return (member.fromMm + member.toMm) / 2
}

/** The station at which a body comes nearest to `towardsMm`. */
export function nearestMm(box: Parts, body: string, towardsMm: number): number {
  const member = box.members.get(body)
  if (!member) return middleMm(box, body)
  return Math.min(Math.max(towardsMm, member.fromMm), member.toMm)
}
