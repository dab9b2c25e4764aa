import clsx from 'clsx'
import { CornerDownLeft, Plus } from 'lucide-react'
import { useRef, useState } from 'react'

import type {
  ConeCount,
  EnteredLimit,
  EntryBody,
  Finding,
  Judgement,
  KnownLimits,
  Measure,
  ReadingUnit,
} from 'core'
import { CONE_COUNTS, MEASURE_RULES, boundsOf, indexBox, unitsOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { SelectField, TypedField } from '~/components/Fields.tsx'
import { LONGEST_LINE } from '~/words/lengths.ts'
import { measureHint } from '~/words/measureHints.ts'
import { Explained } from '~/components/words/Explained.tsx'
import { useWords } from '~/components/useWords.ts'
import type { Shelf } from '~/files/shelf.ts'
import {
  CONE_NAMES,
  MEASURE_NAMES,
  SOURCE_NAMES,
  STATISTIC_NAMES,
  UNIT_WORDS,
  boundsWords,
  figureWords,
  formatFigure,
  reasonWords,
  shownUnit,
  verdictWords,
} from '~/words/measures.ts'
import { capitalize } from '~/words/names.ts'
import { Warning } from '~/components/Warning.tsx'

import { FoundWords } from './FindingList.tsx'
import { LeafHint } from './LeafHint.tsx'
import type { Phase } from './useMeasuring.ts'
import type { Measuring } from './useMeasuring.ts'
import { useMeasuring } from './useMeasuring.ts'
import { VerdictSign } from './VerdictMarks.tsx'

const PHASES: readonly (readonly [Phase, string])[] = [
  ['found', 'as found'],
  ['after', 'after the work'],
]

interface MeasureEntryProps {
  readonly limits: KnownLimits
  readonly part: string
  readonly measure: Measure
  readonly partName: string
  readonly unit: ReadingUnit
  readonly tool: string
  readonly shelf: Shelf
  readonly isDisabled: boolean
  /** What was found here last. */
  readonly latest: Finding | undefined
  readonly onUnit: (unit: ReadingUnit) => void
  readonly onTool: (tool: string) => void
  readonly onKeep: (body: EntryBody) => void
}

interface JudgedProps {
  readonly props: Pick<MeasureEntryProps, 'part' | 'measure' | 'shelf' | 'unit' | 'onUnit'>
  readonly measuring: Measuring
}

/** By what is judged, how what is typed is judged so far, and what is doubtful about it. */
function Judged({ props: { part, measure, shelf, unit, onUnit }, measuring }: JudgedProps) {
  const { limit, judgement, question } = measuring
  return (
    <>
      <LimitLine limit={limit} />
      {measure === 'ring-gap' && <LeafHint shelf={shelf} limit={limit} unit={unit} />}
      {judgement && (
        <JudgementLine part={part} measure={measure} judgement={judgement} unit={unit} />
      )}
      {question && (
        <InchesQuestion
          doubtful={question.doubtful}
          onInches={() => {
            question.close()
            onUnit('in')
          }}
          onThousandths={question.meanThousandths}
        />
      )}
    </>
  )
}

/** Asks for the readings of one measurement; the verdict stands beside them before they are kept. */
export function MeasureEntry(props: MeasureEntryProps) {
  const { measure, partName, unit, tool, isDisabled, onUnit, onTool } = props
  const words = useWords()
  const [isKept, setIsKept] = useState(false)
  const fields = useRef<(HTMLInputElement | null)[]>([])
  const measuring = useMeasuring(props)
  const { rule, readings, cones } = measuring
  /** Enter in a field goes to the next place still empty; pressed once more there, it keeps. */
  const goOn = (event: React.KeyboardEvent): void => {
    if (event.key !== 'Enter') return
    const empty = readings.findIndex((text) => text.trim() === '')
    const next = empty < 0 ? null : fields.current[empty]
    if (!next || document.activeElement === next) return
    event.preventDefault()
    next.focus()
  }
  return (
    <form
      aria-label={`Measure ${MEASURE_NAMES[measure]} of ${partName}`}
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        // Enter in the last field has kept it already.
        if (isKept && measuring.written.length === 0) return
        const keeps = measuring.keep()
        setIsKept(keeps)
        if (keeps) fields.current[0]?.focus()
      }}
    >
      <p className="text-[0.98rem]">
        <Explained texts={[measureHint(words, measure)]} />
        {cones > 1 && ' Press the whole pack together, inner ring and middle cone in place.'}
      </p>
      <ReadingFields
        measure={measure}
        readings={readings}
        unit={unit}
        isDisabled={isDisabled}
        fields={fields}
        onUnit={onUnit}
        onReadings={(next) => {
          setIsKept(false)
          measuring.setReadings(next)
        }}
        onKey={goOn}
      />
      {rule.beside !== null && (
        <BesideField
          beside={rule.beside}
          unit={unit}
          text={measuring.beside}
          onText={measuring.setBeside}
        />
      )}
      <HowFields
        measure={measure}
        tool={tool}
        cones={cones}
        phase={measuring.phase}
        onTool={onTool}
        onCones={measuring.setCones}
        onPhase={measuring.setPhase}
      />
      <Judged props={props} measuring={measuring} />
      {measuring.problems.map((problem) => (
        <Warning key={problem} role="alert">
          {problem}
        </Warning>
      ))}
      <button className="button button-main" disabled={isDisabled}>
        <CornerDownLeft aria-hidden /> Keep, judge
      </button>
      {isKept && props.latest && (
        <div role="status" aria-label="Kept" className="bg-accent-wash p-2">
          <FoundWords finding={props.latest} />
        </div>
      )}
    </form>
  )
}

interface BesideFieldProps {
  readonly beside: 'radius' | 'journal'
  readonly unit: ReadingUnit
  readonly text: string
  readonly onText: (text: string) => void
}

/** What a reading says nothing without: the radius it was read at, or what runs in the bore. */
function BesideField({ beside, unit, text, onText }: BesideFieldProps) {
  return (
    <TypedField
      label={
        beside === 'radius'
          ? 'Read at a radius of, in mm'
          : `Diameter of what runs in it, in ${UNIT_WORDS[unit]}`
      }
      className="w-[8rem]"
      inputMode="decimal"
      value={text}
      onType={onText}
    />
  )
}

interface HowFieldsProps {
  readonly measure: Measure
  readonly tool: string
  readonly cones: ConeCount
  readonly phase: Phase
  readonly onTool: (tool: string) => void
  readonly onCones: (cones: ConeCount) => void
  readonly onPhase: (phase: Phase) => void
}

/** With what it was measured, on what, and when. */
function HowFields(props: HowFieldsProps) {
  const { measure, tool, cones, phase, onTool, onCones, onPhase } = props
  return (
    <div className="flex flex-wrap gap-3">
      <TypedField
        label="Tool"
        isGrowing
        value={tool}
        longest={LONGEST_LINE}
        placeholder="feeler leaves, dial"
        onType={onTool}
      />
      {measure === 'ring-gap' && (
        <SelectField
          label="Cones"
          value={`${cones}`}
          options={CONE_COUNTS.map((count) => [`${count}`, CONE_NAMES[count]] as const)}
          onChange={(chosen) => {
            onCones(CONE_COUNTS.find((count) => `${count}` === chosen) ?? 1)
          }}
        />
      )}
      <SelectField label="When" value={phase} options={PHASES} onChange={onPhase} />
    </div>
  )
}

interface ReadingFieldsProps {
  readonly measure: Measure
  readonly readings: readonly string[]
  readonly unit: ReadingUnit
  readonly isDisabled: boolean
  /** The fields, so that Enter can go to the next one. */
  readonly fields: React.RefObject<(HTMLInputElement | null)[]>
  readonly onUnit: (unit: ReadingUnit) => void
  readonly onReadings: (readings: readonly string[]) => void
  readonly onKey: (event: React.KeyboardEvent) => void
}

/** A field for each place that is read, in one unit. */
function ReadingFields(props: ReadingFieldsProps) {
  const { measure, readings, unit, isDisabled, fields, onUnit, onReadings, onKey } = props
  return (
    <fieldset>
      <legend className="flex items-center gap-2 font-semibold">
        {capitalize(MEASURE_NAMES[measure])}, in
        <select
          aria-label="Unit of the readings"
          className="field w-auto"
          value={unit}
          onChange={(event) => {
            // The options are those of the quantity.
            onUnit(event.target.value as ReadingUnit)
          }}
        >
          {unitsOf(MEASURE_RULES[measure].reads).map((each) => (
            <option key={each} value={each}>
              {UNIT_WORDS[each]}
            </option>
          ))}
        </select>
      </legend>
      <div className="mt-1 flex flex-wrap gap-2">
        {readings.map((text, at) => (
          <input
            key={at}
            ref={(element) => {
              fields.current[at] = element
            }}
            aria-label={`Reading ${at + 1}`}
            className={clsx(
              'field text-center font-bold',
              // Stacked leaves and spans are longer than a figure.
              text.length > 6 ? 'w-[8.4rem] text-[1.15rem]' : 'w-[6.2rem] text-[1.5rem]',
            )}
            inputMode="decimal"
            autoComplete="off"
            disabled={isDisabled}
            value={text}
            onKeyDown={onKey}
            onChange={(event) => {
              onReadings(readings.with(at, event.target.value))
            }}
          />
        ))}
        <button
          type="button"
          className="button-quiet"
          onClick={() => {
            onReadings([...readings, ''])
          }}
        >
          <Plus aria-hidden /> Another place
        </button>
      </div>
    </fieldset>
  )
}

/** What the readings come to, before they are kept. */
function JudgementLine({
  part,
  measure,
  judgement: { verdict, figures, reasons },
  unit,
}: {
  readonly part: string
  readonly measure: Measure
  readonly judgement: Judgement
  readonly unit: ReadingUnit
}) {
  const { draft } = useOpenBox()
  const rule = MEASURE_RULES[measure]
  const shown = shownUnit(rule.judges, unit)
  const finding = { part, what: measure }
  return (
    <p role="status" className="flex gap-2">
      {verdict && <VerdictSign verdict={verdict} />}
      <span>
        {verdict && (
          <b className="text-[1.15rem]">
            {capitalize(verdictWords(indexBox(draft), finding, verdict))}.{' '}
          </b>
        )}
        {capitalize(STATISTIC_NAMES[rule.statistic])} {figureWords(figures, shown)}
        {rule.statistic !== 'mean' && `, mean ${formatFigure(figures.mean, unit)}`}, spread{' '}
        {formatFigure(figures.spread, unit)}.{' '}
        {reasons.map((reason) => reasonWords(reason, shown)).join(' ')}
      </span>
    </p>
  )
}

/** Asks once about figures in thousandths that look like inches. */
function InchesQuestion({
  doubtful,
  onInches,
  onThousandths,
}: {
  readonly doubtful: readonly string[]
  readonly onInches: () => void
  readonly onThousandths: () => void
}) {
  return (
    <div role="alert" className="bg-trouble-wash grid gap-2 p-2">
      <Warning>
        {doubtful.join(', ')} in thousandths of an inch is thinner than any tool reads. Did you read
        inches?
      </Warning>
      <span className="flex flex-wrap gap-2">
        <button type="button" className="button" onClick={onInches}>
          Yes, {doubtful[0]} inches
        </button>
        <button type="button" className="button-quiet" onClick={onThousandths}>
          No, thousandths
        </button>
      </span>
    </div>
  )
}

/** The limit in force and where it came from. */
function LimitLine({ limit }: { readonly limit: EnteredLimit | null }) {
  const bounds = boundsOf(limit)
  return (
    <p>
      {limit && bounds ? (
        <>
          <b>Limit: {boundsWords(bounds, limit.unit)}</b>, {SOURCE_NAMES[limit.source]}.
          {limit.source === 'thumb' && ' The maker’s figure for the unit rules where there is one.'}
        </>
      ) : (
        'No limit is known. The maker’s manual gives it: enter it below.'
      )}
    </p>
  )
}
