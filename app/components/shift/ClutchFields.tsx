import { Plus, X } from 'lucide-react'

import type { Clutch, ClutchStage, ClutchStageKind } from 'core'
import { CLUTCH, CLUTCH_STAGE, LARGEST, isClutch } from 'core'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { clutchFigures, stageName } from '~/words/clutch.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, couplerLabel } from '~/words/names.ts'

/** What the two lengths of a stage are. */
const STAGE_LABELS = {
  lever: { inMm: { label: 'Arm that is pushed' }, outMm: { label: 'Arm that pushes' } },
  cable: {},
  hydraulic: {
    inMm: { label: 'Diameter of the piston pushed' },
    outMm: { label: 'Diameter of the piston that pushes' },
  },
  spindle: { inMm: { label: 'Diameter of its wheel' }, outMm: { label: 'Lead of its thread' } },
} as const satisfies Readonly<Record<ClutchStageKind, object>>

interface ClutchFieldsProps {
  readonly naming: Naming
  readonly clutch: Clutch
  readonly onChange: (clutch: Clutch) => void
}

/** A clutch in figures, and each stage of its way. */
export function ClutchFields({ naming, clutch, onChange }: ClutchFieldsProps) {
  const { stages } = clutch
  const setStages = (next: readonly ClutchStage[]): void => {
    onChange({ ...clutch, stages: next })
  }
  return (
    <>
      <div className="grid grid-cols-2 items-end gap-2">
        <FieldEntries
          naming={naming}
          fields={CLUTCH}
          of={clutch}
          names={[
            'kind',
            'coupler',
            ...clutchFigures(clutch),
            ...(clutch.kind === 'wet-pack' ? [] : (['brakeFromMm'] as const)),
          ]}
          shown={{
            coupler: {
              unsaid: 'before the input',
              options: naming.box.draft.couplers
                .filter(isClutch)
                .map((own): readonly [string, string] => [own.id, couplerLabel(naming, own)]),
            },
          }}
          onChange={(change) => {
            onChange({ ...clutch, ...change })
            return null
          }}
        />
      </div>
      <h3 className="text-[1.05rem] font-semibold">Stages, from the foot or the actuator on</h3>
      {stages.map((stage, at) => (
        <div
          key={stage.id}
          role="group"
          aria-label={`${capitalize(stageName(stage))}, stage ${at + 1}`}
          className="border-rule grid grid-cols-2 items-end gap-2 border-t pt-2"
        >
          <FieldEntries
            naming={naming}
            fields={CLUTCH_STAGE}
            of={stage}
            names={stage.kind === 'cable' ? ['kind', 'name'] : ['kind', 'name', 'inMm', 'outMm']}
            shown={STAGE_LABELS[stage.kind]}
            onChange={(change) => {
              setStages(stages.map((each) => (each === stage ? { ...each, ...change } : each)))
              return null
            }}
          />
          <button
            type="button"
            className="button-quiet col-span-2 justify-self-end"
            onClick={() => {
              setStages(stages.filter((each) => each !== stage))
            }}
          >
            <X aria-hidden /> Take out this stage
          </button>
        </div>
      ))}
      {stages.length < LARGEST.clutchStages && (
        <button
          type="button"
          className="button self-start"
          onClick={() => {
            const taken = new Set(stages.map(({ id }) => id))
            let number = stages.length + 1
            while (taken.has(`stage-${number}`)) number++
            setStages([...stages, { id: `stage-${number}`, kind: 'lever' }])
          }}
        >
          <Plus aria-hidden /> Add a stage
        </button>
      )}
    </>
  )
}
