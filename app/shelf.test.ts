import { formatPieces, parsePieces } from './shelf.ts'

test.each([
  {
    text: '0.05 0.10x2; 0,15',
    unit: 'mm',
    expected: [
      [500, 1],
      [1000, 2],
      [1500, 1],
    ],
  },
  // 15 thousandths of an inch are 0.381 mm; 25.4 mm an inch exactly, NIST SP 811.
  { text: '15', unit: 'thou', expected: [[3810, 1]] },
  { text: '', unit: 'mm', expected: [] },
] as const)('“$text” in $unit', ({ text, unit, expected }) => {
  expect(parsePieces(text, unit)).toEqual({
    ok: true,
    pieces: expected.map(([thickness, quantity]) => ({ thickness, quantity })),
  })
})

test.each([
  { text: 'thin', sentence: /“thin” is no thickness/ },
  { text: '40', sentence: /Look at the unit/ },
  { text: Array.from({ length: 61 }, () => '0.1').join(' '), sentence: /60 sizes at most/ },
])('“$text” is refused', ({ text, sentence }) => {
  const parsed = parsePieces(text, 'mm')
  expect(parsed.ok ? '' : parsed.sentence).toMatch(sentence)
})

test('pieces are shown as they are typed', () => {
  const parsed = parsePieces('0.05 0.1 x2', 'mm')
  expect(parsed.ok && formatPieces(parsed.pieces, 'mm')).toBe('0.05  0.1 x2')
})
