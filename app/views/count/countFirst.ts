/** What a person wants counted first, as the address of Count has it. */
import type { BoxDraft, Gear, PositionAnalysis } from 'core'
import { countsFor, mostFinishing } from 'core'

/** Shaft by shaft; whatever makes positions whole soonest; or what one position waits for. */
export type CountFirst =
  | { readonly kind: 'shafts' }
  | { readonly kind: 'most' }
  | { readonly kind: 'position'; readonly position: PositionAnalysis }

const MOST = 'most'
const OF_POSITION = 'for:'

/** An address that names nothing there is means shaft by shaft. */
export function readFirst(text: string | null, positions: readonly PositionAnalysis[]): CountFirst {
  if (text === MOST) return { kind: 'most' }
  const position = positions.find((each) => text === OF_POSITION + each.position.id)
  return position ? { kind: 'position', position } : { kind: 'shafts' }
}

export function formatFirst(first: CountFirst): string {
  if (first.kind === 'most') return MOST
  return first.kind === 'position' ? OF_POSITION + first.position.position.id : ''
}

/** The gear to ask for next; undefined where the order along the shafts says it. */
export function firstGear(
  draft: BoxDraft,
  positions: readonly PositionAnalysis[],
  first: CountFirst,
): Gear | undefined {
  if (first.kind === 'most') return mostFinishing(draft, positions)
  return first.kind === 'position' ? countsFor(draft, first.position)[0] : undefined
}
