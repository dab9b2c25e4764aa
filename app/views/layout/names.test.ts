import { parseText } from './names.ts'

test('a name is kept without the spaces around it, and none where nothing is typed', () => {
  expect(parseText('  head gear ', 120)).toEqual({ ok: true, text: 'head gear' })
  expect(parseText('   ', 120)).toEqual({ ok: true, text: undefined })
})

test('a name that is too long is refused with its length, never cut', () => {
  expect(parseText('x'.repeat(120), 120)).toEqual({ ok: true, text: 'x'.repeat(120) })
  expect(parseText('x'.repeat(131), 120)).toEqual({
    ok: false,
    sentence: 'This has 131 characters; 120 are kept at most. Shorten it.',
  })
})
