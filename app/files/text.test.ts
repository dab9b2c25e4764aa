import { nameWith, parseJson, storable, writtenText } from './text.ts'

// What PostgreSQL's text cannot hold: its documentation on character types (NUL), and
// RFC 3629 on surrogates in UTF-8.
test.each([
  ['a NUL', 'rear\u0000 seal', 'rear seal'],
  ['the first half of a pair', 'seal \ud83d', 'seal \ufffd'],
  ['the second half of a pair', '\ude00 seal', '\ufffd seal'],
  ['a whole pair', 'seal \ud83d\ude00', 'seal \ud83d\ude00'],
  ['new lines and tabs', 'a\n\tb', 'a\n\tb'],
])('text with %s can be kept', (_case, given, kept) => {
  expect(storable(given)).toBe(kept)
  expect(writtenText().parse(given)).toBe(kept)
})

test('JSON is made storable in keys and in values, however deep', () => {
  const given = JSON.stringify({ 'k\u0000': [{ note: 'x\u0000y' }], n: 1, none: null })
  expect(parseJson(given)).toEqual({
    ok: true,
    content: { k: [{ note: 'xy' }], n: 1, none: null },
  })
})

test('what is no JSON, and what is nested beyond all pages, is told apart', () => {
  expect(parseJson('{')).toEqual({ ok: false, code: 'not-json' })
  expect(parseJson('['.repeat(5_000) + ']'.repeat(5_000))).toEqual({ ok: false, code: 'too-deep' })
  expect(parseJson('{"a":'.repeat(5_000) + '1' + '}'.repeat(5_000))).toEqual({
    ok: false,
    code: 'too-deep',
  })
})

test('what comes after a name stays whole where the name has to make room for it', () => {
  expect(nameWith('Unit 7', ' (copy)')).toBe('Unit 7 (copy)')
  expect(nameWith('x'.repeat(120), ' (copy)')).toBe(`${'x'.repeat(113)} (copy)`)
  // Half of a surrogate pair at the cut is no character.
  expect(nameWith(`${'x'.repeat(112)}😀`, ' (copy)')).toBe(`${'x'.repeat(112)} (copy)`)
})
