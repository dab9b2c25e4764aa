/** What is measured on one gear, as typed, and what gear that makes it. */
import type { ExpectedSizes, StandardSize } from 'core'
import {
  centreDistanceMm,
  countsOfArc,
  expectedSizes,
  figureOf,
  mateProblems,
  moduleOfOutsideMm,
  moduleOfSpanMm,
  moduleOfTwoSpansMm,
  nearestSizes,
  usualSpan,
} from 'core'

import type { LengthUnit } from '~/words/format.ts'

export type GearFigure =
  | 'outside'
  | 'teeth'
  | 'helix'
  | 'pressure'
  | 'span'
  | 'longerSpan'
  | 'mateTeeth'
  | 'mateOutside'
  | 'centre'
  | 'chord'
  | 'pitches'

export type GearTexts = Readonly<Record<GearFigure, string>>

/** A figure that has to lie within sense before anything is worked out from it. */
const RANGES: Readonly<Record<GearFigure, readonly [least: number, most: number]>> = {
  outside: [5, 2_000],
  teeth: [5, 400],
  helix: [0, 60],
  pressure: [10, 35],
  span: [1, 2_000],
  longerSpan: [1, 2_000],
  mateTeeth: [5, 400],
  mateOutside: [5, 2_000],
  centre: [5, 2_000],
  chord: [1, 2_000],
  pitches: [1, 200],
}

/** Lengths are entered in the unit chosen; the rest are counts and degrees. */
const LENGTHS: ReadonlySet<GearFigure> = new Set<GearFigure>([
  'outside',
  'span',
  'longerSpan',
  'centre',
  'mateOutside',
  'chord',
])
const COUNTS: ReadonlySet<GearFigure> = new Set<GearFigure>(['teeth', 'mateTeeth', 'pitches'])

export const NOTHING_MEASURED: GearTexts = {
  outside: '',
  teeth: '',
  helix: '0',
  pressure: '20',
  span: '',
  longerSpan: '',
  mateTeeth: '',
  mateOutside: '',
  centre: '',
  chord: '',
  pitches: '',
}

/** How far off a chord is read with a rule, in mm; common practice. */
const CHORD_ERROR_MM = 0.5

/** One figure, lengths in mm; undefined while it is not one that can be. */
function valueOf(texts: GearTexts, figure: GearFigure, unit: LengthUnit): number | undefined {
  const value = figureOf(texts[figure], LENGTHS.has(figure) ? unit : 'mm')
  const [least, most] = RANGES[figure]
  if (value === undefined || value < least || value > most) return undefined
  return COUNTS.has(figure) && !Number.isInteger(value) ? undefined : value
}

/** What a figure that was typed and cannot be has to be; lengths in mm. */
export interface FigureRange {
  readonly kind: 'count' | 'length' | 'angle'
  readonly least: number
  readonly most: number
}

/** Within what a figure would have to lie, where something is typed that does not. */
export function rangeMissed(
  texts: GearTexts,
  figure: GearFigure,
  unit: LengthUnit,
): FigureRange | undefined {
  if (texts[figure].trim() === '' || valueOf(texts, figure, unit) !== undefined) return undefined
  const [least, most] = RANGES[figure]
  return {
    kind: COUNTS.has(figure) ? 'count' : LENGTHS.has(figure) ? 'length' : 'angle',
    least,
    most,
  }
}

/** What was measured, without what cannot have been. */
export function withoutMissed(texts: GearTexts, unit: LengthUnit): GearTexts {
  const figures = Object.keys(RANGES) as readonly GearFigure[]
  const missed = figures.filter((figure) => rangeMissed(texts, figure, unit) !== undefined)
  return { ...texts, ...Object.fromEntries(missed.map((figure) => [figure, ''])) }
}

/** The same gear and its mate, by their modules. */
interface Mates {
  readonly areMates: boolean
  readonly moduleMm: number
}

/** How far apart the shafts of two gears are. */
interface Apart {
  readonly byCountsMm: number
  /** How much more was measured than the counts say; undefined while nothing was. */
  readonly offMm: number | undefined
  /** Whether profile shift can make that much, up to half a module (common practice). */
  readonly isShift: boolean
}

/** Everything that the figures say; what they do not settle yet is undefined. */
export interface GearIdentity {
  /** As they were counted; undefined while that is none that can be. */
  readonly teeth: number | undefined
  readonly mateTeeth: number | undefined
  /** Steps from tooth to tooth between the tips of a broken gear. */
  readonly pitches: number | undefined
  readonly moduleMm: number | undefined
  readonly sizes: readonly StandardSize[]
  readonly expected: ExpectedSizes | undefined
  /** Teeth to span. */
  readonly spanned: number | undefined
  readonly moduleBySpanMm: number | undefined
  readonly moduleByTwoSpansMm: number | undefined
  readonly mates: Mates | undefined
  readonly apart: Apart | undefined
  /** Of a broken gear, the likeliest first. */
  readonly counts: readonly number[]
  readonly isChordTooLong: boolean
}

/** From what was measured on a gear to what gear it is. */
export function identifyGear(texts: GearTexts, unit: LengthUnit): GearIdentity {
  const value = (figure: GearFigure): number | undefined => valueOf(texts, figure, unit)
  const [outsideMm, teeth, mateTeeth] = [value('outside'), value('teeth'), value('mateTeeth')]
  const [spanMm, longerMm] = [value('span'), value('longerSpan')]
  const [chordMm, pitches] = [value('chord'), value('pitches')]
  const [helix, pressure] = [value('helix') ?? 0, value('pressure') ?? 20]
  const both = <T>(
    one: number | undefined,
    other: number | undefined,
    make: (one: number, other: number) => T,
  ) => (one === undefined || other === undefined ? undefined : make(one, other))

  const spanned = teeth === undefined ? undefined : usualSpan(teeth, helix, pressure)
  const moduleMm = both(outsideMm, teeth, (mm, count) => moduleOfOutsideMm(mm, count, helix))
  const mateModuleMm = both(value('mateOutside'), mateTeeth, (mm, count) =>
    moduleOfOutsideMm(mm, count, helix),
  )
  const sizes = moduleMm === undefined ? [] : nearestSizes(moduleMm)
  const nearestMm = sizes[0]?.moduleMm
  const byCountsMm = both(teeth, mateTeeth, (one, other) =>
    nearestMm === undefined ? undefined : centreDistanceMm(nearestMm, [one, other], helix),
  )
  return {
    teeth,
    mateTeeth,
    pitches,
    moduleMm,
    sizes,
    expected: both(nearestMm, teeth, (mm, count) => expectedSizes(mm, count, helix, pressure)),
    spanned,
    moduleBySpanMm:
      spanned === undefined
        ? undefined
        : both(spanMm, teeth, (mm, count) => moduleOfSpanMm(mm, count, spanned, helix, pressure)),
    moduleByTwoSpansMm: both(spanMm, longerMm, (shorter, longer) =>
      longer > shorter ? moduleOfTwoSpansMm(shorter, longer, pressure) : undefined,
    ),
    mates: both(moduleMm, mateModuleMm, (own, mate) => {
      const gear = { helixAngleDeg: helix, pressureAngleDeg: pressure, hand: null }
      const problems = mateProblems({ ...gear, moduleMm: own }, { ...gear, moduleMm: mate })
      return { areMates: problems.length === 0, moduleMm: mate }
    }),
    apart:
      byCountsMm === undefined ? undefined : apartOf(byCountsMm, value('centre'), nearestMm ?? 0),
    counts:
      both(chordMm, pitches, (chord, steps) =>
        outsideMm === undefined ? [] : countsOfArc(outsideMm, chord, steps, CHORD_ERROR_MM),
      ) ?? [],
    isChordTooLong: both(chordMm, outsideMm, (chord, outside) => chord > outside) ?? false,
  }
}

function apartOf(byCountsMm: number, measuredMm: number | undefined, moduleMm: number): Apart {
  const offMm = measuredMm === undefined ? undefined : measuredMm - byCountsMm
  return { byCountsMm, offMm, isShift: Math.abs(offMm ?? 0) <= moduleMm / 2 }
}
