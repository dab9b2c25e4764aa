import { useState } from 'react'

import type { EntryBody, Intake, ReadingUnit } from 'core'

import { entryBodySchema } from '~/files/jobEntry.ts'
import { Warning } from '~/components/Warning.tsx'

const FIELDS = [
  { key: 'reference', label: 'Owner’s reference', rows: 1 },
  { key: 'serial', label: 'Serial or casting number', rows: 1 },
  { key: 'complaint', label: 'Complaint, in the owner’s words', rows: 2 },
  { key: 'oil', label: 'Oil found', rows: 1 },
  { key: 'cameWith', label: 'What came with it', rows: 1 },
] as const

/** What came in. Kept field by field, on leaving each. */
export function IntakeForm({
  intake,
  isDisabled,
  onKeep,
}: {
  readonly intake: Intake
  readonly isDisabled: boolean
  readonly onKeep: (body: EntryBody) => void
}) {
  const [problem, setProblem] = useState<string>()
  const keep = (next: Intake): void => {
    if (JSON.stringify(next) === JSON.stringify(intake)) return
    const parsed = entryBodySchema.safeParse({ kind: 'intake', intake: next })
    setProblem(parsed.error?.issues[0]?.message)
    if (parsed.success) onKeep(parsed.data)
  }
  const keepDistance = (text: string, unit: ReadingUnit): void => {
    keep({ ...intake, distance: text.trim() === '' ? null : { text: text.trim(), unit } })
  }
  return (
    <section aria-label="Intake">
      <h2 className="text-[1.2rem]">What came in</h2>
      <fieldset disabled={isDisabled} className="grid gap-2 sm:grid-cols-2">
        {FIELDS.map(({ key, label, rows }) => (
          <label key={key} className={`font-semibold ${rows > 1 ? 'sm:col-span-2' : ''}`}>
            {label}
            <textarea
              key={intake[key]}
              className="field mt-1 block w-full font-normal"
              rows={rows}
              defaultValue={intake[key] ?? ''}
              onBlur={(event) => {
                const text = event.target.value.trim()
                if (text !== (intake[key] ?? '')) keep({ ...intake, [key]: text })
              }}
            />
          </label>
        ))}
        <label className="font-semibold">
          Distance run
          <span className="mt-1 flex gap-1">
            <input
              key={intake.distance?.text}
              className="field w-full font-normal"
              inputMode="decimal"
              autoComplete="off"
              defaultValue={intake.distance?.text ?? ''}
              aria-invalid={problem !== undefined}
              onBlur={(event) => {
                keepDistance(event.target.value, intake.distance?.unit ?? 'km')
              }}
            />
            <select
              className="field"
              aria-label="Unit of the distance"
              value={intake.distance?.unit ?? 'km'}
              onChange={(event) => {
                keepDistance(
                  intake.distance?.text ?? '0',
                  event.target.value === 'mi' ? 'mi' : 'km',
                )
              }}
            >
              <option value="km">km</option>
              <option value="mi">mi</option>
            </select>
          </span>
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
