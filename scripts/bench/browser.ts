import type { Locator, Page } from '@playwright/test'

import { ms, percentile, report, under } from './measure.ts'
import { openPage, settle, withPage } from './page.ts'

const CHANGES = 60

/** Script of the first load. */
async function benchFirstLoad(page: Page, trace: string): Promise<void> {
  const network = await page.context().newCDPSession(page)
  await network.send('Network.enable')
  const scripts = new Set<string>()
  let scriptBytes = 0
  let otherBytes = 0
  network.on('Network.responseReceived', ({ requestId, type }) => {
    if (type === 'Script') scripts.add(requestId)
  })
  network.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) scriptBytes += encodedDataLength
    else otherBytes += encodedDataLength
  })
  await openPage(page, `${trace}?position=2`)
  report(
    'Browser: compressed script of the first load of Trace',
    `${(scriptBytes / 1000).toFixed(0)} kB`,
    `everything else (page, style, font) ${(otherBytes / 1000).toFixed(0)} kB`,
    { 'under 250 kB': scriptBytes < 250_000 },
  )
  await network.detach()
}

/** From the key event to the frame after the one in which the page says the position, in ms. */
function toPicture(page: Page, key: string, shown: string): Promise<number> {
  return page.evaluate(
    ([pressed, awaited]) =>
      new Promise<number>((resolve) => {
        const start = performance.now()
        const look = () => {
          const selected = document.querySelector('nav [aria-current=page] span')?.textContent
          if (selected === awaited)
            requestAnimationFrame(() => {
              resolve(performance.now() - start)
            })
          else requestAnimationFrame(look)
        }
        document.body.dispatchEvent(
          new KeyboardEvent('keydown', {
            key: pressed,
            code: /\d/.test(pressed) ? `Digit${pressed}` : `Key${pressed.toUpperCase()}`,
            bubbles: true,
          }),
        )
        requestAnimationFrame(look)
      }),
    [key, shown] as const,
  )
}

interface Changes {
  readonly changes: readonly number[]
  readonly idle: readonly number[]
}

async function changesWith(page: Page, trace: string, motion: string): Promise<Changes> {
  await openPage(page, `${trace}?position=5${motion}`)
  const changes: number[] = []
  const idle: number[] = []
  for (let change = 0; change < CHANGES; change++) {
    const key = `${(change % 5) + 1}`
    changes.push(await toPicture(page, key, key))
    // "z" changes nothing: the time of the frames alone.
    idle.push(await toPicture(page, 'z', key))
  }
  return { changes, idle }
}

/** From a key to the picture; returns the times of frames without a change, in ms. */
async function benchGears(page: Page, trace: string): Promise<readonly number[]> {
  const { changes, idle } = await changesWith(page, trace, '&motion=paused')
  const moving = await changesWith(page, trace, '')
  report(
    `Browser: a change of gear is on the screen, p95 of ${CHANGES}`,
    ms(percentile(changes, 0.95)),
    `the same frames without a change ${ms(percentile(idle, 0.95))}; medians ${ms(percentile(changes, 0.5))} and ${ms(percentile(idle, 0.5))}; while the gears turn ${ms(percentile(moving.changes, 0.95))} beside ${ms(percentile(moving.idle, 0.95))}`,
    under(50, percentile(changes, 0.95)),
  )
  return idle
}

/** From typing to the frame after the one in which drawing and ratios say the new count, in ms. */
function toRatio(field: Locator, count: number): Promise<number> {
  return field.evaluate(
    (input, typed) =>
      new Promise<number>((resolve) => {
        const strip = document.body
        const before = strip.querySelector('[aria-label="Ratios so far"]')?.textContent
        const start = performance.now()
        // Past React's own setter, so that it sees a value that a person typed.
        Reflect.set(HTMLInputElement.prototype, 'value', `${typed}`, input)
        input.dispatchEvent(new Event('input', { bubbles: true }))
        const look = () => {
          if (strip.querySelector('[aria-label="Ratios so far"]')?.textContent !== before)
            requestAnimationFrame(() => {
              resolve(performance.now() - start)
            })
          else requestAnimationFrame(look)
        }
        requestAnimationFrame(look)
      }),
    count,
  )
}

/** From a typed count to the ratios, beside frames without a change. */
async function benchTyping(page: Page, count: string, idle: readonly number[]): Promise<void> {
  await openPage(page, `${count}?gear=main-2`)
  const confirm = page.getByRole('button', { name: 'I have read this' })
  if (await confirm.isVisible()) await confirm.click()
  const field = page.getByRole('textbox', { name: '2nd gear, main shaft' })
  const typed: number[] = []
  for (let change = 0; change < CHANGES; change++)
    typed.push(await toRatio(field, 30 + (change % 9)))
  report(
    `Browser: a typed count is in the drawing and every ratio, p95 of ${CHANGES}`,
    ms(percentile(typed, 0.95)),
    `frames without a change ${ms(percentile(idle, 0.95))}; medians ${ms(percentile(typed, 0.5))} and ${ms(percentile(idle, 0.5))}`,
    under(50, percentile(typed, 0.95)),
  )
}

/** Script of the first load, and the times from a key to the picture and to the ratios. */
export async function benchBrowser(base: string, boxPath: string): Promise<void> {
  await withPage(async (page) => {
    await benchFirstLoad(page, `${base}${boxPath}/trace`)
    await settle(page, base)
    const idle = await benchGears(page, `${base}${boxPath}/trace`)
    await benchTyping(page, `${base}${boxPath}/count`, idle)
  })
}
