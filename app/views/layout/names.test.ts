import { parseName } from './names.ts'

test('a name is kept without the spaces around it, and none where nothing is typed', () => {
  expect(parseName('  head gear ')).toEqual({ ok: true, name: 'head gear' })
  expect(parseName('   ')).toEqual({ ok: true, name: undefined })
})

test('a name that is too long is refused with its length, never cut', () => {
  expect(parseName('x'.repeat(120))).toEqual({ ok: true, name: 'x'.repeat(120) })
  expect(parseName('x'.repeat(131))).toEqual({
    ok: false,
    sentence: 'This has 131 characters; 120 are kept at most. Shorten it.',
  })
})
