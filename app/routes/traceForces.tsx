import { INPUT_SENSES, solveForces, solveLosses } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { SelectField } from '~/components/Fields.tsx'
import { ForceTables } from '~/components/trace/ForceTables.tsx'
import { readLossInput } from '~/views/trace/lossInput.ts'
import { LossTable } from '~/components/trace/LossTable.tsx'
import { PositionFrame } from '~/components/trace/PositionFrame.tsx'
import { useOpenTrace } from '~/components/trace/traceContext.ts'
import { usePositionChoice } from '~/components/trace/usePositionChoice.ts'
import { viewpoint } from '~/words/vocabulary.ts'

export default function TraceForces() {
  const { id, draft, settings, words, edit } = useOpenBox()
  const { naming, selected, input, search, change, solver } = useOpenTrace()
  const select = usePositionChoice(() => undefined)
  const { analysis, position } = selected
  const lossInput = readLossInput(search)
  return (
    <PositionFrame title="Forces and losses" onSelect={select}>
      <div
        className="flex min-h-0 flex-1 flex-col gap-5 overflow-auto"
        tabIndex={0}
        role="region"
        aria-label="Tables of forces and losses"
      >
        {analysis.state === 'drive' ? (
          <>
            <div className="no-print w-80 max-w-full">
              <SelectField
                label={`The input turns, ${viewpoint(words)}`}
                value={draft.inputSense ?? 'clockwise'}
                options={INPUT_SENSES.map((sense) => [sense, sense])}
                onChange={(after) => {
                  const before = draft.inputSense ?? null
                  edit({
                    kind: 'change',
                    changes: [{ kind: 'field', field: 'inputSense', before, after }],
                  })
                }}
              />
            </div>
            <ForceTables
              naming={naming}
              forces={solveForces(solver.box, analysis, input.torqueNm)}
              lengthUnit={settings.lengthUnit}
              gearHref={(gear) => `/boxes/${id}/layout?part=gears:${gear}`}
            />
            <LossTable
              naming={naming}
              drive={analysis}
              losses={solveLosses(solver.box, analysis, lossInput.efficiencies)}
              input={input}
              lossInput={lossInput}
              onChange={change}
            />
          </>
        ) : (
          <p className="mt-4 text-[1.2rem]">
            Position {position.label} carries no torque, so there are no forces and no losses to
            work out. Choose one that drives.
          </p>
        )}
      </div>
    </PositionFrame>
  )
}
