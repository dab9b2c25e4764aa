/** `npm run bench`: the figures that Udrix is to reach, each beside a reference of the same run. */
import os from 'node:os'

import { threeShaftBox } from 'core'

import type { Udrix } from '../../e2e/udrix.ts'
import { TEST_BUILD, startUdrix } from '../../e2e/udrix.ts'
import { ensureBuild, ensureChromium, ensurePostgres } from '../setup.mjs'
import { benchArchive } from './archive.ts'
import { benchBrowser } from './browser.ts'
import { benchCombinations } from './combinations.ts'
import { benchAssemblies, benchBuild, benchBuildPage } from './build.ts'
import { benchCore, benchPositions } from './core.ts'
import { benchClosedBox, benchJob, benchTurnChecks } from './job.ts'
import { benchFlood } from './flood.ts'
import { benchMotion } from './motion.ts'
import { benchOrderLines, benchPartsPages } from './parts.ts'
import {
  benchChanges,
  benchDrive,
  benchDrum,
  benchInterlock,
  benchRun,
  benchStar,
} from './shift.ts'
import { benchTablet } from './tablet.ts'
import { benchPlayed, benchTimeLine } from './shiftPage.ts'
import { benchBench, benchMany, benchServer, benchTraceAfresh, fillJobs } from './server.ts'

/** `npm run bench -- quick`: what takes under two minutes; `-- tablet`: the slowed tablet alone. */
const isQuick = process.argv[2] === 'quick'
const isTabletOnly = process.argv[2] === 'tablet'

const FIVE_SPEED = threeShaftBox({
  name: 'bench',
  forwardCount: 5,
  directAt: 4,
  reverse: 'constant-mesh',
})
const draft = {
  ...FIVE_SPEED,
  gears: FIVE_SPEED.gears.map((gear, at) => ({ ...gear, toothCount: 20 + ((at * 7) % 19) })),
}

await ensurePostgres()
await ensureChromium()
await ensureBuild(TEST_BUILD)
const [cpu] = os.cpus()
console.log(`${os.cpus().length} × ${cpu?.model ?? 'unknown'}, Node ${process.version}\n`)
if (!isTabletOnly) {
  benchCore(draft)
  benchPositions()
  benchCombinations()
  benchTurnChecks()
  benchOrderLines()
  benchBuild()
  benchChanges()
  benchRun()
  if (!isQuick) {
    benchClosedBox()
    benchAssemblies()
    benchDrive()
  }
  benchDrum()
  benchStar()
  benchInterlock()
}
/** Measures on a Udrix of its own, with the demo and nothing else on the bench. */
async function withUdrix(name: string, measure: (udrix: Udrix) => Promise<void>): Promise<void> {
  const udrix = await startUdrix(name)
  try {
    await measure(udrix)
  } finally {
    await udrix.stop()
  }
}

await withUdrix('bench', async (udrix) => {
  const bench = await (await fetch(udrix.url)).text()
  const [box] = /\/boxes\/[0-9a-f-]{36}/.exec(bench) ?? []
  if (!box) throw new Error('the demo is not on the bench')
  if (isTabletOnly) {
    await benchTablet(udrix.url, box)
    return
  }
  await benchServer(udrix.url, `${box}/trace?position=2`)
  await benchFlood(udrix.url, box)
  if (isQuick) return
  await benchTraceAfresh(udrix.url, `${box}/trace?position=2`)
  await benchMany(udrix.url, box, 'the demo')
  await benchBrowser(udrix.url, box)
  await benchTablet(udrix.url, box)
  await benchTimeLine(udrix.url, box)
  await benchPlayed(udrix.url, box)
  await benchMotion(udrix.url, udrix.databaseUrl)
  await benchPartsPages(udrix.url, udrix.databaseUrl)
  await benchBuildPage(udrix.url, udrix.databaseUrl)
  await benchJob(udrix.url, udrix.databaseUrl, box)
  await benchBench(udrix.url, udrix.databaseUrl)
  await fillJobs(udrix.databaseUrl)
  await benchMany(udrix.url, box, '5,000 boxes and 2,000 jobs')
})
if (!isQuick && !isTabletOnly) await withUdrix('bench-archive', benchArchive)
