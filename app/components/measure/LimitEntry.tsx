import { useState } from 'react'
import { Link, useFetcher } from 'react-router'

import type { EntryBody, Measure, ReadingUnit } from 'core'
import { MEASURE_RULES } from 'core'

import { entryBodySchema } from '~/files/jobEntry.ts'
import { ruleBase } from '~/files/shelf.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { MEASURE_NAMES, SOURCE_NAMES, UNIT_WORDS, shownUnit } from '~/words/measures.ts'
import { CheckField, SelectField, TypedField } from '~/components/Fields.tsx'
import { Warning } from '~/components/Warning.tsx'

interface LimitEntryProps {
  readonly boxId: string
  readonly part: string
  readonly measure: Measure
  readonly unit: ReadingUnit
  readonly isDisabled: boolean
  readonly onKeep: (body: EntryBody) => void
}

/** Sources of which a limit can be entered. */
const ENTERED_SOURCES = (['maker', 'shop'] as const).map(
  (source) => [source, SOURCE_NAMES[source]] as const,
)

/** The limit as it is typed, and what keeps it: in the job, or as a rule of the shop. */
function useTypedLimit({ part, measure, unit, onKeep }: LimitEntryProps) {
  const { rules } = useOpenJob()
  const [least, setLeast] = useState('')
  const [most, setMost] = useState('')
  const [source, setSource] = useState<'maker' | 'shop'>('maker')
  const [isForAll, setIsForAll] = useState(true)
  const [problem, setProblem] = useState<string>()
  const rule = useFetcher<{ readonly isKept: boolean; readonly sentence: string }>()
  const isOfShop = source === 'shop'
  const shown = shownUnit(MEASURE_RULES[measure].judges, unit)
  const ends = [
    ['Least', least, setLeast],
    ['Most', most, setMost],
  ] as const
  const keep = (): void => {
    const parsed = entryBodySchema.safeParse({
      kind: 'limit',
      part: isForAll ? null : part,
      measure,
      limit: {
        source,
        unit: shown,
        ...(least.trim() !== '' && { least }),
        ...(most.trim() !== '' && { most }),
      },
    })
    setProblem(parsed.error?.issues[0]?.message)
    if (!parsed.success) return
    if (isOfShop) {
      const standing = rules.find((each) => each.measure === measure)?.limit
      const limit = { least, most, unit: shown, measure, base: ruleBase(standing) }
      void rule.submit({ intent: 'rule', ...limit }, { method: 'post', action: '/shelf' })
      return
    }
    onKeep(parsed.data)
    setLeast('')
    setMost('')
  }
  const change = {
    source: setSource,
    isForAll: setIsForAll,
    touched: () => {
      setProblem(undefined)
    },
  }
  return { shown, ends, source, isForAll, isOfShop, problem, told: rule.data, change, keep }
}

/** The maker's figure, or the shop's own rule, for this part or for all like it in the unit. */
export function LimitEntry(props: LimitEntryProps) {
  const { boxId, measure, isDisabled } = props
  const typed = useTypedLimit(props)
  const { shown, ends, source, isForAll, isOfShop, problem, told, change, keep } = typed
  return (
    <details className="border-rule border-t-2 pt-2">
      <summary className="text-accent font-semibold">Enter a limit</summary>
      <p className="text-graphite pb-1 text-[0.92rem]">
        For this job, or for good on the{' '}
        <Link to={`/boxes/${boxId}/sheet`} className="text-accent underline">
          data sheet
        </Link>{' '}
        of the unit.
      </p>
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          keep()
        }}
      >
        <div className="flex flex-wrap gap-3">
          {ends.map(([label, value, set]) => (
            <TypedField
              key={label}
              label={`${label}, ${UNIT_WORDS[shown]}`}
              className="w-[6.5rem]"
              inputMode="decimal"
              value={value}
              onType={(text) => {
                set(text)
                change.touched()
              }}
            />
          ))}
          <SelectField
            label="From"
            value={source}
            options={ENTERED_SOURCES}
            onChange={change.source}
          />
        </div>
        {isOfShop && (
          <p>
            A rule of the shop is kept for every unit, and stands on the Shelf. The maker’s figure
            for a unit comes before it.
          </p>
        )}
        {isOfShop && told && <p role={told.isKept ? 'status' : 'alert'}>{told.sentence}</p>}
        {!isOfShop && (
          <CheckField
            label={`For every ${MEASURE_NAMES[measure]} of this unit`}
            isChecked={isForAll}
            onChange={change.isForAll}
          />
        )}
        {problem && <Warning role="alert">{problem}</Warning>}
        <button className="button" disabled={isDisabled && !isOfShop}>
          Keep the limit
        </button>
      </form>
    </details>
  )
}
