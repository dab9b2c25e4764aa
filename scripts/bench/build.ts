/** Coming apart and going together: the order, the least sets, random assemblies, and the page. */
import type { Locator, Page } from '@playwright/test'
import fc from 'fast-check'
import pg from 'pg'

import type { BoxDraft } from 'core'
import { assemblyOf, layOutSection, leastToReach, orderOf } from 'core'

import { stuckParts } from '../../core/assembly/removal.ts'
import { waysOffRow } from '../../core/assembly/row.ts'
import { stepsOff } from '../../core/testing/removals.ts'
import { assemblyOnShaft, emptied } from '../../core/testing/rings.ts'
import { FRAME_MS, medianMs, ms, percentile, report, under } from './measure.ts'
import { openPage, settle, withPage } from './page.ts'
import { PARTS, wholeUnit } from './parts.ts'

const ID = '00000000-0000-4000-8000-000000000310'
const JOB = '00000000-0000-4000-8000-000000000311'
const ASSEMBLIES = 10_000
const ROUNDS = 9
const STEPS = 300

/** The same box as another value, so that nothing of it is known yet. */
function afresh(draft: BoxDraft): BoxDraft {
  return { ...draft }
}

/** The order of a unit of 300 pieces, and the least set for each of its parts. */
export function benchBuild(): void {
  const draft = wholeUnit()
  const { parts } = assemblyOf(draft)
  const { down, stuck } = orderOf(assemblyOf(draft))
  const orderMs = medianMs(10, () => orderOf(assemblyOf(afresh(draft))))
  report(
    `Core: the order of ${parts.length} parts, ${down.length} of which come off (${stuck.length} are held)`,
    ms(orderMs),
    `the section laid out ${ms(medianMs(10, () => layOutSection(afresh(draft))))}`,
    under(100, orderMs),
  )
  const each = parts.map(({ id }) => medianMs(1, () => leastToReach(parts, [id])))
  report(
    'Core: the least that comes off to reach one part, the slowest of all parts',
    ms(Math.max(...each)),
    `the median of all parts ${ms(percentile(each, 0.5))}`,
    under(20, Math.max(...each)),
  )
}

/** Random assemblies against a simulation that pushes rings along, in the same run. */
export function benchAssemblies(): void {
  const found = fc.sample(assemblyOnShaft, { numRuns: ASSEMBLIES, seed: 14 })
  let wrong = 0
  let whole = 0
  let solverMs = 0
  let simulationMs = 0
  for (const { shaft, rings } of found) {
    const start = performance.now()
    const ways = waysOffRow(shaft, rings)
    const parts = rings.map(({ id }, at) => ({ id, ways: ways[at] ?? [] }))
    const held = new Set(stuckParts(parts))
    const solved = performance.now()
    const { order, left } = emptied({ shaft, rings })
    simulationMs += performance.now() - solved
    solverMs += solved - start
    const isSame = left.length === held.size && left.every(({ id }) => held.has(id))
    if (!isSame || !stepsOff(parts, order)) wrong++
    if (held.size === 0) whole++
  }
  report(
    `Core: ${ASSEMBLIES} random assemblies, of which ${whole} come apart to the last ring`,
    `${wrong} told otherwise than they come apart, in ${ms(solverMs)}`,
    `pushing every ring along ${ms(simulationMs)}`,
    { '0': wrong === 0 },
  )
}

async function putUnit(databaseUrl: string): Promise<void> {
  const draft = wholeUnit()
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  await client.query(
    'insert into boxes (id, name, document) values ($1, $2, $3) on conflict do nothing',
    [ID, draft.name, JSON.stringify(draft)],
  )
  await client.query(
    'insert into jobs (id, box_id, number) values ($1, $2, 1) on conflict do nothing',
    [JOB, ID],
  )
  await client.end()
}

/** How long a page takes until something of it is there, round after round. */
async function timesToOpen(
  page: Page,
  address: string,
  shown: Locator,
): Promise<readonly number[]> {
  const times: number[] = []
  for (let round = -1; round < ROUNDS; round++) {
    const start = performance.now()
    await page.goto(address, { waitUntil: 'load' })
    await shown.waitFor()
    if (round >= 0) times.push(performance.now() - start)
  }
  return times
}

/** Build with 300 pieces: its first view, and one step beside a frame of the same page left alone. */
export async function benchBuildPage(base: string, databaseUrl: string): Promise<void> {
  await putUnit(databaseUrl)
  await withPage(async (page) => {
    await settle(page, base)
    const build = `${base}/boxes/${ID}/build`
    const times = await timesToOpen(page, build, page.getByTestId('step'))
    const heading = page.getByRole('heading', { level: 2 }).first()
    const bare = await timesToOpen(page, `${base}/boxes/${ID}/sheet`, heading)
    report(
      `Browser: Build of a unit of ${PARTS} pieces is open, median of ${ROUNDS}`,
      ms(percentile(times, 0.5)),
      `its data sheet ${ms(percentile(bare, 0.5))}`,
      under(300, percentile(times, 0.5)),
    )
    await openPage(page, `${base}/boxes/${ID}/build`)
    const frames = await page.evaluate(async (steps) => {
      const frame = (): Promise<number> => new Promise((resolve) => requestAnimationFrame(resolve))
      const p95 = (values: number[]): number =>
        [...values].sort((one, other) => one - other)[Math.floor(values.length * 0.95)] ?? NaN
      const idle: number[] = []
      for (let at = 0; at < steps; at++) {
        const from = performance.now()
        await frame()
        idle.push(performance.now() - from)
      }
      const stepped: number[] = []
      for (let at = 0; at < steps; at++) {
        const button = [...document.querySelectorAll('button')].find((each) =>
          each.textContent.startsWith('Done'),
        )
        const shown = document.querySelector('[data-testid=step]')?.textContent
        const from = performance.now()
        button?.click()
        do await frame()
        while (document.querySelector('[data-testid=step]')?.textContent === shown)
        stepped.push(performance.now() - from)
      }
      return { idle: p95(idle), stepped: p95(stepped), first: p95(stepped.slice(0, 40)) }
    }, STEPS)
    report(
      `Browser: a step on Build is shown, 95 of 100 of ${STEPS}`,
      ms(frames.stepped),
      `a frame of the page left alone ${ms(frames.idle)}; of the first 40, the page being new, ${ms(frames.first)}`,
      { 'within one frame more': frames.stepped < frames.idle + FRAME_MS },
    )
  })
}
