import { TERM_IDS, termTitle, termsIn } from './glossary.ts'
import { termMeaning } from './meanings.ts'
import { PLAIN_WORDS, vocabularyOf } from './vocabulary.ts'

const LAYSHAFT = vocabularyOf({
  vocabulary: 'layshaft',
  ends: 'input-output',
  lengthUnit: 'mm',
})

const explained = (texts: readonly string[], words = PLAIN_WORDS) =>
  termsIn(words, texts).map((parts) =>
    parts.map(({ text, term }) => (term ? `[${text}]` : text)).join(''),
  )

test('a term is explained where it stands first, and not again', () => {
  expect(
    explained([
      'The 1–2 sleeve locks the gear to the main shaft.',
      'The head gear turns; the sleeve stays on the main shaft.',
    ]),
  ).toEqual([
    'The 1–2 [sleeve] locks the gear to the [main shaft].',
    'The [head gear] turns; the sleeve stays on the main shaft.',
  ])
})

test('the longer of two terms is the one that is meant, and parts of words are none', () => {
  expect(explained(['The dog ring has hubs, not a hubcap.'])).toEqual([
    'The [dog ring] has [hubs], not a hubcap.',
  ])
})

test('in another vocabulary its own words are explained', () => {
  expect(explained(['The collar sits on the layshaft.'], LAYSHAFT)).toEqual([
    'The [collar] sits on the [layshaft].',
  ])
  expect(termTitle(LAYSHAFT, 'countershaft')).toBe('layshaft')
})

test('taking the pieces together gives the text again', () => {
  for (const id of TERM_IDS) {
    const meaning = termMeaning(PLAIN_WORDS, id)
    const [parts = []] = termsIn(PLAIN_WORDS, [meaning])
    expect(parts.map(({ text }) => text).join('')).toBe(meaning)
  }
})
