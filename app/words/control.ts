/** A control unit without one of its sensors, in words. */
import type { DeadSensor, LostBecause, Sensed } from 'core'

import type { Naming } from './names.ts'
import { bodyName, couplerName } from './names.ts'
import { listed } from './sentences.ts'
import { rodName } from './shift.ts'

/** What a sensor tells: "place of the 1–3 rod". */
export function sensorName(naming: Naming, seen: Sensed): string {
  switch (seen.kind) {
    case 'rod': {
      const { channel } = seen.selector
      return `place of the ${rodName(naming, seen.selector)}${channel === undefined ? '' : `, channel ${channel}`}`
    }
    case 'drum':
      return 'angle of the drum'
    case 'speed':
      return `speed of the ${bodyName(naming, seen.body)}`
    case 'clutch':
      return `pressure or travel of the ${couplerName(naming, seen.clutch)}`
  }
}

const BECAUSE: Readonly<Record<LostBecause, (labels: string) => string>> = {
  'not-there': (labels) => `${labels}: whether it is in is not known.`,
  'may-lock': (labels) => `${labels}: two gears could be in at once.`,
  'no-speed': (labels) => `${labels}: both sides cannot be brought to one speed.`,
  'not-counted': (labels) => `${labels}: count its teeth before anything can be said.`,
  'no-pressure': (labels) => `${labels}: how hard the clutch is closed is not known.`,
}

/** Which positions cannot be chosen any more, by the reason; none is a sentence too. */
export function lostWords({ lost }: DeadSensor): readonly string[] {
  if (lost.length === 0) return ['Nothing: what it tells follows from the others.']
  const reasons = [...new Set(lost.map(({ because }) => because))]
  return reasons.map((reason) =>
    BECAUSE[reason](
      listed(lost.flatMap(({ position, because }) => (because === reason ? [position.label] : []))),
    ),
  )
}
