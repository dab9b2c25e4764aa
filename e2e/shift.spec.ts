/** Changing gear: the change along its time line, the interlock, the drum, rods and gate. */
import { printed } from './pdf.ts'
import { addressOf, duplicateOf, openJob } from './pages.ts'
import { expect, test } from './udrix.ts'

test('a change is gone through by keyboard, stands in the address, and prints', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Fenwold')
  await page.goto(`${box}/shift?from=2&to=3`)
  const moment = page.getByRole('slider', { name: 'In 2' })
  await expect(moment).toHaveAttribute('aria-valuetext', 'Open the clutch.')
  await moment.focus()
  await page.keyboard.press('End')
  await expect(page.getByRole('slider', { name: 'In 3' })).toHaveAttribute('aria-valuetext', 'in 3')
  await expect(page.getByRole('table', { name: 'What has to match' })).toContainText(
    '0\u00a0rev/min',
  )
  await expect(page).toHaveURL(/at=\d+/)
  await page.reload()
  await expect(page.getByRole('slider', { name: 'In 3' })).toBeVisible()
  // A digit goes on from there.
  await page.keyboard.press('4')
  await expect(page).toHaveURL(/from=3&to=4/)
  await page.getByLabel('Engine').fill('fast')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('The speed is 1 to 30000.')
  const text = (await printed(page, 'A4')).map((each) => each.text).join(' ')
  expect(text).toContain('from 3 to 4')
  expect(text).toContain('Open the clutch')
})

test('with a ball left out two gears go in together and lock; with it in the rod is held', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Fenwold')
  await page.goto(`${box}/shift/interlock`)
  await expect(page.getByText('No two gears can be in together.')).toBeVisible()
  const rod = (name: string) => page.getByRole('group', { name })
  await rod('1–2 rod').getByRole('button', { name: '1', exact: true }).click()
  await rod('3–4 rod').getByRole('button', { name: '3', exact: true }).click()
  await expect(
    page.getByRole('status').filter({ hasText: 'cannot leave its middle' }),
  ).toBeVisible()
  await page.getByRole('checkbox', { name: 'Ball between the 1–2 rod and the 3–4 rod' }).uncheck()
  await page.getByRole('button', { name: '1 and 3', exact: true }).first().click()
  await expect(page.getByText('On the road that stops the driven wheels.')).toBeVisible()
  await expect(page).toHaveURL(
    ({ searchParams }) => searchParams.has('out') && searchParams.has('moved'),
  )
})

test('a groove that is cut too long locks the box, is told, kept, and taken back', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Wrenfield')
  await page.goto(`${box}/shift/drum`)
  await page.getByRole('button', { name: '3', exact: true }).click()
  await expect(page.getByText('In 3.')).toBeVisible()
  // The groove of first and fourth stays down beyond the stop of second.
  const angle = page.getByLabel('Angle 2', { exact: false }).first()
  await angle.fill('100')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^The drum locks the box from/).first()).toBeVisible()
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByText(/^The drum locks the box from/).first()).toBeVisible()
  const taken = page.getByLabel('Angle 1', { exact: false }).first()
  const other = await page.getByLabel('Angle 2', { exact: false }).first().inputValue()
  await taken.fill(other)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('already')
  await page.keyboard.press('Escape')
  // A point is dragged in the diagram.
  const point = page.locator('.drum-point').nth(1)
  const from = await point.boundingBox()
  if (!from) throw new Error('a point')
  await page.mouse.move(from.x + 5, from.y + 5)
  await page.mouse.down()
  await page.mouse.move(from.x - 150, from.y + 5, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByText(/^The drum locks the box from/)).toHaveCount(0)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByText(/^The drum locks the box from/).first()).toBeVisible()
})

test('an end of the gate that two rods have is told, and a rod goes with what lies in it', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Fenwold')
  await page.goto(`${box}/shift/rods`)
  const rod = page.getByRole('region', { name: '3–4 rod' })
  await rod.getByLabel('Row of the gate').first().fill('1')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Row 1, forward, is said of/)).toBeVisible()
  await rod.getByLabel('Row of the gate').first().fill('9')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Row of the gate: a whole number, 1 to 6.')
  await rod.getByRole('button', { name: 'Take out this rod' }).click()
  await expect(page.getByRole('region', { name: '3–4 rod' })).toHaveCount(0)
  await expect(page.getByText(/^Ball between the/)).toHaveCount(0)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByText(/^Ball between the/)).toHaveCount(2)
})

test('a ring is judged by its figures, and one that friction cannot have is refused', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Ostrel')
  await page.goto(`${box}/shift?from=2&to=3`)
  const ring = page.getByRole('region', { name: 'Ring' })
  await expect(ring).toContainText('away in')
  await ring.getByText('Figures of the ring').click()
  const friction = ring.getByLabel('Friction of ring and cone')
  await friction.fill('3')
  await page.keyboard.press('Enter')
  await expect(ring.getByRole('alert')).toContainText('0.01 to 0.5')
  await friction.fill('0.02')
  await page.keyboard.press('Enter')
  await expect(ring).toContainText('and it crunches')
  await ring.getByLabel('Drag against it').fill('40')
  await page.keyboard.press('Enter')
  await expect(ring).toContainText('it cannot bring the speeds together')
  await expect(page).toHaveURL(/drag=40/)
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await page.reload()
  await expect(ring).toContainText('it cannot bring the speeds together')
})

test('dogs are judged by their figures; more of them than have room are refused', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Kestwick')
  await page.goto(`${box}/shift?from=2&to=3&school=without-clutch`)
  const dogs = page.getByRole('region', { name: 'Dogs' })
  await expect(dogs).toContainText('They go in with the engine at')
  await expect(dogs).toContainText('draws them in with')
  await dogs.getByText('Figures of the dogs').click()
  const count = dogs.getByLabel('Dogs', { exact: true })
  await count.fill('12')
  await count.press('Enter')
  await expect(dogs.getByRole('alert')).toContainText('12 dogs come round every 30°')
  await count.press('Escape')
  const taper = dogs.getByLabel('Back-taper, below 0 worn round')
  await taper.fill('-9')
  await taper.press('Enter')
  await expect(dogs).toContainText('it jumps out of gear')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(dogs).toContainText('draws them in with')
  await page.getByRole('button', { name: /^Redo/ }).click()
  await expect(dogs).toContainText('it jumps out of gear')
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await page.reload()
  await expect(dogs).toContainText('it jumps out of gear')
})

test('half engaged, a ring waits or grinds by its gap; the way and the gap stand in the address', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Ostrel')
  await page.goto(`${box}/shift?from=3&to=2`)
  await page.getByRole('link', { name: 'See it half engaged' }).click()
  await expect(page.getByRole('heading', { name: '50 % of the way into 2' })).toBeVisible()
  const way = page.getByRole('slider')
  await expect(way).toHaveAttribute('aria-valuetext', /they wait/)
  await way.focus()
  for (let at = 0; at < 25; at++) await page.keyboard.press('ArrowRight')
  await expect(way).toHaveAttribute('aria-valuetext', /75 % of the way\. The speeds are equal/)
  const gap = page.getByLabel('Gap between ring and gear')
  await gap.fill('-1')
  await gap.press('Enter')
  await expect(page.getByRole('alert')).toBeVisible()
  await gap.fill('0')
  await gap.press('Enter')
  await expect(page.getByText('brakes no more. Replace it.')).toBeVisible()
  await expect(page.getByRole('img', { name: /it grinds/ })).toBeVisible()
  await expect(page).toHaveURL(/way=75.*gap=0|gap=0.*way=75/)
  await page.reload()
  await expect(page.getByRole('img', { name: /it grinds/ })).toBeVisible()
})

test('complaints lead to what shows them', async ({ page }) => {
  const box = await duplicateOf(page, 'Ostrel')
  await page.goto(`${box}/shift/complaints`)
  const of = (title: string) => page.getByRole('listitem').filter({ hasText: title })
  await expect(of('It balks when the oil is cold')).toContainText('instead of')
  await of('It is stuck in two').getByRole('link', { name: 'See it' }).click()
  await expect(page.getByText('On the road that stops the driven wheels.')).toBeVisible()
  await page.goBack()
  await of('It balks when the oil is cold').getByRole('link', { name: 'See it' }).click()
  await expect(page.getByRole('region', { name: 'Ring' })).toContainText('away in')
  await expect(page).toHaveURL(/drag=5/)
})

test('complaints say what the job found that bears on them', async ({ page }) => {
  await page.goto(`${await addressOf(page, 'Ostrel')}/shift/complaints`)
  const of = (title: string) => page.getByRole('listitem').filter({ hasText: title })
  const crunch = of('It crunches on a fast change')
  // The demo's job: 0.66 mm where 0.80 mm is the least.
  await expect(crunch).toContainText('0.14\u00a0mm below the least of 0.80\u00a0mm')
  await expect(of('It is stuck in two')).toContainText('nothing yet that bears on it')
  await crunch.getByRole('link', { name: 'Blocker ring for 2: ring gap' }).click()
  await expect(page.getByRole('list', { name: 'Findings on this part' })).toContainText('0.66')
})

test('moving off is shown standing and rolling', async ({ page }) => {
  const box = await duplicateOf(page, 'Brackwell')
  await page.goto(`${box}/shift?from=N&to=1`)
  const steps = page.getByRole('list', { name: 'Steps' })
  await expect(steps).toContainText('Wait until what turns with the input stands.')
  const output = page.getByLabel('Output')
  await output.fill('-1')
  await output.press('Enter')
  await expect(page.getByRole('alert')).toContainText('The speed is 0 to 30000.')
  await output.fill('300')
  await output.press('Enter')
  await expect(page).toHaveURL(/rolls=300/)
  await page.getByLabel('How').selectOption('double-declutching')
  // 30/16 · 32/14 turns of the input for one of the output, 300 times a minute.
  await expect(steps.getByRole('listitem').first()).toContainText('Bring the engine to 1286')
  await expect(page).toHaveURL(/school=double-declutch/)
  await page.reload()
  await expect(steps.getByRole('listitem').first()).toContainText('Bring the engine to 1286')
  await page.keyboard.press('r')
  await expect(page.getByText('R turns the wheels the other way: stop first.')).toBeVisible()
})

test('a ring that the job measured as spent grinds in a change', async ({ page }) => {
  const box = await duplicateOf(page, 'Ostrel')
  await openJob(page, box, 'shift?from=2&to=3')
  const steps = page.getByRole('list', { name: 'Steps' })
  await expect(steps).toContainText('brings both sides to one speed')
  await page.goto(`${box}/measure?part=${encodeURIComponent('ring:coupler-3-4/3')}`)
  for (const at of [1, 2, 3]) {
    await page.getByLabel(`Reading ${at}`).fill('0')
    await page.getByLabel(`Reading ${at}`).press('Enter')
  }
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await page.goto(`${box}/shift?from=2&to=3`)
  await expect(steps).toContainText('the teeth grind as they go in')
  await expect(page.getByRole('region', { name: 'Ring' })).toContainText('brakes no more')
})

test('a rod that a second lever moves has a gate of its own', async ({ page }) => {
  const box = await duplicateOf(page, 'Fenwold')
  await page.goto(`${box}/shift/rods`)
  await page.getByRole('region', { name: '3–4 rod' }).getByLabel('Moved').selectOption('2')
  await expect(page.getByRole('img', { name: /^Gate of lever 2/ })).toBeVisible()
  await page.goto(`${box}/shift?from=2&to=3`)
  await expect(page.getByRole('list', { name: 'Steps' })).toContainText('Lever 2 forward in row 2.')
  await page.goto(`${await addressOf(page, 'Drumlow')}/shift?from=2H&to=4H`)
  await expect(page.getByRole('img', { name: /^Gate of lever/ })).toHaveCount(2)
})

test('what cannot be had of a job is not reckoned with, and a change is shown all the same', async ({
  page,
}) => {
  await page.goto(`${await addressOf(page, 'Ostrel')}/shift/clutch`)
  await expect(page.getByRole('heading', { name: 'Clutch before the input' })).toBeVisible()
  await page.route('**/*.data*', (route) => route.fulfill({ status: 429, body: 'too much' }))
  await page.getByRole('link', { name: 'Change of gear', exact: true }).click()
  const told = page.getByText('what was entered in a job of this unit is not reckoned with here')
  await expect(told).toBeVisible()
  await expect(page.getByRole('list', { name: 'Steps' })).toContainText('Open the clutch.')
  await page.getByRole('link', { name: 'Drive', exact: true }).click()
  await expect(page.getByRole('table', { name: 'Changes of gear' })).toBeVisible()
  await page.unroute('**/*.data*')
  await page.getByRole('link', { name: 'Change of gear', exact: true }).click()
  await expect(page.getByText(/^Job \d/).first()).toBeVisible()
  await expect(told).toHaveCount(0)
})

test('the ribbon fills its width at the torque of the position on other pages as well', async ({
  page,
}) => {
  await page.goto(`${await addressOf(page, 'Ostrel')}/shift?from=4&to=5`)
  const widest = async (): Promise<number> =>
    Math.max(
      ...(await page
        .locator('.ribbon line')
        .evaluateAll((lines) => lines.map((line) => Number(line.getAttribute('stroke-width'))))),
    )
  const ofBox = await widest()
  const byPosition = page.getByRole('button', { name: 'Ribbon full by position' })
  await byPosition.click()
  await expect(byPosition).toHaveAttribute('aria-pressed', 'true')
  // First has the most of the box, 37/24 × 44/17, and fourth is direct: by the demo's counts.
  await expect.poll(async () => ofBox / (await widest())).toBeCloseTo(17 / 44 / (37 / 24), 2)
  await page.reload()
  await expect(byPosition).toHaveAttribute('aria-pressed', 'true')
})

test('a change is played, stopped, and followed by dragging rod, lever and slider', async ({
  page,
}) => {
  await page.goto(`${await addressOf(page, 'Ostrel')}/shift?from=1&to=2`)
  const sleeve = page.locator('[data-fork="coupler-1-2"]')
  const boss = async (): Promise<number> => (await sleeve.boundingBox())?.x ?? NaN
  const inFirst = await boss()
  await page.getByRole('button', { name: 'quick' }).click()
  await page.getByRole('button', { name: 'Play' }).click()
  await expect(page.getByText('In 2', { exact: true })).toBeVisible()
  await expect(page).toHaveURL(/at=70/)
  // First lies towards the output end, second towards the input end.
  const inSecond = await boss()
  expect(inSecond).toBeLessThan(inFirst - 10)
  const rod = page.locator('[data-rod="rod-coupler-1-2"]')
  const at = await rod.boundingBox()
  if (!at) throw new Error('a rod')
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2)
  await page.mouse.down()
  await page.mouse.move(at.x + at.width / 2 + (inFirst - inSecond), at.y + at.height / 2, {
    steps: 6,
  })
  await page.mouse.up()
  await expect.poll(boss).toBeGreaterThan(inFirst - 3)
  await page.getByRole('button', { name: 'All gears' }).click()
  const chosen = (end: string, label: string) =>
    page
      .getByRole('group', { name: end, exact: true })
      .getByRole('button', { name: label, exact: true })
  await expect(chosen('To', '3')).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'Pause' }).click()
  await expect(page.getByRole('button', { name: 'Play' })).toBeVisible()
})

test('any corner of a drawing is enlarged by wheel, buttons and keys, and the whole is had again', async ({
  page,
}) => {
  await page.goto(`${await addressOf(page, 'Ostrel')}/shift?from=1&to=2`)
  const drawing = page.locator('.zoomable svg').first()
  const larger = page.getByRole('button', { name: 'Larger' })
  const width = async (): Promise<number> => (await drawing.boundingBox())?.width ?? NaN
  const whole = await width()
  await expect(async () => {
    await larger.click()
    expect(await width()).toBeGreaterThan(whole * 1.4)
  }).toPass()
  const left = async (): Promise<number> => (await drawing.boundingBox())?.x ?? NaN
  const before = await left()
  await larger.press('ArrowRight')
  await expect.poll(left).toBeLessThan(before)
  await page.getByRole('button', { name: 'The whole drawing' }).click()
  await expect.poll(width).toBeCloseTo(whole, 0)
  await drawing.hover()
  await page.mouse.wheel(0, -400)
  await expect.poll(width).toBeGreaterThan(whole * 1.2)
  // What moves is grasped all the same, and follows the pointer in the enlarged drawing.
  await page.getByRole('button', { name: 'The whole drawing' }).click()
  await expect(page.getByRole('button', { name: 'Smaller' })).toHaveCount(0)
})

test('a worn tip of the star is a false neutral, a star that cannot be is refused, and both are taken back', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Wrenfield')
  await page.goto(`${box}/shift/drum?angle=150`)
  await page.getByText('Star, arm and spring').click()
  await expect(page.getByText(/^The star can rest in a false neutral/)).toHaveCount(0)
  const worn = page.getByLabel(/^Tip after .* worn down by/)
  await worn.fill('3')
  await worn.press('Enter')
  await expect(page.getByText(/^The star can rest in a false neutral/)).toHaveCount(1)
  await expect(page.getByText(/can rest here: it lies on a worn tip/)).toBeVisible()
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  const tips = page.getByLabel('Diameter over the tips', { exact: false })
  await tips.fill('36')
  await tips.press('Enter')
  await expect(
    page.getByText(/^With usual figures for what is not entered: diameter in the notches 28/),
  ).toBeVisible()
  const notches = page.getByLabel('Diameter in the notches', { exact: false })
  await notches.fill('40')
  await notches.press('Enter')
  await expect(page.getByRole('alert')).toContainText('has to be larger than in the notches')
  await notches.press('Escape')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(tips).toHaveValue('')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByText(/^The star can rest in a false neutral/)).toHaveCount(0)
})

test('with a sensor of two clutches dead, one half of the positions stays', async ({ page }) => {
  await page.goto(`${await addressOf(page, 'Solvane')}/shift/rods`)
  const table = page.getByRole('table', { name: /one sensor of the control unit dead/ })
  await expect(
    table.getByRole('row', { name: /^Pressure or travel of the even clutch/ }),
  ).toContainText('2, 4 and 6: how hard the clutch is closed is not known.')
  await expect(table.getByRole('row', { name: /^Place of the 6 rod/ })).toContainText(
    '2 and 4: two gears could be in at once.',
  )
})

test('a clutch is shown from pedal to plates, kept once it is changed, and given back', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Fenwold')
  await page.goto(`${box}/shift/clutch`)
  const said = page.getByRole('status').filter({ hasText: 'of the way in' })
  await expect(said).toContainText('Not free')
  await page.getByRole('slider').focus()
  await page.keyboard.press('End')
  await expect(said).toContainText('Runs free, 0.40')
  const wear = page.getByLabel('Wear of all facings', { exact: false })
  await wear.fill('2')
  await wear.press('Enter')
  await expect(said).toContainText('Oil takes up the wear')
  await page.getByLabel('Stage', { exact: true }).nth(1).selectOption('cable')
  await expect(said).toContainText('set the linkage again')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(said).toContainText('Oil takes up the wear')
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await page.reload()
  await expect(said).toContainText('Oil takes up the wear')
  await page.getByRole('button', { name: 'Back to what is usual' }).click()
  await expect(page.getByText('Proposed as it usually is', { exact: false })).toBeVisible()
})

test('lengths of a lever give the forces of a change, and what is refused stays to be mended', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Fenwold')
  await page.goto(`${box}/shift/rods`)
  const rod = page.getByRole('region', { name: '1–2 rod', exact: true })
  await rod.getByText('Where it lies, and lengths').click()
  const knob = rod.getByLabel('Pivot of the lever to its knob', { exact: false })
  await knob.fill('5')
  await knob.press('Enter')
  await expect(page.getByRole('alert')).toContainText('10')
  await knob.fill('280')
  await knob.press('Enter')
  const finger = rod.getByLabel('Pivot to its finger', { exact: false })
  await finger.fill('40')
  await finger.press('Enter')
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  await page.goto(`${box}/shift?from=N&to=1`)
  await expect(
    page.getByText(/120\u00a0N at the knob, as is usual, is 840\u00a0N on the rod/),
  ).toContainText('the knob goes 56.0\u00a0mm, the rod 8.0\u00a0mm')
})

test('a groove goes to a drum of its own and comes back; a motor before it is reckoned through', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Wrenfield')
  await page.goto(`${box}/shift/drum`)
  await page.getByRole('button', { name: 'Put this groove on a drum of its own' }).click()
  const drums = page.getByRole('group', { name: 'Drum', exact: true })
  await drums.getByRole('button', { name: 'Drum 2' }).click()
  await page.getByText('What turns it', { exact: true }).click()
  await page.getByRole('button', { name: 'A pair of wheels between motor and drum' }).click()
  const pair = page.getByRole('group', { name: 'Pair 1 before the drum' })
  await pair.getByLabel('Driving teeth').fill('1')
  await pair.getByLabel('Driving teeth').press('Enter')
  await expect(page.getByRole('table', { name: 'From stop to stop' })).toContainText('6.67')
  await page.goto(`${box}/shift?from=1&to=2`)
  await expect(page.locator('[data-drum]')).toHaveCount(2)
  await page.goto(`${box}/shift/drum`)
  await drums.getByRole('button', { name: 'Drum 2' }).click()
  await page.getByRole('button', { name: 'Put its grooves on the first drum' }).click()
  await expect(drums).toHaveCount(0)
})

test('a ball that the job found missing is told and left out wherever rods are moved', async ({
  page,
}) => {
  const box = await duplicateOf(page, 'Fenwold')
  await openJob(page, box, 'measure?part=piece:interlock-ball-1')
  await page.getByRole('button', { name: 'missing', exact: true }).click()
  const told = page.getByText(/missing, as the job found\. Without it these can be in together/)
  await expect(page.getByText('Kept', { exact: true })).toBeVisible()
  for (const path of ['trace', 'shift/interlock', 'hand-over']) {
    await page.goto(`${box}/${path}`)
    await expect(told.first()).toBeVisible()
  }
  await page.goto(`${box}/shift/interlock`)
  const ball = page.getByRole('checkbox', { name: /^Ball between/ }).first()
  await expect(ball).not.toBeChecked()
  await ball.check()
  await expect(ball).toBeChecked()
})
