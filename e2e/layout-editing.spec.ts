import type { Page } from '@playwright/test'

import { duplicateOf, hearNothing, startFourSpeed, turnTo } from './pages.ts'
import { expect, test } from './udrix.ts'

const part = (page: Page, id: string) => page.locator(`[data-part="${id}"]`)

async function middle(page: Page, id: string): Promise<{ x: number; y: number }> {
  const box = await part(page, id).locator('rect').first().boundingBox()
  if (!box) throw new Error(`${id} is not in the drawing`)
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
}

async function drag(page: Page, from: { x: number; y: number }, to: { x: number; y: number }) {
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 4 })
  await page.mouse.move(to.x, to.y, { steps: 4 })
  await page.mouse.up()
}

/** A copy of the demo five-speed, so that tests do not meet on one box. */
async function openCopy(page: Page): Promise<string> {
  await page.goto('/?q=Ostrel')
  const copies = page.getByRole('link', { name: 'Ostrel five-speed, unit 12 (copy)' })
  const before = await copies.count()
  await page
    .getByRole('button', { name: 'More with Ostrel five-speed, unit 12', exact: true })
    .click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await expect(copies).toHaveCount(before + 1)
  await copies.first().click()
  await turnTo(page, 'Lay out')
  await expect(part(page, 'gears:main-2')).toBeVisible()
  return page.url().replace(/\/layout.*/, '')
}

test('parts are dragged along their axis and on to their mates, and every step is undone', async ({
  page,
}) => {
  await openCopy(page)
  const aside = page.getByRole('region', { name: 'Selected part' })
  await drag(page, await middle(page, 'gears:main-5'), {
    x: (await middle(page, 'gears:main-5')).x + 40,
    y: (await middle(page, 'gears:main-5')).y,
  })
  const station = aside.getByLabel('Station')
  await expect(station).not.toHaveValue('192')
  const moved = Number(await station.inputValue())
  expect(moved).toBeGreaterThan(192)

  // On to its mate: the mesh is parted, and 5th no longer drives.
  await drag(page, await middle(page, 'gears:main-5'), await middle(page, 'gears:counter-5'))
  await expect(page.getByText('5th gear, main shaft meshes with nothing.')).toBeVisible()
  await expect(part(page, 'gears:main-5').locator('.mark')).toBeVisible()
  await drag(page, await middle(page, 'gears:counter-5'), await middle(page, 'gears:main-5'))
  await expect(page.getByText('meshes with nothing.')).toBeHidden()

  for (let step = 0; step < 3; step++) await page.keyboard.press('Control+z')
  await part(page, 'gears:main-5').click()
  await expect(aside.getByLabel('Station')).toHaveValue('192')
  for (let step = 0; step < 3; step++) await page.keyboard.press('Control+Shift+z')
  await expect(aside.getByLabel('Station')).toHaveValue(`${moved}`)
})

test('everything goes by keyboard: choose, move, count in place, take out, bring back', async ({
  page,
}) => {
  await openCopy(page)
  const gear = part(page, 'gears:main-2')
  await gear.focus()
  await page.keyboard.press('Enter')
  const aside = page.getByRole('region', { name: 'Selected part' })
  const station = aside.getByLabel('Station')
  const before = Number(await station.inputValue())
  await gear.focus()
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('ArrowLeft')
  await expect(station).toHaveValue(`${before + 9}`)
  const named = (await gear.getAttribute('aria-label')) ?? ''
  await page.keyboard.type('38')
  await page.keyboard.press('Escape')
  await expect(gear).toBeFocused()
  await page.keyboard.type('39')
  await page.keyboard.press('Enter')
  await expect(aside.getByLabel('Teeth')).toHaveValue('39')
  await expect(gear).toBeFocused()
  await page.keyboard.press('Delete')
  await expect(gear).toBeHidden()
  await page.keyboard.press('Control+z')
  await expect(gear).toBeVisible()
  await expect(gear).toHaveAccessibleName(/39 teeth/)
  // The count was one step, and the one that was given up none.
  await page.keyboard.press('Control+z')
  await expect(gear).toHaveAccessibleName(named)
  await page.keyboard.press('Control+z')
  await gear.focus()
  await page.keyboard.press('Enter')
  await expect(station).toHaveValue(`${before + 10}`)
})

test('a box is built up from the menu, part by part', async ({ page }) => {
  await openCopy(page)
  const add = async (name: RegExp | string) => {
    await page.getByRole('button', { name: 'Add a part' }).click()
    await page.getByRole('menuitem', { name }).click()
  }
  await add('Shaft on a line of its own')
  const aside = page.getByRole('region', { name: 'Selected part' })
  await expect(aside.getByRole('heading').first()).toHaveText('Shaft')
  await add(/^Gear on the shaft/)
  await aside.getByLabel('Called').fill('extra gear')
  await aside.getByLabel('Called').press('Enter')
  await aside.getByLabel('Teeth').fill('33')
  await aside.getByLabel('Teeth').press('Enter')
  await expect(aside.getByRole('heading').first()).toHaveText('Extra gear, shaft: 33 teeth, fixed')
  await aside.getByLabel('Add a mate').selectOption({ label: '3rd gear, countershaft' })
  await expect(aside.getByRole('list')).toContainText('3rd gear, countershaft')
  await add(/^Worm on the shaft/)
  await expect(aside.getByRole('heading').first()).toHaveText(/^Worm and wheel: shaft.* with worm/)
  await aside.getByLabel('Starts of the worm').fill('2.5')
  await aside.getByLabel('Starts of the worm').press('Enter')
  await expect(aside.getByRole('alert')).toContainText('a whole number, 1 to 24')
  await aside.getByLabel('Starts of the worm').fill('4')
  await aside.getByLabel('Starts of the worm').press('Enter')
  await expect(aside.getByRole('alert')).toBeHidden()
  await add(/^Planetary set on/)
  await aside.getByLabel('Kind').selectOption('planetary set, planets in pairs')
  await expect(aside.getByLabel('Pairs of planets')).toBeVisible()
  for (const name of [/stepped planets/, /^Differential/, /^Clutch/, 'Interlock', /^Rule/, 'Idler'])
    await add(name)
  await page.getByRole('link', { name: 'Parts', exact: true }).click()
  const table = page.getByRole('table', { name: 'Parts of the box' })
  await expect(table).toContainText('Planetary set')
  await page.getByRole('searchbox').fill('layshaft 3rd keyed')
  await expect(table.getByRole('row')).toHaveCount(2)
  await expect(table).toContainText('3rd gear, countershaft')
  await table.getByLabel('Teeth of 3rd gear, countershaft').fill('32')
  await table.getByLabel('Teeth of 3rd gear, countershaft').press('Enter')
  await page.getByRole('searchbox').fill('')
  await table.getByRole('button', { name: 'Teeth' }).click()
  await expect(table.getByRole('columnheader', { name: 'Teeth' })).toHaveAttribute(
    'aria-sort',
    /ascending|descending/,
  )
  await page.reload()
  await expect(page.getByRole('table', { name: 'Parts of the box' })).toContainText(
    'Extra gear, shaft',
  )
})

test('two tabs change one box: both changes stand, and where they meet both are told', async ({
  page,
  context,
}) => {
  await hearNothing(page)
  const box = await openCopy(page)
  const other = await context.newPage()
  await hearNothing(other)
  await other.goto(`${box}/layout?part=gears:main-3`)
  const aside = (of: Page) => of.getByRole('region', { name: 'Selected part' })
  await page.goto(`${box}/layout?part=gears:main-3`)

  await aside(page).getByLabel('Called').fill('mine')
  // Each change has to reach the server before the other tab sends the next one.
  const arrives = (of: Page) => of.waitForResponse((response) => response.url().endsWith('/edits'))
  const first = arrives(page)
  await aside(page).getByLabel('Called').press('Enter')
  await first
  await aside(other).getByLabel('Station').fill('101')
  await aside(other).getByLabel('Station').press('Enter')
  await expect(aside(other).getByLabel('Called')).toHaveValue('mine')

  await aside(page).getByLabel('Station').fill('95')
  await aside(page).getByLabel('Station').press('Enter')
  await expect(page.getByRole('alert')).toContainText(
    'was changed elsewhere. That stands; yours is in the history.',
  )
  await expect(aside(page).getByLabel('Station')).toHaveValue('101')
  await turnTo(page, 'History')
  await expect(page.getByText('Not placed: somebody else')).toBeVisible()
})

test('positions are found, named, hidden, forbidden, and a lock is explained', async ({ page }) => {
  await openCopy(page)
  await turnTo(page, 'Positions')
  await expect(page.getByText('6 positions can be used')).toBeVisible()
  await page.getByLabel('Name of 5').fill('top')
  await page.getByLabel('Name of 5').press('Enter')
  await page.getByRole('button', { name: 'Hide 3' }).click()
  await page.getByRole('button', { name: 'Forbid R' }).click()
  await expect(page.getByText('5 positions can be used')).toBeVisible()
  await page.getByText('1 barred combinations').click()
  await expect(page.getByText('R is not to be used.').first()).toBeVisible()
  await page.getByRole('button', { name: 'Take 2 off the list' }).click()
  await expect(page.getByText(/2 \(2\), not listed|2, not listed/)).toBeVisible()
  await page.getByRole('button', { name: /List all, 1 new/ }).click()

  const trial = page.getByRole('region', { name: 'Try a combination' })
  await trial.getByLabel('1–2 sleeve').selectOption({ label: '1' })
  await trial.getByLabel('3–4 sleeve').selectOption({ label: '4' })
  await expect(page.getByTestId('trial')).toContainText('Locked.')
  // 1st is 37/24 × 44/17, so 102/407 of the input's speed; direct asks for one turn.
  await expect(page.getByTestId('trial')).toContainText('(102/407)')
  await expect(page.getByTestId('trial')).toContainText('It cannot do both, so nothing turns.')
  await expect(page.getByTestId('trial')).toContainText('The interlock lets only one')

  await turnTo(page, 'Trace')
  const keys = page.getByRole('navigation', { name: 'Positions' }).getByRole('link')
  await expect(keys.filter({ hasText: 'top' })).toBeVisible()
  await expect(keys.filter({ hasText: /^3/ })).toHaveCount(0)
})

test('a box of very many combinations is worked out away from the page, and can be stopped', async ({
  page,
}) => {
  // What a worker is asked is held back until Stop has been pressed, however fast the machine is.
  await page.addInitScript(() => {
    const held = new Promise((resolve) => {
      addEventListener('let-go', resolve)
    })
    window.Worker = class extends Worker {
      override postMessage(message: unknown, transfer?: unknown): void {
        void held.then(() => {
          super.postMessage(message, transfer as Transferable[])
        })
      }
    }
  })
  await page.goto(`${await duplicateOf(page, 'Grimsound ten')}/layout`)
  await part(page, 'members:main').focus()
  await page.keyboard.press('Enter')
  for (let added = 0; added < 4; added++) {
    await page.getByRole('button', { name: 'Add a part' }).click()
    await page.getByRole('menuitem', { name: /^Sleeve on the main shaft/ }).click()
  }
  await turnTo(page, 'Positions')
  await page.getByRole('button', { name: 'Stop', exact: true }).click({ timeout: 20_000 })
  await expect(page.getByText('Stopped. Any change of the box starts it again.')).toBeVisible()
  await page.evaluate(() => dispatchEvent(new Event('let-go')))
  await page.keyboard.press('Control+z')
  await expect(page.getByText('positions can be used')).toBeVisible()
})

test('the history tells what was done, compares, and brings a state back', async ({ page }) => {
  const box = await startFourSpeed(page, 'history')
  await page.keyboard.type('20')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('progress')).toContainText('1 counted')
  await page.goto(`${box}/layout`)
  await part(page, 'gears:main-1').focus()
  await page.keyboard.press('Delete')
  await expect(part(page, 'gears:main-1')).toBeHidden()
  await turnTo(page, 'History')
  const history = page.getByRole('region', { name: 'History' })
  await expect(history.getByRole('listitem')).toHaveCount(2)
  await expect(history.getByRole('listitem').last()).toContainText(
    'Head gear, input shaft: 20 teeth',
  )
  await history
    .getByRole('link', { name: /^Compare/ })
    .first()
    .click()
  const comparison = page.getByRole('region', { name: 'Comparison' })
  await expect(comparison).toContainText('Taken out: 1st gear, main shaft')
  await comparison.getByRole('button', { name: 'Make it so again' }).click()
  await expect(comparison).toContainText('Nothing differs from now.')
  await expect(history.getByRole('listitem')).toHaveCount(3)
  await turnTo(page, 'Lay out')
  await expect(part(page, 'gears:main-1')).toBeVisible()
})
