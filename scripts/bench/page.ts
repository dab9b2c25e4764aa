/** A browser as the benches use it. */
import { chromium } from '@playwright/test'
import type { Browser, Page } from '@playwright/test'

import { debianChromium } from '../setup.mjs'

/** Opens a browser for some work and closes it again, whatever comes. */
export async function withPage(
  work: (page: Page, browser: Browser) => Promise<void>,
): Promise<void> {
  const browser = await chromium.launch({
    executablePath: debianChromium(),
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await work(page, browser)
  } finally {
    await browser.close()
  }
}

/** Lets a tab fetch, as each does once, what all pages are made of, so that it is not measured. */
export async function settle(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/glossary`)
  await page.waitForFunction(() => sessionStorage.getItem('udrix-assets') !== null)
}

/** Opens a page and waits until it answers to the hand; the stream of changes never rests. */
export async function openPage(page: Page, url: string): Promise<void> {
  await page.goto(url, { waitUntil: 'load' })
  await page.locator('html[data-live]').waitFor({ state: 'attached' })
}
