import type { Analysis } from 'core'
import { bodyOfGear, toNumber } from 'core'

import { formatSpeed, formatTeeth, formatTorque } from '~/format.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, gearName } from '~/words/names.ts'
import type { Input } from '~/words/sentences.ts'
import { senseWords } from '~/words/sentences.ts'

interface GearReadoutProps {
  readonly naming: Naming
  readonly gearId: string
  readonly analysis: Analysis
  readonly input: Input
}

/** What the pointed-at gear is and does. */
export function GearReadout({ naming, gearId, analysis, input }: GearReadoutProps) {
  const gear = naming.box.gears.get(gearId)
  if (!gear) return null
  const motion = analysis.motions.get(bodyOfGear(gear))
  const ends =
    analysis.state === 'drive'
      ? analysis.path
          .flatMap((step) => [...step.from, ...step.to])
          .filter((end) => end.gear?.id === gearId)
      : []
  const torque = ends[0] && Math.abs(toNumber(ends[0].torque)) * input.torqueNm
  const turning =
    motion?.kind === 'turns'
      ? `${formatSpeed(Math.abs(toNumber(motion.speed)) * input.speedRpm)} ${senseWords(motion.speed)}`
      : motion?.kind === 'still'
        ? 'stands still'
        : motion?.kind === 'coasts'
          ? 'free to coast'
          : 'speed not known yet'
  return (
    <p>
      <b>{capitalize(gearName(naming, gear))}</b>:{' '}
      {gear.toothCount === null ? 'not counted' : formatTeeth(gear.toothCount)},{' '}
      {naming.words.mounts[gear.mount]} · {turning} ·{' '}
      {torque === undefined ? 'carries nothing' : formatTorque(torque, input.torqueUnit)}
    </p>
  )
}
