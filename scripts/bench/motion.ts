import type { CDPSession, Page } from '@playwright/test'
import pg from 'pg'

import { analyse, prepareSolver } from 'core'
import type { BoxDraft } from 'core'

import { LARGEST, boxOf, largeBox } from './boxes.ts'
import { percentile, report } from './measure.ts'
import { openPage, settle, withPage } from './page.ts'

const SECONDS = 3
const ROUNDS = 5
const BOX_ID = '00000000-0000-4000-8000-000000000060'

/** The largest box, with one position in which it drives. */
function drivingBox(): BoxDraft {
  const draft = largeBox(LARGEST.couplers)
  const solver = prepareSolver(boxOf(draft))
  const found = draft.positions.find(({ couplers }) => analyse(solver, couplers).state === 'drive')
  if (!found) throw new Error('the largest box drives in no position')
  return { ...draft, positions: [found] }
}

/** For one second of the page, as parts of a second of one core. */
interface Cost {
  readonly mainThread: number
  readonly allProcesses: number
}

async function processSeconds(browser: CDPSession): Promise<number> {
  const { processInfo } = await browser.send('SystemInfo.getProcessInfo')
  return processInfo.reduce((sum, { cpuTime }) => sum + cpuTime, 0)
}

async function taskSeconds(page: CDPSession): Promise<number> {
  const { metrics } = await page.send('Performance.getMetrics')
  return metrics.find(({ name }) => name === 'TaskDuration')?.value ?? NaN
}

async function measure(page: Page, session: CDPSession, browser: CDPSession): Promise<Cost> {
  const [tasks, cpu] = [await taskSeconds(session), await processSeconds(browser)]
  const start = performance.now()
  await page.waitForTimeout(SECONDS * 1000)
  const seconds = (performance.now() - start) / 1000
  return {
    mainThread: ((await taskSeconds(session)) - tasks) / seconds,
    allProcesses: ((await processSeconds(browser)) - cpu) / seconds,
  }
}

/** Frames that the worker which draws the teeth gets in a second; 0 where there is none. */
export async function framesPerSecond(page: Page): Promise<number> {
  const [worker] = page.workers()
  return worker
    ? worker.evaluate(
        (milliseconds) =>
          new Promise<number>((resolve) => {
            let frames = 0
            const start = performance.now()
            const count = (now: number) => {
              frames++
              if (now - start < milliseconds) requestAnimationFrame(count)
              else resolve((frames * 1000) / (now - start))
            }
            requestAnimationFrame(count)
          }),
        SECONDS * 1000,
      )
    : 0
}

/** The least that a picture which changes in every frame can cost: one empty canvas in the teeth's place. */
async function addEmptyCanvas(page: Page): Promise<void> {
  await page.evaluate(() => {
    const host = document.querySelector<HTMLElement>('div.motion')
    const canvas = document.createElement('canvas')
    canvas.className = 'motion'
    host?.append(canvas)
    canvas.width = canvas.clientWidth
    canvas.height = canvas.clientHeight
    const context = canvas.getContext('2d')
    const step = () => {
      context?.clearRect(0, 0, canvas.width, canvas.height)
      requestAnimationFrame(step)
    }
    requestAnimationFrame(step)
  })
}

/** Frames and processor time of the moving drawing of a box of 60 gears, beside the same page at rest. */
export async function benchMotion(base: string, databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  const draft = drivingBox()
  await client.query(
    'insert into boxes (id, name, document) values ($1, $2, $3) on conflict do nothing',
    [BOX_ID, draft.name, JSON.stringify(draft)],
  )
  await client.end()
  await withPage(async (page, browser) => {
    await settle(page, base)
    const session = await page.context().newCDPSession(page)
    const whole = await browser.newBrowserCDPSession()
    await session.send('Performance.enable')
    const trace = `${base}/boxes/${BOX_ID}/trace`
    const states = ['moving', 'empty', 'paused', 'reduced'] as const
    const costs = { moving: [], empty: [], paused: [], reduced: [] } as Record<
      (typeof states)[number],
      Cost[]
    >
    let frames = NaN
    for (let round = 0; round < ROUNDS; round++)
      for (const state of states) {
        await page.emulateMedia({ reducedMotion: state === 'reduced' ? 'reduce' : 'no-preference' })
        await openPage(page, state === 'moving' ? trace : `${trace}?motion=paused`)
        await page
          .locator('div.motion canvas')
          .waitFor({ state: state === 'reduced' ? 'detached' : 'attached' })
        if (state === 'empty') await addEmptyCanvas(page)
        costs[state].push(await measure(page, session, whole))
        if (state === 'moving') frames = await framesPerSecond(page)
      }
    const median = (state: (typeof states)[number], of: keyof Cost): number =>
      percentile(
        costs[state].map((cost) => cost[of]),
        0.5,
      ) * 100
    const words = (state: (typeof states)[number]): string =>
      `page ${median(state, 'mainThread').toFixed(1)} %, all processes of the browser ${median(state, 'allProcesses').toFixed(1)} % of a core`
    const over = median('moving', 'allProcesses') - median('empty', 'allProcesses')
    report(
      `Browser: ${draft.gears.length} gears turn at ${frames.toFixed(0)} frames a second, median of ${ROUNDS} times ${SECONDS} s`,
      `${words('moving')}; ${over.toFixed(1)} % over an empty canvas`,
      `an empty canvas cleared in every frame: ${words('empty')} · stopped: ${words('paused')} · reduced motion: ${words('reduced')}`,
      {
        '60 frames a second': Math.round(frames) >= 60,
        'under 15 % of a core over an empty canvas': over < 15,
        'none when stopped or reduced':
          Math.max(median('paused', 'mainThread'), median('reduced', 'mainThread')) < 1,
      },
    )
  })
}
