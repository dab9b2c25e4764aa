/** `npm run screenshots`: the pictures of docs/screenshots, made anew from the demo data. */
import path from 'node:path'

import { chromium } from '@playwright/test'
import type { Page } from '@playwright/test'

import { TEST_BUILD, startUdrix } from '../e2e/udrix.ts'
import { ROOT } from './paths.mjs'
import { debianChromium, ensureBuild, ensureChromium, ensurePostgres } from './setup.mjs'

await ensurePostgres()
await ensureChromium()
await ensureBuild(TEST_BUILD)
const udrix = await startUdrix('screenshots')
const browser = await chromium.launch({
  executablePath: debianChromium(),
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})

/** So far that the main shaft lies on the bench, half stripped. */
const STEPS_DONE = 52

const DRAWN_WITHIN_MS = 1_500

async function takePicture(page: Page, name: string): Promise<void> {
  await page.locator('html[data-live]').waitFor({ state: 'attached' })
  await page.evaluate(() => document.fonts.ready)
  // Teeth that turn come with the worker that draws them, and charts draw themselves.
  await page.waitForTimeout(DRAWN_WITHIN_MS)
  await page.screenshot({ path: path.join(ROOT, 'docs/screenshots', `${name}.png`) })
}

try {
  const page = await browser.newPage({
    baseURL: udrix.url,
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
  })
  await page.goto('/')
  const boxes = await page
    .getByRole('list', { name: 'Boxes on the bench' })
    .getByRole('link')
    .evaluateAll((links) =>
      links.map((link) => [link.textContent, link.getAttribute('href') ?? ''] as const),
    )
  /** The address of a page of the demo box whose name begins so. */
  const of = (name: string, rest: string): string => {
    const [, href] = boxes.find(([text]) => text.startsWith(name)) ?? []
    if (!href) throw new Error(`the demo has no ${name}`)
    return `${href}/${rest}`
  }
  const take = async (name: string, address: string): Promise<void> => {
    await page.goto(address)
    await takePicture(page, name)
  }
  await takePicture(page, 'bench')
  await take('trace', of('Ostrel', 'trace?position=2'))
  await take('ratios', of('Ostrel', 'ratios'))
  await take('count', of('Quillmoor', 'count?gear=main-2'))
  await take('trace-heavy', of('Grimsound eighteen', 'trace?position=3L'))
  await take('data-sheet', of('Ostrel', 'sheet'))
  await take('shift', of('Ostrel', 'shift?from=2&to=3&at=55'))
  await take(
    'shift-interlock',
    of(
      'Fenwold',
      `shift/interlock?${new URLSearchParams({ out: 'rails-ball-1', moved: 'rod-coupler-1-2~2|rod-coupler-3-4~3' })}`,
    ),
  )
  await take('shift-drum', of('Wrenfield', 'shift/drum?angle=80'))
  await page.goto(of('Solvane', 'shift/drive?drive=overtaking&at=32'))
  await page.getByRole('table', { name: 'Changes of gear' }).waitFor()
  await takePicture(page, 'shift-drive')
  await take('layout', of('Fenwold', 'layout?part=pieces:ball-bearing-2'))
  await take('job', of('Ostrel', 'job'))
  await take('hand-over', of('Ostrel', 'hand-over'))
  await take('turns', of('Ostrel', 'turns?position=3'))
  await take('measure', of('Ostrel', `measure?part=${encodeURIComponent('ring:coupler-1-2/2')}`))

  await page.goto(
    of('Ostrel', 'trace/spin?test=output&output-moved=main-2&output-stood=counter,input'),
  )
  await page.getByRole('button', { name: 'Keep in the job' }).click()
  await page.getByText('Kept', { exact: true }).waitFor()
  await takePicture(page, 'trace-spin')

  await take(
    'build-reach',
    of('Ostrel', `build/reach?for=${encodeURIComponent('ring:coupler-1-2/2')}`),
  )
  await page.goto(of('Fenwold', 'build'))
  await page.getByRole('button', { name: 'Open a job' }).click()
  await page.waitForURL(/job\?job=/)
  await page.goto(of('Fenwold', 'build'))
  for (let number = 1; number <= STEPS_DONE; number++) {
    await page.getByText(new RegExp(`^${number} of \\d+$`)).waitFor()
    await page.getByRole('button', { name: /^Done/ }).click()
  }
  await page.getByText('Kept', { exact: true }).waitFor()
  await takePicture(page, 'build')

  await page.goto(of('Harrowgap', 'layout'))
  await page.locator('[data-part="gears:main-2"]').focus()
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('Delete')
  await page.getByText('meshes with nothing').waitFor()
  await page.goto(of('Harrowgap', 'history'))
  await page
    .getByRole('link', { name: /^Compare/ })
    .first()
    .click()
  await page.getByText('Changed since').waitFor()
  await takePicture(page, 'history')
} finally {
  await browser.close()
  await udrix.stop()
}
