/** Why a combination locks, in a sentence. */
import type { LockCause } from 'core'
import { formatFraction } from 'core'

import { formatNumber } from './format.ts'
import type { Naming } from './names.ts'
import { bodyName, capitalize, couplerName } from './names.ts'

const SPEED_DECIMALS = 3

function speedWords(speed: LockCause['demands'][number]['speed']): string {
  if (speed.isZero()) return 'to stand still'
  const turns = formatNumber(Math.abs(speed.toNumber()), SPEED_DECIMALS)
  const sense = speed.sign() < 0 ? ' against the input' : ''
  return `to turn ${turns} times (${formatFraction(speed.abs())}) for one turn of the input${sense}`
}

/** What comes of it. */
const COMES: Readonly<Record<LockCause['state'], string>> = {
  locked: 'nothing turns',
  'input-locked': 'the input cannot turn',
  'output-locked': 'the output cannot turn',
}

export function lockSentence(
  naming: Naming,
  { couplers, body, demands, state }: LockCause,
): string {
  const nameOf = (id: string): string => {
    const coupler = naming.box.couplers.get(id)
    return coupler ? couplerName(naming, coupler) : id
  }
  const [one, other] = demands
  if (body !== null && one && other)
    return `The ${nameOf(one.coupler)} asks the ${bodyName(naming, body)} ${speedWords(one.speed)}, the ${nameOf(other.coupler)} asks it ${speedWords(other.speed)}. It cannot do both, so ${COMES[state]}.`
  if (couplers.length === 0) return 'The box is locked with every coupler at its centre.'
  return capitalize(
    `the ${couplers.map(nameOf).join(' and the ')} cannot be engaged ${couplers.length > 1 ? 'together' : 'at all'}: ${COMES[state]}.`,
  )
}
