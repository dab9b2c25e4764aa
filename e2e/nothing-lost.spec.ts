import fs from 'node:fs'

import type { Page } from '@playwright/test'

import { TRY_AGAIN, openJob, putFourSpeed, startFourSpeed, turnTo } from './pages.ts'
import { expect, openPage, startUdrix, test } from './udrix.ts'

async function note(page: Page, text: string): Promise<void> {
  await page.getByLabel('Note', { exact: true }).fill(text)
  await page.getByLabel('Note', { exact: true }).press('Enter')
}

const log = (page: Page) => page.getByRole('list', { name: 'Log of the job' })
const allKept = (page: Page) => expect(page.getByText('Kept', { exact: true })).toBeVisible()
const setAside = (page: Page) => page.getByRole('region', { name: 'Set aside' })

async function deleteFromBench(page: Page, name: string): Promise<void> {
  await page.goto(`/?q=${encodeURIComponent(name)}`)
  await page.getByRole('button', { name: `More with ${name}`, exact: true }).click()
  await page.getByRole('menuitem', { name: 'Delete' }).click()
  await expect(page.getByText(`“${name}” is deleted.`, { exact: true })).toBeVisible()
}

test('what one enters, the other sees at once, and entries stay with the job they were made in', async ({
  page,
  context,
}) => {
  const box = await putFourSpeed(page, 'Watched by two')
  await openJob(page, box)
  const other = await context.newPage()
  await other.goto(`${box}/job`)
  await expect(other.getByText('Job 1', { exact: true })).toBeVisible()
  await note(page, 'brass in the oil')
  await expect(log(other)).toContainText('brass in the oil')
  // Somebody closes the job and opens the next one while this page is open.
  await other.getByLabel(/^Not done/).fill('only looked at')
  await other.getByRole('button', { name: 'Close the job' }).click()
  await expect(other.getByText('(closed)')).toBeVisible()
  await other.getByRole('button', { name: 'Open the next job' }).click()
  await expect(other.getByText('Job 2', { exact: true })).toBeVisible()
  await expect(page.getByText('Job 2 of this unit is open.')).toBeVisible()
  await expect(page.getByText('Job 1', { exact: true })).toBeVisible()
  await page.getByRole('link', { name: 'Go to job 2' }).click()
  await expect(page.getByText('Job 2', { exact: true })).toBeVisible()
  await expect(page.getByText('Nothing has been entered in this job yet.')).toBeVisible()
})

test('a deleted box waits to be brought back, and so does what was entered for it', async ({
  page,
  context,
}) => {
  const box = await startFourSpeed(page, 'Deleted elsewhere')
  const other = await context.newPage()
  await deleteFromBench(other, 'Deleted elsewhere')
  await page.keyboard.type('20')
  await page.keyboard.press('Enter')
  await expect(setAside(page)).toContainText('Head gear, input shaft: 20 teeth')
  await expect(setAside(page)).toContainText('Bring it back under “Deleted boxes”')
  // Through a reload it says where the box is.
  await page.goto(`${box}/count`)
  await expect(page.getByRole('heading', { name: 'Taken off the bench' })).toBeVisible()
  await page.getByRole('link', { name: 'Deleted boxes' }).click()
  await page.getByRole('button', { name: 'Bring back Deleted elsewhere' }).click()
  await expect(page).toHaveTitle(/Bench/)
  await page.goto(`${box}/count`)
  await setAside(page).getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await expect(setAside(page)).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('button', { name: /^Head gear, input shaft/ })).toContainText('20')
})

test('an answer that is none of Udrix’s sets one entry aside, and those behind it go on', async ({
  page,
}) => {
  const box = await putFourSpeed(page, 'Behind a proxy')
  await openJob(page, box)
  let isFirst = true
  await page.route('**/entries', async (route) => {
    const isForeign = isFirst
    isFirst = false
    await (isForeign
      ? route.fulfill({ status: 200, contentType: 'text/html', body: '<h1>Sign in</h1>' })
      : route.continue())
  })
  await note(page, 'caught on its way')
  await note(page, 'the one behind')
  await expect(setAside(page)).toContainText('caught on its way')
  await expect(setAside(page)).toContainText('Something other than Udrix answered')
  await expect(log(page)).toContainText('the one behind')
  await allKept(page)
  await page.reload()
  await setAside(page).getByRole('button', { name: 'Try again' }).click()
  await expect(log(page)).toContainText('caught on its way')
  await allKept(page)
})

test('what cannot be read in the browser’s store is in nobody’s way; a full store is told', async ({
  page,
}) => {
  const box = await startFourSpeed(page, 'Broken store')
  const id = box.split('/').at(-1) ?? ''
  await page.evaluate((key) => {
    localStorage.setItem(key, '{"item": ')
  }, `udrix-edits:${id}:000000000001-x`)
  await page.goto(`${box}/count`)
  await expect(page.getByText('One entry of an earlier visit could not be read')).toBeVisible()
  await page.evaluate(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
  })
  await page.route('**/edits', (route) => route.fulfill({ status: 429, body: '' }))
  await page.getByRole('textbox', { name: 'Head gear, input shaft' }).fill('20')
  await page.keyboard.press('Enter')
  await expect(page.getByText('on this page only')).toBeVisible()
  await page.unroute('**/edits')
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
})

test('in an outage a job’s pages stay, half-typed readings too, and a photograph waits through a reload', async ({
  browser,
}) => {
  const udrix = await startUdrix('e2e-dark')
  const page = await openPage(browser, udrix.url)
  const box = await putFourSpeed(page, 'In the dark')
  await openJob(page, box)
  await turnTo(page, 'Measure')
  await page.getByLabel('Reading 1').fill('0.9')
  await udrix.stopDatabase()
  // Another part, and back to the tab: neither takes the page away.
  await page.getByRole('group', { name: 'Rings' }).getByRole('button').last().click()
  await page.getByLabel('Reading 1').fill('0.81')
  await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')))
  await turnTo(page, 'Job')
  await turnTo(page, 'Measure')
  await expect(page.getByLabel('Reading 1')).toBeVisible()
  await turnTo(page, 'Job')
  // Until the job's page is there, that of measures stands with a like field.
  await expect(page).toHaveURL(/\/job$/)
  const drawn = await page.evaluate(async () => {
    const canvas = new OffscreenCanvas(320, 160)
    canvas.getContext('2d')?.fillRect(20, 20, 100, 60)
    const blob = await canvas.convertToBlob({ type: 'image/png' })
    return [...new Uint8Array(await blob.arrayBuffer())]
  })
  await page.getByLabel('What the next one shows').fill('ring in the dark')
  await page.locator('input[type=file]').setInputFiles({
    name: 'ring.png',
    mimeType: 'image/png',
    buffer: Buffer.from(drawn),
  })
  // The sheet that the page would print has it as well.
  await expect(page.getByText('Not sent yet').filter({ visible: true })).toHaveCount(1)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'The database does not answer' })).toBeVisible()
  await udrix.startDatabase()
  await allKept(page)
  const shown = page.getByRole('img', { name: 'ring in the dark' })
  await expect(shown).toHaveAttribute('src', /photos/)
  const bytes = await page.request.get((await shown.getAttribute('src')) ?? '', TRY_AGAIN)
  expect(bytes.headers()['content-type']).toBe('image/png')
  await page.close()
  await udrix.stop()
})

test('two servers on one database tell each other’s pages; a page whose server is gone turns to all others', async ({
  browser,
}) => {
  const udrix = await startUdrix('e2e-pair')
  const second = await udrix.serveAgain()
  const page = await openPage(browser, udrix.url)
  const box = await startFourSpeed(page, 'On two servers')
  const other = await openPage(browser, second.url)
  const loaded = new Set<string>()
  other.on('requestfinished', (request) => loaded.add(new URL(request.url()).pathname))
  await other.goto(`${new URL(box).pathname}/count`)
  await expect(other.getByRole('button', { name: /^Head gear, input shaft/ })).toBeVisible()
  await page.keyboard.type('20')
  await page.keyboard.press('Enter')
  await expect(other.getByRole('button', { name: /^Head gear, input shaft/ })).toContainText('20')
  // Left alone for a moment, the page fetches whatever the others are made of.
  const listed = (await (
    await other.request.get('/assets.json', TRY_AGAIN)
  ).json()) as readonly string[]
  expect(listed.length).toBeGreaterThan(50)
  await expect(() => {
    expect(listed.filter((path) => !loaded.has(path))).toEqual([])
  }).toPass()
  await second.stop()
  for (const title of ['Trace', 'Shift', 'Build', 'Lay out', 'Job', 'Turns', 'Measure'])
    await turnTo(other, title)
  // What nobody has looked at since is not to be had, and the way on stays.
  await turnTo(other, 'Job')
  await other.getByRole('link', { name: 'History', exact: true }).click()
  await expect(other.getByText('Udrix does not answer. What was asked for opens')).toBeVisible()
  await expect(other).toHaveTitle(/Job/)
  await turnTo(other, 'Count')
  await expect(other.getByRole('button', { name: /^Head gear, input shaft/ })).toContainText('20')
  await other.getByRole('button', { name: 'Settings' }).click()
  await other.getByRole('menuitemradio', { name: 'dark' }).click()
  await expect(other.getByRole('alert')).toContainText('Udrix does not answer, so this may not')
  await page.close()
  await other.close()
  await udrix.stop()
})

test('a page asks again for what it was made of only where that has changed meanwhile', async ({
  page,
  browser,
  baseURL,
}) => {
  const box = await startFourSpeed(page, 'Asked once')
  const other = await openPage(browser, baseURL ?? '')
  const asked: string[] = []
  other.on('request', (request) => {
    const { pathname } = new URL(request.url())
    if (pathname.endsWith('.data')) asked.push(pathname)
  })
  const told = other.waitForResponse(/\/changed/)
  await other.goto(`${box}/count`)
  await told
  const head = other.getByRole('button', { name: /^Head gear, input shaft/ })
  // Nothing is to come of it, which only time can show: four times as long as changes are gathered.
  await other.waitForTimeout(1_000)
  expect(asked).toEqual([])
  await page.keyboard.type('20')
  await page.keyboard.press('Enter')
  await expect(head).toContainText('20')
  expect(asked.length).toBeGreaterThan(0)

  // The page is there, and hears of nothing before the second count is kept.
  let goOn: () => void = () => undefined
  const isChanged = new Promise<void>((resolve) => {
    goOn = resolve
  })
  await other.route('**/changed*', async (route) => {
    await isChanged
    await route.continue()
  })
  await other.reload()
  await expect(head).toContainText('20')
  await page.keyboard.type('31')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await expect(page.getByTestId('progress')).toHaveText('2 counted, 0 confirmed')
  goOn()
  await expect(other.getByTestId('progress')).toHaveText('2 counted, 0 confirmed')
  await other.close()
})

test('nine windows of one browser open, and all hear what is entered in one', async ({ page }) => {
  const box = await startFourSpeed(page, 'In nine windows')
  const windows: Page[] = []
  for (let index = 0; index < 8; index++) {
    const next = await page.context().newPage()
    await next.goto(`${box}/count`)
    windows.push(next)
  }
  await page.keyboard.type('20')
  await page.keyboard.press('Enter')
  for (const next of windows)
    await expect(next.getByTestId('progress')).toHaveText('1 counted, 0 confirmed')
})

test('a rule of the shop is kept once for all units, and the maker’s figure comes before it', async ({
  page,
}) => {
  const box = await putFourSpeed(page, 'By the shop')
  await openJob(page, box, 'measure?kind=ring')
  await expect(page.getByText('rule of thumb that comes with Udrix')).toBeVisible()
  await page.goto('/shelf')
  const rule = page.getByRole('form', { name: 'Limit of backlash' })
  await rule.getByLabel('Least').fill('0.05')
  await rule.getByLabel('Most').fill('0.2')
  await rule.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByRole('status')).toContainText('Kept: backlash, 0.05 to 0.2 mm.')
  await page.goto(`${box}/measure?kind=gear&measure=backlash`)
  await expect(page.getByText('Limit: 0.05 mm to 0.20 mm')).toBeVisible()
  await page.getByText('Enter a limit').click()
  await page.getByLabel('Most, millimetres').fill('0.3')
  await page.getByRole('button', { name: 'Keep the limit' }).click()
  await expect(page.getByText('Limit: at most 0.30 mm')).toBeVisible()
})

test('0.018 where thousandths are meant is asked about', async ({ page }) => {
  const box = await putFourSpeed(page, 'In inches')
  await openJob(page, box, 'measure?kind=shaft&measure=end-play')
  await page.getByLabel('Unit of the readings').selectOption('thou')
  await page.getByLabel('Reading 1').fill('0.018')
  await page.getByLabel('Reading 1').press('Enter')
  await expect(page.getByRole('alert')).toContainText('Did you read inches?')
  await page.getByRole('button', { name: 'Yes, 0.018 inches' }).click()
  await page.getByLabel('Reading 1').press('Enter')
  await expect(page.getByText(/0\.018 in/).first()).toBeVisible()
})

test('the server refuses what it cannot keep with a sentence, and never with a failure of its own', async ({
  request,
}) => {
  const id = '00000000-0000-4000-8000-000000000000'
  const json = { 'Content-Type': 'application/json' }
  const text = { 'Content-Type': 'text/plain' }
  const deep = '['.repeat(5_000) + ']'.repeat(5_000)
  for (const [path, status, options] of [
    ['/?q=%00', 200, {}],
    ['/?after=made-up_nothing', 200, {}],
    ['/boxes/none/job', 404, {}],
    ['/shelf', 415, { method: 'POST', headers: json, data: '{}' }],
    ['/?index', 415, { method: 'POST', headers: json, data: '{}' }],
    [`/boxes/${id}/edits`, 400, { method: 'POST', headers: json, data: deep }],
    [`/boxes/none/entries`, 400, { method: 'POST', headers: json, data: '{}' }],
    ['/', 200, { headers: { Cookie: 'udrix-settings=W10%3D' } }],
    [`/boxes/${id}/edits`, 415, { method: 'POST', headers: text, data: '{}' }],
    ['/archive/uploads', 415, { method: 'POST', headers: json, data: '{}' }],
    ['/changed?box=none', 404, {}],
    ['/', 421, { headers: { Host: 'rebound.example' } }],
  ] as const) {
    const response = await request.fetch(path, { ...options, ...TRY_AGAIN })
    expect([path, response.status()]).toEqual([path, status])
    if (status === 200) expect(response.headers()['cache-control']).toBe('private, no-store')
  }
})

test('an archive holds jobs, photographs and the shelf', async ({ page }) => {
  await page.goto('/archive')
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take out the archive' }).click()
  const text = fs.readFileSync(await (await waiting).path()).toString('latin1')
  for (const name of ['jobs/', 'entries/', 'shop.json', 'checksums.sha256'])
    expect(text).toContain(name)
})

test('a press on another page while the server is away holds the page that is seen, and opens it later', async ({
  page: bench,
  browser,
  baseURL,
}) => {
  const box = await putFourSpeed(bench, 'Held while away')
  // A browser that says of itself what it cannot fetch.
  const context = await browser.newContext(baseURL === undefined ? {} : { baseURL })
  const page = await context.newPage()
  // Nothing of other pages is at hand.
  await context.route('**/assets.json', (route) => route.abort())
  await page.goto(`${box}/trace`)
  await expect(page.locator('html[data-live]')).toBeAttached()
  await context.setOffline(true)
  await page.getByRole('link', { name: /^Measure/ }).click()
  const held = page.getByText('Udrix does not answer. What was asked for opens as soon as it does')
  await expect(held).toBeVisible()
  await expect(page).toHaveTitle(/Trace/)
  await page.getByRole('button', { name: 'Stay here' }).click()
  await expect(held).toBeHidden()
  await expect(page).toHaveTitle(/Trace/)
  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await expect(held).toBeVisible()
  await context.setOffline(false)
  await expect(page).toHaveTitle(/^Bench/)
  await context.close()
})
