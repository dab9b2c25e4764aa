/**
 * How rings come off a shaft. A ring passes along as far as its bore is no smaller than the
 * shaft it passes over and what still stands on it; what is open or in halves comes off where
 * it is, once nothing is round it. Knows diameters, shoulders and ends, nothing else.
 */
import type { Stretch } from '../box/pieces/index.ts'
import type { ShaftEnd } from '../box/types.ts'
import { SHAFT_ENDS } from '../box/types.ts'

import type { Way } from './removal.ts'

/** A ring in its place on a shaft. */
export interface Ring {
  readonly id: string
  readonly fromMm: number
  readonly toMm: number
  readonly boreMm: number
  /** Infinity of teeth, over which nothing passes. */
  readonly outsideMm: number
  /**
   * Of one that is opened to come off: how much room it needs on one side of it. None of one
   * in halves.
   */
  readonly roomMm?: number
}

/** By which way a ring comes off. */
interface RowWay extends Way {
  readonly over: ShaftEnd | 'sideways'
}

function middleMm({ fromMm, toMm }: Pick<Ring, 'fromMm' | 'toMm'>): number {
  return (fromMm + toMm) / 2
}

/** Whether something stands further towards an end than another. */
export function isBeyond(
  end: ShaftEnd,
  one: Pick<Ring, 'fromMm' | 'toMm'>,
  other: Pick<Ring, 'fromMm' | 'toMm'>,
): boolean {
  return end === 'output-end' ? middleMm(one) > middleMm(other) : middleMm(one) < middleMm(other)
}

/** The ways of every ring off its shaft, in the order of the rings. */
export function waysOffRow(
  stretches: readonly Pick<Stretch, 'fromMm' | 'toMm' | 'diameterMm'>[],
  rings: readonly Ring[],
): readonly (readonly RowWay[])[] {
  return rings.map((ring) => [
    ...(ring.roomMm === undefined ? [] : sideways(rings, ring, ring.roomMm)),
    ...(ring.roomMm === undefined || ring.roomMm === 0 ? along(stretches, rings, ring) : []),
  ])
}

function along(
  stretches: readonly Pick<Stretch, 'fromMm' | 'toMm' | 'diameterMm'>[],
  rings: readonly Ring[],
  ring: Ring,
): readonly RowWay[] {
  return SHAFT_ENDS.flatMap((end): RowWay[] => {
    const middle = middleMm(ring)
    const isShouldered = stretches.some(
      ({ fromMm, toMm, diameterMm }) =>
        diameterMm > ring.boreMm && (end === 'output-end' ? toMm > middle : fromMm < middle),
    )
    if (isShouldered) return []
    const blockedBy = rings
      .filter((other) => other !== ring && isBeyond(end, other, ring))
      // What is wide enough to pass over or under it is not in its way.
      .filter(({ boreMm, outsideMm }) => ring.boreMm < outsideMm && boreMm < ring.outsideMm)
      .map(({ id }) => id)
    return [{ over: end, blockedBy }]
  })
}

/** The rings that a ring lies under. */
export function ringsRound(rings: readonly Ring[], ring: Ring): readonly Ring[] {
  return rings.filter(
    ({ fromMm, toMm, boreMm }) =>
      fromMm < ring.toMm && toMm > ring.fromMm && boreMm >= ring.outsideMm,
  )
}

function sideways(rings: readonly Ring[], ring: Ring, roomMm: number): readonly RowWay[] {
  const around = ringsRound(rings, ring)
  const beside = SHAFT_ENDS.map((end) =>
    rings.filter(
      (other) =>
        other !== ring &&
        isBeyond(end, other, ring) &&
        (end === 'output-end'
          ? other.fromMm < ring.toMm + roomMm
          : other.toMm > ring.fromMm - roomMm),
    ),
  )
  const ways = roomMm === 0 ? [[]] : beside
  return ways.map((room) => ({
    over: 'sideways',
    blockedBy: [...new Set([...around, ...room].map(({ id }) => id))],
  }))
}
