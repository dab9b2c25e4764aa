import type { ChangeAddress } from '~/views/addresses.ts'
import type { ChangeSchool } from 'core'
import { CHANGE_SCHOOLS } from 'core'

import { EntryField, SelectField } from '~/components/Fields.tsx'
import { parseWithin } from '~/views/layout/numbers.ts'
import { MOST_RPM } from '~/views/shift/shiftInput.ts'
import { SCHOOL_NAMES } from '~/words/shift.ts'

interface ChangeControlsProps {
  readonly school: ChangeSchool
  readonly inputRpm: number
  /** As the wheels turn it, where nothing drives before the change; null where something does. */
  readonly outputRpm: number | null
  readonly change: ChangeAddress<'shift'>
}

/** How it is changed, and at which speeds. */
export function ChangeControls({ school, inputRpm, outputRpm, change }: ChangeControlsProps) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_8rem] items-start gap-2">
      <SelectField
        label="How"
        value={school}
        options={CHANGE_SCHOOLS.map((each): readonly [ChangeSchool, string] => [
          each,
          SCHOOL_NAMES[each],
        ])}
        onChange={(value) => {
          change({ school: value === 'clutch' ? '' : value, at: '' })
        }}
      />
      <EntryField
        key={`engine ${inputRpm}`}
        label="Engine"
        unit="rev/min"
        inputMode="decimal"
        value={`${inputRpm}`}
        onCommit={(text) => {
          const speed = parseWithin(text, 1, MOST_RPM, 'The speed')
          if (!speed.ok) return speed.sentence
          change({ speed: `${speed.value}` })
          return null
        }}
      />
      {outputRpm !== null && (
        <>
          <p className="self-center text-[0.95rem]">
            {outputRpm === 0
              ? 'The vehicle stands. To go in while it rolls, say how fast the wheels turn the output.'
              : 'The vehicle rolls ahead, out of gear.'}
          </p>
          <EntryField
            key={`output ${outputRpm}`}
            label="Output"
            unit="rev/min"
            inputMode="decimal"
            value={`${outputRpm}`}
            onCommit={(text) => {
              const speed = parseWithin(text, 0, MOST_RPM, 'The speed')
              if (!speed.ok) return speed.sentence
              change({ rolls: speed.value === 0 ? '' : `${speed.value}`, at: '' })
              return null
            }}
          />
        </>
      )}
    </div>
  )
}
