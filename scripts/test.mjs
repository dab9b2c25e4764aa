/**
 * `npm test`: types, lint, the import rules of the core, Jest and the browser tests,
 * with everything they need put in place first. Data, port and build are its own.
 */
import fs from 'node:fs'
import os from 'node:os'
import path from 'node:path'

import { STATE } from './paths.mjs'
import { SetupError, exitCode } from './run.mjs'
import { ensureBuild, ensureChromium, ensurePackages, ensurePostgres } from './setup.mjs'

const RESULTS = path.join(STATE, 'test')
const JEST_RESULTS = path.join(RESULTS, 'jest.json')
const PLAYWRIGHT_RESULTS = path.join(RESULTS, 'playwright.json')
const BUILD = '.udrix/test/build'

/** Many tests wait for a database or a process to die: one worker more than processors. */
const WORKERS = os.availableParallelism() + 1
const JEST = `npm run -s jest -- --maxWorkers=${WORKERS} --json --outputFile=${JEST_RESULTS}`
/** Properties are tried on the same examples in every whole run; `npm run jest` draws new ones. */
const SEED = '20261126'
const CHECKS = 'npm run -s typecheck && npm run -s lint && npm run -s kills -- 10'
/** The browser is tried too where Jest has found something. */
const TESTS = `${JEST}; jest=$?; npx playwright test && exit $jest`
/** Side by side: neither of them keeps two processors busy alone. */
const ALL = ['concurrently', '--group', '--names', 'checks,tests', CHECKS, TESTS]

/**
 * @typedef {{ numPassedTests: number, numFailedTests: number }} JestResults
 * @typedef {{ title: string, file: string, tests: readonly { status: string }[] }} Spec
 * @typedef {{ specs?: readonly Spec[], suites?: readonly Suite[] }} Suite
 * @typedef {Suite & { stats: { expected: number, unexpected: number, flaky: number } }} PlaywrightResults
 */

/**
 * The browser tests that passed at the second try only.
 *
 * @param {Suite} suite
 * @returns {readonly string[]}
 */
function flakyIn({ specs = [], suites = [] }) {
  const own = specs.filter(({ tests }) => tests.some(({ status }) => status === 'flaky'))
  return [...own.map(({ file, title }) => `${file}: ${title}`), ...suites.flatMap(flakyIn)]
}

/**
 * @param {string} file
 * @returns {unknown}
 */
function readResults(file) {
  return fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : undefined
}

async function main() {
  fs.mkdirSync(RESULTS, { recursive: true })
  for (const file of [JEST_RESULTS, PLAYWRIGHT_RESULTS]) fs.rmSync(file, { force: true })
  // Debian's packages come while npm's do, and while the program is built.
  await Promise.all([
    ensurePostgres().then(ensureChromium),
    ensurePackages().then(() => ensureBuild(BUILD)),
  ])
  process.env.UDRIX_SEED ??= SEED

  console.log('\n== types, lint, import rules and kills beside Jest and then the browser tests')
  const from = performance.now()
  const isPassed = (await exitCode('npx', ALL)) === 0
  console.log(`== ${((performance.now() - from) / 1000).toFixed(0)} s`)
  // Each was written by the runner that its file is named for.
  const jest = /** @type {JestResults | undefined} */ (readResults(JEST_RESULTS))
  const playwright = /** @type {PlaywrightResults | undefined} */ (readResults(PLAYWRIGHT_RESULTS))
  const browser = playwright?.stats ?? { expected: 0, unexpected: 0, flaky: 0 }
  const flaky = playwright ? flakyIn(playwright) : []
  const passedCount = (jest?.numPassedTests ?? 0) + browser.expected + browser.flaky
  const failedCount = (jest?.numFailedTests ?? 0) + browser.unexpected
  const summary = [
    ...flaky.map((title) => `Flaky, passed at the second try: ${title}`),
    `${passedCount} passed, ${failedCount} failed`,
  ]
  fs.writeFileSync(path.join(RESULTS, 'summary'), `${summary.join('\n')}\n`)
  console.log(`\nJest and browser tests:\n${summary.join('\n')}`)
  if (!isPassed) throw new SetupError('Not everything passed. What did not is told above.')
}

try {
  await main()
} catch (error) {
  if (!(error instanceof SetupError)) throw error
  console.error(error.message)
  process.exitCode = 1
}
