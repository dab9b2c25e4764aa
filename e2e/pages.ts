/** What several tests do on the pages. */
import type { Locator, Page } from '@playwright/test'
import { expect } from '@playwright/test'

/** Counts of a made-up four-speed with a sliding idler, in counting order. */
export const FOUR_SPEED_COUNTS = [20, 30, 35, 40, 40, 40, 30, 25, 20, 20, 25] as const

/** Starts a four-speed from the bench and lands on its Count page. */
export async function startFourSpeed(page: Page, name: string): Promise<string> {
  await page.goto('/')
  await page.getByRole('link', { name: 'Start a new box' }).click()
  await page.getByLabel('Name of the box').fill(name)
  await page.getByRole('group', { name: 'Forward positions' }).getByText('4').click()
  await page.getByRole('group', { name: 'Overdrives above direct' }).getByText('none').click()
  await page.getByRole('button', { name: 'put it on the bench and count' }).click()
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

/** Opens a demo box by a part of its name, on the given page of it. */
export async function openDemo(page: Page, name: string, tab: string) {
  await (await demoLink(page, name)).click()
  await turnTo(page, tab)
}

/** Where the pages of a demo box are. */
export async function addressOf(page: Page, name: string): Promise<string> {
  return (await (await demoLink(page, name)).getAttribute('href')) ?? ''
}

async function demoLink(page: Page, name: string): Promise<Locator> {
  await page.goto(`/?q=${encodeURIComponent(name)}`)
  // Other tests leave copies on the bench, which are no demo.
  return page
    .getByRole('link', { name })
    .filter({ has: page.getByText('demo', { exact: true }) })
    .first()
}

/** The step of the work in whose row a page stands, for pages that are none themselves. */
const STEP_OF: Readonly<Record<string, string>> = {
  Turns: 'Count',
  Ratios: 'Trace',
  History: 'Job',
  Positions: 'Lay out',
}

/** Goes to a page of the box that is open, as a person finds it. */
export async function turnTo(page: Page, title: string): Promise<void> {
  const step = STEP_OF[title]
  const steps = page.getByRole('navigation', { name: 'Steps of the work' })
  await steps.getByRole('link', { name: step ?? title, exact: true }).click()
  if (step !== undefined)
    await page
      .getByRole('navigation', { name: `Pages of ${step}` })
      .getByRole('link', { name: title, exact: true })
      .click()
  await expect(page).toHaveTitle(new RegExp(title === 'Positions' ? 'Lay out' : title))
}

/** Keeps a page from hearing of changes made elsewhere, so that what it shows grows old. */
export async function hearNothing(page: Page): Promise<void> {
  // The answer that tells a browser not to ask again.
  await page.route('**/events*', (route) => route.fulfill({ status: 204 }))
}

/** A copy of a demo box that nobody else looks at; returns its address. */
export async function duplicateOf(page: Page, name: string): Promise<string> {
  await page.goto(`/?q=${name}`)
  const copies = page.getByRole('link', { name: new RegExp(`${name}.*copy`) })
  const before = await copies.count()
  await page
    .getByRole('listitem')
    .filter({ hasText: name })
    .filter({ has: page.getByText('demo', { exact: true }) })
    .getByRole('button', { name: /^More with/ })
    .click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await expect(copies).toHaveCount(before + 1)
  return (await copies.first().getAttribute('href')) ?? ''
}

/** Does something with a whole box on the bench; `row` is the box, or the bench with one. */
export async function doWith(row: Locator, name: RegExp, item: string): Promise<void> {
  await row.getByRole('button', { name }).first().click()
  await row.page().getByRole('menuitem', { name: item }).click()
}
