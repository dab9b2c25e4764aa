/** The HTTP side of Udrix: everything between the socket and the routes. */
import { randomBytes } from 'node:crypto'
import path from 'node:path'

import { createRequestHandler } from '@react-router/express'
import compression from 'compression'
import express from 'express'
import staticGzip from 'express-static-gzip'
import helmet from 'helmet'
import onHeaders from 'on-headers'

import { migrateDatabase, pool } from './db/client.ts'
import { seedDemo } from './demo/index.ts'
import { cancelTasks } from './archive/tasks.ts'
import { endPictures } from './pictures/index.ts'
import { stopListening } from './events.ts'
import { keepSummariesFresh } from './jobSummaries.ts'
import { archives } from './http/archives.ts'
import { listAssets } from './http/assets.ts'
import { endEvents, sendEvents, tellChanged } from './http/events.ts'
import { limitTime } from './http/budget.ts'
import { answerKept, versionIn } from './http/keptPages.ts'
import { guardAddresses, guardNames, namesOf } from './http/names.ts'
import { limitReads, limitWrites } from './http/rates.ts'
import { guardWrites } from './http/writes.ts'

const isProduction = process.env.NODE_ENV === 'production'
/** Where the build stands, relative to the folder that the server runs in. */
const BUILD_FOLDER = process.env.UDRIX_BUILD ?? 'build'

function nonceOf(response: { locals?: Record<string, unknown> }): string {
  return String(response.locals?.nonce)
}

let stopSummaries: () => void = () => undefined

/** Tables up to date and the demo in: what must be so before the first request. */
export async function prepareDatabase(): Promise<void> {
  await migrateDatabase(path.resolve('app/.server/db/migrations'))
  await seedDemo()
  stopSummaries = keepSummariesFresh()
}

export { whyNoDatabase } from './db/client.ts'

export async function closeDatabase(): Promise<void> {
  stopSummaries()
  await Promise.all([stopListening(), pool.end()])
}

/** Ends the answers that would never end by themselves. */
export function endStreams(): void {
  endEvents()
  cancelTasks()
  endPictures()
}

export const app = express()
app.disable('x-powered-by')
app.use(guardAddresses, guardNames(namesOf(process.env)))
app.use((_request, response, next) => {
  response.locals.nonce = randomBytes(16).toString('base64')
  next()
})
if (isProduction) {
  const ownNonce = (_request: unknown, response: object): string => `'nonce-${nonceOf(response)}'`
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'", ownNonce],
          styleSrc: ["'self'", ownNonce],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          manifestSrc: ["'self'"],
          formAction: ["'self'"],
          baseUri: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  )
  // What the build has not compressed, as pages and the list of routes, is as it goes out.
  app.use(compression())
  app.use(
    '/assets',
    staticGzip(path.join(BUILD_FOLDER, 'client/assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: { immutable: true, maxAge: '1y' },
    }),
  )
  app.get('/assets.json', listAssets(path.join(BUILD_FOLDER, 'client/assets')))
  app.use(express.static(path.join(BUILD_FOLDER, 'client'), { maxAge: '1h' }))
}
/** What says nothing of its own about being kept is kept by nobody. */
app.use((_request, response, next) => {
  onHeaders(response, () => {
    if (!response.hasHeader('Cache-Control'))
      response.setHeader('Cache-Control', 'private, no-store')
  })
  next()
})
app.use(limitReads, limitWrites, limitTime(), archives, guardWrites())
app.get('/events', sendEvents)
app.get('/changed', tellChanged)
if (isProduction) {
  app.set('etag', false)
  app.use(answerKept(nonceOf))
}

/** In production the routes are worked out once; while developing, anew for each request. */
const loadBuild = () => import('virtual:react-router/server-build')
app.use(
  createRequestHandler({
    build: isProduction ? await loadBuild() : loadBuild,
    getLoadContext: (_request, response) => ({
      nonce: nonceOf(response),
      version: versionIn(response),
    }),
  }),
)
