import fs from 'node:fs'
import http from 'node:http'

import { TRY_AGAIN, doWith, duplicateOf, openDemo } from './pages.ts'
import { expect, test } from './udrix.ts'

const row = (name: string) => ({ hasText: name })

test('a search stands after a box was duplicated, renamed or deleted', async ({ page }) => {
  await page.goto('/?q=Tarn&sort=name')
  const boxes = page.getByRole('list', { name: 'Boxes on the bench' }).getByRole('listitem')
  const copy = boxes.filter({ hasText: 'Tarn' }).filter({ hasText: 'copy' })
  await doWith(boxes.filter({ hasText: 'Tarn' }).first(), /^More/, 'Duplicate')
  await expect(copy).toHaveCount(1)
  await expect(page).toHaveURL(/q=Tarn&sort=name/)
  await doWith(copy, /^More/, 'Rename')
  await page.getByLabel('New name').fill('Tarn, the other copy')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('link', { name: /^Tarn, the other copy/ })).toBeVisible()
  await doWith(copy, /^More/, 'Delete')
  await expect(copy).toHaveCount(0)
  await expect(page).toHaveURL(/q=Tarn&sort=name/)
  await expect(boxes.filter({ hasText: 'Tarn' })).not.toHaveCount(0)
  await expect(boxes.filter({ hasText: 'Ostrel' })).toHaveCount(0)
})

test('the demo boxes are marked, and a box can be renamed, duplicated, deleted and brought back', async ({
  page,
}) => {
  await page.goto('/')
  const boxes = page.getByRole('list', { name: 'Boxes on the bench' }).getByRole('listitem')
  const ostrel = boxes.filter(row('Ostrel five-speed, unit 12')).first()
  await expect(ostrel.getByText('demo', { exact: true })).toBeVisible()
  await doWith(ostrel, /^More/, 'Duplicate')
  const copy = boxes.filter(row('Ostrel five-speed, unit 12 (copy)'))
  await expect(copy).toBeVisible()
  await doWith(copy, /^More/, 'Rename')
  await page.getByLabel('New name').fill('Renamed copy')
  await page.getByRole('button', { name: 'Rename', exact: true }).click()
  const renamed = boxes.filter(row('Renamed copy'))
  await expect(renamed).toBeVisible()
  await doWith(renamed, /^More/, 'Delete')
  await expect(renamed).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(renamed).toBeVisible()
})

test('a name that is too long stays in its field and is refused, not cut', async ({ page }) => {
  const address = await duplicateOf(page, 'Quillmoor')
  await page.goto('/')
  const boxes = page.getByRole('list', { name: 'Boxes on the bench' }).getByRole('listitem')
  const copy = boxes.filter({ has: page.locator(`a[href="${address}"]`) })
  await doWith(copy, /^More/, 'Rename')
  const field = page.getByLabel('New name')
  const base = await field.inputValue()
  const rename = page.getByRole('button', { name: 'Rename', exact: true })
  await field.fill('x'.repeat(121))
  await expect(page.getByText('This has 121 characters; 120 are kept at most.')).toBeVisible()
  await expect(rename).toBeDisabled()
  // A request that no page of ours makes.
  const form = {
    intent: 'rename',
    box: address.replace('/boxes/', ''),
    name: 'y'.repeat(121),
    base,
  }
  const answer = await page.request.post('/?index', { form, ...TRY_AGAIN })
  expect(answer.status()).toBe(400)
  expect(await answer.text()).toContain('A name has 120 characters at most.')
  await field.fill('x'.repeat(120))
  await rename.click()
  await expect(copy.getByText('x'.repeat(120), { exact: true })).toBeVisible()
})

test('a box goes out as a file and comes back the same', async ({ page }) => {
  await page.goto('/')
  const boxes = page.getByRole('list', { name: 'Boxes on the bench' }).getByRole('listitem')
  const download = page.waitForEvent('download')
  await doWith(boxes.filter(row('Quillmoor')).first(), /^More/, 'Export')
  const file = await (await download).path()
  const text = fs.readFileSync(file, 'utf8')
  await page.setInputFiles('input[type=file]', {
    name: 'again.json',
    mimeType: 'application/json',
    buffer: Buffer.from(text),
  })
  const preview = page.getByRole('dialog')
  await expect(preview).toContainText('11 gears')
  await preview.getByRole('button', { name: 'Put it on the bench' }).click()
  await expect(page).toHaveURL(/\/trace$/)
  const again = await page.request.get(page.url().replace('/trace', '/file'), TRY_AGAIN)
  expect(await again.text()).toBe(text)
})

test('files that cannot be read are refused with what is wrong and where', async ({
  page,
  request,
}) => {
  await page.goto('/')
  const box = await page
    .getByRole('list', { name: 'Boxes on the bench' })
    .getByRole('link')
    .first()
    .getAttribute('href')
  const good = JSON.parse(
    await (await request.get(`${box ?? ''}/file`, TRY_AGAIN)).text(),
  ) as Record<string, unknown>
  const choose = (content: string) =>
    page.setInputFiles('input[type=file]', {
      name: 'box.json',
      mimeType: 'application/json',
      buffer: Buffer.from(content),
    })
  const refusal = page.getByRole('alert')
  const changed = (change: Record<string, unknown>) => JSON.stringify({ ...good, ...change })
  const gears = Array.from({ length: 10_000 }, (_, at) => ({ id: `g${at}` }))
  for (const [content, sentence] of [
    ['not json', 'This file is not JSON'],
    [changed({ version: 9 }), 'Open it with a newer Udrix'],
    [changed({ input: 'nowhere' }), 'input: There is no member or free gear "nowhere"'],
    [changed({ gears }), 'More than 120 gears'],
    ['x'.repeat(1_000_001), 'is over 1 MB'],
  ] as const) {
    await choose(content)
    await expect(refusal).toContainText('Nothing was imported')
    await expect(refusal).toContainText(sentence)
  }
})

test('an address that leads nowhere says so', async ({ page }) => {
  for (const path of [
    '/boxes/00000000-0000-7000-8000-000000000000/trace',
    '/boxes/none',
    '/gone',
  ]) {
    const response = await page.request.get(path, TRY_AGAIN)
    expect(response.status()).toBe(404)
    expect(await response.text()).toContain('Not on the bench')
  }
})

test('changes are taken from our own pages only, by POST, and not without end', async ({
  page,
  baseURL,
}) => {
  const elsewhere = { Origin: 'http://elsewhere.example' }
  const form = { intent: 'delete', box: 'x' }
  expect((await page.request.post('/?index', { form, headers: elsewhere })).status()).toBe(403)
  expect((await page.request.put('/?index', { data: 'x', ...TRY_AGAIN })).status()).toBe(405)
  expect((await page.request.post('/?index', { data: 'x'.repeat(1_200_000) })).status()).toBe(413)
  const home = await page.request.get(baseURL ?? '', TRY_AGAIN)
  const policy = home.headers()['content-security-policy'] ?? ''
  expect(policy).toContain("default-src 'none'")
  expect(policy).not.toContain('unsafe')
})

test('a foreign name that points at this machine is not answered', async ({ udrix }) => {
  const { port } = new URL(udrix.url)
  const status = await new Promise((resolve, reject) => {
    http
      .get(
        { host: '127.0.0.1', port, headers: { Host: `elsewhere.example:${port}` } },
        (response) => {
          response.resume()
          resolve(response.statusCode)
        },
      )
      .on('error', reject)
  })
  expect(status).toBe(421)
})

test('the unit, the words and the theme are chosen once and stay', async ({ page }) => {
  await openDemo(page, 'Quillmoor', 'Trace')
  await page.getByRole('button', { name: 'Settings' }).click()
  await page.getByRole('menuitemradio', { name: 'lb·ft' }).click()
  await page.getByRole('menuitemradio', { name: /layshaft/ }).click()
  await page.getByRole('menuitemradio', { name: 'dark' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByTestId('torque-out')).toContainText('lb·ft')
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
  await page.reload()
  await expect(page.getByTestId('torque-out')).toContainText('lb·ft')
  await expect(page.getByTestId('path')).toContainText('layshaft')
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
})

test('the final drive is kept with the box, and impossible teeth are refused', async ({ page }) => {
  await openDemo(page, 'Quillmoor', 'Ratios')
  const first = page.getByRole('row', { name: /^1 (?!to)/ })
  await page.getByLabel('Driven gear').fill('44')
  await page.getByLabel('Driving pinion').fill('3')
  await page.keyboard.press('Enter')
  await expect(page.getByText('The final drive is as it was.')).toBeVisible()
  await page.getByLabel('Driving pinion').fill('11')
  await page.keyboard.press('Enter')
  // First of the demo, 32/19 × 37/14 = 592/133, times 44/11 = 4: 17.805 by hand.
  await expect(first).toContainText(/17\.805\s:\s1/)
  await page.reload()
  await expect(first).toContainText(/17\.805\s:\s1/)
})

test('the bench is filtered by stage and by what waits, and put in order', async ({ page }) => {
  await page.goto('/')
  const list = page.getByRole('list', { name: 'Boxes on the bench' })
  await page.getByLabel('Waits for').selectOption({ label: 'parts that have not arrived' })
  await expect(list.getByRole('listitem')).toHaveText([/Ostrel/])
  await page.getByLabel('At stage').selectOption({ label: 'no job yet' })
  await expect(page.getByText('No box stands so.')).toBeVisible()
  await page.getByRole('link', { name: 'Show all' }).click()
  await expect(list.getByRole('listitem').nth(1)).toBeVisible()
  await page.getByLabel('In order').selectOption({ label: 'by name' })
  await expect(page).toHaveURL(/sort=name/)
  // Of those that ship with Udrix the first by name; other tests leave boxes of their own.
  await expect(list.getByRole('listitem').filter({ hasText: 'demo' }).first()).toContainText(
    'Brackwell',
  )
})

test('the ratios say where each next position is taken, and what the engine falls to', async ({
  page,
}) => {
  await openDemo(page, 'Ostrel', 'Ratios')
  await page.getByLabel(/^Shift up at/).fill('4000')
  await page.getByLabel(/^Shift up at/).press('Enter')
  await expect(page).toHaveURL(/shift=4000/)
  // From 4th to 5th by 37/24 × 21/40 over 1: the engine falls to 4000 × 259/320, by hand.
  await expect(page.getByRole('row', { name: /^4 to 5/ })).toContainText(/3238\srev\/min/)
  await expect(page.locator('figure [aria-hidden] > svg').first()).toBeVisible()
})
