/** A box driven over a course: what is shown, set, refused, kept and saved. */
import { readFile } from 'node:fs/promises'

import { addressOf } from './pages.ts'
import { printed } from './pdf.ts'
import { expect, test } from './udrix.ts'

test('two clutches change without a gap, by hand there is one; a change is looked into and stays', async ({
  page,
}) => {
  await page.goto(`${await addressOf(page, 'Solvane')}/shift/drive`)
  const changes = page.getByRole('table', { name: 'Changes of gear' })
  await expect(changes.getByRole('row')).not.toHaveCount(0)
  await expect(changes).toContainText('was ready')
  const ways = page.getByRole('table', { name: 'The same drive, changed otherwise' })
  await expect(ways.getByRole('row')).toHaveCount(5)
  await changes
    .getByRole('button', { name: /^1 to 2/ })
    .first()
    .click()
  await expect(page).toHaveURL(/change=1/)
  await expect(page.getByRole('slider')).toHaveAttribute('aria-valuetext', /in 1, 2 ready/)
  await page.getByRole('slider').focus()
  await page.keyboard.press('End')
  await expect(page.getByRole('slider')).toHaveAttribute('aria-valuetext', /in 2/)
  await page.getByLabel('Gears changed').selectOption('clutch')
  await expect(changes).toContainText('through neutral')
  await expect(page).toHaveURL(/way=clutch/)
  await page.reload()
  await expect(changes).toContainText('through neutral')
  // The chart has the page's own type.
  const name = page.locator('svg text', { hasText: 'Wheels, N·m' })
  await expect(name).toHaveCSS('font-size', '14px')
  expect(await name.evaluate((text) => getComputedStyle(text).fontFamily)).toBe(
    await page.evaluate(() => getComputedStyle(document.body).fontFamily),
  )
  const text = (await printed(page, 'A4')).map((each) => each.text).join(' ')
  expect(text).toContain('Where the work went')
  expect(text).toContain('Wheels, N·m')
})

test('a rule is set, one beyond its limits refused', async ({ page }) => {
  await page.goto(`${await addressOf(page, 'Ostrel')}/shift/drive`)
  const changes = page.getByRole('table', { name: 'Changes of gear' })
  await expect(changes).toBeVisible()
  const before = await changes.getByRole('row').count()
  await page.getByText('Rules of changing').click()
  const up = page.getByLabel('Up, pedal let go, over')
  await up.fill('900000')
  await up.press('Enter')
  await expect(page.getByRole('alert')).toContainText('is 300 to 25000.')
  // Nobody changes up before the engine is there.
  await up.fill('9000')
  await up.press('Enter')
  await expect(page).toHaveURL(/up=9000/)
  await expect.poll(() => changes.getByRole('row').count()).toBeLessThan(before)
})

test('a course comes from a file, is kept on the device, and goes back out; a bad one is told line by line', async ({
  page,
}) => {
  await page.goto(`${await addressOf(page, 'Ostrel')}/shift/drive`)
  await expect(page.getByRole('table', { name: 'Changes of gear' })).toBeVisible()
  const choose = (text: string) =>
    page
      .getByLabel('CSV')
      .setInputFiles({ name: 'my road.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await choose('seconds,pedal %\n0,0\n5,30\n4,30\n')
  await expect(page.getByText('Line 4: its time, 4 s, is not after the 5 s')).toBeVisible()
  await choose(`seconds,pedal %\n${'1,1\n'.repeat(300_000)}`)
  await expect(page.getByText('This file is over 1 MB.', { exact: false })).toBeVisible()
  await choose('seconds,pedal %,gear\n0,40,\n12,40,9\n20,40,\n')
  await expect(page.getByText('asks for 9, which this box has not')).toBeVisible()
  await expect(page.getByRole('combobox', { name: 'Course' })).toHaveValue('own')
  await expect(page).toHaveURL(/drive=own/)
  await page.reload()
  await expect(page.getByText('asks for 9, which this box has not')).toBeVisible()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Result' }).click(),
  ])
  const lines = (await readFile(await file.path(), 'utf8')).split('\n')
  expect(lines[0]).toContain('seconds,km/h,engine rev/min')
  expect(lines.length).toBeGreaterThan(900)
})

test('other units are driven beside it, stand in the address, and can be taken out', async ({
  page,
}) => {
  await page.goto(`${await addressOf(page, 'Ostrel')}/shift/drive`)
  const choose = page.getByLabel('Drive another unit beside it')
  const table = page.getByRole('table', { name: 'The same drive in other units' })
  await choose.selectOption({ label: 'Solvane dual-clutch, unit 17' })
  await expect(table.getByRole('row', { name: /^Solvane.*clutch to clutch/ })).toContainText('m')
  await choose.selectOption({ label: 'Wrenfield motorcycle six-speed, unit 8' })
  await expect(table.getByRole('row')).toHaveCount(4)
  await expect(page).toHaveURL(/beside=[0-9a-f-]+\.[0-9a-f-]+/)
  await page.reload()
  await expect(table.getByRole('row')).toHaveCount(4)
  await page.getByRole('button', { name: /^Take out Solvane/ }).click()
  await expect(table.getByRole('row')).toHaveCount(3)
  await expect(table).not.toContainText('Solvane')
})

test('a chart that cannot be had says so, and its figures stand all the same', async ({ page }) => {
  await page.route(/\/chart-[^/]*\.js$/, (route) => route.fulfill({ status: 404 }))
  await page.goto(`${await addressOf(page, 'Ostrel')}/shift/drive`)
  await expect(page.getByText(/^The chart cannot be drawn now/)).toBeVisible()
  await expect(page.getByRole('table', { name: 'Changes of gear' })).toBeVisible()
})
