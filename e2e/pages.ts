/** What several tests do on the pages. */
import type { Locator, Page } from '@playwright/test'
import { expect } from '@playwright/test'

import type { Here } from '../app/views/box/way.ts'
import { WAY } from '../app/views/box/way.ts'

/** A connection that was idle may be closed just as it is used again. */
export const TRY_AGAIN = { maxRetries: 3 }

/** Counts of a made-up four-speed with a sliding idler, in counting order. */
export const FOUR_SPEED_COUNTS = [20, 30, 35, 40, 40, 40, 30, 25, 20, 20, 25] as const

/** Puts a four-speed on the bench; returns its address. */
export async function putFourSpeed(page: Page, name: string): Promise<string> {
  const form = { name, pattern: 'three-shaft', speeds: '4', overdrives: '0' }
  const answer = await page.request.post('/new', { form, ...TRY_AGAIN })
  return new URL(answer.url()).pathname.replace(/\/count$/, '')
}

/** Puts a four-speed on the bench and opens its Count page. */
export async function startFourSpeed(page: Page, name: string): Promise<string> {
  await page.goto(`${await putFourSpeed(page, name)}/count`)
  await expect(page.getByRole('textbox', { name: 'Head gear, input shaft' })).toBeFocused()
  return page.url().replace(/\/count.*/, '')
}

/** Types the counts one after another with the keyboard alone. */
export async function countAll(page: Page, counts: readonly number[]): Promise<void> {
  for (const [at, count] of counts.entries()) {
    await expect(page.getByText(`Gear ${at + 1} of ${counts.length}`)).toBeVisible()
    await page.keyboard.type(`${count}`)
    await page.keyboard.press('Enter')
  }
  await expect(page.getByTestId('progress')).toHaveText(`${counts.length} counted, 0 confirmed`)
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
}

/** A box as the bench lists it. */
interface Listed {
  readonly address: string
  readonly words: string
}

/** The boxes on a page of the bench, which is read without being opened. */
function listedOn(bench: string): readonly Listed[] {
  const rows = bench.matchAll(/<a [^>]*href="(\/boxes\/[0-9a-f-]{36})"[^>]*>(.*?)<\/a>/gs)
  return [...rows].map(([, address = '', row = '']) => ({
    address,
    words: row.replaceAll(/<[^>]*>/g, ' '),
  }))
}

async function listedBy(page: Page, name: string): Promise<readonly Listed[]> {
  const bench = await page.request.get(`/?q=${encodeURIComponent(name)}`, TRY_AGAIN)
  return listedOn(await bench.text())
}

/** Where the pages of a demo box are, by a part of its name. */
export async function addressOf(page: Page, name: string): Promise<string> {
  // Other tests leave copies on the bench, which are no demo.
  const demo = (await listedBy(page, name)).find(({ words }) => /\bdemo\b/.test(words))
  if (!demo) throw new Error(`no demo box on the bench is called ${name}`)
  return demo.address
}

/** Opens a demo box by a part of its name, on the page or the step of the given title. */
export async function openDemo(page: Page, name: string, title: string): Promise<void> {
  const { page: wanted } = placeOf(title)
  await page.goto(`${await addressOf(page, name)}/${wanted.path}`)
}

/** The page of that title, or the first one of a step that has it. */
export function placeOf(title: string): Here {
  const named = WAY.find((step) => step.title === title)
  if (named) return { step: named, page: named.pages[0] }
  for (const step of WAY) {
    const found = step.pages.find((each) => each.title === title)
    if (found) return { step, page: found }
  }
  throw new Error(`no page is called ${title}`)
}

/** Goes to a page of the box that is open, as a person finds it. */
export async function turnTo(page: Page, title: string): Promise<void> {
  const { step, page: wanted } = placeOf(title)
  await page
    .getByRole('navigation', { name: 'Steps of the work' })
    .getByRole('link', { name: step.title, exact: true })
    .click()
  await turnWithin(page, { step, page: wanted })
}

/** Goes to a page of the step that is in hand. */
export async function turnWithin(page: Page, { step, page: { title } }: Here): Promise<void> {
  const link = page
    .getByRole('navigation', { name: `Pages of ${step.title}` })
    .getByRole('link', { name: title, exact: true })
  if ((await link.getAttribute('aria-current')) === null) await link.click()
  await expect(link).toHaveAttribute('aria-current', 'page')
}

/** Opens a job of a box, and a page of that box. */
export async function openJob(page: Page, box: string, path = 'job'): Promise<void> {
  await page.request.post(`${box}/job`, { form: {}, ...TRY_AGAIN })
  await page.goto(`${box}/${path}`)
}

/** Keeps a page from hearing of changes made elsewhere, so that what it shows grows old. */
export async function hearNothing(page: Page): Promise<void> {
  // What all windows share does not pass through one of them.
  await page.addInitScript(() => Reflect.deleteProperty(globalThis, 'SharedWorker'))
  // The answer that tells a browser not to ask again.
  await page.route('**/events*', (route) => route.fulfill({ status: 204 }))
}

/** A copy of a demo box that nobody else looks at; returns its address. */
export async function duplicateOf(page: Page, name: string): Promise<string> {
  const box = (await addressOf(page, name)).replace('/boxes/', '')
  const before = new Set((await listedBy(page, name)).map(({ address }) => address))
  const form = { box, intent: 'duplicate' }
  await page.request.post('/?index', { form, ...TRY_AGAIN })
  const copy = (await listedBy(page, name)).find(({ address }) => !before.has(address))
  if (!copy) throw new Error(`${name} was not copied`)
  return copy.address
}

/** Does something with a whole box on the bench; `row` is the box, or the bench with one. */
export async function doWith(row: Locator, name: RegExp, item: string): Promise<void> {
  await row.getByRole('button', { name }).first().click()
  await row.page().getByRole('menuitem', { name: item }).click()
}
