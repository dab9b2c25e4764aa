/** Everything that must be in place before Udrix runs; each step does nothing when it is. */
import { createHash } from 'node:crypto'
import fs from 'node:fs'
import path from 'node:path'

import { ROOT } from './paths.mjs'
import { phase } from './phase.mjs'
import { postgresPrograms } from './postgres.mjs'
import { SetupError, isRoot, run, runQuietly, succeeds } from './run.mjs'

/** Chromium without windows takes a third less time; with them it does the same. */
const CHROMIUM_SHELL = '/usr/bin/chromium-headless-shell'
const CHROMIUM_WHOLE = '/usr/bin/chromium'

/** The browser of tests and pictures, for `executablePath`. */
export function debianChromium() {
  return fs.existsSync(CHROMIUM_SHELL) ? CHROMIUM_SHELL : CHROMIUM_WHOLE
}

/** Whether this process has asked already what Debian has. */
let areListsFresh = false

/**
 * Installs a Debian package where we may; otherwise names it.
 *
 * @param {string} name
 * @param {string} what
 */
async function installDebianPackage(name, what) {
  const prefix = isRoot ? [] : ['sudo', '-n']
  const mayInstall =
    fs.existsSync('/usr/bin/apt-get') && (isRoot || succeeds('sudo', ['-n', 'true']))
  if (!mayInstall)
    throw new SetupError(
      `${what} is missing, and this user may not install it. Install the Debian package ${name}, then start again.`,
    )
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  /** @param {readonly string[]} step */
  const apt = async (step) => {
    const [command = '', ...args] = [...prefix, 'apt-get', '-qq', ...step]
    await run(command, args, env)
  }
  await phase(`Installing ${what} (Debian package ${name})`, async () => {
    if (!areListsFresh) await apt(['update'])
    areListsFresh = true
    await apt(['install', '-y', '--no-install-recommends', name])
  })
}

export async function ensurePostgres() {
  if (!postgresPrograms()) await installDebianPackage('postgresql', 'PostgreSQL')
}

export async function ensureChromium() {
  if (fs.existsSync(CHROMIUM_SHELL)) return
  try {
    await installDebianPackage('chromium-headless-shell', 'Chromium')
  } catch (error) {
    if (!(error instanceof SetupError) || !fs.existsSync(CHROMIUM_WHOLE)) throw error
  }
}

/** @param {readonly string[]} files */
function digest(files) {
  const hash = createHash('sha256')
  for (const file of files)
    hash
      .update(file)
      .update('\0')
      .update(fs.readFileSync(path.join(ROOT, file)))
  return hash.digest('hex')
}

/**
 * Whether `stampFile` says that a step was last done for these very files.
 *
 * @param {string} stampFile
 * @param {string} stamp
 */
function isStamped(stampFile, stamp) {
  return fs.existsSync(stampFile) && fs.readFileSync(stampFile, 'utf8') === stamp
}

/**
 * @typedef {{ version?: string, optional?: boolean }} LockedPackage
 * @param {string} file
 * @returns {Readonly<Record<string, LockedPackage>> | undefined} undefined where there is none
 */
function packagesIn(file) {
  const whole = path.join(ROOT, file)
  if (!fs.existsSync(whole)) return undefined
  // npm writes both files.
  const { packages } = /** @type {{ packages: Record<string, LockedPackage> }} */ (
    JSON.parse(fs.readFileSync(whole, 'utf8'))
  )
  return packages
}

/** Whether what npm says it has put there last, whoever called it, is what the lock file asks for. */
function areInstalled() {
  const installed = packagesIn('node_modules/.package-lock.json')
  const asked = packagesIn('package-lock.json')
  if (!installed || !asked) return false
  return Object.entries(asked).every(([where, { version, optional }]) => {
    const found = installed[where]
    // What is for other machines is left out.
    return where === '' || (found ? found.version === version : optional === true)
  })
}

/** How many of the packages asked for have their folder: "40 %". */
function shareInstalled() {
  const asked = Object.entries(packagesIn('package-lock.json') ?? {}).filter(
    ([where, { optional }]) => where !== '' && optional !== true,
  )
  const there = asked.filter(([where]) => fs.existsSync(path.join(ROOT, where)))
  return asked.length === 0 ? '' : `${((100 * there.length) / asked.length).toFixed(0)} %`
}

export async function ensurePackages() {
  if (areInstalled()) return
  await phase(
    'Installing npm packages',
    () => run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']),
    shareInstalled,
  )
}

const ROUTER_PROGRAM = 'node_modules/@react-router/dev/bin.js'
const BUILT_FROM = ['app', 'core', 'public']
const BUILT_WITH = [
  'package-lock.json',
  'react-router.config.ts',
  'tsconfig.json',
  'vite.config.ts',
]

/**
 * Builds for production into `folder` (relative to the root) unless the build there is up to date.
 *
 * @param {string} folder
 */
export async function ensureBuild(folder) {
  const sources = BUILT_FROM.flatMap((from) =>
    fs
      .readdirSync(path.join(ROOT, from), { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => path.relative(ROOT, path.join(entry.parentPath, entry.name))),
  )
  const stampFile = path.join(ROOT, folder, '.udrix-built')
  const stamp = digest([...sources.sort(), ...BUILT_WITH])
  if (isStamped(stampFile, stamp)) return
  const env = { ...process.env, NODE_ENV: 'production', UDRIX_BUILD: folder }
  // Its tools warn of one another; who starts Udrix hears of a build only when it fails.
  await phase('Building', () =>
    runQuietly(process.execPath, [ROUTER_PROGRAM, 'build', '--logLevel', 'error'], env),
  )
  fs.writeFileSync(stampFile, stamp)
}
