import { TriangleAlert } from 'lucide-react'

import { TORQUE_UNIT_NAMES } from '~/format.ts'

import type { TraceInput } from './traceInput.ts'

interface InputFieldsProps {
  readonly input: TraceInput
  readonly onChange: (changes: Readonly<Record<string, string>>) => void
}

/** Torque and speed at the input; every figure of the page follows them. */
export function InputFields({ input, onChange }: InputFieldsProps) {
  const fields = [
    [
      'torque',
      'Torque in',
      TORQUE_UNIT_NAMES[input.torqueUnit],
      input.torqueText,
      input.torqueProblem,
    ],
    ['speed', 'Speed in', 'rev/min', input.speedText, input.speedProblem],
  ] as const
  return (
    <div className="grid grid-cols-2 gap-3">
      {fields.map(([key, title, unit, text, problem]) => (
        <div key={key}>
          <label className="block font-semibold" htmlFor={`input-${key}`}>
            {title} <span className="text-graphite font-normal">({unit})</span>
          </label>
          <input
            id={`input-${key}`}
            className="field text-right text-[1.2rem]"
            inputMode="decimal"
            value={text}
            aria-invalid={problem !== undefined}
            aria-describedby={problem ? `problem-${key}` : undefined}
            onChange={(event) => {
              onChange({ [key]: event.target.value })
            }}
          />
          {problem && (
            <p id={`problem-${key}`} className="trouble text-[0.86rem]">
              <TriangleAlert aria-hidden /> {problem}
            </p>
          )}
        </div>
      ))}
    </div>
  )
}
