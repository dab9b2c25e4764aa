/** A unit of 300 parts: its order lines, its pages beside those without parts, its moving drawing. */
import type { Page } from '@playwright/test'
import pg from 'pg'

import { buildPattern, indexBox, readJob, unitParts, wayOff } from 'core'
import type { BoxDraft, Entry } from 'core'

import { orderLines } from '../../app/views/order/orderLines.ts'
import { PLAIN_WORDS } from '../../app/words/vocabulary.ts'
import { counted } from './boxes.ts'
import { medianMs, ms, percentile, report, times, under } from './measure.ts'
import { framesPerSecond } from './motion.ts'
import { openPage, settle, withPage } from './page.ts'

/** Pieces of the unit that is measured with. */
export const PARTS = 300
const ROUNDS = 9
const FRAME_ROUNDS = 3
const IDS = {
  whole: '00000000-0000-4000-8000-000000000300',
  bare: '00000000-0000-4000-8000-000000000301',
} as const

/**
 * The largest pattern with washers up to 300 pieces, spread along its shafts; what passes over
 * neither end is in halves.
 */
export function wholeUnit(): BoxDraft {
  const draft = counted(buildPattern('heavy', 'parts', { speeds: '18', range: 'countershaft' }))
  const pieces = [...(draft.pieces ?? [])]
  for (let at = 0; pieces.length < PARTS; at++) {
    const shaft = draft.members[at % draft.members.length]
    if (!shaft) throw new Error('the pattern has shafts')
    const share = ((at * 7) % 50) / 50
    const stationMm = shaft.fromMm + share * (shaft.toMm - shaft.fromMm)
    pieces.push({ id: `extra-${at}`, kind: 'thrust-washer', on: shaft.id, stationMm })
  }
  const index = indexBox({ ...draft, pieces })
  return {
    ...draft,
    pieces: pieces.map((piece) => {
      const way = wayOff(index, piece)
      return way?.how === 'along' && way.over.length === 0 ? { ...piece, isSplit: true } : piece
    }),
  }
}

/** Every part of a unit found worn out by a look that it has, or by its tips. */
function allWorn(draft: BoxDraft): readonly Entry[] {
  return unitParts(draft).map(({ ref, looks: [look = 'crack'] }, at) => ({
    id: `${at}`.padStart(6, '0'),
    at: new Date(Date.UTC(2026, 0, 5, 8, 0, at)).toISOString(),
    by: '',
    body: { kind: 'look', part: ref, look, grade: 'replace' },
  }))
}

/** From 300 verdicts to the lines of the parts list. */
export function benchOrderLines(): void {
  const draft = wholeUnit()
  const job = readJob(allWorn(draft))
  const naming = { box: indexBox(draft), words: PLAIN_WORDS }
  const lines = orderLines(naming, job).length
  const text = JSON.stringify(draft)
  const linesMs = medianMs(20, () => orderLines(naming, job))
  report(
    `Core: ${job.findings.length} verdicts on a unit of ${draft.pieces?.length ?? 0} pieces to ${lines} order lines, with words`,
    ms(linesMs),
    `the box read from its text ${ms(medianMs(20, () => void JSON.parse(text)))}`,
    under(5, linesMs),
  )
}

/** Milliseconds until a page shows its drawing. */
async function opened(page: Page, address: string): Promise<number> {
  const start = performance.now()
  await page.goto(address, { waitUntil: 'load' })
  await page.locator('svg.section [data-gear]').first().waitFor()
  return performance.now() - start
}

/** Lay out, Measure and Trace of the unit, beside the same box without a single piece. */
export async function benchPartsPages(base: string, databaseUrl: string): Promise<void> {
  const whole = wholeUnit()
  const { pieces: _pieces, ...bare } = whole
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  for (const [id, draft] of [
    [IDS.whole, whole],
    [IDS.bare, bare],
  ] as const)
    await client.query(
      'insert into boxes (id, name, document) values ($1, $2, $3) on conflict do nothing',
      [id, draft.name, JSON.stringify(draft)],
    )
  await client.end()
  await withPage(async (page) => {
    await settle(page, base)
    for (const path of ['layout', 'measure', 'trace']) {
      const found = { whole: [] as number[], bare: [] as number[] }
      // The first of each fills caches.
      for (let round = -1; round < ROUNDS; round++)
        for (const of of ['whole', 'bare'] as const) {
          const time = await opened(page, `${base}/boxes/${IDS[of]}/${path}`)
          if (round >= 0) found[of].push(time)
        }
      const [with300, without] = [percentile(found.whole, 0.5), percentile(found.bare, 0.5)]
      report(
        `Browser: ${path} of a unit of ${PARTS} pieces is open, median of ${ROUNDS}`,
        `${times(with300, without)} as long, ${ms(with300)}`,
        `without pieces ${ms(without)}`,
        { 'within 1.5 times': with300 < 1.5 * without },
      )
    }
    const frames = { all: [] as number[], usual: [] as number[] }
    for (let round = 0; round < FRAME_ROUNDS; round++)
      for (const of of ['all', 'usual'] as const) {
        const layers = of === 'all' ? '&layers=torque,speed,rest,names,counts,forces,parts' : ''
        await openPage(page, `${base}/boxes/${IDS.whole}/trace?position=1L${layers}`)
        await page.locator('div.motion canvas').waitFor()
        frames[of].push(await framesPerSecond(page))
      }
    report(
      `Browser: gears turn with all layers of ${PARTS} pieces drawn, median of ${FRAME_ROUNDS}`,
      `${percentile(frames.all, 0.5).toFixed(0)} frames a second`,
      `with the usual layers ${percentile(frames.usual, 0.5).toFixed(0)}`,
      { 'the same': percentile(frames.all, 0.5) > 0.95 * percentile(frames.usual, 0.5) },
    )
  })
}
