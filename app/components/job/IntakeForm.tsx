import { useState } from 'react'

import type { EntryBody, Intake, ReadingUnit } from 'core'

import { leaveOnEnter } from '~/components/Fields.tsx'
import { PEOPLE_LIST } from '~/components/job/jobContext.ts'
import { entryBodySchema } from '~/files/jobEntry.ts'
import { Warning } from '~/components/Warning.tsx'

const FIELDS = [
  { key: 'reference', label: 'Owner’s reference', rows: 1 },
  { key: 'serial', label: 'Serial or casting number', rows: 1 },
  { key: 'complaint', label: 'Complaint, in the owner’s words', rows: 2 },
  { key: 'oil', label: 'Oil found', rows: 1 },
  { key: 'cameWith', label: 'What came with it', rows: 1 },
] as const

interface DistanceFieldProps {
  readonly distance: Intake['distance']
  readonly isWrong: boolean
  readonly onKeep: (distance: Intake['distance']) => void
}

function DistanceField({ distance, isWrong, onKeep }: DistanceFieldProps) {
  const keep = (text: string, unit: ReadingUnit): void => {
    onKeep(text.trim() === '' ? null : { text: text.trim(), unit })
  }
  return (
    <label className="text-[0.9rem] font-semibold">
      Distance run
      <span className="flex gap-1 text-base">
        <input
          key={distance?.text}
          className="field w-full font-normal"
          inputMode="decimal"
          autoComplete="off"
          defaultValue={distance?.text ?? ''}
          aria-invalid={isWrong}
          onKeyDown={leaveOnEnter}
          onBlur={(event) => {
            keep(event.target.value, distance?.unit ?? 'km')
          }}
        />
        <select
          className="field"
          aria-label="Unit of the distance"
          value={distance?.unit ?? 'km'}
          onChange={(event) => {
            keep(distance?.text ?? '0', event.target.value === 'mi' ? 'mi' : 'km')
          }}
        >
          <option value="km">km</option>
          <option value="mi">mi</option>
        </select>
      </span>
    </label>
  )
}

interface IntakeFormProps {
  readonly intake: Intake
  readonly isDisabled: boolean
  readonly onKeep: (body: EntryBody) => void
}

/** What came in. Kept field by field, on leaving each. */
export function IntakeForm({ intake, isDisabled, onKeep }: IntakeFormProps) {
  const [problem, setProblem] = useState<string>()
  const keep = (next: Intake): void => {
    if (JSON.stringify(next) === JSON.stringify(intake)) return
    const parsed = entryBodySchema.safeParse({ kind: 'intake', intake: next })
    setProblem(parsed.error?.issues[0]?.message)
    if (parsed.success) onKeep(parsed.data)
  }
  return (
    <section id="intake" aria-label="Intake">
      <h2 className="text-[1.2rem]">What came in</h2>
      <fieldset disabled={isDisabled} className="grid gap-2 sm:grid-cols-2">
        {FIELDS.map(({ key, label, rows }) => (
          <label
            key={key}
            className={`text-[0.9rem] font-semibold ${rows > 1 ? 'sm:col-span-2' : ''}`}
          >
            {label}
            <textarea
              key={intake[key]}
              className="field block w-full text-base font-normal"
              rows={rows}
              defaultValue={intake[key] ?? ''}
              onBlur={(event) => {
                const text = event.target.value.trim()
                if (text !== (intake[key] ?? '')) keep({ ...intake, [key]: text })
              }}
            />
          </label>
        ))}
        <DistanceField
          distance={intake.distance}
          isWrong={problem !== undefined}
          onKeep={(distance) => {
            keep({ ...intake, distance })
          }}
        />
        <label className="text-[0.9rem] font-semibold">
          Whose job it is, by initials
          <input
            key={intake.assignee}
            className="field text-base font-normal uppercase"
            maxLength={4}
            autoComplete="off"
            list={PEOPLE_LIST}
            defaultValue={intake.assignee ?? ''}
            onKeyDown={leaveOnEnter}
            onBlur={(event) => {
              const assignee = event.target.value.trim().toUpperCase()
              if (assignee !== (intake.assignee ?? '')) keep({ ...intake, assignee })
            }}
          />
        </label>
      </fieldset>
      {problem && (
        <Warning role="alert" className="mt-1">
          {problem}
        </Warning>
      )}
    </section>
  )
}
