import { AxeBuilder } from '@axe-core/playwright'

import { openDemo, startFourSpeed } from './pages.ts'
import { expect, test } from './udrix.ts'

for (const theme of ['light', 'dark'] as const)
  test(`no page has an axe violation in the ${theme} theme`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: theme, reducedMotion: 'reduce' })
    const look = async (name: string) => {
      const { violations } = await new AxeBuilder({ page }).analyze()
      expect(
        violations.map(
          ({ id, nodes }) => `${name}: ${id}: ${nodes.map(({ html }) => html).join(' ')}`,
        ),
      ).toEqual([])
    }
    await page.goto('/')
    await look('bench')
    await page.goto('/new')
    await look('new box')
    await page.goto('/archive')
    await look('archive')
    await page.goto('/gone')
    await look('not found')
    await openDemo(page, 'Ostrel', 'Trace')
    await look('trace')
    await page.keyboard.press('n')
    await look('trace in neutral')
    await page.keyboard.press('?')
    await look('help')
    await page.keyboard.press('Escape')
    await openDemo(page, 'Ostrel', 'Ratios')
    await expect(page.locator('figure svg')).toBeVisible()
    await look('ratios')
    await page.getByRole('button', { name: 'Settings' }).click()
    await look('settings')
    await page.keyboard.press('Escape')
    const layout = page.url().replace(/ratios.*/, 'layout')
    await page.goto(`${layout}?part=gears:main-2`)
    await look('lay out')
    await page.goto(`${layout}?view=parts&part=couplers:coupler-1-2`)
    await look('parts')
    await page.goto(`${layout}?view=positions`)
    await look('positions')
    await page.goto(layout.replace('layout', 'history'))
    await look('history')
    await startFourSpeed(page, `axe ${theme}`)
    await look('count')
    await page.getByRole('textbox', { name: 'Head gear, input shaft' }).fill('3')
    await page.keyboard.press('Enter')
    await look('refused count')
  })
