/** Links lead somewhere: those of every page of a unit, as the server sends them. */
import type { Page } from '@playwright/test'

import { WAY } from '../app/views/box/way.ts'
import { TRY_AGAIN, addressOf, placeOf, turnWithin } from './pages.ts'
import { expect, test } from './udrix.ts'

/** The addresses of Udrix that a page links to. */
async function linksOf(page: Page, address: string): Promise<readonly string[]> {
  const answer = await page.request.get(address, TRY_AGAIN)
  expect([address, answer.status()]).toEqual([address, 200])
  const { origin } = new URL(answer.url())
  const links = [...(await answer.text()).matchAll(/<a [^>]*href="([^"#]+)/g)]
  return links
    .map(([, link = '']) => new URL(link.replaceAll('&amp;', '&'), answer.url()))
    .filter((link) => link.origin === origin)
    .map(({ pathname, search }) => pathname + search)
}

for (const name of ['Ostrel', 'Wrenfield'])
  test(`no link on a page of ${name} leads nowhere`, async ({ page }) => {
    const box = await addressOf(page, name)
    const addresses = WAY.flatMap(({ pages }) => pages.map(({ path }) => `${box}/${path}`))
    expect(addresses.length).toBeGreaterThan(30)
    /** One link to each page, whatever it asks of it, and where it stands. */
    const links = new Map<string, readonly [link: string, on: string]>()
    for (const on of addresses)
      for (const link of await linksOf(page, on)) links.set(link.replace(/\?.*/, ''), [link, on])
    for (const [link, on] of links.values()) {
      const answer = await page.request.get(link, TRY_AGAIN)
      expect([on, link, answer.status()]).toEqual([on, link, 200])
    }
  })

test('a page that is pressed while another comes is the one that stays', async ({ page }) => {
  await page.goto(`${await addressOf(page, 'Ostrel')}/count`)
  await page.locator('html[data-live]').waitFor({ state: 'attached' })
  await turnWithin(page, placeOf('Turns'))
  // The first is at hand, and what the second is made of comes long after it.
  await page.route('**/assets/closedBox-*.js', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1_000))
    await route.continue()
  })
  await page.evaluate(() => {
    const press = (path: string): void => {
      document.querySelector<HTMLAnchorElement>(`nav a[href$="${path}"]`)?.click()
    }
    press('/count')
    press('/turns/closed')
  })
  await expect(page).toHaveURL(/turns\/closed$/)
  await expect(page.getByRole('link', { name: 'Only turns known' })).toHaveAttribute(
    'aria-current',
    'page',
  )
})
