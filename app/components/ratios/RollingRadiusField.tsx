import { BOX, indexBox } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { FieldEntries } from '~/components/FieldEntry.tsx'

/** The rolling radius of the driven wheels, kept with the box; empty for none. */
export function RollingRadiusField() {
  const { draft, edit, words } = useOpenBox()
  const before = draft.rollingRadiusMm ?? null
  return (
    <section className="w-full">
      <h3 className="mb-1 text-lg">Driven wheels</h3>
      <FieldEntries
        naming={{ box: indexBox(draft), words }}
        fields={{ rollingRadiusMm: BOX.rollingRadiusMm }}
        of={{ rollingRadiusMm: draft.rollingRadiusMm }}
        names={['rollingRadiusMm']}
        onChange={({ rollingRadiusMm: after = null }) => {
          edit({
            kind: 'change',
            changes: [{ kind: 'field', field: 'rollingRadiusMm', before, after }],
          })
          return null
        }}
      />
      <p className="text-graphite mt-1 text-[0.86rem]">
        The distance rolled in one turn, divided by 6.283. It gives the road speed under Trace.
      </p>
    </section>
  )
}
