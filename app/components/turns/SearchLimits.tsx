import { Search, Square } from 'lucide-react'

import { CheckField, SelectField, TypedField } from '~/components/Fields.tsx'
import type { LimitTexts } from '~/views/turns/closedBox.ts'
import { LIMIT_FIELDS, USUAL_LIMITS } from '~/views/turns/closedBox.ts'
import { formatShare } from '~/words/format.ts'

/** Seconds that a search may take. */
const TIMES = [
  ['10', '10 seconds'],
  ['60', 'one minute'],
  ['600', 'ten minutes'],
] as const

/** What is asked of a search, as it is entered. */
export interface SearchAsked {
  readonly texts: LimitTexts
  readonly seconds: string
  readonly isFromScratch: boolean
}

/** What stands in the fields at first. */
export const USUAL_SEARCH: SearchAsked = {
  texts: USUAL_LIMITS,
  seconds: TIMES[1][0],
  isFromScratch: true,
}

interface SearchLimitsProps {
  readonly wanted: SearchAsked
  /** How much of a running search is done; undefined while none runs. */
  readonly doneShare: number | undefined
  readonly onWanted: (wanted: SearchAsked) => void
  readonly onFind: () => void
  readonly onStop: () => void
}

/** Asks what a search may take and find. */
export function SearchLimits({ wanted, doneShare, onWanted, onFind, onStop }: SearchLimitsProps) {
  const { texts, seconds, isFromScratch } = wanted
  return (
    <form
      aria-label="Limits of the search"
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        onFind()
      }}
    >
      {LIMIT_FIELDS.map(([key, label]) => (
        <TypedField
          key={key}
          label={label}
          className="w-[7rem]"
          inputMode="numeric"
          value={texts[key]}
          onType={(text) => {
            onWanted({ ...wanted, texts: { ...texts, [key]: text } })
          }}
        />
      ))}
      <CheckField
        label="Leave the counts entered out of it"
        isChecked={isFromScratch}
        onChange={(next) => {
          onWanted({ ...wanted, isFromScratch: next })
        }}
      />
      <SelectField
        label="For at most"
        value={seconds}
        options={TIMES}
        onChange={(next) => {
          onWanted({ ...wanted, seconds: next })
        }}
      />
      {doneShare !== undefined ? (
        // A button of its own: one that became the other would begin the search anew.
        <button key="stop" type="button" className="button" onClick={onStop}>
          <Square aria-hidden /> Stop at {formatShare(doneShare)}
        </button>
      ) : (
        <button key="find" className="button button-main">
          <Search aria-hidden /> Find the counts
        </button>
      )}
    </form>
  )
}
