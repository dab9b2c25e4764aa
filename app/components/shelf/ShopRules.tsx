import { useState } from 'react'
import { Form } from 'react-router'

import type { EnteredLimit, Measure, ReadingUnit, ShopRule } from 'core'
import { MEASURES, MEASURE_RULES, unitsOf } from 'core'

import { ruleBase } from '~/files/shelf.ts'
import { MEASURE_NAMES, UNIT_NAMES, boundsText } from '~/words/measures.ts'
import { capitalize } from '~/words/names.ts'

interface ShopRulesProps {
  readonly rules: readonly ShopRule[]
  /** The unit that lengths are entered in where nothing else is said. */
  readonly unit: ReadingUnit
}

/** The limits that the shop goes by, measurement by measurement. */
export function ShopRules({ rules, unit }: ShopRulesProps) {
  return (
    <section aria-label="Rules of the shop">
      <h2 className="text-[1.2rem]">Limits that the shop goes by</h2>
      <p className="text-graphite">
        For every unit. The maker’s figure, entered where a part is measured, comes before them;
        they come before the rules of thumb that ship with Udrix.
      </p>
      {MEASURES.map((measure) => {
        const limit = rules.find((rule) => rule.measure === measure)?.limit
        return <RuleOfMeasure key={measure} measure={measure} limit={limit} unit={unit} />
      })}
    </section>
  )
}

interface RuleFormProps {
  readonly measure: Measure
  readonly limit: EnteredLimit | undefined
  readonly unit: ReadingUnit
}

/** A limit as it stands; while somebody types, as it stood when they began. */
function RuleOfMeasure({ measure, limit, unit }: RuleFormProps) {
  const [typedOver, setTypedOver] = useState<string | null>(null)
  const base = typedOver ?? ruleBase(limit)
  return (
    <RuleForm
      key={base}
      measure={measure}
      limit={limit}
      unit={unit}
      base={base}
      onType={() => {
        setTypedOver(base)
      }}
      onSend={() => {
        setTypedOver(null)
      }}
    />
  )
}

interface RuleEntryProps extends RuleFormProps {
  readonly base: string
  readonly onType: () => void
  readonly onSend: () => void
}

function RuleForm({ measure, limit, unit, base, onType, onSend }: RuleEntryProps) {
  const units = unitsOf(MEASURE_RULES[measure].judges)
  const usual = units.find((each) => each === unit) ?? units[0]
  return (
    <Form
      method="post"
      aria-label={`Limit of ${MEASURE_NAMES[measure]}`}
      className="border-rule flex flex-wrap items-end gap-x-1.5 gap-y-2 border-b py-1.5"
      onInput={onType}
      onSubmit={onSend}
    >
      <input type="hidden" name="measure" value={measure} />
      <input type="hidden" name="base" value={base} />
      <span className="min-w-[7.6rem] flex-1 font-semibold">
        {capitalize(MEASURE_NAMES[measure])}
        <span className="text-graphite block font-normal">
          {limit ? boundsText(limit) : 'no rule'}
        </span>
      </span>
      {(['least', 'most'] as const).map((end) => (
        <label key={end} className="text-[0.9rem]">
          {capitalize(end)}
          <input
            name={end}
            className="field block w-[5rem]"
            inputMode="decimal"
            autoComplete="off"
            defaultValue={limit?.[end] ?? ''}
          />
        </label>
      ))}
      <select
        name="unit"
        aria-label={`Unit of ${MEASURE_NAMES[measure]}`}
        className="field w-[5rem]"
        defaultValue={limit?.unit ?? usual ?? ''}
      >
        {units.map((each) => (
          <option key={each} value={each}>
            {UNIT_NAMES[each]}
          </option>
        ))}
      </select>
      <button className="button" name="intent" value="rule">
        Keep
      </button>
      {limit && (
        <button className="button-quiet" name="intent" value="drop-rule">
          Drop
        </button>
      )}
    </Form>
  )
}
