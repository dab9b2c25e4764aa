import fs from 'node:fs'

import type { Locator, Page } from '@playwright/test'

import {
  countAll,
  FOUR_SPEED_COUNTS,
  openDemo,
  openJob,
  putFourSpeed,
  startFourSpeed,
} from './pages.ts'
import { printed } from './pdf.ts'
import { expect, openPage, startUdrix, test } from './udrix.ts'

const allKept = (page: Page) => expect(page.getByText('Kept', { exact: true })).toBeVisible()

test('turns that disagree with the counts name the gear to count again', async ({ page }) => {
  const box = await startFourSpeed(page, 'Turned')
  // The third gear of the main shaft, 30 teeth, is written down as 31: the second to be counted.
  const wrong = FOUR_SPEED_COUNTS.map((count, at) => (at === 1 ? 31 : count))
  await countAll(page, wrong)
  await openJob(page, box, 'turns?position=3')
  await expect(page.getByRole('radio', { name: 'N' })).toHaveCount(0)
  const entry = page.getByRole('textbox', { name: 'Turns of the input' })
  await entry.fill('3 7/0')
  await entry.press('Enter')
  await expect(page.getByRole('alert')).toContainText('“3 7/0” divides by 0')
  await expect(entry).toHaveValue('3 7/0')
  // In truth 40/20 · 30/30 is 2, so 20 turns in for 10 out; by the counts 2 · 31/30 is 20.667.
  await entry.fill('20')
  await entry.press('Enter')
  await expect(page.getByText('Disagrees.')).toBeVisible()
  const suspects = page.getByRole('region', { name: 'What may be wrong' })
  await expect(suspects).toContainText('3rd gear, main shaft: 30 teeth instead of 31')
  await page.getByRole('button', { name: 'Take back' }).click()
  // A reading far from anything that a count or two would explain.
  await entry.fill('99 7/8')
  await entry.press('Enter')
  await expect(page.getByText('99 7/8 in for 10 out')).toBeVisible()
  await expect(suspects).toContainText('turns were misread')
  await page.getByRole('button', { name: 'Take back' }).click()
  await expect(page.getByText('Disagrees.')).toHaveCount(0)
  // The other way round: the input is given turns, and the output is read.
  await page.getByRole('button', { name: 'Read the output' }).click()
  await page.getByRole('textbox', { name: 'Turns of the output' }).fill('99 7/8')
  await page.getByRole('textbox', { name: 'Turns of the output' }).press('Enter')
  await expect(page.getByText('99 7/8 out for 10 in')).toBeVisible()
  await expect(page.getByText(/turns of the output\. You read/)).toBeVisible()
  await page.getByRole('button', { name: 'Take back' }).click()
  await page.getByRole('button', { name: 'Read the input' }).click()
  await expect(page.getByRole('textbox', { name: 'Turns of the input' })).toBeEmpty()
  await allKept(page)
  await page.reload()
  await expect(page.getByText('Mark input and output')).toBeVisible()
})

test('the demo names the pair to count again, and the check that parts the suspects', async ({
  page,
}) => {
  await openDemo(page, 'Ostrel', 'Turns')
  const suspects = page.getByRole('region', { name: 'What may be wrong' })
  // 31 on 31 through 37/24 turns 15.417 for 10; read as 15 3/8, by hand.
  await expect(suspects).toContainText('3rd gear, main shaft: 31 teeth instead of 30')
  await expect(suspects).toContainText('2 of 2 turn checks would agree')
  await suspects.getByRole('link', { name: /^Count again: 3rd gear/ }).click()
  await expect(page).toHaveURL(/count\?gear=.*-3&pass=second/)
})

test('rings are measured by keyboard alone, judged, overruled, and ordered', async ({ page }) => {
  const box = await putFourSpeed(page, 'Measured')
  await openJob(page, box, 'measure?kind=ring')
  await page.getByLabel('Unit of the readings').selectOption('thou')
  await page.getByLabel('Reading 1').focus()
  for (const [at, reading] of ['29', '31', '30'].entries()) {
    await expect(page.getByLabel(`Reading ${at + 1}`)).toBeFocused()
    await page.keyboard.type(reading)
    if (at < 2) await page.keyboard.press('Enter')
  }
  // Under about 0.030 in is worn; source: common practice.
  await expect(page.getByRole('status').filter({ hasText: 'Replace.' })).toContainText(
    'below the least of 30.0 thou',
  )
  await page.keyboard.press('Enter')
  const findings = page.getByRole('list', { name: 'Findings on this part' })
  await expect(findings).toContainText('Replace: ring gap 29 · 31 · 30 thou')
  await expect(findings).toContainText('rule of thumb that comes with Udrix')
  await allKept(page)
  // 50 − 29 thousandths at 7°: 0.5334 mm · tan 7° = 65.5 µm, by hand.
  await page.getByLabel('Gap of the new ring, thou').fill('50')
  await page.getByLabel('Half the cone’s angle, °').fill('7')
  await expect(page.getByText(/65.µm of wear/)).toBeVisible()

  await page.goto(`${box}/order`)
  await expect(page.getByRole('row', { name: /judged to be replaced/ })).toHaveCount(1)
  await page.getByLabel(/^Price of one Pilot bearing/).fill('12.50')
  await page.keyboard.press('Tab')
  await expect(page.getByText('to come 12.50 in')).toBeVisible()
  await page.getByLabel('Part number of Pilot bearing').fill('PB 15-21')
  await page.keyboard.press('Tab')
  await page.getByLabel('State of Pilot bearing').selectOption('ordered')
  await expect(page.getByText('1 ordered')).toBeVisible()
  await expect(page.getByText('Cost so far 12.50')).toBeVisible()
  await allKept(page)
  const downloading = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Parts as CSV' }).click()
  const text = fs.readFileSync(await (await downloading).path(), 'utf8')
  expect(text).toContain('Pilot bearing,goes with every rebuild,PB 15-21,,,1,12.5,,ordered')

  await page.goto(`${box}/measure?kind=ring`)
  await page.getByRole('button', { name: 'Overrule' }).click()
  await page.getByLabel('Why').fill('new last year, bedding in')
  await page.getByRole('button', { name: 'Watch', exact: true }).click()
  await expect(findings).toContainText('The figures say replace')
  await expect(findings).toContainText('says watch: new last year')
})

test('what cannot be measured is said at the field, and stays there', async ({ page }) => {
  const box = await putFourSpeed(page, 'Refused')
  await openJob(page, box, 'measure?kind=ring')
  for (const [at, reading] of ['40', '0.9', '0.9'].entries())
    await page.getByLabel(`Reading ${at + 1}`).fill(reading)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('choose thou')
  await expect(page.getByLabel('Reading 1')).toHaveValue('40')
  await page.getByText('Enter a limit').click()
  await page.getByLabel('Least, millimetres').fill('2')
  await page.getByLabel('Most, millimetres').fill('1')
  await page.getByRole('button', { name: 'Keep the limit' }).click()
  await expect(page.getByText(/which is backwards/)).toBeVisible()
})

test('a job goes from intake to hand-over on an upright tablet', async ({ page }) => {
  await page.setViewportSize({ width: 800, height: 1200 })
  const box = await putFourSpeed(page, 'Handed over')
  await openJob(page, box, 'job')
  await page.getByLabel('Complaint, in the owner’s words').fill('crunches into second')
  await page.getByLabel('Oil found').fill('grey')
  await page.getByLabel('Distance run').fill('90000')
  await page.keyboard.press('Tab')
  const stages = page.getByRole('list', { name: 'Stages of the job' })
  await expect(stages).toContainText('Done: 3 of 5')
  await page.getByRole('button', { name: 'Mark as done: Put it together' }).click()
  await page.getByRole('button', { name: 'Open again: Put it together' }).click()
  await expect(stages).toContainText('opened again')
  await page.getByLabel('Note', { exact: true }).fill('shims in the tin box')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('list', { name: 'Log of the job' })).toContainText('shims in the tin')
  const close = page.getByRole('button', { name: 'Close the job' })
  await expect(close).toBeDisabled()
  await page.getByLabel(/^Not done:/).fill('owner takes it as it is')
  await close.click()
  await expect(page.getByRole('region', { name: 'Closing the job' })).toContainText(
    'Left out: owner takes it as it is',
  )
  await allKept(page)
  await page.getByRole('button', { name: 'Open the next job' }).click()
  await expect(page.getByText('Job 2', { exact: true })).toBeVisible()
})

test('a text that is too long stays in its field and says so; nothing is cut from it', async ({
  page,
}) => {
  await openJob(page, await putFourSpeed(page, 'Long texts'))
  const notes = page.getByRole('region', { name: 'Notes' })
  const note = notes.getByLabel('Note', { exact: true })
  await note.fill('n'.repeat(2001))
  await note.press('Enter')
  await expect(notes.getByText('This has 2001 characters; 2000 are kept at most.')).toBeVisible()
  await expect(note).toHaveValue('n'.repeat(2001))
  const waits = notes.getByLabel('Waits for')
  await waits.fill('w'.repeat(201))
  await waits.press('Enter')
  await expect(notes.getByText('This has 201 characters; 200 are kept at most.')).toBeVisible()
  await waits.fill('the bearing')
  await waits.press('Enter')
  await note.fill('n'.repeat(2000))
  await note.press('Enter')
  const log = page.getByRole('list', { name: 'Log of the job' })
  await expect(log.getByText('n'.repeat(2000))).toBeVisible()
  await expect(log.getByText('the bearing')).toBeVisible()
  const name = page.getByLabel('Name of the box')
  await name.fill('x'.repeat(121))
  await name.press('Enter')
  await expect(page.getByText('This has 121 characters; 120 are kept at most.')).toBeVisible()
  await name.fill('x'.repeat(120))
  await name.press('Enter')
  await expect(page).toHaveTitle(new RegExp('x{120}'))
})

test('two people at one job: both entries stand', async ({ page, context }) => {
  const box = await putFourSpeed(page, 'Two people')
  await openJob(page, box, 'job')
  const other = await context.newPage()
  await other.goto(`${box}/job`)
  await page.getByLabel('Note', { exact: true }).fill('mine')
  await page.getByLabel('Note', { exact: true }).press('Enter')
  await other.getByLabel('Note', { exact: true }).fill('yours')
  await other.getByLabel('Note', { exact: true }).press('Enter')
  await allKept(page)
  await allKept(other)
  await page.reload()
  const log = page.getByRole('list', { name: 'Log of the job' })
  await expect(log).toContainText('mine')
  await expect(log).toContainText('yours')
})

test('whoever said so in the job is named in the history of the box', async ({ page }) => {
  const box = await putFourSpeed(page, 'Whose')
  await openJob(page, box, 'count')
  const count = async (gear: number, teeth: string): Promise<void> => {
    await expect(page.getByText(`Gear ${gear} of`)).toBeVisible()
    await page.keyboard.type(teeth)
    await page.keyboard.press('Enter')
    await expect(page.getByText(`Gear ${gear + 1} of`)).toBeVisible()
    await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  }
  await count(1, '21')
  await page.goto(`${box}/job`)
  await page.getByLabel('Entered by').fill('ab')
  const named = page.waitForResponse((answer) => answer.request().method() === 'POST')
  await page.getByLabel('Entered by').blur()
  await named
  await page.goto(`${box}/count`)
  await count(2, '22')
  await page.goto(`${box}/history`)
  const lines = page.getByRole('region', { name: 'History' }).getByRole('listitem')
  await expect(lines).toHaveCount(2)
  await expect(lines.first()).toContainText('by AB')
  await expect(lines.last()).not.toContainText('by')
})

test('with the server gone in the middle an entry stays on the page, and is kept afterwards', async ({
  browser,
}) => {
  const udrix = await startUdrix('e2e-job-outage')
  const page = await openPage(browser, udrix.url)
  const box = await putFourSpeed(page, 'Outage job')
  await openJob(page, box, 'job')
  await udrix.stopDatabase()
  await page.getByLabel('Note', { exact: true }).fill('written in the dark')
  await page.getByLabel('Note', { exact: true }).press('Enter')
  await expect(page.getByRole('alert')).toContainText('Your entry stays on this page')
  await udrix.startDatabase()
  await udrix.crashServer()
  await allKept(page)
  await page.evaluate(() => {
    localStorage.clear()
  })
  await page.reload()
  await expect(page.getByRole('list', { name: 'Log of the job' })).toContainText(
    'written in the dark',
  )
  await page.close()
  await udrix.stop()
})

test('the counts of a closed box are found in a worker', async ({ page }) => {
  await openDemo(page, 'Ostrel', 'Turns')
  await page.getByRole('link', { name: 'Only turns known' }).click()
  await page.getByLabel('Least teeth of a gear').fill('60')
  await page.getByLabel('Most teeth of a gear').fill('12')
  await page.getByRole('button', { name: 'Find the counts' }).click()
  await expect(page.getByRole('alert')).toContainText('A least is more than its most')
  await page.getByLabel('Least teeth of a gear').fill('20')
  await page.getByLabel('Most teeth of a gear').fill('40')
  await page.getByRole('button', { name: 'Find the counts' }).click()
  await expect(page.getByText(/sets fit, of .* combinations/)).toBeVisible()
  await expect(page.getByRole('row').nth(1)).toContainText('100.0 %')
  // One that takes longer than anybody waits is told of before, and stopped.
  await page.reload()
  for (const [field, teeth] of [
    ['Least teeth of a gear', '12'],
    ['Most teeth of a gear', '200'],
    ['Least teeth of a pair together', '24'],
    ['Most teeth of a pair together', '400'],
  ] as const)
    await page.getByLabel(field).fill(teeth)
  await expect(
    page.getByText(/combinations of the counts of 6 gears to look through/),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Find the counts' }).click()
  await page.getByRole('button', { name: /^Stop at/ }).click()
  await expect(page.getByText(/^Stopped\. Nothing is listed/)).toBeVisible()
})

test('what gear one is, by its outside diameter, its mate and a broken arc', async ({ page }) => {
  await openDemo(page, 'Ostrel', 'Turns')
  await page.getByRole('link', { name: 'What gear is this' }).click()
  await page.getByLabel('Outside diameter, mm', { exact: true }).fill('66')
  await page.getByLabel('Teeth', { exact: true }).fill('20')
  // m(z + 2) = 66; source: Machinery's Handbook.
  await expect(page.getByText('module 3 mm', { exact: true })).toBeVisible()
  await page.getByLabel('Teeth of the mate').fill('40')
  await expect(page.getByText('90.00 mm', { exact: true })).toBeVisible()
  await page.getByLabel('Tip to tip, mm').fill('33')
  await page.getByLabel('Steps between').fill('5')
  // A chord of one radius is a sixth of the turn; geometry.
  await expect(page.getByText('30 teeth', { exact: true })).toBeVisible()
})

/** Takes what other tests left off a table of the shelf. */
async function takeAllOff(table: Locator): Promise<void> {
  const off = table.getByRole('button', { name: /^Take shim/ })
  for (let left = await off.count(); left > 0; left--) {
    await off.first().click()
    await expect(off).toHaveCount(left - 1)
  }
}

test('the shelf keeps leaves, shims and people, and refuses what is no thickness', async ({
  page,
}) => {
  await page.goto('/shelf')
  const shims = page.getByRole('region', { name: 'Shims on the shelf', exact: true })
  await takeAllOff(shims)
  const add = shims.getByLabel(/^Add to them/)
  await add.fill('0.10 x4 thin')
  await add.press('Enter')
  await expect(shims.getByRole('alert')).toContainText('“thin” is no thickness')
  await add.fill('0.15 0.10 x4')
  await add.press('Enter')
  await expect(add).toHaveValue('')
  // One more of a size that is there is one more of it, however the field is left.
  await add.fill('0.10')
  await add.press('Enter')
  await add.press('Tab')
  await page.getByLabel('Add initials').fill('ab cd')
  await page.getByLabel('Add initials').press('Enter')
  await expect(page.getByRole('status')).toContainText('Kept.')
  await page.reload()
  // The thinnest first, each changed where it stands.
  await expect(shims.getByLabel('Thickness of shim 1')).toHaveValue('0.10')
  await expect(shims.getByLabel('How many of 0.10')).toHaveValue('5')
  await expect(page.getByRole('list', { name: 'Initials' })).toContainText('AB')
  await shims.getByLabel('How many of 0.10').fill('3')
  await shims.getByLabel('How many of 0.10').press('Enter')
  await shims.getByRole('button', { name: 'Take shim 0.15 off the shelf' }).click()
  await expect(page.getByRole('status')).toContainText('Kept.')
  await page.reload()
  await expect(shims.getByLabel('How many of 0.10')).toHaveValue('3')
  await expect(shims.getByLabel('Thickness of shim 2')).toBeHidden()
})

test('photographs are checked by content, made smaller, and shown', async ({ page }, testInfo) => {
  const box = await putFourSpeed(page, 'Photographed')
  await openJob(page, box, 'job')
  const chooser = page.locator('input[type=file]')
  await chooser.setInputFiles({
    name: 'ring.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('no picture at all'),
  })
  await expect(page.getByRole('alert')).toContainText('This file is no whole photograph')
  const large = testInfo.outputPath('large.jpg')
  fs.writeFileSync(large, Buffer.alloc(30_000_000))
  await chooser.setInputFiles(large)
  await expect(page.getByRole('alert')).toContainText('The file has 30 MB')
  await page.getByLabel('What the next one shows').fill('ring of second')
  // 3200 by 1600 pixels of noise, drawn by the browser itself.
  const drawn = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(3200, 1600)
    const context = canvas.getContext('2d')
    if (!context) throw new Error('no canvas')
    for (let at = 0; at < 4000; at++) {
      context.fillStyle = `hsl(${(at * 47) % 360} 60% 50%)`
      context.fillRect((at * 131) % 3200, (at * 71) % 1600, 90, 60)
    }
    const blob = await canvas.convertToBlob({ type: 'image/png' })
    const bytes = new Uint8Array(await blob.arrayBuffer())
    return Array.from(bytes, (byte) => String.fromCharCode(byte)).join('')
  })
  await chooser.setInputFiles({
    name: 'ring.png',
    mimeType: 'image/png',
    buffer: Buffer.from(drawn, 'latin1'),
  })
  const photo = page.getByRole('img', { name: 'ring of second' })
  await expect(photo).toBeVisible()
  await expect
    .poll(() => photo.evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBe(1600)
  await allKept(page)
  // Sent past the page, a text is refused by the server as well.
  const answer = await page.request.post(`${box}/photos`, {
    headers: { Origin: new URL(page.url()).origin },
    multipart: {
      jobId: '0192f7a0-0000-7000-8000-000000000000',
      photo: '0192f7a0-0000-7000-8000-000000000001',
      file: { name: 'a.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') },
    },
  })
  expect(await answer.json()).toMatchObject({ kind: 'refused' })
})

test('shims from the shelf bring an end play into its range, and what came of them is told', async ({
  page,
}) => {
  await page.goto('/shelf')
  const onShelf = page.getByRole('region', { name: 'Shims on the shelf', exact: true })
  await takeAllOff(onShelf)
  await onShelf.getByLabel(/^Add to them/).fill('0.10 x2 0.50')
  await onShelf.getByLabel(/^Add to them/).press('Enter')
  await expect(page.getByRole('status')).toContainText('Kept.')
  const box = await putFourSpeed(page, 'Shimmed')
  await openJob(page, box, 'measure?part=shaft:main&measure=end-play')
  await page.getByText('Enter a limit').click()
  await page.getByLabel('Least, millimetres').fill('0.05')
  await page.getByLabel('Most, millimetres').fill('0.15')
  await page.getByRole('button', { name: 'Keep the limit' }).click()
  const reading = page.getByLabel('Reading 1')
  await reading.fill('0.62')
  await reading.press('Enter')
  const shims = page.getByRole('region', { name: 'Shims' })
  // 0.62 − 0.50 leaves 0.12, by hand.
  await expect(shims.getByRole('listitem').first()).toContainText(
    '0.50 mm: 0.12 mm of end play to be expected, within the range',
  )
  await shims.getByRole('button', { name: 'Fitted' }).first().click()
  await expect(shims).toContainText('Measure the end play again')
  await page.getByLabel('When').selectOption('after')
  await reading.fill('0.13')
  await reading.press('Enter')
  await expect(shims).toContainText('measured 0.13 mm: 0.01 mm more than expected')
  await expect(shims).toContainText('no other shim is needed')
  // One that is still out of its range begins from what is in place, also from no shelf.
  await reading.fill('0.20')
  await reading.press('Enter')
  await expect(shims.getByLabel('In place while it was measured')).toHaveValue('0.5')
  await shims.getByLabel(/^Fitted something else/).fill('0.50 + 0.08')
  await shims.getByRole('button', { name: 'Fitted' }).last().click()
  await expect(shims).toContainText('0.12 mm. Measure the end play again')
})

test('what cannot be sent of the shelf stays where it was typed, and is kept once it can', async ({
  browser,
  udrix,
}) => {
  // A page of its own, since a request that fails is no fault here.
  const page = await openPage(browser, udrix.url)
  await page.goto('/shelf')
  const shims = page.getByRole('region', { name: 'Shims on the shelf', exact: true })
  await page.route('**/shelf.data*', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  )
  await shims.getByLabel(/^Add to them/).fill('0.07')
  await shims.getByLabel(/^Add to them/).press('Enter')
  await expect(page.getByRole('alert')).toContainText('Udrix does not answer')
  await expect(shims.getByLabel('How many of 0.07')).toHaveValue('1')
  await page.unroute('**/shelf.data*')
  await page.getByRole('button', { name: 'Keep it again' }).click()
  await expect(page.getByRole('status')).toContainText('Kept.')
  await page.reload()
  await expect(shims.getByLabel('How many of 0.07')).toHaveValue('1')
  await shims.getByRole('button', { name: 'Take shim 0.07 off the shelf' }).click()
  await expect(shims.getByLabel('How many of 0.07')).toBeHidden()
  await expect(page.getByRole('status')).toContainText('Kept.')
  await page.close()
})

for (const format of ['A4', 'Letter'] as const)
  test(`hand-over sheet, job, parts and bench form print on ${format} with the name of the box and no control`, async ({
    page,
  }) => {
    await openDemo(page, 'Ostrel', 'Job')
    const box = page.url().replace(/\/job.*/, '')
    for (const [path, says] of [
      ['hand-over', 'Before it goes on the road'],
      ['job', 'ring for 2'],
      ['order', 'ring for 2'],
      ['count/form', 'Head gear, input shaft'],
      ['sheet', 'Limits of the maker'],
      ['life', 'What was found, job by job'],
      ['labels', 'Ostrel'],
    ] as const) {
      await page.emulateMedia({ media: 'screen' })
      await page.goto(`${box}/${path}`)
      const buttons = await page.getByRole('button').allInnerTexts()
      await page.emulateMedia({ media: 'print' })
      for (const role of ['button', 'textbox', 'combobox', 'link'] as const)
        await expect(page.getByRole(role)).toHaveCount(0)
      const sheets = await printed(page, format)
      const text = sheets.map((sheet) => sheet.text).join(' ')
      expect(text).toContain('Ostrel five-speed, unit 12')
      expect(text.toLowerCase()).toContain(says.toLowerCase())
      expect([path, sheets.map(({ controls }) => controls)]).toEqual([path, sheets.map(() => 0)])
      // What can be pressed on the screen is not to be read on paper.
      const pressed = buttons.map((each) => each.trim()).filter((each) => /^[A-Z].* /.test(each))
      expect([path, pressed.filter((each) => text.includes(each))]).toEqual([path, []])
    }
  })
