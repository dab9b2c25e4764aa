/** What the fields of the things in a box are called, what is said of their values, and of what cannot be. */
import type { CHOICES, Choice, ChoiceField, Field, FieldUnit, IdOf, NumberField } from 'core'
import { LARGEST, PIECE_KINDS } from 'core'

import type { LengthUnit } from './format.ts'
import { formatLength, NBSP } from './format.ts'
import { MEASURE_NAMES, UNIT_NAMES } from './measures.ts'
import type { Naming } from './names.ts'
import { capitalize, couplerName, lineName, linkName, partName } from './names.ts'
import {
  FIT_WORDS,
  MARK_WORDS,
  PRESS_WORDS,
  closingWords,
  pieceKindWords,
  pieceNameById,
} from './pieces.ts'
import { SHEET_KIND_WORDS } from './sheet.ts'
import {
  ACTUATOR_NAMES,
  CLUTCH_KIND_NAMES,
  CLUTCH_STAGE_NAMES,
  END_WORDS,
  GUARD_NAMES,
  INTERLOCK_PART_WORDS,
  SWITCH_NAMES,
  rodName,
} from './shift.ts'
import type { Vocabulary } from './vocabulary.ts'
import { HAND_WORDS, SHAFT_END_WORDS, travelWords } from './vocabulary.ts'

type WordsOf<C extends Choice> = Readonly<Record<(typeof CHOICES)[C][number], string>>

/** What everything that can be chosen is called, by the words that a person has chosen. */
const CHOICE_WORDS: { readonly [C in Choice]: (words: Vocabulary) => WordsOf<C> } = {
  member: ({ members }) => members,
  mount: ({ mounts }) => mounts,
  coupler: ({ couplers }) => couplers,
  travel: (words) => ({
    centre: travelWords(words, 'centre'),
    'towards-input': travelWords(words, 'towards-input'),
    'towards-output': travelWords(words, 'towards-output'),
  }),
  hand: () => HAND_WORDS,
  end: () => SHAFT_END_WORDS,
  inputSense: () => ({ clockwise: 'clockwise', counterclockwise: 'counterclockwise' }),
  piece: (words) =>
    Object.fromEntries(
      PIECE_KINDS.map((kind) => [kind, pieceKindWords(words, kind)]),
    ) as WordsOf<'piece'>,
  fit: () => FIT_WORDS,
  pressSeat: () => PRESS_WORDS,
  closingSide: closingWords,
  mark: () => MARK_WORDS,
  sheet: () => SHEET_KIND_WORDS,
  measure: () => MEASURE_NAMES,
  readingUnit: () => UNIT_NAMES,
  interlockPart: () => INTERLOCK_PART_WORDS,
  switchRule: () => SWITCH_NAMES,
  actuator: () => ACTUATOR_NAMES,
  clutch: () => CLUTCH_KIND_NAMES,
  clutchStage: () => CLUTCH_STAGE_NAMES,
  gateEnd: () => END_WORDS,
  gateGuard: () => GUARD_NAMES,
}

/** What can be chosen, each with its words, in the order in which it is listed. */
export function choicesOf(
  words: Vocabulary,
  { choice }: ChoiceField,
): readonly (readonly [value: string, title: string])[] {
  return Object.entries(CHOICE_WORDS[choice](words))
}

/** Each unit as it follows its number. */
export const UNIT_TEXTS: Readonly<Record<FieldUnit, string>> = {
  length: `${NBSP}mm`,
  mm: `${NBSP}mm`,
  deg: '°',
  N: `${NBSP}N`,
  'N/mm': `${NBSP}N/mm`,
  Nmm: `${NBSP}N·mm`,
  kgM2: `${NBSP}kg·m²`,
  rpm: `${NBSP}rev/min`,
}

/** The unit over a field; none where a figure has none. */
export function unitName({ lengthUnit }: Vocabulary, { unit }: NumberField): string | undefined {
  if (unit === undefined) return undefined
  return unit === 'length' ? lengthUnit : UNIT_TEXTS[unit].trim()
}

/** What stands over a field. */
export function fieldTitle({ word }: Field): string {
  return capitalize(word)
}

/** Within what a figure can be, said of one that cannot: "Helix angle: 0° to 60°." */
export function rangeWords(
  field: NumberField & { readonly word: string },
  lengthUnit: LengthUnit = 'mm',
): string {
  const { word, type, unit, least, most, isAbove, isBelow } = field
  if (unit === 'length' && most === LARGEST.lengthMm)
    return isAbove === true
      ? 'This length must be more than 0 mm, and no gearbox is longer than 100 m.'
      : 'No gearbox is that long.'
  const [from, to] = [least, most].map((end) =>
    unit === 'length' ? formatLength(end, lengthUnit) : `${end}${unit ? UNIT_TEXTS[unit] : ''}`,
  )
  const whole = type === 'whole' ? 'a whole number, ' : ''
  return `${capitalize(word)}: ${whole}${isAbove === true ? `more than ${from}, at most` : `${from} to`} ${isBelow === true ? 'below ' : ''}${to}.`
}

/** What an id is of, in words; undefined where it is not there. */
function idWords(naming: Naming, of: IdOf, id: string): string | undefined {
  const { box } = naming
  const { members, gears, couplers, links, draft } = box
  switch (of) {
    case 'member':
    case 'gear':
    case 'body':
      return members.has(id) || gears.has(id) ? partName(naming, id) : undefined
    case 'axis':
      return draft.axes.some((axis) => axis.id === id) ? lineName(naming, id) : undefined
    case 'coupler': {
      const coupler = couplers.get(id)
      return coupler && couplerName(naming, coupler)
    }
    case 'link': {
      const link = links.get(id)
      return link && linkName(naming, link)
    }
    case 'position':
      return draft.positions.find((position) => position.id === id)?.label
    case 'selector': {
      const rod = draft.selectors?.find((selector) => selector.id === id)
      return rod && rodName(naming, rod)
    }
    case 'piece':
      return box.pieces.has(id) ? pieceNameById(naming, id) : undefined
    case 'place':
      // The id of a place is its name.
      return id
  }
}

/** Couplers with their places: "1–2 sleeve at 2". The id of a place is its name. */
function placesWords(naming: Naming, places: Readonly<Record<string, string>>): string {
  const said = Object.entries(places).map(
    ([coupler, place]) =>
      `${idWords(naming, 'coupler', coupler) ?? 'what is not there'} at ${place}`,
  )
  return said.length === 0 ? 'nothing' : said.join(' and ')
}

/** The value of a field in words; "changed" where it has parts of its own. */
export function valueWords(naming: Naming, field: Field, value: unknown): string {
  if (value === null || value === undefined) return 'none'
  if (field.type === 'flag') return value === true ? 'yes' : 'no'
  if (typeof value === 'number')
    return field.type === 'number' && field.unit
      ? field.unit === 'length'
        ? formatLength(value, naming.words.lengthUnit)
        : `${value}${UNIT_TEXTS[field.unit]}`
      : `${value}`
  if (field.type === 'places') return placesWords(naming, value as Readonly<Record<string, string>>)
  if (typeof value !== 'string') return 'changed'
  if (field.type === 'choice')
    return choicesOf(naming.words, field).find(([each]) => each === value)?.[1] ?? 'something else'
  return field.type === 'id' ? (idWords(naming, field.of, value) ?? 'what is not there') : value
}

/** Everything of a list of a box that an id can be of, each with its name. */
export function idsToChoose(naming: Naming, of: IdOf): readonly (readonly [string, string])[] {
  const { draft, bodies } = naming.box
  const ids: Readonly<Record<IdOf, readonly string[]>> = {
    axis: draft.axes.map(({ id }) => id),
    member: draft.members.map(({ id }) => id),
    gear: draft.gears.map(({ id }) => id),
    body: bodies,
    link: draft.links.map(({ id }) => id),
    coupler: draft.couplers.map(({ id }) => id),
    position: draft.positions.map(({ id }) => id),
    piece: (draft.pieces ?? []).map(({ id }) => id),
    selector: (draft.selectors ?? []).map(({ id }) => id),
    place: [],
  }
  return ids[of].map((id) => [id, capitalize(idWords(naming, of, id) ?? id)])
}
