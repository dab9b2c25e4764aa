/** Archives over HTTP: taken out as a stream, sent as a stream, and read in as work. */
import fs from 'node:fs'
import path from 'node:path'
import { pipeline } from 'node:stream/promises'

import type { Request, Response } from 'express'
import { Router } from 'express'
import { v7 as uuidv7 } from 'uuid'

import {
  beginTask,
  cancelTask,
  findTask,
  hasBegun,
  isBusy,
  newUpload,
  uploadPath,
} from '../archive/tasks.ts'
import { isDatabaseAnswering } from '../db/client.ts'
import { isId } from '../ids.ts'
import { log } from '../log.ts'
import { guardWrites } from './writes.ts'

/** All archives that were sent and are not read in yet, together; the disk is asked besides. */
const MOST_UPLOADED_BYTES = 16_000_000_000
/** Left free on the disk, for the database to go on. */
const LEFT_FREE_BYTES = 1_000_000_000

const BUSY = 'Two archives are being worked on already. Try again when one of them is done.'
const AWAY = 'The database does not answer, so nothing was done. Try again in a moment.'

function say(response: Response, status: number, sentence: string): void {
  response.status(status).json({ sentence })
}

/** Everything as one file, written while it is sent. `?task=` names the work. */
async function takeOut(request: Request, response: Response): Promise<void> {
  if (isBusy()) {
    say(response, 503, BUSY)
    return
  }
  const { task } = request.query
  const id = typeof task === 'string' && isId(task) && !findTask(task) ? task : uuidv7()
  const child = beginTask(id, ['out'], { isPiped: true })
  response.on('close', () => child.kill('SIGKILL'))
  if (!(await hasBegun(child)) || !child.stdout) {
    say(response, 503, AWAY)
    return
  }
  const day = new Date().toISOString().slice(0, 10)
  response.writeHead(200, {
    'Content-Type': 'application/zip',
    'Content-Disposition': `attachment; filename="udrix-${day}.zip"`,
    'Cache-Control': 'private, no-store, no-transform',
  })
  const ended = new Promise<number | null>((resolve) => child.once('close', resolve))
  await pipeline(child.stdout, response, { end: false })
  // A file that was broken off must not look like a whole one.
  if ((await ended) === 0) response.end()
  else response.destroy()
}

/** Takes an archive as the body of a request, onto the disk. */
async function takeIn(request: Request, response: Response): Promise<void> {
  const length = Number(request.headers['content-length'])
  if (request.headers['content-type'] !== 'application/zip') {
    say(response, 415, 'An archive is sent as application/zip. Load the page again.')
    return
  }
  const upload = await newUpload()
  if (length + upload.othersBytes > MOST_UPLOADED_BYTES) {
    say(
      response,
      413,
      `Archives of ${MOST_UPLOADED_BYTES / 1_000_000_000} GB together are looked through at most. Those that were sent and not read in are cleared away within the hour.`,
    )
    return
  }
  const { bavail, bsize } = await fs.promises.statfs(path.dirname(upload.path))
  if (length > bavail * bsize - LEFT_FREE_BYTES) {
    say(response, 507, 'The disk of the server has no room for this archive.')
    return
  }
  try {
    await pipeline(request, fs.createWriteStream(upload.path, { mode: 0o600 }))
  } catch {
    await fs.promises.rm(upload.path, { force: true })
    say(response, 400, 'The archive did not arrive whole. Send it again.')
    return
  }
  response.status(201).json({ upload: upload.id })
}

/** Looks through an archive that was sent, or reads it in. */
async function beginReading(request: Request, response: Response): Promise<void> {
  const { upload = '', work = '' } = request.params
  const file = typeof upload === 'string' && isId(upload) ? uploadPath(upload) : ''
  if (file === '' || !fs.existsSync(file)) say(response, 404, 'That archive is not here any more.')
  else if (isBusy()) say(response, 503, BUSY)
  else if (!(await isDatabaseAnswering())) say(response, 503, AWAY)
  else {
    const task = uuidv7()
    const child = beginTask(task, [String(work), file])
    if (work === 'read') child.once('close', () => void fs.promises.rm(file, { force: true }))
    response.status(202).json({ task })
  }
}

function tell(request: Request, response: Response): void {
  const task = findTask(String(request.params.task))
  if (!task) say(response, 404, 'There is no such work any more.')
  else response.set('Cache-Control', 'no-store').json(task)
}

function cancel(request: Request, response: Response): void {
  cancelTask(String(request.params.task))
  response.status(204).end()
}

/** Whatever fails here is logged and told as a failure of the server. */
function answering(work: (request: Request, response: Response) => Promise<void>) {
  return (request: Request, response: Response): void => {
    work(request, response).catch((error: unknown) => {
      if (request.destroyed || response.destroyed) return
      log.error({ err: error }, 'an archive could not be answered')
      if (response.headersSent) response.destroy()
      else say(response, 500, 'That failed. The server’s log says why.')
    })
  }
}

export const archives = Router()
archives.get('/archive.zip', answering(takeOut))
archives.post('/archive/uploads', guardWrites(MOST_UPLOADED_BYTES), answering(takeIn))
archives.post(
  '/archive/uploads/:upload/:work',
  guardWrites(0),
  (request, response, next) => {
    if (request.params.work === 'preview' || request.params.work === 'read') next()
    else say(response, 404, 'There is no such work.')
  },
  answering(beginReading),
)
archives.get('/archive/tasks/:task', tell)
archives.post('/archive/tasks/:task/cancel', guardWrites(0), cancel)
