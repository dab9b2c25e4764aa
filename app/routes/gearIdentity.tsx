import { useState } from 'react'

import type { StandardSize } from 'core'

import { TypedField } from '~/components/Fields.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { GearPicture } from '~/components/turns/GearPicture.tsx'
import type { FigureRange, GearFigure, GearIdentity } from '~/views/count/gearFigures.ts'
import {
  NOTHING_MEASURED,
  identifyGear,
  rangeMissed,
  withoutMissed,
} from '~/views/count/gearFigures.ts'
import type { LengthUnit } from '~/words/format.ts'
import { formatLength, formatNumber, formatShare } from '~/words/format.ts'

function sizeName({ series, size }: StandardSize): string {
  return series === 'diametral pitch' ? `diametral pitch ${size}` : `module ${size} mm`
}

/** Shares are told to a tenth of a per cent. */
const LEAST_SHARE = 0.0005

function offWords({ offShare }: StandardSize): string {
  const share = Math.abs(offShare)
  return share < LEAST_SHARE
    ? 'as measured'
    : `measured ${formatShare(share)} ${offShare < 0 ? 'below' : 'above'} it`
}

function rangeWords({ kind, least, most }: FigureRange, unit: LengthUnit): string {
  switch (kind) {
    case 'count':
      return `A whole number from ${least} to ${most}.`
    case 'length':
      return `A length from ${formatLength(least, unit)} to ${formatLength(most, unit)}.`
    case 'angle':
      return `From ${least}° to ${most}°.`
  }
}

/** From what can be measured on one gear to what gear it is. */
export default function GearIdentityPage() {
  const { draft, settings } = useOpenBox()
  const [texts, setTexts] = useState(NOTHING_MEASURED)
  const [typedAt, setTypedAt] = useState<GearFigure>()
  const unit = settings.lengthUnit
  const found = identifyGear(texts, unit)
  const { spanned } = found
  const field = (figure: GearFigure, label: string) => (
    <FigureField
      label={label}
      text={texts[figure]}
      missed={rangeMissed(texts, figure, unit)}
      unit={unit}
      onFocus={() => {
        setTypedAt(figure)
      }}
      onType={(text) => {
        setTexts({ ...texts, [figure]: text })
      }}
    />
  )
  return (
    <main className="flex-1 px-4 py-2 lg:min-h-0 lg:overflow-auto">
      <title>{`${draft.name} · What gear is this · Udrix`}</title>
      <div className="grid gap-x-8 gap-y-3 py-2 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <div className="lg:sticky lg:top-0 lg:self-start">
          <GearPicture texts={withoutMissed(texts, unit)} found={found} unit={unit} at={typedAt} />
        </div>
        <div
          className="grid content-start gap-y-4"
          onBlur={() => {
            setTypedAt(undefined)
          }}
        >
          <Way title="By its outside diameter" answer={<ByOutside found={found} unit={unit} />}>
            {field('outside', `Outside diameter, ${unit}`)}
            {field('teeth', 'Teeth')}
            {field('helix', 'Helix angle, °')}
            {field('pressure', 'Pressure angle, °')}
          </Way>
          <Way
            title="By its span"
            hint={`Caliper over ${spanned ?? 'several'} teeth, then over one more. Two spans tell the module whatever the profile shift.`}
            answer={<BySpan found={found} />}
          >
            {field('span', `Span over ${spanned ?? 'k'} teeth, ${unit}`)}
            {field('longerSpan', `Over ${spanned === undefined ? 'k + 1' : spanned + 1}, ${unit}`)}
          </Way>
          <Way
            title="With its mate"
            hint="Mates have one module, pressure angle and helix angle, and helices of opposite hands."
            answer={<WithMate found={found} unit={unit} />}
          >
            {field('mateTeeth', 'Teeth of the mate')}
            {field('mateOutside', `Its outside diameter, ${unit}`)}
            {field('centre', `Centre distance, ${unit}`)}
          </Way>
          <Way
            title="A broken gear"
            hint="Measure straight across from one tooth tip to another, and count the steps from tooth to tooth between them. The outside diameter is that above."
            answer={<Broken found={found} />}
          >
            {field('chord', `Tip to tip, ${unit}`)}
            {field('pitches', 'Steps between')}
          </Way>
        </div>
      </div>
    </main>
  )
}

interface WayProps {
  readonly title: string
  readonly hint?: string
  /** The fields that it asks for. */
  readonly children: React.ReactNode
  readonly answer: React.ReactNode
}

/** One way to tell a gear: what to measure, and what that says. */
function Way({ title, hint, children, answer }: WayProps) {
  return (
    <section aria-label={title} className="grid content-start gap-2">
      <h2 className="text-[1.2rem]">{title}</h2>
      {hint !== undefined && <p>{hint}</p>}
      <div className="flex flex-wrap gap-3">{children}</div>
      <div role="status">{answer}</div>
    </section>
  )
}

interface FigureFieldProps {
  readonly label: string
  readonly text: string
  readonly missed: FigureRange | undefined
  readonly unit: LengthUnit
  readonly onFocus: () => void
  readonly onType: (text: string) => void
}

function FigureField({ label, text, missed, unit, onFocus, onType }: FigureFieldProps) {
  return (
    <TypedField
      label={label}
      className="w-[8.5rem] text-[1.2rem]"
      inputMode="decimal"
      value={text}
      problem={missed && rangeWords(missed, unit)}
      onFocus={onFocus}
      onType={onType}
    />
  )
}

interface AnswerProps {
  readonly found: GearIdentity
  readonly unit: LengthUnit
}

function ByOutside({ found: { moduleMm, sizes, expected }, unit }: AnswerProps) {
  const [nearest] = sizes
  if (moduleMm === undefined) return <p>Write the outside diameter and the teeth.</p>
  return (
    <>
      <p className="text-[1.15rem]">
        Module <b>{formatNumber(moduleMm, 3)} mm</b>. Nearest standard sizes:
      </p>
      <ol className="list-decimal pl-6">
        {sizes.map((size) => (
          <li key={size.series}>
            <b>{sizeName(size)}</b> ({size.series}), {offWords(size)}
          </li>
        ))}
      </ol>
      {nearest && expected && (
        <p>
          A gear of {sizeName(nearest)} without profile shift has a pitch diameter of{' '}
          {formatLength(expected.pitchMm, unit)}, an outside diameter of{' '}
          {formatLength(expected.outsideMm, unit)}, and spans {formatLength(expected.spanMm, unit)}{' '}
          over {expected.spanned} teeth.
        </p>
      )}
    </>
  )
}

function BySpan({ found: { moduleBySpanMm, moduleByTwoSpansMm } }: Pick<AnswerProps, 'found'>) {
  return (
    <p>
      {moduleBySpanMm !== undefined && (
        <>
          By one span: module <b>{formatNumber(moduleBySpanMm, 3)} mm</b>.{' '}
        </>
      )}
      {moduleByTwoSpansMm !== undefined && (
        <>
          By both: module <b>{formatNumber(moduleByTwoSpansMm, 3)} mm</b>.
        </>
      )}
    </p>
  )
}

function WithMate({ found: { moduleMm, sizes, mates, apart }, unit }: AnswerProps) {
  const [nearest] = sizes
  return (
    <p>
      {moduleMm !== undefined && mates && (
        <>
          {mates.areMates ? 'They can be mates' : 'They cannot be mates'}: module{' '}
          {formatNumber(moduleMm, 3)} mm and {formatNumber(mates.moduleMm, 3)} mm.{' '}
        </>
      )}
      {apart && (
        <>
          By counts and {nearest && sizeName(nearest)} the shafts are{' '}
          <b>{formatLength(apart.byCountsMm, unit)}</b> apart
          {apart.offMm !== undefined &&
            `; you measured ${formatLength(Math.abs(apart.offMm), unit)} ${apart.offMm < 0 ? 'less' : 'more'}, ${apart.isShift ? 'which profile shift can make' : 'which profile shift does not make: they are hardly mates'}`}
          .
        </>
      )}
    </p>
  )
}

function Broken({ found: { counts, isChordTooLong } }: Pick<AnswerProps, 'found'>) {
  return (
    <p>
      {counts.length > 0 && (
        <>
          It had <b>{counts[0]} teeth</b>
          {counts.length > 1 && `, or within the reading ${counts.slice(1, 6).join(', ')}`}.
        </>
      )}
      {isChordTooLong && 'The chord is longer than the gear is wide. Measure again.'}
    </p>
  )
}
