/**
 * What gear is this: from what can be measured on a gear to its normal module mₙ, by
 * the formulas of ISO 21771 for teeth without profile shift,
 *
 *   outside diameter   dₐ = mₙ·(z/cos β + 2)
 *   pitch diameter     d  = mₙ·z/cos β
 *   span over k teeth  W_k = mₙ·cos αₙ·(π·(k − ½) + z·inv αₜ),  tan αₜ = tan αₙ/cos β
 *   centre distance    a  = mₙ·(z₁ + z₂)/(2·cos β)
 *
 * with inv α = tan α − α. Two spans that differ by one tooth differ by mₙ·π·cos αₙ,
 * whatever the count and the profile shift. A module is 25.4 over the diametral pitch.
 */
import { MM_PER_INCH } from '../number/units.ts'

/** ISO 54, first and second series, in mm (from memory). */
const MODULE_SERIES_MM = {
  first: [1, 1.25, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10, 12, 16, 20, 25, 32, 40, 50],
  second: [1.125, 1.375, 1.75, 2.25, 2.75, 3.5, 4.5, 5.5, 6.5, 7, 9, 11, 14, 18, 22, 28, 36, 45],
} as const

/** Diametral pitches in common use, in teeth an inch (Machinery's Handbook, from memory). */
const DIAMETRAL_PITCHES = [
  1, 1.25, 1.5, 1.75, 2, 2.25, 2.5, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 14, 16, 18, 20, 22, 24,
] as const

/** Gears of one module and one helix whose modules differ by no more than this are of one cut. */
const SAME_MODULE_SHARE = 0.02
const SAME_HELIX_DEG = 1

type SeriesName = 'module, first series' | 'module, second series' | 'diametral pitch'

/** A module or a diametral pitch of a standard series. */
export interface StandardSize {
  readonly series: SeriesName
  /** In mm for a module, in teeth an inch for a diametral pitch. */
  readonly size: number
  readonly moduleMm: number
  /** How far the measured module lies above it, as a share of it. */
  readonly offShare: number
}

const radians = (degrees: number): number => (degrees * Math.PI) / 180
const involute = (angle: number): number => Math.tan(angle) - angle

/** The normal module of an outside diameter, in mm. `moduleOfOutsideMm(66, 20, 0)` is 3. */
export function moduleOfOutsideMm(
  outsideMm: number,
  toothCount: number,
  helixAngleDeg: number,
): number {
  return outsideMm / (toothCount / Math.cos(radians(helixAngleDeg)) + 2)
}

function transverseAngle(pressureAngleDeg: number, helixAngleDeg: number): number {
  return Math.atan(Math.tan(radians(pressureAngleDeg)) / Math.cos(radians(helixAngleDeg)))
}

/** The span over `spanned` teeth for a module of 1 mm, without profile shift. */
function unitSpan(
  toothCount: number,
  spanned: number,
  helixAngleDeg: number,
  pressureAngleDeg: number,
): number {
  const transverse = transverseAngle(pressureAngleDeg, helixAngleDeg)
  return (
    Math.cos(radians(pressureAngleDeg)) *
    (Math.PI * (spanned - 0.5) + toothCount * involute(transverse))
  )
}

/** The normal module of a span over `spanned` teeth, in mm. */
export function moduleOfSpanMm(
  spanMm: number,
  toothCount: number,
  spanned: number,
  helixAngleDeg: number,
  pressureAngleDeg: number,
): number {
  return spanMm / unitSpan(toothCount, spanned, helixAngleDeg, pressureAngleDeg)
}

/** The normal module of two spans one tooth apart: free of count, helix and profile shift. */
export function moduleOfTwoSpansMm(
  shorterMm: number,
  longerMm: number,
  pressureAngleDeg: number,
): number {
  return (longerMm - shorterMm) / (Math.PI * Math.cos(radians(pressureAngleDeg)))
}

/**
 * The teeth to span so that the jaws touch near the pitch line: zᵥ·α/180°, up to the next
 * whole, with the virtual count zᵥ = z·inv αₜ / inv αₙ of a helical gear (DIN 3960, from
 * memory).
 */
export function usualSpan(
  toothCount: number,
  helixAngleDeg: number,
  pressureAngleDeg: number,
): number {
  const transverse = transverseAngle(pressureAngleDeg, helixAngleDeg)
  const virtual = (toothCount * involute(transverse)) / involute(radians(pressureAngleDeg))
  // Without a helix the two angles are one, but for the rounding of floats.
  return Math.max(2, Math.ceil((virtual * pressureAngleDeg) / 180 - 1e-9))
}

/** The standard sizes nearest a module, the nearest first: one of each series. */
export function nearestSizes(moduleMm: number): readonly StandardSize[] {
  const series: readonly (readonly [SeriesName, readonly number[], (size: number) => number])[] = [
    ['module, first series', MODULE_SERIES_MM.first, (size) => size],
    ['module, second series', MODULE_SERIES_MM.second, (size) => size],
    ['diametral pitch', DIAMETRAL_PITCHES, (size) => MM_PER_INCH / size],
  ]
  return series
    .flatMap(([name, sizes, toModule]) =>
      sizes
        .map((size): StandardSize => {
          const standardMm = toModule(size)
          return { series: name, size, moduleMm: standardMm, offShare: moduleMm / standardMm - 1 }
        })
        .sort((one, other) => Math.abs(one.offShare) - Math.abs(other.offShare))
        .slice(0, 1),
    )
    .sort((one, other) => Math.abs(one.offShare) - Math.abs(other.offShare))
}

/** What can be measured on a gear of these figures. */
export interface ExpectedSizes {
  readonly pitchMm: number
  readonly outsideMm: number
  readonly spanned: number
  readonly spanMm: number
}

/** What a gear of a standard size measures, without profile shift. */
export function expectedSizes(
  moduleMm: number,
  toothCount: number,
  helixAngleDeg: number,
  pressureAngleDeg: number,
): ExpectedSizes {
  const pitchMm = (moduleMm * toothCount) / Math.cos(radians(helixAngleDeg))
  const spanned = usualSpan(toothCount, helixAngleDeg, pressureAngleDeg)
  return {
    pitchMm,
    outsideMm: pitchMm + 2 * moduleMm,
    spanned,
    spanMm: moduleMm * unitSpan(toothCount, spanned, helixAngleDeg, pressureAngleDeg),
  }
}

/** The distance of two parallel axes by the counts of an external pair, in mm. */
export function centreDistanceMm(
  moduleMm: number,
  toothCounts: readonly [number, number],
  helixAngleDeg: number,
): number {
  return (moduleMm * (toothCounts[0] + toothCounts[1])) / (2 * Math.cos(radians(helixAngleDeg)))
}

/** One gear of two that may be mates. */
interface MateData {
  readonly moduleMm: number
  readonly helixAngleDeg: number
  readonly pressureAngleDeg: number
  /** Unknown, or without meaning at helix 0. */
  readonly hand: 'right' | 'left' | null
}

const MATE_PROBLEMS = ['module', 'helix', 'pressure-angle', 'hand'] as const
type MateProblem = (typeof MATE_PROBLEMS)[number]

/**
 * Why two gears cannot run together as an external pair on parallel shafts; empty when
 * they can: one module, one pressure angle, one helix, of opposite hands.
 */
export function mateProblems(one: MateData, other: MateData): readonly MateProblem[] {
  const problems: MateProblem[] = []
  if (Math.abs(one.moduleMm / other.moduleMm - 1) > SAME_MODULE_SHARE) problems.push('module')
  if (Math.abs(one.helixAngleDeg - other.helixAngleDeg) > SAME_HELIX_DEG) problems.push('helix')
  if (one.pressureAngleDeg !== other.pressureAngleDeg) problems.push('pressure-angle')
  const isHelical = one.helixAngleDeg !== 0 && other.helixAngleDeg !== 0
  if (isHelical && one.hand !== null && one.hand === other.hand) problems.push('hand')
  return problems
}

/**
 * The counts that a broken gear may have had: `pitches` tooth to tooth take up the
 * chord `chordMm` at the outside diameter, so one tooth takes 2·asin(chord/dₐ)/pitches
 * of the turn. Every whole count within the error of the chord, the nearest first;
 * empty where the chord does not fit into the diameter.
 */
export function countsOfArc(
  outsideMm: number,
  chordMm: number,
  pitches: number,
  errorMm: number,
): readonly number[] {
  if (chordMm <= 0 || chordMm > outsideMm || pitches < 1) return []
  const countAt = (chord: number): number =>
    (Math.PI * pitches) / Math.asin(Math.min(1, Math.max(chord, Number.EPSILON) / outsideMm))
  const nearest = countAt(chordMm)
  const counts: number[] = []
  const most = Math.floor(countAt(Math.max(chordMm - errorMm, chordMm / 2)))
  for (let count = Math.ceil(countAt(chordMm + errorMm)); count <= most; count++) counts.push(count)
  if (counts.length === 0) counts.push(Math.round(nearest))
  return counts.sort((one, other) => Math.abs(one - nearest) - Math.abs(other - nearest))
}
