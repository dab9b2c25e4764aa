/** Listed positions beside those found, and what a full list would be. */
import type { BoxDraft, BoxPosition, CouplerPlaces, Rational } from 'core'
import {
  brokenInterlock,
  brokenRule,
  centreOf,
  freshId,
  fullPlaces,
  isNearRepeat,
  parseFraction,
} from 'core'

import type { FoundRow } from './findAll.ts'

export interface ProposedRow {
  readonly places: CouplerPlaces
  readonly ratio: Rational
  readonly barredBy: string | null
  readonly listed: BoxPosition | undefined
  /** What it would be called. */
  readonly label: string
  /** The row before it whose ratio is the same, or within the share that counts as near. */
  readonly near: { readonly label: string; readonly isSame: boolean } | null
}

function keyOf(draft: BoxDraft, places: CouplerPlaces): string {
  const full = fullPlaces(draft.couplers, places)
  return draft.couplers.map(({ id }) => full[id]).join('\n')
}

/** The rows in ratio order; names are those listed, and numbers by order for the others. */
export function proposeRows(
  draft: BoxDraft,
  rows: readonly FoundRow[],
  nearPercent: number,
): readonly ProposedRow[] {
  const listed = new Map(draft.positions.map((each) => [keyOf(draft, each.couplers), each]))
  const forward = rows[0] ? parseFraction(rows[0].ratio).sign() : 1
  const taken = new Set(draft.positions.map(({ label }) => label))
  let ahead = 0
  let back = 0
  const freeLabel = (wanted: string): string => {
    let label = wanted
    for (let again = 2; taken.has(label); again++) label = `${wanted} (${again})`
    taken.add(label)
    return label
  }
  let before: { readonly ratio: Rational; readonly label: string } | undefined
  return rows.map(({ places, ratio: text, barredBy }) => {
    const ratio = parseFraction(text)
    const position = listed.get(keyOf(draft, places))
    const isForward = ratio.sign() === forward
    if (barredBy === null) {
      if (isForward) ahead++
      else back++
    }
    const wanted = isForward ? `${ahead}` : back > 1 ? `R${back}` : 'R'
    const label = position?.label ?? (barredBy === null ? freeLabel(wanted) : '–')
    const near =
      barredBy === null && before && isNearRepeat(before.ratio, ratio, nearPercent)
        ? { label: before.label, isSame: before.ratio.equals(ratio) }
        : null
    if (barredBy === null) before = { ratio, label }
    return { places, ratio, barredBy, listed: position, label, near }
  })
}

function asPosition(draft: BoxDraft, { places, label }: ProposedRow): BoxPosition {
  const centres = new Map(draft.couplers.map((coupler) => [coupler.id, centreOf(coupler)?.id]))
  return {
    id: freshId(draft, 'position'),
    label,
    couplers: Object.fromEntries(
      Object.entries(places).filter(([coupler, place]) => centres.get(coupler) !== place),
    ),
  }
}

export function listRow(draft: BoxDraft, row: ProposedRow): BoxDraft {
  return row.listed ? draft : { ...draft, positions: [...draft.positions, asPosition(draft, row)] }
}

/** Every usable position listed, in ratio order; what drives nothing, such as neutral, stays after. */
export function listAll(draft: BoxDraft, rows: readonly ProposedRow[]): BoxDraft {
  const usable = rows.filter(({ barredBy }) => barredBy === null)
  let next = draft
  for (const row of usable) next = listRow(next, row)
  const rank = new Map(usable.map(({ places }, at) => [keyOf(next, places), at]))
  const rankOf = (position: BoxPosition): number =>
    rank.get(keyOf(next, position.couplers)) ?? usable.length
  return {
    ...next,
    positions: [...next.positions].sort((one, other) => rankOf(one) - rankOf(other)),
  }
}

/** A rule against exactly these places; the position goes off the list. */
export function forbidRow(draft: BoxDraft, { places, listed, label }: ProposedRow): BoxDraft {
  const rule = {
    id: freshId(draft, 'rule'),
    forbids: places,
    reason: `${label} is not to be used.`,
  }
  return {
    ...draft,
    positions: draft.positions.filter((position) => position !== listed),
    rules: [...(draft.rules ?? []), rule],
  }
}

/** Why no driver gets to these places, in a sentence. */
export function barWords(draft: BoxDraft, places: CouplerPlaces): string {
  if (brokenInterlock(draft, places)) return 'The interlock lets only one of its couplers move.'
  return brokenRule(draft, places)?.reason ?? ''
}
