/** What the properties of the parts of a box are called, and what is said of their values. */
import type { BoxField, LinkEndKey, LinkKind, Part, PartList, PieceKind, ReadingUnit } from 'core'
import { READING_UNITS } from 'core'

import { formatLength } from './format.ts'
import { MEASURE_NAMES, UNIT_NAMES } from './measures.ts'
import type { Naming } from './names.ts'
import { capitalize, couplerName, lineName, partName } from './names.ts'
import { FIT_WORDS, PRESS_WORDS, closingWords, pieceKindWords } from './pieces.ts'
import { SHEET_KIND_WORDS } from './sheet.ts'
import { SWITCH_NAMES } from './shift.ts'
import { CHOICE_WORDS, LINK_FIELD_WORDS, LINK_WORDS, linkEndWords } from './vocabulary.ts'

const NBSP = '\u00a0'

/** Properties of all lists but the figures and ends of links, which have words of their own. */
const PROPERTY_WORDS: Readonly<Record<string, string>> = {
  id: 'id',
  name: 'called',
  kind: 'kind',
  axis: 'line of shafts',
  fromMm: 'from',
  toMm: 'to',
  isHollow: 'hollow',
  bearingsMm: 'bearings',
  steps: 'steps',
  inertiaKgM2: 'moment of inertia',
  label: 'called',
  member: 'on',
  mount: 'sits',
  toothCount: 'teeth',
  recount: 'second count',
  twinOf: 'twin of',
  stationMm: 'station',
  faceWidthMm: 'face width',
  moduleMm: 'normal module',
  helixAngleDeg: 'helix angle',
  hand: 'hand of the helix',
  pressureAngleDeg: 'pressure angle',
  hub: 'hub',
  positions: 'places',
  gears: 'gears',
  couplers: 'couplers',
  lever: 'lever',
  isHidden: 'hidden',
  forbids: 'forbids',
  reason: 'because',
  by: 'by',
  at: 'at',
  on: 'on',
  carries: 'carries',
  coupler: 'of',
  place: 'for',
  lengthMm: 'length',
  boreMm: 'bore',
  outsideMm: 'outside',
  quantity: 'quantity',
  fit: 'held',
  pressOn: 'pressed by',
  isSplit: 'split',
  closesFrom: 'closes from',
  marks: 'marks',
  isNewEachTime: 'new each time',
  putInWith: 'put in with',
  partNumber: 'part number',
  of: 'of',
  what: 'of',
  text: 'reads',
  measure: 'measure',
  least: 'least',
  most: 'most',
  unit: 'unit',
  from: 'read from',
  first: 'first',
  then: 'then',
  places: 'places',
  switched: 'moved',
  selectors: 'rods',
  tracks: 'grooves',
  stops: 'stops',
}

/** What a property of a part is called. */
export function propertyWords(part: Part, key: string): string {
  const figure = Object.entries(LINK_FIELD_WORDS).find(
    ([of]) => of === key && !(key in PROPERTY_WORDS),
  )
  if (figure) return uncapitalize(figure[1].label)
  const own = PROPERTY_WORDS[key]
  if (own !== undefined) return own
  const kind = (Object.keys(LINK_WORDS) as readonly LinkKind[]).find((each) => each === part.kind)
  // What is no property of other parts is an end of a link.
  return kind === undefined ? key : uncapitalize(linkEndWords(kind, key as LinkEndKey))
}

function uncapitalize(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1)
}

/** Choices of several lists under the words of each. */
function choiceWords(
  { words }: Naming,
  list: PartList,
  key: string,
): Readonly<Record<string, string>> {
  switch (key) {
    case 'kind':
      if (list === 'members') return words.members
      if (list === 'couplers') return words.couplers
      return list === 'links' ? LINK_WORDS : SHEET_KIND_WORDS
    case 'mount':
      return words.mounts
    case 'hand':
    case 'aNarrows':
    case 'bNarrows':
      return CHOICE_WORDS
    case 'fit':
      return FIT_WORDS
    case 'pressOn':
      return PRESS_WORDS
    case 'closesFrom':
      return closingWords(words)
    case 'measure':
      return MEASURE_NAMES
    case 'switched':
      return SWITCH_NAMES
    default:
      return {}
  }
}

/** A figure with the unit that its property's name ends in. */
function figureWords({ words }: Naming, key: string, value: number): string {
  if (key === 'moduleMm') return `${value}${NBSP}mm`
  if (key.endsWith('Mm')) return formatLength(value, words.lengthUnit)
  if (key.endsWith('Deg')) return `${value}°`
  if (key.endsWith('KgM2')) return `${value}${NBSP}kg·m²`
  return `${value}`
}

/** A part of the box by its id, in words; undefined of what is no id of one. */
function idWords(naming: Naming, id: string): string | undefined {
  const { members, gears, couplers, draft } = naming.box
  if (members.has(id) || gears.has(id)) return partName(naming, id)
  const coupler = couplers.get(id)
  if (coupler) return couplerName(naming, coupler)
  return draft.axes.some((axis) => axis.id === id) ? lineName(naming, id) : undefined
}

/** Text that somebody wrote is no name of a part, whatever it reads like. */
const WRITTEN = new Set([
  'name',
  'label',
  'lever',
  'reason',
  'by',
  'text',
  'from',
  'what',
  'partNumber',
  'least',
  'most',
])

/** The value of a property in words; "changed" where it has parts of its own. */
export function propertyValueWords(
  naming: Naming,
  list: PartList,
  key: string,
  value: unknown,
): string {
  if (value === null || value === undefined) return 'none'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return figureWords(naming, key, value)
  if (typeof value !== 'string') return 'changed'
  if (WRITTEN.has(key)) return value
  // Only kinds are kept there.
  if (key === 'kind' && list === 'pieces') return pieceKindWords(naming.words, value as PieceKind)
  const unit = READING_UNITS.find((each): each is ReadingUnit => key === 'unit' && each === value)
  if (unit) return UNIT_NAMES[unit]
  return choiceWords(naming, list, key)[value] ?? idWords(naming, value) ?? value
}

/** The value of what a box says of itself. */
export function boxFieldValueWords(naming: Naming, field: BoxField, value: unknown): string {
  if (field === 'input' && typeof value === 'string') return idWords(naming, value) ?? value
  if (field === 'inputSense' && typeof value === 'string') return capitalize(value)
  return propertyValueWords(naming, 'members', field, value)
}
