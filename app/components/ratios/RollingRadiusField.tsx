import { LEAST_ROLLING_RADIUS_MM, MOST_ROLLING_RADIUS_MM } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { EntryField } from '~/components/Fields.tsx'
import { lengthText, parseLength } from '~/views/layout/numbers.ts'
import { formatLength } from '~/words/format.ts'

/** The rolling radius of the driven wheels, kept with the box; empty for none. */
export function RollingRadiusField() {
  const { draft, edit, settings } = useOpenBox()
  const { lengthUnit } = settings
  const before = draft.rollingRadiusMm ?? null
  const keep = (after: number | null): null => {
    edit({ kind: 'change', changes: [{ kind: 'field', field: 'rollingRadiusMm', before, after }] })
    return null
  }
  return (
    <section className="w-full">
      <h3 className="mb-1 text-lg">Driven wheels</h3>
      <EntryField
        key={`${before ?? ''} ${lengthUnit}`}
        label="Rolling radius"
        unit={lengthUnit}
        inputMode="decimal"
        value={before === null ? '' : lengthText(before, lengthUnit)}
        onCommit={(text) => {
          if (text.trim() === '') return keep(null)
          const length = parseLength(text, lengthUnit)
          if (!length.ok) return length.sentence
          return length.value < LEAST_ROLLING_RADIUS_MM || length.value > MOST_ROLLING_RADIUS_MM
            ? `A wheel rolls on ${formatLength(LEAST_ROLLING_RADIUS_MM, lengthUnit)} to ${formatLength(MOST_ROLLING_RADIUS_MM, lengthUnit)}. Check the unit.`
            : keep(length.value)
        }}
      />
      <p className="text-graphite mt-1 text-[0.86rem]">
        The distance rolled in one turn, divided by 6.283. It gives the road speed under Trace.
      </p>
    </section>
  )
}
