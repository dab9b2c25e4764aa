import type { GearChange, Solver } from 'core'
import { BOX, changeCautions } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { FieldEntries } from '~/components/FieldEntry.tsx'
import { Warning } from '~/components/Warning.tsx'
import type { Naming } from '~/words/names.ts'
import { changeCautionWords } from '~/words/shift.ts'

interface ChangeCautionsProps {
  readonly naming: Naming
  readonly solver: Solver
  readonly gear: GearChange
  readonly inputRpm: number
}

/** What to know before the change is tried. */
export function ChangeCautions({ naming, solver, gear, inputRpm }: ChangeCautionsProps) {
  return changeCautions(solver, gear, inputRpm).map((caution) => {
    const said = changeCautionWords(naming, caution, gear.to, inputRpm)
    return caution.kind === 'may-balk' ? (
      <p key={said} className="text-[0.95rem]">
        {said}
      </p>
    ) : (
      <Warning key={said}>{said}</Warning>
    )
  })
}

/** How fast the engine may be turned: asked once, kept with the unit. */
export function MostOfEngine({ naming }: { readonly naming: Naming }) {
  const { draft, edit } = useOpenBox()
  const before = draft.mostInputRpm ?? null
  return (
    <div className="no-print">
      <FieldEntries
        naming={naming}
        fields={{ mostInputRpm: BOX.mostInputRpm }}
        of={{ mostInputRpm: draft.mostInputRpm }}
        names={['mostInputRpm']}
        onChange={({ mostInputRpm: after = null }) => {
          edit({
            kind: 'change',
            changes: [{ kind: 'field', field: 'mostInputRpm', before, after }],
          })
          return null
        }}
      />
    </div>
  )
}
