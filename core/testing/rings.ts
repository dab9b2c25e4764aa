/** Shafts with rings on them, and a simulation of pushing a ring off. For tests and benchmarks. */
import fc from 'fast-check'

import type { Ring } from '../assembly/row.ts'

interface Stretch {
  readonly fromMm: number
  readonly toMm: number
  readonly diameterMm: number
}

interface OnShaft {
  readonly shaft: readonly Stretch[]
  readonly rings: readonly Ring[]
}

const CELL_MM = 10
const sizeMm = fc.integer({ min: 4, max: 12 }).map((half) => 4 * half)

/**
 * A shaft of up to nine stretches of ten millimetres, each with up to two rings round one
 * another; a bore is never smaller than what it is on, as what was once put on was not.
 */
export const assemblyOnShaft: fc.Arbitrary<OnShaft> = fc
  .array(
    fc.record({
      diameterMm: sizeMm,
      rings: fc.array(
        fc.record({
          overMm: fc.integer({ min: 0, max: 3 }),
          wallMm: fc.integer({ min: 1, max: 4 }),
          isSplit: fc.boolean(),
        }),
        { maxLength: 2 },
      ),
      isRare: fc.integer({ min: 0, max: 5 }),
    }),
    { minLength: 1, maxLength: 9 },
  )
  .map((cells) => ({
    shaft: cells.map(({ diameterMm }, at) => ({
      fromMm: at * CELL_MM,
      toMm: (at + 1) * CELL_MM,
      diameterMm,
    })),
    rings: cells.flatMap(({ diameterMm, rings, isRare }, at): Ring[] => {
      let beneathMm = diameterMm
      return rings.map(({ overMm, wallMm, isSplit }, which): Ring => {
        const boreMm = beneathMm + 2 * overMm
        beneathMm = boreMm + 4 * wallMm
        return {
          id: `ring-${at}-${which}`,
          fromMm: at * CELL_MM + 1,
          toMm: (at + 1) * CELL_MM - 1,
          boreMm,
          outsideMm: beneathMm,
          ...(isSplit && isRare === 0 ? { roomMm: 0 } : {}),
        }
      })
    }),
  }))

const STEP_MM = 0.25

function overlaps(one: Stretch | Ring, fromMm: number, toMm: number): boolean {
  return one.fromMm < toMm && one.toMm > fromMm
}

/** Whether a ring in this place is inside the shaft or another ring. */
function hits(shaft: readonly Stretch[], others: readonly Ring[], ring: Ring, byMm: number) {
  const [fromMm, toMm] = [ring.fromMm + byMm, ring.toMm + byMm]
  return (
    shaft.some((each) => overlaps(each, fromMm, toMm) && each.diameterMm > ring.boreMm) ||
    others.some(
      (each) =>
        overlaps(each, fromMm, toMm) &&
        each.boreMm < ring.outsideMm &&
        ring.boreMm < each.outsideMm,
    )
  )
}

/** Whether a ring comes off: opened where it is, or pushed over one of the ends. */
export function pushedOff(shaft: readonly Stretch[], others: readonly Ring[], ring: Ring): boolean {
  const isCovered = others.some(
    (each) => overlaps(each, ring.fromMm, ring.toMm) && each.boreMm >= ring.outsideMm,
  )
  if (ring.roomMm === 0 && !isCovered) return true
  const lengthMm = Math.max(...shaft.map(({ toMm }) => toMm))
  return [-STEP_MM, STEP_MM].some((stepMm) => {
    let byMm = 0
    while (ring.toMm + byMm > 0 && ring.fromMm + byMm < lengthMm) {
      byMm += stepMm
      if (hits(shaft, others, ring, byMm)) return false
    }
    return true
  })
}

/** Pushes off one ring after another: which came off, in that order, and what is left. */
export function emptied({ shaft, rings }: OnShaft): {
  readonly order: readonly string[]
  readonly left: readonly Ring[]
} {
  const order: string[] = []
  let left = rings
  for (;;) {
    const next = left.find((ring) => {
      const others = left.filter((each) => each !== ring)
      return pushedOff(shaft, others, ring)
    })
    if (!next) return { order, left }
    order.push(next.id)
    left = left.filter((each) => each !== next)
  }
}
