import { openDemo } from './pages.ts'
import { expect, test } from './udrix.ts'

const SIZES = [
  { name: 'laptop', width: 1280, height: 800 },
  { name: 'small laptop', width: 1024, height: 768 },
  { name: 'tablet upright', width: 800, height: 1200 },
  { name: 'laptop at 200 %', width: 640, height: 400 },
] as const

for (const tab of ['Count', 'Turns', 'Trace', 'Measure', 'Ratios', 'Job'] as const)
  test(`nothing of ${tab} runs off the side, whatever the size`, async ({ page }) => {
    await openDemo(page, 'Ostrel', tab)
    for (const { name, width, height } of SIZES) {
      await page.setViewportSize({ width, height })
      // A chart is drawn anew once the page has its new size.
      await expect
        .poll(
          () =>
            page.evaluate(
              () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
            ),
          { message: `${tab} on a ${name}` },
        )
        .toBeLessThanOrEqual(0)
      if (tab === 'Ratios' || tab === 'Job') continue
      const box = await page.locator('svg.section').first().boundingBox()
      expect([name, (box?.width ?? 0) > width / 3]).toEqual([name, true])
      expect([name, (box?.height ?? 0) > 200]).toEqual([name, true])
    }
  })

test('the sleeve stands where the position puts it', async ({ page }) => {
  await openDemo(page, 'Ostrel', 'Trace')
  const place = page.locator('[data-coupler="coupler-1-2"]')
  for (const [key, expected] of [
    ['1', '1'],
    ['2', '2'],
    ['3', 'centre'],
  ] as const) {
    await page.keyboard.press(key)
    await expect(place).toHaveAttribute('data-place', expected)
  }
})

test('a gear in the drawing leads to its count, and back leads back', async ({ page }) => {
  await openDemo(page, 'Ostrel', 'Trace')
  await page.keyboard.press('5')
  await expect(page).toHaveURL(/position=5/)
  await page.getByRole('link', { name: /^5th gear, main shaft: 21 teeth/ }).click()
  await expect(page).toHaveURL(/count\?gear=main-5/)
  await expect(page.getByRole('textbox', { name: '5th gear, main shaft' })).toHaveValue('21')
  await page.goBack()
  await expect(page).toHaveURL(/trace\?position=5/)
})
