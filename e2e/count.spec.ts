import {
  TRY_AGAIN,
  doWith,
  FOUR_SPEED_COUNTS,
  countAll,
  hearNothing,
  openDemo,
  startFourSpeed,
} from './pages.ts'
import { expect, openPage, startUdrix, test } from './udrix.ts'

test('impossible counts are refused at the field and the field keeps what was typed', async ({
  page,
}) => {
  await startFourSpeed(page, 'Bad counts')
  const field = page.getByRole('textbox', { name: 'Head gear, input shaft' })
  for (const [typed, sentence] of [
    ['4', '4 teeth: a gear has 5 to 400. Count again.'],
    ['401', '401 teeth: a gear has 5 to 400. Count again.'],
    ['31.5', '31.5 is not a whole number, and teeth are counted whole. Count again.'],
    ['many', '“many” is not a number. Enter the teeth in digits.'],
  ] as const) {
    await field.fill(typed)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('alert').filter({ hasText: sentence })).toBeVisible()
    await expect(field).toHaveValue(typed)
  }
  await expect(page.getByTestId('progress')).toHaveText('0 counted, 0 confirmed')
})

test('two counts that disagree stay flagged until they are settled', async ({ page }) => {
  const box = await startFourSpeed(page, 'Disputed box')
  await countAll(page, FOUR_SPEED_COUNTS)
  await page.getByRole('button', { name: 'Count again to confirm' }).click()
  const head = page.getByRole('button', { name: /^Head gear, input shaft/ })
  await head.click()
  await expect(head).toContainText('1st count hidden')
  await page.getByRole('textbox', { name: 'Head gear, input shaft' }).fill('21')
  await page.keyboard.press('Enter')
  await expect(head).toContainText('20 or 21')

  await page.goto(`${box}/trace?position=1`)
  await expect(page.getByText('Rests on a count in dispute: head gear, input shaft')).toBeVisible()
  await page.goto('/')
  await expect(page.getByText('Two counts disagree: head gear, input shaft')).toBeVisible()

  await page.goto(`${box}/count`)
  await page.getByRole('button', { name: '21 is right' }).click()
  await expect(head).toContainText('21')
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await page.goto(`${box}/trace?position=1`)
  // 40/21 × 40/20 by hand.
  await expect(page.getByTestId('exact')).toHaveText(/^80\s\/\s21$/)
})

test('a count can be taken back and entered again', async ({ page }) => {
  await startFourSpeed(page, 'Undo box')
  await page.keyboard.type('20')
  await page.keyboard.press('Enter')
  const head = page.getByRole('button', { name: /^Head gear, input shaft/ })
  await expect(head).toContainText('20')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(head).toContainText('not counted')
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(head).toContainText('20')
})

test('a stale count from a second tab becomes the second count, and both are told', async ({
  page,
  context,
}) => {
  await hearNothing(page)
  const box = await startFourSpeed(page, 'Two tabs')
  const second = await context.newPage()
  await second.goto(`${box}/count?gear=main-3`)
  await page.goto(`${box}/count?gear=main-3`)
  await second.getByRole('textbox', { name: '3rd gear, main shaft' }).fill('31')
  // The first count has to reach the server before the second one sets out.
  const kept = second.waitForResponse((response) => response.url().endsWith('/edits'))
  await second.keyboard.press('Enter')
  expect((await kept).ok()).toBe(true)
  await page.getByRole('textbox', { name: '3rd gear, main shaft' }).fill('32')
  await page.keyboard.press('Enter')
  await expect(
    page.getByText('Your 32 is kept as the second count. Settle which is right.'),
  ).toBeVisible()
  await expect(page.getByRole('button', { name: /^3rd gear, main shaft/ })).toContainText(
    '31 or 32',
  )
  await second.reload()
  await expect(second.getByRole('button', { name: /^3rd gear, main shaft/ })).toContainText(
    '31 or 32',
  )
})

test('with the database stopped an entry stays, says so, and is kept when it is back', async ({
  browser,
}) => {
  const udrix = await startUdrix('e2e-outage')
  const page = await openPage(browser, udrix.url)
  const box = await startFourSpeed(page, 'Outage box')
  await udrix.stopDatabase()
  await page.keyboard.type('20')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText(
    'Not yet kept: Udrix or its database does not answer. Your entry stays on this page',
  )
  await expect(page.getByRole('button', { name: /^Head gear, input shaft/ })).toContainText('20')
  expect((await page.request.get('/healthz', TRY_AGAIN)).status()).toBe(503)

  // A reload in the middle of it: a clear page, which opens by itself later.
  await page.reload()
  await expect(page.getByRole('heading', { name: 'The database does not answer' })).toBeVisible()
  await udrix.startDatabase()
  await expect(page.getByRole('button', { name: /^Head gear, input shaft/ })).toContainText('20', {
    timeout: 20_000,
  })
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  expect((await page.request.get('/healthz', TRY_AGAIN)).status()).toBe(200)
  // It is the database that has it now, and not the browser.
  await page.evaluate(() => {
    localStorage.clear()
  })
  await page.goto(`${box}/count`)
  await expect(page.getByRole('button', { name: /^Head gear, input shaft/ })).toContainText('20')
  await page.close()
  await udrix.stop()
})

test('twins on two countershafts are counted once, the second count on the other one', async ({
  page,
}) => {
  await openDemo(page, 'Grimsound ten', 'Count')
  // 22 gears: six on the second countershaft, and its idler, are twins.
  const box = page.url().replace(/\/count.*/, '')
  await page.goto(`${box}/count?gear=counter-b-1`)
  await expect(page.getByText('Gear 6 of 15')).toBeVisible()
  await expect(page.getByLabel(/^1st gear, countershaft a and countershaft b/)).toHaveValue('18')
  await page.goto(`${box}/count?gear=counter-b-1&pass=second`)
  await expect(
    page.getByText('Count it again, on the countershaft b: how many teeth?'),
  ).toBeVisible()
})

test('a warning is left as it is, and is told again once its figures are others', async ({
  page,
}) => {
  await startFourSpeed(page, 'Left so')
  // Sums of 60 teeth; the fourth gear counted, 1st on the main shaft, makes 65 with its mate of 20.
  await countAll(
    page,
    FOUR_SPEED_COUNTS.map((count, at) => (at === 3 ? 45 : count)),
  )
  const warning = page.getByText(/have 65 teeth together/)
  await page.locator('p', { has: warning }).getByRole('button', { name: 'Leave it so' }).click()
  await page.getByText('One warning left as it is').click()
  await expect(page.getByRole('listitem').filter({ has: warning })).toContainText('Left, ')
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByText('One warning left as it is')).toBeVisible()
  await page.getByRole('button', { name: /^1st gear, main shaft/ }).click()
  await page.getByRole('textbox', { name: '1st gear, main shaft' }).fill('46')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/have 66 teeth together/)).toBeVisible()
  await expect(page.getByText('One warning left as it is')).toHaveCount(0)
})

test('with the database stopped the bench and a new box say so and keep what was typed', async ({
  browser,
}) => {
  const udrix = await startUdrix('e2e-forms')
  const page = await openPage(browser, udrix.url)
  await page.goto('/new')
  await page.getByLabel('Name of the box').fill('Waiting box')
  await udrix.stopDatabase()
  await page.getByRole('button', { name: 'put it on the bench and count' }).click()
  await expect(page.getByRole('alert')).toContainText('The database does not answer')
  await expect(page.getByLabel('Name of the box')).toHaveValue('Waiting box')
  await udrix.startDatabase()
  await page.getByRole('button', { name: 'put it on the bench and count' }).click()
  await expect(page).toHaveURL(/\/count/)

  await page.goto('/')
  await udrix.stopDatabase()
  await doWith(page.getByRole('main'), /^More/, 'Duplicate')
  await expect(page.getByRole('alert')).toContainText('nothing was changed')
  await expect(page.getByRole('link', { name: 'Waiting box' })).toBeVisible()
  await udrix.startDatabase()
  await page.close()
  await udrix.stop()
})
