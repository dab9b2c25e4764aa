/** Taking a unit apart and putting it together, part by part. */
import type { Page } from '@playwright/test'

import { printed } from './pdf.ts'
import { addressOf, duplicateOf, openJob, putFourSpeed } from './pages.ts'
import { expect, openPage, startUdrix, test } from './udrix.ts'

/** Which step is in the hand. */
async function stepOf(page: Page): Promise<readonly [number: number, total: number]> {
  const text = await page.getByTestId('step').innerText()
  const [number = 0, total = 0] = text.split(' of ').map(Number)
  return [number, total]
}

async function expectStep(page: Page, number: number, total: number): Promise<void> {
  await expect(page.getByTestId('step')).toHaveText(`${number} of ${total}`)
}

test('a whole unit comes apart by touch and goes together by keyboard on a tablet, with the server ended in between', async ({
  browser,
}) => {
  const udrix = await startUdrix('e2e-build')
  const page = await openPage(browser, udrix.url, {
    hasTouch: true,
    viewport: { width: 1024, height: 768 },
  })
  try {
    const box = await putFourSpeed(page, 'There and back')
    await openJob(page, box, 'build')
    const [, total] = await stepOf(page)
    expect(total).toBeGreaterThan(60)
    const done = page.getByRole('button', { name: /^Done/ })
    for (let number = 1; number <= total; number++) {
      await expectStep(page, number, total)
      await done.tap()
      if (number === 20) await udrix.crashServer()
    }
    await expect(page.getByText('Everything is off.')).toBeVisible()
    await expect(page.getByText('Kept', { exact: true })).toBeVisible()
    // Another day: the trays are where they were.
    await page.reload()
    await expect(page.getByText('Everything is off.')).toBeVisible()
    await page.goto(`${box}/labels`)
    await expect(
      page.getByRole('img', { name: 'Code that opens Tray A1', exact: true }),
    ).toBeVisible()

    await page.goto(`${box}/build?view=up`)
    await done.focus()
    for (let number = 1; number <= total; number++) {
      await expectStep(page, number, total)
      await page.keyboard.press('Enter')
      if (number === 30) {
        await expect(page.getByText('Kept', { exact: true })).toBeVisible()
        await page.reload()
        await done.focus()
      }
    }
    await expect(page.getByText('Everything is in.')).toBeVisible()
    await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  } finally {
    await page.close()
    await udrix.stop()
  }
})

test('two people have one tray before them, and a step is taken back', async ({
  page,
  context,
}) => {
  const box = await duplicateOf(page, 'Morrick')
  await openJob(page, box, 'build')
  const [, total] = await stepOf(page)
  const other = await context.newPage()
  await other.goto(`${box}/build`)
  await page.getByRole('button', { name: /^Done/ }).click()
  await expectStep(other, 2, total)
  await other.getByRole('button', { name: /^Done/ }).click()
  await expectStep(page, 3, total)
  await page.getByRole('button', { name: /^Back/ }).click()
  await expectStep(other, 2, total)
})

test('a note that is half typed is kept as the part is laid down', async ({ page }) => {
  const box = await putFourSpeed(page, 'Noted')
  await openJob(page, box, 'build?part=gear:main-2')
  await page.getByText('Look at it, photograph it, note it').click()
  await page.getByRole('textbox', { name: 'Note' }).fill('blue at the rim')
  await page.getByRole('button', { name: 'It is off all the same' }).click()
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveCount(0)
  await page.goto(`${box}/job`)
  await expect(page.getByText(/^Note on 2nd gear, .*: blue at the rim$/)).toBeVisible()
})

test('a part that is still on the bench is told with the least to take off for it', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Morrick')
  await openJob(page, box, 'build?view=up&row=input')
  // Nothing was taken off: the third gear is in, as far as anybody said.
  const gear = page.getByRole('button', { name: '3rd gear, input shaft, in' })
  await gear.click()
  await page.getByRole('button', { name: 'I still have it here' }).click()
  const told = page
    .getByRole('status')
    .filter({ hasText: 'is still here, and what is in keeps it' })
  await expect(told).toContainText('The least to take off again:')
  await told.getByRole('button', { name: 'They are off again' }).click()
  await expect(told).toHaveCount(0)
  await expect(page.getByRole('button', { name: /^Done: it is in/ })).toBeVisible()
})

test('what is stated goes round in a circle: told by its parts, and taken back', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Morrick')
  await page.goto(`${box}/build/sheet`)
  const stated = page.getByRole('region', { name: 'What you state of the order' })
  for (const [first, then] of [
    ['Bolt', 'Switch'],
    ['Switch', 'Bolt'],
  ] as const) {
    await stated.getByLabel('Goes in first').selectOption({ label: first })
    await stated.getByLabel('Goes in after it').selectOption({ label: then })
    await stated.getByRole('button', { name: 'State it' }).click()
    await expect(stated.getByText(`${first} before ${then.toLowerCase()}`)).toBeVisible()
  }
  await expect(page.getByText(/Without a place in the order/)).toBeVisible()
  await page.goto(`${box}/build`)
  await expect(page.getByRole('status').filter({ hasText: 'hold one another' })).toContainText(
    /bolt, switch|switch, bolt/,
  )
  await page.goto(`${box}/build/sheet`)
  await stated.getByRole('button', { name: 'Take back: switch before bolt' }).click()
  await expect(page.getByText(/Without a place in the order/)).toHaveCount(0)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByText(/Without a place in the order/)).toBeVisible()
})

test('the least that comes off to get at a ring is told, and what to look at meanwhile', async ({
  page,
}) => {
  const box = await addressOf(page, 'Ostrel')
  await page.goto(`${box}/build/reach`)
  await page.getByLabel('Which part do you want to get at?').fill('ring for 2')
  await page.getByRole('list', { name: 'Parts found' }).getByRole('button').first().press('Enter')
  await expect(page.getByRole('heading', { name: /\d+ parts come off/ })).toBeVisible()
  await expect(page.getByText(/^Press work: |^None of them is pressed/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Look at while it is open' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('heading', { name: /\d+ parts come off/ })).toBeVisible()
})

test('the sheet of steps has every part, on A4 and on Letter', async ({ page }) => {
  const box = await addressOf(page, 'Ostrel')
  await page.goto(`${box}/build/sheet`)
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('listitem')
  const count = await steps.count()
  expect(count).toBeGreaterThan(60)
  const said = await steps.evaluateAll((items) =>
    items.map((item) => item.querySelector('[data-step]')?.textContent ?? '?'),
  )
  for (const format of ['A4', 'Letter'] as const) {
    const text = (await printed(page, format)).map((sheet) => sheet.text).join(' ')
    const plain = text.replace(/\s+/g, '')
    for (const step of said) expect(plain).toContain(step.replace(/\s+/g, ''))
    expect(text).toContain('Check it before it leaves the bench')
    expect(text).not.toContain('State it')
  }
})

test('a stack leaves what its lengths make of it, asks for what is not measured, and is kept', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Morrick')
  await page.goto(`${box}/build/stack?shaft=input`)
  await expect(page.getByLabel('Room between the stops')).toBeDisabled()
  await openJob(page, box, 'build/stack?shaft=input')
  await page.getByLabel('Room between the stops').fill('100')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^To be measured:/)).toBeVisible()
  // Only one gear is left in the stack, with a length.
  const checked = page.getByRole('list', { name: 'Parts of the stack' }).getByRole('checkbox', {
    checked: true,
  })
  while ((await checked.count()) > 1) await checked.last().uncheck()
  const length = page.getByRole('textbox', { name: /^Length of/ })
  await length.fill('99.85')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/End play: 0\.15/)).toBeVisible()
  await length.fill('wide')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Type a length')
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByText(/End play: 0\.15/)).toBeVisible()
  await expect(checked).toHaveCount(1)
})
