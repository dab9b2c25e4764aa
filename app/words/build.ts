/** What is told while a unit comes apart and goes together. */
import type {
  AssemblyPart,
  BuildCaution,
  BuildTool,
  ClosingSide,
  ComparedField,
  Difference,
  Direction,
  Handling,
  Precedence,
  PressSeat,
  ShownBy,
  Step,
} from 'core'
import { STACK_UNITS_PER_MM, handlingOf, pieceOfRef, pathTo } from 'core'

import type { LengthUnit } from './format.ts'
import { formatLength } from './format.ts'
import { unitPartName } from './jobs.ts'
import type { Naming } from './names.ts'
import { PRESS_WORDS } from './pieces.ts'
import type { Vocabulary } from './vocabulary.ts'
import { inWords } from './vocabulary.ts'

/** "bearing race before counter shaft". */
export function precedenceWords(
  naming: Naming,
  { first, then }: { readonly [K in keyof Precedence]?: unknown },
): string {
  const name = (ref: unknown): string => (typeof ref === 'string' ? unitPartName(naming, ref) : '?')
  return `${name(first)} before ${name(then)}`
}

/** A part, or shafts that move as one. */
export function assemblyPartName(naming: Naming, { refs }: AssemblyPart): string {
  return refs.map((ref) => unitPartName(naming, ref)).join(' with ')
}

/** "over the input end", "out at the top". */
function wayWords({ ends }: Vocabulary, over: Step['way']['over'], direction: Direction): string {
  const isUp = direction === 'up'
  switch (over) {
    case 'sideways':
      return ''
    case 'input-end':
      return isUp ? ` from the ${ends.input}` : ` over the ${ends.input}`
    case 'output-end':
      return isUp ? ` from the ${ends.output}` : ` over the ${ends.output}`
    case 'above':
      return isUp ? ' in from the top' : ' out at the top'
    case 'below':
      return isUp ? ' in from below' : ' out from below'
    case 'beside':
      return isUp ? ' into the open half' : ' out of the open half'
  }
}

/** What is done with it, by how it is held. */
const VERBS: Readonly<
  Record<Handling['fit'], Readonly<Record<Direction, readonly [string, string]>>>
> = {
  slides: { down: ['Take', 'off'], up: ['Put', 'on'] },
  pressed: { down: ['Pull or press', 'off'], up: ['Press', 'on'] },
  'snap-ring': { down: ['Open', 'and take it off'], up: ['Open', 'and set it in its groove'] },
  threaded: { down: ['Unscrew', ''], up: ['Screw in', ''] },
  bolted: { down: ['Take', 'off'], up: ['Put', 'on'] },
  lifted: { down: ['Take', ''], up: ['Set', ''] },
}

/** One step in words: "Press the ball bearing of the input shaft on from the input end". */
export function stepWords(naming: Naming, { part, way }: Step, direction: Direction): string {
  const { fit } = handlingOf(naming.box, part)
  const [verb, particle] = VERBS[fit][direction]
  const name = assemblyPartName(naming, part)
  const isCase = part.part.kind === 'case'
  if (isCase) return direction === 'down' ? 'Set the empty case aside' : 'Set the case on its stand'
  // What is screwed or bolted on goes where it is, whichever way it is turned.
  const isScrewed = fit === 'threaded' || fit === 'bolted'
  const where = isScrewed ? '' : wayWords(naming.words, way.over, direction)
  const isLoose = way.over === 'sideways' && fit === 'slides'
  if (isLoose) return direction === 'down' ? `Take out the ${name}` : `Put in the ${name}`
  return `${verb} the ${name} ${particle}`.trim() + where
}

export const CAUTION_WORDS: Readonly<Record<BuildCaution, string>> = {
  'snap-ring': 'Snap rings fly: eye protection, and a hand over it.',
  spring: 'Spring loaded: eye protection, and a cloth over it while it comes free.',
  press: 'Behind the guard of the press, nothing brittle under load, hands away.',
  heat: 'Where it is warmed to go on: gloves, and no flame on a race.',
  heavy: 'Heavy, and its edges are sharp: hold it from a hoist or with two people.',
  brittle: 'Never with the load on teeth: they break, and fly.',
}

export const TOOL_WORDS: Readonly<Record<BuildTool, string>> = {
  'ring-pliers': 'snap-ring pliers',
  press: 'press',
  puller: 'puller',
  'torque-wrench': 'torque wrench, the maker’s figure',
  'seal-driver': 'driver for seals',
  magnet: 'magnet',
  hoist: 'hoist or a second pair of hands',
  grease: 'grease to hold it in place',
}

/** Where the load of the press goes. */
export function pressWords(seat: PressSeat | undefined): string {
  return seat === undefined
    ? 'Load on the ring that grips, on nothing else.'
    : `Load on ${PRESS_WORDS[seat]}, on nothing else.`
}

const SHOWN_WORDS: Readonly<Record<ShownBy, string>> = {
  'end-play': 'the end play of its shaft would show it',
  'ring-gap': 'the gap of the ring would show it',
  'turn-check': 'the turn check of its positions would show it',
  position: 'the position that it serves would not go in, or not hold',
  'bearing-drag': 'its shaft would drag, or rumble when it is turned',
  leak: 'oil would show it, and not before',
  nothing: 'nothing later would show it: look twice',
}

/** What would show a part that was left out, swapped or turned round. */
export function shownByWords({ shownBy }: Handling): string {
  return `Left out, swapped or the wrong way round: ${SHOWN_WORDS[shownBy]}.`
}

/** How the case stands. */
export function faceWords({ ends }: Vocabulary, face: ClosingSide): string {
  switch (face) {
    case 'input-end':
      return `${ends.input} up`
    case 'output-end':
      return `${ends.output} up`
    case 'above':
      return 'top up'
    case 'below':
      return 'bottom up'
    case 'beside':
      return 'on its side'
  }
}

/** The marks of a piece, and what it is put in with. */
export function partNotes(naming: Naming, { part }: AssemblyPart): readonly string[] {
  const piece = pieceOfRef(naming.box, part.ref)
  if (!piece) return []
  return [
    ...(piece.quantity !== undefined && piece.quantity > 1 ? [`${piece.quantity} of them.`] : []),
    ...(piece.marks ?? []).map(({ kind, text, with: other }) => {
      const said = inWords(naming.words, text ?? MARK_SENTENCES[kind])
      return other === undefined
        ? said
        : `${said} Goes with the ${unitPartName(naming, pathTo('piece', other))}.`
    }),
    ...(piece.putInWith === undefined
      ? []
      : [`Put in with ${inWords(naming.words, piece.putInWith)}.`]),
    ...(piece.partNumber === undefined ? [] : [`Part number ${piece.partNumber}.`]),
  ]
}

const MARK_SENTENCES = {
  timing: 'Line up its timing marks.',
  matched: 'A matched pair: mark both before they part.',
  numbered: 'Numbered: mind which is which.',
  'way-round': 'Goes one way round only: mark which.',
  'oil-hole': 'Line up its oil hole.',
} as const

const FIELD_NAMES: Readonly<Record<ComparedField, string>> = {
  partNumber: 'part number',
  toothCount: 'teeth',
  faceWidthMm: 'face width',
  mount: 'how it sits',
  lengthMm: 'length',
  boreMm: 'bore',
  outsideMm: 'outside',
  quantity: 'quantity',
  fit: 'how it is held',
  isSplit: 'in halves',
  putInWith: 'put in with',
}

/** One difference as a line: what it is of, and how it is on either side. */
interface DifferenceWords {
  readonly what: string
  readonly one: string
  readonly other: string
}

/** What a field of a part says; a length in the given unit. */
function fieldWords(value: unknown, unit: LengthUnit | null): string {
  if (typeof value === 'number' && unit) return formatLength(value, unit)
  if (typeof value === 'number' || typeof value === 'string') return `${value}`
  return value === true ? 'yes' : 'not said'
}

function measuredWords(valueMm: number | null, unit: LengthUnit): string {
  return valueMm === null ? 'not measured' : formatLength(valueMm, unit)
}

function shimWords(shims: readonly number[], unit: LengthUnit): string {
  if (shims.length === 0) return 'none'
  return shims.map((each) => formatLength(each / STACK_UNITS_PER_MM, unit)).join(' + ')
}

/** A difference in words; what only the other has is called as it is there. */
export function differenceWords(
  naming: Naming,
  others: Naming,
  difference: Difference,
): DifferenceWords {
  const unit = naming.words.lengthUnit
  switch (difference.kind) {
    case 'only': {
      const isHere = difference.on === 'one'
      return {
        what: unitPartName(isHere ? naming : others, difference.ref),
        one: isHere ? 'there' : 'not there',
        other: isHere ? 'not there' : 'there',
      }
    }
    case 'field': {
      const isLength = difference.field.endsWith('Mm')
      return {
        what: `${FIELD_NAMES[difference.field]} of the ${unitPartName(naming, difference.ref)}`,
        one: fieldWords(difference.one, isLength ? unit : null),
        other: fieldWords(difference.other, isLength ? unit : null),
      }
    }
    case 'shims':
      return {
        what: `shims of the ${unitPartName(naming, difference.ref)}`,
        one: shimWords(difference.one, unit),
        other: shimWords(difference.other, unit),
      }
    case 'end-play':
      return {
        what: `end play of the ${unitPartName(naming, difference.ref)}`,
        one: measuredWords(difference.one, unit),
        other: measuredWords(difference.other, unit),
      }
    case 'renewed': {
      const isHere = difference.on === 'one'
      return {
        what: inWords(naming.words, difference.what),
        one: isHere ? 'new' : 'not renewed',
        other: isHere ? 'not renewed' : 'new',
      }
    }
    case 'order': {
      const [first, then] = [difference.first, difference.then].map((ref) =>
        unitPartName(naming, ref),
      )
      return { what: `${first} and ${then}`, one: 'in this order', other: 'the other way round' }
    }
  }
}
