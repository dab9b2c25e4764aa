import { FOUR_SPEED_COUNTS, countAll, startFourSpeed } from './pages.ts'
import { expect, openPage, startUdrix, test } from './udrix.ts'

test('a box is started, counted, traced, and is there after reload and crash', async ({
  browser,
}) => {
  const udrix = await startUdrix('e2e-flow')
  const page = await openPage(browser, udrix.url)
  const box = await startFourSpeed(page, 'Flow box')
  await countAll(page, FOUR_SPEED_COUNTS)

  // 40/20 × 40/20 by hand.
  await page.getByRole('link', { name: 'Trace', exact: true }).click()
  await expect(page.getByTestId('ratio')).toHaveText(/^4\.000\s:\s1$/)
  await expect(page.getByTestId('exact')).toHaveText('4')
  await expect(page.getByTestId('engaged')).toHaveText(
    'The 1–2 sleeve, moved towards the output end, locks the 1st gear to the main shaft.',
  )
  await expect(page.getByTestId('torque-out')).toHaveText(/^400\sN·m$/)
  await page
    .getByRole('navigation', { name: 'Positions' })
    .getByRole('link', { name: /^3/ })
    .click()
  await expect(page).toHaveURL(/position=3/)
  await expect(page.getByTestId('ratio')).toHaveText(/^2\.000\s:\s1$/)

  await page.reload()
  await expect(page.getByTestId('ratio')).toHaveText(/^2\.000\s:\s1$/)

  await udrix.crashServer()
  await page.goto(`${box}/trace?position=R`)
  // −40/20 × 25/20 × 40/25 by hand.
  await expect(page.getByTestId('ratio')).toHaveText(/^4\.000\s:\s1$/)
  await expect(page.getByText('the output turns against the input')).toBeVisible()

  await udrix.stopDatabase()
  await udrix.startDatabase()
  await page.goto(`${box}/ratios`)
  await expect(page.getByRole('row', { name: /^1/ })).toContainText('40/20 × 40/20')
  await page.close()
  await udrix.stop()
})

test('the whole way goes by keyboard alone', async ({ page }) => {
  const tabTo = async (name: RegExp) => {
    for (let presses = 0; presses < 100; presses++) {
      await page.keyboard.press('Tab')
      // Past the last element the focus is nowhere for one press.
      const label = await page.evaluate(() => {
        const element = document.activeElement
        if (element === document.body) return ''
        const labels = element instanceof HTMLInputElement ? element.labels?.[0]?.textContent : null
        return element?.getAttribute('aria-label') ?? labels ?? element?.textContent ?? ''
      })
      if (name.test(label)) return
    }
    throw new Error(`${name.source} cannot be reached with Tab`)
  }
  await page.goto('/')
  await tabTo(/Start a new box/)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/new$/)
  await tabTo(/Name of the box/)
  await page.keyboard.type('Keyboard box')
  await tabTo(/^5$/)
  await page.keyboard.press('ArrowLeft')
  // Four speeds start with direct fourth.
  await expect(page.getByText('direct in 4')).toBeVisible()
  await tabTo(/Put it on the bench/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toBeVisible()
  await tabTo(/I have read this/)
  await page.keyboard.press('Enter')
  await countAll(page, FOUR_SPEED_COUNTS)
  await tabTo(/^Trace$/)
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('ratio')).toHaveText(/^4\.000/)
  await page.keyboard.press('2')
  // 40/20 × 35/25 by hand.
  await expect(page.getByTestId('ratio')).toHaveText(/^2\.800/)
  await page.keyboard.press('ArrowRight')
  await expect(page.getByTestId('ratio')).toHaveText(/^2\.000/)
  await page.keyboard.press('r')
  await expect(page).toHaveURL(/position=R/)
  await page.keyboard.press('n')
  await expect(page.getByText('Neutral', { exact: true })).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Help' })).toBeVisible()
  await page.keyboard.press('Escape')
})

test('ratios follow the counts while they come in, and say what they need', async ({ page }) => {
  await startFourSpeed(page, 'Growing box')
  await expect(page.getByTestId('strip-4')).toHaveText(/^1\s:\s1$/)
  await expect(page.getByTestId('strip-1')).toHaveText('head gear ×2, 1st gear ×2')
  for (const [gear, count] of [
    ['Head gear, input shaft', 20],
    ['Head gear, countershaft', 40],
    ['3rd gear, countershaft', 30],
  ] as const) {
    await page.getByRole('button', { name: gear }).click()
    await page.getByRole('textbox', { name: gear }).fill(`${count}`)
    await page.keyboard.press('Enter')
  }
  await page.getByRole('button', { name: '3rd gear, main shaft' }).click()
  await expect(page.getByTestId('strip-3')).toHaveText('3rd gear')
  await page.getByRole('textbox', { name: '3rd gear, main shaft' }).fill('30')
  // Before Enter already: 40/20 × 30/30 by hand.
  await expect(page.getByTestId('strip-3')).toHaveText(/^2\.000/)
})
