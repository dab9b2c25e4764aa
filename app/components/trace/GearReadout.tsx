import type { Analysis } from 'core'

import { formatTeeth, formatTorque } from '~/words/format.ts'
import { Explained } from '~/components/words/Explained.tsx'
import type { Naming } from '~/words/names.ts'
import { capitalize, gearName } from '~/words/names.ts'
import type { Input } from '~/words/sentences.ts'

import { PART_STATE_WORDS, partRows, speedWords } from '~/views/trace/partRows.ts'

interface GearReadoutProps {
  readonly naming: Naming
  readonly gearId: string
  readonly analysis: Analysis
  readonly input: Input
}

/** What the pointed-at gear is and does. */
export function GearReadout({ naming, gearId, analysis, input }: GearReadoutProps) {
  const gear = naming.box.gears.get(gearId)
  const row = partRows(naming, analysis, input).find(({ id }) => id === gearId)
  if (!gear || !row) return null
  const { speedRpm, torqueNm, state } = row
  return (
    <p>
      <b>{capitalize(gearName(naming, gear))}</b>:{' '}
      {gear.toothCount === null ? 'not counted' : formatTeeth(gear.toothCount)},{' '}
      <Explained texts={[naming.words.mounts[gear.mount]]} /> ·{' '}
      {speedRpm ? `${speedWords(row)} · ` : ''}
      {torqueNm === 0 ? '' : `${formatTorque(torqueNm, input.torqueUnit)} · `}
      {PART_STATE_WORDS[state]}
    </p>
  )
}
