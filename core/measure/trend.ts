/**
 * Wear over distance: the straight line of least squares through the figures of several
 * jobs, y = a + b·x, where it meets a limit, and how sure that is. The range of the
 * meeting point is Fieller's: all x at which the limit lies within the confidence band
 * of the line, |a + b·x − L| ≤ t·s·√(1/n + (x − x̄)²/Sxx) (Draper and Smith, Applied
 * Regression Analysis, inverse estimation, from memory).
 */

/** One figure at one distance run. */
export interface TrendPoint {
  readonly distanceKm: number
  readonly figure: number
}

/** A line through the points, and where it meets the limit. */
export interface Trend {
  readonly slopePerKm: number
  readonly atZero: number
  /** Where the line meets the limit; null where it runs level or away from it. */
  readonly limitKm: number | null
  /** With 90 % confidence; null where the points do not settle that end. */
  readonly earliestKm: number | null
  readonly latestKm: number | null
}

/** Two-sided 90 % quantiles of Student's t for 1 to 30 degrees of freedom (any handbook). */
const STUDENT_T_90 = [
  6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761,
  1.753, 1.746, 1.74, 1.734, 1.729, 1.725, 1.721, 1.717, 1.714, 1.711, 1.708, 1.706, 1.703, 1.701,
  1.699, 1.697,
] as const
/** That of the normal distribution. */
const NORMAL_90 = 1.644854

/**
 * The two-sided 90 % quantile of Student's t. Beyond the table it is expanded about that of
 * the normal distribution (Abramowitz and Stegun, 26.7.5, first three terms; from memory).
 */
export function studentT90(freedoms: number): number {
  const listed = STUDENT_T_90[freedoms - 1]
  if (listed !== undefined) return listed
  const z = NORMAL_90
  return (
    z + (z ** 3 + z) / (4 * freedoms) + (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * freedoms ** 2)
  )
}

/** The trend of at least two figures at different distances; undefined otherwise. */
export function trendOf(points: readonly TrendPoint[], limit: number): Trend | undefined {
  const n = points.length
  const meanX = points.reduce((sum, { distanceKm }) => sum + distanceKm, 0) / n
  const meanY = points.reduce((sum, { figure }) => sum + figure, 0) / n
  const sxx = points.reduce((sum, { distanceKm }) => sum + (distanceKm - meanX) ** 2, 0)
  if (n < 2 || sxx === 0) return undefined
  const sxy = points.reduce(
    (sum, { distanceKm, figure }) => sum + (distanceKm - meanX) * (figure - meanY),
    0,
  )
  const slopePerKm = sxy / sxx
  const atZero = meanY - slopePerKm * meanX
  const meets = slopePerKm === 0 ? null : (limit - atZero) / slopePerKm
  const last = Math.max(...points.map(({ distanceKm }) => distanceKm))
  const isAhead = meets !== null && (meets >= last || meetsWithin(points, limit))
  const line = { slopePerKm, atZero, limitKm: isAhead ? meets : null }
  if (n < 3 || !isAhead) return { ...line, earliestKm: null, latestKm: null }
  const residual = points.reduce(
    (sum, { distanceKm, figure }) => sum + (figure - atZero - slopePerKm * distanceKm) ** 2,
    0,
  )
  const t = studentT90(n - 2)
  const variance = t ** 2 * (residual / (n - 2))
  // With u = x − x̄ and d = ȳ − L: (d + b·u)² = v·(1/n + u²/Sxx), a quadratic in u.
  const d = meanY - limit
  const square = slopePerKm ** 2 - variance / sxx
  const linear = 2 * slopePerKm * d
  const constant = d ** 2 - variance / n
  const discriminant = linear ** 2 - 4 * square * constant
  if (square <= 0 || discriminant < 0) return { ...line, earliestKm: null, latestKm: null }
  const root = Math.sqrt(discriminant)
  return {
    ...line,
    earliestKm: meanX + (-linear - root) / (2 * square),
    latestKm: meanX + (-linear + root) / (2 * square),
  }
}

/** Whether the figures have crossed the limit between the first and the last of them. */
function meetsWithin(points: readonly TrendPoint[], limit: number): boolean {
  return points.some(({ figure }) => figure < limit) && points.some(({ figure }) => figure >= limit)
}
