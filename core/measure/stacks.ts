/**
 * Stacks of feeler leaves and of shims. Thicknesses are whole tenths of a micrometre, in
 * which both 0.01 mm and 0.0005 in are whole, so that sums are exact.
 */

/** Tenths of a micrometre in a millimetre. */
export const STACK_UNITS_PER_MM = 10_000

/** Shims of one thickness at hand. */
export interface SizedPiece {
  /** In tenths of a micrometre. */
  readonly thickness: number
  /** How many there are. */
  readonly quantity: number
}

export interface Stack {
  /** From the thickest down. */
  readonly thicknesses: readonly number[]
  readonly total: number
}

/** No leaf and no shim is thicker: 20 mm, in tenths of a micrometre. */
export const MOST_THICKNESS = 200_000
/** Shims fitted in one place. */
export const MOST_FITTED = 6

/** A leaf set or a shelf has no more sizes than this. */
export const MOST_PIECES = 60

/** Every stack of one up to `most` pieces, each set of thicknesses once. */
export function allStacks(pieces: readonly SizedPiece[], most: number): readonly Stack[] {
  // Two sets may have a leaf of one thickness each, which can then be taken twice.
  const quantities = new Map<number, number>()
  for (const { thickness, quantity } of pieces)
    quantities.set(thickness, (quantities.get(thickness) ?? 0) + quantity)
  const sorted = [...quantities]
    .map(([thickness, quantity]) => ({ thickness, quantity }))
    .sort((one, other) => other.thickness - one.thickness)
  const stacks: Stack[] = []
  const put = (from: number, thicknesses: readonly number[], total: number): void => {
    if (thicknesses.length > 0) stacks.push({ thicknesses, total })
    if (thicknesses.length === most) return
    sorted.slice(from).forEach(({ thickness, quantity }, at) => {
      const used = thicknesses.filter((each) => each === thickness).length
      if (used < quantity) put(from + at, [...thicknesses, thickness], total + thickness)
    })
  }
  put(0, [], 0)
  return stacks
}

function fewestFirst(one: Stack, other: Stack): number {
  return one.thicknesses.length - other.thicknesses.length
}

/** The nearest stacks to a thickness, the nearest first; among equals the one of fewest pieces. */
export function nearestStacks(
  pieces: readonly SizedPiece[],
  target: number,
  most: number,
  listed: number,
): readonly Stack[] {
  return [...allStacks(pieces, most)]
    .sort(
      (one, other) =>
        Math.abs(one.total - target) - Math.abs(other.total - target) || fewestFirst(one, other),
    )
    .slice(0, listed)
}

interface GoNoGo {
  /** The thickest stack that must go in where the gap is within its least limit. */
  readonly go: Stack | undefined
  /** Goes in only where the gap is above the limit by as little as the leaves can show. */
  readonly next: Stack | undefined
}

/** Two stacks round a limit: at it or just below it, and just above it. */
export function stacksRound(pieces: readonly SizedPiece[], limit: number, most: number): GoNoGo {
  const stacks = allStacks(pieces, most)
  const below = stacks.filter(({ total }) => total <= limit)
  const above = stacks.filter(({ total }) => total > limit)
  return {
    go: [...below].sort((one, other) => other.total - one.total || fewestFirst(one, other))[0],
    next: [...above].sort((one, other) => one.total - other.total || fewestFirst(one, other))[0],
  }
}

interface ShimAim {
  /** Measured end play or stand-off, in tenths of a micrometre. */
  readonly measured: number
  /** Thickness of what was in place while it was measured; 0 for a stand-off. */
  readonly fitted: number
  /** The maker's range of the end play; below 0 is preload. */
  readonly least: number
  readonly most: number
}

interface ShimChoice {
  readonly stack: Stack
  /** The end play to be expected with it. */
  readonly expected: number
  readonly isWithin: boolean
}

/** Which shims bring an end play into its range. */
export interface ShimPlan {
  /** The thickness that would land in the middle of the range. */
  readonly ideal: number
  /** From the shelf, the nearest to the middle first. */
  readonly choices: readonly ShimChoice[]
  /** Thicknesses that land within the range: what to buy where no choice does. */
  readonly buy: { readonly least: number; readonly most: number }
}

/**
 * The shims that bring an end play into its range. A shim takes from the end play what
 * it is thick: expected = measured + fitted − total (geometry).
 */
export function planShims(
  shelf: readonly SizedPiece[],
  { measured, fitted, least, most }: ShimAim,
  mostPieces: number,
  listed: number,
): ShimPlan {
  const room = measured + fitted
  const ideal = room - (least + most) / 2
  return {
    ideal,
    choices: nearestStacks(shelf, ideal, mostPieces, listed).map((stack) => {
      const expected = room - stack.total
      return { stack, expected, isWithin: expected >= least && expected <= most }
    }),
    buy: { least: Math.max(0, room - most), most: Math.max(0, room - least) },
  }
}
