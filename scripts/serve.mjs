/**
 * Serves Udrix: the production build, or with --dev the sources through Vite.
 * Wants DATABASE_URL, and NODE_ENV from before Node started. Exits when the process
 * that started it is gone.
 */
import http from 'node:http'
import path from 'node:path'
import { pathToFileURL } from 'node:url'

import express from 'express'

const isDev = process.argv.includes('--dev')
const port = Number(process.env.PORT ?? 4700)
const host = process.env.HOST ?? '127.0.0.1'
const CLOSE_TIMEOUT_MS = 4_000

/** @typedef {typeof import('../app/.server/app.ts')} ServerModule */

const server = express()
server.disable('x-powered-by')

/** @returns {Promise<ServerModule>} */
async function loadServer() {
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

const { app, closeDatabase, prepareDatabase } = await loadServer()
await prepareDatabase()
server.use(app)

const listener = http.createServer(server)
listener.on('error', (error) => {
  console.error(
    'code' in error && error.code === 'EADDRINUSE'
      ? `Port ${port} is in use. Close the program that uses it, or choose another: PORT=4800 npm start`
      : error,
  )
  process.exit(1)
})
listener.listen(port, host, () => {
  console.log(`Udrix is at http://${host}:${port}`)
  process.send?.('listening')
})

let isClosing = false
function close() {
  if (isClosing) return
  isClosing = true
  setTimeout(() => process.exit(0), CLOSE_TIMEOUT_MS).unref()
  listener.close(() => {
    void closeDatabase().finally(() => process.exit(0))
  })
  listener.closeIdleConnections()
}
process.on('SIGTERM', close)
process.on('SIGINT', close)
process.on('disconnect', close)
