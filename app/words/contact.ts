/** What a coupler touches half way in, in sentences. */
import type { Approach, Contact, Engageable, Finding } from 'core'
import { dogDepthMm } from 'core'

import type { LengthUnit } from './format.ts'
import { formatLength } from './format.ts'
import { judgedWords } from './measures.ts'
import type { Naming } from './names.ts'
import { placeName } from './names.ts'

/** What happens there, and what it does. */
export function contactWords(contact: Contact, approach: Approach, unit: LengthUnit): string {
  const depth = formatLength(Math.max(dogDepthMm(approach), 0), unit)
  switch (contact) {
    case 'free':
      return 'Nothing touches: both sides turn on their own.'
    case 'braking':
      return 'The ring is pressed onto its cone and slips on it: friction brings the two speeds together.'
    case 'blocking':
      return 'The pointed teeth lean on those of the ring. As long as the cone slips, the ring is turned aside and they wait; at equal speeds it lets them by.'
    case 'unbraked':
      if (approach.isRingOut === true)
        return 'No ring is in: nothing brakes, nothing waits, and the teeth go on towards those of the gear.'
      return 'The face of the ring is on the gear and not on its cone: nothing brakes, nothing waits, and the teeth go on towards those of the gear.'
    case 'entering':
      return 'The speeds are equal: the pointed teeth turn the gear a little and slide in between its own.'
    case 'grinding':
      return 'The teeth meet those of the gear while both still turn apart: it grinds, and rounds them off.'
    case 'shallow':
      return `In by ${depth}, less than half of the depth: the corners carry all of the load, wear round, and let go.`
    case 'in':
      return approach.hasRing
        ? 'In: the two sides turn as one.'
        : `In by ${depth}: the two sides turn as one, up to the angle free between them.`
  }
}

/** That a ring which is to be replaced is not to be counted on, and by what it was judged. */
export function condemnedRingWords(
  naming: Naming,
  { coupler, place }: Pick<Engageable, 'coupler' | 'place'>,
  finding: Finding,
): string {
  return `The ${naming.words.ring} of ${placeName(naming, coupler, place)} is judged to be replaced, so it is not to be counted on to bring the speeds together. ${judgedWords(finding)}`
}

/** How much more a ring may wear. */
export function wearLeftWords(
  gapMm: number,
  wearLeftMm: number | null,
  isMeasured: boolean,
  unit: LengthUnit,
  condemnedBy?: Finding,
): string {
  const gap = `${isMeasured ? 'Measured at' : 'At'} ${formatLength(gapMm, unit)} from the gear`
  if (gapMm <= 0) return `${gap} the ring stands on it and brakes no more. Replace it.`
  if (condemnedBy)
    return `${gap} the ring still brakes, and it is judged to be replaced. ${judgedWords(condemnedBy)} It may wear no more.`
  return wearLeftMm === null
    ? `${gap} the ring brakes; at 0 its face meets the gear. Enter the half angle of its cone on Change of gear to say how much wear that leaves.`
    : `${gap} the ring brakes; its cone may wear by ${formatLength(wearLeftMm, unit)} in radius until its face meets the gear. The maker’s limit comes before that.`
}
