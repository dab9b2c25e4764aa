/** What there is to say of one kind of link. Everything that treats links reads it from here. */
import type { Rational } from '../../number/rational.ts'
import type { BoxIndex } from '../box.ts'
import type { FieldsOf } from '../fields/field.ts'
import type { BoxIssue } from '../issues.ts'
import type { Gear, Link, LinkKind, MeshKind, Path, ShaftEnd } from '../types.ts'

/** The links of one kind. */
type LinkOf<K extends LinkKind> = K extends MeshKind
  ? Extract<Link, { readonly a: string; readonly kind: MeshKind }> & { readonly kind: K }
  : Extract<Link, { readonly kind: K }>

type KeysWith<L, P> = { [K in keyof L]-?: P extends L[K] ? K : never }[keyof L] & string

/** The keys of a link that hold an id. */
export type EndKey<K extends LinkKind> = Exclude<KeysWith<LinkOf<K>, string>, 'id'>

/** The keys of a link that hold a figure or a choice of its own. */
type FieldKey<K extends LinkKind> = Exclude<keyof LinkOf<K> & string, EndKey<K> | 'id' | 'kind'>

/** What an end of a link has to be. */
export type EndKind = 'gear' | 'member' | 'body'

/** An end of a link, with what it is to it: "the other". */
export interface EndField {
  readonly word: string
  readonly type: 'id'
  readonly of: EndKind
}

/** One body's part in a law of motion: its angular speed times the coefficient. */
export interface Term {
  readonly body: string
  /** The gear through which the body takes part, where there is one. */
  readonly gear: Gear | undefined
  /** A whole number: `counted` summed, or 1 where nothing is counted, times a number. */
  readonly coefficient: Rational
  /** The gears whose counts add up to the coefficient; each taken away where it is negative. */
  readonly counted: readonly Counted[]
  /** Where along its axis the body is touched, from the input end. */
  readonly stationMm: number
}

/** A gear whose count is added, or taken away. */
export interface Counted {
  readonly gear: Gear
  readonly sign: 1 | -1
}

/** A linear law Σ cᵢ·ωᵢ = 0 of a link; `part` tells the laws of one link apart. */
export interface LawForm {
  readonly part: string
  readonly terms: readonly Term[]
}

/** How two gears of a link touch. */
export interface GearPair {
  /** Gear ids; where one is inside the other, `b` is the ring. */
  readonly a: string
  readonly b: string
  readonly touch: 'outside' | 'inside' | 'sprockets' | 'cones'
  /** Of cones: towards which end each grows narrower. */
  readonly narrows?: readonly [ShaftEnd, ShaftEnd]
}

/** What the section shows of a link besides the gears of its pairs, by ids. */
export type Picture =
  | { readonly as: 'nothing' }
  /** Planets between sun and ring, so many in a row, and the arm that carries them. */
  | {
      readonly as: 'set'
      readonly sun: string
      readonly ring: string
      readonly carrier: string
      readonly planetsBetween: 1 | 2
    }
  /** The arm to a planet that is drawn as a gear. */
  | { readonly as: 'arm'; readonly carrier: string; readonly planet: string }
  | { readonly as: 'differential'; readonly case: string }
  | { readonly as: 'thread'; readonly worm: string; readonly wheel: string }

/**
 * How a law hands power on: not by rolling; through so many meshes in a row between its
 * first two terms, as seen from its third where it has one; or as its own figures decide, from
 * its first (0) or its second term (1), undefined while they are not known.
 */
export type Rolling<L> =
  | 'none'
  | { readonly meshes: number }
  | { readonly handsOn: (box: Parts, link: L, from: 0 | 1) => number | undefined }

/** What the teeth of a gear feel: by `ToothContact` of the forces. */
export type Contact = 'outside' | 'inside' | 'chain' | 'all-round' | 'cone' | 'thread' | 'none'

/** Everything that holds of one kind of link. */
export interface LinkDefinition<K extends LinkKind> {
  /** What each of its ends has to be. */
  readonly ends: Readonly<Record<EndKey<K>, EndField>>
  readonly fields: FieldsOf<Pick<LinkOf<K>, FieldKey<K>>>
  /** The ends by which people tell one such link from another. */
  readonly namedBy: readonly EndKey<K>[]
  readonly laws: (box: Parts, link: LinkOf<K>) => readonly LawForm[]
  readonly rolling: Rolling<LinkOf<K>>
  readonly contact: Contact
  readonly pairs: (link: LinkOf<K>) => readonly GearPair[]
  /** The gears with teeth on their inside. */
  readonly rings: (link: LinkOf<K>) => readonly string[]
  readonly picture: (link: LinkOf<K>) => Picture
  /** Two bodies that may be taken to turn alike, where nothing else settles them. */
  readonly balances?: (link: LinkOf<K>) => readonly [string, string]
  /** What contradicts itself in it. */
  readonly check: (box: BoxIndex, link: LinkOf<K>, path: Path) => readonly BoxIssue[]
}

/** The parts that a link speaks of, by id. */
export type Parts = Pick<BoxIndex, 'gears' | 'members'>
