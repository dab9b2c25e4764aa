/** The spin test in sentences. */
import type { Disagreement, Mend } from 'core'

import type { Naming } from './names.ts'
import { bodyName, couplerName, partName, placeName } from './names.ts'

/** "The 2nd gear, main shaft stood still; as drawn it moves." */
export function disagreementSentence(naming: Naming, { part, seen }: Disagreement): string {
  const name = partName(naming, part)
  return seen === 'moved'
    ? `The ${name} moved; as drawn it stands still.`
    : `The ${name} stood still; as drawn it moves.`
}

/** What would explain it, as a sentence. */
export function mendSentence(naming: Naming, mend: Mend): string {
  switch (mend.kind) {
    case 'mount': {
      const name = partName(naming, mend.gear)
      return mend.mount === 'free'
        ? `The ${name} is drawn as turning with its shaft, but is free on it.`
        : `The ${name} is drawn free, but is fixed to its shaft, or stuck on it.`
    }
    case 'coupler': {
      const coupler = naming.box.couplers.get(mend.coupler)
      const place = coupler?.positions.find(({ id }) => id === mend.place)
      if (!coupler || !place) return ''
      return place.engages.length === 0
        ? `The ${couplerName(naming, coupler)} stood at its centre.`
        : `The ${couplerName(naming, coupler)} was not in neutral: it stood at ${placeName(naming, coupler, place)}.`
    }
    case 'member': {
      const gear = naming.box.gears.get(mend.gear)
      return `The ${partName(naming, mend.gear)} is drawn on the wrong shaft: it sits on the ${bodyName(naming, mend.member)}${gear ? `, not on the ${bodyName(naming, gear.member)}` : ''}.`
    }
  }
}

/** What one press does about it. */
export function mendAction(mend: Mend): string {
  return mend.kind === 'coupler' ? 'Take the test so' : 'Mend the drawing'
}
