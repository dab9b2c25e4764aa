/** What the parts of a box are called. */
import type { BoxIndex, Coupler, Gear } from 'core'

import type { Vocabulary } from './vocabulary.ts'

export interface Naming {
  readonly box: BoxIndex
  readonly words: Vocabulary
}

export function capitalize(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

/** A member, or a free gear. */
export function bodyName(naming: Naming, id: string): string {
  const gear = naming.box.gears.get(id)
  if (gear) return gearName(naming, gear)
  const member = naming.box.members.get(id)
  if (!member) return id
  if (member.name) return member.name
  const word = naming.words.members[member.kind]
  const alike = naming.box.draft.members.filter(
    (other) => other.kind === member.kind && !other.name,
  )
  return alike.length > 1 ? `${word} ${alike.indexOf(member) + 1}` : word
}

/** "3rd gear, main shaft". */
export function gearName(naming: Naming, gear: Gear): string {
  const member = naming.box.members.get(gear.member)
  return member?.kind === 'idler' ? gear.label : `${gear.label}, ${bodyName(naming, gear.member)}`
}

/** "3–4 sleeve", after the positions that it makes. */
export function couplerName({ box, words }: Naming, coupler: Coupler): string {
  if (coupler.name) return coupler.name
  const made = box.draft.positions
    .filter((position) => {
      const place = coupler.positions.find(({ id }) => id === position.couplers[coupler.id])
      return place !== undefined && place.engages.length > 0
    })
    .map((position) => position.label)
  const word = words.couplers[coupler.kind]
  return made.length > 0 ? `${made.join('–')} ${word}` : word
}

/** A body without its shaft, for sentences that name the shaft anyway: "2nd gear". */
export function shortBodyName(naming: Naming, id: string): string {
  return naming.box.gears.get(id)?.label ?? bodyName(naming, id)
}
