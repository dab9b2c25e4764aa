import { useState } from 'react'

import type { EnteredLimit, FittedShims, ReadingUnit } from 'core'
import { STACK_UNITS_PER_MM, boundsOf, figureOf, planShims } from 'core'

import type { Shelf } from '~/shelf.ts'
import { formatThickness, stackText } from '~/shelf.ts'
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

/** The shims from the shelf that bring an end play into the maker's range. */
export function ShimPlanner(props: ShimPlannerProps) {
  const { shelf, limit, unit, measuredMm, done, isDisabled, onFit } = props
  const [fitted, setFitted] = useState('0')
  const bounds = boundsOf(limit)
  const fittedMm = figureOf(fitted, unit)
  if (measuredMm === undefined || bounds?.least === undefined || bounds.most === undefined)
    return (
      <p className="text-graphite">
        With an end play measured and the maker’s range entered, Udrix names the shims here.
      </p>
    )
  const whole = (mm: number): number => Math.round(mm * STACK_UNITS_PER_MM)
  const plan =
    fittedMm === undefined
      ? undefined
      : planShims(
          shelf.shims,
          {
            measured: whole(measuredMm),
            fitted: whole(fittedMm),
            least: whole(bounds.least),
            most: whole(bounds.most),
          },
          MOST_SHIMS,
          LISTED,
        )
  const shown = (thickness: number): string =>
    `${formatThickness(thickness, unit)} ${UNIT_NAMES[unit]}`
  return (
    <section aria-label="Shims" className="border-rule border-t-2 pt-2">
      <h3 className="font-semibold">Shims for this end play</h3>
      <label className="flex items-center gap-2">
        In place while it was measured
        <input
          className="field w-[6rem]"
          inputMode="decimal"
          value={fitted}
          onChange={(event) => {
            setFitted(event.target.value)
          }}
        />
        {UNIT_NAMES[unit]}
      </label>
      {plan && (
        <div role="status">
          <p>
            {plan.ideal > 0
              ? `A shim of ${shown(plan.ideal)} lands in the middle of the range.`
              : 'There is less play than the range asks for, even without a shim. Look for what holds it.'}
          </p>
          <ol className="list-decimal pl-6">
            {plan.choices.map(({ stack, expected, isWithin }) => (
              <li key={stack.thicknesses.join(' ')}>
                <b>{stackText(shelf.shims, stack.thicknesses, unit)}</b>: {shown(expected)} of end
                play to be expected, {isWithin ? 'within the range' : 'outside the range'}{' '}
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
          {plan.ideal > 0 && !plan.choices.some(({ isWithin }) => isWithin) && (
            <p>
              {plan.choices.length === 0 ? 'No shims are on the shelf.' : 'None of these fits.'} Buy
              one of {shown(plan.buy.least)} to {shown(plan.buy.most)}.
            </p>
          )}
          <p className="text-graphite">Measure again after fitting, and keep that reading too.</p>
          {done && (
            <p>
              <b>Fitted: {stackText(shelf.shims, done.thicknesses, unit)}</b>, expected{' '}
              {shown(done.expected)}
              {done.measuredMm === null
                ? '. Not measured since.'
                : `, measured ${shown(whole(done.measuredMm))}: ${shown(Math.abs(whole(done.measuredMm) - done.expected))} ${whole(done.measuredMm) < done.expected ? 'less' : 'more'} than expected.`}
            </p>
          )}
        </div>
      )}
    </section>
  )
}
