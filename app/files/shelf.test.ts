import {
  atHand,
  formatPieces,
  parsePieces,
  parseStock,
  shelfSchema,
  usualShelf,
  stackText,
  withPieces,
  withStock,
} from './shelf.ts'

test.each([
  {
    text: '0.05 0.10x2; 0,15',
    unit: 'mm',
    expected: [
      [500, 1, '0.05', 'mm'],
      [1000, 2, '0.10', 'mm'],
      [1500, 1, '0,15', 'mm'],
    ],
  },
  // 15 thousandths of an inch are 0.381 mm; 25.4 mm an inch exactly, NIST SP 811.
  { text: '15', unit: 'thou', expected: [[3810, 1, '15', 'thou']] },
  {
    text: '0.015 0.05mm x2 16thou 0.002"',
    unit: 'in',
    expected: [
      [3810, 1, '0.015', 'in'],
      [500, 2, '0.05', 'mm'],
      [4064, 1, '16', 'thou'],
      [508, 1, '0.002', 'in'],
    ],
  },
  {
    text: '0.05 mm 0.1 mm x3',
    unit: 'in',
    expected: [
      [500, 1, '0.05', 'mm'],
      [1000, 3, '0.1', 'mm'],
    ],
  },
  { text: '', unit: 'mm', expected: [] },
] as const)('“$text” in $unit', ({ text, unit, expected }) => {
  expect(parsePieces(text, unit)).toEqual({
    ok: true,
    pieces: expected.map(([thickness, quantity, written, of]) => ({
      thickness,
      quantity,
      written: { text: written, unit: of },
    })),
  })
})

test.each([
  { text: 'thin', sentence: /“thin” is no thickness/ },
  { text: '40', sentence: /40 millimetres is no thickness .* Look at the unit/ },
  { text: Array.from({ length: 61 }, () => '0.1').join(' '), sentence: /60 sizes at most/ },
])('“$text” is refused', ({ text, sentence }) => {
  const parsed = parsePieces(text, 'mm')
  expect(parsed.ok ? '' : parsed.sentence).toMatch(sentence)
})

test('a text of more characters than sizes take is refused by its length', () => {
  expect(parsePieces(`1${' '.repeat(4_000)}y`, 'mm')).toEqual({
    ok: false,
    sentence: 'This has 4002 characters; 4000 are kept at most. Shorten it.',
  })
})

test('pieces are shown as they were typed, and kept by showing and typing them again', () => {
  const typed = '0.05mm  0.10mm x2  0.015'
  const parsed = parsePieces(typed, 'in')
  if (!parsed.ok) throw new Error(parsed.sentence)
  expect(formatPieces(parsed.pieces, 'in')).toBe(typed)
  expect(formatPieces(parsed.pieces, 'mm')).toBe('0.05  0.10 x2  0.015in')
  expect(parsePieces(formatPieces(parsed.pieces, 'mm'), 'mm')).toEqual(parsed)
})

// An inch is 25.4 mm (ISO 31-1): 0.0015 in is 0.0381 mm.
test('a shop that works in inches finds a set of inch leaves', () => {
  const [thinnest] = usualShelf('in').leaves
  expect(thinnest).toMatchObject({ thickness: 381, written: { text: '0.0015', unit: 'in' } })
  expect(stackText(usualShelf('in').leaves, [3810], 'in')).toBe('0.015 in')
  expect(stackText(usualShelf('mm').leaves, [1500], 'mm')).toBe('0.15 mm')
  for (const unit of ['mm', 'in'] as const)
    expect(shelfSchema.parse(usualShelf(unit))).toBeDefined()
})

test('a stack goes by what is written on its leaves', () => {
  const inches = parsePieces('0.015 0.016', 'in')
  const mixed = parsePieces('0.015in 0.05', 'mm')
  if (!inches.ok || !mixed.ok) throw new Error('not read')
  // 0.015 + 0.016 leaves make 0.031; common practice.
  expect(stackText(inches.pieces, [4064, 3810], 'thou')).toBe('0.016 + 0.015 = 0.031 in')
  expect(stackText(inches.pieces, [3810], 'mm')).toBe('0.015 in')
  expect(stackText(mixed.pieces, [3810, 500], 'mm')).toBe('0.015 in + 0.05 mm = 0.431 mm')
})

test('what is put to the shelf is one row with what is there of that size, by thickness', () => {
  const pieces = (text: string) => {
    const parsed = parsePieces(text, 'mm')
    return parsed.ok ? parsed.pieces : []
  }
  expect(formatPieces(withPieces(pieces('0.50 0.10 x2'), pieces('0.10 0.30')), 'mm')).toBe(
    '0.10 x3  0.30  0.50',
  )
  // A leaf of an inch set stays one of its own.
  expect(withPieces(pieces('0.254'), pieces('0.010in'))).toHaveLength(2)
})

test.each(['0.10 x0', '0.10 x100'])('%s is refused with how many there can be', (text) => {
  const parsed = parsePieces(text, 'mm')
  expect(parsed.ok ? '' : parsed.sentence).toContain('1 to 99')
})

describe('parts on the shelf', () => {
  test('a line is a number, what it is, and how many', () => {
    expect(parseStock('RB 15-35, roller bearing, 3')).toEqual({
      ok: true,
      item: { partNumber: 'RB 15-35', what: 'roller bearing', quantity: 3 },
    })
    expect(parseStock('SR 22')).toEqual({
      ok: true,
      item: { partNumber: 'SR 22', what: '', quantity: 1 },
    })
    for (const text of ['', ', bearing', 'RB, bearing, many', 'RB, bearing, 0', 'a, b, 1, d'])
      expect(parseStock(text)).toMatchObject({ ok: false })
  })

  test('a number or a name that is too long says how long it is', () => {
    expect(parseStock(`${'7'.repeat(61)}, bearing`)).toEqual({
      ok: false,
      sentence: 'This has 61 characters; 60 are kept at most. Shorten it.',
    })
    expect(parseStock(`RB, ${'x'.repeat(121)}`)).toEqual({
      ok: false,
      sentence: 'This has 121 characters; 120 are kept at most. Shorten it.',
    })
  })

  test('numbers are alike whatever their spaces and letters', () => {
    const stock = withStock([{ partNumber: 'RB 15-35', what: 'roller bearing', quantity: 2 }], {
      partNumber: 'rb15-35',
      what: '',
      quantity: 3,
    })
    expect(stock).toEqual([{ partNumber: 'RB 15-35', what: 'roller bearing', quantity: 5 }])
    expect(atHand(stock, 'RB15-35')).toBe(5)
    expect(atHand(stock, 'RB 15')).toBe(0)
    expect(atHand(stock, undefined)).toBe(0)
  })

  test('a shelf that was kept before it had parts has none', () => {
    expect(shelfSchema.parse({ initials: [], leaves: [], shims: [] }).stock).toEqual([])
  })
})
