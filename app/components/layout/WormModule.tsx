import type { Gear, Link } from 'core'
import { GEAR } from 'core'

import { EntryField } from '~/components/Fields.tsx'
import { parseFigure } from '~/views/layout/numbers.ts'

interface WormModuleProps {
  readonly worm: Extract<Link, { readonly kind: 'worm' }>
  readonly wheel: Gear
  readonly onChange: (wheel: Gear) => null
}

/** Four decimals are more than any table of modules has. */
function shown(moduleMm: number | undefined): string {
  return moduleMm === undefined ? '' : `${Number(moduleMm.toFixed(4))}`
}

/**
 * The module of a wheel, by whichever of the two the papers state: along the worm's axis, or
 * across its thread, which is what is kept, as of every gear.
 */
export function WormModule({ worm: { leadAngleDeg }, wheel, onChange }: WormModuleProps) {
  const { moduleMm } = wheel
  // What is kept, for one of each.
  const ways = [
    ['Normal module, across the thread', 1],
    ...(leadAngleDeg === undefined
      ? []
      : ([['Axial module, along the worm', Math.cos((leadAngleDeg * Math.PI) / 180)]] as const)),
  ] as const
  return (
    <>
      {ways.map(([label, factor]) => (
        <EntryField
          key={`${label} ${moduleMm ?? ''}`}
          label={label}
          unit="mm"
          inputMode="decimal"
          value={shown(moduleMm === undefined ? undefined : moduleMm / factor)}
          onCommit={(text) => {
            const entry = parseFigure(GEAR.moduleMm, text, 'mm')
            if (!entry.ok) return entry.sentence
            const kept = entry.value && Number((entry.value * factor).toFixed(6))
            return onChange({ ...wheel, moduleMm: kept })
          }}
        />
      ))}
      {leadAngleDeg === undefined && (
        <p className="text-graphite text-[0.9rem]">
          With the lead angle entered, the axial module can be entered instead.
        </p>
      )}
    </>
  )
}
