import type { Page } from '@playwright/test'

import { openDemo } from './pages.ts'
import { expect, test } from './udrix.ts'

const grip = (page: Page, coupler: string) => page.locator(`[data-grip="${coupler}"]`)

async function pull(page: Page, coupler: string, by: number) {
  const box = await grip(page, coupler).boundingBox()
  if (!box) throw new Error(`${coupler} has no grip`)
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + by, box.y + box.height / 2, { steps: 3 })
  await page.mouse.up()
}

test('sleeves are pulled by hand: a listed position is selected, and the interlock holds the second', async ({
  page,
}) => {
  await openDemo(page, 'Ostrel', 'Trace')
  await page.keyboard.press('n')
  await expect(page.getByText('Neutral', { exact: true })).toBeVisible()
  await pull(page, 'coupler-1-2', -40)
  await expect(page).toHaveURL(/position=2/)
  await expect(page.getByTestId('ratio')).toHaveText('2.377 : 1')

  await pull(page, 'coupler-3-4', 40)
  await expect(
    page.getByText('The interlock holds the 3–4 sleeve: the 1–2 sleeve is out'),
  ).toBeVisible()
  await expect(page).toHaveURL(/position=2/)
  await expect(grip(page, 'coupler-1-2')).toHaveClass(/holding/)

  await page.getByRole('button', { name: 'Interlock in place' }).click()
  await pull(page, 'coupler-3-4', 40)
  await expect(page.getByRole('heading', { name: 'Sleeves moved by hand' })).toBeVisible()
  await expect(page.getByText('Locked', { exact: true })).toBeVisible()
  // 2nd is 37/24 × 37/24, so 576/1369; 3rd 37/24 × 30/31 = 185/124, so 124/185 by hand.
  await expect(page.getByTestId('lock')).toContainText('(576/1369)')
  await expect(page.getByTestId('lock')).toContainText('(124/185)')
  await expect(page).toHaveURL(/moved=/)
  await page.reload()
  await expect(page.getByText('Locked', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Sleeves back' }).click()
  await expect(page).not.toHaveURL(/moved=/)
})

test('by keyboard, and in a dual-clutch box two gears are in by right', async ({ page }) => {
  await openDemo(page, 'Solvane', 'Trace')
  await page.keyboard.press('1')
  await expect(page.getByTestId('ratio')).toHaveText('14.170 : 1')
  await grip(page, 'coupler-2-4').focus()
  await page.keyboard.press('ArrowLeft')
  await expect(page.getByRole('heading', { name: 'Sleeves moved by hand' })).toBeVisible()
  await expect(page.getByTestId('ratio')).toHaveText('14.170 : 1')
  // The even clutch is kept open by the interlock of the two clutches.
  await grip(page, 'clutch-even').focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByText('The interlock holds the even clutch')).toBeVisible()
  await grip(page, 'clutch-odd').focus()
  await page.keyboard.press('ArrowLeft')
  await grip(page, 'clutch-even').focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByTestId('ratio')).toHaveText('8.625 : 1')
})
