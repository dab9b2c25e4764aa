/** What the parts of a box are called. */
import type { BoxDraft, BoxIndex, Coupler, CouplerPosition, Gear, Law, Link } from 'core'
import { countedTogether, countingProgress, memberOfBody, namingEnds } from 'core'

import type { Vocabulary } from './vocabulary.ts'
import { LINK_WORDS, inWords } from './vocabulary.ts'

export interface Naming {
  readonly box: BoxIndex
  readonly words: Vocabulary
}

export function capitalize(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

/** A name as somebody wrote it, without the article that a sentence puts before it. */
export function written({ words }: Naming, name: string): string {
  return inWords(words, name.replace(/^the\s+(?=\S)/i, ''))
}

/** A member, or a free gear. */
export function bodyName(naming: Naming, id: string): string {
  const gear = naming.box.gears.get(id)
  if (gear) return gearName(naming, gear)
  const member = naming.box.members.get(id)
  if (!member) return id
  if (member.name) return written(naming, member.name)
  const word = naming.words.members[member.kind]
  const alike = naming.box.draft.members.filter(
    (other) => other.kind === member.kind && !other.name,
  )
  return alike.length > 1 ? `${word} ${alike.indexOf(member) + 1}` : word
}

/** A line of shafts, by its name or by the shafts on it. */
export function lineName(naming: Naming, axisId: string): string {
  const { axes, members } = naming.box.draft
  const name = axes.find(({ id }) => id === axisId)?.name
  const shafts = members.filter(({ axis }) => axis === axisId)
  return name ?? (shafts.map(({ id }) => bodyName(naming, id)).join(', ') || 'no shaft')
}

/** A member or any gear, by its id. */
export function partName(naming: Naming, id: string): string {
  const gear = naming.box.gears.get(id)
  return gear ? gearName(naming, gear) : bodyName(naming, id)
}

/** A gear as it is counted: with all shafts on which one count serves. */
export function countedName(naming: Naming, gear: Gear): string {
  const [first = gear, ...twins] = countedTogether(naming.box.draft, gear)
  const names = twins.map(({ member }) => bodyName(naming, member))
  return [gearName(naming, first), ...names].join(' and ')
}

/** "3rd gear, main shaft". */
export function gearName(naming: Naming, gear: Gear): string {
  const member = naming.box.members.get(gear.member)
  if (member?.kind === 'idler') return gear.label
  const shaft = bodyName(naming, gear.member)
  // "Ring" and not "ring, ring": a part that is called as its gear is, but for a number.
  const isSame = shaft.replace(/ \d+$/, '').toLowerCase() === gear.label.toLowerCase()
  return isSame ? shaft : `${gear.label}, ${shaft}`
}

/** The one position that a coupler's place makes alone, or the place's own name where it makes several or none. */
export function placeName({ box }: Naming, coupler: Coupler, place: CouplerPosition): string {
  const made = box.draft.positions.filter((position) => position.couplers[coupler.id] === place.id)
  return made.length === 1 && made[0] ? made[0].label : place.id
}

/** "3–4 sleeve", after what it makes. */
export function couplerName(naming: Naming, coupler: Coupler): string {
  return coupler.name
    ? written(naming, coupler.name)
    : `${couplerLabel(naming, coupler)} ${naming.words.couplers[coupler.kind]}`.trim()
}

/** "3–4": a coupler's name where there is little room. */
export function couplerLabel(naming: Naming, coupler: Coupler): string {
  if (coupler.name) return written(naming, coupler.name.replace(/ [^ ]+$/, ''))
  const made = coupler.positions
    .filter(({ engages }) => engages.length > 0)
    .map((place) => placeName(naming, coupler, place))
    .sort((one, other) => (order(one) === order(other) ? 0 : order(one) - order(other)))
  return made.join('–')
}

/** Numbers in their order, then words. */
function order(name: string): number {
  const number = Number.parseFloat(name)
  return Number.isNaN(number) ? Infinity : number
}

/** A body without its shaft, for sentences that name the shaft anyway: "2nd gear". */
export function shortBodyName(naming: Naming, id: string): string {
  return naming.box.gears.get(id)?.label ?? bodyName(naming, id)
}

/** What a path that begins at `body` with this law is called: the member that it leads to. */
export function shareName(naming: Naming, law: Law, body: string): string {
  const next = law.terms.find((term) => term.body !== body)?.body ?? body
  const member = memberOfBody(naming.box, next)?.id ?? next
  // A gear that rides on the very shaft that divides is named by itself.
  return bodyName(naming, member === body ? next : member)
}

/** What a link is, and of what: "pair in mesh of 2nd gear, countershaft with 2nd gear, main shaft". */
export function linkName(naming: Naming, link: Link): string {
  const { gears, members } = naming.box
  const ends = namingEnds(link).map(({ id }) => id)
  const word = LINK_WORDS[link.kind]
  // Of parts that are gone nothing but an id is known.
  return ends.every((id) => gears.has(id) || members.has(id))
    ? `${word} of ${ends.map((id) => partName(naming, id)).join(' with ')}`
    : word
}

/** What holds parts to one another, by the parts: "head gear with head gear, countershaft". */
export function lawName(naming: Naming, law: Law): string {
  const coupler = naming.box.couplers.get(law.source)
  if (coupler) return couplerName(naming, coupler)
  return law.terms
    .map(({ gear, body }) => (gear ? gearName(naming, gear) : bodyName(naming, body)))
    .join(' with ')
}

/** "19 gears and 10 twins": how many a box has; twins are counted with the gear that they are alike with. */
export function gearTotal(draft: BoxDraft): string {
  const { total } = countingProgress(draft)
  const twins = draft.gears.length - total
  if (twins === 0) return `${total} gears`
  return `${total} gears and ${twins === 1 ? 'a twin' : `${twins} twins`}`
}
