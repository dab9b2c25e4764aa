import type { AddressChanges } from '~/views/addresses.ts'
import { TORQUE_UNIT_NAMES, formatSpeed, formatTorque, torqueUnitNm } from '~/words/format.ts'

import type { TraceInput } from '~/views/trace/traceInput.ts'
import {
  SLIDER_STEPS,
  SPEED_SLIDER,
  sliderOfTorque,
  torqueOfSlider,
  typedTorque,
} from '~/views/trace/traceInput.ts'
import { Warning } from '~/components/Warning.tsx'

interface InputFieldsProps {
  readonly input: TraceInput
  readonly isOverrun: boolean
  readonly onChange: (changes: AddressChanges<'trace'>) => void
}

/** Torque and speed at the input; every figure of the page follows them. */
export function InputFields({ input, isOverrun, onChange }: InputFieldsProps) {
  const at = isOverrun ? 'at input' : 'in'
  return (
    <div className="grid grid-cols-2 gap-x-4">
      <InputField
        name="torque"
        title={`Torque ${at}`}
        unit={TORQUE_UNIT_NAMES[input.torqueUnit]}
        text={input.torqueText}
        problem={input.torqueProblem}
        slider={{
          min: 0,
          max: SLIDER_STEPS,
          step: 1,
          value: sliderOfTorque(typedTorque(input)),
          text: formatTorque(typedTorque(input) * torqueUnitNm(input.torqueUnit), input.torqueUnit),
          valueOf: torqueOfSlider,
        }}
        onChange={onChange}
      />
      <InputField
        name="speed"
        title={`Speed ${at}`}
        unit="rev/min"
        text={input.speedText}
        problem={input.speedProblem}
        slider={{
          min: SPEED_SLIDER.least,
          max: SPEED_SLIDER.most,
          step: SPEED_SLIDER.step,
          value: input.speedRpm,
          text: formatSpeed(input.speedRpm),
          valueOf: (step) => step,
        }}
        onChange={onChange}
      />
    </div>
  )
}

interface InputFieldProps {
  readonly name: 'torque' | 'speed'
  readonly title: string
  readonly unit: string
  readonly text: string
  readonly problem: string | undefined
  readonly slider: {
    readonly min: number
    readonly max: number
    readonly step: number
    readonly value: number
    /** What the slider stands at, in words. */
    readonly text: string
    readonly valueOf: (step: number) => number
  }
  readonly onChange: (changes: AddressChanges<'trace'>) => void
}

function InputField({ name, title, unit, text, problem, slider, onChange }: InputFieldProps) {
  return (
    <div>
      <label className="block font-semibold" htmlFor={`input-${name}`}>
        {title} <span className="text-graphite font-normal">({unit})</span>
      </label>
      <input
        id={`input-${name}`}
        className="field text-right text-[1.2rem]"
        inputMode="decimal"
        value={text}
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? `problem-${name}` : undefined}
        onChange={(event) => {
          onChange({ [name]: event.target.value })
        }}
      />
      <input
        type="range"
        className="accent-accent no-print h-11 w-full cursor-pointer"
        aria-label={`${title}, slider`}
        aria-valuetext={slider.text}
        min={slider.min}
        max={slider.max}
        step={slider.step}
        value={slider.value}
        onChange={(event) => {
          onChange({ [name]: `${slider.valueOf(Number(event.target.value))}` })
        }}
      />
      {problem && (
        <Warning id={`problem-${name}`} className="text-[0.86rem]">
          {problem}
        </Warning>
      )}
    </div>
  )
}
