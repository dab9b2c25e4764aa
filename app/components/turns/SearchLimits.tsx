import { Search, Square } from 'lucide-react'

import { SelectField } from '~/components/Fields.tsx'
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
        <label key={key} className="font-semibold">
          {label}
          <input
            className="field mt-1 block w-[7rem]"
            inputMode="numeric"
            autoComplete="off"
            value={texts[key]}
            onChange={(event) => {
              onWanted({ ...wanted, texts: { ...texts, [key]: event.target.value } })
            }}
          />
        </label>
      ))}
      <label className="flex min-h-[44px] items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={isFromScratch}
          onChange={(event) => {
            onWanted({ ...wanted, isFromScratch: event.target.checked })
          }}
        />
        Leave the counts entered out of it
      </label>
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
