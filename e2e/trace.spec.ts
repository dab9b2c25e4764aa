import fs from 'node:fs/promises'

import type { Page } from '@playwright/test'

import { TRY_AGAIN, addressOf, duplicateOf } from './pages.ts'
import { expect, test } from './udrix.ts'

const view = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Pages of Trace' }).getByRole('link', { name, exact: true })

/** Opens Trace of a demo box in one position, and with what else its address says. */
async function openAt(page: Page, name: string, query: string, path = ''): Promise<void> {
  await page.goto(`${await addressOf(page, name)}/trace${path}?${query}`)
}

/** Widths of the ribbon's pieces and the torque that each stands for. */
async function ribbon(
  page: Page,
): Promise<readonly { width: number; torque: number; toX: number }[]> {
  return page.locator('.ribbon line').evaluateAll((lines) =>
    lines.map((line) => ({
      width: Number(line.getAttribute('stroke-width')),
      torque: Number(line.getAttribute('data-torque')),
      toX: Number(line.getAttribute('x2')),
    })),
  )
}

/**
 * Torques that the ribbon has to show for one unit put in, by hand from the demo's
 * counts as driven over driving.
 */
const RIBBONS: readonly (readonly [
  what: string,
  name: string,
  position: string,
  torques: readonly number[],
])[] = [
  ['a reduction', 'Ostrel', '2', [1, 37 / 24, (37 / 24) ** 2]],
  ['direct', 'Ostrel', '4', [1]],
  ['an overdrive', 'Ostrel', '5', [1, 37 / 24, (37 / 24) * (21 / 40)]],
  ['a reverse', 'Ostrel', 'R', [1, 37 / 24, (37 / 24) * (22 / 16), (37 / 24) * (41 / 16)]],
  // Two countershafts: half of the head ratio on each, twice over the two of the range section.
  ['a twin countershaft', 'Grimsound eighteen', '5L', [1, 37 / 29 / 2, (37 / 29) * (48 / 18)]],
  ['a planetary', 'Drumlow', '4L', [1, 1 + 57 / 33]],
]

for (const [what, name, position, torques] of RIBBONS)
  test(`the ribbon of ${what} is as wide as its torque`, async ({ page }) => {
    await openAt(page, name, `position=${position}`)
    const pieces = await ribbon(page)
    const shown = new Set(pieces.map(({ torque }) => torque.toFixed(6)))
    for (const torque of torques) expect(shown).toContain(torque.toFixed(6))
    // One scale for all pieces that are wider than the least that can be seen; widths are
    // written to a tenth, so the widest tells the scale best.
    const seen = pieces.filter(({ width }) => width > 3)
    const widest = seen.reduce((most, piece) => (piece.width > most.width ? piece : most))
    for (const { width, torque } of seen)
      expect(Math.abs(width - (torque * widest.width) / widest.torque)).toBeLessThanOrEqual(0.1)
  })

test('the wheels drive: the ribbon and the sentences run the other way', async ({ page }) => {
  await openAt(page, 'Ostrel', 'position=2')
  const before = await ribbon(page)
  const rightmost = Math.max(...before.map(({ toX }) => toX))
  await page.getByRole('button', { name: 'The engine drives' }).click()
  await expect(page.getByRole('button', { name: 'The wheels drive' })).toBeVisible()
  await expect(page.getByTestId('path')).toContainText('The wheels drive the main shaft')
  await expect(page.getByTestId('path').getByRole('listitem').last()).toContainText(
    'Power reaches the engine at the input shaft',
  )
  await expect
    .poll(async () => Math.max(...(await ribbon(page)).map(({ toX }) => toX)))
    .toBeLessThan(rightmost)
  await expect(page).toHaveURL(/overrun=on/)
})

test('torque, speed and road speed follow the sliders and the units', async ({ page }) => {
  await openAt(page, 'Ostrel', 'position=4&speed=1000')
  // v = 0.377·r·n/(i·i_axle): 0.377 × 0.296 × 1000 / (43/11), Bosch (from memory).
  await expect(page.getByTestId('road-speed')).toHaveText('28.5 km/h')
  const slider = page.getByRole('slider', { name: 'Speed in, slider' })
  await slider.focus()
  await slider.press('ArrowRight')
  await expect(page.getByTestId('speed-out')).toHaveText('1050 rev/min')
  await expect(page).toHaveURL(/speed=1050/)
  // An arrow on a slider is no change of position.
  await expect(page.getByTestId('ratio')).toHaveText('1 : 1')
  const torque = page.getByRole('slider', { name: 'Torque in, slider' })
  await torque.fill('200')
  await expect(page.getByTestId('torque-out')).toHaveText('5000 N·m')
  await expect(torque).toHaveAttribute('aria-valuetext', /^5000\sN·m$/)
  await page.getByRole('button', { name: 'Settings' }).click()
  await page.getByRole('menuitemradio', { name: 'mi/h' }).click()
  await page.keyboard.press('Escape')
  // 28.51 × 1.05 / 1.609344.
  await expect(page.getByTestId('road-speed')).toHaveText('18.6 mi/h')
})

test('layers are chosen and stay in the address', async ({ page }) => {
  await openAt(page, 'Ostrel', 'position=2')
  await page.getByRole('button', { name: 'Shown' }).click()
  await page.getByRole('menuitemcheckbox', { name: 'Torque, as the ribbon' }).click()
  await expect(page.locator('.ribbon')).toHaveCount(0)
  await page.getByRole('menuitemcheckbox', { name: 'Speed and sense' }).click()
  // The countershaft turns 1000 × 24/37 against the input: its near side goes up.
  await expect(page.locator('.speed', { hasText: '↑ 649' }).first()).toBeVisible()
  await page.getByRole('menuitemcheckbox', { name: 'Tooth counts' }).click()
  await page.getByRole('menuitemcheckbox', { name: 'Names of parts' }).click()
  await page.getByRole('menuitemcheckbox', { name: 'Thrust and bearing loads' }).click()
  await page.keyboard.press('Escape')
  await expect(page.locator('svg.upper text', { hasText: /^44$/ })).toHaveCount(0)
  await expect(page.locator('svg.upper text', { hasText: 'Countershaft' })).toHaveCount(0)
  await expect(page.locator('[data-forces="main"] .thrust')).toBeVisible()
  // The address follows a little later.
  await expect(page).toHaveURL(/layers=.*forces/)
  await page.reload()
  await expect(page.locator('[data-forces="main"] .thrust')).toBeVisible()
  await expect(page.locator('.ribbon')).toHaveCount(0)
})

test('what stands is paler: in neutral with the output held by nothing it coasts', async ({
  page,
}) => {
  await openAt(page, 'Ostrel', 'position=N')
  await expect(page.locator('[data-member="main"]')).toHaveClass(/coasts/)
  await expect(page.locator('[data-gear="counter-1"]')).not.toHaveClass(/coasts|stands/)
})

test.describe('motion', () => {
  test.use({ contextOptions: { reducedMotion: 'no-preference' } })

  /** Two pictures of the drawing, some frames apart. */
  const twoPictures = async (page: Page): Promise<readonly [string, string]> => {
    const drawing = page.locator('.section-layers')
    const take = async (): Promise<string> => (await drawing.screenshot()).toString('base64')
    const before = await take()
    await page.evaluate(async () => {
      for (let frame = 0; frame < 30; frame++)
        await new Promise((resolve) => requestAnimationFrame(resolve))
    })
    return [before, await take()]
  }

  test('teeth drift, stand when stopped, and nothing moves where the person wants no motion', async ({
    page,
  }) => {
    await openAt(page, 'Ostrel', 'position=2')
    await expect(page.locator('div.motion')).toHaveAttribute('data-pace', 'normal')
    // The worker that draws may take its time to begin.
    await expect
      .poll(async () => {
        const [first, later] = await twoPictures(page)
        return first === later
      })
      .toBe(false)
    await page.getByRole('button', { name: 'Slowly' }).click()
    await expect(page.locator('div.motion')).toHaveAttribute('data-pace', 'slow')
    await page.getByRole('button', { name: 'Stop' }).click()
    await expect(page.locator('div.motion')).toHaveAttribute('data-pace', 'paused')
    const [stopped, still] = await twoPictures(page)
    expect(stopped).toBe(still)
    await expect(page).toHaveURL(/motion=paused/)
    // What is not driven keeps its teeth in the drawing itself.
    await page.goto(page.url().replace(/\?.*/, '/towing'))
    await expect(page.locator('div.motion')).toHaveCount(1)
    await expect(page.locator('[data-gear="counter-1"] .teeth')).toHaveCount(1)
    await page.goBack()
    await page.emulateMedia({ reducedMotion: 'reduce' })
    await expect(page.locator('div.motion')).toHaveCount(0)
    await expect(page.getByRole('button', { name: 'Turn' })).toHaveCount(0)
    expect(await page.locator('.teeth').count()).toBeGreaterThan(5)
  })
})

test('a share of two countershafts is set and taken back', async ({ page }) => {
  await openAt(page, 'Grimsound eighteen', 'position=8L')
  await expect(page.getByTestId('shares')).toContainText('an assumption')
  const slider = page.getByRole('slider', { name: /^Share of/ }).first()
  await slider.fill('55')
  await expect(page.getByTestId('shares')).toContainText('55.0 %')
  await expect(page.getByTestId('shares')).toContainText('45.0 %')
  // 8L: 37/29 × 32/34 over two countershafts; the head ratio is 37/29.
  const head = 37 / 29
  const shown = (await ribbon(page)).map(({ torque }) => torque.toFixed(6))
  expect(shown).toContain((0.55 * head).toFixed(6))
  expect(shown).toContain((0.45 * head).toFixed(6))
  await page.getByRole('button', { name: 'As assumed' }).click()
  await expect(page.getByTestId('shares')).toContainText('an assumption')
})

test('parts: speed, sense, torque, power and state, copied and as a file', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await openAt(page, 'Ostrel', 'position=2')
  await view(page, 'Parts').click()
  const row = page.locator('[data-row="counter-2"]')
  // 1000 × 24/37 and 100 × 37/24, and 2π·n·T/60 of both.
  await expect(row).toContainText('649 rev/min')
  await expect(row).toContainText('against the input')
  await expect(row).toContainText('154 N·m')
  await expect(row).toContainText('10.5 kW')
  await expect(page.locator('[data-row="counter-3"]')).toContainText('turns, carries nothing')
  await expect(page.getByText('Slip of free gears')).toBeVisible()
  await page.keyboard.press('r')
  await expect(page.locator('[data-row="main-reverse"]')).toContainText('395 N·m')
  await page.getByRole('button', { name: 'Copy path and table' }).click()
  await expect(page.getByText('Path and table are copied.')).toBeVisible()
  const copied = await page.evaluate(() => navigator.clipboard.readText())
  expect(copied.split('\n').find((line) => line.startsWith('Reverse gear, main shaft'))).toContain(
    'carries power',
  )
  expect(copied).toMatch(/^Power enters at the input shaft/)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Parts, CSV' }).click(),
  ])
  const csv = await fs.readFile(await download.path(), 'utf8')
  expect(csv).toContain('id,part,on,speed rev/min')
  expect(csv).toMatch(/main-reverse,Reverse gear,main shaft,253\.\d+,against the input,395\.\d+/)
})

test('the drawing goes out in the position shown, also where the address names none', async ({
  page,
}) => {
  await openAt(page, 'Ostrel', '')
  const [svg] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Drawing, SVG' }).click(),
  ])
  expect(await fs.readFile(await svg.path(), 'utf8')).toContain('class="ribbon"')
})

test('pointing at a gear says its teeth, speed, torque and what it does', async ({ page }) => {
  await openAt(page, 'Ostrel', 'position=2')
  await page.getByRole('link', { name: /^2nd gear, countershaft/ }).focus()
  const readout = page.locator('p', { hasText: '2nd gear, countershaft:' })
  // 1000 × 24/37 and 100 × 37/24.
  await expect(readout).toHaveText(
    /24\steeth, fixed · 649\srev\/min against the input · 154\sN·m · carries power/,
  )
  await page.getByRole('link', { name: /^3rd gear, countershaft/ }).focus()
  await expect(page.locator('p', { hasText: '3rd gear, countershaft:' })).toContainText(
    'turns, carries nothing',
  )
})

test('the drawing goes out as SVG and as PNG, as it is shown', async ({ page }) => {
  await openAt(page, 'Ostrel', 'position=2&layers=torque,speed')
  const [svg] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Drawing, SVG' }).click(),
  ])
  const text = await fs.readFile(await svg.path(), 'utf8')
  expect(text).toContain('class="ribbon"')
  expect(text).toContain('↑ 649')
  expect(text).not.toContain('Countershaft</text>')
  const [png] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'PNG' }).click(),
  ])
  expect(png.suggestedFilename()).toBe('Ostrel five-speed, unit 12 2.png')
  const bytes = await fs.readFile(await png.path())
  // Signature, and a width over 1500 in the heading (PNG, ISO/IEC 15948).
  expect(bytes.subarray(1, 4).toString()).toBe('PNG')
  expect(bytes.readUInt32BE(16)).toBeGreaterThan(1500)
})

test('forces: thrust and bearing loads, what is missing, and losses beside the ideal', async ({
  page,
}) => {
  await openAt(page, 'Ostrel', 'position=2', '/forces')
  // d = 2.25 × 24 / cos 26° = 60.08 mm, Ft = 2T/d = 3329 N, Fa = Ft·tan 26° = 1624 N (ISO 21771).
  const shafts = page.locator('[data-row="input"]')
  await expect(shafts).toContainText('1624 N')
  await expect(page.getByRole('row', { name: /^Head gear, input shaft/ }).first()).toContainText(
    '3329 N',
  )
  // 0.99 twice in the meshes and 0.995 for each of three shafts, from input to output.
  await expect(page.getByTestId('efficiency')).toHaveText(
    `${(0.99 ** 2 * 0.995 ** 3 * 100).toFixed(1)} %`,
  )
  // The other way round every thrust is the other way (ISO 21771: by the hand of the helix).
  await expect(shafts).toContainText('towards the output end')
  await page.getByLabel(/^The input turns/).selectOption('counterclockwise')
  await expect(shafts).toContainText('towards the input end')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(shafts).toContainText('towards the output end')
  await page.getByLabel('Efficiency of a pair in mesh').fill('98')
  await expect(page.getByTestId('efficiency')).toHaveText(
    `${(0.98 ** 2 * 0.995 ** 3 * 100).toFixed(1)} %`,
  )
  await page.getByLabel('Efficiency of a pair in mesh').fill('good')
  await expect(page.getByText('Enter 50 to 100 %. 99 % is taken until then.')).toBeVisible()
  await openAt(page, 'Fenwold', 'position=2', '/forces')
  await expect(page.getByRole('heading', { name: 'Missing for the forces' })).toBeVisible()
  await expect(
    page.getByRole('listitem').filter({ hasText: 'Head gear, input shaft' }),
  ).toContainText('module, helix angle, pressure angle')
})

test('spin test: ticks that disagree name their cause, and one press mends the drawing', async ({
  page,
}) => {
  await page.goto(`${await duplicateOf(page, 'Ostrel')}/trace/spin`)
  const tick = (name: string, what: 'moved' | 'stood') =>
    page
      .getByRole('group', { name: `${name} on the bench`, exact: true })
      .getByRole('button', { name: what })
      .click()
  await expect(page.locator('[data-member="main"]')).toHaveClass(/stands/)
  await tick('Countershaft', 'moved')
  await expect(page.getByText('The tick agrees with the drawing.')).toBeVisible()
  // Its mate does not turn with the countershaft: free on it, or loose.
  const second = page.getByRole('button', { name: '2. Turn the main shaft' })
  await second.click()
  await expect(second).toHaveAttribute('aria-pressed', 'true')
  await tick('2nd gear, free', 'moved')
  await tick('Countershaft', 'stood')
  await expect(page.getByTestId('disagreement')).toHaveCount(1)
  await expect(page.getByTestId('disagreement')).toContainText(
    'Test 2: The 2nd gear, main shaft moved',
  )
  await expect(page).toHaveURL(/output-stood=counter/)
  await page.reload()
  await expect(page.getByTestId('mend').first()).toBeVisible()
  await expect(page.getByTestId('mend').first()).toContainText(
    'The 2nd gear, countershaft is drawn as turning with its shaft, but is free on it.',
  )
  await page.getByTestId('mend').first().getByRole('button').click()
  await expect(page.getByTestId('disagreement')).toHaveCount(0)
  await expect(page.getByText('All 3 ticks agree with the drawing.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByTestId('disagreement')).toHaveCount(1)
})

test('spin test: ticks belong to the job; a sleeve left in gear is among the causes', async ({
  page,
  context,
}) => {
  const box = await duplicateOf(page, 'Ostrel')
  // With 2nd in and the main shaft held, the whole input side stands.
  await page.goto(`${box}/trace/spin?input-stood=input,counter`)
  await expect(page.getByTestId('disagreement')).toHaveCount(2)
  await page.getByRole('button', { name: 'Open a job' }).click()
  await expect(page.getByText('Job 1', { exact: true })).toBeVisible()
  await page.goto(`${box}/trace/spin?input-stood=input,counter`)
  await expect(page.getByText('2 ticks stand in the address')).toBeVisible()
  await page.getByRole('button', { name: 'Keep in the job' }).click()
  await expect(page.getByTestId('disagreement')).toHaveCount(2)
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  // Whoever opens the page elsewhere sees the same ticks, and what is ticked there.
  const other = await context.newPage()
  await other.goto(`${box}/trace/spin`)
  await expect(other.getByTestId('disagreement')).toHaveCount(2)
  await other
    .getByRole('group', { name: 'Main shaft on the bench', exact: true })
    .getByRole('button', { name: 'stood' })
    .click()
  await expect(
    page
      .getByRole('group', { name: 'Main shaft on the bench', exact: true })
      .getByRole('button', { name: 'stood' }),
  ).toHaveAttribute('aria-pressed', 'true')
  const cause = page.getByTestId('mend').filter({ hasText: 'was not in neutral' }).first()
  await cause.getByRole('button', { name: 'Take the test so' }).click()
  await expect(page.getByText('All 3 ticks agree with the drawing.')).toBeVisible()
  await expect(page.getByText(/^Sleeves: .* at /)).toBeVisible()
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByText('All 3 ticks agree with the drawing.')).toBeVisible()
  await page.goto(`${box}/job`)
  await expect(page.getByRole('list', { name: 'Log of the job' })).toContainText(
    /Spin test .* turned, main shaft held, .*: .* stood/,
  )
})

test('towing: the main shaft turns alone and what runs dry is listed', async ({ page }) => {
  await openAt(page, 'Ostrel', '', '/towing')
  await expect(page.getByText('do not tow with the driven wheels')).toBeVisible()
  const list = (name: string) =>
    page
      .locator('aside section')
      .filter({ has: page.getByRole('heading', { name: new RegExp(`^${name}`) }) })
  await expect(list('Turns').getByRole('listitem')).toHaveText(['Main shaft'])
  await expect(list('Is not driven')).toContainText('Countershaft')
  await expect(list('Runs on its shaft').getByRole('listitem')).toHaveCount(5)
})

test('compare: two positions, and the box with other counts', async ({ page }) => {
  await openAt(page, 'Ostrel', 'position=2', '/compare')
  await page.getByLabel('beside').selectOption('4')
  await expect(page.getByRole('row', { name: /Ratio/ }).first()).toContainText('2.377 : 1')
  await expect(page.getByRole('row', { name: /Ratio/ }).first()).toContainText('1 : 1')
  await expect(page.getByRole('row', { name: /differs Torque out/ })).toBeVisible()
  await expect(page.locator('.ribbon')).toHaveCount(2)
  await page.getByRole('button', { name: 'Other counts' }).click()
  const trial = page.getByRole('region', { name: 'Counts on trial' })
  const second = trial.getByRole('textbox', { name: 'Teeth to try: 2nd gear, main shaft' })
  await second.fill('36')
  await second.press('Enter')
  // 37/24 × 36/24 by hand.
  await expect(page.getByRole('row', { name: /Ratio/ }).first()).toContainText(
    `${((37 / 24) * (36 / 24)).toFixed(3)} : 1`,
  )
  await expect(page).toHaveURL(/counts=main-2/)
  await page.reload()
  await expect(trial).toContainText('37 in the box')
  await expect(second).toHaveValue('36')
  await second.fill('2')
  await second.press('Enter')
  await expect(trial).toContainText('5 to 400')
})

test('several counts are tried at once, kept, taken over in one step and taken back in one', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Ostrel')
  await page.goto(`${box}/trace/compare?compare=counts&position=2`)
  const trial = page.getByRole('region', { name: 'Counts on trial' })
  const toTry = (gear: string) => trial.getByRole('textbox', { name: `Teeth to try: ${gear}` })
  for (const [gear, count] of [
    ['2nd gear, main shaft', '36'],
    ['2nd gear, countershaft', '25'],
  ] as const) {
    await toTry(gear).fill(count)
    await toTry(gear).press('Enter')
  }
  const second = page
    .getByRole('row')
    .filter({ has: page.getByRole('rowheader', { name: 'Position 2', exact: true }) })
  // 37/24 × 37/24 and 37/24 × 36/25 by hand.
  await expect(second).toContainText(((37 / 24) * (37 / 24)).toFixed(3))
  await expect(second).toContainText(((37 / 24) * (36 / 25)).toFixed(3))
  // Elsewhere nothing of it is to be seen, and on the way back it is there again.
  await page.goto(`${box}/trace?position=2`)
  await expect(page.getByTestId('ratio')).toHaveText('2.377 : 1')
  await page.goto(`${box}/trace/compare?compare=counts&position=2`)
  await expect(toTry('2nd gear, countershaft')).toHaveValue('25')
  await trial.getByRole('button', { name: 'Take over 2 counts' }).click()
  const asked = page.getByRole('dialog')
  await expect(asked.getByRole('row', { name: /2nd gear, main shaft/ })).toContainText('36')
  await asked.getByRole('button', { name: 'Take it over' }).click()
  await expect(trial.getByRole('button', { name: /Take over/ })).toBeHidden()
  await expect(toTry('2nd gear, main shaft')).toHaveValue('36')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(toTry('2nd gear, main shaft')).toHaveValue('37')
  await expect(toTry('2nd gear, countershaft')).toHaveValue('24')
})

for (const format of ['A4', 'Letter'] as const)
  test(`the sheet of all positions prints on ${format}`, async ({ page }) => {
    await openAt(page, 'Ostrel', '', '/sheet')
    await expect(page.locator('.sheet > li')).toHaveCount(7)
    await expect(page.locator('.sheet > li').first()).toContainText('locks the 1st gear')
    await page.emulateMedia({ media: 'print' })
    await expect(page.getByRole('navigation', { name: 'Pages of Trace' })).toBeHidden()
    const pdf = (await page.pdf({ format })).toString('latin1')
    expect(pdf.startsWith('%PDF')).toBe(true)
    const sheets = pdf.match(/\/Type\s*\/Page\b/g) ?? []
    expect(sheets.length).toBeGreaterThan(0)
    expect(sheets.length).toBeLessThanOrEqual(3)
  })

test('every view is reached and left by keyboard, and keeps the position', async ({ page }) => {
  await openAt(page, 'Ostrel', 'position=3')
  for (const [name, path] of [
    ['Parts', 'parts'],
    ['Forces and losses', 'forces'],
    ['Spin test', 'spin'],
    ['Towing and oil', 'towing'],
    ['Compare', 'compare'],
    ['Sheet', 'sheet'],
  ] as const) {
    await view(page, name).focus()
    await page.keyboard.press('Enter')
    await expect(page).toHaveURL(new RegExp(`/trace/${path}\\?position=3`))
    await expect(view(page, name)).toHaveAttribute('aria-current', 'page')
  }
  await page.goBack()
  await expect(page).toHaveURL(/\/compare/)
})

/** The scripts that a page names as the server sends it, and their size as they come, in kB. */
async function firstScripts(page: Page, address: string) {
  const html = await (await page.request.get(address, TRY_AGAIN)).text()
  const names = new Set([...html.matchAll(/\/assets\/[^"]+\.js/g)].map(([name]) => name))
  const answers = await Promise.all([...names].map((name) => page.request.get(name, TRY_AGAIN)))
  const texts = await Promise.all(answers.map((answer) => answer.text()))
  const sizes = answers.map((answer) => Number(answer.headers()['content-length'] ?? 0))
  return {
    hasSchemas: texts.some((text) => text.includes('ZodError')),
    sizeKb: sizes.reduce((sum, size) => sum + size, 0) / 1000,
  }
}

test('Trace opens with little script, without the schemas of files', async ({ page }) => {
  const box = await addressOf(page, 'Quillmoor four')
  const trace = await firstScripts(page, `${box}/trace?position=2`)
  expect(trace.hasSchemas).toBe(false)
  expect(trace.sizeKb).toBeLessThan(250)
  // A page that reads what was typed has them, so that this would be seen.
  expect((await firstScripts(page, `${box}/job`)).hasSchemas).toBe(true)
})

test('an axle goes round a bend by its radius and by its wheels, with torque and ratio as they were', async ({
  page,
}) => {
  await openAt(page, 'Calder', 'position=2')
  const ratio = await page.getByTestId('ratio').innerText()
  await page.getByText('In a bend', { exact: true }).click()
  const bend = page.getByRole('group', { name: 'Bend' })
  await bend.getByLabel('Radius', { exact: false }).fill('3')
  await bend.getByLabel('Radius', { exact: false }).press('Enter')
  // A track of 1.5 m round 3 m: 2.25 and 3.75 of 3.
  await expect(page.getByText(/turn 0\.750 and 1\.250 times as fast as their mean/)).toBeVisible()
  await expect(page.getByTestId('ratio')).toHaveText(ratio)
  await bend.getByLabel('Left side shaft', { exact: false }).fill('100')
  await bend.getByLabel('Left side shaft', { exact: false }).press('Enter')
  await expect(page.getByTestId('speed-out').first()).toContainText('100')
  await bend.getByRole('button', { name: 'Straight ahead' }).click()
  await expect(page.getByText(/^An open differential: figures are for/)).toBeVisible()
})

test('with the pedal down no ribbon comes in, and a box of two clutches has no pedal', async ({
  page,
}) => {
  await openAt(page, 'Fenwold', 'position=2')
  await expect(page.locator('.ribbon line')).not.toHaveCount(0)
  await page.getByRole('button', { name: 'Pedal up' }).click()
  await expect(page.getByText(/^Pedal down: no torque comes in/)).toBeVisible()
  await expect(page.locator('.ribbon line')).toHaveCount(0)
  await expect(page.getByTestId('torque-out').first()).toContainText('0.0')
  await openAt(page, 'Solvane', 'position=2')
  await expect(page.getByRole('button', { name: /^Pedal/ })).toHaveCount(0)
})
