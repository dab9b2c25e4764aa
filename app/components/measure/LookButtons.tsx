import type { Look, Verdict } from 'core'
import { VERDICTS } from 'core'

import { LOOK_GRADES, LOOK_NAMES } from '~/words/measures.ts'
import { capitalize } from '~/words/names.ts'

/** What a person sees who looks at a part, in three grades. */
export function LookButtons({
  look,
  isDisabled,
  onGrade,
}: {
  readonly look: Look
  readonly isDisabled: boolean
  readonly onGrade: (grade: Verdict) => void
}) {
  return (
    <fieldset disabled={isDisabled}>
      <legend className="font-semibold">{capitalize(LOOK_NAMES[look])}</legend>
      <div className="flex flex-wrap gap-1">
        {VERDICTS.map((grade) => (
          <button
            key={grade}
            type="button"
            className="button"
            onClick={() => {
              onGrade(grade)
            }}
          >
            {LOOK_GRADES[look][grade]}
          </button>
        ))}
      </div>
    </fieldset>
  )
}
