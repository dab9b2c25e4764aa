/** Main pages on a tablet four times slower than this machine, as a hand meets them. */
import type { Browser, Page } from '@playwright/test'

import { ms, percentile, report } from './measure.ts'
import { openPage, settle, withPage } from './page.ts'

const TABLET = { viewport: { width: 820, height: 1180 }, hasTouch: true } as const
const SLOWER = 4
const ROUNDS = 3
/** What a page does by itself after it answers is over by then. */
const REST_MS = 2_500
const SETTLE_MS = 1_000
const NOWHERE = { x: 0, y: 0, width: 0, height: 0 }
const AIMS = { paintMs: 1_500, blockedMs: 200, nextPaintMs: 100 } as const

/** A page, and what is tapped on it. */
interface Main {
  readonly path: string
  readonly tap: string
}

const GEAR_KEYS = 'nav[aria-label="Positions"] a'

/** Pages of the box with the job. */
const MAIN: Readonly<Record<string, Main>> = {
  Job: { path: '/job', tap: 'button:has-text("Mark as done")' },
  'Lay out': { path: '/layout', tap: '[role=button][aria-label^="2nd gear, main"]' },
  Count: { path: '/count', tap: 'button:has-text("Keep, next")' },
  Turns: { path: '/turns', tap: 'main button' },
  Trace: { path: '/trace', tap: `${GEAR_KEYS} >> nth=1` },
  Ratios: { path: '/ratios', tap: 'main input[inputmode=numeric]' },
  'Change of gear': { path: '/shift', tap: 'main button:text-is("3")' },
  Drive: { path: '/shift/drive', tap: 'main select' },
  'Measure, choosing a ring': { path: '/measure', tap: 'button:has-text("Blocker ring for 2")' },
  'Parts to order': { path: '/order', tap: 'main input[inputmode=numeric]' },
  Build: { path: '/build', tap: 'button:has-text("Done")' },
}

/** What one round met, in milliseconds. */
interface Met {
  readonly paintMs: number
  readonly blockedMs: number
  readonly nextPaintMs: number
}

/** Notes from the start of each document what its paints and long tasks come to. */
function observe(): void {
  const met = { paint: 0, blocked: 0, next: 0 }
  Object.assign(window, { met })
  const observeKind = (type: string, note: (entry: PerformanceEntry) => void): void => {
    const options = { type, buffered: true, durationThreshold: 16 }
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) note(entry)
    }).observe(options)
  }
  observeKind('largest-contentful-paint', ({ startTime }) => {
    met.paint = startTime
  })
  // A task blocks for what it takes beyond 50 ms (Total Blocking Time, W3C Long Tasks).
  observeKind('longtask', ({ duration }) => {
    met.blocked += duration - 50
  })
  // From a tap to the paint after it (Interaction to Next Paint, W3C Event Timing).
  observeKind('event', (entry) => {
    if ('interactionId' in entry && entry.interactionId !== 0)
      met.next = Math.max(met.next, entry.duration)
  })
}

async function roundOn(page: Page, url: string, tap: string): Promise<Met> {
  await openPage(page, url)
  await page.waitForTimeout(REST_MS)
  const read = () => page.evaluate(() => (window as unknown as { met: Record<string, number> }).met)
  const { paint = NaN, blocked = NaN } = await read()
  const target = page.locator(tap).first()
  await target.scrollIntoViewIfNeeded()
  const { x, y, width, height } = (await target.boundingBox()) ?? NOWHERE
  // What was asked of the page to find it is over before the finger comes down.
  await page.waitForTimeout(SETTLE_MS)
  await page.touchscreen.tap(x + width / 2, y + height / 2)
  await page.waitForTimeout(SETTLE_MS)
  const { next = NaN } = await read()
  return { paintMs: paint, blockedMs: blocked, nextPaintMs: next }
}

async function medianOn(browser: Browser, url: string, tap: string): Promise<Met> {
  const rounds: Met[] = []
  const context = await browser.newContext(TABLET)
  const page = await context.newPage()
  await page.addInitScript(observe)
  await settle(page, new URL(url).origin)
  const slow = await context.newCDPSession(page)
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
  for (let round = 0; round < ROUNDS; round++) rounds.push(await roundOn(page, url, tap))
  await context.close()
  const median = (of: keyof Met): number =>
    percentile(
      rounds.map((each) => each[of]),
      0.5,
    )
  return {
    paintMs: median('paintMs'),
    blockedMs: median('blockedMs'),
    nextPaintMs: median('nextPaintMs'),
  }
}

const inWords = ({ paintMs, blockedMs, nextPaintMs }: Met): string =>
  `largest paint ${ms(paintMs)}, blocked ${ms(blockedMs)}, next paint ${ms(nextPaintMs)}`

/** Every main page beside one of words alone. */
export async function benchTablet(base: string, boxPath: string): Promise<void> {
  await withPage(async (_page, browser) => {
    const bare = await medianOn(browser, `${base}/glossary`, 'h1')
    const pages = Object.entries(MAIN).map(
      ([name, { path, tap }]) => [name, `${base}${boxPath}${path}`, tap] as const,
    )
    for (const [name, url, tap] of [['Bench', `${base}/`, 'main summary'] as const, ...pages]) {
      const met = await medianOn(browser, url, tap)
      report(
        `Tablet, ${SLOWER} times slower: ${name}, median of ${ROUNDS}`,
        inWords(met),
        `words of the trade: ${inWords(bare)}`,
        {
          [`largest ${ms(AIMS.paintMs)}`]: met.paintMs <= AIMS.paintMs,
          [`blocked ${ms(AIMS.blockedMs)}`]: met.blockedMs <= AIMS.blockedMs,
          [`next ${ms(AIMS.nextPaintMs)}`]: met.nextPaintMs <= AIMS.nextPaintMs,
        },
      )
    }
  })
}
