/** What waits behind an open clutch, in sentences. */
import type { Analysis, EngagedCoupler, Preselection } from 'core'
import { clutchSlip, toNumber } from 'core'

import { formatSpeed } from './format.ts'
import type { Naming } from './names.ts'
import { capitalize, couplerName } from './names.ts'
import { engagementSentence, listed } from './sentences.ts'

function clutchNames(naming: Naming, clutches: readonly EngagedCoupler[]): string {
  return listed(clutches.map(({ coupler }) => `the ${couplerName(naming, coupler)}`))
}

/** "The odd clutch carries; the even clutch is open. Behind it can wait:" */
export function carryingSentence(naming: Naming, { opening, closing }: Preselection): string {
  const carries = opening.length > 1 ? 'carry' : 'carries'
  const [is, it] = closing.length > 1 ? ['are', 'them'] : ['is', 'it']
  return `${capitalize(clutchNames(naming, opening))} ${carries}; ${clutchNames(naming, closing)} ${is} open. Behind ${it} can wait:`
}

/** What is in for the waiting position, and how much its clutch slips in the state that `analysis` is of. */
export function waitingSentence(
  naming: Naming,
  { position, waiting, closing }: Preselection,
  analysis: Analysis,
  inputRpm: number,
): string {
  const engaged = waiting.map((each) => engagementSentence(naming, each)).join(' ')
  const slips = closing.flatMap((clutch) => {
    const slip = clutchSlip(naming.box, analysis, clutch)
    return slip
      ? [
          `the ${couplerName(naming, clutch.coupler)} slips by ${formatSpeed(Math.abs(toNumber(slip)) * inputRpm)}${slip.isZero() ? '' : slip.sign() < 0 ? ': its shaft turns slower than the engine' : ': its shaft turns faster than the engine'}`,
        ]
      : []
  })
  return [
    engaged === ''
      ? `${position.label} needs nothing put in besides what is in.`
      : `${position.label} is in. ${engaged}`,
    ...(slips.length > 0 ? [`${capitalize(listed(slips))}.`] : []),
  ].join(' ')
}

/** What the change to the waiting position is. */
export function changeSentence(
  naming: Naming,
  { position, opening, closing }: Preselection,
): string {
  const opens = opening.length > 1 ? 'open' : 'opens'
  const closes = closing.length > 1 ? 'close' : 'closes'
  return `For ${position.label} ${clutchNames(naming, opening)} ${opens} while ${clutchNames(naming, closing)} ${closes}. No ${naming.words.couplers.synchronizer} moves, and the torque does not pass through neutral.`
}
