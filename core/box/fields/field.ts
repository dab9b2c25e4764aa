/**
 * What there is to say of a field of a thing in a box: its type, its bounds and unit, whether it may
 * be left out, and its word. Schemas, forms, the history and the documents are made from this.
 */
import { MEASURES } from '../../measure/measurement.ts'
import { READING_UNITS } from '../../number/units.ts'
import {
  ACTUATORS,
  CLOSING_SIDES,
  CLUTCH_KINDS,
  CLUTCH_STAGE_KINDS,
  COUPLER_KINDS,
  FITS,
  GATE_ENDS,
  GATE_GUARDS,
  GEAR_MOUNTS,
  HANDS,
  INPUT_SENSES,
  INTERLOCK_PART_KINDS,
  MARK_KINDS,
  MEMBER_KINDS,
  PIECE_KINDS,
  PRESS_SEATS,
  SHAFT_ENDS,
  SHEET_KINDS,
  SWITCH_RULES,
  TRAVELS,
} from '../types.ts'

/** Everything that one of several is chosen from, by the name of the choice. */
export const CHOICES = {
  member: MEMBER_KINDS,
  mount: GEAR_MOUNTS,
  coupler: COUPLER_KINDS,
  travel: TRAVELS,
  hand: HANDS,
  end: SHAFT_ENDS,
  inputSense: INPUT_SENSES,
  piece: PIECE_KINDS,
  fit: FITS,
  pressSeat: PRESS_SEATS,
  closingSide: CLOSING_SIDES,
  mark: MARK_KINDS,
  sheet: SHEET_KINDS,
  measure: MEASURES,
  readingUnit: READING_UNITS,
  interlockPart: INTERLOCK_PART_KINDS,
  switchRule: SWITCH_RULES,
  actuator: ACTUATORS,
  clutch: CLUTCH_KINDS,
  clutchStage: CLUTCH_STAGE_KINDS,
  gateEnd: GATE_ENDS,
  gateGuard: GATE_GUARDS,
} as const satisfies Readonly<Record<string, readonly [string, ...string[]]>>
/** See `CHOICES`. */
export type Choice = keyof typeof CHOICES

/** What an id is of: an axis, a member, a gear and so on; a body is a member or a free gear. */
export type IdOf =
  | 'axis'
  | 'member'
  | 'gear'
  | 'body'
  | 'link'
  | 'coupler'
  | 'place'
  | 'position'
  | 'piece'
  | 'selector'

/** `length` is shown in the unit that people chose, `mm` always in millimetres; both are kept in mm. */
export type FieldUnit = 'length' | 'mm' | 'deg' | 'N' | 'N/mm' | 'Nmm' | 'kgM2' | 'rpm'

/** A number; `isAbove` where `least` itself is too little, `isBelow` where `most` is too much. */
export interface NumberField {
  readonly type: 'number' | 'whole'
  readonly unit?: FieldUnit
  readonly least: number
  readonly most: number
  readonly isAbove?: boolean
  readonly isBelow?: boolean
  /** What holds where it is not said. */
  readonly usual?: number
}

/** A text; at least one character without the spaces around it, unless it may be empty. */
export interface TextField {
  readonly type: 'text'
  readonly most: number
  readonly mayBeEmpty?: boolean
  /** Whether a number is to be read in it. */
  readonly isFigure?: boolean
}

export interface ChoiceField<C extends Choice = Choice> {
  readonly type: 'choice'
  readonly choice: C
  /** What holds where it is not said. */
  readonly usual?: string
}

/** What a field can be, whatever it is called. */
export type FieldType =
  | NumberField
  | TextField
  | ChoiceField
  /** The id of the thing itself, which may be its name, or of another. */
  | { readonly type: 'own-id'; readonly isName?: true }
  | { readonly type: 'id'; readonly of: IdOf }
  /** A part of the unit by its reference, see `core/job/partPath.ts`. */
  | { readonly type: 'reference' }
  | { readonly type: 'flag' }
  | { readonly type: 'time' }
  /** Coupler id → the place that it stands at. */
  | { readonly type: 'places' }
  | { readonly type: 'pair'; readonly of: FieldType }
  | {
      readonly type: 'list'
      readonly of: FieldType
      readonly least?: number
      readonly most: number
      /** Said after "More than 3 …". */
      readonly many: string
    }
  | { readonly type: 'group'; readonly fields: Fields }
  /** Things of several kinds, each with fields of its own. */
  | { readonly type: 'kinds'; readonly kinds: Readonly<Record<string, Fields>> }

/** A field with its word, as the history has it: "face width". */
export type Field = FieldType & {
  readonly word: string
  readonly isOptional?: true
  readonly isNullable?: true
}

/** The fields of a thing by their names, in the order in which they are told. */
export type Fields = Readonly<Record<string, Field>>

type OptionalOf<V> = undefined extends V
  ? { readonly isOptional: true }
  : { readonly isOptional?: never }
type NullableOf<V> = null extends V
  ? { readonly isNullable: true }
  : { readonly isNullable?: never }

type Texts =
  | TextField
  | ChoiceField
  | { readonly type: 'own-id'; readonly isName?: true }
  | { readonly type: 'reference' | 'time' }
  | { readonly type: 'id'; readonly of: IdOf }

/** Choices that have exactly these values. */
type ChoiceOf<V> = {
  [C in Choice]: [V] extends [(typeof CHOICES)[C][number]]
    ? [(typeof CHOICES)[C][number]] extends [V]
      ? ChoiceField<C>
      : never
    : never
}[Choice]

type TypeOf<V> = [V] extends [boolean]
  ? { readonly type: 'flag' }
  : [V] extends [number]
    ? NumberField
    : [V] extends [string]
      ? string extends V
        ? Texts
        : ChoiceOf<V>
      : [V] extends [readonly [infer A, infer _]]
        ? { readonly type: 'pair'; readonly of: TypeOf<A> }
        : [V] extends [readonly (infer E)[]]
          ? {
              readonly type: 'list'
              readonly of: TypeOf<E>
              readonly least?: number
              readonly most: number
              readonly many: string
            }
          : string extends keyof V
            ? { readonly type: 'places' }
            : KindsOf<V>

/** One thing has its fields; things that their kind tells apart have those of each kind. */
type KindsOf<V> = [V] extends [{ readonly kind: infer K extends string }]
  ? IsUnion<V> extends true
    ? {
        readonly type: 'kinds'
        readonly kinds: {
          readonly [Each in K]: FieldsOf<Omit<Extract<V, { readonly kind: Each }>, 'kind'>>
        }
      }
    : { readonly type: 'group'; readonly fields: FieldsOf<V> }
  : { readonly type: 'group'; readonly fields: FieldsOf<V> }

type IsUnion<V, W = V> = V extends unknown ? ([W] extends [V] ? false : true) : never

/** What describes a value of this type. */
type FieldOf<V> = { readonly word: string } & OptionalOf<V> & NullableOf<V> & TypeOf<NonNullable<V>>

/** A field for every property of a thing, and none besides. */
export type FieldsOf<T> = { readonly [K in keyof T]-?: FieldOf<T[K]> }
