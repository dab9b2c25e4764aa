import type { APIRequestContext } from '@playwright/test'

import { VOCABULARIES } from '../app/words/vocabulary.ts'
import { WAY } from '../app/views/box/way.ts'
import { TRY_AGAIN } from './pages.ts'
import { expect, test } from './udrix.ts'

/** Pages asked for together, as a few people would. */
const AT_ONCE = 6

/** All ids and all names that a box file has, at any depth. */
function idsAndNames(part: unknown, ids = new Set<string>(), names = new Set<string>()) {
  if (Array.isArray(part)) for (const each of part) idsAndNames(each, ids, names)
  else if (part !== null && typeof part === 'object')
    for (const [key, value] of Object.entries(part)) {
      if (key === 'id' && typeof value === 'string') ids.add(value)
      else if (['name', 'label', 'lever'].includes(key) && typeof value === 'string')
        names.add(value)
      else idsAndNames(value, ids, names)
    }
  return { ids, names }
}

/** What a page says: its text, and what it says to those who do not see it. */
function textsOf(html: string): readonly string[] {
  const seen = html.replace(/<(script|style)[\s\S]*?<\/\1>/g, '')
  const said = [...seen.matchAll(/ (?:aria-label|title|alt|placeholder)="([^"]*)"/g)]
  return [...seen.split(/<[^>]*>/), ...said.map(([, text = '']) => text)]
}

async function settingsCookie(request: APIRequestContext, vocabulary: string): Promise<string> {
  const answer = await request.post('/settings', {
    form: { vocabulary },
    maxRedirects: 0,
    ...TRY_AGAIN,
  })
  return (answer.headers()['set-cookie'] ?? '').split(';')[0] ?? ''
}

test('no page of any demo box shows an id of the model, in whatever words', async ({ request }) => {
  test.slow()
  const cookies: string[] = []
  for (const vocabulary of VOCABULARIES) cookies.push(await settingsCookie(request, vocabulary))
  const layshaft = cookies[VOCABULARIES.indexOf('layshaft')]
  const bench = await (await request.get('/', TRY_AGAIN)).text()
  const boxes = new Set([...bench.matchAll(/href="(\/boxes\/[0-9a-f-]{36})"/g)].map(([, to]) => to))
  expect(boxes.size).toBeGreaterThanOrEqual(15)
  const pages = WAY.flatMap((step) => step.pages)
  const shown: string[] = []
  for (const [boxAt, box] of [...boxes].entries()) {
    const { ids, names } = idsAndNames(await (await request.get(`${box}/file`, TRY_AGAIN)).json())
    // An id that is a word might be meant as a word; one with a dash or a colon is an id.
    const telling = [...ids].filter((id) => /[-:]/.test(id))
    const id = new RegExp(`(?<![\\w-])(${telling.join('|')})(?![\\w-])`, 'i')
    // A name may be written as ids are, and stand without its last word where there is little room.
    const alike = [...names]
      .flatMap((each) => [each, each.replace(/ [^ ]+$/, '')])
      .filter((each) => id.test(each))
    const withoutNames = (text: string): string =>
      alike.reduce((rest, each) => rest.replaceAll(each.toLowerCase(), ''), text.toLowerCase())
    const read = new Set<string>()
    // Every page of every box in one of the vocabularies, and every page in both; a few at once.
    const look = async (path: string, at: number): Promise<void> => {
      const Cookie = cookies[(boxAt + at) % cookies.length] ?? ''
      // To make hundreds of pages small would cost more than to send them.
      const headers = { Cookie, 'Accept-Encoding': 'identity' }
      const page = await request.get(`${box}/${path}`, { headers, ...TRY_AGAIN })
      expect([path, page.status()]).toEqual([path, 200])
      for (const text of textsOf(await page.text())) {
        // Most of a page stands on other pages too.
        if (read.has(`${Cookie}${text}`)) continue
        read.add(`${Cookie}${text}`)
        const [found] = id.exec(withoutNames(text)) ?? []
        if (found !== undefined) shown.push(`${path}: ${text}`)
        const other = Cookie === layshaft && /countershaft|\bsleeve/i.test(text)
        if (other) shown.push(`${path}, though who reads it says layshaft: ${text}`)
      }
    }
    for (let first = 0; first < pages.length; first += AT_ONCE)
      await Promise.all(
        pages.slice(first, first + AT_ONCE).map(({ path }, at) => look(path, first + at)),
      )
  }
  expect(shown).toEqual([])
})
