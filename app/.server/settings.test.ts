import { DEFAULT_SETTINGS } from '../settings.ts'
import { changeSettings, readSettings } from './settings.ts'

function request(cookie: string | null, form: Record<string, string> = {}): Request {
  return new Request('http://127.0.0.1/settings', {
    method: 'POST',
    body: new URLSearchParams(form),
    headers: cookie === null ? {} : { Cookie: cookie },
  })
}

/** What a browser sends back of a Set-Cookie header. */
function kept(header: string): string {
  return header.split(';')[0] ?? ''
}

test('without a cookie, or with a garbled one, the defaults hold', async () => {
  expect(await readSettings(request(null))).toEqual(DEFAULT_SETTINGS)
  expect(await readSettings(request('udrix-settings=%7Bnonsense'))).toEqual(DEFAULT_SETTINGS)
})

test('a change is kept beside the others', async () => {
  const dark = kept(await changeSettings(request(null, { theme: 'dark' })))
  const both = kept(await changeSettings(request(dark, { torqueUnit: 'lbft' })))
  expect(await readSettings(request(both))).toEqual({
    ...DEFAULT_SETTINGS,
    theme: 'dark',
    torqueUnit: 'lbft',
  })
})

test('the unit of a reading stays with its measure, and what is none is not kept', async () => {
  const unitsOf = async (readingUnits: string) =>
    (await readSettings(request(kept(await changeSettings(request(null, { readingUnits }))))))
      .readingUnits
  expect(await unitsOf('{"ring-gap":"in"}')).toEqual({ 'ring-gap': 'in' })
  for (const wrong of ['{"ring-gap":"stone"}', '{"weight":"mm"}', '[', '7'])
    expect(await unitsOf(wrong)).toEqual({})
})

test('a value that there is not is the default', async () => {
  const cookie = kept(await changeSettings(request(null, { theme: 'striped', vocabulary: 'x' })))
  expect(await readSettings(request(cookie))).toEqual(DEFAULT_SETTINGS)
})

test('initials are one to four letters, of any script', async () => {
  for (const [typed, stored] of [
    ['ÅÖ', 'ÅÖ'],
    ['A1', ''],
    ['ABCDE', ''],
  ] as const) {
    const cookie = kept(await changeSettings(request(null, { initials: typed })))
    expect((await readSettings(request(cookie))).initials).toBe(stored)
  }
})

test('the cookie is not for scripts, and not for other sites', async () => {
  expect(await changeSettings(request(null))).toMatch(/HttpOnly; SameSite=Lax/)
})
