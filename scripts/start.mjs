/**
 * `npm start`: puts in place whatever is missing, starts the database and the server,
 * starts either again when it dies, and stops both on Ctrl-C or SIGTERM. `npm run dev` is
 * the same with --dev.
 */
import net from 'node:net'
import path from 'node:path'

import { startCluster } from './cluster.mjs'
import { holdFolder, whileHolding } from './hold.mjs'
import { addressOf, readOptions, sentenceOf } from './options.mjs'
import { ROOT } from './paths.mjs'
import { makeOpenFolder } from './place.mjs'
import { SetupError, endChildren } from './run.mjs'
import { spawnServer } from './serverProcess.mjs'
import { ensureBuild, ensurePackages, ensurePostgres } from './setup.mjs'
import { watchStarters } from './starters.mjs'
import { watchHealth } from './watchdog.mjs'

const isDev = process.argv.includes('--dev')
const BUILD = process.env.UDRIX_BUILD ?? 'build'
/** A server ends within this after whoever started it. */
const ORPHAN_TIMEOUT_MS = 6_000
/** A server that is asked to end has this long; its own time for it is shorter. */
const STOP_TIMEOUT_MS = 8_000

/** @typedef {import('./options.mjs').Options} Options */

/** @param {Options} options @returns {Promise<boolean>} */
function isPortBusy({ port, host }) {
  return new Promise((resolve) => {
    const probe = net.connect({ port, host }, () => {
      probe.destroy()
      resolve(true)
    })
    probe.on('error', () => {
      resolve(false)
    })
  })
}

/** A server whose starter was killed ends by itself; it is waited for. @param {Options} options */
async function refuseBusyPort(options) {
  const { port, host } = options
  const deadline = Date.now() + ORPHAN_TIMEOUT_MS
  while (await isPortBusy(options)) {
    if (Date.now() < deadline) {
      await new Promise((resolve) => setTimeout(resolve, 200))
      continue
    }
    throw new SetupError(
      `Port ${port} is in use: perhaps Udrix runs already, at ${addressOf({ host, port })}. To use another port: PORT=4800 npm start`,
    )
  }
}

/** Two at a time in one folder would install, build and stop for one another. @param {Options} options */
async function refuseSecond(options) {
  makeOpenFolder(options.state)
  const said = `at ${addressOf(options)} (process ${process.pid})`
  const hold = await holdFolder(options.state, said)
  if (!hold.isHeld)
    throw new SetupError(
      `Udrix runs already, or is being started, on the data in ${options.state}: ${hold.by || 'it does not say where'}. Stop it first, or start this one on data of its own: UDRIX_DATA=folder PORT=4800 npm start`,
    )
}

/** Addresses that stand for all of the machine, of which one is asked. */
const LOOPBACKS = new Map([
  ['0.0.0.0', '127.0.0.1'],
  ['::', '::1'],
])

/** Ends a server that answers nothing any more. @param {Options} options @param {() => void} kill */
function watch({ host, port }, kill) {
  const address = addressOf({ host: LOOPBACKS.get(host) ?? host, port })
  const stop = watchHealth(`${address}/healthz`, () => {
    console.error('The server has not answered for 30 seconds. Ending it…')
    kill()
  })
  return () => {
    stop()
    return undefined
  }
}

/**
 * Keeps a server running until it is asked to stop. One that never came up will not do
 * better when it is started again, and has said why.
 *
 * @param {Options} options
 * @param {string} databaseUrl
 * @param {AbortSignal} asked
 * @returns {Promise<number>} the exit code
 */
async function keepServing(options, databaseUrl, asked) {
  const isAsked = () => asked.aborted
  for (;;) {
    const env = {
      PORT: `${options.port}`,
      HOST: options.host,
      UDRIX_DATA: options.state,
      DATABASE_URL: databaseUrl,
    }
    if (isAsked()) return 0
    const server = spawnServer(env, { isDev })
    const kill = () => server.kill('SIGKILL')
    const stop = () => {
      server.kill('SIGTERM')
      // One that works on something without end hears of nothing.
      setTimeout(kill, STOP_TIMEOUT_MS).unref()
    }
    asked.addEventListener('abort', stop)
    let unwatch = () => undefined
    const up = new AbortController()
    server.once('message', () => {
      up.abort()
      // While developing, a server may stand at a breakpoint.
      if (!isDev) unwatch = watch(options, kill)
    })
    /** @type {number | null} */
    const code = await new Promise((resolve) => server.on('exit', resolve))
    unwatch()
    asked.removeEventListener('abort', stop)
    if (isAsked()) return 0
    if (!up.signal.aborted) return code ?? 1
    console.error('The server ended unasked. Starting it again…')
  }
}

async function start() {
  const options = readOptions(process.env)
  const asked = new AbortController()
  // What is being put in place then is put in place by the next start.
  let hasBegun = false
  const stop = () => {
    asked.abort()
    if (!hasBegun) void endChildren().then(() => process.exit(0))
  }
  for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP']))
    process.on(signal, stop)
  watchStarters(stop)
  await refuseSecond(options)
  await refuseBusyPort(options)
  await whileHolding(ROOT, async () => {
    if (!options.databaseUrl) await ensurePostgres()
    await ensurePackages()
    if (!isDev) await ensureBuild(BUILD)
  })
  hasBegun = true
  const cluster = options.databaseUrl
    ? undefined
    : await startCluster(path.join(options.state, 'cluster'))
  if (cluster) console.log(`The data are in ${cluster.data}`)
  cluster?.keepAlive()
  try {
    process.exitCode = await keepServing(
      options,
      options.databaseUrl ?? cluster?.url ?? '',
      asked.signal,
    )
  } finally {
    await cluster?.stop()
  }
}

try {
  await start()
} catch (error) {
  const sentence = sentenceOf(error)
  if (sentence === undefined) throw error
  console.error(sentence)
  process.exitCode = 1
}
