import { parseCount } from './parseCount.ts'

test.each([
  ['31', { ok: true, toothCount: 31 }],
  [' 400 ', { ok: true, toothCount: 400 }],
  ['', { ok: true, toothCount: null }],
  ['4', { ok: false, sentence: '4 teeth: a gear has 5 to 400. Count again.' }],
  ['401', { ok: false, sentence: '401 teeth: a gear has 5 to 400. Count again.' }],
  [
    '31,5',
    {
      ok: false,
      sentence: '31,5 is not a whole number, and teeth are counted whole. Count again.',
    },
  ],
  ['-12', { ok: false, sentence: '-12 teeth: a gear has 5 to 400. Count again.' }],
  ['abc', { ok: false, sentence: '“abc” is not a number. Enter the teeth in digits.' }],
])('%p', (text, result) => {
  expect(parseCount(text)).toEqual(result)
})
