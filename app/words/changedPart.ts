/** What a part that a change is about is called. */
import type { BoxDraft, Change, InterlockPart, Link, Piece, Selector } from 'core'
import { applyChanges } from 'core'

import type { Naming } from './names.ts'
import { bodyName, couplerName, gearName, lineName, linkName } from './names.ts'
import { pieceName } from './pieces.ts'
import { precedenceWords } from './build.ts'
import { sheetLineName } from './sheet.ts'
import { interlockPartWords, rodName } from './shift.ts'

/** One of each list of a box. */
export const LIST_WORDS: Readonly<Record<Extract<Change, { kind: 'part' }>['list'], string>> = {
  axes: 'line',
  members: 'shaft',
  gears: 'gear',
  links: 'link',
  couplers: 'coupler',
  positions: 'position',
  interlocks: 'interlock',
  rules: 'rule',
  leftWarnings: 'warning',
  pieces: 'part',
  sheet: 'data sheet',
  precedences: 'order',
  selectors: 'rod',
  interlockParts: 'interlock part',
  drums: 'drum',
  clutches: 'clutch',
}

/**
 * The draft with every part that changes are about and that it has not: what was taken out
 * in the same breath names the rest.
 */
export function withPartsOf(draft: BoxDraft, changes: readonly Change[]): BoxDraft {
  return changes.reduce((named, change) => {
    if (change.kind !== 'part') return named
    const put = { ...change, before: null, after: change.after ?? change.before }
    const result = applyChanges(named, [put])
    return result.ok ? result.draft : named
  }, draft)
}

/** A piece as it is in the box, or as it was before it was taken out. */
function pieceOf(
  { pieces = [] }: BoxDraft,
  { id, before, after }: Extract<Change, { kind: 'part' }>,
): Piece | undefined {
  // A part of this list is a piece; its fields were checked when it was read.
  return (
    pieces.find((piece) => piece.id === id) ?? ((after ?? before) as unknown as Piece | undefined)
  )
}

/** What a part is called in the draft, or what it called itself. */
export function changedPartName(naming: Naming, change: Extract<Change, { kind: 'part' }>): string {
  const gear = change.list === 'gears' ? naming.box.gears.get(change.id) : undefined
  if (gear) return gearName(naming, gear)
  if (change.list === 'members' && naming.box.members.has(change.id))
    return bodyName(naming, change.id)
  const coupler = change.list === 'couplers' ? naming.box.couplers.get(change.id) : undefined
  if (coupler) return couplerName(naming, coupler)
  const piece = change.list === 'pieces' ? pieceOf(naming.box.draft, change) : undefined
  if (piece) return pieceName(naming, piece)
  if (change.list === 'precedences')
    return precedenceWords(naming, change.after ?? change.before ?? {})
  if (change.list === 'sheet') return sheetLineName(naming, change.after ?? change.before ?? {})
  const part = change.after ?? change.before
  // A part of this list is a link; its fields were checked when it was read.
  if (change.list === 'links' && part) return linkName(naming, part as unknown as Link)
  // Parts of these lists are rods and what lies between them; their fields were checked when they were read.
  if (change.list === 'selectors') return rodName(naming, part as unknown as Selector)
  if (change.list === 'interlockParts')
    return interlockPartWords(naming, part as unknown as InterlockPart)
  if (change.list === 'drums' || change.list === 'clutches') return LIST_WORDS[change.list]
  const own = part?.label ?? part?.name
  if (change.list === 'axes' && typeof own !== 'string')
    return `${LIST_WORDS.axes} of ${lineName(naming, change.id)}`
  if (change.list === 'gears' && typeof own === 'string' && typeof part?.member === 'string')
    return `${own}, ${bodyName(naming, part.member)}`
  return `${LIST_WORDS[change.list]} "${typeof own === 'string' ? own : change.id}"`
}
