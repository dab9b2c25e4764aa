/**
 * `npm test`: types, lint, the import rules of the core, Jest and the browser tests,
 * with everything they need put in place first. Data, port and build are its own.
 */
import fs from 'node:fs'
import path from 'node:path'

import { STATE } from './paths.mjs'
import { SetupError, exitCode } from './run.mjs'
import { ensureBuild, ensureChromium, ensurePackages, ensurePostgres } from './setup.mjs'

const RESULTS = path.join(STATE, 'test')
const JEST_RESULTS = path.join(RESULTS, 'jest.json')
const PLAYWRIGHT_RESULTS = path.join(RESULTS, 'playwright.json')
const BUILD = '.udrix/test/build'

/** @type {readonly (readonly [name: string, command: string, args: readonly string[]])[]} */
const STEPS = [
  ['types', 'npm', ['run', '-s', 'typecheck']],
  ['lint and import rules', 'npm', ['run', '-s', 'lint']],
  ['Jest', 'npm', ['run', '-s', 'jest', '--', '--json', `--outputFile=${JEST_RESULTS}`]],
  ['kills', 'npm', ['run', '-s', 'kills', '--', '10']],
  ['browser tests', 'npx', ['playwright', 'test']],
]

/**
 * @typedef {{ numPassedTests: number, numFailedTests: number }} JestResults
 * @typedef {{ stats: { expected: number, unexpected: number, flaky: number } }} PlaywrightResults
 */

/**
 * @template Results
 * @param {string} file
 * @returns {Results | undefined}
 */
function readResults(file) {
  // Written by the runner named beside each file.
  return fs.existsSync(file)
    ? /** @type {Results} */ (JSON.parse(fs.readFileSync(file, 'utf8')))
    : undefined
}

async function main() {
  await ensurePostgres()
  await ensureChromium()
  await ensurePackages()
  fs.mkdirSync(RESULTS, { recursive: true })
  for (const file of [JEST_RESULTS, PLAYWRIGHT_RESULTS]) fs.rmSync(file, { force: true })
  await ensureBuild(BUILD)

  const failed = []
  for (const [name, command, args] of STEPS) {
    console.log(`\n== ${name}`)
    if ((await exitCode(command, args)) !== 0) failed.push(name)
  }
  const jest = /** @type {JestResults | undefined} */ (readResults(JEST_RESULTS))
  const playwright = /** @type {PlaywrightResults | undefined} */ (readResults(PLAYWRIGHT_RESULTS))
    ?.stats
  const passedCount = (jest?.numPassedTests ?? 0) + (playwright?.expected ?? 0)
  const failedCount =
    (jest?.numFailedTests ?? 0) + (playwright?.unexpected ?? 0) + (playwright?.flaky ?? 0)
  fs.writeFileSync(path.join(RESULTS, 'summary'), `${passedCount} passed, ${failedCount} failed\n`)
  console.log(`\nJest and browser tests: ${passedCount} passed, ${failedCount} failed`)
  if (failed.length > 0) throw new SetupError(`Failed: ${failed.join(', ')}.`)
}

try {
  await main()
} catch (error) {
  if (!(error instanceof SetupError)) throw error
  console.error(error.message)
  process.exitCode = 1
}
