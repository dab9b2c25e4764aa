/** What holds of a link by its kind. */
import type { BoxIndex } from '../box.ts'
import type { Fields } from '../fields/field.ts'
import { CHOICES } from '../fields/field.ts'
import type { BoxIssue } from '../issues.ts'
import type { Gear, Link, LinkKind, Path } from '../types.ts'

import type {
  Contact,
  EndField,
  EndKey,
  EndKind,
  GearPair,
  LawForm,
  Parts,
  Picture,
  Rolling,
} from './kind.ts'
import { LINK_KINDS } from './kinds.ts'

export type { Contact, EndKind, GearPair, Picture, Term } from './kind.ts'
export { equalSpeeds, plain } from './terms.ts'

/** A definition for links of its own kind, whichever that is. */
interface AnyDefinition {
  readonly ends: Readonly<Record<string, EndField>>
  readonly fields: Fields
  readonly namedBy: readonly string[]
  readonly laws: (box: Parts, link: Link) => readonly LawForm[]
  readonly rolling: Rolling<Link>
  readonly contact: Contact
  readonly pairs: (link: Link) => readonly GearPair[]
  readonly rings: (link: Link) => readonly string[]
  readonly picture: (link: Link) => Picture
  readonly balances?: (link: Link) => readonly [string, string]
  readonly check: (box: BoxIndex, link: Link, path: Path) => readonly BoxIssue[]
}

/** Each kind's definition takes links of its kind, and is asked for none but them. */
const DEFINITIONS = LINK_KINDS as unknown as Readonly<Record<LinkKind, AnyDefinition>>

/** All kinds, in the order in which they are offered. */
export const LINK_KIND_NAMES = Object.keys(LINK_KINDS) as readonly LinkKind[]

/** The ends of any kind of link. */
export type LinkEndKey = { [K in LinkKind]: EndKey<K> }[LinkKind]

/** Everything that holds of links of its kind. */
export const definitionOf = ({ kind }: Link): AnyDefinition => DEFINITIONS[kind]
/** Everything that holds of links of this kind. */
export const definitionOfKind = (kind: LinkKind): AnyDefinition => DEFINITIONS[kind]

/** An end of a link: its key, the id that stands there, and what that has to be. */
export interface LinkEnd {
  readonly key: LinkEndKey
  /** What it is to the link: "the other". */
  readonly word: string
  readonly id: string
  readonly expected: EndKind
}

type EndForm = Omit<LinkEnd, 'id'>

/** The ends of each kind, in order. */
const ENDS: ReadonlyMap<LinkKind, readonly EndForm[]> = new Map(
  LINK_KIND_NAMES.map((kind) => [
    kind,
    // The ends of a definition are those of its kind.
    Object.entries(DEFINITIONS[kind].ends).map(([key, { word, of }]) => ({
      key: key as LinkEndKey,
      word,
      expected: of,
    })),
  ]),
)

/** What stands in a link under one of the keys of its kind. */
function valueIn(link: Link, key: string): unknown {
  return (link as unknown as Readonly<Record<string, unknown>>)[key]
}

/** The ends of a link, in the order of its kind. */
export function endsOf(link: Link): readonly LinkEnd[] {
  return (ENDS.get(link.kind) ?? []).map((end) => ({ ...end, id: String(valueIn(link, end.key)) }))
}

/** The ends by which people tell the link from others of its kind. */
export function namingEnds(link: Link): readonly LinkEnd[] {
  const { namedBy } = definitionOf(link)
  return endsOf(link).filter(({ key }) => namedBy.includes(key))
}

/** The gears of a link that touch one another, pair by pair. */
export const pairsOf = (link: Link): readonly GearPair[] => definitionOf(link).pairs(link)

/** The gears with teeth on their inside, of all links. */
export function ringGears(links: readonly Link[]): ReadonlySet<string> {
  return new Set(links.flatMap((link) => definitionOf(link).rings(link)))
}

/** Two bodies that may be taken to turn alike where nothing else settles them. */
export const balancedBy = (link: Link): readonly [string, string] | undefined =>
  definitionOf(link).balances?.(link)

/** What the section shows of a link besides the gears of its pairs. */
export const pictureOf = (link: Link): Picture => definitionOf(link).picture(link)

const endsAsText = (kind: LinkKind): string =>
  Object.entries(DEFINITIONS[kind].ends)
    .map(([key, { of }]) => `${key} ${of}`)
    .join()

/** The kinds that join the same parts in another way, this one among them. */
export function alikeKinds(kind: LinkKind): readonly LinkKind[] {
  return LINK_KIND_NAMES.filter((other) => endsAsText(other) === endsAsText(kind))
}

/** The link as another kind between the same parts: it keeps the figures that both have. */
export function linkAs(link: Link, kind: LinkKind): Link {
  const { fields } = DEFINITIONS[kind]
  const kept = Object.entries(fields).flatMap(([key, field]) => {
    const value =
      valueIn(link, key) ?? (field.type === 'choice' ? CHOICES[field.choice].at(-1) : undefined)
    return value === undefined ? [] : [[key, value]]
  })
  const ends = endsOf(link).map(({ key, id }) => [key, id])
  // The ends are alike, and every choice has been made.
  return { id: link.id, kind, ...Object.fromEntries([...ends, ...kept]) } as Link
}

/** The gears that a link has as its ends. */
export function gearsOf(box: Pick<BoxIndex, 'gears'>, link: Link): readonly Gear[] {
  return endsOf(link).flatMap(({ id, expected }) => {
    const gear = expected === 'gear' ? box.gears.get(id) : undefined
    return gear ? [gear] : []
  })
}
