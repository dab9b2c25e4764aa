import { Plus, X } from 'lucide-react'

import type { Member, ShaftStep } from 'core'
import { STEP, indexBox, plainDiameterMm } from 'core'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { withPart } from '~/views/layout/withPart.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import type { Drafting } from './useDrafting.ts'

interface StepFieldsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly member: Member
}

/** A new step stands where the shaft begins, and is so long. */
const NEW_STEP_MM = 10

/** A seat at the beginning of a shaft, as thick as the rest of it. */
function newStepOf(member: Member): ShaftStep {
  return {
    fromMm: member.fromMm,
    toMm: Math.min(member.fromMm + NEW_STEP_MM, member.toMm),
    diameterMm: plainDiameterMm(member),
  }
}

/** Seats and shoulders of a shaft: what is thicker or thinner than the rest, from where to where. */
export function StepFields({ drafting: { draft, become }, words, member }: StepFieldsProps) {
  const steps = member.steps ?? []
  const put = (next: readonly ShaftStep[]): null => {
    become(withPart(draft, 'members', { ...member, steps: next.length > 0 ? next : undefined }))
    return null
  }
  const commit = (at: number, change: Partial<ShaftStep>): string | null => {
    const next = steps.map((step, which) => (which === at ? { ...step, ...change } : step))
    const changed = next[at]
    return changed && changed.fromMm >= changed.toMm
      ? 'A seat ends further along than it begins.'
      : put(next)
  }
  const label = (at: number, key: keyof ShaftStep) => ({
    label: (
      <>
        <span className="sr-only">{`Step ${at + 1} `}</span>
        {STEP[key].word}
      </>
    ),
  })
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="text-[0.95rem] font-semibold">Seats and shoulders</legend>
      {steps.map((step, at) => (
        <div key={at} className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
          <FieldEntries
            naming={{ box: indexBox(draft), words }}
            fields={STEP}
            of={step}
            names={['fromMm', 'toMm', 'diameterMm']}
            shown={{
              fromMm: label(at, 'fromMm'),
              toMm: label(at, 'toMm'),
              diameterMm: label(at, 'diameterMm'),
            }}
            onChange={(change) => commit(at, change)}
          />
          <button
            type="button"
            className="button-quiet"
            aria-label={`Take out step ${at + 1}`}
            onClick={() => put(steps.filter((_, which) => which !== at))}
          >
            <X aria-hidden />
          </button>
        </div>
      ))}
      <button
        type="button"
        className="button self-start"
        onClick={() => put([...steps, newStepOf(member)])}
      >
        <Plus aria-hidden /> Add a seat or shoulder
      </button>
    </fieldset>
  )
}
