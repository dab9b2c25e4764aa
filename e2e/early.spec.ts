/** A page can be seen before it answers: what is pressed then is not lost. */
import { startFourSpeed } from './pages.ts'
import { expect, test } from './udrix.ts'

test('a key that is pressed before the page answers does what it says as soon as it does', async ({
  page,
}) => {
  await startFourSpeed(page, 'Pressed early')
  let goOn: () => void = () => undefined
  const isHeld = new Promise<void>((resolve) => {
    goOn = resolve
  })
  // The page is there, and its scripts are not.
  await page.route('**/assets/*.js', async (route) => {
    await isHeld
    await route.continue()
  })
  await page.evaluate(() => {
    location.reload()
  })
  const help = page.getByRole('button', { name: 'Help' })
  await page.waitForFunction(() => document.documentElement.dataset.live === undefined)
  await help.click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  goOn()
  await expect(page.getByRole('dialog')).toBeVisible()
})
