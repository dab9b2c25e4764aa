/** `npm run screenshots`: the pictures of docs/screenshots, made anew from the demo data. */
import path from 'node:path'

import { chromium } from '@playwright/test'
import type { Page } from '@playwright/test'

import { TEST_BUILD, startUdrix } from '../e2e/udrix.ts'
import { ROOT } from './paths.mjs'
import { CHROMIUM, ensureBuild, ensureChromium, ensurePostgres } from './setup.mjs'

await ensurePostgres()
await ensureChromium()
await ensureBuild(TEST_BUILD)
const udrix = await startUdrix('screenshots')
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})

async function takePicture(page: Page, name: string): Promise<void> {
  await page.waitForLoadState('networkidle')
  await page.screenshot({ path: path.join(ROOT, 'docs/screenshots', `${name}.png`) })
}

try {
  const page = await browser.newPage({
    baseURL: udrix.url,
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
  })
  await page.goto('/')
  const [five, four] = await page
    .getByRole('list', { name: 'Boxes on the bench' })
    .getByRole('link')
    .evaluateAll((links) =>
      links
        .map((link) => link.getAttribute('href') ?? '')
        .filter((href) => !href.endsWith('/file')),
    )
  await takePicture(page, 'bench')
  await page.goto('/new')
  await takePicture(page, 'new-box')
  await page.goto(`${five ?? ''}/trace?position=2`)
  await takePicture(page, 'trace')
  await page.goto(`${five ?? ''}/ratios`)
  await takePicture(page, 'ratios')
  await page.goto(`${four ?? ''}/count?gear=main-2`)
  await takePicture(page, 'count')
  await page.emulateMedia({ colorScheme: 'dark' })
  await page.goto(`${four ?? ''}/trace?position=R`)
  await takePicture(page, 'trace-dark')
} finally {
  await browser.close()
  await udrix.stop()
}
