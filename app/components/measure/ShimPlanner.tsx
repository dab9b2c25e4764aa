import { useState } from 'react'

import type { EnteredLimit, FittedShims, ReadingUnit, ShimPlan } from 'core'
import {
  MOST_FITTED,
  MOST_THICKNESS,
  STACK_UNITS_PER_MM,
  boundsOf,
  figureOf,
  planShims,
} from 'core'

import { TypedField } from '~/components/Fields.tsx'
import type { Shelf } from '~/files/shelf.ts'
import { formatThickness, stackText } from '~/files/shelf.ts'
import { UNIT_NAMES } from '~/words/measures.ts'

const MOST_SHIMS = 3
const LISTED = 4

interface ShimPlannerProps {
  readonly shelf: Shelf
  readonly limit: EnteredLimit | null
  readonly unit: ReadingUnit
  /** The latest end play measured, in mm. */
  readonly measuredMm: number | undefined
  /** What was fitted already. */
  readonly done: FittedShims | undefined
  readonly isDisabled: boolean
  readonly onFit: (thicknesses: readonly number[], expected: number) => void
}

function whole(mm: number): number {
  return Math.round(mm * STACK_UNITS_PER_MM)
}

function thicknessText(thickness: number, unit: ReadingUnit): string {
  return `${formatThickness(thickness, unit)} ${UNIT_NAMES[unit]}`
}

interface FittedLineProps extends Pick<ShimPlannerProps, 'shelf' | 'unit'> {
  readonly done: FittedShims
  readonly isInRange: boolean
}

/** What was fitted, and what came of it. */
function FittedLine({ shelf, unit, done, isInRange }: FittedLineProps) {
  const { thicknesses, expected, measuredMm } = done
  const shown = (thickness: number): string => thicknessText(thickness, unit)
  return (
    <p>
      <b>Fitted: {stackText(shelf.shims, thicknesses, unit)}</b>, expected {shown(expected)}
      {measuredMm === null
        ? '. Measure the end play again, and keep that reading too.'
        : `, measured ${shown(whole(measuredMm))}: ${shown(Math.abs(whole(measuredMm) - expected))} ${whole(measuredMm) < expected ? 'less' : 'more'} than expected.`}
      {isInRange && ' Within the range: no other shim is needed.'}
    </p>
  )
}

interface ChoicesProps extends Pick<ShimPlannerProps, 'shelf' | 'unit' | 'isDisabled' | 'onFit'> {
  readonly choices: ShimPlan['choices']
}

/** Stacks from the shelf, each with the end play that it leaves. */
function Choices({ shelf, unit, choices, isDisabled, onFit }: ChoicesProps) {
  return (
    <ol className="list-decimal pl-6">
      {choices.map(({ stack, expected, isWithin }) => (
        <li key={stack.thicknesses.join(' ')}>
          <b>{stackText(shelf.shims, stack.thicknesses, unit)}</b>: {thicknessText(expected, unit)}{' '}
          of end play to be expected, {isWithin ? 'within the range' : 'outside the range'}{' '}
          <button
            type="button"
            className="button-quiet"
            disabled={isDisabled}
            onClick={() => {
              onFit(stack.thicknesses, expected)
            }}
          >
            Fitted
          </button>
        </li>
      ))}
    </ol>
  )
}

interface FittedElseProps extends Pick<ShimPlannerProps, 'unit' | 'isDisabled'> {
  readonly onFit: (thicknesses: readonly number[]) => void
}

/** Shims that are not from the shelf. */
function FittedElse({ unit, isDisabled, onFit }: FittedElseProps) {
  const [other, setOther] = useState('')
  const pieces = piecesOf(other, unit)
  return (
    <div className="flex flex-wrap items-end gap-2">
      <TypedField
        label="Fitted something else"
        unit={UNIT_NAMES[unit]}
        className="w-[11rem]"
        placeholder={unit === 'mm' ? '0.50 + 0.30' : ''}
        value={other}
        isWrong={other !== '' && pieces === undefined}
        onType={setOther}
      />
      <button
        type="button"
        className="button"
        disabled={isDisabled || pieces === undefined}
        onClick={() => {
          if (!pieces) return
          onFit(pieces)
          setOther('')
        }}
      >
        Fitted
      </button>
      {other !== '' && pieces === undefined && (
        <span className="trouble">Write what each shim measures, with + between them.</span>
      )}
    </div>
  )
}

/** The shims from the shelf that bring an end play into the maker's range. */
export function ShimPlanner(props: ShimPlannerProps) {
  const { shelf, limit, unit, measuredMm, done, isDisabled, onFit } = props
  const [typed, setTyped] = useState<string | null>(null)
  const bounds = boundsOf(limit)
  if (measuredMm === undefined || bounds?.least === undefined || bounds.most === undefined)
    return (
      <p className="text-graphite">
        With an end play measured and the maker’s range entered, Udrix names the shims here.
      </p>
    )
  const inPlace = done?.measuredMm === undefined || done.measuredMm === null ? [] : done.thicknesses
  const fitted = typed ?? formatThickness(sumOf(inPlace), unit)
  const fittedMm = figureOf(fitted, unit)
  const [measured, least, most] = [measuredMm, bounds.least, bounds.most].map(whole)
  const isWaiting = done?.measuredMm === null
  const isInRange =
    done !== undefined && !isWaiting && measuredMm >= bounds.least && measuredMm <= bounds.most
  const aim =
    fittedMm === undefined || isWaiting || isInRange
      ? undefined
      : { measured: measured ?? 0, fitted: whole(fittedMm), least: least ?? 0, most: most ?? 0 }
  const plan = aim && planShims(shelf.shims, aim, MOST_SHIMS, LISTED)
  const shown = (thickness: number): string => thicknessText(thickness, unit)
  return (
    <section aria-label="Shims" className="border-rule border-t-2 pt-2">
      <h3 className="font-semibold">Shims for this end play</h3>
      {done && <FittedLine shelf={shelf} unit={unit} done={done} isInRange={isInRange} />}
      {!isWaiting && !isInRange && (
        <label className="flex items-center gap-2">
          In place while it was measured
          <input
            className="field w-[6rem]"
            inputMode="decimal"
            value={fitted}
            onChange={(event) => {
              setTyped(event.target.value)
            }}
          />
          {UNIT_NAMES[unit]}
        </label>
      )}
      {aim && plan && (
        <div role="status">
          <p>
            {!done && aim.measured >= aim.least && aim.measured <= aim.most
              ? 'The end play is within the range as it is. '
              : ''}
            {plan.ideal > 0
              ? `A shim of ${shown(plan.ideal)} lands in the middle of the range.`
              : 'There is less play than the range asks for, even without a shim. Look for what holds it.'}
          </p>
          <Choices
            shelf={shelf}
            unit={unit}
            choices={plan.choices}
            isDisabled={isDisabled}
            onFit={(thicknesses, expected) => {
              onFit(thicknesses, expected)
              setTyped(null)
            }}
          />
          {plan.ideal > 0 && !plan.choices.some(({ isWithin }) => isWithin) && (
            <p>
              {plan.choices.length === 0 ? 'No shims are on the shelf.' : 'None of these fits.'} Buy
              one of {shown(plan.buy.least)} to {shown(plan.buy.most)}.
            </p>
          )}
          <FittedElse
            unit={unit}
            isDisabled={isDisabled}
            onFit={(thicknesses) => {
              onFit(thicknesses, aim.measured + aim.fitted - sumOf(thicknesses))
              setTyped(null)
            }}
          />
          <p className="text-graphite">Measure again after fitting, and keep that reading too.</p>
        </div>
      )}
    </section>
  )
}

function sumOf(thicknesses: readonly number[]): number {
  return thicknesses.reduce((sum, each) => sum + each, 0)
}

/** "0.50 + 0.30" as whole thicknesses of the pieces; undefined where it is not that. */
function piecesOf(text: string, unit: ReadingUnit): readonly number[] | undefined {
  const pieces = text.split('+').map((each) => figureOf(each, unit))
  const whole = pieces.map((mm) => (mm === undefined ? 0 : Math.round(mm * STACK_UNITS_PER_MM)))
  return whole.length <= MOST_FITTED && whole.every((each) => each > 0 && each <= MOST_THICKNESS)
    ? whole
    : undefined
}
