import { openDemo } from './pages.ts'
import { expect, test } from './udrix.ts'

test('a word of the trade says what it means, with a drawing, and leads to all of them', async ({
  page,
}) => {
  await openDemo(page, 'Ostrel', 'Trace')
  await page.keyboard.press('3')
  await page.getByTestId('engaged').first().getByRole('button', { name: 'sleeve' }).click()
  const meaning = page.getByRole('dialog', { name: 'Sleeve' })
  await expect(meaning.locator('svg')).toBeVisible()
  await expect(meaning).toContainText('Slides along the hub')
  await meaning.getByRole('link', { name: 'All words' }).click()
  await expect(page).toHaveURL(/glossary#sleeve$/)
  await expect(page.locator('#sleeve')).toBeInViewport()
})

test('who is here for the first time is shown round in five steps, and may leave at any', async ({
  page,
}) => {
  await page.goto('/')
  const offer = page.getByRole('region', { name: 'First time here' })
  await offer.getByRole('link', { name: 'Show me round' }).click()
  const tour = page.getByRole('region', { name: 'Tour' })
  for (const [at, title] of [
    [1, /Third|gear/],
    [2, /count/i],
    [3, /turn/i],
    [4, /measure/i],
  ] as const) {
    await expect(tour).toContainText(`${at} of 5`)
    await expect(tour).toContainText(title)
    await tour.getByRole('link', { name: 'Next' }).click()
  }
  await expect(tour).toContainText('5 of 5')
  await expect(page).toHaveURL(/\/job\?tour=5/)
  await tour.getByRole('link', { name: 'Leave the tour' }).click()
  await expect(tour).toBeHidden()
  // It is not offered again, and comes back from Help.
  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await expect(page.getByRole('link', { name: 'Start a new box' })).toBeVisible()
  await expect(offer).toBeHidden()
  await page.getByRole('button', { name: 'Help' }).click()
  await page.getByRole('link', { name: 'Show me round' }).click()
  await expect(tour).toContainText('1 of 5')
})
