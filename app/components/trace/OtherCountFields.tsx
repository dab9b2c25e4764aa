import { Plus } from 'lucide-react'
import { useState } from 'react'

import { countedGears } from 'core'

import { parseCount } from '~/views/count/parseCount.ts'
import { SelectField } from '~/components/Fields.tsx'
import type { Naming } from '~/words/names.ts'
import { capitalize, countedName } from '~/words/names.ts'

interface OtherCountFieldsProps {
  readonly naming: Naming
  readonly onCount: (gear: string, toothCount: number) => void
}

/** Another count for one gear, to be looked at and not kept. */
export function OtherCountFields({ naming, onCount }: OtherCountFieldsProps) {
  const gears = countedGears(naming.box.draft)
  const [gear, setGear] = useState(gears[0]?.id ?? '')
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string>()
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        const entry = parseCount(text)
        if (entry.ok && entry.toothCount !== null) {
          onCount(gear, entry.toothCount)
          setText('')
          setProblem(undefined)
        } else setProblem(entry.ok ? 'Type the teeth to try.' : entry.sentence)
      }}
    >
      <SelectField
        label="Gear"
        value={gear}
        options={gears.map((each) => [
          each.id,
          `${capitalize(countedName(naming, each))}: ${each.toothCount ?? '?'}`,
        ])}
        onChange={setGear}
      />
      <label className="block text-[0.9rem] font-semibold">
        with
        <input
          className="field block !w-24 text-right"
          inputMode="numeric"
          value={text}
          aria-invalid={problem !== undefined}
          aria-describedby={problem ? 'other-count-problem' : undefined}
          onChange={(event) => {
            setText(event.target.value)
          }}
        />
      </label>
      <button type="submit" className="button">
        <Plus aria-hidden /> Try
      </button>
      {problem && (
        <p
          id="other-count-problem"
          role="alert"
          className="text-trouble text-[0.86rem] font-semibold"
        >
          {problem}
        </p>
      )}
    </form>
  )
}
