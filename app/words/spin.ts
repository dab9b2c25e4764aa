/** The spin test in sentences. */
import type { CouplerPlaces, Disagreement, EntryBody, Mend, NextLook, SpinSetup } from 'core'
import { namedPlace } from 'core'

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

/** What to look at next, as an order. */
export function nextLookSentence(naming: Naming, { part, isAgain }: NextLook): string {
  const name = partName(naming, part)
  return isAgain
    ? `Try the ${name} again: without its tick the rest is explained best.`
    : `Look at the ${name}: what it does tells the causes apart.`
}

/** "all in neutral", or which sleeves are engaged. */
export function placesWords(naming: Naming, places: CouplerPlaces): string {
  const engaged = naming.box.draft.couplers.flatMap((coupler) => {
    const place = coupler.positions.find(({ id }) => id === namedPlace(places, coupler.id))
    return place && place.engages.length > 0
      ? [`${couplerName(naming, coupler)} at ${placeName(naming, coupler, place)}`]
      : []
  })
  return engaged.length === 0 ? 'all in neutral' : engaged.join(', ')
}

/** "input shaft turned, main shaft held, all in neutral". */
export function setupWords(naming: Naming, { turned, held, places }: SpinSetup): string {
  const holds = held.length === 0 ? 'nothing' : held.map((id) => partName(naming, id)).join(' and ')
  return `${partName(naming, turned)} turned, ${holds} held, ${placesWords(naming, places)}`
}

/** What was ticked, as a line of the log. */
export function spinEntryWords(
  naming: Naming,
  { places, held, turned, ticks }: Extract<EntryBody, { kind: 'spin' }>,
): string {
  const stood = Object.fromEntries(places.map(({ coupler, place }) => [coupler, place]))
  const said = (
    [
      ['moved', 'moved'],
      ['stood', 'stood'],
      [null, 'taken out'],
    ] as const
  ).flatMap(([seen, word]) => {
    const parts = ticks.filter((tick) => tick.seen === seen)
    return parts.length === 0
      ? []
      : [`${parts.map(({ part }) => partName(naming, part)).join(', ')} ${word}`]
  })
  return `Spin test (${setupWords(naming, { turned, held, places: stood })}): ${said.join('; ')}`
}
