import { useState } from 'react'

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

import { useOpenBox } from '~/components/box/boxContext.ts'
import { TurnsNav } from '~/components/turns/TurnsNav.tsx'
import { formatLength, formatNumber, formatShare } from '~/words/format.ts'

type Field =
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

/** A figure that has to lie within sense before anything is worked out from it. */
const RANGES: Readonly<Record<Field, readonly [least: number, most: number]>> = {
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
const LENGTHS: ReadonlySet<Field> = new Set<Field>([
  'outside',
  'span',
  'longerSpan',
  'centre',
  'mateOutside',
  'chord',
])
const COUNTS: ReadonlySet<Field> = new Set<Field>(['teeth', 'mateTeeth', 'pitches'])

const EMPTY: Readonly<Record<Field, string>> = {
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

function sizeName({ series, size }: StandardSize): string {
  return series === 'diametral pitch' ? `diametral pitch ${size}` : `module ${size} mm`
}

/** From what can be measured on one gear to what gear it is. */
export default function GearIdentity() {
  const { draft, settings } = useOpenBox()
  const [texts, setTexts] = useState(EMPTY)
  const unit = settings.lengthUnit
  const value = (field: Field): number | undefined => {
    const figure = figureOf(texts[field], LENGTHS.has(field) ? unit : 'mm')
    const [least, most] = RANGES[field]
    if (figure === undefined || figure < least || figure > most) return undefined
    return COUNTS.has(field) && !Number.isInteger(figure) ? undefined : figure
  }
  const problem = (field: Field): string | undefined => {
    if (texts[field].trim() === '' || value(field) !== undefined) return undefined
    const [least, most] = RANGES[field]
    if (COUNTS.has(field)) return `A whole number from ${least} to ${most}.`
    return LENGTHS.has(field)
      ? `A length from ${formatLength(least, unit)} to ${formatLength(most, unit)}.`
      : `From ${least}° to ${most}°.`
  }
  const field = (name: Field, label: string) => (
    <label className="block font-semibold">
      {label}
      <input
        className="field mt-1 block w-[9rem] text-[1.2rem]"
        inputMode="decimal"
        autoComplete="off"
        value={texts[name]}
        aria-invalid={problem(name) !== undefined}
        onChange={(event) => {
          setTexts({ ...texts, [name]: event.target.value })
        }}
      />
      {problem(name) && (
        <span role="alert" className="text-trouble block max-w-[12rem] text-[0.92rem]">
          {problem(name)}
        </span>
      )}
    </label>
  )
  const [outsideMm, teeth, helix = 0, pressure = 20] = [
    value('outside'),
    value('teeth'),
    value('helix'),
    value('pressure'),
  ]
  const spanMm = value('span')
  const longerMm = value('longerSpan')
  const spanned = teeth === undefined ? undefined : usualSpan(teeth, helix, pressure)
  const moduleMm =
    outsideMm !== undefined && teeth !== undefined
      ? moduleOfOutsideMm(outsideMm, teeth, helix)
      : undefined
  const sizes = moduleMm === undefined ? [] : nearestSizes(moduleMm)
  const [nearest] = sizes
  const expected: ExpectedSizes | undefined =
    nearest && teeth !== undefined
      ? expectedSizes(nearest.moduleMm, teeth, helix, pressure)
      : undefined
  const mateTeeth = value('mateTeeth')
  const centreMm = value('centre')
  const mateOutsideMm = value('mateOutside')
  const mateModuleMm =
    mateOutsideMm !== undefined && mateTeeth !== undefined
      ? moduleOfOutsideMm(mateOutsideMm, mateTeeth, helix)
      : undefined
  const byCounts =
    nearest && teeth !== undefined && mateTeeth !== undefined
      ? centreDistanceMm(nearest.moduleMm, [teeth, mateTeeth], helix)
      : undefined
  const chordMm = value('chord')
  const pitches = value('pitches')
  const counts =
    outsideMm !== undefined && chordMm !== undefined && pitches !== undefined
      ? countsOfArc(outsideMm, chordMm, pitches, CHORD_ERROR_MM)
      : []
  return (
    <main className="flex-1 px-4 py-2 lg:min-h-0 lg:overflow-auto">
      <title>{`${draft.name} · What gear is this · Udrix`}</title>
      <TurnsNav />
      <div className="grid gap-x-10 gap-y-3 py-2 lg:grid-cols-2">
        <section aria-label="By its outside diameter" className="grid content-start gap-2">
          <h2 className="text-[1.2rem]">By its outside diameter</h2>
          <div className="flex flex-wrap gap-3">
            {field('outside', `Outside diameter, ${unit}`)}
            {field('teeth', 'Teeth')}
            {field('helix', 'Helix angle, °')}
            {field('pressure', 'Pressure angle, °')}
          </div>
          <div role="status">
            {moduleMm === undefined ? (
              <p>Write the outside diameter and the teeth.</p>
            ) : (
              <>
                <p className="text-[1.15rem]">
                  Module <b>{formatNumber(moduleMm, 3)} mm</b>. Nearest standard sizes:
                </p>
                <ol className="list-decimal pl-6">
                  {sizes.map((size) => (
                    <li key={size.series}>
                      <b>{sizeName(size)}</b> ({size.series}), measured{' '}
                      {formatShare(Math.abs(size.offShare))} {size.offShare < 0 ? 'below' : 'above'}{' '}
                      it
                    </li>
                  ))}
                </ol>
                {nearest && expected && (
                  <p>
                    A gear of {sizeName(nearest)} without profile shift has a pitch diameter of{' '}
                    {formatLength(expected.pitchMm, unit)}, an outside diameter of{' '}
                    {formatLength(expected.outsideMm, unit)}, and spans{' '}
                    {formatLength(expected.spanMm, unit)} over {expected.spanned} teeth.
                  </p>
                )}
              </>
            )}
          </div>
        </section>
        <section aria-label="By its span" className="grid content-start gap-2">
          <h2 className="text-[1.2rem]">By its span</h2>
          <p>
            Caliper over {spanned ?? 'several'} teeth, then over one more. Two spans tell the module
            whatever the profile shift.
          </p>
          <div className="flex flex-wrap gap-3">
            {field('span', `Span over ${spanned ?? 'k'} teeth, ${unit}`)}
            {field('longerSpan', `Over ${spanned === undefined ? 'k + 1' : spanned + 1}, ${unit}`)}
          </div>
          <p role="status">
            {spanMm !== undefined && teeth !== undefined && spanned !== undefined && (
              <>
                By one span: module{' '}
                <b>{formatNumber(moduleOfSpanMm(spanMm, teeth, spanned, helix, pressure), 3)} mm</b>
                .{' '}
              </>
            )}
            {spanMm !== undefined && longerMm !== undefined && longerMm > spanMm && (
              <>
                By both: module{' '}
                <b>{formatNumber(moduleOfTwoSpansMm(spanMm, longerMm, pressure), 3)} mm</b>.
              </>
            )}
          </p>
        </section>
        <section aria-label="With its mate" className="grid content-start gap-2">
          <h2 className="text-[1.2rem]">With its mate</h2>
          <p>
            Mates have one module, pressure angle and helix angle, and helices of opposite hands.
          </p>
          <div className="flex flex-wrap gap-3">
            {field('mateTeeth', 'Teeth of the mate')}
            {field('mateOutside', `Its outside diameter, ${unit}`)}
            {field('centre', `Centre distance, ${unit}`)}
          </div>
          <p role="status">
            {moduleMm !== undefined && mateModuleMm !== undefined && (
              <>
                {mateProblems(
                  { moduleMm, helixAngleDeg: helix, pressureAngleDeg: pressure, hand: null },
                  {
                    moduleMm: mateModuleMm,
                    helixAngleDeg: helix,
                    pressureAngleDeg: pressure,
                    hand: null,
                  },
                ).length === 0
                  ? 'They can be mates'
                  : 'They cannot be mates'}
                : module {formatNumber(moduleMm, 3)} mm and {formatNumber(mateModuleMm, 3)} mm.{' '}
              </>
            )}
            {byCounts !== undefined && (
              <>
                By counts and {nearest && sizeName(nearest)} the shafts are{' '}
                <b>{formatLength(byCounts, unit)}</b> apart
                {centreMm !== undefined &&
                  `; you measured ${formatLength(Math.abs(centreMm - byCounts), unit)} ${centreMm < byCounts ? 'less' : 'more'}, ${Math.abs(centreMm - byCounts) <= (nearest?.moduleMm ?? 0) / 2 ? 'which profile shift can make' : 'which profile shift does not make: they are hardly mates'}`}
                .
              </>
            )}
          </p>
        </section>
        <section aria-label="A broken gear" className="grid content-start gap-2">
          <h2 className="text-[1.2rem]">A broken gear</h2>
          <p>
            Measure straight across from one tooth tip to another, and count the steps from tooth to
            tooth between them. The outside diameter is that above.
          </p>
          <div className="flex flex-wrap gap-3">
            {field('chord', `Tip to tip, ${unit}`)}
            {field('pitches', 'Steps between')}
          </div>
          <p role="status">
            {counts.length > 0 && (
              <>
                It had <b>{counts[0]} teeth</b>
                {counts.length > 1 && `, or within the reading ${counts.slice(1, 6).join(', ')}`}.
              </>
            )}
            {chordMm !== undefined &&
              outsideMm !== undefined &&
              chordMm > outsideMm &&
              'The chord is longer than the gear is wide. Measure again.'}
          </p>
        </section>
      </div>
    </main>
  )
}
