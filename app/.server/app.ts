/** The HTTP side of Udrix: everything between the socket and the routes. */
import { randomBytes } from 'node:crypto'
import path from 'node:path'

import { createRequestHandler } from '@react-router/express'
import compression from 'compression'
import express from 'express'
import type { Request, Response } from 'express'
import helmet from 'helmet'

import { LARGEST_PHOTO_BYTES } from '../photo.ts'
import { LARGEST_ARCHIVE_BYTES } from './archive.ts'
import { findVersion } from './boxes.ts'
import { migrateDatabase, pool } from './db/client.ts'
import { seedDemo } from './demo.ts'
import { recallPage } from './pageCache.ts'

/** Leaves room for a box file of the largest size and its form. */
const LARGEST_BODY_BYTES = 1_100_000
/** Where photographs are sent, with room for the form around one. */
const PHOTOS_PATH = /^\/boxes\/[0-9a-f-]{36}\/photos$/
const LARGEST_PHOTO_BODY_BYTES = LARGEST_PHOTO_BYTES + 100_000
/** The address that takes most, with room for the form around an archive. */
const ARCHIVE_PATH = '/archive'
const LARGEST_ARCHIVE_BODY_BYTES = LARGEST_ARCHIVE_BYTES + 100_000
const isProduction = process.env.NODE_ENV === 'production'
/** Where the build stands, relative to the folder that the server runs in. */
const BUILD_FOLDER = process.env.UDRIX_BUILD ?? 'build'

function nonceOf(response: { locals?: Record<string, unknown> }): string {
  return String(response.locals?.nonce)
}

const LOOPBACK_NAMES: readonly string[] = ['127.0.0.1', 'localhost', '[::1]']

/**
 * While Udrix listens on loopback only, it answers to loopback's names only: a
 * foreign name that has been made to point here is not our own page.
 */
function guardName(request: Request, response: Response, next: () => void): void {
  const isOpen = process.env.HOST !== undefined && !LOOPBACK_NAMES.includes(process.env.HOST)
  if (isOpen || LOOPBACK_NAMES.includes(request.hostname)) next()
  else response.status(421).type('text/plain').send('Udrix is not to be found under this name.')
}

function largestBody(pathname: string): number {
  // The router asks for a page's data under the same name with an ending.
  if (pathname.replace(/\.data$/, '') === ARCHIVE_PATH) return LARGEST_ARCHIVE_BODY_BYTES
  return PHOTOS_PATH.test(pathname) ? LARGEST_PHOTO_BODY_BYTES : LARGEST_BODY_BYTES
}

/** State changes only by POST, from our own pages, in bodies of a sensible size. */
function guardWrites(request: Request, response: Response, next: () => void): void {
  if (request.method === 'GET' || request.method === 'HEAD') {
    next()
    return
  }
  const refuse = (status: number, sentence: string): void => {
    response.status(status).type('text/plain').send(sentence)
  }
  const { origin, host } = request.headers
  const isForeign = origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host)
  const site = request.headers['sec-fetch-site']
  if (request.method !== 'POST') refuse(405, 'Udrix takes GET and POST only.')
  else if (isForeign || site === 'cross-site' || site === 'same-site')
    refuse(403, 'Udrix takes changes from its own pages only.')
  else if (request.headers['content-length'] === undefined)
    refuse(411, 'The length of what is sent must be stated.')
  else if (Number(request.headers['content-length']) > largestBody(request.path))
    refuse(413, 'This is more than Udrix takes at once.')
  else next()
}

/** Tables up to date and the demo in: what must be so before the first request. */
export async function prepareDatabase(): Promise<void> {
  await migrateDatabase(path.resolve('app/.server/db/migrations'))
  await seedDemo()
}

export async function closeDatabase(): Promise<void> {
  await pool.end()
}

export const app = express()
app.disable('x-powered-by')
app.use(guardName)
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
  app.use(compression())
  app.use(
    '/assets',
    express.static(path.join(BUILD_FOLDER, 'client/assets'), { immutable: true, maxAge: '1y' }),
  )
  app.use(express.static(path.join(BUILD_FOLDER, 'client'), { maxAge: '1h' }))
}
app.use(guardWrites)
/** A page of a box that is kept for the box as it is now needs no rendering. */
async function answerFromKept(request: Request, response: Response): Promise<boolean> {
  const boxId = /^\/boxes\/([0-9a-f-]{36})\/\w+(?:\/\w+)?$/.exec(request.path)?.[1]
  if (request.method !== 'GET' || boxId === undefined) return false
  const version = await findVersion(boxId)
  if (version === null) return false
  const { originalUrl, headers } = request
  const page = recallPage(originalUrl, headers.cookie, version, nonceOf(response))
  if (page === undefined) return false
  response.type('text/html; charset=utf-8').send(page)
  return true
}

if (isProduction) {
  app.set('etag', false)
  app.use((request, response, next) => {
    answerFromKept(request, response).then(
      (isAnswered) => {
        if (!isAnswered) next()
      },
      // Whatever is wrong, such as a database that is away, is told by the page itself.
      () => {
        next()
      },
    )
  })
}

/** In production the routes are worked out once; while developing, anew for each request. */
const loadBuild = () => import('virtual:react-router/server-build')
app.use(
  createRequestHandler({
    build: isProduction ? await loadBuild() : loadBuild,
    getLoadContext: (_request, response) => ({ nonce: nonceOf(response) }),
  }),
)
