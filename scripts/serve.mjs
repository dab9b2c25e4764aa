/**
 * Serves Udrix: the production build, or with --dev the sources through Vite.
 * Wants DATABASE_URL, and NODE_ENV from before Node started. Exits when the process
 * that started it is gone.
 */
import http from 'node:http'
import path from 'node:path'
import { pathToFileURL } from 'node:url'

import express from 'express'

import { addressOf, readOptions, sentenceOf } from './options.mjs'
import { SetupError } from './run.mjs'

const isDev = process.argv.includes('--dev')
const CLOSE_TIMEOUT_MS = 4_000
/** How long a database may take to come up before the person hears of it. */
const DATABASE_TIMEOUT_MS = 20_000
const TRY_AGAIN_MS = 500

/** @typedef {typeof import('../app/.server/app.ts')} ServerModule */

/**
 * @param {express.Express} server
 * @returns {Promise<ServerModule>}
 */
async function loadServer(server) {
  if (!isDev) {
    const entry = path.resolve(process.env.UDRIX_BUILD ?? 'build', 'server/index.js')
    /** @type {unknown} */
    const built = await import(pathToFileURL(entry).href)
    // The build's entry is the module that the type names.
    return /** @type {ServerModule} */ (built)
  }
  const vite = await import('vite')
  const development = await vite.createServer({ server: { middlewareMode: true } })
  server.use(development.middlewares)
  const loaded = await development.ssrLoadModule('./app/.server/app.ts')
  // Vite hands the module over untyped; it is the one that the type names.
  return /** @type {ServerModule} */ (loaded)
}

/**
 * Waits for a database that is just coming up; fails with a sentence about one that is not.
 *
 * @param {ServerModule} module
 */
async function prepare({ prepareDatabase, whyNoDatabase }) {
  const deadline = Date.now() + DATABASE_TIMEOUT_MS
  for (;;)
    try {
      await prepareDatabase()
      return
    } catch (error) {
      const reason = whyNoDatabase(error)
      if (reason === undefined) throw error
      if (!reason.isPassing || Date.now() > deadline) throw new SetupError(reason.sentence)
      await new Promise((resolve) => setTimeout(resolve, TRY_AGAIN_MS))
    }
}

/** @type {ReadonlyMap<unknown, string>} */
const LISTEN_SENTENCES = new Map(
  Object.entries({
    EADDRINUSE: 'is in use. Close the program that uses it, or choose another: PORT=4800 npm start',
    EACCES: 'may not be used by this user. Ports below 1024 are root’s: PORT=4800 npm start',
    EADDRNOTAVAIL: 'is no address of this machine. HOST is one of its own addresses, or 0.0.0.0.',
    ENOTFOUND: 'is no name that this machine knows. HOST is one of its addresses, or 0.0.0.0.',
    EAI_AGAIN: 'is no name that this machine knows. HOST is one of its addresses, or 0.0.0.0.',
  }),
)

/**
 * @param {http.Server} listener
 * @param {import('./options.mjs').Options} options
 * @returns {Promise<void>}
 */
function listen(listener, { host, port }) {
  return new Promise((resolve, reject) => {
    listener.once('error', (/** @type {NodeJS.ErrnoException} */ error) => {
      const sentence = LISTEN_SENTENCES.get(error.code)
      reject(sentence ? new SetupError(`${addressOf({ host, port })} ${sentence}`) : error)
    })
    listener.listen(port, host, resolve)
  })
}

async function serve() {
  const options = readOptions(process.env)
  const server = express()
  server.disable('x-powered-by')
  // The address is taken first, so that whoever cannot have it touches no data.
  let isReady = false
  server.use((_request, response, next) => {
    if (isReady) next()
    // A browser that shows this asks again by itself.
    else response.status(503).set('Refresh', '2').type('text/plain').send('Udrix is being started.')
  })
  const listener = http.createServer(server)
  await listen(listener, options)
  const module = await loadServer(server)
  await prepare(module)
  server.use(module.app)
  isReady = true
  console.log(`Udrix is at ${addressOf(options)}`)
  process.send?.('listening')

  let isClosing = false
  function close() {
    if (isClosing) return
    isClosing = true
    setTimeout(() => process.exit(0), CLOSE_TIMEOUT_MS).unref()
    listener.close(() => {
      void module.closeDatabase().finally(() => process.exit(0))
    })
    module.endStreams()
    listener.closeIdleConnections()
  }
  process.on('SIGTERM', close)
  process.on('SIGINT', close)
  process.on('disconnect', close)
}

try {
  await serve()
} catch (error) {
  const sentence = sentenceOf(error)
  if (sentence === undefined) throw error
  console.error(sentence)
  process.exit(1)
}
