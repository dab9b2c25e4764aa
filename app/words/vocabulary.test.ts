import { inWords, vocabularyOf } from './vocabulary.ts'

const words = (vocabulary: 'countershaft' | 'layshaft') =>
  vocabularyOf({ vocabulary, ends: 'input-output', lengthUnit: 'mm' })

// The two vocabularies of the trade: common practice.
test.each([
  ['countershaft a', 'layshaft a'],
  ['inner input shaft', 'inner first-motion shaft'],
  ['Heavy, two countershafts', 'Heavy, two layshafts'],
  ['Countershaft', 'Layshaft'],
  ['1–2 sleeve', '1–2 collar'],
  ['sleeveless', 'sleeveless'],
  ['output shaft', 'output shaft'],
])('"%s" is "%s" to who says layshaft, and itself in plain words', (plain, layshaft) => {
  expect(inWords(words('layshaft'), plain)).toBe(layshaft)
  expect(inWords(words('countershaft'), plain)).toBe(plain)
})
