import type { Locator, Page } from '@playwright/test'

import { expect, test } from './udrix.ts'

/** A laptop, a tablet held upright, a phone. */
const SIZES = [
  { name: 'laptop', width: 1280, height: 800 },
  { name: 'upright tablet', width: 820, height: 1180 },
  { name: 'phone', width: 390, height: 844 },
] as const

/** How a person gets at something: with a finger, or with the keyboard alone. */
type Hand = (what: Locator) => Promise<void>

const byTouch: Hand = (what) => what.tap()

/** Goes there with Tab, as far as it takes, and presses Enter. */
const byKeyboard: Hand = async (what) => {
  const page = what.page()
  for (let steps = 0; steps < 200; steps++) {
    if (await what.evaluate((element) => element === document.activeElement)) break
    await page.keyboard.press('Tab')
  }
  await expect(what).toBeFocused()
  await page.keyboard.press('Enter')
}

/** From the bench to the traced third of a new five-speed, and on to a job and back to the bench. */
async function mainFlow(page: Page, use: Hand, isPhone: boolean): Promise<void> {
  await page.goto('/')
  await use(page.getByRole('link', { name: 'Start a new box' }))
  await use(page.getByRole('button', { name: 'put it on the bench and count' }))
  await use(page.getByRole('button', { name: /^3 needs/ }))
  const field = page.getByRole('textbox', { name: /gear/i })
  await expect(field).toBeFocused()
  for (const [at, toothCount] of [24, 30, 37, 31].entries()) {
    await expect(page.getByText(new RegExp(`^3 first: ${4 - at} counts? to go`))).toBeVisible()
    // That is told as soon as the count before is typed; the next gear's field is empty.
    await expect(field).toHaveValue('')
    await expect(field).toBeFocused()
    await page.keyboard.type(`${toothCount}`)
    await page.keyboard.press('Enter')
  }
  // 37/24 × 30/31 by hand.
  await expect(page.getByTestId('ratio')).toHaveText(/^1\.492/)
  await use(page.getByRole('navigation', { name: 'Positions' }).getByRole('link', { name: /^4/ }))
  await expect(page.getByTestId('ratio')).toHaveText('1 : 1')
  if (isPhone) {
    await use(page.getByRole('button', { name: 'All pages of this box' }))
    await use(page.getByRole('dialog').getByRole('link', { name: 'Stages and log' }))
  } else
    await use(
      page
        .getByRole('navigation', { name: 'Steps of the work' })
        .getByRole('link', { name: 'Job', exact: true }),
    )
  await use(page.getByRole('button', { name: 'Open a job' }))
  await expect(page.getByText('Job 1', { exact: true })).toBeVisible()
  await use(page.getByRole('link', { name: 'Bench', exact: true }))
  await expect(page.getByRole('list', { name: 'Boxes on the bench' })).toContainText('Job 1')
}

for (const { name, width, height } of SIZES) {
  test.describe(name, () => {
    test.use({ viewport: { width, height }, hasTouch: true })

    test(`from the bench to third and to a job by touch on a ${name}`, async ({ page }) => {
      await mainFlow(page, byTouch, width < 640)
    })

    test(`from the bench to third and to a job by keyboard on a ${name}`, async ({ page }) => {
      await mainFlow(page, byKeyboard, width < 640)
    })
  })
}
