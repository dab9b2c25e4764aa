import fs from 'node:fs'

import type { Page } from '@playwright/test'

import { FOUR_SPEED_COUNTS, doWith, openDemo, startFourSpeed, turnTo } from './pages.ts'
import { expect, test } from './udrix.ts'

async function download(page: Page, name: string | RegExp): Promise<string> {
  const waiting = page.waitForEvent('download')
  await page.getByRole('link', { name }).click()
  return await (await waiting).path()
}

const csv = (text: string) => ({
  name: 'counts.csv',
  mimeType: 'text/csv',
  buffer: Buffer.from(text),
})

test('counts go to a spreadsheet and come back, shown before they change', async ({ page }) => {
  await openDemo(page, 'Kestwick', 'Count')
  const text = fs.readFileSync(await download(page, 'Counts as CSV'), 'utf8')
  expect(text).toContain('input-1,input shaft,1st gear,fixed,14,')
  const chooser = page.getByRole('region', { name: 'Counts as a file' }).locator('input[type=file]')

  await chooser.setInputFiles(csv(text.replace('1st gear,fixed,14,', '1st gear,fixed,3,')))
  await expect(page.getByRole('alert')).toContainText('“3” is no tooth count')
  await chooser.setInputFiles(csv(text))
  await expect(page.getByText('These are the counts that the box has')).toBeVisible()

  await chooser.setInputFiles(csv(text.replace('1st gear,fixed,14,', '1st gear,fixed,15,')))
  const preview = page.getByRole('dialog')
  await expect(preview).toContainText('Change 1 count?')
  await expect(preview.getByRole('row').last()).toContainText('1st gear, input shaft')
  await preview.getByRole('button', { name: 'Change them' }).click()
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  // 32/15 by hand.
  await turnTo(page, 'Ratios')
  await expect(page.getByRole('row', { name: /^1 (?!to)/ })).toContainText('2.133')
  await turnTo(page, 'Count')
  await page.keyboard.press('Control+z')
})

/** Pastes as a spreadsheet has it on the clipboard, into the field that has the focus. */
async function paste(page: Page, text: string): Promise<void> {
  await page.evaluate((pasted) => {
    const clipboardData = new DataTransfer()
    clipboardData.setData('text/plain', pasted)
    const event = new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true })
    document.activeElement?.dispatchEvent(event)
  }, text)
}

test('a column of counts is pasted into Count, and into the table of parts', async ({ page }) => {
  await startFourSpeed(page, 'pasted')
  await paste(page, '20\nthirty\n')
  await expect(page.getByRole('alert')).toContainText('“thirty” is no tooth count')
  await paste(page, FOUR_SPEED_COUNTS.join('\r\n'))
  const preview = page.getByRole('dialog')
  await expect(preview).toContainText('Change 11 counts?')
  await preview.getByRole('button', { name: 'Change them' }).click()
  await expect(page.getByTestId('progress')).toHaveText('11 counted, 0 confirmed')
  await page.goto(page.url().replace(/count.*/, 'layout?view=parts'))
  await page.getByRole('textbox', { name: /^Teeth of 1st gear, main shaft/ }).focus()
  await paste(page, '41\n')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await paste(page, '41\n42')
  await expect(preview).toContainText('Change 2 counts?')
  await preview.getByRole('button', { name: 'Cancel' }).click()
})

test('ratios go to a spreadsheet with their exact value', async ({ page }) => {
  await openDemo(page, 'Ostrel', 'Ratios')
  const lines = fs.readFileSync(await download(page, 'Ratios as CSV'), 'utf8').split('\r\n')
  // 37/24 × 44/17 = 407/102 by hand.
  expect(lines[1]).toContain('drive,407/102,3.990196,')
  expect(lines[1]).toContain('37/24 x 44/17')
})

test('the drawing is a picture of its own, in the words and for the position chosen', async ({
  page,
}) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Settings' }).click()
  const layshaft = page.getByRole('menuitemradio', { name: /^layshaft/ })
  await layshaft.click()
  await expect(layshaft).toBeChecked()
  await page.keyboard.press('Escape')
  await openDemo(page, 'Fenwold', 'Trace')
  await page.keyboard.press('5')
  await expect(page).toHaveURL(/position=5/)
  const file = await download(page, 'Drawing, SVG')
  const text = fs.readFileSync(file, 'utf8')
  expect(text).toMatch(/^<\?xml/)
  expect(text).toContain('Layshaft')
  expect(text).toContain('class="ribbon"')
  expect(text).not.toContain('http://127')
  await page.goto('about:blank')
  await page.setContent(`<body>${text.replace(/^<\?xml[^>]*>/, '')}</body>`)
  const box = await page.locator('svg.section').boundingBox()
  expect(box?.height).toBeGreaterThan(200)
})

test('everything goes out as one archive and comes back, seen before it does', async ({ page }) => {
  await page.goto('/?q=Tarn')
  await page.getByRole('link', { name: 'Archive' }).click()
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take out the archive' }).click()
  const bytes = fs.readFileSync(await (await waiting).path())
  await expect(page.getByText('Taken out.')).toBeVisible()
  const chooser = page.locator('input[type=file]')
  const archive = { name: 'udrix.zip', mimeType: 'application/zip', buffer: bytes }
  await chooser.setInputFiles(archive)
  const preview = page.getByRole('dialog')
  await expect(preview).toContainText('are here already')
  await preview.getByRole('button', { name: 'Cancel' }).click()

  await chooser.setInputFiles({ ...archive, buffer: Buffer.from('not a zip') })
  await expect(page.getByRole('alert')).toContainText('not a ZIP archive')

  await page.goto('/?q=Tarn')
  await doWith(page.getByRole('main'), /^More with Tarn/, 'Rename')
  await page.getByLabel('New name').fill('Tarn, worked on')
  await page.getByRole('button', { name: 'Rename', exact: true }).click()
  await expect(page.getByRole('link', { name: 'Tarn, worked on' })).toBeVisible()
  await page.goto('/archive')
  await page.locator('input[type=file]').setInputFiles(archive)
  await expect(page.getByRole('dialog')).toContainText('are here but differ')
  await page.getByRole('button', { name: 'Read it in' }).click()
  await expect(page.getByText('came in;')).toBeVisible()
  await page.goto('/?q=Tarn')
  await expect(page.getByRole('link', { name: /from archive/ }).first()).toBeVisible()
})

test('the ends and lengths are called and measured as chosen, everywhere', async ({ page }) => {
  await openDemo(page, 'Sedgeley', 'Trace')
  await page.getByRole('button', { name: 'Settings' }).click()
  await page.getByRole('menuitemradio', { name: 'front, rear' }).click()
  await expect(page.getByText('seen from the front').first()).toBeVisible()
  const inches = page.getByRole('menuitemradio', { name: 'in', exact: true })
  await inches.click()
  await expect(inches).toBeChecked()
  await page.keyboard.press('Escape')
  await expect(page.getByText('seen from the front').first()).toBeVisible()
  await expect(page.getByTestId('engaged').first()).toContainText('towards the rear')
  await turnTo(page, 'Lay out')
  await page.locator('[data-part="gears:main-1"]').click()
  await expect(page.getByText('(in)').first()).toBeVisible()
})
