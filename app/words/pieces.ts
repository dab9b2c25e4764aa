/** Bearings, spacers, forks and what else is held in the hand, in words. */
import type { Bearing, ClosingSide, Fit, MarkKind, Piece, PieceKind, PressSeat, WayOff } from 'core'
import { PIECE_DEFINITIONS, oncePer } from 'core'

import { formatLength } from './format.ts'
import type { Naming } from './names.ts'
import { bodyName, couplerLabel, placeName } from './names.ts'
import type { Vocabulary } from './vocabulary.ts'
import { inWords } from './vocabulary.ts'

/** A kind of piece in the chosen words. */
export function pieceKindWords(words: Vocabulary, kind: PieceKind): string {
  return kind === 'hub' ? words.hub : inWords(words, PIECE_DEFINITIONS[kind].word)
}

export const FIT_WORDS: Readonly<Record<Fit, string>> = {
  slides: 'slides on',
  pressed: 'pressed',
  'snap-ring': 'snapped into a groove',
  threaded: 'threaded',
  bolted: 'bolted',
}

export const PRESS_WORDS: Readonly<Record<PressSeat, string>> = {
  'inner-race': 'the inner race',
  'outer-race': 'the outer race',
  hub: 'the hub',
}

export function closingWords({ ends }: Vocabulary): Readonly<Record<ClosingSide, string>> {
  return {
    'input-end': `the ${ends.input}`,
    'output-end': `the ${ends.output}`,
    above: 'above',
    below: 'below',
    beside: 'the side',
  }
}

export const MARK_WORDS: Readonly<Record<MarkKind, string>> = {
  timing: 'timing marks',
  matched: 'matched pair',
  numbered: 'numbered',
  'way-round': 'one way round only',
  'oil-hole': 'oil hole to line up',
}

/** What tells a piece from others of its kind, besides where it stands: what it carries or belongs to. */
function belongingOf(naming: Naming, { carries = [], coupler, place, on, kind }: Piece): string {
  const { box } = naming
  const owner = coupler === undefined ? undefined : box.couplers.get(coupler)
  if (owner) {
    const at = owner.positions.find(({ id }) => id === place)
    return at ? `for ${placeName(naming, owner, at)}` : `of ${couplerLabel(naming, owner)}`
  }
  const [carried] = carries
  const gear = carried === undefined ? undefined : box.gears.get(carried)
  if (gear) return `under ${gear.label}, ${bodyName(naming, gear.member)}`
  if (on !== undefined) {
    const shaft = bodyName(naming, on)
    const isWithin = kind === 'needle-bearing' && carried !== undefined && box.members.has(carried)
    return isWithin ? `between ${shaft} and ${bodyName(naming, carried)}` : `of the ${shaft}`
  }
  return kind === 'idler-pin' && carried !== undefined ? `of the ${bodyName(naming, carried)}` : ''
}

/** What pieces that are told apart by a number only have in common. */
function likeness({ kind, on, coupler, place, carries }: Piece): string {
  return [kind, on, coupler, place, carries?.[0]].join('\n')
}

/** Pieces without a name of their own by their likeness, in their order along the shafts. */
const alikeIn = oncePer((pieces: readonly Piece[]): ReadonlyMap<string, readonly Piece[]> => {
  const found = new Map<string, Piece[]>()
  for (const each of pieces.filter(({ name }) => !name)) {
    const group = found.get(likeness(each))
    if (group) group.push(each)
    else found.set(likeness(each), [each])
  }
  const station = ({ stationMm = Number.MAX_VALUE }: Piece): number => stationMm
  for (const group of found.values()) group.sort((one, other) => station(one) - station(other))
  return found
})

function alikeWith(pieces: readonly Piece[], piece: Piece): readonly Piece[] {
  return alikeIn(pieces).get(likeness(piece)) ?? []
}

/** "needle bearing under 3rd, main shaft", "snap ring 2 of the main shaft", "fork of 3–4". */
export function pieceName(naming: Naming, piece: Piece): string {
  if (piece.name) return inWords(naming.words, piece.name)
  const alike = alikeWith(naming.box.draft.pieces ?? NO_PIECES, piece)
  const kind = pieceKindWords(naming.words, piece.kind)
  // Counted from the input end.
  const number = alike.length > 1 ? ` ${alike.indexOf(piece) + 1}` : ''
  return `${kind}${number} ${belongingOf(naming, piece)}`.trim()
}

const NO_PIECES: readonly Piece[] = []

/** A piece by its id; the id where it is gone. */
export function pieceNameById(naming: Naming, id: string): string {
  const piece = naming.box.pieces.get(id)
  return piece ? pieceName(naming, piece) : id
}

/** Over which end a piece comes off. */
export function wayOffWords({ ends }: Vocabulary, way: WayOff): string {
  if (way.how === 'sideways') return 'is opened and comes off sideways'
  const [first, second] = way.over
  if (first === undefined) return 'passes over neither end: the shaft is thicker on both sides'
  if (second !== undefined) return `comes off over either end`
  return `comes off over the ${first === 'input-end' ? ends.input : ends.output}`
}

/** What a piece bears on towards one end, or nothing. */
export function bearingWords(
  words: Vocabulary,
  { towards, on }: Bearing,
  nameOf: (ref: string) => string,
): string {
  const end = towards === 'input-end' ? words.ends.input : words.ends.output
  if (on === null) return `nothing towards the ${end}`
  const what =
    'ref' in on ? nameOf(on.ref) : `a shoulder of ${formatLength(on.shoulderMm, words.lengthUnit)}`
  return `${what} towards the ${end}`
}
