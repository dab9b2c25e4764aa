import { doWith, FOUR_SPEED_COUNTS, countAll, startFourSpeed, turnTo } from './pages.ts'
import { expect, openPage, startUdrix, test } from './udrix.ts'

test('a box is started, counted, traced, and is there after reload and crash', async ({
  browser,
}) => {
  const udrix = await startUdrix('e2e-flow')
  const page = await openPage(browser, udrix.url)
  await page.goto('/')
  await page.getByRole('link', { name: 'Start a new box' }).click()
  await page.getByLabel('Name of the box').fill('Flow box')
  await page.getByRole('group', { name: 'Forward positions' }).getByText('4').click()
  await page.getByRole('group', { name: 'Overdrives above direct' }).getByText('none').click()
  await page.getByRole('button', { name: 'put it on the bench and count' }).click()
  await expect(page.getByRole('textbox', { name: 'Head gear, input shaft' })).toBeFocused()
  const box = page.url().replace(/\/count.*/, '')
  await countAll(page, FOUR_SPEED_COUNTS)

  // 40/20 × 40/20 by hand.
  await turnTo(page, 'Trace')
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
  await expect(page.getByRole('row', { name: /^1 (?!to)/ })).toContainText('40/20 × 40/20')
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
  await tabTo(/put it on the bench/)
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

test('third of a new five-speed is traced after three clicks and the four counts it needs', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Start a new box' }).click()
  await expect(page.getByText('Snap rings and detent springs fly')).toBeVisible()
  await page.getByRole('button', { name: 'put it on the bench and count' }).click()
  await page.getByRole('button', { name: /^3 needs/ }).click()
  await expect(page.getByText('3 first: 4 counts to go, then it is traced.')).toBeVisible()
  for (const [at, toothCount] of [24, 30, 37, 31].entries()) {
    await expect(page.getByText(new RegExp(`^3 first: ${4 - at} counts? to go`))).toBeVisible()
    await page.keyboard.type(`${toothCount}`)
    await page.keyboard.press('Enter')
  }
  // 37/24 × 30/31 by hand: 1110/744.
  await expect(page).toHaveURL(/\/trace\?position=3/)
  await expect(page.getByTestId('ratio')).toHaveText(/^1\.492/)
  await expect(page.getByRole('link', { name: 'Next: count 9 gears' })).toBeVisible()
  // Whoever goes back counts on, and is not led away again.
  await page.goBack()
  await page.getByRole('button', { name: /^2nd gear, main shaft/ }).click()
  await page.keyboard.type('35')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('progress')).toHaveText('5 counted, 0 confirmed')
  await expect(page).toHaveURL(/\/count/)
})

test('what finishes the most positions is asked for first; any gear can be counted at once', async ({
  page,
}) => {
  await startFourSpeed(page, 'Most first')
  await page.getByLabel('Ask first for').selectOption('what finishes the most positions')
  // All positions but direct need the head pair.
  await expect(page.getByRole('textbox', { name: /Head gear/ })).toBeFocused()
  await page.getByRole('button', { name: /^2nd gear, main shaft/ }).click()
  await page.keyboard.type('35')
  await page.keyboard.press('Enter')
  // What is begun goes on with the head gears, of which all others wait too.
  await expect(page.getByRole('textbox', { name: /Head gear/ })).toBeFocused()
})

test('a box that came with no count shows the cautions before the first one', async ({ page }) => {
  await startFourSpeed(page, 'Cautious')
  await page.goto('/?q=Cautious')
  await doWith(page.getByRole('main'), /^More with Cautious$/, 'Duplicate')
  await page.getByRole('link', { name: /Cautious \(copy\)/ }).click()
  await expect(page.getByRole('dialog')).toContainText('Snap rings and detent springs fly')
  await page.getByRole('button', { name: 'I have read this' }).click()
  await expect(page.getByRole('textbox', { name: 'Head gear, input shaft' })).toBeFocused()
})
