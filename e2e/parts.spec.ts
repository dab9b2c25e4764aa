/** The whole unit: its parts laid out, judged, ordered, recorded and labelled. */
import type { Page } from '@playwright/test'
import jsQR from 'jsqr'

import { TRY_AGAIN, addressOf, duplicateOf, hearNothing, openJob, putFourSpeed } from './pages.ts'
import { expect, test } from './udrix.ts'

async function kept(page: Page): Promise<void> {
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
}

async function entriesKept(page: Page): Promise<void> {
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
}

/** The pieces of a box, as its file has them. */
async function piecesOf(page: Page, box: string): Promise<readonly { id: string; kind: string }[]> {
  const file = await page.request.get(`${box}/file`, TRY_AGAIN)
  const { pieces } = (await file.json()) as { pieces: { id: string; kind: string }[] }
  return pieces
}

test('a unit goes from its pattern over measured and ordered to recorded, by keyboard', async ({
  page,
}) => {
  const box = await putFourSpeed(page, 'Whole unit')
  // The pattern brings its build, drawn on Lay out.
  await page.goto(`${box}/layout`)
  await expect(page.locator('svg.section [data-piece]').first()).toBeVisible()
  await page.getByLabel('Draw bearings, washers and rings').press('Space')
  await expect(page.locator('svg.section [data-piece]')).toHaveCount(0)
  await expect(page).toHaveURL(/layer=none/)

  // What a maker says of the unit judges what is measured on it.
  await page.goto(`${box}/sheet`)
  await page.getByLabel('Ring gap, least').fill('0.9')
  await page.keyboard.press('Tab')
  await page.getByLabel('Where it was read: Ring gap').fill('manual, page 12')
  await page.keyboard.press('Enter')
  await kept(page)
  await page.goto(`${box}/measure`)
  await page.getByRole('button', { name: 'Open a job' }).press('Enter')
  await expect(page).toHaveURL(/job\?job=/)
  await page.goto(`${box}/measure?kind=ring`)
  for (const reading of [1, 2, 3]) await page.getByLabel(`Reading ${reading}`).fill('0.85')
  await expect(page.getByText('Limit: at least 0.90')).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('list', { name: 'Findings on this part' })).toContainText('Replace')

  // A bearing is found by its name in the other vocabulary, felt, and laid in a tray.
  await page.getByLabel('Find a part').fill('layshaft roller')
  await page.getByRole('button', { name: 'Roller bearing 1 of the countershaft' }).press('Enter')
  await page.getByLabel('Lies in tray').fill('4')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'rough, noisy or loose' }).press('Enter')
  await entriesKept(page)

  await page.goto(`${box}/order`)
  const bearing = page.getByRole('row', { name: /Roller bearing 1 of the countershaft/ })
  await expect(bearing).toContainText('judged to be replaced')
  await expect(page.getByText('Look at as well')).toBeVisible()
  await page.getByLabel(/^Part number of Roller bearing 1/).fill('RB 15-35')
  await page.keyboard.press('Tab')
  await page.getByLabel(/^Price of one Roller bearing 1/).fill('31.50')
  await page.keyboard.press('Tab')
  await page.getByLabel(/^State of Roller bearing 1/).selectOption('arrived')
  await page.getByLabel('Another part, or work').fill('Bench time')
  await page.getByRole('button', { name: 'Add as labour' }).press('Enter')
  await page.getByLabel('Price of one Bench time').fill('90')
  await page.keyboard.press('Tab')
  await expect(page.getByText('Cost so far 31.50, to come 90.00')).toBeVisible()
  await entriesKept(page)
  await page.goto(`${box}/job`)
  await expect(
    page.getByText('Cost so far 31.50, to come 90.00').filter({ visible: true }),
  ).toHaveCount(1)

  // The record has it all, on the sheet and as a file; the life of the unit begins.
  await page.goto(`${box}/hand-over`)
  await expect(page.getByRole('row', { name: /RB 15-35/ })).toBeVisible()
  await expect(page.getByText('at least 0.90').first()).toBeVisible()
  const href = await page.getByRole('link', { name: 'Record as JSON' }).getAttribute('href')
  const record = await page.request.get(href ?? '', TRY_AGAIN)
  expect(await record.json()).toMatchObject({
    format: 'udrix-job-record',
    found: [
      { what: 'ring gap', limit: { least: '0.9', source: 'maker' } },
      { seen: 'rough, noisy or loose' },
    ],
    cost: { soFar: 31.5, toCome: 90 },
  })
  const findings = await page.request.get(
    (href ?? '').replace('record.json', 'findings.csv'),
    TRY_AGAIN,
  )
  expect(await findings.text()).toContain('roller bearing 1 of the countershaft')
  await page.goto(`${box}/life`)
  await expect(page.getByRole('row', { name: /Roller bearing 1.*RB 15-35/ })).toBeVisible()
})

test('a tray is found by its label: another package reads the code', async ({ page }) => {
  const box = await duplicateOf(page, 'Harrowgap')
  await openJob(page, box, 'measure?part=gear:main-2')
  await page.getByLabel('Lies in tray').fill('7')
  await page.keyboard.press('Enter')
  await entriesKept(page)
  await page.goto(`${box}/labels`)
  const code = page.getByRole('img', { name: 'Code that opens Tray 7' })
  const png = [...(await code.screenshot({ scale: 'device' }))]
  const { data, width, height } = await page.evaluate(async (bytes) => {
    const picture = await createImageBitmap(new Blob([new Uint8Array(bytes)]))
    const canvas = new OffscreenCanvas(picture.width, picture.height)
    const drawing = canvas.getContext('2d')
    drawing?.drawImage(picture, 0, 0)
    const pixels = drawing?.getImageData(0, 0, picture.width, picture.height)
    return { data: [...(pixels?.data ?? [])], width: picture.width, height: picture.height }
  }, png)
  const read = jsQR(new Uint8ClampedArray(data), width, height)?.data ?? ''
  expect(new URL(read).pathname + new URL(read).search).toBe(`${box}/measure?tray=7`)
  await page.goto(read)
  await expect(page.getByRole('group', { name: 'Parts found' }).getByRole('button')).toHaveCount(1)
  await expect(page.getByRole('heading', { name: '2nd gear, main shaft' })).toBeVisible()
})

test('parts are added several at once, changed, told what is wrong with them, and undone', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Sedgeley')
  const before = await piecesOf(page, box)
  await page.goto(`${box}/layout?view=parts`)
  await page.getByLabel('Search the parts').fill('needle bearing under')
  const needles = page.getByRole('button', { name: /^Needle bearing under/ })
  const count = await needles.count()
  expect(count).toBeGreaterThan(2)
  await needles.first().click()
  await page.getByRole('button', { name: 'Take out' }).click()
  await expect(needles).toHaveCount(count - 1)
  await needles.first().click()
  await page.getByRole('button', { name: 'Take out' }).click()
  await expect(needles).toHaveCount(count - 2)
  await page.getByRole('button', { name: 'Bearings, rings…' }).press('Enter')
  await page.getByRole('menuitem', { name: '2 × needle bearing' }).press('Enter')
  await expect(needles).toHaveCount(count)
  await kept(page)
  expect(await piecesOf(page, box)).toHaveLength(before.length)

  // A bore smaller than what it sits on, and a part number that is too long: a sentence each.
  await page.getByLabel('Search the parts').fill('ball bearing')
  await page
    .getByRole('button', { name: /^Ball bearing/ })
    .first()
    .click()
  await expect(page.getByText(/Comes off over the/)).toBeVisible()
  await page.getByLabel('Bore').fill('9')
  await page.keyboard.press('Tab')
  await expect(
    page.getByText(/has a bore of 9\.00.mm, but its shaft is 14\.00.mm thick there/),
  ).toBeVisible()
  await page.getByLabel('Part number').fill('7'.repeat(70))
  await page.keyboard.press('Tab')
  await expect(page.getByRole('alert')).toContainText('This has 70 characters')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByText(/has a bore of 9\.00/)).toBeHidden()
  await page.goto(`${box}/history`)
  await expect(page.getByText(/Added: needle bearing under/).first()).toBeVisible()

  // Marks to put it together by, and what is cut into the shaft.
  await page.goto(`${box}/layout?part=pieces:hub-1`)
  await page.getByRole('checkbox', { name: 'Matched pair' }).uncheck()
  await page.getByRole('checkbox', { name: 'Numbered' }).check()
  await page.getByLabel('Says (numbered)').fill('two dots')
  await page.keyboard.press('Tab')
  await page.getByLabel('Goes with (numbered)').selectOption('sleeve-1')
  await page.getByRole('checkbox', { name: 'Timing marks' }).check()
  await page.goto(`${box}/layout?part=members:main`)
  await page.getByLabel('Step 1 to').fill('1')
  await page.keyboard.press('Tab')
  await expect(page.getByText('A seat ends further along than it begins.')).toBeVisible()
  await page.getByRole('button', { name: 'Add a seat or shoulder' }).click()
  await page.getByLabel('Step 3 diameter').fill('33')
  await page.keyboard.press('Tab')
  await kept(page)
  const file = await page.request.get(`${box}/file`, TRY_AGAIN)
  expect(await file.json()).toMatchObject({
    members: expect.arrayContaining([
      expect.objectContaining({
        id: 'main',
        steps: expect.arrayContaining([expect.objectContaining({ diameterMm: 33 })]),
      }),
    ]),
    pieces: expect.arrayContaining([
      expect.objectContaining({
        id: 'hub-1',
        marks: [{ kind: 'numbered', text: 'two dots', with: 'sleeve-1' }, { kind: 'timing' }],
      }),
    ]),
  })
})

test('a part that another has taken out is told, and what was found on it stays', async ({
  page,
  context,
}) => {
  const box = await duplicateOf(page, 'Fenwold')
  const bearing = (await piecesOf(page, box)).find(({ kind }) => kind === 'ball-bearing')?.id ?? ''
  await hearNothing(page)
  await openJob(page, box, `measure?part=piece:${bearing}`)
  const other = await context.newPage()
  await other.goto(`${box}/layout?view=parts&part=pieces:${bearing}`)
  await other.getByRole('button', { name: 'Take out' }).click()
  await kept(other)
  // This page has not heard of it: the verdict is kept all the same.
  await page.getByRole('button', { name: 'rough, noisy or loose' }).click()
  await entriesKept(page)
  await page.reload()
  await expect(page.getByText('is no longer in this box')).toBeVisible()
  await page.goto(`${box}/order`)
  await expect(page.getByRole('row', { name: /Part that was taken out/ })).toBeVisible()
})

test('what a unit under the bench has is offered before it is bought', async ({ page }) => {
  const spare = await duplicateOf(page, 'Morrick')
  await page.goto(`${spare}/sheet`)
  await page.getByLabel('Kept for its parts').check()
  await kept(page)
  const box = await duplicateOf(page, 'Morrick')
  await openJob(page, box, 'measure?kind=gear')
  const gear = await page.getByRole('heading', { level: 2 }).first().innerText()
  await page.getByRole('button', { name: 'rounded or chipped' }).click()
  await entriesKept(page)
  await page.goto(`${box}/order`)
  const row = page.getByRole('row').filter({ hasText: 'judged to be replaced' })
  await expect(row).toContainText(`In Morrick`)
  await row
    .getByRole('button', { name: new RegExp(`^Take ${gear} from Morrick`) })
    .first()
    .click()
  await expect(row.getByLabel(/^Taken from instead of bought/)).toHaveValue(/^Morrick/)
  await entriesKept(page)
})

test.describe('by touch', () => {
  test.use({ hasTouch: true, viewport: { width: 820, height: 1180 } })

  test('a tap on a part of the drawing is enough to measure it', async ({ page }) => {
    const box = await addressOf(page, 'Ostrel')
    await page.goto(`${box}/measure`)
    const pieces = await piecesOf(page, box)
    const bearing = pieces.find(({ kind }) => kind === 'roller-bearing')?.id ?? ''
    const drawn = await page.locator(`[data-piece="${bearing}"]`).boundingBox()
    if (!drawn) throw new Error('the bearing is drawn')
    await page.touchscreen.tap(drawn.x + drawn.width / 2, drawn.y + 4)
    await expect(page.getByRole('heading', { name: /^Roller bearing 1/ })).toBeVisible()
    await page.getByRole('button', { name: /^After it on the shaft/ }).tap()
    await expect(page.getByRole('heading', { name: /^Roller bearing 1/ })).toBeHidden()
  })
})
