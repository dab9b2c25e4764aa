/** The words of the trade that are explained; what they mean is in `meanings.ts`, which no page waits for. */
import type { Vocabulary } from './vocabulary.ts'
import { inWords } from './vocabulary.ts'

/** As they stand in sentences, in the plain vocabulary and the order in which they build on one another; the first form is the heading. */
const FORMS = {
  ratio: ['ratio'],
  'input-shaft': ['input shaft'],
  countershaft: ['countershaft'],
  'main-shaft': ['main shaft'],
  'head-gear': ['head gear'],
  integral: ['integral', 'cut in one with the shaft'],
  free: ['free gear', 'free'],
  idler: ['idler'],
  hub: ['hub'],
  sleeve: ['sleeve'],
  'dog-teeth': ['dog teeth', 'dog ring', 'dogs'],
  'blocker-ring': ['blocker ring', 'ring gap'],
  synchronizer: ['synchronizer'],
  planetary: ['planetary set'],
  range: ['range section', 'range coupler'],
  splitter: ['splitter'],
  clutch: ['clutch'],
  overrun: ['overrun', 'the wheels drive'],
  interlock: ['interlock'],
  gate: ['gate'],
  drum: ['drum'],
  'star-wheel': ['star wheel', 'star'],
  'false-neutral': ['false neutral'],
  'back-taper': ['back-taper'],
  backlash: ['backlash'],
  'end-play': ['end play'],
  'run-out': ['run-out'],
} as const satisfies Readonly<Record<string, readonly [string, ...string[]]>>

export type TermId = keyof typeof FORMS

/** All of them, in the order of the page that shows them. */
export const TERM_IDS = Object.keys(FORMS) as readonly TermId[]

/** What a term is called by itself, in the words that the person has chosen. */
export function termTitle(words: Vocabulary, id: TermId): string {
  return inWords(words, FORMS[id][0])
}

/** A piece of a text: a term that is explained, or what stands between them. */
interface TextPart {
  readonly text: string
  readonly term: TermId | null
}

/**
 * Texts in pieces, so that each of `terms` can be explained where it stands for the first time
 * in them, whole words only. The texts are in the chosen words.
 */
export function termsIn(
  words: Vocabulary,
  texts: readonly string[],
  terms: readonly TermId[] = TERM_IDS,
): readonly (readonly TextPart[])[] {
  const idOf = new Map<string, TermId>()
  for (const id of terms)
    for (const form of FORMS[id]) idOf.set(inWords(words, form).toLowerCase(), id)
  // Longer ones first: "dog ring" is not a ring.
  const forms = [...idOf.keys()].sort((one, other) => other.length - one.length)
  const anyOfThem = new RegExp(`\\b(${forms.join('|')})(?:s?)\\b`, 'gi')
  const seen = new Set<TermId>()
  return texts.map((text) => {
    const parts: TextPart[] = []
    let done = 0
    for (const found of text.matchAll(anyOfThem)) {
      const id = idOf.get((found[1] ?? '').toLowerCase())
      if (id === undefined || seen.has(id)) continue
      seen.add(id)
      if (found.index > done) parts.push({ text: text.slice(done, found.index), term: null })
      parts.push({ text: found[0], term: id })
      done = found.index + found[0].length
    }
    if (done < text.length) parts.push({ text: text.slice(done), term: null })
    return parts
  })
}
