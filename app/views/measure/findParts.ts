/** Parts of a unit found by what they are called, in any vocabulary. */
import type { UnitPart } from 'core'

import { unitPartName } from '~/words/jobs.ts'
import type { Naming } from '~/words/names.ts'
import { WORDS } from '~/words/vocabulary.ts'

/** A part with all that it may be called. */
interface SearchablePart {
  readonly part: UnitPart
  readonly text: string
}

export function searchableParts(
  { box, words }: Naming,
  parts: readonly UnitPart[],
  trays: ReadonlyMap<string, string>,
): readonly SearchablePart[] {
  const numbers = new Map((box.draft.pieces ?? []).map(({ id, partNumber }) => [id, partNumber]))
  const vocabularies = Object.values(WORDS).map((trade) => ({ ...words, ...trade }))
  return parts.map((part) => ({
    part,
    text: [
      ...vocabularies.map((each) => unitPartName({ box, words: each }, part.ref)),
      numbers.get(part.id) ?? '',
      trays.has(part.ref) ? `tray ${trays.get(part.ref) ?? ''}` : '',
    ]
      .join(' ')
      .toLowerCase(),
  }))
}

/** The parts whose names have every word that was typed. */
export function findParts(parts: readonly SearchablePart[], wanted: string): readonly UnitPart[] {
  const terms = wanted.toLowerCase().split(/\s+/).filter(Boolean)
  return parts.flatMap(({ part, text }) =>
    terms.every((term) => text.includes(term)) ? [part] : [],
  )
}
